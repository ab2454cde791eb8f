package aperta.core.proof;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.render.ContentKey;
import aperta.core.render.Plan;
import aperta.core.render.Planner;
import aperta.core.render.RecentCache;
import aperta.core.render.Renderer;
import aperta.core.render.Visibility;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/**
 * Measures a shot, frame by frame.
 *
 * @param findings in the order of their frames
 */
public record Proof(List<Finding> findings) {
    private static final long CACHE = 16L << 20;

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
        Shot shot = whole.withShutter(Reveal.CLOSED);
        List<Check.Watch> watches = new ArrayList<>();
        for (Check check : Checks.all()) {
            Descriptor d = check.descriptor();
            watches.add(check.watch(d.standard()));
        }
        Map<String, ContentKey> before = new HashMap<>();
        Lanes<Look> lanes = new Lanes<>(() -> {
            Lane lane = new Lane(planner);
            return frame -> lane.look(shot, frame);
        });
        boolean done = lanes.look(shot.length(), bands, goOn, seen -> {
            Look look = seen.after(Map.copyOf(before));
            watches.forEach(w -> w.see(look));
            before.clear();
            look.layers().forEach(s -> before.put(Look.id(s), s.key()));
        });
        if (!done) {
            return Optional.empty();
        }
        List<Finding> findings = new ArrayList<>();
        watches.forEach(w -> findings.addAll(w.findings()));
        findings.sort(Comparator.comparingLong(Finding::from));
        return Optional.of(new Proof(findings));
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
            Renderer renderer = new Renderer(new RecentCache(CACHE), Bands.IN_TURN);
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
