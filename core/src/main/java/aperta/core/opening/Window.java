package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Mask;
import aperta.core.shot.Opener;
import java.util.List;

/** A part of a layer that is seen, given by numbers that can be keyed; it works on any kind of layer. */
public interface Window {
    Descriptor descriptor();

    /**
     * The masks of which one must hold what is seen, in the layer's own space; none where all of it is seen.
     *
     * @param recipe with the values of one moment
     */
    List<Mask> at(Recipe recipe, Opener.Subject subject);
}
