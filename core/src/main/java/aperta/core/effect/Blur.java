package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** A Gaussian of a standard deviation, of which across and down have their shares; it grows and turns with the layer. */
final class Blur implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "blur",
                "Blur",
                "Softens by a Gaussian of a standard deviation.",
                List.of(
                        Parameter.number("deviation", "Deviation", "px", 0, 1000, 12),
                        Parameter.number("across", "Across", "%", 0, 1, 1),
                        Parameter.number("down", "Down", "%", 0, 1, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BLUR;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        double across = values.number("deviation") * values.number("across");
        double down = values.number("deviation") * values.number("down");
        double[] numbers =
                Numbers.of(values).and(map.a(), map.b(), map.c(), map.d()).array();
        return new Reaching(Gaussian.reach(across, down, map), numbers) {
            @Override
            public Picture made(Given g) {
                return Gaussian.of(across, down, map)
                        .blur(g.input(), g.region(), setting.border(), g.bands(), g.scratch());
            }
        };
    }
}
