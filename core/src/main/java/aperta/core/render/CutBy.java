package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.Cut.Keep;
import java.util.List;
import java.util.Optional;

/** A picture cut by a matte. */
final class CutBy implements Step.Paints {
    private final Step.Paints picture;
    private final Step.Shades matte;
    private final Keep keep;
    private final ContentKey key;

    CutBy(Step.Paints picture, Step.Shades matte, Keep keep) {
        this.picture = picture;
        this.matte = matte;
        this.keep = keep;
        this.key = ContentKey.of("cut")
                .step(picture)
                .step(matte)
                .number((long) keep.ordinal())
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return keep == Keep.INSIDE ? picture.domain().intersect(matte.domain()) : picture.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture, matte);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        Region part = into.domain().intersect(matte.domain());
        tile.withMatte(matte, part, m -> {
            if (keep == Keep.INSIDE) {
                Compose.inside(into, m);
            } else {
                Compose.outside(into, m);
            }
        });
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile).times(stays(part, tile));
    }

    @Override
    public Optional<DecodedSamples> decodedSamples(Region part, Tile tile) {
        return stays(part, tile) == Cover.ALL ? picture.decodedSamples(part, tile) : Optional.empty();
    }

    /** What is known of what stays. */
    private Cover stays(Region part, Tile tile) {
        Cover cut = matte.cover(part, tile);
        return keep == Keep.INSIDE ? cut : cut.inverted();
    }
}
