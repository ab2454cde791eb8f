package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.picture.Specks;
import java.util.List;

/** A matte without its small specks, or without its small holes. */
final class Despecked implements MadeMatte {
    private final Step.Shades source;
    private final int size;
    private final boolean holes;
    private final ContentKey key;

    /** @param size of the shortest that stays, in raster pixels */
    Despecked(Step.Shades source, int size, boolean holes) {
        this.source = source;
        this.size = size;
        this.holes = holes;
        this.key = ContentKey.of(holes ? "holes filled" : "specks removed")
                .step(source)
                .number(size)
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return source.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(source);
    }

    @Override
    public Region needs(int input, Region wanted) {
        return wanted.grown(size);
    }

    @Override
    public Matte make(Region needed, Making making) {
        return making.shaded(source, needed.grown(size), whole -> Specks.without(size, whole, needed, holes));
    }
}
