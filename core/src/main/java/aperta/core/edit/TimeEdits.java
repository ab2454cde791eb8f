package aperta.core.edit;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Marker;
import aperta.core.shot.Moment;
import aperta.core.shot.Pace;
import aperta.core.shot.Passage;
import aperta.core.shot.Range;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Layers moved, trimmed, split and stretched in time. */
public final class TimeEdits {
    private TimeEdits() {}

    /** An end of a layer. */
    public enum End {
        START,
        END
    }

    /** Which of many layers begins first. */
    public enum Order {
        LIST,
        REVERSED,
        MIDDLE
    }

    /** What becomes of the layers when a shot's length changes. */
    public enum Inside {
        /** Nothing. */
        STAYS,
        /** Layers that end where the shot ended end where it ends now. */
        ENDS,
        /** All times are stretched with the shot. */
        STRETCHES
    }

    /** Slides layers, with their keys, in time. */
    public record Slide(List<String> layers, long by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : outermost(shot, layers)) {
                next = next.changing(id, l -> l.withSpan(moved(l.span(), by)));
            }
            return next;
        }
    }

    /** Moves what a layer shows in time, and leaves its bar and its keys where they are on the bars. */
    public record Slip(List<String> layers, long by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : layers) {
                LayerEdits.demand(next, id);
                next = next.changing(id, l -> {
                    Span s = l.span();
                    return Keys.retimed(l, k -> k + by).withSpan(new Span(s.in(), s.length(), s.offset() + by));
                });
            }
            return next;
        }
    }

    /** Lets layers begin, or end, on a frame of the shot; what they show stays where it is in time. */
    public record Trim(List<String> layers, long frame, End end) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame);
            Shot next = shot;
            for (String id : layers) {
                Layer now = LayerEdits.demand(shot, id);
                long there = bars(moment, id);
                Span s = now.span();
                if (end == End.START ? there >= s.out() : there < s.in()) {
                    throw new IllegalArgumentException("'" + now.name() + "' is not there on that frame.");
                }
                next = next.changing(id, l -> l.withSpan(end == End.START ? from(s, there) : until(s, there + 1)));
            }
            return next;
        }
    }

    /**
     * Parts layers in two before a frame of the shot. The first half keeps the arrival, the second the departure and lies
     * above it.
     *
     * @param newIds the ids of the second halves, in the order of the layers
     */
    public record Split(List<String> layers, List<String> newIds, long frame) implements Edit {
        public Split {
            if (layers.size() != newIds.size()) {
                throw new IllegalArgumentException("Each layer that is split needs an id for its second half.");
            }
        }

        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame);
            Shot next = shot;
            for (int i = 0; i < layers.size(); i++) {
                String id = layers.get(i);
                Layer now = LayerEdits.demand(shot, id);
                Span s = now.span();
                long there = bars(moment, id);
                if (there <= s.in() || there >= s.out()) {
                    throw new IllegalArgumentException(
                            "'" + now.name() + "' has nothing before that frame, or nothing after it.");
                }
                shot.everyLayer().stream()
                        .filter(l -> l.cut().filter(c -> c.by().equals(id)).isPresent())
                        .findFirst()
                        .ifPresent(l -> {
                            throw new IllegalArgumentException(
                                    "'" + now.name() + "' cuts '" + l.name()
                                            + "', which can be cut by one layer only; group it first and split what is inside.");
                        });
                next = new LayerEdits.Duplicate(id, newIds.get(i)).apply(next, extents);
                next = next.changing(
                        newIds.get(i),
                        l -> l.withIdentity(l.id(), now.name())
                                .withSpan(from(s, there))
                                .withArrive(Optional.empty()));
                next = next.changing(id, l -> l.withSpan(until(s, there)).withLeave(Optional.empty()));
            }
            return next;
        }
    }

    /** Lets layers begin one after another, {@code by} frames apart, the first where the earliest of them begins now. */
    public record Stagger(List<String> layers, long by, Order order) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Set<String> wanted = outermost(shot, layers);
            List<Layer> moved = shot.everyLayer().stream()
                    .filter(l -> wanted.contains(l.id()))
                    .toList();
            long first = moved.stream().mapToLong(l -> l.span().in()).min().orElse(0);
            int least = 0;
            if (by < 0) {
                least = moved.size() - 1;
            }
            Shot next = shot;
            for (int i = 0; i < moved.size(); i++) {
                long in = first + by * rank(i, moved.size()) - by * least;
                next = next.changing(
                        moved.get(i).id(),
                        l -> l.withSpan(new Span(in, l.span().length(), l.span().offset())));
            }
            return next;
        }

        private int rank(int index, int count) {
            return switch (order) {
                case LIST -> index;
                case REVERSED -> count - 1 - index;
                case MIDDLE -> Math.abs(2 * index - (count - 1)) / 2;
            };
        }
    }

    /** Gives a layer another length by letting it run faster or slower; its keys are stretched with it. */
    public record Stretch(String layer, long length) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Span s = LayerEdits.demand(shot, layer).span();
            double factor = (double) length / s.length();
            return shot.changing(layer, l -> stretched(l, factor, s.in(), length));
        }
    }

    /** Shows the picture of one frame of the shot for as long as the layer lasts. */
    public record Freeze(List<String> layers, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame);
            Shot next = shot;
            for (String id : layers) {
                LayerEdits.demand(shot, id);
                long own = PlaceEdits.ownFrame(moment, id);
                next = next.changing(id, l -> {
                    Pace p = l.pace();
                    Pace thawed = new Pace(p.speed(), p.reversed(), p.hold(), Optional.empty(), p.mixed());
                    long shown = Math.round(thawed.at(own, l.span()) / p.speed());
                    return l.withPace(new Pace(p.speed(), p.reversed(), p.hold(), Optional.of(shown), p.mixed()));
                });
            }
            return next;
        }
    }

    /** Changes the length of a shot. Markers and the work range stay within it. */
    public record Relength(long length, Inside inside) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            double factor = (double) length / shot.length();
            Shot next = inside == Inside.STAYS
                    ? shot
                    : shot.withLayers(shot.layers().stream()
                            .map(l -> inside == Inside.ENDS ? ending(l, shot.length()) : stretching(l, factor))
                            .toList());
            double scale = inside == Inside.STRETCHES ? factor : 1;
            return next.withLength(length)
                    .withMarkers(shot.markers().stream()
                            .map(m -> new Marker(Math.min(length - 1, Math.round(m.at() * scale)), m.name()))
                            .toList())
                    .withWork(shot.work()
                            .map(w -> new Range(
                                    Math.min(length - 1, Math.round(w.from() * scale)),
                                    Math.max(1, Math.min(length, Math.round(w.to() * scale)))))
                            .filter(w -> w.to() > w.from()));
        }

        private Layer ending(Layer l, long end) {
            Span s = l.span();
            return s.out() == end && s.in() < length ? l.withSpan(until(s, length)) : l;
        }

        private static Layer stretching(Layer l, double factor) {
            Span s = l.span();
            long in = Math.round(s.in() * factor);
            long out = Math.max(in + 1, Math.round(s.out() * factor));
            return stretched(l, factor, in, out - in);
        }
    }

    private static Layer stretched(Layer l, double factor, long in, long length) {
        Pace p = l.pace();
        Pace pace = new Pace(
                p.speed() / factor, p.reversed(), p.hold(), p.freeze().map(f -> Math.round(f * factor)), p.mixed());
        return Keys.retimed(l, k -> Math.round(k * factor))
                .withSpan(new Span(in, length, Math.round(l.span().offset() * factor)))
                .withPace(pace)
                .withArrive(l.arrive().map(a -> stretched(a, factor)))
                .withLeave(l.leave().map(a -> stretched(a, factor)));
    }

    private static Passage stretched(Passage p, double factor) {
        return p.withLength(Math.max(1, Math.round(p.length() * factor))).withDelay(Math.round(p.delay() * factor));
    }

    private static Span moved(Span s, long by) {
        return new Span(s.in() + by, s.length(), s.offset());
    }

    private static Span from(Span s, long in) {
        return new Span(in, s.out() - in, s.offset() + in - s.in());
    }

    private static Span until(Span s, long out) {
        return new Span(s.in(), out - s.in(), s.offset());
    }

    /** The frame of the bars that a layer lies among, at a moment of the shot. */
    static long bars(Moment moment, String layer) {
        Span s = moment.of(layer).layer().span();
        return PlaceEdits.ownFrame(moment, layer) - s.offset() + s.in();
    }

    /** The layers without those that lie in a group that is among them: they go with it. */
    static Set<String> outermost(Shot shot, List<String> layers) {
        layers.forEach(id -> LayerEdits.demand(shot, id));
        Map<String, String> group = new HashMap<>();
        for (Layer l : shot.everyLayer()) {
            if (l.content() instanceof Content.Group g) {
                g.layers().forEach(inside -> group.put(inside.id(), l.id()));
            }
        }
        Set<String> chosen = new HashSet<>(layers);
        return chosen.stream()
                .filter(id -> {
                    String g = group.get(id);
                    while (g != null && !chosen.contains(g)) {
                        g = group.get(g);
                    }
                    return g == null;
                })
                .collect(Collectors.toSet());
    }
}
