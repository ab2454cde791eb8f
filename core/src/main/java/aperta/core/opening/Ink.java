package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import java.util.Optional;

/** A pen writes it, stroke by stroke; leaving, it is unwritten from its end. */
final class Ink implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor("ink", "Ink", "A pen writes it, stroke by stroke.", Pen.PARAMETERS);
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        return Opened.written(Pen.at(recipe, way.share()));
    }

    @Override
    public Optional<Recipe> window(Recipe recipe) {
        return Optional.of(Recipe.of(Windows.of("ink").descriptor(), recipe.values()));
    }
}
