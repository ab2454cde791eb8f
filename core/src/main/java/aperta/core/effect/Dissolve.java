package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** Goes away grain by grain of an even noise: as large a share of it is gone as is said. */
final class Dissolve implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "dissolve",
                "Dissolve",
                "Goes away, patch by patch of a noise.",
                List.of(
                        Parameter.number("gone", "Gone", "%", 0, 1, 0.5),
                        Parameter.number("size", "Size", "px", 1, 4000, 40),
                        Parameter.number("softness", "Softness", "%", 0, 1, 0.1),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.EDGE;
    }

    /** What is left of a place whose even noise is known; half of the ramp's width is under its middle. */
    static double left(double even, double gone, double softness) {
        if (gone <= 0) {
            return 1;
        }
        if (gone >= 1) {
            return 0;
        }
        double s = Math.max(1e-6, softness);
        // Where the ramp sticks out over an end, its middle lies so that just this share is gone.
        double middle = gone < s / 2
                ? Math.sqrt(2 * s * gone) - s / 2
                : 1 - gone < s / 2 ? 1 + s / 2 - Math.sqrt(2 * s * (1 - gone)) : gone;
        return Math.min(1, Math.max(0, (even - middle) / s + 0.5));
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        double gone = values.number("gone");
        double size = values.number("size");
        double softness = values.number("softness");
        Even even = new Even((int) values.number("seed"));
        return new Worked.ByPixel() {
            @Override
            public double[] numbers() {
                return Numbers.of(values).and(setting.toRaster()).array();
            }

            @Override
            public void change(Picture picture) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = picture.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, at++) {
                        if (p[3][at] > 0) {
                            double u = back.a() * (x + 0.5) + back.c() * (y + 0.5) + back.e();
                            double v = back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f();
                            float left = (float) left(even.at(u / size, v / size), gone, softness);
                            for (float[] plane : p) {
                                plane[at] *= left;
                            }
                        }
                    }
                }
            }
        };
    }
}
