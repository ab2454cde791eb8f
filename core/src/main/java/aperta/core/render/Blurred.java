package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;

/** A picture seen through a Gaussian. */
final class Blurred extends Softened<Step.Paints, Picture> implements Step.Paints {
    /** A smaller σ, in raster pixels, can't be seen. */
    private static final double LEAST = 0.05;

    /** The picture itself where the blur can't be seen. */
    static Step.Paints of(Step.Paints source, double sigma) {
        return sigma >= LEAST ? new Blurred(source, sigma) : source;
    }

    /** @param sigma in raster pixels */
    private Blurred(Step.Paints source, double sigma) {
        super("blurred", source, sigma);
    }

    @Override
    public Picture make(Region needed, Making making) {
        return making.painted(
                source, reach(needed), p -> new Gaussian(sigma).blur(p, needed, making.bands(), making.scratch()));
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        tile.ifMade(this).ifPresent(p -> Compose.copy(into, p));
    }
}
