package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonObject;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;

/** An open window that looks at one shot: its newest wish, and the frames that it would like ahead. */
final class Viewer {
    private static final Logger LOG = LoggerFactory.getLogger(Viewer.class);

    private final WebSocketSession session;
    private final UUID shot;
    private final Deque<JsonObject> asks = new ArrayDeque<>();
    private JsonObject wish;
    private JsonObject ahead;
    private int aheadDone;

    Viewer(WebSocketSession session, UUID shot) {
        this.session = session;
        this.shot = shot;
    }

    UUID shot() {
        return shot;
    }

    boolean isOpen() {
        return session.isOpen();
    }

    /** A newer wish takes the place of an older one that has not been begun. */
    synchronized void wish(JsonObject message) {
        wish = message;
    }

    /** Questions that each want an answer. */
    synchronized void ask(JsonObject message) {
        asks.add(message);
    }

    /** A list of frames to be rendered when nothing else is wished for. */
    synchronized void ahead(JsonObject message) {
        ahead = message;
        aheadDone = 0;
    }

    synchronized Optional<JsonObject> takeWish() {
        if (!asks.isEmpty()) {
            return Optional.of(asks.poll());
        }
        JsonObject taken = wish;
        wish = null;
        return Optional.ofNullable(taken);
    }

    /** The next frame to render ahead, as a wish. */
    synchronized Optional<JsonObject> takeAhead() {
        if (ahead == null || aheadDone >= ahead.getJsonArray("frames").size()) {
            return Optional.empty();
        }
        long frame = ahead.getJsonArray("frames").getJsonNumber(aheadDone++).longValue();
        return Optional.of(JSON.createObjectBuilder(ahead)
                .remove("frames")
                .add("frame", frame)
                .add("ahead", true)
                .build());
    }

    void send(JsonObject message) {
        send(() -> session.sendMessage(new TextMessage(message.toString())));
    }

    /** A header's length, the header, the numbers of paths, then the frame's bytes. */
    void send(JsonObject header, byte[] numbers, byte[] body) {
        byte[] head = header.toString().getBytes(StandardCharsets.UTF_8);
        ByteBuffer all = ByteBuffer.allocate(4 + head.length + numbers.length + body.length);
        all.putInt(head.length).put(head).put(numbers).put(body).flip();
        send(() -> session.sendMessage(new BinaryMessage(all)));
    }

    private interface Sending {
        void run() throws IOException;
    }

    private void send(Sending sending) {
        try {
            sending.run();
        } catch (IOException | IllegalStateException e) {
            LOG.debug("A window went away while it was being answered", e);
        }
    }
}
