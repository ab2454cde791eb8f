package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;

/** From nothing to its own opacity. */
public final class Fade implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor("fade", "Fade", "Comes up from nothing, in its place.", List.of());
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        return Opened.of(Pose.faded(way.share()));
    }
}
