package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;

/** Grows, or shrinks, about its anchor. */
public final class Swell implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "swell",
                "Swell",
                "Grows to its size about its anchor, or shrinks to it.",
                List.of(Parameter.number("from", "From", "%", 0, 100, 0)));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        return Opened.of(Pose.scaled(recipe.number("from")).towardsRest(way.share()));
    }
}
