package aperta.core.effect;

import aperta.core.geometry.Box;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;

/** Waves that run in a direction and move what they pass across it: a · w((s / λ) − phase), s the way in that direction. */
final class Wave implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "wave",
                "Wave",
                "Bends by waves that run across.",
                List.of(
                        Parameter.choice("shape", "Shape", "sine", "triangle", "rounded"),
                        Parameter.number("height", "Height", "px", -2000, 2000, 16),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 10_000, 180),
                        Parameter.angle("angle", "Runs towards", 0),
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

    private static final Map<String, DoubleUnaryOperator> SHAPES =
            Map.of("sine", t -> StrictMath.sin(2 * Math.PI * t), "triangle", Wave::triangle, "rounded", Wave::rounded);

    @Override
    public Set<String> directions() {
        return Set.of("angle");
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        var shape = SHAPES.get(values.text("shape"));
        double height = values.number("height");
        double wavelength = values.number("wavelength");
        double angle = Math.toRadians(values.number("angle"));
        double dx = StrictMath.cos(angle);
        double dy = StrictMath.sin(angle);
        double phase = values.number("phase");
        return new Warp(setting, Numbers.of(values)) {
            @Override
            void from(double x, double y, double[] to) {
                double way = height * shape.applyAsDouble((x * dx + y * dy) / wavelength - phase);
                to[0] = x - way * dy;
                to[1] = y + way * dx;
            }

            @Override
            public Region domain(Region input) {
                return reached(input);
            }

            @Override
            public Region needs(Region wanted) {
                return reached(wanted);
            }

            private Region reached(Region region) {
                Box box = own(region);
                return region.isEmpty() ? region : raster(box.grown(Math.abs(height)));
            }
        };
    }

    /** Straight lines from 0 up to 1, down to −1 and back. */
    private static double triangle(double t) {
        double s = t - Math.floor(t);
        return s < 0.25 ? 4 * s : s < 0.75 ? 2 - 4 * s : 4 * s - 4;
    }

    /** Half circles: up, then down. */
    private static double rounded(double t) {
        double s = t - Math.floor(t);
        double u = s < 0.5 ? 4 * s - 1 : 4 * s - 3;
        double high = Math.sqrt(Math.max(0, 1 - u * u));
        return s < 0.5 ? high : -high;
    }
}
