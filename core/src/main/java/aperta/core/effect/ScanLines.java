package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Dark lines at a pitch, as wide as a share of it; where the picture is bright they may be narrower. Each pixel has the mean of the lines
 * over its own height.
 */
final class ScanLines implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "scan-lines",
                "Scan lines",
                "Dark lines at a pitch.",
                List.of(
                        Parameter.number("pitch", "Pitch", "px", 1, 400, 4),
                        Parameter.number("width", "Width", "%", 0, 1, 0.5),
                        Parameter.number("dark", "Dark", "%", 0, 1, 0.5),
                        Parameter.number("bright", "Narrower where bright", "%", 0, 1, 0.4),
                        Parameter.number("drift", "Drift", "px", -1e6, 1e6, 0)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.AGE;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        double pitch = values.number("pitch");
        double width = values.number("width");
        float dark = (float) values.number("dark");
        double bright = values.number("bright");
        double drift = values.number("drift");
        // A pixel's height in lines.
        double height = Math.max(1e-3, Math.sqrt(back.b() * back.b() + back.d() * back.d()) / pitch);
        return new AtPlaces(setting, Numbers.of(values)) {
            @Override
            void change(float[] c, double u, double v) {
                double at = (v - drift) / pitch;
                double wide = width * (1 - bright * OnColours.clamped(OnColours.luma(c)));
                float share = (float) ((lines(at + height / 2, wide) - lines(at - height / 2, wide)) / height);
                float left = 1 - dark * OnColours.clamped(share);
                for (int k = 0; k < 3; k++) {
                    c[k] *= left;
                }
            }
        };
    }

    /** How much of the way from 0 lies on lines. */
    private static double lines(double v, double wide) {
        double whole = Math.floor(v);
        return whole * wide + Math.min(wide, v - whole);
    }
}
