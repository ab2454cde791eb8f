package aperta.core.render;

import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Taming;
import aperta.core.shot.Light;
import java.util.List;

/** A picture with more or less light and colour. */
final class Tamed implements Step.Paints {
    private final Step.Paints picture;
    private final Taming taming;
    private final ContentKey key;

    Tamed(Step.Paints picture, double exposure, double saturation, Light light) {
        this.picture = picture;
        this.taming = new Taming(exposure, saturation, light);
        this.key = ContentKey.of("tamed")
                .step(picture)
                .number(exposure)
                .number(saturation)
                .number((long) light.ordinal())
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return picture.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        taming.apply(into);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile);
    }
}
