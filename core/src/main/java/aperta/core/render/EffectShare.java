package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How much of an effect there is of a picture.
 *
 * @param where what weighs the amount, pixel by pixel
 */
record EffectShare(double amount, Optional<Step.Shades> where) {
    boolean isWhole() {
        return amount == 1 && where.isEmpty();
    }

    /** A key to which more may be added. */
    ContentKey.Builder key(Step input, String kind, Worked effect) {
        ContentKey.Builder key = ContentKey.of("effect")
                .text(kind)
                .step(input)
                .numbers(effect.numbers())
                .number(amount);
        where.ifPresent(key::step);
        return key;
    }

    List<Step> inputs(Step input) {
        List<Step> all = new ArrayList<>(List.of(input));
        where.ifPresent(all::add);
        return all;
    }

    /** Goes from a picture as far towards what the effect makes of it. */
    void mix(Picture into, Picture made, Tile tile) {
        if (where.isEmpty()) {
            Compose.towards(into, made, (float) amount, Optional.empty());
            return;
        }
        Matte weights = tile.scratch().matte(into.domain());
        where.get().shade(weights, tile);
        Compose.towards(into, made, (float) amount, Optional.of(weights));
        tile.scratch().give(weights);
    }
}
