package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.picture.Compose;
import aperta.core.picture.Dilation;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BlendMode;
import java.util.List;

/** A rim of a width along the edge of the alpha of anything: outside, inside, or half of it on either side; its joins are round. */
final class Outline implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "outline",
                "Outline",
                "A rim along its edge.",
                List.of(
                        Parameter.number("width", "Width", "px", 0, 400, 4),
                        Parameter.choice("where", "Lies", "outside", "inside", "on the edge"),
                        Parameter.number("softness", "Softness", "px", 0, 200, 0),
                        Parameter.colour("colour", "Colour", Colour.parse("#f2b33d")),
                        Parameter.truth("source", "With what it goes round", true)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.EDGE;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        double width = values.number("width") * setting.scale();
        String where = values.text("where");
        double out = where.equals("outside") ? width : where.equals("inside") ? 0 : width / 2;
        double in = width - out;
        double sigma = values.number("softness") * setting.scale();
        int soft = Gaussian.reach(sigma);
        Colour colour = Transfer.of(setting.light()).toLight(values.colour("colour"));
        boolean source = values.truth("source");
        int reach = Math.max(Dilation.reach(out), Dilation.reach(in)) + soft;
        return new Reaching(
                reach,
                Numbers.of(values)
                        .and(setting.scale(), setting.light().ordinal())
                        .array()) {
            @Override
            public Picture made(Given g) {
                Region r = g.region();
                Region wide = r.grown(soft);
                Matte alpha = Alpha.on(r.grown(reach), g.input());
                Matte outer = Dilation.by(out, alpha, wide, g.bands());
                Matte inner = Dilation.by(-in, alpha, wide, g.bands());
                Matte rim = new Matte(wide);
                for (int i = 0; i < rim.values().length; i++) {
                    rim.values()[i] = Math.max(0, outer.values()[i] - inner.values()[i]);
                }
                Picture picture = new Picture(r);
                if (source) {
                    Compose.copy(picture, g.input());
                }
                if (soft > 0) {
                    Matte softened = new Gaussian(sigma).blur(rim, r, g.bands(), g.scratch());
                    Compose.over(picture, Painting.with(softened, colour), BlendMode.NORMAL);
                } else {
                    // The rim and what it leaves share the pixels of its edges, so that none shines through.
                    keep(picture, inner);
                    Compose.over(picture, Painting.with(rim, colour), BlendMode.PLUS_LIGHTER);
                }
                return picture;
            }
        };
    }

    /** Only as much alpha as a matte has. */
    private static void keep(Picture picture, Matte most) {
        Region r = picture.domain();
        float[][] p = picture.planes();
        for (int y = r.y(); y < r.bottom(); y++) {
            int at = picture.index(r.x(), y);
            int from = most.index(r.x(), y);
            for (int i = 0; i < r.width(); i++) {
                float had = p[3][at + i];
                float share = had > 0 ? Math.min(1, most.values()[from + i] / had) : 0;
                for (float[] plane : p) {
                    plane[at + i] *= share;
                }
            }
        }
    }
}
