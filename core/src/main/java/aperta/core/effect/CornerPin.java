package aperta.core.effect;

import aperta.core.geometry.Box;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;
import java.util.Optional;

/**
 * The layer's box with its corners elsewhere, in perspective: the homography that four pairs of points give (P. Heckbert,
 * <i>Fundamentals of Texture Mapping and Image Warping</i>, 1989). Beyond its horizon there is nothing.
 */
final class CornerPin implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "corner-pin",
                "Corner pin",
                "Moves the four corners, in perspective.",
                List.of(
                        Parameter.point("topLeft", "Top left by", Point.ORIGIN),
                        Parameter.point("topRight", "Top right by", Point.ORIGIN),
                        Parameter.point("bottomRight", "Bottom right by", Point.ORIGIN),
                        Parameter.point("bottomLeft", "Bottom left by", Point.ORIGIN)));
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
    public Optional<Point> base(String parameter, Box box) {
        boolean left = parameter.endsWith("Left");
        boolean top = parameter.startsWith("top");
        return Optional.of(new Point(left ? box.x0() : box.x1(), top ? box.y0() : box.y1()));
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Box box = setting.box().isEmpty() ? Box.centred(1, 1) : setting.box();
        Point[] to = {
            new Point(box.x0(), box.y0()).plus(values.point("topLeft")),
            new Point(box.x1(), box.y0()).plus(values.point("topRight")),
            new Point(box.x1(), box.y1()).plus(values.point("bottomRight")),
            new Point(box.x0(), box.y1()).plus(values.point("bottomLeft"))
        };
        Homography forth = Homography.ofSquare(to).after(box);
        Homography inverse = forth.inverse();
        return new Warp(setting, Numbers.of(values).and(box.x0(), box.y0(), box.x1(), box.y1())) {
            @Override
            void from(double x, double y, double[] place) {
                inverse.apply(x, y, place);
                // What lies behind the horizon is not in front of the picture.
                if (!forth.isBefore(place[0], place[1])) {
                    place[0] = Double.NaN;
                }
            }

            @Override
            public Region domain(Region input) {
                return mapped(forth, input);
            }

            @Override
            public Region needs(Region wanted) {
                return mapped(inverse, wanted);
            }

            private Region mapped(Homography map, Region region) {
                if (region.isEmpty()) {
                    return region;
                }
                Box all = Box.EMPTY;
                double[] place = new double[2];
                for (Point p : own(region).corners()) {
                    if (!map.isBefore(p.x(), p.y())) {
                        return Region.EVERYWHERE;
                    }
                    map.apply(p.x(), p.y(), place);
                    all = all.union(new Box(place[0], place[1], place[0] + 1e-9, place[1] + 1e-9));
                }
                return raster(all).union(region);
            }
        };
    }
}
