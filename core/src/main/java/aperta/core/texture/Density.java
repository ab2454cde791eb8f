package aperta.core.texture;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;

/** A pattern of a density between 0 and 1, which goes from one colour to another; premultiplied colours are mixed. */
abstract class Density implements Pattern {
    static final Parameter THIN = Parameter.colour("thin", "Where thin", new Colour(1, 1, 1, 0));
    static final Parameter DENSE = Parameter.colour("dense", "Where dense", Colour.WHITE);

    private final Affine back;
    private final double[] numbers;
    private final float[] thin;
    private final float[] dense;

    /** @param values of a texture that has {@link #THIN} and {@link #DENSE} among its parameters */
    Density(Recipe values, Texture.Setting setting, double... more) {
        this.back = setting.toRaster().inverse().orElseThrow();
        this.thin = parts(values.colour("thin"), setting);
        this.dense = parts(values.colour("dense"), setting);
        this.numbers = Values.of(values, setting, more);
    }

    private static float[] parts(Colour c, Texture.Setting setting) {
        Colour lit = Transfer.of(setting.light()).toLight(c);
        float a = (float) lit.alpha();
        return new float[] {(float) lit.red() * a, (float) lit.green() * a, (float) lit.blue() * a, a};
    }

    /** At a place of the layer, in its own pixels. */
    abstract double at(double x, double y);

    @Override
    public final double[] numbers() {
        return numbers;
    }

    @Override
    public final void paint(Picture into) {
        Region d = into.domain();
        float[][] p = into.planes();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, at++) {
                double u = back.a() * (x + 0.5) + back.c() * (y + 0.5) + back.e();
                double v = back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f();
                float t = (float) Math.min(1, Math.max(0, at(u, v)));
                for (int c = 0; c < 4; c++) {
                    p[c][at] = thin[c] + (dense[c] - thin[c]) * t;
                }
            }
        }
    }

    /** Rises evenly from 0 to 1 and levels out at both. */
    static double smooth(double from, double to, double v) {
        double t = Math.min(1, Math.max(0, (v - from) / (to - from)));
        return t * t * (3 - 2 * t);
    }
}
