package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/** Turns about a point, most in its middle and less and less outwards: by angle · (1 − r / R)², and not at all beyond R. */
final class Twist implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "twist",
                "Twist",
                "Turns about a point, less and less outwards.",
                List.of(
                        Parameter.point("centre", "Centre", Point.ORIGIN),
                        Parameter.angle("angle", "Angle", 90),
                        Parameter.number("radius", "Radius", "px", 1, 20_000, 400)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BEND;
    }

    @Override
    public Station station() {
        return Station.BEFORE_MASKS;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Point c = values.point("centre");
        double angle = Math.toRadians(values.number("angle"));
        double radius = values.number("radius");
        return new Warp(setting, Numbers.of(values)) {
            @Override
            void from(double x, double y, double[] to) {
                double dx = x - c.x();
                double dy = y - c.y();
                double rest = Math.max(0, 1 - Math.sqrt(dx * dx + dy * dy) / radius);
                double turn = -angle * rest * rest;
                double cos = StrictMath.cos(turn);
                double sin = StrictMath.sin(turn);
                to[0] = c.x() + dx * cos - dy * sin;
                to[1] = c.y() + dx * sin + dy * cos;
            }

            @Override
            public Region domain(Region input) {
                // What lies in the circle may come to lie anywhere in it.
                return input.isEmpty() ? input : input.union(raster(about(c, radius)));
            }

            @Override
            public Region needs(Region wanted) {
                return domain(wanted);
            }
        };
    }
}
