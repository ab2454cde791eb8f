package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonArray;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;

/**
 * An open window that looks at one shot: its newest wish, and the frames that it would like ahead. What it is sent waits in a line of
 * its own, so that a window that doesn't read holds up nobody; pictures aren't made for it until it has read.
 */
final class Viewer {
    /** How many frames may be wished for ahead, and how many questions may wait. */
    static final int MOST_AHEAD = 20_000;

    private static final int MOST_ASKS = 200;

    /** More than this on its way, and no more pictures are made for the window. */
    private static final long ENOUGH_BYTES = 24L << 20;

    /** More than this, and the window is given up. */
    private static final long MOST_BYTES = 256L << 20;

    private static final Logger LOG = LoggerFactory.getLogger(Viewer.class);

    private final WebSocketSession session;
    private final UUID shot;
    private final Executor senders;
    private final Runnable hasRead;
    private final Deque<JsonObject> asks = new ArrayDeque<>();
    private JsonObject wish;
    private JsonObject ahead;
    private int aheadDone;
    private Optional<Names> names = Optional.empty();

    private record Outgoing(WebSocketMessage<?> message, long bytes) {}

    private final Deque<Outgoing> outgoing = new ArrayDeque<>();
    private long waitingBytes;
    private boolean sending;

    /**
     * @param senders sends for all windows; one message of this window at a time
     * @param hasRead is called when all that was on its way is sent
     */
    Viewer(WebSocketSession session, UUID shot, Executor senders, Runnable hasRead) {
        this.session = session;
        this.shot = shot;
        this.senders = senders;
        this.hasRead = hasRead;
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

    /**
     * Questions that each want an answer.
     *
     * @throws IllegalArgumentException where too many wait already
     */
    synchronized void ask(JsonObject message) {
        if (asks.size() >= MOST_ASKS) {
            throw new IllegalArgumentException("More than " + MOST_ASKS + " questions wait for an answer already.");
        }
        asks.add(message);
    }

    /**
     * A list of frames to be rendered when nothing else is wished for.
     *
     * @throws IllegalArgumentException where it isn't such a list
     */
    synchronized void ahead(JsonObject message) {
        boolean list = message.get("frames") instanceof JsonArray all
                && all.size() <= MOST_AHEAD
                && all.stream().allMatch(f -> f instanceof JsonNumber n && n.isIntegral());
        if (!list) {
            throw new IllegalArgumentException(
                    "Frames are wished for ahead as 'frames', a list of at most " + MOST_AHEAD + " whole numbers.");
        }
        ahead = message;
        aheadDone = 0;
    }

    synchronized Optional<JsonObject> takeWish() {
        if (!asks.isEmpty()) {
            return Optional.of(asks.poll());
        }
        if (isFull()) {
            return Optional.empty();
        }
        JsonObject taken = wish;
        wish = null;
        return Optional.ofNullable(taken);
    }

    synchronized boolean hasWish() {
        return !asks.isEmpty() || wish != null && !isFull();
    }

    /** The next frame to render ahead, as a wish. */
    synchronized Optional<JsonObject> takeAhead() {
        if (ahead == null
                || isFull()
                || aheadDone >= ahead.getJsonArray("frames").size()) {
            return Optional.empty();
        }
        long frame = ahead.getJsonArray("frames").getJsonNumber(aheadDone++).longValue();
        return Optional.of(JSON.createObjectBuilder(ahead)
                .remove("frames")
                .add("frame", frame)
                .add("ahead", true)
                .build());
    }

    /** Names that are being worked out bit by bit. */
    synchronized Optional<Names> names() {
        return names;
    }

    /** A newer question for names takes the place of an older one. */
    synchronized void names(Optional<Names> next) {
        names = next;
    }

    private boolean isFull() {
        synchronized (outgoing) {
            return waitingBytes > ENOUGH_BYTES;
        }
    }

    void send(JsonObject message) {
        String text = message.toString();
        send(new Outgoing(new TextMessage(text), text.length()));
    }

    /** A header's length, the header, the numbers of paths, then the frame's bytes. */
    void send(JsonObject header, byte[] numbers, byte[] body) {
        byte[] head = header.toString().getBytes(StandardCharsets.UTF_8);
        ByteBuffer all = ByteBuffer.allocate(4 + head.length + numbers.length + body.length);
        all.putInt(head.length).put(head).put(numbers).put(body).flip();
        send(new Outgoing(new BinaryMessage(all), all.remaining()));
    }

    private void send(Outgoing next) {
        synchronized (outgoing) {
            if (waitingBytes > MOST_BYTES) {
                LOG.warn("A window that doesn't read what it is sent is given up");
                outgoing.clear();
                waitingBytes = 0;
                senders.execute(this::giveUp);
                return;
            }
            outgoing.add(next);
            waitingBytes += next.bytes;
            if (sending) {
                return;
            }
            sending = true;
        }
        senders.execute(this::sendAll);
    }

    private void sendAll() {
        for (Optional<Outgoing> next = take(); next.isPresent(); next = take()) {
            try {
                session.sendMessage(next.get().message);
            } catch (IOException | RuntimeException e) {
                LOG.debug("A window went away while it was being answered", e);
            }
            synchronized (outgoing) {
                waitingBytes = Math.max(0, waitingBytes - next.get().bytes);
            }
        }
        hasRead.run();
    }

    private Optional<Outgoing> take() {
        synchronized (outgoing) {
            Outgoing next = outgoing.poll();
            sending = next != null;
            return Optional.ofNullable(next);
        }
    }

    private void giveUp() {
        try {
            session.close(CloseStatus.SESSION_NOT_RELIABLE);
        } catch (IOException e) {
            LOG.debug("A window that was given up had gone", e);
        }
    }
}
