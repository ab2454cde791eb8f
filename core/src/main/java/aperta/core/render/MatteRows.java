package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import java.util.Optional;

/** Hands out parts of mattes that were made before. */
final class MatteRows {
    private MatteRows() {}

    static void copy(Tile tile, Step.Made<Matte> step, Matte into) {
        Optional<Matte> made = tile.ifMade(step);
        if (made.isEmpty() || !made.get().domain().contains(into.domain())) {
            into.fill(0);
        }
        made.ifPresent(into::copyFrom);
    }

    static Cover cover(Tile tile, Step.Made<Matte> step, Region part) {
        Region there = part.intersect(step.domain());
        Optional<Matte> made = there.isEmpty() ? Optional.empty() : tile.ifMade(step);
        // Only what is needed of a step is made; beyond it nobody looks.
        if (made.isEmpty()
                || MatteMath.all(made.get(), there.intersect(made.get().domain()), 0)) {
            return Cover.NONE;
        }
        return made.get().domain().contains(part) && MatteMath.all(made.get(), part, 1) ? Cover.ALL : Cover.SOME;
    }
}
