package aperta.core.time;

import java.util.Optional;

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

    /** The speed at the first key, in shares of the way a share of the time: how a value goes on before it. */
    default double speedAtStart() {
        return 0;
    }

    /** The speed at the next key: how a value goes on after it. */
    default double speedAtEnd() {
        return 0;
    }

    /** As a curve with two handles; nothing where it can't be one. */
    default Optional<CubicBezier> curve() {
        return Optional.empty();
    }

    /** The ease that sets out as one does and comes in as another; where one of them is no curve, the one that isn't this. */
    default Ease withEnds(Ease start, Ease end) {
        Optional<CubicBezier> a = start.curve();
        Optional<CubicBezier> b = end.curve();
        if (a.isEmpty() || b.isEmpty()) {
            return start.equals(this) ? end : start;
        }
        return new CubicBezier(a.get().x1, a.get().y1, b.get().x2, b.get().y2);
    }

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

        @Override
        public Optional<CubicBezier> curve() {
            return Optional.of(new CubicBezier(0, 0, 1, 1));
        }

        @Override
        public double speedAtStart() {
            return 1;
        }

        @Override
        public double speedAtEnd() {
            return 1;
        }
    }

    /**
     * A spring that is let go at the first key and swings about the next: the step response of a damped oscillator,
     * {@code 1 − e^(−δt)·(cos ωt + δ/ω·sin ωt)}, with as many half swings as are asked for and the decay {@code δ =
     * ln 1000}, so that what is left at the end is at most 1 ‰ and is taken away evenly on the way.
     *
     * @param swings how often it passes the next key before it rests, 1 to 20
     */
    record Spring(int swings) implements Ease {
        private static final double DECAY = StrictMath.log(1000);

        public Spring {
            if (swings < 1 || swings > 20) {
                throw new IllegalArgumentException("A spring swings 1 to 20 times, not " + swings + ".");
            }
        }

        @Override
        public double at(double t) {
            if (t <= 0) {
                return 0;
            }
            return t >= 1 ? 1 : free(t) + (1 - free(1)) * t;
        }

        private double free(double t) {
            double w = Math.PI * swings;
            return 1 - StrictMath.exp(-DECAY * t) * (StrictMath.cos(w * t) + DECAY / w * StrictMath.sin(w * t));
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
        public Optional<CubicBezier> curve() {
            return Optional.of(this);
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

        /** The slope of the tangent at the start, as CSS Easing Functions Level 1 extends the curve. */
        @Override
        public double speedAtStart() {
            return x1 > 0 ? y1 / x1 : y1 == 0 && x2 > 0 ? y2 / x2 : y1 == 0 && y2 == 0 ? 1 : 0;
        }

        /** The slope of the tangent at the end, as CSS Easing Functions Level 1 extends the curve. */
        @Override
        public double speedAtEnd() {
            return x2 < 1 ? (1 - y2) / (1 - x2) : y2 == 1 && x1 < 1 ? (1 - y1) / (1 - x1) : y2 == 1 && y1 == 1 ? 1 : 0;
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
