package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.texture.Pattern;
import java.util.List;

/** A shape filled with a texture. */
final class Textured implements Step.Paints {
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
    public void paint(Picture into, Tile tile) {
        pattern.paint(into);
        tile.withMatte(shape, into.domain(), m -> Compose.inside(into, m));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return shape.cover(part, tile) == Cover.NONE ? Cover.NONE : Cover.SOME;
    }
}
