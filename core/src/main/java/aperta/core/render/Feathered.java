package aperta.core.render;

import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.List;

/** A matte whose edge falls off as a Gaussian. */
final class Feathered implements Step.Made<Matte>, Step.Shades {
    private final Step.Shades source;
    private final double sigma;
    private final ContentKey key;

    /** @param sigma in raster pixels */
    Feathered(Step.Shades source, double sigma) {
        this.source = source;
        this.sigma = sigma;
        this.key = ContentKey.of("feathered").step(source).number(sigma).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return source.domain().grown(Gaussian.reach(sigma));
    }

    @Override
    public List<Step> inputs() {
        return List.of(source);
    }

    @Override
    public Region needs(Step input, Region wanted) {
        return wanted.grown(Gaussian.reach(sigma));
    }

    @Override
    public Matte make(Region needed, Making making) {
        Region reach = needed.grown(Gaussian.reach(sigma)).intersect(source.domain());
        return new Gaussian(sigma).blur(making.shaded(source, reach), needed, making.bands());
    }

    @Override
    public long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        MatteRows.copy(tile.made(this), into);
    }
}
