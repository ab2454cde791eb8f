package aperta.core.time;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import java.util.List;

/** How values of one kind are mixed: {@code mix(a, b, 0) = a}, {@code mix(a, b, 1) = b}; t may overshoot. */
public interface Mix<T> {
    Mix<Double> NUMBER = new NumberMix();
    Mix<Point> POINT = new PathMix();
    Mix<Colour> COLOUR = Colour::mix;
    Mix<ToneCurve> CURVE = ToneCurve::mix;

    T mix(T a, T b, double t);

    /** Between two keys of a segment; differs from {@link #mix} where keys carry handles of a path. */
    default T between(Key<T> from, Key<T> to, double t) {
        return mix(from.value(), to.value(), t);
    }

    /**
     * Before or after a segment, where a value goes on beyond its keys; {@code t} lies outside 0 to 1. Kinds of values
     * that can't go on stay where they are.
     */
    default T beyond(Key<T> from, Key<T> to, double t) {
        return t < 0.5 ? from.value() : to.value();
    }

    /** How long the way between two keys is, in the unit of the value. */
    default double length(Key<T> from, Key<T> to) {
        return 1;
    }

    /** A value moved by numbers: {@code x} for a single number or the first of two, {@code y} for the second. */
    default T moved(T value, double x, double y) {
        return value;
    }

    /** Single numbers. */
    final class NumberMix implements Mix<Double> {
        private NumberMix() {}

        @Override
        public Double mix(Double a, Double b, double t) {
            return a + (b - a) * t;
        }

        @Override
        public Double beyond(Key<Double> from, Key<Double> to, double t) {
            return mix(from.value(), to.value(), t);
        }

        @Override
        public double length(Key<Double> from, Key<Double> to) {
            return Math.abs(to.value() - from.value());
        }

        @Override
        public Double moved(Double value, double x, double y) {
            return value + x;
        }
    }

    /** Straight without handles; with handles along a cubic Bézier curve, by its arc length. */
    final class PathMix implements Mix<Point> {
        private static final int PIECES = 64;

        private PathMix() {}

        @Override
        public Point mix(Point a, Point b, double t) {
            return a.mix(b, t);
        }

        @Override
        public Point between(Key<Point> from, Key<Point> to, double t) {
            if (from.out().isEmpty() && to.in().isEmpty()) {
                return mix(from.value(), to.value(), t);
            }
            Point p0 = from.value();
            Point p3 = to.value();
            Point p1 = p0.plus(from.out().orElse(Point.ORIGIN));
            Point p2 = p3.plus(to.in().orElse(Point.ORIGIN));
            if (t <= 0 || t >= 1) {
                Point end = t <= 0 ? p0 : p3;
                Point pull = direction(t <= 0 ? p0 : p3, t <= 0 ? List.of(p1, p2, p3) : List.of(p2, p1, p0));
                double way = (t <= 0 ? -t : t - 1) * lengths(p0, p1, p2, p3)[PIECES];
                return end.plus(pull.times(way));
            }
            return cubic(p0, p1, p2, p3, parameterAtShare(p0, p1, p2, p3, t));
        }

        /** Away from a curve's end, 1 px long: against the first of its other points that lies elsewhere. */
        private static Point direction(Point end, List<Point> others) {
            for (Point other : others) {
                Point away = end.minus(other);
                if (away.length() > 1e-9) {
                    return away.times(1 / away.length());
                }
            }
            return Point.ORIGIN;
        }

        @Override
        public Point beyond(Key<Point> from, Key<Point> to, double t) {
            return between(from, to, t);
        }

        @Override
        public double length(Key<Point> from, Key<Point> to) {
            if (from.out().isEmpty() && to.in().isEmpty()) {
                return to.value().minus(from.value()).length();
            }
            Point p1 = from.value().plus(from.out().orElse(Point.ORIGIN));
            Point p2 = to.value().plus(to.in().orElse(Point.ORIGIN));
            return lengths(from.value(), p1, p2, to.value())[PIECES];
        }

        @Override
        public Point moved(Point value, double x, double y) {
            return new Point(value.x() + x, value.y() + y);
        }

        /** The length of the curve up to each of {@link #PIECES} even steps of its parameter. */
        private static double[] lengths(Point p0, Point p1, Point p2, Point p3) {
            double[] length = new double[PIECES + 1];
            Point last = p0;
            for (int i = 1; i <= PIECES; i++) {
                Point here = cubic(p0, p1, p2, p3, (double) i / PIECES);
                length[i] = length[i - 1] + here.minus(last).length();
                last = here;
            }
            return length;
        }

        /** The curve's parameter at which the share {@code t} of its length is behind it. */
        private static double parameterAtShare(Point p0, Point p1, Point p2, Point p3, double t) {
            double[] length = lengths(p0, p1, p2, p3);
            double wanted = t * length[PIECES];
            int i = 1;
            while (i < PIECES && length[i] < wanted) {
                i++;
            }
            double piece = length[i] - length[i - 1];
            return (i - 1 + (piece > 0 ? (wanted - length[i - 1]) / piece : 0)) / PIECES;
        }

        private static Point cubic(Point p0, Point p1, Point p2, Point p3, double s) {
            double r = 1 - s;
            return p0.times(r * r * r)
                    .plus(p1.times(3 * r * r * s))
                    .plus(p2.times(3 * r * s * s))
                    .plus(p3.times(s * s * s));
        }
    }
}
