package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.LineMean;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Set;

/** The mean along a straight line of a length, with the pixel in its middle. */
final class Streak implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "streak",
                "Streak",
                "Smears evenly along a line.",
                List.of(Parameter.number("length", "Length", "px", 0, 4000, 60), Parameter.angle("angle", "Angle", 0)));
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
    public Set<String> directions() {
        return Set.of("angle");
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        double angle = Math.toRadians(values.number("angle"));
        double length = values.number("length");
        Point line = map.applyVector(new Point(StrictMath.cos(angle) * length, StrictMath.sin(angle) * length));
        int reach = (int) Math.ceil(line.length() / 2) + 2;
        return new Reaching(reach, Numbers.of(values).and(line.x(), line.y()).array()) {
            @Override
            public Picture made(Given g) {
                return new LineMean(line).of(g.input(), g.region(), setting.border(), g.bands());
            }
        };
    }
}
