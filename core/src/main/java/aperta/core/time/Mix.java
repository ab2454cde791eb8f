package aperta.core.time;

import aperta.core.geometry.Point;

/** How values of one kind are mixed: {@code mix(a, b, 0) = a}, {@code mix(a, b, 1) = b}; t may overshoot. */
public interface Mix<T> {
    Mix<Double> NUMBER = (a, b, t) -> a + (b - a) * t;
    Mix<Point> POINT = new PathMix();

    T mix(T a, T b, double t);

    /** Between two keys of a segment; differs from {@link #mix} where keys carry handles of a path. */
    default T between(Key<T> from, Key<T> to, double t) {
        return mix(from.value(), to.value(), t);
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
                Point pull = t <= 0 ? p1.minus(p0) : p3.minus(p2);
                return end.plus(pull.times(3 * (t <= 0 ? t : t - 1)));
            }
            return cubic(p0, p1, p2, p3, parameterAtShare(p0, p1, p2, p3, t));
        }

        /** The curve's parameter at which the share {@code t} of its length is behind it. */
        private static double parameterAtShare(Point p0, Point p1, Point p2, Point p3, double t) {
            double[] length = new double[PIECES + 1];
            Point last = p0;
            for (int i = 1; i <= PIECES; i++) {
                Point here = cubic(p0, p1, p2, p3, (double) i / PIECES);
                length[i] = length[i - 1] + here.minus(last).length();
                last = here;
            }
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
