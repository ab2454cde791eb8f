package aperta.core.texture;

import aperta.core.colour.Colour;
import aperta.core.effect.Noise;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** A sum of octaves of gradient noise, smooth or folded at zero into ridges. */
final class NoiseTexture implements Texture {
    /** What two octaves' worth of noise spans about its middle, so that a contrast of 1 nearly fills 0 to 1. */
    private static final double SPAN = 1.3;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "noise",
                "Noise",
                "Clouds of gradient noise, smooth or ridged.",
                List.of(
                        Parameter.choice("form", "Form", "smooth", "ridged"),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 10_000, 320),
                        Parameter.whole("octaves", "Octaves", "", 1, 8, 5),
                        Parameter.number("contrast", "Contrast", "%", 0, 10, 1),
                        Parameter.number("bright", "Brightness", "%", -2, 2, 0),
                        Parameter.number("phase", "Phase", "", -10_000, 10_000, 0),
                        Parameter.number("pace", "Pace", "a second", -100, 100, 0.25),
                        Parameter.point(Parameter.DRIFT, "Drift", Point.ORIGIN),
                        Parameter.colour("thin", "Where dark", Colour.BLACK),
                        Density.DENSE,
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Pattern on(Recipe values, Setting setting) {
        boolean ridged = values.text("form").equals("ridged");
        double wavelength = values.number("wavelength");
        int octaves = (int) values.number("octaves");
        double contrast = values.number("contrast");
        double bright = values.number("bright");
        Point drift = values.point("drift");
        double z = values.number("phase") + setting.travelled("pace");
        Noise noise = new Noise((int) values.number("seed"));
        return new Density(values, setting, wavelength / (1 << octaves - 1), z) {
            @Override
            double at(double x, double y) {
                double u = (x - drift.x()) / wavelength;
                double v = (y - drift.y()) / wavelength;
                double sum = Clouds.sum(noise, u, v, z, octaves);
                double value = ridged ? 1 - 2.2 * Math.abs(sum) : 0.5 + sum / SPAN;
                return 0.5 + (value - 0.5) * contrast + bright;
            }
        };
    }
}
