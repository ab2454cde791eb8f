package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Polar;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** The bright part, tinted, smeared away from a point and weaker the farther it is from where it came, laid on as light. */
final class Rays implements Effect {
    /** Rays are soft: places this many raster pixels apart are enough. */
    private static final double APART = 1.5;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "rays",
                "Rays",
                "Light that streams away from a point.",
                Bright.parameters(List.of(
                        Parameter.point("from", "From", Point.ORIGIN),
                        Parameter.number("length", "Length", "%", 0, 0.99, 0.5))));
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
        Round round = Round.of(setting, values.point("from"));
        double length = values.number("length");
        double step = APART * round.pixel();
        Bright bright = new Bright(values, setting.light());
        return new Worked.Around() {
            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.toRaster())
                        .and(round.ofBox(), setting.light().ordinal())
                        .array();
            }

            @Override
            public Region domain(Region input) {
                return round.within(round.farthest(input) / (1 - length));
            }

            @Override
            public Region needs(Region wanted) {
                return round.within(round.farthest(wanted) + 2 * step);
            }

            @Override
            public Picture made(Given g) {
                Picture source = bright.of(g.input(), g.bands());
                Polar polar = round.polar(source, round.farthest(g.region()) + 2 * step, step, step, false, g);
                polar.alongSpokes(1 - length, 1, true, g.bands());
                return bright.laid(g.input(), polar.on(g.region(), g.bands()), g.region(), g.bands());
            }
        };
    }
}
