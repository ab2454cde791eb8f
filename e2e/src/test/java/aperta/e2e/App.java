package aperta.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** The packaged application, unpacked and started as people start it, with a database and a folder of its own. */
final class App implements AutoCloseable {
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private static App shared;
    private static Path unpacked;

    private final String database = "e2e_" + UUID.randomUUID().toString().replace("-", "");
    private final Path data;
    private final String demo;
    private final int port;
    private Process process;

    App(boolean withDemo) {
        try {
            data = Files.createTempDirectory("aperta-e2e");
            demo = withDemo ? Path.of("../demo").toAbsolutePath().normalize().toString() : "";
            try (ServerSocket socket = new ServerSocket(0)) {
                port = socket.getLocalPort();
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        sql("create database " + database);
        start();
    }

    /** One without the demo for all tests that neither stop it nor count what is in it; it ends with the tests. */
    static synchronized App shared() {
        if (shared == null) {
            shared = new App(false);
            Runtime.getRuntime().addShutdownHook(new Thread(shared::close));
        }
        return shared;
    }

    /** Classes are found sooner than in a jar of jars. */
    private static synchronized Path unpacked() throws IOException {
        if (unpacked == null) {
            Path to = Path.of("target/app");
            Process p = new ProcessBuilder(
                            "java",
                            "-Djarmode=tools",
                            "-jar",
                            "../server/target/aperta-app.jar",
                            "extract",
                            "--force",
                            "--destination",
                            to.toString())
                    .inheritIO()
                    .start();
            if (p.onExit().join().exitValue() != 0) {
                throw new IOException("The application could not be unpacked.");
            }
            unpacked = to.resolve("aperta-app.jar").toAbsolutePath();
        }
        return unpacked;
    }

    static Path madePlates() {
        return Path.of(System.getenv().getOrDefault("APERTA_PLATES", "target/plates"));
    }

    private static void sql(String statement) {
        try (var c = DriverManager.getConnection(
                        System.getenv("APERTA_DB_URL"),
                        System.getenv("APERTA_DB_USER"),
                        System.getenv("APERTA_DB_PASSWORD"));
                var s = c.createStatement()) {
            s.execute(statement);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    void start() {
        ProcessBuilder builder = new ProcessBuilder();
        String url = System.getenv("APERTA_DB_URL");
        builder.environment().put("APERTA_DB_URL", url.substring(0, url.lastIndexOf('/') + 1) + database);
        builder.environment().put("APERTA_PORT", Integer.toString(port));
        builder.environment().put("APERTA_DATA", data.toString());
        builder.environment().put("APERTA_DEMO", demo);
        builder.redirectErrorStream(true);
        builder.redirectOutput(ProcessBuilder.Redirect.appendTo(
                Path.of("target/app-" + database + ".log").toFile()));
        try {
            builder.command(
                    "nice", "-n", "3", "java", "-Xmx4g", "-jar", unpacked().toString());
            process = builder.start();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        Wait.until("the application is up", 240, () -> {
            if (!process.isAlive()) {
                throw new IllegalStateException("The application ended; see target/app-" + database + ".log");
            }
            return get("/actuator/health").startsWith("{");
        });
    }

    /** As the power goes: no time for goodbyes. */
    void killAtOnce() {
        process.destroyForcibly();
        try {
            process.waitFor(20, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    /** The body, or nothing where there is no answer. */
    String get(String path) {
        return send(HttpRequest.newBuilder(URI.create(url(path))).build());
    }

    String post(String path, String json) {
        return send(HttpRequest.newBuilder(URI.create(url(path)))
                .header("content-type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    private static String send(HttpRequest request) {
        try {
            return HTTP.send(request, HttpResponse.BodyHandlers.ofString()).body();
        } catch (IOException e) {
            return "";
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        process.destroy();
        try {
            if (!process.waitFor(30, TimeUnit.SECONDS)) {
                process.destroyForcibly().waitFor();
            }
            sql("drop database " + database + " with (force)");
            try (Stream<Path> all = Files.walk(data)) {
                all.sorted(java.util.Comparator.reverseOrder())
                        .forEach(p -> p.toFile().delete());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
