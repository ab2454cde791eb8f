package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.Compose;
import aperta.core.picture.Dilation;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BlendMode;
import java.util.List;
import java.util.Set;

/**
 * The alpha, moved outwards, softened, shifted and coloured, below the picture: {@code feDropShadow} (W3C Filter Effects Module Level
 * 1) with a spread; or the same of what is not there, within it.
 */
final class Shadow implements Effect {
    private final boolean inner;

    Shadow(boolean inner) {
        this.inner = inner;
    }

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                inner ? "inner-shadow" : "drop-shadow",
                inner ? "Inner shadow" : "Drop shadow",
                inner ? "A shadow of the edge within it." : "A shadow below it.",
                List.of(
                        Parameter.angle("towards", "Towards", 60),
                        Parameter.number("distance", "Distance", "px", 0, 4000, inner ? 6 : 14),
                        Parameter.number("spread", "Spread", "px", -200, 200, 0),
                        Parameter.number("softness", "Softness", "px", 0, 1000, inner ? 6 : 10),
                        Parameter.colour("colour", "Colour", new Colour(0, 0, 0, 0.6)),
                        Parameter.truth("source", "With what casts it", true)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.LIGHT;
    }

    @Override
    public Set<String> directions() {
        return Set.of("towards");
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        double angle = Math.toRadians(values.number("towards"));
        double distance = values.number("distance");
        Point shift = map.applyVector(new Point(StrictMath.cos(angle) * distance, StrictMath.sin(angle) * distance));
        double spread = values.number("spread") * setting.scale();
        double sigma = values.number("softness");
        int soft = Gaussian.reach(sigma, sigma, map);
        int spreads = Dilation.reach(spread);
        int reach = (int) Math.ceil(Math.max(Math.abs(shift.x()), Math.abs(shift.y()))) + 1 + soft + spreads;
        Colour lit = Transfer.of(setting.light()).toLight(values.colour("colour"));
        boolean source = values.truth("source");
        double[] numbers = Numbers.of(values)
                .and(map.a(), map.b(), map.c(), map.d(), setting.light().ordinal())
                .array();
        return new Reaching(reach, numbers) {
            @Override
            public Region domain(Region input) {
                return inner ? input : super.domain(input);
            }

            @Override
            public Picture made(Given g) {
                int dx = (int) Math.floor(-shift.x());
                int dy = (int) Math.floor(-shift.y());
                Region r = g.region();
                Region from = new Region(r.x() + dx, r.y() + dy, r.width() + 1, r.height() + 1);
                Matte alpha = Alpha.on(from.grown(soft + spreads), g.input());
                Matte grown =
                        spread == 0 ? alpha : Dilation.by(inner ? -spread : spread, alpha, from.grown(soft), g.bands());
                Matte shadow = Gaussian.of(sigma, sigma, map).blur(grown, from, g.bands(), g.scratch());
                Matte cast = shifted(shadow, r, dx, dy, (float) (-shift.x() - dx), (float) (-shift.y() - dy));
                return inner ? within(g.input(), cast, lit, source) : below(g.input(), cast, lit, source);
            }
        };
    }

    /** Reads a matte so many pixels and a part of one away. */
    private static Matte shifted(Matte m, Region r, int dx, int dy, float fx, float fy) {
        Matte result = new Matte(r);
        float[] v = m.values();
        for (int y = r.y(); y < r.bottom(); y++) {
            int a = m.index(r.x() + dx, y + dy);
            int b = m.index(r.x() + dx, y + dy + 1);
            int at = result.index(r.x(), y);
            for (int i = 0; i < r.width(); i++) {
                float upper = v[a + i] + (v[a + i + 1] - v[a + i]) * fx;
                float lower = v[b + i] + (v[b + i + 1] - v[b + i]) * fx;
                result.values()[at + i] = upper + (lower - upper) * fy;
            }
        }
        return result;
    }

    private static Picture below(Picture input, Matte cast, Colour colour, boolean source) {
        Picture result = Painting.with(cast, colour);
        if (source) {
            Compose.over(result, input, BlendMode.NORMAL);
        }
        return result;
    }

    /** What is dark, inside the alpha. */
    private static Picture within(Picture input, Matte cast, Colour colour, boolean source) {
        MatteMath.invert(cast);
        Region r = cast.domain();
        Picture result = new Picture(r);
        Compose.copy(result, input);
        float[] c = {(float) colour.red(), (float) colour.green(), (float) colour.blue()};
        float[][] p = result.planes();
        for (int y = r.y(); y < r.bottom(); y++) {
            int at = result.index(r.x(), y);
            int from = cast.index(r.x(), y);
            for (int i = 0; i < r.width(); i++) {
                float share = cast.values()[from + i] * (float) colour.alpha();
                float alpha = p[3][at + i];
                for (int k = 0; k < 3; k++) {
                    float kept = source ? p[k][at + i] * (1 - share) : 0;
                    p[k][at + i] = kept + alpha * share * c[k];
                }
                p[3][at + i] = source ? alpha : alpha * share;
            }
        }
        return result;
    }
}
