package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.picture.Bytes;
import aperta.core.shot.Shot;
import aperta.server.shot.ShotService;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import java.util.Optional;

/** Names of a stretch of a shot's frames, so that a window knows which of those it has are still true; worked out bit by bit. */
final class Names {
    /** How many can be asked for at once. */
    static final long MOST = 2000;

    private static final long BIT_NANOS = 15_000_000;

    private final FrameService frames;
    private final ShotService.Read read;
    private final JsonObject wish;
    private final double scale;
    private final Bytes.See see;
    private final Optional<String> alone;
    private final long from;
    private final long to;
    private final JsonArrayBuilder all = JSON.createArrayBuilder();
    private long next;

    /** @throws IllegalArgumentException where more than {@link #MOST} are asked for, or none */
    Names(
            FrameService frames,
            ShotService.Read read,
            JsonObject wish,
            double scale,
            Bytes.See see,
            Optional<String> alone) {
        this.frames = frames;
        this.read = read;
        this.wish = wish;
        this.scale = scale;
        this.see = see;
        this.alone = alone;
        long length = read.shot().length();
        this.from = Wishes.whole(wish, "from", 0);
        this.to = Math.min(length, Wishes.whole(wish, "to", Math.min(length, from + MOST)));
        this.next = from;
        if (from < 0 || from > to || to - from > MOST) {
            throw new IllegalArgumentException("At most " + MOST + " names of frames can be asked for at once.");
        }
    }

    /** The question that these are the answer to. */
    JsonObject wish() {
        return wish;
    }

    /** Works for a moment; the answer where that was the last one. */
    Optional<JsonObject> goOn() {
        long start = System.nanoTime();
        Shot shot = read.shot();
        while (next < to && System.nanoTime() - start < BIT_NANOS) {
            all.add(frames.key(frames.plan(shot, next, scale, alone), next, see));
            next++;
        }
        return next < to
                ? Optional.empty()
                : Optional.of(JSON.createObjectBuilder()
                        .add("type", "keys")
                        .add("seq", wish.getInt("seq", 0))
                        .add("revision", read.revision())
                        .add("from", from)
                        .add("keys", all)
                        .build());
    }
}
