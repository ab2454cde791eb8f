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
 * @param near limits it to where the edge of the layer's opening is
 * @param border what it finds beyond the picture's border; where nothing is said, the border is repeated for footage and for
 *     what fills the frame, and empty otherwise
 */
public record LayerEffect(
        String id,
        AnimatedRecipe recipe,
        Station station,
        boolean on,
        Animated<Double> amount,
        Optional<Where> where,
        Optional<Near> near,
        Optional<Border> border) {

    /** Where in the chain: the masks and the cut stand between. */
    public enum Station {
        BEFORE_MASKS,
        BEFORE_CUT,
        BEHIND_CUT
    }

    /** What lies beyond a picture's border. */
    public enum Border {
        EMPTY,
        REPEAT,
        REFLECT
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

    /**
     * Weighs an effect's amount by how near the edge of the layer's opening is: 1 at a lead from the edge, falling to 0 as far
     * ahead of it and behind it as is said. Where the layer has no such edge, the effect does nothing.
     *
     * @param lead how far behind the edge its middle lies, in the layer's pixels; under 0 ahead of it, where nothing is
     *     uncovered yet
     * @param ahead how far ahead of that it begins
     * @param behind how far behind it has ended
     */
    public record Near(double lead, double ahead, double behind) {
        public static final double MOST = 10_000;

        public Near {
            if (!(Math.abs(lead) <= MOST && ahead >= 0 && ahead <= MOST && behind >= 0 && behind <= MOST)) {
                throw new IllegalArgumentException(
                        "How far an effect reaches from an edge lies between 0 and " + (int) MOST + " pixels.");
            }
        }

        /** The weight at a distance behind the edge: a smooth hill, level at its foot and at its top. */
        public double weight(double distance) {
            double d = distance - lead;
            double reach = d < 0 ? ahead : behind;
            double t = reach == 0 ? 1 : Math.min(1, Math.abs(d) / reach);
            return d == 0 ? 1 : 1 - t * t * (3 - 2 * t);
        }
    }

    /** One that works everywhere, wholly. */
    public static LayerEffect of(String id, AnimatedRecipe recipe, Station station) {
        return new LayerEffect(
                id, recipe, station, true, Animated.of(1.0), Optional.empty(), Optional.empty(), Optional.empty());
    }

    public LayerEffect withRecipe(AnimatedRecipe other) {
        return new LayerEffect(id, other, station, on, amount, where, near, border);
    }

    public LayerEffect withAmount(Animated<Double> other) {
        return new LayerEffect(id, recipe, station, on, other, where, near, border);
    }

    public LayerEffect withWhere(Optional<Where> other) {
        return new LayerEffect(id, recipe, station, on, amount, other, near, border);
    }

    public LayerEffect withNear(Optional<Near> other) {
        return new LayerEffect(id, recipe, station, on, amount, where, other, border);
    }

    public LayerEffect withBorder(Optional<Border> other) {
        return new LayerEffect(id, recipe, station, on, amount, where, near, other);
    }

    public LayerEffect withOn(boolean other) {
        return new LayerEffect(id, recipe, station, other, amount, where, near, border);
    }
}
