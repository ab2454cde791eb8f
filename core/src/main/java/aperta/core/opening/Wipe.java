package aperta.core.opening;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Front;
import aperta.core.shot.Mask;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;
import java.util.Optional;

/**
 * A straight edge travels over the layer and uncovers it; when it leaves, an edge travels the same way and covers it. It
 * starts and ends so far outside that a soft edge has no part in it.
 */
public final class Wipe implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "wipe",
                "Wipe",
                "An edge travels over it and uncovers it.",
                List.of(
                        Parameter.number("angle", "Towards", "°", -3600, 3600, 0),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0)));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        Point along = Edges.towards(recipe.number("angle"));
        Point from = way.arriving() ? along : along.times(-1);
        Mask mask = Edges.wiped(subject.box(), from, recipe.number("feather"), way.share());
        return new Opened(Pose.REST, List.of(mask), List.of(), Optional.empty())
                .withFront(Front.of(Edges.line(subject.box(), from, recipe.number("feather"), way.share())));
    }
}
