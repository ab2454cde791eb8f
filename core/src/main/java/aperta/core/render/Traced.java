package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.picture.Region;
import aperta.core.shot.PathLength;
import aperta.core.trace.Tracing;
import java.util.List;

/** The outlines of what a matte shows above a threshold. */
final class Traced implements Step.Made<List<PathLength>> {
    private static final long KNOT = 96;

    private final Step.Shades matte;
    private final Affine fromRaster;
    private final double threshold;
    private final double least;
    private final ContentKey key;

    /**
     * @param fromRaster from pixels of the matte to the space in which the outlines are given
     * @param least what goes round fewer pixels of the matte is left out
     */
    Traced(Step.Shades matte, Affine fromRaster, double threshold, double least) {
        this.matte = matte;
        this.fromRaster = fromRaster;
        this.threshold = threshold;
        this.least = least;
        Affine m = fromRaster;
        this.key = ContentKey.of("traced")
                .step(matte)
                .numbers(new double[] {m.a(), m.b(), m.c(), m.d(), m.e(), m.f(), threshold, least})
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return Region.EVERYWHERE;
    }

    @Override
    public List<Step> inputs() {
        return List.of(matte);
    }

    /** All of it, whatever is needed of what lies along the outlines. */
    @Override
    public Region needs(int input, Region wanted) {
        return matte.domain();
    }

    @Override
    public List<PathLength> make(Region needed, Making making) {
        return making.shaded(matte, matte.domain(), m -> Tracing.of(m, threshold, least)).stream()
                .map(p -> new PathLength(p.transformed(fromRaster)))
                .toList();
    }

    @Override
    public long bytes(List<PathLength> result) {
        return KNOT * result.stream().mapToLong(p -> p.path().knots().size()).sum();
    }
}
