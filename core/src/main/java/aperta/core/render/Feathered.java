package aperta.core.render;

import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** A matte whose edge falls off as a Gaussian. */
final class Feathered extends Softened<Step.Shades, Matte> implements Step.Shades {
    /** A smaller σ, in raster pixels, can't be seen. */
    private static final double LEAST = 0.05;

    /** The matte itself where the blur can't be seen. */
    static Step.Shades of(Step.Shades source, double sigma) {
        return sigma >= LEAST ? new Feathered(source, sigma) : source;
    }

    /** @param sigma in raster pixels */
    private Feathered(Step.Shades source, double sigma) {
        super("feathered", source, sigma);
    }

    @Override
    public Matte make(Region needed, Making making) {
        return making.shaded(
                source, reach(needed), m -> new Gaussian(sigma).blur(m, needed, making.bands(), making.scratch()));
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
