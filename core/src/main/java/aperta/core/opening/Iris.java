package aperta.core.opening;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Front;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;
import java.util.Optional;

/** A circle grows from a point until it holds all of the layer. */
public final class Iris implements Opening {
    /** The circle of four curves is up to 0.03 % of its radius off. */
    private static final double ROUND = 1.0005;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "iris",
                "Iris",
                "A circle grows from a point until it holds all of it.",
                List.of(
                        Parameter.number("x", "From the left", "%", -10, 10, 0.5),
                        Parameter.number("y", "From the top", "%", -10, 10, 0.5),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0)));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        Box box = subject.box();
        Point centre =
                new Point(box.x0() + box.width() * recipe.number("x"), box.y0() + box.height() * recipe.number("y"));
        double feather = recipe.number("feather");
        double spare = Edges.REACH * feather;
        double radius = way.share() * (Edges.farthest(box, centre) * ROUND + 2 * spare) - spare;
        return new Opened(
                        radius <= 0 ? Pose.faded(0) : Pose.REST,
                        List.of(Edges.circle(centre, radius, feather)),
                        List.of(),
                        Optional.empty())
                .withFront(Front.of(new Front.Circle(centre, radius)));
    }
}
