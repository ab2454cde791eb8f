package aperta.core.effect;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;
import java.util.Set;

/** What lies on one side of a line through a point stays, and is reflected on the other. */
final class Mirror implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "mirror",
                "Mirror",
                "Reflects one side of a line on the other.",
                List.of(Parameter.point("at", "Line through", Point.ORIGIN), Parameter.angle("angle", "Angle", 0)));
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
    public Set<String> directions() {
        return Set.of("angle");
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Point c = values.point("at");
        double angle = Math.toRadians(values.number("angle"));
        double nx = -StrictMath.sin(angle);
        double ny = StrictMath.cos(angle);
        return new Warp(setting, Numbers.of(values)) {
            @Override
            void from(double x, double y, double[] to) {
                double beyond = Math.max(0, (x - c.x()) * nx + (y - c.y()) * ny);
                to[0] = x - 2 * beyond * nx;
                to[1] = y - 2 * beyond * ny;
            }

            @Override
            public Region domain(Region input) {
                return input.isEmpty() ? input : input.union(reflected(input));
            }

            @Override
            public Region needs(Region wanted) {
                return domain(wanted);
            }

            private Region reflected(Region region) {
                Box all = Box.EMPTY;
                for (Point p : own(region).corners()) {
                    double off = (p.x() - c.x()) * nx + (p.y() - c.y()) * ny;
                    Point q = new Point(p.x() - 2 * off * nx, p.y() - 2 * off * ny);
                    all = all.union(new Box(q.x(), q.y(), q.x() + 1e-9, q.y() + 1e-9));
                }
                return raster(all);
            }
        };
    }
}
