package aperta.core.render;

import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** A matte whose edge falls off as a Gaussian. */
final class Feathered extends Softened<Step.Shades, Matte> implements Step.Shades {
    /** @param sigma in raster pixels */
    Feathered(Step.Shades source, double sigma) {
        super("feathered", source, sigma);
    }

    @Override
    public Matte make(Region needed, Making making) {
        return new Gaussian(sigma).blur(making.shaded(source, reach(needed)), needed, making.bands());
    }

    @Override
    public long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        MatteRows.copy(tile, this, into);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return MatteRows.cover(tile, this, part);
    }
}
