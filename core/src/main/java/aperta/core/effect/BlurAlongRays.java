package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Polar;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * The mean along the ray from a point: over a share of the distance from it, with the pixel in its middle. The picture is read
 * along spokes and back, linearly both times.
 */
final class BlurAlongRays implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "blur-along-rays",
                "Blur along rays",
                "Smears towards a point and away from it.",
                List.of(
                        Parameter.point("centre", "Centre", Point.ORIGIN),
                        Parameter.number("share", "Share of the distance", "%", 0, 2, 0.15)));
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
        double share = values.number("share");
        double pixel = round.pixel();
        double step = round.spacing(share * round.ofBox());
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
                // What lies at a distance is smeared outwards as far as where it is still within the share.
                return share >= 2 ? Region.EVERYWHERE : round.within(round.farthest(input) / (1 - share / 2));
            }

            @Override
            public Region needs(Region wanted) {
                return round.within(round.farthest(wanted) * (1 + share / 2) + 2 * step);
            }

            @Override
            public Picture made(Given g) {
                double radius = round.farthest(g.region()) * (1 + share / 2) + 2 * step;
                Polar polar = round.polar(g.input(), radius, step, pixel, false, g);
                polar.alongSpokes(1 - share / 2, 1 + share / 2, false, g.bands());
                return polar.on(g.region(), g.bands());
            }
        };
    }
}
