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
        double[] across = new double[WAVES];
        double[] down = new double[WAVES];
        double[] at = new double[WAVES];
        double[] slopeX = new double[WAVES];
        double[] slopeY = new double[WAVES];
        double[] xx = new double[WAVES];
        double[] xy = new double[WAVES];
        double[] yy = new double[WAVES];
        for (int i = 0; i < WAVES; i++) {
            double angle = 2 * Math.PI * (i + Chance.unit(seed, i, 1)) / WAVES;
            double k = 2 * Math.PI / size * (0.5 + 1.1 * Chance.unit(seed, i, 2));
            double cos = StrictMath.cos(angle);
            double sin = StrictMath.sin(angle);
            // Phases in turns; a wave is 1/k² high, so that each bends the light by as much.
            across[i] = k * cos / (2 * Math.PI);
            down[i] = k * sin / (2 * Math.PI);
            double turns = Chance.unit(seed, i, 3) - time * Math.sqrt(k * size / (2 * Math.PI));
            at[i] = turns - Math.floor(turns);
            slopeX[i] = FOLD * cos / k;
            slopeY[i] = FOLD * sin / k;
            xx[i] = FOLD * cos * cos;
            xy[i] = FOLD * cos * sin;
            yy[i] = FOLD * sin * sin;
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
                        double swing = Sine.ofTurns(across[i] * sx + down[i] * sy + at[i]);
                        gx += swing * slopeX[i];
                        gy += swing * slopeY[i];
                    }
                    sx = x + gx;
                    sy = y + gy;
                }
                double a = 1;
                double b = 0;
                double d = 1;
                for (int i = 0; i < WAVES; i++) {
                    double swing = Sine.ofTurns(across[i] * sx + down[i] * sy + at[i] + 0.25);
                    a -= swing * xx[i];
                    b -= swing * xy[i];
                    d -= swing * yy[i];
                }
                double det = a * d - b * b;
                double light = soft / (Math.abs(det) + soft);
                return bright * 1.9 * light * Math.sqrt(light);
            }
        };
    }
}
