package aperta.core.proof;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import java.util.List;

/** One thing that can be wrong with a shot. */
public interface Check {
    Descriptor descriptor();

    /** Begins to watch a shot. */
    Watch watch(Recipe recipe);

    /** Sees the frames of a shot in their order. */
    interface Watch {
        void see(Look look);

        /** After the last frame. */
        List<Finding> findings();
    }
}
