package aperta.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import aperta.media.cli.CommandLine;
import aperta.media.json.ShotJson;
import aperta.media.plates.Plates;
import aperta.server.media.Upkeep;
import aperta.server.shot.Gestures;
import jakarta.json.Json;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonStructure;
import jakarta.json.JsonValue;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.StringReader;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.sql.DataSource;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** The API over real HTTP, with the real database. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"aperta.data=${java.io.tmpdir}/aperta-api-test-${random.uuid}", "aperta.demo="})
class ApiTest {
    private final HttpClient http = HttpClient.newHttpClient();

    @LocalServerPort
    int port;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    DataSource data;

    @Autowired
    List<JavaMigration> migrations;

    @Autowired
    Storage storage;

    @Autowired
    Upkeep upkeep;

    @TempDir
    Path folder;

    private String project;

    private record Answer(int status, JsonStructure json) {
        JsonObject object() {
            return json.asJsonObject();
        }

        String detail() {
            return object().getString("detail");
        }
    }

    private Answer call(String method, String path, String body) {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header("content-type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(body.replace('\'', '"')))
                .build();
        return send(request);
    }

    private Answer send(HttpRequest request) {
        try {
            HttpResponse<String> r = http.send(request, HttpResponse.BodyHandlers.ofString());
            return new Answer(
                    r.statusCode(),
                    r.body().isEmpty()
                            ? JsonObject.EMPTY_JSON_OBJECT
                            : Json.createReader(new StringReader(r.body())).read());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private Answer upload(String name, byte[]... files) throws IOException {
        return uploadTo("/api/projects/" + project + "/media", name, files);
    }

    private Answer uploadTo(String path, String name, byte[]... files) throws IOException {
        String border = "border" + UUID.randomUUID();
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (int i = 0; i < files.length; i++) {
            all.writeBytes(("--" + border + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
                            + String.format(name, i + 1) + "\"\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            all.writeBytes(files[i]);
            all.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        }
        all.writeBytes(("--" + border + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header("content-type", "multipart/form-data; boundary=" + border)
                .POST(HttpRequest.BodyPublishers.ofByteArray(all.toByteArray()))
                .build());
    }

    @BeforeEach
    void begin() {
        project =
                call("POST", "/api/projects", "{'name': 'Last Tram'}").object().getString("id");
    }

    private JsonObject shot() {
        return call(
                        "POST",
                        "/api/projects/" + project + "/shots",
                        "{'name': 'Line 9', 'width': 160, 'height': 90, 'rate': '24', 'length': 24}")
                .object();
    }

    private static String edit(long revision, String what) {
        return "{'revision': " + revision + ", 'label': 'test', " + what + "}";
    }

    private static String addWord(String id) {
        return "'edit': {'kind': 'add', 'layer': {'id': '" + id + "', 'name': '" + id
                + "', 'content': {'kind': 'text', 'words':"
                + " 'LINE', 'font': 'anton', 'size': 40}, 'span': {'in': 0, 'length': 24}, 'place': {'position': [80, 45]}}}";
    }

    @Test
    void editsGiveNewRevisionsAndUndoAndRedoGiveTheSameBytes() {
        String id = shot().getString("id");
        String path = "/api/shots/" + id;
        List<String> documents = new ArrayList<>();
        documents.add(call("GET", path, "").object().get("shot").toString());
        documents.add(call("POST", path + "/edits", edit(0, addWord("w")))
                .object()
                .get("shot")
                .toString());
        for (int i = 1; i <= 24; i++) {
            Answer a = call(
                    "POST",
                    path + "/edits",
                    edit(
                            i,
                            "'edit': {'kind': 'set-value', 'layer': 'w', 'property': 'place.rotation', 'frame': 0, 'value': "
                                    + i + ".25}"));
            assertThat(a.status()).as(a.json().toString()).isEqualTo(200);
            documents.add(a.object().get("shot").toString());
        }
        long revision = 25;
        for (int round = 0; round < 2; round++) {
            for (int i = 24; i >= 0; i--) {
                JsonObject o = call("POST", path + "/undo", "{'revision': " + revision++ + "}")
                        .object();
                assertThat(o.get("shot")).hasToString(documents.get(i));
            }
            assertThat(call("POST", path + "/undo", "{'revision': " + revision + "}")
                            .status())
                    .isEqualTo(409);
            for (int i = 1; i <= 25; i++) {
                JsonObject o = call("POST", path + "/redo", "{'revision': " + revision++ + "}")
                        .object();
                assertThat(o.get("shot")).hasToString(documents.get(i));
            }
        }
        JsonObject end = call("GET", path, "").object();
        assertThat(end.getInt("revision")).isEqualTo(125);
        assertThat(end.getString("undo")).isEqualTo("test: 24.25 °");
        assertThat(end.get("redo")).isEqualTo(jakarta.json.JsonValue.NULL);
    }

    /** Each gesture is one step of undo, and leads to and fro without a trace; {@code StepsTest} goes on with it. */
    @ParameterizedTest
    @MethodSource("aperta.server.shot.Gestures#all")
    void everyGestureIsOneStepThatLeavesNoTrace(String gesture) {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        call("POST", path + "/edits", edit(1, addWord("v")));
        String key = "{'at': 0, 'value': 0}, {'at': 12, 'value': 30, 'ease': [0.3, 0, 0.1, 1.2]}";
        JsonObject before = call(
                        "POST",
                        path + "/edits",
                        edit(
                                2,
                                "'patch': [{'op': 'replace', 'path': '/layers/1/place/rotation', 'value': {'rest': 0, 'keys': ["
                                        + key + "]}}, {'op': 'add', 'path': '/layers/-', 'value': " + Gestures.CARD
                                        + "}]"))
                .object();
        String body = gesture.startsWith("'patch'") ? gesture : "'edit': {" + gesture + "}";
        Answer done = call("POST", path + "/edits", edit(3, body));
        assertThat(done.status()).as(done.json().toString()).isEqualTo(200);
        JsonObject after = done.object();
        assertThat(after.get("shot")).isNotEqualTo(before.get("shot"));
        long revision = 4;
        for (int i = 0; i < 2; i++) {
            JsonObject undone = call("POST", path + "/undo", "{'revision': " + revision++ + "}")
                    .object();
            assertThat(undone.get("shot").toString())
                    .isEqualTo(before.get("shot").toString());
            JsonObject redone = call("POST", path + "/redo", "{'revision': " + revision++ + "}")
                    .object();
            assertThat(redone.get("shot").toString())
                    .isEqualTo(after.get("shot").toString());
        }
    }

    /** What an older version stored lacks the fields that came later; they have their usual values. */
    @Test
    void whatAnOlderVersionStoredIsReadWithAllOfTodaysFields() {
        String id = shot().getString("id");
        String path = "/api/shots/" + id;
        JsonObject now = call("POST", path + "/edits", edit(0, addWord("w"))).object();
        String document = now.get("shot").toString();
        String older = document.replace("\"join\":\"over\",", "").replace("\"masks\":[],", "");
        assertThat(older).hasSizeLessThan(document.length());
        assertThat(jdbc.update("update shot set document = ? where id = ?::uuid", older, id))
                .isEqualTo(1);
        assertThat(call("GET", path, "").object().get("shot")).hasToString(document);
    }

    /** What version 4 of the database stored; undo and redo lead through the same pictures as before. */
    @Test
    void olderDocumentsAreBroughtForwardWithAllStatesThatUndoAndRedoLeadTo() throws Exception {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        String place = "'layer': 'w', 'patch': [{'op': 'add', 'path': '/place/";
        call("POST", path + "/edits", edit(1, place + "scale', 'value': [2, 2]}]"));
        call("POST", path + "/edits", edit(2, place + "blur', 'value': 10}]"));
        call("POST", path + "/edits", edit(3, place + "scale', 'value': [4, 4]}]"));
        call("POST", path + "/edits", edit(4, place + "blur', 'value': 6}]"));
        call("POST", path + "/undo", "{'revision': 5}");
        try (Connection connection = data.getConnection()) {
            connection.setAutoCommit(false);
            Context context = mock();
            when(context.getConnection()).thenReturn(connection);
            for (JavaMigration migration : migrations) {
                migration.migrate(context);
            }
            connection.commit();
        }
        // A server that has just started has no older document in its memory.
        jdbc.update("update shot set revision = 106 where id = ?::uuid", path.substring(path.lastIndexOf('/') + 1));
        assertThat(blur(call("GET", path, ""))).isEqualTo(2.5);
        assertThat(blur(call("POST", path + "/redo", "{'revision': 106}"))).isEqualTo(1.5);
        assertThat(blur(call("POST", path + "/undo", "{'revision': 107}"))).isEqualTo(2.5);
        assertThat(blur(call("POST", path + "/undo", "{'revision': 108}"))).isEqualTo(5);
        assertThat(blur(call("POST", path + "/undo", "{'revision': 109}"))).isZero();
        assertThat(call("POST", path + "/undo", "{'revision': 110}").status()).isEqualTo(200);
    }

    private static double blur(Answer a) {
        return a.object()
                .getJsonObject("shot")
                .getJsonArray("layers")
                .getJsonObject(0)
                .getJsonObject("place")
                .getJsonNumber("blur")
                .doubleValue();
    }

    @Test
    void anyStateCanBeGoneBackTo() {
        String path = "/api/shots/" + shot().getString("id");
        List<String> documents = new ArrayList<>();
        documents.add(call("GET", path, "").object().get("shot").toString());
        for (int i = 0; i < 5; i++) {
            documents.add(call("POST", path + "/edits", edit(i, addWord("w" + i)))
                    .object()
                    .get("shot")
                    .toString());
        }
        JsonArray states = call("GET", path + "/states", "").json().asJsonArray();
        assertThat(states).hasSize(6);
        assertThat(states.getJsonObject(5).getString("label")).isEqualTo("Beginning");
        long revision = 5;
        for (int wanted : new int[] {2, 5, 0, 3, 3}) {
            JsonValue edit = wanted == 0
                    ? JsonValue.NULL
                    : states.getJsonObject(5 - wanted).get("edit");
            JsonObject now = call("POST", path + "/jump", "{'revision': " + revision + ", 'edit': " + edit + "}")
                    .object();
            assertThat(now.get("shot").toString()).isEqualTo(documents.get(wanted));
            revision = now.getJsonNumber("revision").longValue();
            long done = call("GET", path + "/states", "").json().asJsonArray().getValuesAs(JsonObject.class).stream()
                    .filter(s -> s.getBoolean("done"))
                    .count();
            assertThat(done).isEqualTo(wanted + 1);
        }
        call("POST", path + "/edits", edit(revision, addWord("other")));
        Answer gone = call(
                "POST",
                path + "/jump",
                "{'revision': " + (revision + 1) + ", 'edit': "
                        + states.getJsonObject(0).get("edit") + "}");
        assertThat(gone.status()).isEqualTo(409);
    }

    @Test
    void openingsAreDescribedAndShownOnTheLayerItself() throws Exception {
        String id = shot().getString("id");
        call("POST", "/api/shots/" + id + "/edits", edit(0, addWord("w")));
        JsonArray openings = call("GET", "/api/recipes", "").object().getJsonArray("openings");
        assertThat(openings.getValuesAs(JsonObject.class))
                .extracting(o -> o.getString("kind"))
                .contains("fade", "cascade");
        for (JsonObject opening : openings.getValuesAs(JsonObject.class)) {
            String url = "http://127.0.0.1:" + port + "/api/shots/" + id + "/previews/" + opening.getString("kind")
                    + ".png?layer=w&arriving=";
            BufferedImage arriving = ImageIO.read(URI.create(url + "true").toURL());
            BufferedImage leaving = ImageIO.read(URI.create(url + "false").toURL());
            int high = arriving.getHeight() / 24;
            assertThat(seen(arriving, 0, high)).as("hidden at first").isLessThan(20);
            assertThat(seen(arriving, 23 * high, high)).as("at rest at last").isGreaterThan(1000);
            assertThat(seen(leaving, 23 * high, high)).as("gone at last").isLessThan(20);
        }
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    }

    /** OWASP's names of what a page must not be able to do: be framed, sniffed, load from elsewhere; nobody else's page may write. */
    @Test
    void onlyWhoComesByTheRightNameAndFromHereComesIn() throws Exception {
        HttpResponse<String> page = http.send(request("/").build(), HttpResponse.BodyHandlers.ofString());
        assertThat(page.headers().firstValue("content-security-policy").orElseThrow())
                .contains("default-src 'self'", "frame-ancestors 'none'", "object-src 'none'");
        assertThat(page.headers().firstValue("x-content-type-options")).contains("nosniff");
        assertThat(page.headers().firstValue("x-frame-options")).contains("DENY");
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.getOutputStream()
                    .write("GET /api/projects HTTP/1.1\r\nHost: orrin-hill.example\r\nConnection: close\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 421").doesNotContain("Last Tram");
        }
        for (String origin : List.of("http://orrin-hill.example", "null", "http://127.0.0.1:1")) {
            HttpRequest foreign = request("/api/projects/" + project + "/media")
                    .header("content-type", "multipart/form-data; boundary=b")
                    .header("origin", origin)
                    .POST(
                            HttpRequest.BodyPublishers.ofString(
                                    "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.png\"\r\n\r\nx\r\n--b--\r\n"))
                    .build();
            assertThat(http.send(foreign, HttpResponse.BodyHandlers.ofString()).statusCode())
                    .as(origin)
                    .isEqualTo(403);
        }
        HttpRequest own = request("/api/projects")
                .header("content-type", "application/json")
                .header("origin", "http://127.0.0.1:" + port)
                .POST(HttpRequest.BodyPublishers.ofString("{\"name\": \"Own\"}"))
                .build();
        assertThat(http.send(own, HttpResponse.BodyHandlers.ofString()).statusCode())
                .isEqualTo(201);
    }

    /** Whatever is sent, the answer is a sentence about it, and never a fault of the server. */
    @Test
    void senselessRequestsAreAnsweredWithASentence() throws Exception {
        String path = "/api/shots/" + shot().getString("id");
        String nul = "\\u0000";
        String half = "\\ud800";
        String deep = "[".repeat(5000) + "]".repeat(5000);
        String groups = "{'id': 'g', 'name': 'g', 'content': {'kind': 'group', 'layers': [".repeat(300)
                + "]}, 'span': {'in': 0, 'length': 24}, 'place': {'position': [0, 0]}}".repeat(300);
        List<String[]> all = List.of(
                new String[] {"/api/projects", "{'name': 'a" + nul + "b'}"},
                new String[] {"/api/projects", "{'name': 'a" + half + "b'}"},
                new String[] {"/api/projects", "{'name': ['a']}"},
                new String[] {"/api/projects", "['name']"},
                new String[] {
                    "/api/projects/" + project + "/shots",
                    "{'name': 'x" + nul + "', 'width': 160, 'height': 90, 'rate': '24', 'length': 24}"
                },
                new String[] {path + "/edits", "{'revision': 'zero', 'label': 'x', 'patch': []}"},
                new String[] {path + "/edits", "{'revision': 0, 'label': 7, 'patch': []}"},
                new String[] {path + "/edits", "{'revision': 0, 'label': '" + half + "', 'patch': []}"},
                new String[] {path + "/edits", edit(0, "'patch': " + deep)},
                new String[] {
                    path + "/edits",
                    edit(0, "'edit': " + deep.replace("[", "{'kind':").replace("]", "}"))
                },
                new String[] {path + "/edits", edit(0, "'edit': {'kind': 'add', 'layer': " + groups + "}")},
                new String[] {path + "/edits", edit(0, addWord("a" + nul))},
                new String[] {path + "/edits", edit(0, "'patch': [7]")},
                new String[] {path + "/undo", "{'revision': 'x'}"});
        for (String[] one : all) {
            Answer a = call("POST", one[0], one[1]);
            assertThat(a.status()).as("%s %.80s", one[0], one[1]).isBetween(400, 422);
            assertThat(a.detail())
                    .as(one[1].substring(0, Math.min(80, one[1].length())))
                    .doesNotContain("java", "Exception", "jakarta");
        }
        HttpRequest empty = request("/api/projects/" + project + "/media")
                .header("content-type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.ofString("--b--\r\n"))
                .build();
        HttpResponse<String> answer = http.send(empty, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(400);
        assertThat(answer.body()).doesNotContain("Exception");
    }

    /** A scan of a poster is larger than any shot, and has a thumbnail nevertheless. */
    @Test
    void aStillLargerThanAShotHasAThumbnail() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(16_000, 600, BufferedImage.TYPE_BYTE_GRAY), "png", png);
        String id = upload("poster.png", png.toByteArray()).object().getString("id");
        awaitReady();
        BufferedImage thumb =
                ImageIO.read(URI.create("http://127.0.0.1:" + port + "/api/media/" + id + "/thumbnail.png")
                        .toURL());
        assertThat(thumb.getWidth()).isEqualTo(240);
    }

    /** Found out once for all that have the same bytes, in whatever project, and until nobody has them. */
    @Test
    void whatWasFoundOutAboutAClipIsKeptByItsContent() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB), "png", png);
        String first = upload("a.png", png.toByteArray()).object().getString("id");
        String hash = jdbc.queryForObject("select hash from media where id = ?::uuid", String.class, first);
        String kept = "select count(*) from footage_finding where clip = '" + hash + "'";
        awaitReady();
        HttpRequest ask = HttpRequest.newBuilder(
                        URI.create("http://127.0.0.1:" + port + "/api/media/" + first + "/thumbnail.png"))
                .build();
        byte[] thumbnail =
                http.send(ask, HttpResponse.BodyHandlers.ofByteArray()).body();
        assertThat(jdbc.queryForObject(kept, Integer.class)).isEqualTo(1);
        Path file = storage.finding(
                jdbc.queryForObject("select hash from footage_finding where clip = ?", String.class, hash));
        assertThat(file).hasBinaryContent(thumbnail);
        // Another answer in its place is what is given from now on; where the file is gone, it is found out anew.
        Files.write(file, new byte[] {1, 2, 3});
        assertThat(http.send(ask, HttpResponse.BodyHandlers.ofByteArray()).body())
                .containsExactly(1, 2, 3);
        Files.delete(file);
        assertThat(http.send(ask, HttpResponse.BodyHandlers.ofByteArray()).body())
                .isEqualTo(thumbnail);
        assertThat(file).exists();
        upload("b.png", png.toByteArray());
        awaitReady();
        call("DELETE", "/api/media/" + first, "");
        upkeep.sweep(Instant.now().plusSeconds(60));
        assertThat(file).exists();
        call("DELETE", "/api/projects/" + project, "");
        upkeep.sweep(Instant.now().plusSeconds(60));
        assertThat(file).doesNotExist();
        assertThat(jdbc.queryForObject(kept, Integer.class)).isZero();
    }

    /** Sixty numbered pictures are one clip; containers take fifty parts unless they are told otherwise. */
    @Test
    void aSequenceMayBeLong() throws Exception {
        byte[][] pictures = new byte[60][];
        for (int i = 0; i < pictures.length; i++) {
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            BufferedImage image = new BufferedImage(32, 18, BufferedImage.TYPE_INT_RGB);
            image.setRGB(i % 32, 9, 0xffffff);
            ImageIO.write(image, "png", png);
            pictures[i] = png.toByteArray();
        }
        Answer a = upload("smoke.%04d.png", pictures);
        assertThat(a.status()).as(a.json().toString()).isEqualTo(201);
        assertThat(a.object().getInt("frames")).isEqualTo(60);
    }

    /** Media that a shot shows stay; others may be taken out, and the files of a deleted project go. */
    @Test
    void filesGoWithWhoeverOwnsThem() throws Exception {
        Path bell = Plates.file("bell", Path.of("target/plates"), t -> {});
        byte[] own = Files.readAllBytes(bell);
        own[own.length - 1] ^= 1;
        String sound = upload("own.wav", own).object().getString("id");
        awaitReady();
        Path file = storage.original(
                jdbc.queryForObject("select hash || ending from media where id = ?::uuid", String.class, sound));
        assertThat(file).exists();
        String id = shot().getString("id");
        String layer =
                "'edit': {'kind': 'add', 'layer': {'id': 's', 'name': 's', 'content': {'kind': 'sound', 'media': '"
                        + sound + "'}, 'span': {'in': 12, 'length': 12}, 'place': {'position': [0, 0]}}}";
        call("POST", "/api/shots/" + id + "/edits", edit(0, layer));
        Answer used = call("DELETE", "/api/media/" + sound, "");
        assertThat(used.status()).isEqualTo(409);
        assertThat(used.detail()).contains("own.wav", "Line 9");
        call("POST", "/api/shots/" + id + "/undo", "{'revision': 1}");
        assertThat(call("DELETE", "/api/media/" + sound, "").status()).isEqualTo(204);
        assertThat(call("GET", "/api/projects/" + project + "/media", "").json().asJsonArray())
                .isEmpty();
        assertThat(call("POST", "/api/shots/" + id + "/redo", "{'revision': 2}").status())
                .as("undo and redo reach back over it")
                .isEqualTo(200);
        assertThat(call("GET", "/api/projects/" + project + "/media", "").json().asJsonArray())
                .hasSize(1);
        upkeep.sweep(Instant.now().plusSeconds(60));
        assertThat(file).as("while the project is there").exists();
        call("DELETE", "/api/projects/" + project, "");
        upkeep.sweep(Instant.now().plusSeconds(60));
        assertThat(file).doesNotExist();
        assertThat(call("GET", "/api/room", "").object()).containsKeys("media", "copies", "renders");
    }

    /** A shot is silent until a sound is in it; then its mix begins on the sound's frame. */
    @Test
    void aSoundIsBroughtInAndHeardFromItsFrame() throws Exception {
        Path bell = Plates.file("bell", Path.of("target/plates"), t -> {});
        String sound = upload("bell.wav", Files.readAllBytes(bell)).object().getString("id");
        awaitReady();
        String id = shot().getString("id");
        String url = "http://127.0.0.1:" + port + "/api/shots/" + id + "/sound.wav";
        HttpRequest ask = HttpRequest.newBuilder(URI.create(url)).build();
        assertThat(http.send(ask, HttpResponse.BodyHandlers.ofByteArray()).statusCode())
                .isEqualTo(204);
        String layer =
                "'edit': {'kind': 'add', 'layer': {'id': 's', 'name': 's', 'content': {'kind': 'sound', 'media': '"
                        + sound + "'}, 'span': {'in': 12, 'length': 12}, 'place': {'position': [0, 0]}}}";
        assertThat(call("POST", "/api/shots/" + id + "/edits", edit(0, layer)).status())
                .isEqualTo(200);
        byte[] wav = http.send(ask, HttpResponse.BodyHandlers.ofByteArray()).body();
        assertThat(wav).hasSize(44 + 48_000 * 4);
        int first = 44;
        while (first < wav.length && wav[first] == 0) {
            first++;
        }
        assertThat((first - 44) / 4).as("samples before it begins").isBetween(24_000, 25_100);
        JsonArray peaks =
                call("GET", "/api/media/" + sound + "/peaks?count=8", "").json().asJsonArray();
        assertThat(peaks).hasSize(8);
        assertThat(peaks.getJsonNumber(0).doubleValue())
                .isGreaterThan(peaks.getJsonNumber(7).doubleValue());
        assertThat(call("GET", "/api/media/" + sound + "/peaks?count=0", "").status())
                .isEqualTo(422);
        String footage = layer.replace("'sound', 'media'", "'footage', 'media'").replace("'s'", "'f'");
        assertThat(call("POST", "/api/shots/" + id + "/edits", edit(1, footage)).status())
                .as("a sound is no picture")
                .isEqualTo(422);
    }

    private static int seen(BufferedImage image, int from, int high) {
        int n = 0;
        for (int y = from; y < from + high; y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                n += image.getRGB(x, y) >>> 24 > 127 ? 1 : 0;
            }
        }
        return n;
    }

    @Test
    void aChangeToAnOldRevisionIsRefusedAndChangesNothing() {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        Answer late = call("POST", path + "/edits", edit(0, addWord("v")));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.detail()).contains("gone on to revision 1");
        assertThat(call("GET", path, "").object().getInt("revision")).isEqualTo(1);
    }

    @Test
    void aLayerIsChangedAndAskedByItsIdWhateverGroupItLiesIn() {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        call("POST", path + "/edits", edit(1, "'edit': {'kind': 'group', 'layers': ['w'], 'newId': 'g', 'name': 'G'}"));
        Answer changed = call(
                "POST",
                path + "/edits",
                edit(
                        2,
                        "'layer': 'w', 'patch': [{'op': 'add', 'path': '/place/opacity', 'value': {'rest': 1, 'keys': ["
                                + "{'at': 0, 'value': 0}, {'at': 5, 'value': 1}]}}]"));
        assertThat(changed.status()).isEqualTo(200);
        JsonObject moving = changed.object()
                .getJsonObject("animation")
                .getJsonObject("w")
                .getJsonArray("properties")
                .getJsonObject(0);
        assertThat(moving.getString("name")).isEqualTo("place.opacity");
        assertThat(moving.getJsonArray("keys")).hasSize(2);

        assertThat(call("GET", path + "/layers/w/numbers", "").json().asJsonArray())
                .extracting(p -> p.asJsonObject().getString("label"))
                .contains("Position", "Opacity", "Tracking")
                .doesNotContain("Fill");
        assertThat(call("GET", path + "/layers/q/numbers", "").status()).isEqualTo(404);

        JsonObject copied = call(
                        "POST",
                        path + "/copied-keys",
                        "{'keys': [{'layer': 'w', 'property': 'place.opacity', 'at': 5}]}")
                .object();
        Answer pasted = call(
                "POST",
                path + "/edits",
                edit(
                        3,
                        ("'edit': {'kind': 'paste-keys', 'layers': ['g'], 'frame': 7, 'tracks': "
                                        + copied.getJsonArray("tracks") + "}")
                                .replace('"', '\'')));
        assertThat(pasted.object().getJsonObject("animation").getJsonObject("g").getJsonArray("properties"))
                .singleElement()
                .satisfies(p -> assertThat(p.asJsonObject()
                                .getJsonArray("keys")
                                .getJsonObject(0)
                                .getInt("at"))
                        .isEqualTo(7));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "'patch': [{'op': 'add', 'path': '/glow', 'value': 1}] | there is no field 'glow' here",
                "'patch': [{'op': 'replace', 'path': '/length', 'value': -3}] | not -3",
                "'patch': [{'op': 'remove', 'path': '/layers/7'}] | JSON Patch doesn't fit",
                "'patch': [{'op': 'add', 'path': '/layers/0/parent', 'value': 'w'}] | Parents go round in a circle: w → w.",
                "'patch': [{'op': 'add', 'path': '/layers/0/cut', 'value': {'by': 'z'}}] | cut by 'z', which is not in this shot",
                "'patch': [{'op': 'add', 'path': '/layers/0/content/font', 'value': 'q'}] | The font 'q' isn't there.",
                "'patch': [{'op': 'add', 'path': '/layers/0/content', 'value': {'kind': 'footage', 'media': 'm'}}] | 'm' isn't in this project",
                "'layer': 'q', 'patch': [{'op': 'add', 'path': '/name', 'value': 'x'}] | no layer 'q'",
                "'edit': {'kind': 'polish'} | expected a kind out of move, scale",
                "'edit': {'kind': 'delete', 'layers': ['q']} | no layer 'q'",
                "'nothing': 1 | needs a 'patch'",
            })
    void whatCannotBeIsRefusedWithOneSentence(String change, String sentence) {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        Answer a = call("POST", path + "/edits", edit(1, change));
        assertThat(a.status()).isEqualTo(422);
        assertThat(a.detail()).contains(sentence);
        assertThat(call("GET", path, "").object().getInt("revision")).isEqualTo(1);
    }

    @Test
    void whatIsNotThereIsAProblemWithASentence() {
        Answer none = call("GET", "/api/shots/" + UUID.randomUUID(), "");
        assertThat(none.status()).isEqualTo(404);
        assertThat(none.detail()).isEqualTo("There is no such shot.");
        assertThat(call("GET", "/api/shots/seven", "").status()).isEqualTo(400);
        assertThat(call("POST", "/api/projects", "{'name': ' '}").detail()).contains("1 to 200 letters");
        assertThat(call(
                                "POST",
                                "/api/projects/" + project + "/shots",
                                "{'name': 'x', 'width': 40000, 'height': 40000," + " 'rate': '24', 'length': 5}")
                        .detail())
                .contains("between 16 and 8192");
    }

    @Test
    void uselessFilesAreRefusedAndLeaveNothingBehind() throws IOException {
        assertThat(upload("notes.mp4", "words".getBytes(StandardCharsets.UTF_8)).detail())
                .isEqualTo("'notes.mp4': This is not a video or a picture that can be read.");
        assertThat(upload("face.ttf", "words".getBytes(StandardCharsets.UTF_8)).detail())
                .contains("not a TrueType");
        assertThat(upload("empty.mp4", new byte[0]).detail()).contains("empty");
        assertThat((JsonArray)
                        call("GET", "/api/projects/" + project + "/media", "").json())
                .isEmpty();
    }

    @Test
    void aBroughtFontCanBeUsedAndIsListedFirst() throws IOException {
        byte[] ttf = Files.readAllBytes(Path.of("../media/src/main/resources/fonts/caveat.ttf"));
        Answer font = upload("mine.ttf", ttf);
        assertThat(font.status()).as(font.json().toString()).isEqualTo(201);
        JsonArray fonts = (JsonArray)
                call("GET", "/api/projects/" + project + "/fonts", "").json();
        assertThat(fonts.getJsonObject(0).getString("id"))
                .isEqualTo(font.object().getString("id"));
        assertThat(fonts).hasSizeGreaterThan(6);
        String path = "/api/shots/" + shot().getString("id");
        String word = addWord("w").replace("anton", font.object().getString("id"));
        assertThat(call("POST", path + "/edits", edit(0, word)).status()).isEqualTo(200);
    }

    private String framePng(String shot) {
        return "http://127.0.0.1:" + port + "/api/shots/" + shot + "/frames/3.png";
    }

    /** A colour table is brought in and used; what is none gets a sentence and leaves nothing. */
    @Test
    void aColourTableIsBroughtInAndUsed() throws Exception {
        byte[] inverted = "LUT_1D_SIZE 2\n1 1 1\n0 0 0\n".getBytes(StandardCharsets.UTF_8);
        Answer table = upload("invert.cube", inverted);
        assertThat(table.status()).as(table.json().toString()).isEqualTo(201);
        assertThat(upload("broken.cube", "LUT_3D_SIZE 4000".getBytes(StandardCharsets.UTF_8))
                        .detail())
                .contains("between 2 and 129");
        assertThat(upload("none.cube", "hello".getBytes(StandardCharsets.UTF_8)).detail())
                .contains("not a colour table");
        String id = shot().getString("id");
        String path = "/api/shots/" + id;
        call("POST", path + "/edits", edit(0, addWord("w")));
        int before = brightest(ImageIO.read(URI.create(framePng(id)).toURL()));
        String effect = "'layer': 'w', 'patch': [{'op': 'add', 'path': '/effects/-', 'value': {'id': 'e', 'effect':"
                + " {'kind': 'colour-table', 'file': '" + table.object().getString("id") + "'}}}]";
        assertThat(call("POST", path + "/edits", edit(1, effect)).status()).isEqualTo(200);
        int after = brightest(ImageIO.read(URI.create(framePng(id)).toURL()));
        assertThat(before).isEqualTo(255);
        assertThat(after).isZero();
        String missing =
                effect.replace(table.object().getString("id"), UUID.randomUUID().toString());
        assertThat(call("POST", path + "/edits", edit(2, missing.replace("'id': 'e'", "'id': 'f'")))
                        .detail())
                .contains("isn't in this project");
        JsonArray costs = (JsonArray)
                call("GET", path + "/costs?layer=w&frame=3&scale=1", "").json();
        assertThat(costs.getJsonObject(0).getString("effect")).isEqualTo("e");
        assertThat(costs.getJsonObject(0).getJsonNumber("ms").doubleValue()).isNotNegative();
    }

    /** The brightest of the opaque pixels. */
    private static int brightest(BufferedImage image) {
        int most = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int p = image.getRGB(x, y);
                most = p >>> 24 == 255 ? Math.max(most, p & 0xff) : most;
            }
        }
        return most;
    }

    /** A drawing comes in as a group of shapes, goes out again, and is refused with a sentence where it could do harm. */
    @Test
    void drawingsComeInAsShapesAndGoOut() throws Exception {
        String id = shot().getString("id");
        String svg =
                "<svg xmlns='http://www.w3.org/2000/svg' width='80' height='40'><rect width='80' height='40' fill='#c03020'/>"
                        + "<text y='20'>Orrin</text></svg>";
        String path = "/api/shots/" + id + "/read-svg?name=Badge&layer=badge";
        JsonObject read = uploadTo(path, "badge.svg", svg.getBytes(StandardCharsets.UTF_8))
                .object();
        assertThat(read.getJsonArray("left").getString(0)).contains("Text isn't taken over");
        String group = read.getJsonArray("layers").getJsonObject(0).toString();
        Answer added = send(request("/api/shots/" + id + "/edits")
                .header("content-type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"revision\": 0, \"label\": \"Add\", \"edit\": {\"kind\": \"add\", \"layer\": " + group
                                + ", \"above\": null}}"))
                .build());
        assertThat(added.status()).isEqualTo(200);
        String out = http.send(
                        request("/api/shots/" + id + "/layers/badge-1/shape.svg?frame=0")
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        assertThat(out).startsWith("<?xml").contains("fill=\"#c03020\"");
        assertThat(call("GET", "/api/shots/" + id + "/layers/badge/shape.svg?frame=0", "")
                        .detail())
                .contains("no paths");
        Answer refused = uploadTo(
                path,
                "bomb.svg",
                "<!DOCTYPE svg [<!ENTITY a 'x'>]><svg xmlns='http://www.w3.org/2000/svg'/>"
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail()).contains("declares entities");
    }

    /** Chains are kept by name beside those that ship; every effect has a preview on the layer itself. */
    @Test
    void chainsAreKeptAndEffectsShownOnTheLayerItself() throws Exception {
        String path = "/api/projects/" + project + "/chains";
        JsonArray shipped = (JsonArray) call("GET", path, "").json();
        assertThat(shipped).hasSizeGreaterThanOrEqualTo(12);
        Answer kept = call(
                "POST",
                path,
                "{'name': 'Dim', 'effects': [{'id': 'e', 'effect': {'kind': 'grade', 'slopeRed': 0.5}}]}");
        assertThat(kept.status()).isEqualTo(201);
        assertThat((JsonArray) call("GET", path, "").json()).hasSize(shipped.size() + 1);
        assertThat(call("POST", path, "{'name': 'Nothing', 'effects': []}").detail())
                .contains("at least one effect");
        String own = "/api/chains/" + kept.object().getString("id");
        assertThat(call("PUT", own, "{'name': 'Dimmer'}").object().getString("name"))
                .isEqualTo("Dimmer");
        assertThat(call("DELETE", own, "").status()).isEqualTo(204);
        assertThat(call("PUT", own, "{'name': 'Gone'}").status()).isEqualTo(404);

        String id = shot().getString("id");
        call("POST", "/api/shots/" + id + "/edits", edit(0, addWord("w")));
        JsonArray effects = call("GET", "/api/recipes", "").object().getJsonArray("effects");
        for (JsonObject effect : effects.getValuesAs(JsonObject.class)) {
            String kind = effect.getJsonObject("descriptor").getString("kind");
            BufferedImage strip = ImageIO.read(URI.create("http://127.0.0.1:" + port + "/api/shots/" + id
                            + "/effect-previews/" + kind + ".png?layer=w")
                    .toURL());
            int high = strip.getHeight() / 24;
            assertThat(seen(strip, 0, high) + seen(strip, 20 * high, high))
                    .as(kind)
                    .isPositive();
        }
    }

    /** Frame N from the server and from the command line are the same picture, byte for byte. */
    @Test
    void theServerAndTheCommandLineGiveTheSameFrame() throws Exception {
        Path clip = folder.resolve("clip.mp4");
        assertThat(new ProcessBuilder(
                                "ffmpeg",
                                "-v",
                                "error",
                                "-f",
                                "lavfi",
                                "-i",
                                "testsrc2=s=160x90:r=24",
                                "-frames:v",
                                "24",
                                "-c:v",
                                "libx264",
                                "-pix_fmt",
                                "yuv420p",
                                clip.toString())
                        .inheritIO()
                        .start()
                        .waitFor())
                .isZero();
        Answer media = upload("clip.mp4", Files.readAllBytes(clip));
        String id = media.object().getString("id");
        awaitReady();
        String shotId = shot().getString("id");
        String path = "/api/shots/" + shotId;
        call("POST", path + "/edits", edit(0, addWord("w")));
        String footage =
                "'edit': {'kind': 'add', 'layer': {'id': 'c', 'name': 'c', 'content': {'kind': 'footage', 'media': '"
                        + id
                        + "'}, 'span': {'in': 0, 'length': 24}, 'place': {'position': [80, 45]}, 'cut': {'by': 'w'}}}";
        JsonObject shot =
                call("POST", path + "/edits", edit(1, footage)).object().getJsonObject("shot");
        Path file = folder.resolve("shot.json");
        Files.writeString(
                file,
                Json.createObjectBuilder()
                        .add("aperta", 1)
                        .add(
                                "media",
                                Json.createObjectBuilder()
                                        .add(id, Json.createObjectBuilder().add("file", "clip.mp4")))
                        .add("shot", ShotJson.write(ShotJson.read(shot)))
                        .build()
                        .toString());
        for (String scale : List.of("1", "0.5", "0.25")) {
            Path out = folder.resolve("f.png");
            assertThat(new CommandLine(new PrintStream(System.err), folder)
                            .run(List.of(
                                    "frame", file.toString(), "--at", "13", "--scale", scale, "-o", out.toString())))
                    .isZero();
            HttpResponse<byte[]> r = http.send(
                    HttpRequest.newBuilder(
                                    URI.create("http://127.0.0.1:" + port + path + "/frames/13.png?scale=" + scale))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(r.body()).as("at %s", scale).isEqualTo(Files.readAllBytes(out));
        }
    }

    private String clip() throws Exception {
        Path clip = folder.resolve("camera.mp4");
        new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-y",
                        "-f",
                        "lavfi",
                        "-i",
                        "testsrc2=s=128x72:r=30000/1001",
                        "-frames:v",
                        "30",
                        "-c:v",
                        "libx264",
                        "-pix_fmt",
                        "yuv420p",
                        clip.toString())
                .inheritIO()
                .start()
                .waitFor();
        String id = upload("camera.mp4", Files.readAllBytes(clip)).object().getString("id");
        awaitReady();
        return id;
    }

    @Test
    void aShotMayBeExactlyAsAClip() throws Exception {
        String id = clip();
        Answer a = call("POST", "/api/projects/" + project + "/shots", "{'name': 'Same', 'likeMedia': '" + id + "'}");
        assertThat(a.status()).isEqualTo(201);
        JsonObject shot = a.object().getJsonObject("shot");
        assertThat(shot.getInt("length")).isEqualTo(30);
        assertThat(shot.getJsonObject("format"))
                .isEqualTo(ShotJson.parse(
                        "{\"width\": 128, \"height\": 72, \"rate\": \"30000/1001\", \"light\": \"display\"}"));
        assertThat(call("POST", "/api/projects/" + project + "/shots", "{'name': 'None'}")
                        .detail())
                .contains("or a clip to be like");
    }

    private String shotNamed(String name) {
        return call(
                        "POST",
                        "/api/projects/" + project + "/shots",
                        "{'name': '" + name + "', 'width': 96, 'height': 54, 'rate': '24', 'length': 24}")
                .object()
                .getString("id");
    }

    private Answer show(String outer, String inner, long revision) {
        return call(
                "POST",
                "/api/shots/" + outer + "/edits",
                edit(
                        revision,
                        "'patch': [{'op': 'add', 'path': '/layers/0', 'value': {'id': 'n-" + inner
                                + "', 'name': 'Inner', 'content': {'kind': 'shot', 'shot': '" + inner
                                + "'}, 'span': {'in': 0, 'length': 24}, 'place': {'position': [48, 27]}}}]"));
    }

    private byte[] png(String shot) throws Exception {
        return http.send(
                        request("/api/shots/" + shot + "/frames/0.png").build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    @Test
    void aShotInsideAnotherIsSeenAsItIsNowAndNeverInItself() throws Exception {
        String inner = shotNamed("Inner");
        String middle = shotNamed("Middle");
        String outer = shotNamed("Outer");
        assertThat(show(middle, inner, 0).status()).isEqualTo(200);
        assertThat(show(outer, middle, 0).status()).isEqualTo(200);
        byte[] empty = png(outer);
        assertThat(call("POST", "/api/shots/" + inner + "/edits", edit(0, addWord("w")))
                        .status())
                .isEqualTo(200);
        assertThat(png(outer)).isEqualTo(png(inner)).isNotEqualTo(empty);
        assertThat(show(inner, outer, 1).detail()).contains("can't lie in itself");
        assertThat(show(inner, inner, 1).detail()).contains("can't lie in itself");
        assertThat(show(outer, "nothing", 1).detail()).contains("There is no shot");
        assertThat(call("DELETE", "/api/shots/" + inner, "").detail()).contains("is shown in 'Middle'");
        // Taken out of the middle one, shown the other way round, it can't be brought back by undo.
        assertThat(call("POST", "/api/shots/" + middle + "/undo", "{'revision': 1}")
                        .status())
                .isEqualTo(200);
        assertThat(show(inner, middle, 1).status()).isEqualTo(200);
        assertThat(call("POST", "/api/shots/" + middle + "/redo", "{'revision': 2}")
                        .detail())
                .contains("can't lie in itself");
    }

    @Test
    void shotsAreCopiedDeletedAndBroughtBack() throws Exception {
        String one = shotNamed("One");
        call("POST", "/api/shots/" + one + "/edits", edit(0, addWord("w")));
        JsonObject copy = call("POST", "/api/shots/" + one + "/copy", "").object();
        assertThat(copy.getJsonObject("shot").getString("name")).isEqualTo("One copy");
        assertThat(png(copy.getString("id"))).isEqualTo(png(one));
        assertThat(call("DELETE", "/api/shots/" + one, "").status()).isEqualTo(204);
        assertThat(call("GET", "/api/shots/" + one, "").status()).isEqualTo(404);
        assertThat(call("GET", "/api/projects/" + project, "").object().getJsonArray("shots"))
                .hasSize(1);
        JsonObject back = call("POST", "/api/shots/" + one + "/restore", "").object();
        assertThat(back.getString("undo")).isEqualTo("test");
        assertThat(png(one)).isEqualTo(png(copy.getString("id")));
    }

    /** Media and shots that are shown come along; what is there already isn't doubled. */
    @Test
    void shotsAndLayersAreTakenToAnotherProject() throws Exception {
        String clip = clip();
        String inner = shotNamed("Inner");
        call(
                "POST",
                "/api/shots/" + inner + "/edits",
                edit(
                        0,
                        "'patch': [{'op': 'add', 'path': '/layers/0', 'value': {'id': 'c', 'name': 'Clip', 'content':"
                                + " {'kind': 'footage', 'media': '" + clip
                                + "'}, 'span': {'in': 0, 'length': 24}, 'place': {'position': [48, 27]}}}]"));
        String outer = shotNamed("Outer");
        show(outer, inner, 0);
        byte[] before = png(outer);
        String other =
                call("POST", "/api/projects", "{'name': 'Other'}").object().getString("id");
        assertThat(call("POST", "/api/shots/" + inner + "/move", "{'project': '" + other + "'}")
                        .detail())
                .contains("is shown in 'Outer'");
        JsonStructure copied = call("POST", "/api/shots/" + outer + "/copied-layers", "{'layers': ['n-" + inner + "']}")
                .json();
        assertThat(call("POST", "/api/shots/" + outer + "/move", "{'project': '" + other + "'}")
                        .status())
                .isEqualTo(200);
        assertThat(png(outer)).isEqualTo(before);
        JsonObject there = call("GET", "/api/projects/" + other, "").object();
        assertThat(there.getJsonArray("shots")).hasSize(2);
        assertThat(call("GET", "/api/projects/" + other + "/media", "").json().asJsonArray())
                .hasSize(1);
        // Pasted in a third project it brings its own; the clip's file is kept once.
        String third =
                call("POST", "/api/projects", "{'name': 'Third'}").object().getString("id");
        String empty = call(
                        "POST",
                        "/api/projects/" + third + "/shots",
                        "{'name': 'Empty', 'width': 96, 'height': 54, 'rate': '24', 'length': 24}")
                .object()
                .getString("id");
        Answer pasted = call(
                "POST",
                "/api/shots/" + empty + "/paste",
                "{'revision': 0, 'label': 'Paste', 'paste': {'layers': " + copied + ", 'chosen': ['n-" + inner
                        + "'], 'newId': 'p', 'above': null}}");
        assertThat(pasted.status()).isEqualTo(200);
        assertThat(pasted.object().getString("undo")).isEqualTo("Paste");
        assertThat(png(empty)).isEqualTo(before);
        assertThat(call("GET", "/api/projects/" + third + "/media", "").json().asJsonArray())
                .hasSize(1);
        assertThat(call("POST", "/api/shots/" + empty + "/paste", "{'revision': 1, 'label': 'Paste', 'paste': {}}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void rendersAreJobsThatEndWithAFileAndMayBeCancelledAndTriedAgain() throws Exception {
        String path = "/api/shots/" + shot().getString("id");
        call("POST", path + "/edits", edit(0, addWord("w")));
        String job =
                call("POST", path + "/renders", "{'output': 'H264'}").object().getString("job");
        JsonObject done = ended(job);
        assertThat(done.getString("state")).as(done.toString()).isEqualTo("DONE");
        assertThat(done.getInt("done")).isEqualTo(24);
        HttpResponse<byte[]> file = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/jobs/" + job + "/file"))
                        .build(),
                HttpResponse.BodyHandlers.ofByteArray());
        assertThat(file.headers().firstValue("content-disposition").orElse("")).contains("Line 9.mp4");
        assertThat(new String(file.body(), 4, 4, StandardCharsets.ISO_8859_1)).isEqualTo("ftyp");
        assertThat(call("POST", "/api/jobs/" + job + "/retry", "").status()).isEqualTo(409);

        call("POST", path + "/edits", edit(1, "'patch': [{'op': 'replace', 'path': '/length', 'value': 4000}]"));
        String longJob =
                call("POST", path + "/renders", "{'output': 'PNG'}").object().getString("job");
        assertThat(call("POST", path + "/renders", "{'output': 'PNG', 'workRange': true}")
                        .object()
                        .getString("detail"))
                .isEqualTo("The shot has no work range to render.");
        call("POST", "/api/jobs/" + longJob + "/cancel", "");
        assertThat(ended(longJob).getString("state")).isEqualTo("CANCELLED");
        assertThat(call("GET", "/api/jobs/" + longJob + "/file", "").detail()).contains("no finished file");
        call("POST", "/api/jobs/" + longJob + "/retry", "");
        call("POST", "/api/jobs/" + longJob + "/cancel", "");
        assertThat(ended(longJob).getString("state")).isEqualTo("CANCELLED");
    }

    private JsonObject ended(String job) throws InterruptedException {
        for (int i = 0; i < 600; i++) {
            JsonObject j = call("GET", "/api/jobs/" + job, "").object();
            if (!List.of("WAITING", "RUNNING").contains(j.getString("state"))) {
                return j;
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("The job did not end.");
    }

    @Test
    void anOddSizeHasNoH264ButPngFrames() {
        String id = call(
                        "POST",
                        "/api/projects/" + project + "/shots",
                        "{'name': 'Odd', 'width': 161, 'height': 90, 'rate': '24', 'length': 2}")
                .object()
                .getString("id");
        assertThat(call("POST", "/api/shots/" + id + "/renders", "{'output': 'H264'}")
                        .detail())
                .contains("even width");
        assertThat(call("POST", "/api/shots/" + id + "/renders", "{'output': 'PNG'}")
                        .status())
                .isEqualTo(201);
    }

    @Test
    void projectsAreRenamedAndGoWithAllTheyHold() {
        String id = shot().getString("id");
        assertThat(call("PUT", "/api/projects/" + project, "{'name': 'Orrin Hill'}")
                        .object()
                        .getString("name"))
                .isEqualTo("Orrin Hill");
        assertThat(call("GET", "/api/projects/" + project, "").object().getJsonArray("shots"))
                .hasSize(1);
        assertThat(call("DELETE", "/api/projects/" + project, "").status()).isEqualTo(204);
        assertThat(call("GET", "/api/shots/" + id, "").status()).isEqualTo(404);
        assertThat(call("DELETE", "/api/projects/" + project, "").status()).isEqualTo(404);
    }

    private void awaitReady() throws InterruptedException {
        for (int i = 0; i < 300; i++) {
            JsonArray all = (JsonArray)
                    call("GET", "/api/projects/" + project + "/media", "").json();
            if (all.stream().allMatch(m -> m.asJsonObject().getString("state").equals("READY"))) {
                return;
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("The media did not become ready.");
    }

    /** What the front end's types are made from. */
    @Test
    void theApiIsTheOneInDocs() throws IOException {
        JsonObject now = call("GET", "/api/openapi", "").object();
        if (Boolean.getBoolean("aperta.docs")) {
            Files.writeString(Path.of("../docs/openapi.json"), now.toString());
        }
        assertThat(now)
                .as("./aperta docs writes it anew")
                .isEqualTo(ShotJson.parse(Files.readString(Path.of("../docs/openapi.json"))));
    }

    @Test
    void pagesOfTheFrontEndAreAnswered() throws Exception {
        HttpResponse<String> r = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/shots/" + UUID.randomUUID()))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(r.statusCode()).isEqualTo(200);
        assertThat(r.body()).contains("<title>Aperta</title>");
    }
}
