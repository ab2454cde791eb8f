package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Polar;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** The mean along an arc about a point. The picture is read along spokes and back, linearly both times. */
final class BlurAlongArcs implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "blur-along-arcs",
                "Blur along arcs",
                "Smears round a point.",
                List.of(
                        Parameter.point("centre", "Centre", Point.ORIGIN),
                        Parameter.number("angle", "Angle", "°", 0, 360, 12)));
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
        Round round = Round.of(setting, values.point("centre"));
        double angle = Math.toRadians(values.number("angle"));
        double pixel = round.pixel();
        double arc = round.spacing(angle * round.ofBox());
        return new Worked.Around() {
            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.toRaster())
                        .and(round.ofBox())
                        .array();
            }

            @Override
            public Region domain(Region input) {
                return round.within(round.farthest(input));
            }

            @Override
            public Region needs(Region wanted) {
                return round.within(round.farthest(wanted));
            }

            @Override
            public Picture made(Given g) {
                Polar polar = round.polar(g.input(), round.farthest(g.region()) + 2 * pixel, pixel, arc, true, g);
                polar.alongArcs(angle, g.bands());
                return polar.on(g.region(), g.bands());
            }
        };
    }
}
