package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
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
        Transfer transfer = Transfer.of(setting.light());
        return new Worked.ByPixel() {
            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.toRaster())
                        .and(setting.light().ordinal())
                        .array();
            }

            @Override
            public void change(Picture picture) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = picture.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, at++) {
                        float a = p[3][at];
                        if (a <= 0) {
                            continue;
                        }
                        double v = (back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f() - drift) / pitch;
                        double wide = width;
                        if (bright > 0) {
                            float luma = 0;
                            for (int c = 0; c < 3; c++) {
                                luma += OnColours.LUMA[c] * transfer.toDisplay(p[c][at] / a);
                            }
                            wide *= 1 - bright * OnColours.clamped(luma);
                        }
                        float share = (float) ((lines(v + height / 2, wide) - lines(v - height / 2, wide)) / height);
                        float left = 1 - dark * OnColours.clamped(share);
                        p[0][at] *= left;
                        p[1][at] *= left;
                        p[2][at] *= left;
                    }
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
