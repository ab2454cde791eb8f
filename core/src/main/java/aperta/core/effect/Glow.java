package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** The bright part, tinted, seen through three Gaussians of falling weights and rising deviations, laid on as light. */
final class Glow implements Effect {
    /** Deviations as shares of the radius, and their weights. */
    private static final double[] DEVIATIONS = {0.1, 0.25, 0.6};

    private static final float[] WEIGHTS = {0.5f, 0.3f, 0.2f};

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "glow",
                "Glow",
                "Light around what is bright.",
                Bright.parameters(List.of(Parameter.number("radius", "Radius", "px", 0, 2000, 60))));
    }

    @Override
    public Purpose purpose() {
        return Purpose.LIGHT;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    @Override
    public boolean isLight() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        double radius = values.number("radius");
        Bright bright = new Bright(values, setting.light());
        double widest = radius * DEVIATIONS[DEVIATIONS.length - 1];
        double[] numbers = Numbers.of(values)
                .and(map.a(), map.b(), map.c(), map.d(), setting.light().ordinal())
                .array();
        return new Reaching(Gaussian.reach(widest, widest, map), numbers) {
            @Override
            public Picture made(Given g) {
                Picture source = bright.of(g.input(), g.bands());
                float[][] sums = new float[3][];
                for (int i = 0; i < WEIGHTS.length; i++) {
                    double sigma = radius * DEVIATIONS[i];
                    Gaussian gaussian = Gaussian.of(sigma, sigma, map);
                    for (int c = 0; c < 3; c++) {
                        Matte soft =
                                gaussian.blur(source.plane(c), g.region(), setting.border(), g.bands(), g.scratch());
                        sums[c] = added(sums[c], soft.values(), WEIGHTS[i], g);
                    }
                }
                return bright.laid(g.input(), Picture.of(g.region(), sums), g.region(), g.bands());
            }
        };
    }

    private static float[] added(float[] sum, float[] more, float weight, Worked.Given g) {
        float[] into = sum == null ? more : sum;
        int width = g.region().width();
        g.bands().run(g.region().height(), 32, (from, to) -> {
            for (int i = from * width; i < to * width; i++) {
                into[i] = sum == null ? more[i] * weight : into[i] + more[i] * weight;
            }
        });
        return into;
    }
}
