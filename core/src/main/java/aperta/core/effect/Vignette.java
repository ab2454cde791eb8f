package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Falls off towards the corners: from a share of the way to them on, a colour is laid on that has its whole strength at them, by t² (3 −
 * 2t). The way is counted along ellipses that touch the box's corners, or circles, or between both.
 */
final class Vignette implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "vignette",
                "Vignette",
                "Darkens towards the corners.",
                List.of(
                        Parameter.number("strength", "Strength", "%", 0, 1, 0.55),
                        Parameter.number("begins", "Begins at", "%", 0, 2, 0.35),
                        Parameter.number("ends", "Ends at", "%", 0, 3, 1.05),
                        Parameter.number("round", "Roundness", "%", 0, 1, 0.3),
                        Parameter.colour("colour", "Colour", Colour.BLACK)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.LIGHT;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        Box box = setting.box().isEmpty() ? Box.centred(1, 1) : setting.box();
        double strength = values.number("strength");
        double begins = values.number("begins");
        double ends = Math.max(begins + 1e-6, values.number("ends"));
        double round = values.number("round");
        double diagonal = Math.hypot(box.width(), box.height()) / 2;
        double across = 1 / mixed(box.width() / Math.sqrt(2), diagonal, round);
        double down = 1 / mixed(box.height() / Math.sqrt(2), diagonal, round);
        Colour lit = Transfer.of(setting.light()).toLight(values.colour("colour"));
        float[] c = {(float) lit.red(), (float) lit.green(), (float) lit.blue()};
        double most = strength * lit.alpha();
        return new Worked.ByPixel() {
            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.toRaster())
                        .and(
                                box.x0(),
                                box.y0(),
                                box.x1(),
                                box.y1(),
                                setting.light().ordinal())
                        .array();
            }

            @Override
            public void change(Picture picture) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = picture.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, at++) {
                        double u = (back.a() * (x + 0.5)
                                        + back.c() * (y + 0.5)
                                        + back.e()
                                        - box.centre().x())
                                * across;
                        double v = (back.b() * (x + 0.5)
                                        + back.d() * (y + 0.5)
                                        + back.f()
                                        - box.centre().y())
                                * down;
                        double far = u * u + v * v;
                        if (far <= begins * begins) {
                            continue;
                        }
                        double t = Math.min(1, (Math.sqrt(far) - begins) / (ends - begins));
                        float share = (float) (most * t * t * (3 - 2 * t));
                        for (int k = 0; k < 3; k++) {
                            p[k][at] += share * (c[k] * p[3][at] - p[k][at]);
                        }
                    }
                }
            }
        };
    }

    private static double mixed(double a, double b, double t) {
        return a + (b - a) * t;
    }
}
