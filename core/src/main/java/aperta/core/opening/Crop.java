package aperta.core.opening;

import aperta.core.geometry.Box;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Opener;
import java.util.List;
import java.util.stream.Stream;

/** A rectangle within the layer's sides; its soft edge lies inside it, so that it ends nowhere hard. */
final class Crop implements Window {
    private static final double FARTHEST = 1e5;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "crop",
                "Crop",
                "Cuts away at its four sides.",
                List.of(
                        side("left", "Left"),
                        side("right", "Right"),
                        side("top", "Top"),
                        side("bottom", "Bottom"),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0)));
    }

    private static Parameter side(String name, String label) {
        return Parameter.number(name, label, "px", 0, FARTHEST, 0);
    }

    @Override
    public Opener.Window at(Recipe recipe, Opener.Subject subject) {
        double feather = recipe.number("feather");
        boolean none =
                feather == 0 && Stream.of("left", "right", "top", "bottom").allMatch(s -> recipe.number(s) == 0);
        if (none) {
            return Opener.Window.OPEN;
        }
        double spare = Edges.REACH * feather;
        Box box = subject.box();
        double x0 = box.x0() + recipe.number("left") + spare;
        double y0 = box.y0() + recipe.number("top") + spare;
        Box left = new Box(
                x0,
                y0,
                Math.max(x0, box.x1() - recipe.number("right") - spare),
                Math.max(y0, box.y1() - recipe.number("bottom") - spare));
        return Opener.Window.of(Edges.mask(BezierPath.rectangle(left), feather));
    }
}
