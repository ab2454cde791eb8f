package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/** What something is painted with; lengths in the layer's own pixels. */
public sealed interface Paint {
    int MOST_STOPS = 64;

    /** How far from its centre a conic gradient is handled. */
    double ARM = 80;

    /** One colour everywhere. */
    record Solid(Animated<Colour> colour) implements Paint {}

    static Paint solid(Colour colour) {
        return new Solid(Animated.of(colour));
    }

    /** Colours that change from stop to stop; before the first and after the last the outer colours go on. */
    sealed interface Gradient extends Paint {
        List<Stop> stops();

        Gradient withStops(List<Stop> other);

        /** Its name in documents. */
        String form();

        /** The names of the properties that say where it lies. */
        List<String> geometry();

        /** The place of a share of the way on the line along which it is handled, at a frame of the layer's own time. */
        Point at(double share, double frame);

        default Gradient withStop(Stop stop) {
            return withStops(stops().stream()
                    .map(s -> s.id().equals(stop.id()) ? stop : s)
                    .toList());
        }

        /** @throws IllegalArgumentException where there is no such stop */
        default Stop stop(String id) {
            return stops().stream()
                    .filter(s -> s.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("The gradient has no stop '" + id + "'."));
        }
    }

    /** Along a line. */
    record Linear(Animated<Point> from, Animated<Point> to, List<Stop> stops) implements Gradient {
        public Linear {
            stops = Stop.sound(stops);
        }

        @Override
        public Linear withStops(List<Stop> other) {
            return new Linear(from, to, other);
        }

        @Override
        public String form() {
            return "linear";
        }

        @Override
        public List<String> geometry() {
            return List.of("from", "to");
        }

        @Override
        public Point at(double share, double frame) {
            return from.at(frame, Mix.POINT).mix(to.at(frame, Mix.POINT), share);
        }
    }

    /** From a centre outwards. */
    record Radial(Animated<Point> centre, Animated<Double> radius, List<Stop> stops) implements Gradient {
        public Radial {
            stops = Stop.sound(stops);
        }

        @Override
        public Radial withStops(List<Stop> other) {
            return new Radial(centre, radius, other);
        }

        @Override
        public String form() {
            return "radial";
        }

        @Override
        public List<String> geometry() {
            return List.of("centre", "radius");
        }

        @Override
        public Point at(double share, double frame) {
            return centre.at(frame, Mix.POINT).plus(new Point(radius.at(frame, Mix.NUMBER) * share, 0));
        }
    }

    /**
     * Round a centre, once round, clockwise on the screen.
     *
     * @param angle of the ray on which it begins, in degrees from the one that points to the right
     */
    record Conic(Animated<Point> centre, Animated<Double> angle, List<Stop> stops) implements Gradient {
        public Conic {
            stops = Stop.sound(stops);
        }

        @Override
        public Conic withStops(List<Stop> other) {
            return new Conic(centre, angle, other);
        }

        @Override
        public String form() {
            return "conic";
        }

        @Override
        public List<String> geometry() {
            return List.of("centre", "angle");
        }

        @Override
        public Point at(double share, double frame) {
            Affine turn = Affine.rotation(angle.at(frame, Mix.NUMBER) + 360 * share);
            return centre.at(frame, Mix.POINT).plus(turn.applyVector(new Point(ARM, 0)));
        }
    }

    /**
     * A colour at a share (0 to 1) of the way; between two stops premultiplied colours are mixed evenly. Stops that are
     * keyed may pass one another: they count in the order in which they lie on a frame.
     */
    record Stop(String id, Animated<Double> at, Animated<Colour> colour) {
        /** One that never changes. */
        public static Stop of(String id, double at, Colour colour) {
            return new Stop(id, Animated.of(at), Animated.of(colour));
        }

        public Stop withAt(Animated<Double> other) {
            return new Stop(id, other, colour);
        }

        public Stop withColour(Animated<Colour> other) {
            return new Stop(id, at, other);
        }

        private static List<Stop> sound(List<Stop> stops) {
            if (stops.size() < 2 || stops.size() > MOST_STOPS) {
                throw new IllegalArgumentException("A gradient has between 2 and " + MOST_STOPS + " stops.");
            }
            if (stops.stream().map(Stop::id).distinct().count() < stops.size()) {
                throw new IllegalArgumentException("Two stops of a gradient have the same id.");
            }
            return List.copyOf(stops);
        }
    }

    /** A stop on one frame. */
    record At(double at, Colour colour) {}

    /** The stops on a frame of the layer's own time, in order; those on the same place in the order of the list. */
    static List<At> ramp(List<Stop> stops, double frame) {
        return ramp(stops, frame, Function.identity());
    }

    /** The same with each colour put through a function. */
    static List<At> ramp(List<Stop> stops, double frame, Function<Colour, Colour> change) {
        return stops.stream()
                .map(s -> new At(
                        s.at().at(frame, Mix.NUMBER), change.apply(s.colour().at(frame, Mix.COLOUR))))
                .sorted(Comparator.comparingDouble(At::at))
                .toList();
    }

    /** The colour that a ramp has at a share of the way; premultiplied colours are mixed. */
    static Colour colour(List<At> ramp, double share) {
        int n = 0;
        while (n < ramp.size() && ramp.get(n).at() <= share) {
            n++;
        }
        At from = ramp.get(Math.max(0, n - 1));
        At to = ramp.get(Math.min(ramp.size() - 1, n));
        double span = to.at() - from.at();
        return mixed(from.colour(), to.colour(), span > 0 ? Math.min(1, Math.max(0, (share - from.at()) / span)) : 0);
    }

    private static Colour mixed(Colour a, Colour b, double t) {
        double alpha = a.alpha() + (b.alpha() - a.alpha()) * t;
        if (alpha == 0) {
            return a.mix(b, t);
        }
        double ofB = b.alpha() * t / alpha;
        Colour opaque = a.mix(b, ofB);
        return new Colour(opaque.red(), opaque.green(), opaque.blue(), alpha);
    }
}
