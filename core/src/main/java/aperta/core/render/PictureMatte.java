package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.shot.Cut.With;
import aperta.core.shot.Light;
import java.util.List;

/** The alpha of a picture, or its brightness, as a matte. */
final class PictureMatte implements Step.Shades {
    private final Step.Paints picture;
    private final With with;
    private final Transfer transfer;
    private final ContentKey key;

    /** @param light that the picture's values stand for */
    PictureMatte(Step.Paints picture, With with, Light light) {
        this.picture = picture;
        this.with = with;
        this.transfer = Transfer.of(light);
        this.key = ContentKey.of("picture matte")
                .step(picture)
                .number((long) with.ordinal())
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
    public void shade(Matte into, Tile tile) {
        if (with == With.SHAPE && picture instanceof Filled filled && filled.plainAlpha()) {
            filled.shade(into, tile);
            return;
        }
        tile.withPicture(picture, into.domain(), p -> {
            if (with == With.BRIGHTNESS) {
                Compose.brightness(p, transfer, into);
            } else {
                Compose.alpha(p, into);
            }
        });
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover shape = picture.cover(part, tile);
        return with == With.BRIGHTNESS ? shape.times(Cover.SOME) : shape;
    }
}
