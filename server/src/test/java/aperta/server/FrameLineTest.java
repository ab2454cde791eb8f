package aperta.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.media.json.ShotJson;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The line between a window and the frame desk, over a real WebSocket. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"aperta.data=${java.io.tmpdir}/aperta-api-test-${random.uuid}", "aperta.demo="})
class FrameLineTest {
    private final HttpClient http = HttpClient.newHttpClient();

    @LocalServerPort
    int port;

    private String shot;

    private record Arrived(JsonObject header, int[] numbers, byte[] body) {}

    /** One window. */
    private static final class Window implements WebSocket.Listener {
        private final BlockingQueue<Arrived> arrived = new LinkedBlockingQueue<>();
        private final StringBuilder text = new StringBuilder();
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private WebSocket socket;

        @Override
        public CompletionStage<?> onText(WebSocket s, CharSequence part, boolean last) {
            text.append(part);
            if (last) {
                arrived.add(new Arrived(ShotJson.parse(text.toString()), new int[0], new byte[0]));
                text.setLength(0);
            }
            s.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket s, ByteBuffer part, boolean last) {
            byte[] some = new byte[part.remaining()];
            part.get(some);
            bytes.writeBytes(some);
            if (last) {
                ByteBuffer all = ByteBuffer.wrap(bytes.toByteArray());
                byte[] head = new byte[all.getInt()];
                all.get(head);
                JsonObject header = ShotJson.parse(new String(head, StandardCharsets.UTF_8));
                int[] numbers = new int[header.getInt("numbers")];
                all.order(ByteOrder.LITTLE_ENDIAN).asIntBuffer().get(numbers);
                all.position(all.position() + 4 * numbers.length);
                byte[] body = new byte[all.remaining()];
                all.get(body);
                arrived.add(new Arrived(header, numbers, body));
                bytes.reset();
            }
            s.request(1);
            return null;
        }

        void say(String json) {
            socket.sendText(json.replace('\'', '"'), true).join();
        }

        Arrived next() throws InterruptedException {
            Arrived a = arrived.poll(30, TimeUnit.SECONDS);
            assertThat(a).as("an answer within 30 s").isNotNull();
            return a;
        }
    }

    private Window open() {
        Window window = new Window();
        window.socket = http.newWebSocketBuilder()
                .buildAsync(URI.create("ws://127.0.0.1:" + port + "/ws/frames/" + shot), window)
                .join();
        return window;
    }

    private JsonObject post(String path, String json) throws Exception {
        HttpResponse<String> r = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .header("content-type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(json.replace('\'', '"')))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(r.statusCode()).as(r.body()).isBetween(200, 201);
        return ShotJson.parse(r.body());
    }

    @BeforeEach
    void make() throws Exception {
        String project = post("/api/projects", "{'name': 'Last Tram'}").getString("id");
        shot = post(
                        "/api/projects/" + project + "/shots",
                        "{'name': 'Line 9', 'width': 160, 'height': 90, 'rate': '24', 'length': 24}")
                .getString("id");
        post(
                "/api/shots/" + shot + "/edits",
                "{'revision': 0, 'label': 'Add', 'edit': {'kind': 'add', 'layer': {'id': 'w', 'name':"
                        + " 'w', 'content': {'kind': 'text', 'words': 'LINE', 'font': 'anton', 'size': 40}, 'span': {'in': 0, 'length':"
                        + " 24}, 'place': {'position': [80, 45], 'rotation': {'rest': 0, 'keys': [{'at': 0, 'value': 0, 'ease':"
                        + " 'linear'}, {'at': 20, 'value': 40}]}}}}}");
    }

    /** Whatever one window says, it gets a sentence, and all windows go on being answered. */
    @Test
    void nothingThatAWindowSaysEndsTheLine() throws Exception {
        Window window = open();
        for (String wrong : new String[] {
            "{'type': 'ahead'}",
            "{'type': 'ahead', 'frames': ['x'], 'scale': 1}",
            "{'type': 'show'}",
            "{'type': 'show', 'frame': 'x', 'scale': 1}",
            "{'type': 'show', 'frame': 1, 'scale': 'x'}",
            "{'type': 'keys', 'scale': 1, 'from': 5, 'to': 1}",
            "{'type': 'curves'}",
            "{'type': 'curves', 'of': [7]}",
            "{'type': 'pick'}",
            "{'type': 'nonsense'}"
        }) {
            window.say(wrong);
            JsonObject answer = window.next().header;
            assertThat(answer.getString("type")).as(wrong).isEqualTo("problem");
            assertThat(answer.getString("detail")).as(wrong).doesNotContain("went wrong", "java");
        }
        Window other = open();
        other.say("{'type': 'show', 'seq': 1, 'frame': 3, 'scale': 1}");
        assertThat(other.next().body).hasSize(160 * 90 * 4);
        HttpResponse<String> health = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/actuator/health"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(health.body()).contains("UP");
    }

    @Test
    void aShotIsMeasuredForAWindowThatAsks() throws Exception {
        Window window = open();
        window.say("{'type': 'proof'}");
        JsonObject reveal = window.next().header;
        assertThat(reveal.getString("type")).isEqualTo("reveal");
        assertThat(reveal.getInt("revision")).isEqualTo(1);
        JsonArray shares = reveal.getJsonObject("shares").getJsonArray("w");
        assertThat(shares).hasSize(24);
        assertThat(shares.getInt(3)).isEqualTo(1000);
        JsonObject proof = window.next().header;
        assertThat(proof.getString("type")).isEqualTo("proof");
        assertThat(proof.getInt("revision")).isEqualTo(1);
        // One word for one second.
        assertThat(proof.getJsonArray("findings").getValuesAs(JsonObject.class))
                .extracting(f ->
                        f.getString("check") + " " + f.getJsonArray("layers").getString(0))
                .containsExactly("reading-time w");
    }

    private static int opaque(Arrived a) {
        int n = 0;
        for (int i = 3; i < a.body.length; i += 4) {
            n += a.body[i] == -1 ? 1 : 0;
        }
        return n;
    }

    /** A ground over the word hides it; the word alone is seen, with the curve of its cut. */
    @Test
    void oneLayerIsSeenWithoutTheOthers() throws Exception {
        post(
                "/api/shots/" + shot + "/edits",
                "{'revision': 1, 'label': 'Add', 'edit': {'kind': 'add', 'layer': {'id': 'g', 'name': 'g', 'content': {'kind':"
                        + " 'fill', 'size': [160, 90], 'paint': {'kind': 'solid', 'colour': '#ff0000'}}, 'span': {'in': 0, 'length':"
                        + " 24}, 'place': {'position': [80, 45]}, 'cut': {'by': 'w', 'tone': {'curve': [[0, 1], [1, 0]]}}}}}");
        Window window = open();
        String wish = "{'type': 'show', 'seq': 1, 'frame': 0, 'scale': 1, 'see': 'picture', 'layer': 'g'";
        window.say(wish + "}");
        Arrived all = window.next();
        JsonArray curve = all.header.getJsonObject("handles").getJsonArray("curve");
        assertThat(curve).hasSize(65);
        assertThat(curve.getJsonNumber(16).doubleValue()).isCloseTo(0.75, within(1e-9));
        window.say(wish + ", 'alone': 'w'}");
        Arrived word = window.next();
        window.say(wish + ", 'alone': 'nothing'}");
        Arrived other = window.next();
        assertThat(opaque(word)).isBetween(500, 160 * 90 / 2);
        assertThat(opaque(all))
                .as("outside the word, as its matte is turned round")
                .isBetween(160 * 90 / 2, 160 * 90 - 500);
        assertThat(other.header.getString("key")).isEqualTo(all.header.getString("key"));
        window.say("{'type': 'keys', 'seq': 2, 'scale': 1, 'see': 'picture', 'alone': 'w'}");
        assertThat(window.next().header.getJsonArray("keys").getString(0)).isEqualTo(word.header.getString("key"));
    }

    /**
     * Seven whole numbers a point: its place in the shot, its handles from there, its feather; the word lies at 80, 45,
     * unturned.
     */
    @Test
    void aPathComesInHundredthsOfAPixel() throws Exception {
        post(
                "/api/shots/" + shot + "/edits",
                "{'revision': 1, 'label': 'Mask', 'patch': [{'op': 'add', 'path': '/layers/0/masks', 'value': [{'id': 'm',"
                        + " 'name': 'm', 'path': [[-20, -10.25, 0, 0, 3, 4.5], [20, -10, 0, 0, 0, 0, 7.5], [0, 20, -1, 0, 1, 0]]},"
                        + " {'id': 'n', 'name': 'n', 'path': [[0, 0, 0, 0, 0, 0], [1, 0, 0, 0, 0, 0], [0, 1, 0, 0, 0, 0]]}]}]}");
        Window window = open();
        window.say("{'type': 'show', 'seq': 1, 'frame': 0, 'scale': 0.5, 'see': 'picture', 'layer': 'w'}");
        Arrived a = window.next();
        JsonArray paths = a.header.getJsonObject("handles").getJsonArray("paths");
        assertThat(paths.getJsonObject(0).getString("property")).isEqualTo("mask.m.path");
        assertThat(paths.getJsonObject(0).getInt("points")).isEqualTo(3);
        assertThat(paths.getJsonObject(1).getInt("points")).isEqualTo(3);
        assertThat(a.numbers)
                .startsWith(6000, 3475, 0, 0, 300, 450, 0)
                .containsSequence(10000, 3500, 0, 0, 0, 0, 750)
                .containsSequence(8000, 6500, -100, 0, 100, 0, 0, 8000, 4500)
                .hasSize(6 * 7);
        assertThat(a.body).hasSize(80 * 45 * 4);
    }

    @Test
    void aFrameComesWithTheHandlesAndTheValuesOfItsLayer() throws Exception {
        Window window = open();
        window.say("{'type': 'show', 'seq': 1, 'frame': 10, 'scale': 0.5, 'see': 'picture', 'layer': 'w'}");
        Arrived a = window.next();
        assertThat(a.header.getInt("width")).isEqualTo(80);
        assertThat(a.body).hasSize(80 * 45 * 4);
        JsonObject handles = a.header.getJsonObject("handles");
        assertThat(handles.getJsonArray("anchor")).hasToString("[80.0,45.0]");
        JsonObject rotation = handles.getJsonArray("properties").getValuesAs(JsonObject.class).stream()
                .filter(p -> p.getString("name").equals("place.rotation"))
                .findFirst()
                .orElseThrow();
        assertThat(rotation.getJsonNumber("value").doubleValue()).isEqualTo(20);
        assertThat(rotation.getBoolean("keyed")).isTrue();
        assertThat(rotation.getBoolean("keyHere")).isFalse();
        byte[] png = http.send(
                        HttpRequest.newBuilder(URI.create(
                                        "http://127.0.0.1:" + port + "/api/shots/" + shot + "/frames/10.png?scale=0.5"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
        var image = ImageIO.read(new ByteArrayInputStream(png));
        for (int i = 0; i < 80 * 45; i++) {
            assertThat(a.body[4 * i + 3] & 0xff).isEqualTo(image.getRGB(i % 80, i / 80) >>> 24);
        }
    }

    @Test
    void aFrameThatIsKnownIsNotSentAgain() throws Exception {
        Window window = open();
        window.say("{'type': 'show', 'seq': 1, 'frame': 3, 'scale': 1, 'see': 'matte'}");
        String key = window.next().header.getString("key");
        window.say("{'type': 'show', 'seq': 2, 'frame': 3, 'scale': 1, 'see': 'matte', 'have': '" + key + "'}");
        assertThat(window.next().body).isEmpty();
    }

    @Test
    void framesAheadComeInOrderAndHaveTheNamesThatWereTold() throws Exception {
        Window window = open();
        window.say("{'type': 'keys', 'seq': 5, 'scale': 0.5, 'see': 'picture'}");
        var keys = window.next().header.getJsonArray("keys");
        assertThat(keys).hasSize(24);
        window.say("{'type': 'ahead', 'scale': 0.5, 'see': 'picture', 'frames': [4, 5, 6]}");
        for (int n = 4; n < 7; n++) {
            Arrived a = window.next();
            assertThat(a.header.getBoolean("ahead")).isTrue();
            assertThat(a.header.getInt("frame")).isEqualTo(n);
            assertThat(a.header.getString("key")).isEqualTo(keys.getString(n));
        }
    }

    @Test
    void aDraftIsShownButNotKeptAndAnOldOneIsPassedOver() throws Exception {
        Window window = open();
        String draft = "'draft': {'edit': {'kind': 'move', 'layer': 'w', 'frame': 0, 'by': [0.5, 20], 'snap': true}}";
        window.say("{'type': 'show', 'seq': 1, 'frame': 0, 'scale': 1, 'see': 'picture', 'layer': 'w', 'revision': 1, "
                + draft + "}");
        Arrived a = window.next();
        assertThat(a.header.getBoolean("draft")).isTrue();
        assertThat(a.header.getJsonObject("snap").getJsonNumber("x").doubleValue())
                .as("it clings to the middle")
                .isEqualTo(80);
        assertThat(a.header.getJsonObject("handles").getJsonArray("anchor")).hasToString("[80.0,65.0]");
        window.say(
                "{'type': 'show', 'seq': 2, 'frame': 0, 'scale': 1, 'see': 'picture', 'revision': 0, " + draft + "}");
        window.say("{'type': 'pick', 'seq': 3, 'x': 80, 'y': 45, 'frame': 0}");
        assertThat(window.next().header.getString("layer")).isEqualTo("w");
    }

    /** 40° in 20 frames of 1/24 s are 48° a second; a swing of 24 frames adds its amount after six. */
    @Test
    void curvesHaveValuesSpeedsAndWhatSignalsAdd() throws Exception {
        post(
                "/api/shots/" + shot + "/edits",
                "{'revision': 1, 'label': 'Swing', 'edit': {'kind': 'set-signals', 'layer': 'w', 'property':"
                        + " 'place.rotation', 'signals': [{'kind': 'swing', 'amount': 8, 'period': 24}]}}");
        Window window = open();
        window.say("{'type': 'curves', 'seq': 3, 'of': [{'layer': 'w', 'property': 'place.rotation'}, {'layer': 'w',"
                + " 'property': 'place.position'}]}");
        JsonObject answer = window.next().header();
        assertThat(answer.getString("type")).isEqualTo("curves");
        JsonArray curves = answer.getJsonArray("curves");
        JsonObject turn = curves.getJsonObject(0).getJsonArray("channels").getJsonObject(0);
        assertThat(turn.getJsonArray("values").getJsonNumber(6).doubleValue()).isEqualTo(12);
        assertThat(turn.getJsonArray("speeds").getJsonNumber(6).doubleValue()).isEqualTo(48, within(1e-9));
        assertThat(turn.getJsonArray("speeds").getJsonNumber(22).doubleValue()).isZero();
        assertThat(turn.getJsonArray("moved").getJsonNumber(6).doubleValue()).isEqualTo(20, within(1e-9));
        assertThat(turn.getJsonArray("signals").getJsonArray(0).getJsonNumber(6).doubleValue())
                .isEqualTo(8, within(1e-9));
        JsonArray position = curves.getJsonObject(1).getJsonArray("channels");
        assertThat(position).hasSize(2);
        assertThat(position.getJsonObject(1)
                        .getJsonArray("values")
                        .getJsonNumber(3)
                        .doubleValue())
                .isEqualTo(45);
        window.say("{'type': 'curves', 'seq': 4, 'of': [{'layer': 'w', 'property': 'text.fill'}]}");
        assertThat(window.next().header().getString("detail")).contains("has no curve");
    }

    /** Whatever is remembered between pictures: what has been acknowledged is seen, and what was refused isn't. */
    @Test
    void theNextPictureIsThatOfTheNewestRevision() throws Exception {
        Window window = open();
        for (int n = 1; n <= 12; n++) {
            post(
                    "/api/shots/" + shot + "/edits",
                    "{'revision': " + n + ", 'label': 'Move', 'edit': {'kind': 'move', 'layer': 'w', 'frame': 0, 'by':"
                            + " [0, 1], 'snap': false}}");
            HttpResponse<String> refused = http.send(
                    HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/shots/" + shot + "/edits"))
                            .header("content-type", "application/json")
                            .POST(HttpRequest.BodyPublishers.ofString("{\"revision\": " + (n + 1)
                                    + ", \"label\": \"None\", \"edit\": {\"kind\": \"delete\", \"layers\": [\"x\"]}}"))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(refused.statusCode()).isBetween(400, 499);
            window.say("{'type': 'show', 'seq': 1, 'frame': 0, 'scale': 0.5, 'see': 'picture', 'layer': 'w'}");
            JsonObject told = window.next().header;
            while (told.getString("type", "").equals("revision")) {
                told = window.next().header;
            }
            assertThat(told.getInt("revision")).isEqualTo(n + 1);
            assertThat(told.getJsonObject("handles").getJsonArray("anchor")).hasToString("[80.0," + (45.0 + n) + "]");
        }
    }

    @Test
    void twoWindowsStayInStep() throws Exception {
        Window one = open();
        Window two = open();
        one.say("{'type': 'pick', 'seq': 1, 'x': 0, 'y': 0, 'frame': 0}");
        two.say("{'type': 'pick', 'seq': 1, 'x': 0, 'y': 0, 'frame': 0}");
        assertThat(one.next().header).doesNotContainKey("layer");
        two.next();
        post("/api/shots/" + shot + "/undo", "{'revision': 1}");
        for (Window w : new Window[] {one, two}) {
            JsonObject told = w.next().header;
            assertThat(told.getString("type")).isEqualTo("revision");
            assertThat(told.getInt("revision")).isEqualTo(2);
        }
    }

    @Test
    void aWishThatCannotBeIsAnsweredWithASentence() throws Exception {
        Window window = open();
        window.say("{'type': 'show', 'seq': 9, 'frame': 0, 'scale': 7, 'see': 'picture'}");
        JsonObject answer = window.next().header;
        assertThat(answer.getString("type")).isEqualTo("problem");
        assertThat(answer.getInt("seq")).isEqualTo(9);
        assertThat(answer.getString("detail")).contains("between 0.05 and 1");
        window.say("{'type': 'sing', 'seq': 10}");
        assertThat(window.next().header.getString("detail")).contains("no wish 'sing'");
        window.say("{'type': 'show', 'seq': 11, 'frame': 0, 'scale': 1, 'see': 'sideways'}");
        assertThat(window.next().header.getString("detail")).contains("no way of seeing");
    }
}
