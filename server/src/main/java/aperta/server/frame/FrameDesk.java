package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.edit.Edit;
import aperta.core.edit.Several;
import aperta.core.edit.Snap;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bytes;
import aperta.core.render.Planner;
import aperta.core.render.RenderException;
import aperta.core.shot.Shot;
import aperta.media.json.EditJson;
import aperta.server.http.NotFound;
import aperta.server.media.MediaService;
import aperta.server.shot.Change;
import aperta.server.shot.ShotChanged;
import aperta.server.shot.ShotService;
import jakarta.annotation.PreDestroy;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * Answers the windows. Each window's newest wish comes first and takes the place of its older ones; frames ahead for
 * playback come when no window wishes for anything.
 */
@Component
public class FrameDesk {
    private static final Logger LOG = LoggerFactory.getLogger(FrameDesk.class);
    /** How long after a wish long work keeps still, since another is likely to follow. */
    private static final long GIVEN_WAY_NANOS = 150_000_000L;

    /** After which time it is told how far something is. */
    private static final Duration TOLD_AFTER = Duration.ofMillis(500);

    private static final int LONGEST_STILL_MS = 600;
    private static final int MOST_CURVES = 200;
    /** Layers that are looked at together. */
    private static final int MOST_TOGETHER = 1000;

    private final ShotService shots;
    private final FrameService frames;
    private final Handles handles;
    private final Curves curves;
    private final Planner planner;
    private final List<Viewer> viewers = new CopyOnWriteArrayList<>();
    private final Semaphore work = new Semaphore(0);
    private final ExecutorService helpers = Executors.newCachedThreadPool(r -> {
        Thread helper = new Thread(r, "frame-desk-ahead");
        helper.setDaemon(true);
        return helper;
    });
    private final Thread thread;
    private volatile boolean closed;
    /** When the present piece of work was begun; 0 where there is none. */
    private volatile long begun;
    /** Who waits for it. */
    private volatile Viewer waiting;

    private volatile long lastWish = System.nanoTime() - GIVEN_WAY_NANOS;
    private volatile long lastAhead = lastWish;

    FrameDesk(ShotService shots, FrameService frames, MediaService media) {
        this.shots = shots;
        this.frames = frames;
        this.planner = media.planner();
        this.handles = new Handles(planner);
        this.curves = new Curves(planner);
        planner.whileStrokesAreFound(this::found);
        thread = new Thread(this::loop, "frame-desk");
        thread.setDaemon(true);
        thread.start();
    }

    @PreDestroy
    void close() {
        closed = true;
        thread.interrupt();
        helpers.shutdownNow();
    }

    void open(Viewer viewer) {
        viewers.add(viewer);
    }

    void leave(Viewer viewer) {
        viewers.remove(viewer);
    }

    /** There is something new to do. */
    void wake() {
        work.release();
    }

    /** Whether somebody at a desk waits for pictures, or is likely to ask for the next one. */
    boolean isBusy() {
        return System.nanoTime() - lastWish < GIVEN_WAY_NANOS;
    }

    /** Whether frames are made ahead of playback. */
    boolean isAhead() {
        return System.nanoTime() - lastAhead < GIVEN_WAY_NANOS;
    }

    /** Keeps long work still while somebody at a desk waits for pictures; not for ever, so that it ends, too. */
    public void giveWay() {
        try {
            for (int ms = 0; ms < LONGEST_STILL_MS && isBusy(); ms += 20) {
                Thread.sleep(20);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @TransactionalEventListener
    public void changed(ShotChanged event) {
        JsonObject message = JSON.createObjectBuilder()
                .add("type", "revision")
                .add("revision", event.revision())
                .build();
        viewers.stream().filter(v -> v.shot().equals(event.shot())).forEach(v -> v.send(message));
        JsonObject inside = JSON.createObjectBuilder().add("type", "inside").build();
        viewers.stream().filter(v -> shows(v, event.shot())).forEach(v -> v.send(inside));
    }

    /** Tells all windows that look at a shot. */
    public void tell(UUID shot, JsonObject message) {
        viewers.stream().filter(v -> v.shot().equals(shot)).forEach(v -> v.send(message));
    }

    /** Whether another shot lies in the one that a window looks at. */
    private boolean shows(Viewer viewer, UUID other) {
        return !viewer.shot().equals(other)
                && shots.current(viewer.shot()).within().contains(other);
    }

    private void loop() {
        while (!closed) {
            try {
                boolean worked = round();
                begun = 0;
                if (!worked) {
                    work.acquire();
                    work.drainPermits();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            } catch (RuntimeException | Error e) {
                // Whatever one window does, the others are still answered.
                LOG.error("The frame desk stumbled and goes on", e);
            }
        }
    }

    /** For how long it has been at one and the same piece of work; longer than any takes where it is stuck or gone. */
    Duration busyFor() {
        if (!thread.isAlive()) {
            return Duration.ofDays(1);
        }
        long since = begun;
        return since == 0 ? Duration.ZERO : Duration.ofNanos(System.nanoTime() - since);
    }

    /** Answers one wish of each window and a bit of what takes long, or else renders one frame ahead. */
    private boolean round() {
        boolean any = false;
        for (Viewer v : viewers) {
            Optional<JsonObject> wish = v.takeWish();
            wish.ifPresent(w -> answer(v, w));
            Optional<Names> names = v.names();
            names.ifPresent(n -> goOn(v, n));
            any |= wish.isPresent() || names.isPresent();
        }
        if (any) {
            return true;
        }
        // A few frames for each window in turn, so that none plays at the cost of another.
        for (Viewer v : viewers) {
            any |= ahead(v);
            if (viewers.stream().anyMatch(Viewer::hasWish)) {
                return true;
            }
        }
        return any;
    }

    /** As many frames at once as there are cores: much of a frame's work is done by one of them. */
    private boolean ahead(Viewer v) {
        List<JsonObject> wishes = new ArrayList<>();
        for (Optional<JsonObject> next = v.takeAhead(); next.isPresent(); next = v.takeAhead()) {
            wishes.add(next.get());
            if (wishes.size() == Runtime.getRuntime().availableProcessors()) {
                break;
            }
        }
        List<Future<?>> others = new ArrayList<>();
        wishes.stream().skip(1).forEach(w -> others.add(helpers.submit(() -> prepare(v, w))));
        for (int i = 0; i < wishes.size(); i++) {
            if (i > 0) {
                await(others.get(i - 1));
            }
            lastAhead = System.nanoTime();
            granted(v, wishes.get(i));
            lastAhead = System.nanoTime();
        }
        return !wishes.isEmpty();
    }

    /** Makes a frame that is asked for next, so that it is there then; what is wrong with it is told then, too. */
    private void prepare(Viewer v, JsonObject wish) {
        frames.frame(
                shots.current(v.shot()).shot(),
                Wishes.whole(wish, "frame"),
                scale(wish),
                see(wish),
                alone(wish),
                wish.getBoolean("planes", false));
    }

    private static void await(Future<?> prepared) {
        try {
            prepared.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException e) {
            LOG.debug("A frame couldn't be made ahead", e);
        }
    }

    private void goOn(Viewer v, Names names) {
        begun = System.nanoTime();
        try {
            names.goOn().ifPresent(answer -> {
                v.names(Optional.empty());
                v.send(answer);
            });
        } catch (IllegalArgumentException | RenderException e) {
            v.names(Optional.empty());
            v.send(problem(names.wish(), e.getMessage()));
        } catch (RuntimeException | Error e) {
            v.names(Optional.empty());
            v.send(problem(names.wish(), "Something went wrong in Aperta while frames were named."));
            throw e;
        }
    }

    private void answer(Viewer v, JsonObject wish) {
        lastWish = System.nanoTime();
        granted(v, wish);
        lastWish = System.nanoTime();
    }

    /** Tells who waits for long how far the finding of strokes is. */
    private void found(double share) {
        Viewer v = waiting;
        if (v != null && busyFor().compareTo(TOLD_AFTER) > 0) {
            v.send(JSON.createObjectBuilder()
                    .add("type", "finding")
                    .add("share", share)
                    .build());
        }
    }

    private void granted(Viewer v, JsonObject wish) {
        begun = System.nanoTime();
        waiting = v;
        try {
            switch (wish.getString("type", "")) {
                case "show", "ahead" -> show(v, wish);
                case "keys" -> keys(v, wish);
                case "pick" -> pick(v, wish);
                case "pick-within" -> pickWithin(v, wish);
                case "curves" -> curves(v, wish);
                default -> throw new IllegalArgumentException("There is no wish '" + wish.getString("type", "") + "'.");
            }
        } catch (IllegalArgumentException | RenderException | NotFound e) {
            v.send(problem(wish, e.getMessage()));
        } catch (RuntimeException | Error e) {
            LOG.error("A frame couldn't be answered", e);
            v.send(problem(wish, "Something went wrong in Aperta while this frame was made."));
        }
    }

    /** What is told where a wish can't be granted. */
    static JsonObject problem(JsonObject wish, String why) {
        return JSON.createObjectBuilder()
                .add("type", "problem")
                .add("seq", wish.getInt("seq", 0))
                .add("of", wish.getString("type", ""))
                .add("detail", String.valueOf(why))
                .build();
    }

    private void show(Viewer v, JsonObject wish) {
        long start = System.nanoTime();
        ShotService.Read read = shots.current(v.shot());
        Shot shot = read.shot();
        Optional<JsonObject> snap = Optional.empty();
        boolean draft = wish.get("draft") instanceof JsonObject;
        if (draft && Wishes.whole(wish, "revision") != read.revision()) {
            // What it was a draft of has been kept or taken back meanwhile; a newer wish is on its way.
            return;
        }
        if (draft) {
            JsonObject change = wish.getJsonObject("draft");
            snap = snapped(shot, change);
            shot = new Change(change).apply(shot, planner);
        }
        long number = Wishes.whole(wish, "frame");
        FrameService.Frame frame = pictured(shot, number, wish);
        JsonObjectBuilder header = JSON.createObjectBuilder()
                .add("seq", wish.getInt("seq", 0))
                .add("revision", read.revision())
                .add("frame", number)
                .add("key", frame.key())
                .add("width", frame.width())
                .add("height", frame.height())
                .add("draft", draft)
                .add("planes", frame.planes())
                .add("safe", Handles.box(shot.format().titleSafe()))
                .add("ahead", wish.getBoolean("ahead", false));
        snap.ifPresent(s -> header.add("snap", s));
        byte[] points = new byte[0];
        Optional<Handles.Told> told =
                wish.containsKey("layer") ? handles.of(shot, number, wish.getString("layer")) : Optional.empty();
        if (told.isPresent()) {
            header.add("handles", told.get().json());
            points = told.get().bytes();
        }
        if (wish.get("layers") instanceof JsonArray several && several.size() > 1) {
            header.add("together", handles.together(shot, number, ids(several)));
        }
        Shot shown = shot;
        group(wish).ifPresent(id -> header.add("group", handles.corners(shown, number, id)));
        header.add("numbers", points.length / 4);
        header.add("ms", (System.nanoTime() - start) / 1_000_000.0);
        boolean known = wish.getString("have", "").equals(frame.key());
        v.send(header.build(), points, known ? new byte[0] : frame.bytes());
    }

    /** The frame as it is, or without one effect of a layer, or only that layer as far as the effect. */
    private FrameService.Frame pictured(Shot shot, long number, JsonObject wish) {
        boolean planes = wish.getBoolean("planes", false);
        if (wish.get("chain") instanceof JsonObject chain) {
            String layer = chain.getString("layer", "");
            String effect = chain.getString("effect", "");
            return chain.getBoolean("upTo", false)
                    ? frames.upTo(shot, number, scale(wish), layer, effect)
                    : frames.frame(without(shot, layer, effect), number, scale(wish), see(wish), alone(wish), planes);
        }
        return frames.frame(shot, number, scale(wish), see(wish), alone(wish), planes);
    }

    private static Shot without(Shot shot, String layer, String effect) {
        if (shot.layer(layer).isEmpty()) {
            throw new IllegalArgumentException("There is no layer '" + layer + "' in this shot.");
        }
        return shot.changing(
                layer,
                l -> l.withEffects(
                        l.effects().stream().filter(e -> !e.id().equals(effect)).toList()));
    }

    private Optional<JsonObject> snapped(Shot shot, JsonObject change) {
        if (!(change.get("edit") instanceof JsonObject json)) {
            return Optional.empty();
        }
        Edit edit = EditJson.read(json, shot);
        List<Edit> all = edit instanceof Several several ? several.edits() : List.of(edit);
        return all.stream()
                .filter(e -> e instanceof Snap.Clinging move && move.snap())
                .map(e -> Handles.snap(((Snap.Clinging) e).snapped(shot, planner)))
                .findFirst();
    }

    /** Begins to work out names of frames; {@link #round} goes on with it. */
    private void keys(Viewer v, JsonObject wish) {
        v.names(Optional.of(new Names(frames, shots.current(v.shot()), wish, scale(wish), see(wish), alone(wish))));
    }

    /** Of the newest revision, or of a draft of it, so that curves move while keys are dragged. */
    private void curves(Viewer v, JsonObject wish) {
        ShotService.Read read = shots.current(v.shot());
        Shot shot = read.shot();
        if (wish.get("draft") instanceof JsonObject change) {
            shot = new Change(change).apply(shot, planner);
        }
        v.send(JSON.createObjectBuilder()
                .add("type", "curves")
                .add("seq", wish.getInt("seq", 0))
                .add("revision", read.revision())
                .add("curves", curves.of(shot, of(wish)))
                .build());
    }

    private static List<JsonObject> of(JsonObject wish) {
        if (wish.get("of") instanceof JsonArray all
                && all.size() <= MOST_CURVES
                && all.stream().allMatch(JsonObject.class::isInstance)) {
            return all.getValuesAs(JsonObject.class);
        }
        throw new IllegalArgumentException(
                "Curves are asked for as 'of', a list of at most " + MOST_CURVES + " layers and properties.");
    }

    private void pick(Viewer v, JsonObject wish) {
        Shot shot = shots.current(v.shot()).shot();
        Point p = new Point(Wishes.number(wish, "x"), Wishes.number(wish, "y"));
        JsonObjectBuilder answer =
                JSON.createObjectBuilder().add("type", "picked").add("seq", wish.getInt("seq", 0));
        handles.at(shot, Wishes.whole(wish, "frame"), p, group(wish)).ifPresent(id -> answer.add("layer", id));
        v.send(answer.build());
    }

    /** The group that is worked in. */
    private static Optional<String> group(JsonObject wish) {
        return Optional.ofNullable(wish.getString("group", null));
    }

    private static List<String> ids(JsonArray all) {
        if (all.size() > MOST_TOGETHER || !all.stream().allMatch(JsonString.class::isInstance)) {
            throw new IllegalArgumentException(
                    "At most " + MOST_TOGETHER + " layers are looked at together, by their ids.");
        }
        return all.getValuesAs(JsonString.class).stream()
                .map(JsonString::getString)
                .toList();
    }

    private void pickWithin(Viewer v, JsonObject wish) {
        Shot shot = shots.current(v.shot()).shot();
        double x0 = Wishes.number(wish, "x0");
        double y0 = Wishes.number(wish, "y0");
        double x1 = Wishes.number(wish, "x1");
        double y1 = Wishes.number(wish, "y1");
        Box box = new Box(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1));
        v.send(JSON.createObjectBuilder()
                .add("type", "picked")
                .add("seq", wish.getInt("seq", 0))
                .add(
                        "layers",
                        JSON.createArrayBuilder(handles.within(shot, Wishes.whole(wish, "frame"), box, group(wish))))
                .build());
    }

    private static double scale(JsonObject wish) {
        double scale = Wishes.number(wish, "scale");
        if (!(scale >= 0.05 && scale <= 1)) {
            throw new IllegalArgumentException("The quality lies between 0.05 and 1.");
        }
        return scale;
    }

    /** The one layer that is wished for. */
    private static Optional<String> alone(JsonObject wish) {
        return Optional.ofNullable(wish.getString("alone", null));
    }

    private static Bytes.See see(JsonObject wish) {
        try {
            return Bytes.See.valueOf(
                    wish.getString("see", "picture").toUpperCase(Locale.ROOT).replace('-', '_'));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("There is no way of seeing called '" + wish.getString("see") + "'.", e);
        }
    }
}
