package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/** A picture at a part of its opacity. */
final class Faded implements Step.Paints {
    private final Step.Paints picture;
    private final float opacity;
    private final ContentKey key;

    /** The picture itself at its whole opacity. */
    static Step.Paints of(Step.Paints picture, double opacity) {
        return opacity == 1 ? picture : new Faded(picture, (float) opacity);
    }

    private Faded(Step.Paints picture, float opacity) {
        this.picture = picture;
        this.opacity = opacity;
        this.key = ContentKey.of("faded").step(picture).number(opacity).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return opacity == 0 ? Region.NOTHING : picture.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        Compose.fade(into, opacity);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile).times(Cover.SOME);
    }
}
