package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opener;

/** A part of a layer that is seen, given by numbers that can be keyed; it works on any kind of layer. */
public interface Window {
    /** How much of a layer a window shows, from 0 to 1, where that is one number. */
    String AMOUNT = "amount";

    Descriptor descriptor();

    /**
     * What is seen through it.
     *
     * @param recipe with the values of one moment
     */
    Opener.Window at(Recipe recipe, Opener.Subject subject);
}
