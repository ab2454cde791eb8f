package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Compose;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * A Gaussian whose deviation is a strength times another layer's brightness, pixel by pixel. Between Gaussians whose deviations are √2
 * apart the picture is mixed so that the variance is the one that is asked for, which is within 4/255 of the Gaussian on an edge.
 */
final class BlurByMap implements Effect {
    private static final int LEVELS = 9;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "blur-by-map",
                "Blur by map",
                "Softens by as much as another layer is bright.",
                List.of(
                        Parameter.reference("map", "Map", Parameter.Kind.LAYER),
                        Parameter.number("deviation", "Deviation", "px", 0, 400, 20)));
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
        double deviation = values.number("deviation");
        Transfer transfer = Transfer.of(setting.light());
        String layer = values.text("map");
        double[] numbers = Numbers.of(values)
                .and(map.a(), map.b(), map.c(), map.d(), setting.light().ordinal())
                .array();
        return new Reaching(Gaussian.reach(deviation, deviation, map), numbers) {
            @Override
            public List<Ask> asks() {
                return layer.isEmpty() ? List.of() : List.of(new Ask.Layer(layer));
            }

            @Override
            public Picture made(Given g) {
                Region r = g.region();
                Picture result = new Picture(r);
                Compose.copy(result, g.input());
                if (g.others().isEmpty() || deviation * setting.scale() < 0.05) {
                    return result;
                }
                Matte bright = new Matte(r);
                Compose.brightness(g.others().get(0), transfer, bright);
                float[] least = {1, 0};
                for (float v : bright.values()) {
                    least[0] = Math.min(least[0], v);
                    least[1] = Math.max(least[1], v);
                }
                for (int i = 0; i < LEVELS; i++) {
                    float upper = share(i);
                    float lower = i + 1 == LEVELS ? 0 : share(i + 1);
                    float above = i == 0 ? 1 : share(i - 1);
                    // A level is seen where the map lies between its neighbours.
                    if (least[1] > lower && least[0] <= above) {
                        double sigma = deviation * upper;
                        Picture soft = Gaussian.of(sigma, sigma, map)
                                .blur(g.input(), r, setting.border(), g.bands(), g.scratch());
                        float[] levels = {lower, upper, above};
                        g.bands().run(r.height(), 16, (from, to) -> {
                            for (int y = r.y() + from; y < r.y() + to; y++) {
                                blend(result, g.input(), soft, bright, levels, y);
                            }
                        });
                    }
                }
                return result;
            }
        };
    }

    private static float share(int level) {
        return (float) StrictMath.pow(2, -level / 2.0);
    }

    /** Adds to a row what a level has a part in: rising from the one below it, falling to the one above. */
    private static void blend(Picture result, Picture input, Picture soft, Matte bright, float[] levels, int y) {
        Region r = result.domain();
        float below = levels[0] * levels[0];
        float own = levels[1] * levels[1];
        float above = levels[2] * levels[2];
        Region inside = input.domain().intersect(new Region(r.x(), y, r.width(), 1));
        int at = result.index(r.x(), y);
        int k = soft.index(r.x(), y);
        int m = bright.index(r.x(), y);
        int sharp = inside.isEmpty() ? 0 : input.index(inside.x(), y) - inside.x();
        for (int i = 0; i < r.width(); i++) {
            float v = bright.values()[m + i] * bright.values()[m + i];
            float share = v <= below
                    ? 0
                    : v <= own ? (v - below) / (own - below) : above > own ? (above - v) / (above - own) : 1;
            if (share > 0) {
                int x = r.x() + i;
                boolean is = x >= inside.x() && x < inside.right();
                for (int c = 0; c < 4; c++) {
                    float from = is ? input.planes()[c][sharp + x] : 0;
                    result.planes()[c][at + i] += share * (soft.planes()[c][k + i] - from);
                }
            }
        }
    }
}
