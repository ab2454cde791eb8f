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
    private static final long CACHE = 32L << 20;

    /**
     * Measures a whole shot.
     *
     * @param goOn asked before each frame; where it says no, there is no result
     */
    public static Optional<Proof> of(Shot shot, Planner planner, Bands bands, BooleanSupplier goOn) {
        Map<String, float[]> reveal = new LinkedHashMap<>();
        List<Check.Watch> watches = new ArrayList<>();
        for (Check check : Checks.all()) {
            Descriptor d = check.descriptor();
            watches.add(check.watch(d.standard()));
        }
        Visibility visibility = new Visibility(planner, bands);
        Pictures pictures = new Pictures(planner, new Renderer(new Cache(CACHE), bands));
        Map<String, ContentKey> before = new HashMap<>();
        for (long frame = 0; frame < shot.length(); frame++) {
            if (!goOn.getAsBoolean()) {
                return Optional.empty();
            }
            Moment moment = planner.moment(shot, frame);
            Map<String, Visibility.Share> shares = visibility.at(moment);
            Look look = new Look(frame, moment, planner, shares, before, pictures.of(moment, frame));
            watches.forEach(w -> w.see(look));
            before = new HashMap<>();
            for (Map.Entry<String, Visibility.Share> e : shares.entrySet()) {
                before.put(e.getKey(), e.getValue().key());
                if (e.getValue().shows()) {
                    reveal.computeIfAbsent(e.getKey(), k -> nowhere(shot.length()))[(int) frame] =
                            (float) e.getValue().share();
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        watches.forEach(w -> findings.addAll(w.findings()));
        findings.sort(Comparator.comparingLong(Finding::from));
        return Optional.of(new Proof(findings, reveal));
    }

    private static float[] nowhere(long length) {
        float[] all = new float[Math.toIntExact(length)];
        java.util.Arrays.fill(all, -1);
        return all;
    }

    /** Small pictures of frames, made when they are asked for, and once for frames that look alike. */
    private static final class Pictures {
        private final Planner planner;
        private final Renderer renderer;
        private ContentKey lastKey;
        private Picture last;

        Pictures(Planner planner, Renderer renderer) {
            this.planner = planner;
            this.renderer = renderer;
        }

        Supplier<Picture> of(Moment moment, long frame) {
            return new Supplier<>() {
                private Picture picture;

                @Override
                public Picture get() {
                    if (picture == null) {
                        picture = made(planner.plan(moment, Visibility.scale(moment)), frame);
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
