package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.texture.Pattern;
import java.util.List;

/** A shape filled with a texture, which is computed once and kept: whatever lies above it is changed, it stays. */
final class Textured implements Step.Made<Picture>, Step.Paints {
    private static final int BAND = 16;

    private final Step.Shades shape;
    private final Pattern pattern;
    private final ContentKey key;

    /** @param kind of the texture */
    Textured(Step.Shades shape, String kind, Pattern pattern) {
        this.shape = shape;
        this.pattern = pattern;
        this.key = ContentKey.of("texture")
                .text(kind)
                .step(shape)
                .numbers(pattern.numbers())
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return shape.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(shape);
    }

    @Override
    public boolean paintsFrom(int input) {
        return true;
    }

    @Override
    public Picture make(Region needed, Making making) {
        Picture result = new Picture(needed);
        making.bands().run(needed.height(), BAND, (from, to) -> {
            Picture band = new Picture(new Region(needed.x(), needed.y() + from, needed.width(), to - from));
            pattern.paint(band);
            Compose.copy(result, band);
        });
        return result;
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        tile.ifMade(this).ifPresent(p -> Compose.copy(into, p));
        tile.withMatte(shape, into.domain(), m -> Compose.inside(into, m));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return shape.cover(part, tile) == Cover.NONE ? Cover.NONE : Cover.SOME;
    }
}
