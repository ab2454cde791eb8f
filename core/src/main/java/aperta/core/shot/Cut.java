package aperta.core.shot;

import aperta.core.colour.ToneCurve;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.function.DoubleUnaryOperator;

/**
 * What a layer is cut by.
 *
 * @param by the id of the cutting layer, anywhere in the shot
 * @param with its shape (alpha) or its brightness (BT.709 luma of the display-encoded picture on black)
 * @param keep what stays: what lies inside the cutter or outside
 * @param tone what is done to the matte that is taken from the cutter, whose own picture stays as it is
 */
public record Cut(String by, With with, Keep keep, Tone tone) {
    public enum With {
        SHAPE,
        BRIGHTNESS
    }

    public enum Keep {
        INSIDE,
        OUTSIDE
    }

    /**
     * Values of a matte changed by levels and then by a curve, then its edge moved, then blurred.
     *
     * @param black the value that becomes 0
     * @param white the value that becomes 1
     * @param gamma what lies between is raised to 1/gamma
     * @param curve what becomes of the values after that
     * @param spread by how many of the cut layer's own pixels bright parts grow, or shrink where negative (choke)
     * @param blur the Gaussian's σ in the cut layer's own pixels
     */
    public record Tone(
            Animated<Double> black,
            Animated<Double> white,
            Animated<Double> gamma,
            ToneCurve curve,
            Animated<Double> spread,
            Animated<Double> blur) {
        public static final Tone PLAIN = new Tone(
                Animated.of(0.0),
                Animated.of(1.0),
                Animated.of(1.0),
                ToneCurve.STRAIGHT,
                Animated.of(0.0),
                Animated.of(0.0));

        public Tone withBlack(Animated<Double> other) {
            return new Tone(other, white, gamma, curve, spread, blur);
        }

        public Tone withWhite(Animated<Double> other) {
            return new Tone(black, other, gamma, curve, spread, blur);
        }

        public Tone withGamma(Animated<Double> other) {
            return new Tone(black, white, other, curve, spread, blur);
        }

        public Tone withSpread(Animated<Double> other) {
            return new Tone(black, white, gamma, curve, other, blur);
        }

        public Tone withBlur(Animated<Double> other) {
            return new Tone(black, white, gamma, curve, spread, other);
        }

        public Tone withCurve(ToneCurve other) {
            return new Tone(black, white, gamma, other, spread, blur);
        }

        /** Whether values stay as they are, at rest. */
        public boolean leavesValues() {
            return black.at(0, Mix.NUMBER) == 0
                    && white.at(0, Mix.NUMBER) == 1
                    && gamma.at(0, Mix.NUMBER) == 1
                    && curve.isStraight();
        }

        /** What becomes of each value, at rest. */
        public DoubleUnaryOperator values() {
            double low = black.at(0, Mix.NUMBER);
            double high = white.at(0, Mix.NUMBER);
            double range = high - low;
            double power = 1 / gamma.at(0, Mix.NUMBER);
            return value -> {
                double v = range == 0 ? (value >= high ? 1 : 0) : Math.min(1, Math.max(0, (value - low) / range));
                return curve.at(power == 1 ? v : StrictMath.pow(v, power));
            };
        }
    }

    /** A cut with the matte as it is. */
    public Cut(String by, With with, Keep keep) {
        this(by, with, keep, Tone.PLAIN);
    }

    public Cut withBy(String other) {
        return new Cut(other, with, keep, tone);
    }

    public Cut withTone(Tone other) {
        return new Cut(by, with, keep, other);
    }
}
