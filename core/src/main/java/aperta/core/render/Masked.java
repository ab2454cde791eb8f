package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;
import java.util.Optional;

/** A picture seen through its masks. */
final class Masked implements Step.Paints {
    private final Step.Paints picture;
    private final Step.Shades matte;
    private final ContentKey key;

    Masked(Step.Paints picture, Step.Shades matte) {
        this.picture = picture;
        this.matte = matte;
        this.key = ContentKey.of("masked").step(picture).step(matte).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return picture.domain().intersect(matte.domain());
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture, matte);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        tile.withMatte(matte, into.domain(), m -> Compose.inside(into, m));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile).times(matte.cover(part, tile));
    }

    @Override
    public Optional<DecodedSamples> decodedSamples(Region part, Tile tile) {
        return matte.cover(part, tile) == Cover.ALL ? picture.decodedSamples(part, tile) : Optional.empty();
    }
}
