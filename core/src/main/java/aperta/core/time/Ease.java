package aperta.core.time;

/**
 * How a value goes from one key to the next: the share of the way, as a function of the share of the time. Names and
 * curves are those of CSS Easing Functions Level 1.
 */
public sealed interface Ease {
    Ease HOLD = new Hold();
    Ease LINEAR = new Linear();
    /** The CSS keyword {@code ease}. */
    Ease EASE = new CubicBezier(0.25, 0.1, 0.25, 1);

    Ease EASE_IN = new CubicBezier(0.42, 0, 1, 1);
    Ease EASE_OUT = new CubicBezier(0, 0, 0.58, 1);
    Ease EASE_IN_OUT = new CubicBezier(0.42, 0, 0.58, 1);

    /**
     * The share of the way at the share {@code t} of the time.
     *
     * @param t 0 at the first key, 1 at the next; values outside are clamped
     */
    double at(double t);

    /** Stays at the first key's value until the next key. */
    record Hold() implements Ease {
        @Override
        public double at(double t) {
            return t >= 1 ? 1 : 0;
        }
    }

    /** An even pace. */
    record Linear() implements Ease {
        @Override
        public double at(double t) {
            return Math.min(1, Math.max(0, t));
        }
    }

    /**
     * The curve {@code cubic-bezier(x1, y1, x2, y2)} of CSS Easing Functions Level 1, §2.2.
     *
     * @throws IllegalArgumentException where x1 or x2 lies outside 0 to 1
     */
    record CubicBezier(double x1, double y1, double x2, double y2) implements Ease {
        public CubicBezier {
            if (!(x1 >= 0 && x1 <= 1 && x2 >= 0 && x2 <= 1)) {
                throw new IllegalArgumentException("The times of a cubic-bezier ease lie between 0 and 1.");
            }
            if (!Double.isFinite(y1) || !Double.isFinite(y2)) {
                throw new IllegalArgumentException("A cubic-bezier ease needs finite numbers.");
            }
        }

        @Override
        public double at(double t) {
            if (t <= 0) {
                return 0;
            }
            if (t >= 1) {
                return 1;
            }
            return curve(y1, y2, parameterAt(t));
        }

        /** Newton steps kept inside a shrinking bracket: x is monotonic, so that this always arrives. */
        private double parameterAt(double x) {
            double low = 0;
            double high = 1;
            double s = x;
            for (int i = 0; i < 64; i++) {
                double error = curve(x1, x2, s) - x;
                if (Math.abs(error) < 1e-14) {
                    return s;
                }
                if (error > 0) {
                    high = s;
                } else {
                    low = s;
                }
                double slope = slope(x1, x2, s);
                double next = slope > 1e-9 ? s - error / slope : Double.NaN;
                s = next > low && next < high ? next : (low + high) / 2;
            }
            return s;
        }

        private static double curve(double p1, double p2, double s) {
            double r = 1 - s;
            return 3 * r * r * s * p1 + 3 * r * s * s * p2 + s * s * s;
        }

        private static double slope(double p1, double p2, double s) {
            double r = 1 - s;
            return 3 * r * r * p1 + 6 * r * s * (p2 - p1) + 3 * s * s * (1 - p2);
        }
    }
}
