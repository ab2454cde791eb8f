package aperta.core.proof;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.render.Cache;
import aperta.core.render.ContentKey;
import aperta.core.render.Plan;
import aperta.core.render.Planner;
import aperta.core.render.Renderer;
import aperta.core.render.Visibility;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/**
 * Measures a shot, frame by frame.
 *
 * @param findings in the order of their frames
 * @param reveal the visible share of every layer that shows, for each frame of the shot; −1 where it doesn't exist
 */
public record Proof(List<Finding> findings, Map<String, float[]> reveal) {
    private static final long CACHE = 16L << 20;
    /** Without motion blur. */
    private static final Shutter CLOSED = new Shutter(0, 0);
    /** How many frames are looked at at once, and how many of those that follow one another by the same lane. */
    private static final int LANES = 2;

    private static final int STRETCH = 3;
    /** The size of a glance against that at which shares are measured. */
    private static final double GLANCE = 0.3;

    /**
     * Measures a whole shot.
     *
     * @param bands the threads that look at frames
     * @param goOn asked every few frames; where it says no, there is no result
     */
    public static Optional<Proof> of(Shot whole, Planner planning, Bands bands, BooleanSupplier goOn) {
        Planner planner = planning.small();
        Shot shot = whole.withShutter(CLOSED);
        Map<String, float[]> reveal = new LinkedHashMap<>();
        List<Check.Watch> watches = new ArrayList<>();
        for (Check check : Checks.all()) {
            Descriptor d = check.descriptor();
            watches.add(check.watch(d.standard()));
        }
        List<Lane> lanes = new ArrayList<>();
        for (int i = 0; i < LANES; i++) {
            lanes.add(new Lane(planner));
        }
        Look[] looks = new Look[LANES * STRETCH];
        Map<String, ContentKey> before = new HashMap<>();
        for (long start = 0; start < shot.length(); start += looks.length) {
            if (!goOn.getAsBoolean()) {
                return Optional.empty();
            }
            long first = start;
            int count = (int) Math.min(looks.length, shot.length() - first);
            bands.run(count, STRETCH, (from, to) -> {
                for (int i = from; i < to; i++) {
                    looks[i] = lanes.get(from / STRETCH).look(shot, first + i);
                }
            });
            for (int i = 0; i < count; i++) {
                Look look = looks[i].after(before);
                watches.forEach(w -> w.see(look));
                before = note(look, reveal);
            }
        }
        List<Finding> findings = new ArrayList<>();
        watches.forEach(w -> findings.addAll(w.findings()));
        findings.sort(Comparator.comparingLong(Finding::from));
        return Optional.of(new Proof(findings, reveal));
    }

    /** Writes the shares of a frame down, and gives what its layers look like. */
    private static Map<String, ContentKey> note(Look look, Map<String, float[]> reveal) {
        Map<String, ContentKey> keys = new HashMap<>();
        for (Visibility.Share s : look.layers()) {
            keys.put(Look.id(s), s.key());
            if (s.shows()) {
                long length = look.moment().shot().length();
                reveal.computeIfAbsent(Look.id(s), k -> nowhere(length))[(int) look.frame()] = (float) s.share();
            }
        }
        return keys;
    }

    private static float[] nowhere(long length) {
        float[] all = new float[Math.toIntExact(length)];
        java.util.Arrays.fill(all, -1);
        return all;
    }

    /** Looks at frames that follow one another, in turn with other lanes. */
    private static final class Lane {
        private final Planner planner;
        private final Visibility visibility;
        private final Pictures pictures;
        private final Pictures glances;

        Lane(Planner planner) {
            this.planner = planner;
            this.visibility = new Visibility(planner, Bands.IN_TURN);
            Renderer renderer = new Renderer(new Cache(CACHE), Bands.IN_TURN);
            this.pictures = new Pictures(planner, renderer, 1);
            this.glances = new Pictures(planner, renderer, GLANCE);
        }

        Look look(Shot shot, long frame) {
            Moment moment = planner.moment(shot, frame);
            Picture glance = glances.of(moment, frame).get();
            return new Look(
                    frame, moment, planner, visibility.at(moment), Map.of(), pictures.of(moment, frame), glance);
        }
    }

    /** Small pictures of frames, made when they are asked for, and once for frames that look alike. */
    private static final class Pictures {
        private final Planner planner;
        private final Renderer renderer;
        private final double size;
        private ContentKey lastKey;
        private Picture last;

        Pictures(Planner planner, Renderer renderer, double size) {
            this.planner = planner;
            this.renderer = renderer;
            this.size = size;
        }

        Supplier<Picture> of(Moment moment, long frame) {
            return new Supplier<>() {
                private Picture picture;

                @Override
                public Picture get() {
                    if (picture == null) {
                        picture = made(planner.plan(moment, Visibility.scale(moment) * size), frame);
                    }
                    return picture;
                }
            };
        }

        private Picture made(Plan plan, long frame) {
            if (!plan.key().equals(lastKey)) {
                last = renderer.show(plan, frame).picture();
                lastKey = plan.key();
            }
            return last;
        }
    }
}
