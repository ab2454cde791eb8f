package aperta.core.shot;

import aperta.core.time.Animated;
import java.util.Optional;

/**
 * An effect of a layer: one link of its chain.
 *
 * @param recipe which effect, with its numbers
 * @param station where in the chain it stands; at the same station the first of the list works first
 * @param on whether it does anything
 * @param amount 0 for the picture untouched, 1 for the whole effect
 * @param where the part of the picture that it works on; everywhere where nothing is said
 */
public record LayerEffect(
        String id, AnimatedRecipe recipe, Station station, boolean on, Animated<Double> amount, Optional<Where> where) {

    /** Where in the chain: the masks and the cut stand between. */
    public enum Station {
        BEFORE_MASKS,
        BEFORE_CUT,
        BEHIND_CUT
    }

    /**
     * What weighs an effect's amount, pixel by pixel.
     *
     * @param by the id of a layer, taken before its own cut
     */
    public record Where(String by, Cut.With with, Cut.Keep keep) {
        public Where withBy(String other) {
            return new Where(other, with, keep);
        }
    }

    public LayerEffect withRecipe(AnimatedRecipe other) {
        return new LayerEffect(id, other, station, on, amount, where);
    }

    public LayerEffect withAmount(Animated<Double> other) {
        return new LayerEffect(id, recipe, station, on, other, where);
    }

    public LayerEffect withWhere(Optional<Where> other) {
        return new LayerEffect(id, recipe, station, on, amount, other);
    }
}
