package aperta.core.texture;

import aperta.core.colour.Colour;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.time.Chance;
import java.util.List;

/**
 * The net of light on the floor of a pool. Waves that run in many directions, long ones faster (the dispersion of deep water, ω² = g k),
 * bend the light: where the map from the surface to the floor folds together, as its determinant tells, it is bright.
 */
final class LightRipples implements Texture {
    private static final int WAVES = 20;
    /** How strongly the waves bend the light: few places fold. */
    private static final double FOLD = 0.15;
    /** The lines of the net are about this much narrower than its meshes. */
    private static final double DETAIL = 9;
    /** Steps towards where the light that arrives at a place came from. */
    private static final int STEPS = 3;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "light-ripples",
                "Light ripples",
                "A net of light, as on the floor of a pool.",
                List.of(
                        Parameter.number("size", "Size of a mesh", "px", 4, 4000, 190),
                        Parameter.number("sharp", "Sharpness", "%", 0, 1, 0.6),
                        Parameter.number("bright", "Brightness", "%", 0, 4, 1),
                        Parameter.number("phase", "Phase", "", -10_000, 10_000, 0),
                        Parameter.number("pace", "Pace", "a second", -20, 20, 0.8),
                        Parameter.colour("thin", "Where dark", Colour.CLEAR),
                        Parameter.colour("dense", "Where bright", Colour.parse("#fff0d0")),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Pattern on(Recipe values, Setting setting) {
        double size = values.number("size");
        double sharp = values.number("sharp");
        double bright = values.number("bright");
        double time = values.number("phase") + setting.travelled("pace");
        long seed = (long) values.number("seed");
        double[] kx = new double[WAVES];
        double[] ky = new double[WAVES];
        double[] at = new double[WAVES];
        double[] height = new double[WAVES];
        for (int i = 0; i < WAVES; i++) {
            double angle = 2 * Math.PI * (i + Chance.unit(seed, i, 1)) / WAVES;
            double k = 2 * Math.PI / size * (0.5 + 1.1 * Chance.unit(seed, i, 2));
            kx[i] = k * StrictMath.cos(angle);
            ky[i] = k * StrictMath.sin(angle);
            at[i] = 2 * Math.PI * Chance.unit(seed, i, 3) - 2 * Math.PI * time * Math.sqrt(k * size / (2 * Math.PI));
            height[i] = 1 / (k * k);
        }
        double soft = 0.08 + 0.35 * (1 - sharp);
        return new Density(values, setting, size / DETAIL, time) {
            @Override
            double at(double x, double y) {
                // Where the light that arrives here came from, by the steps of a fixed point.
                double sx = x;
                double sy = y;
                for (int step = 0; step < STEPS; step++) {
                    double gx = 0;
                    double gy = 0;
                    for (int i = 0; i < WAVES; i++) {
                        double slope = -height[i] * Sine.sin(kx[i] * sx + ky[i] * sy + at[i]);
                        gx += slope * kx[i];
                        gy += slope * ky[i];
                    }
                    sx = x - FOLD * gx;
                    sy = y - FOLD * gy;
                }
                double xx = 0;
                double xy = 0;
                double yy = 0;
                for (int i = 0; i < WAVES; i++) {
                    double c = -height[i] * Sine.sin(kx[i] * sx + ky[i] * sy + at[i] + Math.PI / 2);
                    xx += c * kx[i] * kx[i];
                    xy += c * kx[i] * ky[i];
                    yy += c * ky[i] * ky[i];
                }
                double det = (1 + FOLD * xx) * (1 + FOLD * yy) - FOLD * FOLD * xy * xy;
                double light = soft / (Math.abs(det) + soft);
                return bright * 1.9 * light * Math.sqrt(light);
            }
        };
    }
}
