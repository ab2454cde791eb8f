package aperta.core.edit;

import aperta.core.opening.Openings;
import aperta.core.opening.Window;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Arrivals and departures. */
public final class PassageEdits {
    private PassageEdits() {}

    /** Sets how layers arrive or leave by an opening; a pose, a length and an ease that they have stay. */
    public record SetOpening(List<String> layers, boolean arriving, Optional<AnimatedRecipe> opening) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : layers) {
                Layer layer = LayerEdits.demand(next, id);
                Passage now = passage(layer, arriving)
                        .orElseGet(() -> Passage.standard(shot.format().rate()));
                next = next.changing(id, l -> with(l, arriving, Optional.of(now.withOpening(opening))));
            }
            return next;
        }
    }

    /** Gives layers an arrival or departure as it was set on another; what gives way to them stays. */
    public record SetPassage(List<String> layers, boolean arriving, Passage passage) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : layers) {
                Layer layer = LayerEdits.demand(next, id);
                Passage alone =
                        passage.withPass(PassageEdits.passage(layer, arriving).flatMap(Passage::pass));
                next = next.changing(id, l -> with(l, arriving, Optional.of(alone)));
            }
            return next;
        }
    }

    /** Takes arrivals or departures away. */
    public record Remove(List<String> layers, boolean arriving) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : layers) {
                LayerEdits.demand(next, id);
                next = next.changing(id, l -> with(l, arriving, Optional.empty()));
            }
            return next;
        }
    }

    /**
     * Writes an arrival or departure as plain keys and masks that show the same on each whole frame: two keys with its
     * ease where that is the same, else one a frame. The ways of a group's layers are written into them; a text that
     * comes letter by letter is taken apart first (letters that touch are then drawn one over the other).
     */
    public record Unpack(String layer, boolean arriving) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Passage passage = passage(now, arriving)
                    .orElseThrow(() -> new IllegalArgumentException(
                            "'" + now.name() + "' has no " + (arriving ? "arrival." : "departure.")));
            Shot alone = shot.withLayers(shot.layers().stream().map(this::alone).toList());
            List<String> moved = new ArrayList<>(List.of(layer));
            if (now.content() instanceof Content.Group group) {
                group.layers().forEach(l -> moved.add(l.id()));
            }
            Map<String, List<Baked.Frame>> frames = new HashMap<>();
            moved.forEach(id -> frames.put(id, Baked.frames(alone, id, extents.opener())));
            Moments of = moments(alone, passage, frames.get(layer), extents.opener());
            Optional<Opened.Pieces> pieces = of.nearly.of(layer).pieces();
            if (pieces.isPresent()) {
                // Letters have no keys of their own until each is a layer.
                Shot apart = new TakeApart(layer, pieces.get().unit()).apply(shot, extents);
                return apply(apart, extents);
            }
            Shot next = shot;
            for (String id : moved) {
                boolean stepped =
                        passage.opening().map(o -> o.kind().equals("flicker")).orElse(false);
                Writer writer = new Writer(id, passage.ease(), stepped, of, frames.get(id));
                next = next.changing(id, l -> writer.written(l, arriving));
            }
            return next.changing(layer, l -> windowed(with(l, arriving, Optional.empty()), passage));
        }

        /** With the window that shows what the opening did, keyed as the way went. */
        private Layer windowed(Layer l, Passage passage) {
            Optional<AnimatedRecipe> window = passage.opening()
                    .flatMap(o -> Openings.of(o.kind()).window(o.rest()))
                    .map(AnimatedRecipe::of);
            if (window.isEmpty()) {
                return l;
            }
            Optional<AnimatedRecipe> there = l.window(window.get().kind());
            AnimatedRecipe now = there.orElseGet(window::get);
            if (!now.rest().with(Window.AMOUNT, 1.0).equals(window.get().rest())) {
                throw new IllegalArgumentException("'" + l.name() + "' has keys of another "
                        + now.descriptor().label() + " already.");
            }
            long first = first(l, passage);
            List<Key<Double>> keys = List.of(
                    new Key<>(first, arriving ? 0.0 : 1.0, passage.ease()),
                    new Key<>(first + passage.length(), arriving ? 1.0 : 0.0, Ease.LINEAR));
            // The parameter is a number.
            @SuppressWarnings("unchecked")
            Animated<Double> amount = (Animated<Double>) now.value(Window.AMOUNT);
            AnimatedRecipe keyed = now.with(Window.AMOUNT, amount.withKeys(Keys.together(amount.keys(), keys)));
            List<AnimatedRecipe> all = new ArrayList<>(l.windows());
            all.removeIf(w -> w.kind().equals(keyed.kind()));
            all.add(keyed);
            return l.withWindows(all);
        }

        /** The first frame of the way, in the layer's own time. */
        private long first(Layer l, Passage passage) {
            return arriving
                    ? l.span().offset() + passage.delay()
                    : l.span().offset() + l.span().length() - 1 - passage.delay() - passage.length();
        }

        /** A layer, and all in it, without any way but the one that is written, and without signals, which stay. */
        private Layer alone(Layer l) {
            Layer quiet = Keys.changedAll(l, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> value) {
                    return value.withSignals(List.of());
                }
            });
            quiet = with(quiet, !arriving, Optional.empty());
            quiet = l.id().equals(layer) ? quiet : with(quiet, arriving, Optional.empty());
            return quiet.content() instanceof Content.Group group
                    ? quiet.withContent(new Content.Group(
                            group.layers().stream().map(this::alone).toList()))
                    : quiet;
        }

        private Moments moments(Shot alone, Passage passage, List<Baked.Frame> all, Opener opener) {
            Layer l = alone.layer(layer).orElseThrow();
            long first = first(l, passage);
            long last = first + passage.length();
            List<Long> during = all.stream()
                    .filter(f -> f.own() >= first && f.own() <= last)
                    .map(Baked.Frame::shot)
                    .collect(Collectors.toCollection(ArrayList::new));
            if (during.isEmpty()) {
                throw new IllegalArgumentException("None of it is seen within the shot.");
            }
            long resting = arriving ? during.get(during.size() - 1) : during.get(0);
            Moment nearly = new Moment(alone, resting + (arriving ? -1e-9 : 1e-9), opener);
            return new Moments(during, resting, nearly);
        }
    }

    /**
     * When a way is under way.
     *
     * @param during the frames of the shot, from the first to the last
     * @param resting the one of them nearest to rest
     * @param nearly a moment on the way that is as good as that one, so that what an opening lets be seen is still there
     */
    private record Moments(List<Long> during, long resting, Moment nearly) {}

    /** Writes one layer's motion. */
    private record Writer(String id, Ease ease, boolean stepped, Moments of, List<Baked.Frame> frames) {
        Layer written(Layer layer, boolean arriving) {
            Layer next = Keys.changedAll(layer, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    return written(p, now);
                }
            });
            return masked(next, arriving ? "Arrival" : "Departure");
        }

        private <T> Animated<T> written(Property<T> p, Animated<T> now) {
            if (p.section() == Property.Section.ARRIVE || p.section() == Property.Section.LEAVE) {
                // No way moves what another is made of.
                return now;
            }
            List<Baked.Frame> during = during();
            boolean moved = during.stream().anyMatch(f -> !Baked.same(p.at(f.posed(), 0), p.at(f.rest(), 0)));
            if (!moved) {
                return now;
            }
            long from = during.get(0).own();
            long to = during.get(during.size() - 1).own();
            // Where the way begins or ends between two keys, the rest of that stretch is written frame by frame too.
            boolean open = now.keys().stream().anyMatch(k -> k.at() < to)
                    && now.keys().stream().anyMatch(k -> k.at() > from);
            long first = !open ? from : Math.min(from, now.keys().get(0).at());
            long last = !open
                    ? to
                    : Math.max(to, now.keys().get(now.keys().size() - 1).at());
            List<Baked.Frame> wide = frames.stream()
                    .filter(f -> f.own() >= first && f.own() <= last)
                    .toList();
            List<Key<T>> keys = Baked.keys(
                    wide.stream().map(Baked.Frame::own).toList(),
                    wide.stream().map(f -> p.at(f.posed(), 0)).toList(),
                    ease,
                    stepped,
                    p.mix());
            List<Key<T>> outside = now.keys().stream()
                    .filter(k -> k.at() < first || k.at() > last)
                    .toList();
            return now.withKeys(Keys.together(outside, keys));
        }

        private List<Baked.Frame> during() {
            return frames.stream().filter(f -> of.during.contains(f.shot())).toList();
        }

        private Layer masked(Layer layer, String name) {
            List<List<Mask>> atEnd = of.nearly.of(id).windows();
            List<Mask> all = new ArrayList<>(layer.masks());
            for (int i = 0; i < atEnd.size(); i++) {
                int index = i;
                List<Long> at = new ArrayList<>();
                List<Mask> masks = new ArrayList<>();
                for (Baked.Frame f : during()) {
                    boolean resting = f.shot() == of.resting;
                    at.add(f.own());
                    masks.add(only(resting ? atEnd : f.windows(), index));
                }
                Mask first = masks.get(0);
                String free = free(all, name.toLowerCase(Locale.ROOT));
                all.add(new Mask(
                        free,
                        name,
                        values(at, masks, Mask::path, BezierPath.MIX),
                        values(at, masks, Mask::feather, Mix.NUMBER),
                        Animated.of(0.0),
                        values(at, masks, Mask::opacity, Mix.NUMBER),
                        first.inverted(),
                        Mask.Mode.INTERSECT,
                        first.lock(),
                        Optional.empty()));
            }
            return layer.withMasks(all);
        }

        private static Mask only(List<List<Mask>> windows, int index) {
            if (windows.size() <= index || windows.get(index).size() > 1) {
                throw new IllegalArgumentException(
                        "What is uncovered in several pieces at once can't be written as keys of one mask.");
            }
            return windows.get(index).get(0);
        }

        private <T> Animated<T> values(List<Long> at, List<Mask> masks, Function<Mask, Animated<T>> part, Mix<T> mix) {
            List<T> values = masks.stream().map(m -> part.apply(m).rest()).toList();
            boolean still = values.stream().allMatch(v -> Baked.same(v, values.get(0)));
            return still
                    ? Animated.of(values.get(0))
                    : new Animated<>(values.get(0), Baked.keys(at, values, ease, stepped, mix));
        }

        private static String free(List<Mask> masks, String wanted) {
            String id = wanted;
            for (int n = 2; has(masks, id); n++) {
                id = wanted + "-" + n;
            }
            return id;
        }

        private static boolean has(List<Mask> masks, String id) {
            return masks.stream().anyMatch(m -> m.id().equals(id));
        }
    }

    static Optional<Passage> passage(Layer layer, boolean arriving) {
        return arriving ? layer.arrive() : layer.leave();
    }

    private static Layer with(Layer layer, boolean arriving, Optional<Passage> passage) {
        return arriving ? layer.withArrive(passage) : layer.withLeave(passage);
    }
}
