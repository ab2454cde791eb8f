package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import java.util.Optional;

/** A kind of arrival or departure. It works on any kind of layer. */
public interface Opening {
    Descriptor descriptor();

    /**
     * What becomes of a layer on its way.
     *
     * @param way where between its pose and rest it is; never called where it rests
     */
    Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject);

    /** The window that shows the same, where its {@link Window#AMOUNT} is the share of the way; nothing where there is none. */
    default Optional<Recipe> window(Recipe recipe) {
        return Optional.empty();
    }
}
