package aperta.core.effect;

import aperta.core.colour.ToneCurve;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Grain of a size: on each frame another normal value at every point of a lattice, mixed between them and brought to a deviation of 1
 * everywhere, times a strength that depends on the brightness; on values as the display is told them. A raster that is coarser than the
 * grain sees its mean, which is weaker. Nothing repeats within a shot.
 */
final class Grain implements Effect {
    private static final int STEPS = 256;
    /** What brings two values, mixed by a smooth step, back to a deviation of 1, within 10⁻³: 1 / √((1 − w)² + w²). */
    private static final float[] ROOTS = roots();

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "grain",
                "Grain",
                "Grain that is another one on each frame.",
                List.of(
                        Parameter.number("strength", "Strength", "%", 0, 1, 0.06),
                        Parameter.number("size", "Size", "px", 0.5, 50, 1.6),
                        Parameter.curve("by", "By brightness"),
                        Parameter.truth("coloured", "In three colours", false),
                        Parameter.whole("hold", "Frames each", "", 1, 1000, 1),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.AGE;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        double scale = setting.scale();
        double size = Math.max(values.number("size"), 1 / scale);
        float strength = (float) (values.number("strength") * Math.min(1, values.number("size") * scale));
        float[] by = by(values.curve("by"));
        int channels = values.truth("coloured") ? 3 : 1;
        int frame = (int) Math.floor(setting.frame() / values.number("hold") + 1e-9);
        int seed = (int) values.number("seed");
        return new AtPlaces(setting, Numbers.of(values).and(frame)) {
            @Override
            void change(float[] c, double u, double v) {
                float most = strength * by[(int) (OnColours.clamped(OnColours.luma(c)) * (STEPS - 1))];
                float own = 0;
                for (int k = 0; k < 3; k++) {
                    own = k < channels ? most * value(u / size, v / size, frame, seed, k) : own;
                    c[k] += own;
                }
            }
        };
    }

    private static float[] roots() {
        float[] all = new float[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            double t = (double) i / STEPS;
            double w = t * t * (3 - 2 * t);
            all[i] = (float) (1 / Math.sqrt((1 - w) * (1 - w) + w * w));
        }
        return all;
    }

    private static float root(float t) {
        return ROOTS[(int) (t * STEPS + 0.5f)];
    }

    /** Normal values mixed by a smooth step between four points, brought to a deviation of 1. */
    static float value(double u, double v, int frame, int seed, int channel) {
        int i = (int) Math.floor(u);
        int j = (int) Math.floor(v);
        float fx = (float) (u - i);
        float fy = (float) (v - j);
        float wx = fx * fx * (3 - 2 * fx);
        float wy = fy * fy * (3 - 2 * fy);
        int k = frame * 3 + channel;
        float upper = normal(i, j, k, seed) * (1 - wx) + normal(i + 1, j, k, seed) * wx;
        float lower = normal(i, j + 1, k, seed) * (1 - wx) + normal(i + 1, j + 1, k, seed) * wx;
        return (upper * (1 - wy) + lower * wy) * root(fx) * root(fy);
    }

    /** The sum of four even values of eight bits, of mean 0 and deviation 1: near enough to a normal one. */
    private static float normal(int i, int j, int k, int seed) {
        int h = Noise.hash(i, j, k, seed);
        int sum = (h & 255) + (h >>> 8 & 255) + (h >>> 16 & 255) + (h >>> 24);
        return (sum - 510) * (1 / 147.8f);
    }

    private static float[] by(ToneCurve curve) {
        float[] all = new float[STEPS];
        for (int i = 0; i < STEPS; i++) {
            all[i] = curve.isStraight() ? 1 : (float) Math.max(0, curve.at(i / (STEPS - 1.0)));
        }
        return all;
    }
}
