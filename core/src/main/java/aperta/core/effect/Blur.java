package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Bands;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Optional;

/** A Gaussian; its standard deviation grows with the layer. */
final class Blur implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "blur",
                "Blur",
                "Softens by a Gaussian of a standard deviation.",
                List.of(Parameter.number("deviation", "Deviation", "px", 0, 1000, 12)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BLUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        double sigma = values.number("deviation") * map.meanScale();
        int reach = Gaussian.reach(sigma);
        return new Worked.Around() {
            @Override
            public double[] numbers() {
                return new double[] {sigma};
            }

            @Override
            public Region domain(Region input) {
                return input.grown(reach);
            }

            @Override
            public Region needs(Region wanted) {
                return wanted.grown(reach);
            }

            @Override
            public Picture made(Picture input, Optional<Matte> where, Region region, Bands bands, Scratch scratch) {
                return new Gaussian(sigma).blur(input, region, bands, scratch);
            }
        };
    }
}
