package aperta.core.opening;

import aperta.core.effect.Effects;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Station;
import java.util.Map;

/** Effects that openings bring. */
final class OwnEffect {
    private OwnEffect() {}

    /** One that stands behind those before the masks. */
    static LayerEffect of(String kind, Map<String, ?> values) {
        Recipe recipe = Recipe.of(Effects.of(kind).descriptor(), values);
        return LayerEffect.of("opening." + kind, AnimatedRecipe.of(recipe), Station.BEFORE_MASKS);
    }
}
