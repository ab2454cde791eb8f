package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/**
 * Rings that run outwards from a point and move what they pass away from it and back: a · sin 2π(r / λ − phase) · (1 − r / R)², and
 * nothing beyond R.
 */
final class Ripple implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "ripple",
                "Ripple",
                "Bends by rings that run outwards from a point.",
                List.of(
                        Parameter.point("centre", "Centre", Point.ORIGIN),
                        Parameter.number("height", "Height", "px", -2000, 2000, 12),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 10_000, 90),
                        Parameter.number("radius", "Reaches", "px", 1, 20_000, 600),
                        Parameter.number("phase", "Phase", "", -10_000, 10_000, 0)));
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
        double height = values.number("height");
        double wavelength = values.number("wavelength");
        double radius = values.number("radius");
        double phase = values.number("phase");
        return new Warp(setting, Numbers.of(values)) {
            @Override
            void from(double x, double y, double[] to) {
                double dx = x - c.x();
                double dy = y - c.y();
                double r = Math.sqrt(dx * dx + dy * dy);
                double rest = 1 - r / radius;
                double way = rest <= 0 || r < 1e-9
                        ? 0
                        : height * StrictMath.sin(2 * Math.PI * (r / wavelength - phase)) * rest * rest / r;
                to[0] = x - dx * way;
                to[1] = y - dy * way;
            }

            @Override
            public Region domain(Region input) {
                return input.isEmpty() ? input : raster(own(input).grown(Math.abs(height)));
            }

            @Override
            public Region needs(Region wanted) {
                return domain(wanted);
            }
        };
    }
}
