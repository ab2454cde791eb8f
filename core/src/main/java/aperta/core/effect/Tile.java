package aperta.core.effect;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/** Repeats the layer's box over the plane, or reflects every second one. */
final class Tile implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "tile",
                "Tile",
                "Repeats the picture side by side.",
                List.of(
                        Parameter.number("across", "Gap across", "px", -4000, 4000, 0),
                        Parameter.number("down", "Gap down", "px", -4000, 4000, 0),
                        Parameter.point(Parameter.DRIFT, "Drift", Point.ORIGIN),
                        Parameter.truth("reflect", "Every second reflected", false)));
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
    public Worked on(Recipe values, Setting setting) {
        Box box = setting.box().isEmpty() ? Box.centred(1, 1) : setting.box();
        double width = Math.max(1, box.width() + values.number("across"));
        double height = Math.max(1, box.height() + values.number("down"));
        Point drift = values.point("drift");
        boolean reflect = values.truth("reflect");
        double left = box.centre().x() - width / 2;
        double top = box.centre().y() - height / 2;
        return new Warp(setting, Numbers.of(values).and(left, top, width, height)) {
            @Override
            void from(double x, double y, double[] to) {
                to[0] = left + within(x - drift.x() - left, width);
                to[1] = top + within(y - drift.y() - top, height);
            }

            private double within(double at, double size) {
                double tile = Math.floor(at / size);
                double rest = at - tile * size;
                return reflect && tile % 2 != 0 ? size - rest : rest;
            }

            @Override
            public Region domain(Region input) {
                return input.isEmpty() ? input : Region.EVERYWHERE;
            }

            @Override
            public Region needs(Region wanted) {
                return wanted.isEmpty()
                        ? wanted
                        : raster(new Box(left, top, left + width, top + height)).union(wanted);
            }
        };
    }
}
