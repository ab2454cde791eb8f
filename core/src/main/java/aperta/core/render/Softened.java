package aperta.core.render;

import aperta.core.picture.Gaussian;
import aperta.core.picture.Region;
import java.util.List;

/** Something seen through a Gaussian: it reaches further than what it is made of, by as much as the Gaussian does. */
abstract class Softened<S extends Step, T> implements Step.Made<T> {
    final S source;
    final double sigma;
    private final ContentKey key;

    /**
     * @param sigma of the widest Gaussian, in raster pixels
     * @param more what else the result is made from
     */
    Softened(String kind, S source, double sigma, double... more) {
        this.source = source;
        this.sigma = sigma;
        this.key = ContentKey.of(kind).step(source).number(sigma).numbers(more).key();
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
    public Region needs(int input, Region wanted) {
        return wanted.grown(Gaussian.reach(sigma));
    }

    /** What of the source a part of the result comes from. */
    Region reach(Region needed) {
        return needed.grown(Gaussian.reach(sigma)).intersect(source.domain());
    }
}
