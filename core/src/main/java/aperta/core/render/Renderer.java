package aperta.core.render;

import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Carries out plans: first it asks, from the end backwards, which part of every step is needed; then it makes, in
 * order, what is made once; what remains is painted when it is shown. Safe for use by several threads.
 */
public final class Renderer {
    private static final int BAND = 16;

    private final Cache cache;
    private final Bands bands;
    private final ThreadLocal<Scratch> scratch = ThreadLocal.withInitial(Scratch::new);

    public Renderer(Cache cache, Bands bands) {
        this.cache = cache;
        this.bands = bands;
    }

    /**
     * Makes what lasts of a plan.
     *
     * @param number of the frame, which seeds the dither
     */
    public Shown show(Plan plan, long number) {
        Run run = new Run();
        run.order(plan.picture());
        run.ask(plan.picture(), plan.frame());
        run.make();
        return new Shown(plan, number, run, scratch, bands);
    }

    /** A matte by itself. */
    Matte matte(Step.Shades step, Region region) {
        Run run = new Run();
        run.order(step);
        run.ask(step, region);
        run.make();
        return run.shaded(step, region);
    }

    private final class Run implements Tile.Results, Step.Making {
        private final List<Step> steps = new ArrayList<>();
        private final Map<ContentKey, Region> wanted = new HashMap<>();
        private final Map<ContentKey, Object> results = new HashMap<>();

        /** Inputs before what uses them. */
        void order(Step step) {
            if (wanted.putIfAbsent(step.key(), Region.NOTHING) != null) {
                return;
            }
            step.inputs().forEach(this::order);
            steps.add(step);
        }

        void ask(Step root, Region frame) {
            wanted.put(root.key(), frame.intersect(root.domain()));
            for (int i = steps.size() - 1; i >= 0; i--) {
                Step step = steps.get(i);
                Region want = wanted.get(step.key());
                for (Step input : step.inputs()) {
                    if (!want.isEmpty()) {
                        Region need = step.needs(input, want).intersect(input.domain());
                        wanted.merge(input.key(), need, Region::union);
                    }
                }
            }
        }

        void make() {
            for (Step step : steps) {
                if (step instanceof Step.Made<?> made && !wanted.get(step.key()).isEmpty()) {
                    make(made, wanted.get(step.key()));
                }
            }
        }

        private <T> void make(Step.Made<T> step, Region needed) {
            Optional<Object> kept = cache.get(step.key(), needed);
            if (kept.isPresent()) {
                results.put(step.key(), kept.get());
                return;
            }
            T result = step.make(needed, this);
            results.put(step.key(), result);
            cache.put(step.key(), needed, result, step.bytes(result));
        }

        @Override
        public <T> Optional<T> of(Step.Made<T> step) {
            if (!wanted.containsKey(step.key())) {
                throw new IllegalStateException("A step was used that no step had named as its input.");
            }
            // What is kept under a step's key came from a step with the same key, hence of the same kind.
            @SuppressWarnings("unchecked")
            T typed = (T) results.get(step.key());
            return Optional.ofNullable(typed);
        }

        @Override
        public <T> T made(Step.Made<T> step) {
            return of(step).orElseThrow(() -> new IllegalStateException("A step was used that nobody needs."));
        }

        @Override
        public Picture painted(Step.Paints step, Region region) {
            Picture whole = new Picture(region);
            Region there = region.intersect(step.domain());
            bands.run(there.height(), BAND, (from, to) -> {
                Region tile = new Region(there.x(), there.y() + from, there.width(), to - from);
                step.paint(whole.view(tile), new Tile(scratch.get(), this));
            });
            return whole;
        }

        @Override
        public Matte shaded(Step.Shades step, Region region) {
            Matte whole = new Matte(region);
            bands.run(region.height(), BAND, (from, to) -> {
                Region tile = new Region(region.x(), region.y() + from, region.width(), to - from);
                step.shade(whole.view(tile), new Tile(scratch.get(), this));
            });
            return whole;
        }

        @Override
        public Bands bands() {
            return bands;
        }
    }
}
