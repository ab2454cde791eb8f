package aperta.core.render;

import aperta.core.picture.Dilation;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.List;

/** A matte whose bright parts have grown, or shrunk. */
final class Spread implements MadeMatte {
    private final Step.Shades source;
    private final double by;
    private final int reach;
    private final ContentKey key;

    /** @param by in raster pixels; under 0 bright parts shrink */
    Spread(Step.Shades source, double by) {
        this.source = source;
        this.by = by;
        this.reach = Dilation.reach(by);
        this.key = ContentKey.of("spread").step(source).number(by).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return by > 0 ? source.domain().grown(reach) : source.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(source);
    }

    @Override
    public Region needs(int input, Region wanted) {
        return wanted.grown(reach);
    }

    @Override
    public Matte make(Region needed, Making making) {
        return making.shaded(source, needed.grown(reach), whole -> Dilation.by(by, whole, needed, making.bands()));
    }
}
