package aperta.core.render;

import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;

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
    public PreparedFrame show(Plan plan, long number) {
        Run run = new Run();
        run.order(plan.picture());
        run.ask(plan.picture(), plan.frame());
        run.make(plan.picture());
        return new PreparedFrame(plan, number, run, scratch, bands);
    }

    /** What a step that is made once gives by itself, on a region. */
    <T> T made(Step.Made<T> step, Region region) {
        Run run = new Run();
        run.order(step);
        run.ask(step, region);
        run.make(step);
        return run.made(step);
    }

    /** A matte by itself. */
    Matte matte(Step.Shades step, Region region) {
        Run run = new Run();
        run.order(step);
        run.ask(step, region);
        run.make(step);
        Matte whole = new Matte(region);
        run.shade(step, whole);
        return whole;
    }

    private final class Run implements Tile.Results, Step.Making {
        private final List<Step> steps = new ArrayList<>();
        private final Map<ContentKey, Region> wanted = new HashMap<>();
        private final Map<ContentKey, Object> results = new HashMap<>();
        /** Planes as large as the frame, which go with the run. */
        private final Scratch large = new Scratch();
        /** What is needed no longer once a step has been made, by that step's key. */
        private final Map<ContentKey, List<ContentKey>> released = new HashMap<>();

        /** Inputs before what uses them. */
        void order(Step step) {
            if (wanted.putIfAbsent(step.key(), Region.NOTHING) != null) {
                return;
            }
            step.inputs().forEach(this::order);
            steps.add(step);
        }

        /** What is kept already needs nothing of its inputs but what it is painted from. */
        void ask(Step root, Region frame) {
            wanted.put(root.key(), frame.intersect(root.domain()));
            for (int i = steps.size() - 1; i >= 0; i--) {
                Step step = steps.get(i);
                Region want = wanted.get(step.key());
                if (want.isEmpty()) {
                    continue;
                }
                boolean kept = step instanceof Step.Made<?> made && isKept(made, want);
                List<Step> inputs = step.inputs();
                for (int k = 0; k < inputs.size(); k++) {
                    if (kept && !((Step.Made<?>) step).paintsFrom(k)) {
                        continue;
                    }
                    Step input = inputs.get(k);
                    Region need = step.needs(k, want).intersect(input.domain());
                    wanted.merge(input.key(), need, Region::union);
                }
            }
        }

        private <T> boolean isKept(Step.Made<T> step, Region want) {
            Optional<T> kept = cache.find(step, want);
            kept.ifPresent(k -> results.put(step.key(), k));
            return kept.isPresent();
        }

        void make(Step root) {
            planRelease(root);
            for (Step step : steps) {
                if (step instanceof Step.Made<?> made
                        && !results.containsKey(step.key())
                        && !wanted.get(step.key()).isEmpty()) {
                    make(made, wanted.get(step.key()));
                    released.getOrDefault(step.key(), List.of()).forEach(results::remove);
                }
            }
        }

        /** Finds the last step that is made from each result; those that the picture is painted from stay. */
        private void planRelease(Step root) {
            Map<ContentKey, Set<ContentKey>> paintedFrom = new HashMap<>();
            Map<ContentKey, ContentKey> lastUse = new LinkedHashMap<>();
            for (Step step : steps) {
                Set<ContentKey> from = new LinkedHashSet<>();
                step.inputs().forEach(i -> from.addAll(paintedFrom.get(i.key())));
                Set<ContentKey> painted = new LinkedHashSet<>(from);
                if (step instanceof Step.Made<?> made) {
                    painted.clear();
                    painted.add(step.key());
                    List<Step> inputs = step.inputs();
                    for (int k = 0; k < inputs.size(); k++) {
                        if (made.paintsFrom(k)) {
                            painted.addAll(paintedFrom.get(inputs.get(k).key()));
                        }
                    }
                }
                paintedFrom.put(step.key(), painted);
                boolean makes = step instanceof Step.Made<?>
                        && !results.containsKey(step.key())
                        && !wanted.get(step.key()).isEmpty();
                if (makes) {
                    from.forEach(k -> lastUse.put(k, step.key()));
                }
            }
            Set<ContentKey> shown = new HashSet<>(paintedFrom.get(root.key()));
            shown.add(root.key());
            lastUse.forEach((result, by) -> {
                if (!shown.contains(result)) {
                    released.computeIfAbsent(by, k -> new ArrayList<>()).add(result);
                }
            });
        }

        private <T> void make(Step.Made<T> step, Region needed) {
            T result = step.lasts() ? cache.make(step, needed, () -> step.make(needed, this)) : step.make(needed, this);
            results.put(step.key(), result);
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
        public <T> Optional<T> ifMade(Step.Made<T> step) {
            return of(step);
        }

        @Override
        public <T> T made(Step.Made<T> step) {
            return of(step).orElseThrow(() -> new IllegalStateException("A step was used that nobody needs."));
        }

        @Override
        public <R> R painted(Step.Paints step, Region region, Function<Picture, R> use) {
            Picture whole = large.picture(region);
            if (!step.domain().contains(region)) {
                whole.clear();
            }
            Region there = region.intersect(step.domain());
            bands.run(there.height(), BAND, (from, to) -> {
                Region tile = new Region(there.x(), there.y() + from, there.width(), to - from);
                step.paint(whole.view(tile), new Tile(scratch.get(), this));
            });
            R result = use.apply(whole);
            large.give(whole);
            return result;
        }

        @Override
        public <R> R shaded(Step.Shades step, Region region, Function<Matte, R> use) {
            Matte whole = large.matte(region);
            shade(step, whole);
            R result = use.apply(whole);
            large.give(whole);
            return result;
        }

        void shade(Step.Shades step, Matte whole) {
            Region region = whole.domain();
            bands.run(region.height(), BAND, (from, to) -> {
                Region tile = new Region(region.x(), region.y() + from, region.width(), to - from);
                step.shade(whole.view(tile), new Tile(scratch.get(), this));
            });
        }

        @Override
        public Scratch scratch() {
            return large;
        }

        @Override
        public void tile(Consumer<Tile> use) {
            use.accept(new Tile(scratch.get(), this));
        }

        @Override
        public Bands bands() {
            return bands;
        }
    }
}
