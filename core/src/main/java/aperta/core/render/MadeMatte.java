package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** A matte that is made once, of which parts are handed out. */
interface MadeMatte extends Step.Made<Matte>, Step.Shades {
    @Override
    default long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    default void shade(Matte into, Tile tile) {
        MatteRows.copy(tile, this, into);
    }

    @Override
    default Cover cover(Region part, Tile tile) {
        return MatteRows.cover(tile, this, part);
    }
}
