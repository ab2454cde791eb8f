package aperta.core.effect;

import aperta.core.picture.Bands;
import aperta.core.picture.Compose;
import aperta.core.picture.Dilation;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** The alpha moved outwards or inwards by true distance; new pixels take the colour of those around them. */
final class Grow implements Effect {
    /** Less alpha than this in a neighbourhood says nothing of its colour. */
    private static final float FAINT = 1e-5f;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "grow",
                "Grow",
                "Moves the edge outwards, or inwards.",
                List.of(Parameter.number("by", "By", "px", -400, 400, 4)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.EDGE;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        double by = values.number("by") * setting.scale();
        double sigma = Math.abs(by) / 2;
        int soft = by > 0 ? Gaussian.reach(sigma) : 0;
        return new Reaching(Math.max(Dilation.reach(by), soft), new double[] {by}) {
            @Override
            public Region domain(Region input) {
                return by > 0 ? super.domain(input) : input;
            }

            @Override
            public Picture made(Given g) {
                Region r = g.region();
                Matte alpha = Dilation.by(by, Alpha.on(r.grown(Dilation.reach(by)), g.input()), r, g.bands());
                Picture result = new Picture(r);
                if (by > 0) {
                    Picture around = new Gaussian(sigma).blur(g.input(), r, g.bands(), g.scratch());
                    coloured(result, g.input(), around, alpha, g.bands());
                } else {
                    Compose.copy(result, g.input());
                    shrunk(result, alpha);
                }
                return result;
            }
        };
    }

    /** The picture itself, and below it what is around it in the colour that is there. */
    private static void coloured(Picture result, Picture input, Picture around, Matte alpha, Bands bands) {
        Region r = result.domain();
        Compose.copy(result, input);
        float[][] to = result.planes();
        float[][] from = around.planes();
        bands.run(r.height(), 16, (first, last) -> {
            for (int y = r.y() + first; y < r.y() + last; y++) {
                int at = result.index(r.x(), y);
                int k = around.index(r.x(), y);
                for (int i = at; i < at + r.width(); i++, k++) {
                    float more = alpha.values()[i] - to[3][i];
                    if (more > 0 && from[3][k] > FAINT) {
                        for (int c = 0; c < 3; c++) {
                            to[c][i] += more * from[c][k] / from[3][k];
                        }
                        to[3][i] += more;
                    }
                }
            }
        });
    }

    private static void shrunk(Picture result, Matte alpha) {
        Region r = result.domain();
        float[][] p = result.planes();
        for (int i = 0; i < r.area(); i++) {
            float had = p[3][i];
            float share = had > 0 ? Math.min(1, alpha.values()[i] / had) : 0;
            for (float[] plane : p) {
                plane[i] *= share;
            }
        }
    }
}
