package aperta.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * A Chromium that is left to itself while something is measured: whoever steers a page is told of every frame that comes
 * over the line, in text, which costs both cores more than showing it.
 */
final class Unwatched implements AutoCloseable {
    private static final String DONE = "measured";

    private final Path profile;
    private final Process chromium;
    private final Playwright playwright = Playwright.create();
    private final int port;
    private Browser browser;
    private Page page;

    Unwatched() {
        try {
            profile = Files.createTempDirectory("aperta-unwatched");
            List<String> command = new ArrayList<>(List.of(
                    "/usr/bin/chromium",
                    "--headless",
                    "--remote-debugging-port=0",
                    "--user-data-dir=" + profile,
                    "--window-size=1280,800"));
            command.addAll(aperta.e2e.Browser.ARGUMENTS);
            command.add("about:blank");
            chromium = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            Path told = profile.resolve("DevToolsActivePort");
            Wait.until("Chromium is there", 30, () -> Files.exists(told));
            port = Integer.parseInt(Files.readAllLines(told).get(0));
            takeInHand();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private void takeInHand() {
        browser = playwright.chromium().connectOverCDP("http://127.0.0.1:" + port);
        page = browser.contexts().get(0).pages().get(0);
        page.setDefaultTimeout(60_000);
    }

    /** The one page; after something has been measured it must be asked for again. */
    Page page() {
        return page;
    }

    /**
     * Lets go of the page while it measures something, and takes it in hand again.
     *
     * @param name of a measure in {@code fluency.js}
     * @return for each thing that is measured, milliseconds
     */
    List<double[]> measure(String name, int times) {
        page.evaluate(
                "([name, times]) => { window.title = document.title; setTimeout(() => window.fluency[name](times).then((all) =>"
                        + " { window.measured = all; }, (e) => { window.measured = String(e); }).then(() => { document.title = '"
                        + DONE + "'; }), 1500); }",
                List.of(name, times));
        browser.close();
        Wait.until(name + " has been measured", 120, this::isDone);
        takeInHand();
        Object all = page.evaluate("() => { document.title = window.title; return window.measured; }");
        if (!(all instanceof List<?> lists)) {
            throw new IllegalStateException(name + ": " + all);
        }
        return lists.stream()
                .map(l -> ((List<?>) l)
                        .stream().mapToDouble(n -> ((Number) n).doubleValue()).toArray())
                .toList();
    }

    /** Titles can be asked for without taking anything in hand. */
    private boolean isDone() {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/json/list"))
                .build();
        try {
            return HttpClient.newHttpClient()
                    .send(request, HttpResponse.BodyHandlers.ofString())
                    .body()
                    .contains("\"title\": \"" + DONE + "\"");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        playwright.close();
        chromium.destroy();
        chromium.onExit().join();
        try (Stream<Path> all = Files.walk(profile)) {
            all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
