package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.recipe.Parameter;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * One animatable property of a layer: what the Sheet shows, what the rules demand, and how it is read and replaced.
 *
 * @param name unique within a layer, such as {@code place.opacity}
 * @param part of the layer that it belongs to, such as a mask by its name; empty for the layer itself
 * @param label for people who see which part it belongs to
 * @param section of the Sheet that it stands in
 * @param unit {@code px}, {@code °}, {@code %} (the value 1 is 100 %), {@code ×}, {@code ‰ em} or nothing
 * @param space whose pixels lengths are
 * @param least and {@code most}: the range of every number of the value
 * @param neutral the value that does nothing; where no value does nothing, nothing
 */
public record Property<T>(
        String name,
        String part,
        String label,
        Section section,
        Kind kind,
        String unit,
        Space space,
        double least,
        double most,
        Optional<T> neutral,
        Mix<T> mix,
        Function<Layer, Animated<T>> get,
        BiFunction<Layer, Animated<T>, Layer> set) {

    /** What a value is made of. */
    public enum Kind {
        NUMBER,
        POINT,
        COLOUR,
        PATH,
        CURVE;

        /** Whether values are made of numbers that can be followed, and moved by signals. */
        public boolean isNumeric() {
            return this == NUMBER || this == POINT;
        }
    }

    /** A section of the Sheet. */
    public enum Section {
        LOOK,
        /** What a layer hands on to those whose parent it is. */
        PLACE,
        /** What is done to the layer as a whole. */
        WHOLE,
        MASK,
        /** The parts of it that are seen, by numbers. */
        WINDOW,
        /** What changes its picture. */
        EFFECTS,
        CUT,
        ARRIVE,
        LEAVE
    }

    /** Whose pixels lengths are counted in. */
    public enum Space {
        /** The layer's own, which grow and turn with it. */
        OWN,
        /** Those of its parent, or else of the group or shot that it lies in. */
        HOLDER,
        SHOT
    }

    static Property<Double> number(
            String name,
            String label,
            Section section,
            String unit,
            double least,
            double most,
            Optional<Double> neutral,
            Function<Layer, Animated<Double>> get,
            BiFunction<Layer, Animated<Double>, Layer> set) {
        return new Property<>(
                name, "", label, section, Kind.NUMBER, unit, Space.OWN, least, most, neutral, Mix.NUMBER, get, set);
    }

    /**
     * A number as it is described.
     *
     * @param prefix of its name, with its dot
     * @param doesNothing whether its standard value does nothing
     */
    static Property<Double> number(
            String prefix,
            Parameter described,
            Section section,
            boolean doesNothing,
            Function<Layer, Animated<Double>> get,
            BiFunction<Layer, Animated<Double>, Layer> set) {
        return number(
                prefix + described.name(),
                described.label(),
                section,
                described.unit(),
                described.least(),
                described.most(),
                Optional.of((Double) described.standard()).filter(s -> doesNothing),
                get,
                set);
    }

    static Property<Point> point(
            String name,
            String label,
            Section section,
            String unit,
            double least,
            double most,
            Optional<Point> neutral,
            Function<Layer, Animated<Point>> get,
            BiFunction<Layer, Animated<Point>, Layer> set) {
        return new Property<>(
                name, "", label, section, Kind.POINT, unit, Space.OWN, least, most, neutral, Mix.POINT, get, set);
    }

    static Property<Colour> colour(
            String name,
            String label,
            Section section,
            Function<Layer, Animated<Colour>> get,
            BiFunction<Layer, Animated<Colour>, Layer> set) {
        return new Property<>(
                name, "", label, section, Kind.COLOUR, "", Space.OWN, 0, 1, Optional.empty(), Mix.COLOUR, get, set);
    }

    static Property<BezierPath> path(
            String name,
            String label,
            Section section,
            double far,
            Function<Layer, Animated<BezierPath>> get,
            BiFunction<Layer, Animated<BezierPath>, Layer> set) {
        return new Property<>(
                name,
                "",
                label,
                section,
                Kind.PATH,
                "px",
                Space.OWN,
                -far,
                far,
                Optional.empty(),
                BezierPath.MIX,
                get,
                set);
    }

    /** The same as a property of a part of the layer. */
    Property<T> of(String whose) {
        return new Property<>(name, whose, label, section, kind, unit, space, least, most, neutral, mix, get, set);
    }

    /** The same, its lengths in the pixels of another space. */
    Property<T> in(Space whose) {
        return new Property<>(name, part, label, section, kind, unit, whose, least, most, neutral, mix, get, set);
    }

    /** The label for people who see the layer only: with the part that it belongs to. */
    public String title() {
        return part.isEmpty() ? label : part + " " + label.toLowerCase(Locale.ROOT);
    }

    /** Whether the layer would look the same without it, at all times. */
    public boolean isNeutral(Layer layer) {
        Animated<T> value = get.apply(layer);
        return neutral.isPresent() && value.isStill() && value.rest().equals(neutral.get());
    }

    /** The value at a frame of the layer's own time. */
    public T at(Layer layer, double frame) {
        return get.apply(layer).at(frame, mix);
    }

    /** The same layer with its value of this property at a frame of its own time, for ever. */
    Layer fixed(Layer layer, double frame, Signals signals) {
        Animated<T> value = get.apply(layer);
        if (value.isStill()) {
            return layer;
        }
        return set.apply(layer, Animated.of(now(value, frame, signals)));
    }

    /** What signals add to the two numbers of a value. */
    interface Signals {
        double sum(Animated<?> value, double frame, int channel);
    }

    T now(Animated<T> value, double frame, Signals signals) {
        T keyed = value.at(frame, mix);
        if (value.signals().isEmpty()) {
            return within(keyed);
        }
        double x = signals.sum(value, frame, 0);
        double y = kind == Kind.POINT ? signals.sum(value, frame, 1) : 0;
        return within(mix.moved(keyed, x, y));
    }

    /**
     * One of the numbers of a value.
     *
     * @param channel 0 for a number and for x, 1 for y
     * @throws IllegalArgumentException where the value isn't made of numbers
     */
    public static double part(Object value, int channel) {
        if (value instanceof Double d) {
            return d;
        }
        if (value instanceof Point p) {
            return channel == 0 ? p.x() : p.y();
        }
        throw new IllegalArgumentException("Colours, paths and curves aren't numbers.");
    }

    /** Values that go on beyond their keys, or are moved by signals, stay in the property's range. */
    private T within(T value) {
        if (value instanceof Double d) {
            return mix.moved(value, Math.min(most, Math.max(least, d)) - d, 0);
        }
        if (value instanceof Point p) {
            return mix.moved(
                    value,
                    Math.min(most, Math.max(least, p.x())) - p.x(),
                    Math.min(most, Math.max(least, p.y())) - p.y());
        }
        return value;
    }

    /** The rule that the layer's values break, as a plain sentence; nothing where all is well. */
    Optional<String> broken(Layer layer) {
        Animated<T> value = get.apply(layer);
        String who = "The " + title().toLowerCase(Locale.ROOT) + " of '" + layer.name() + "'";
        if (value.keys().stream().anyMatch(k -> Math.abs(k.at()) > 100 * Shot.LONGEST)) {
            return Optional.of(who + " has a key too far from the start.");
        }
        boolean good = good(value.rest());
        for (Key<T> key : value.keys()) {
            good &= good(key.value()) && handle(key.in()) && handle(key.out());
        }
        return good
                ? Optional.empty()
                : Optional.of(who + " lies between " + shown(least) + " and " + shown(most) + ".");
    }

    private String shown(double v) {
        double s = unit.equals("%") ? v * 100 : v;
        return (s == Math.rint(s) ? Long.toString((long) s) : Double.toString(s)) + (unit.isEmpty() ? "" : " " + unit);
    }

    private boolean handle(Optional<T> handle) {
        return handle.map(h -> !(h instanceof Point p) || Math.abs(p.x()) <= 2e6 && Math.abs(p.y()) <= 2e6)
                .orElse(true);
    }

    private boolean good(T value) {
        if (value instanceof Double d) {
            return inRange(d);
        }
        if (value instanceof Point p) {
            return inRange(p);
        }
        if (value instanceof BezierPath path) {
            return path.knots().stream().allMatch(k -> inRange(k.at()) && inRange(k.in()) && inRange(k.out()));
        }
        return true;
    }

    private boolean inRange(Point p) {
        return inRange(p.x()) && inRange(p.y());
    }

    private boolean inRange(double d) {
        return d >= least && d <= most;
    }

    /** Every property of a layer, in the order of the Sheet. */
    public static List<Property<?>> of(Layer layer) {
        return Properties.of(layer);
    }

    /** @throws IllegalArgumentException where the layer has no such property */
    public static Property<?> named(Layer layer, String name) {
        return of(layer).stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + layer.name() + "' has no property '" + name + "' that can change over time."));
    }
}
