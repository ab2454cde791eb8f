package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.Cut.Keep;
import aperta.core.shot.Cut.With;
import java.util.List;

/** A picture cut by another one. */
final class CutBy implements Step.Paints {
    private final Step.Paints picture;
    private final Step.Paints cutter;
    private final With with;
    private final Keep keep;
    private final ContentKey key;

    CutBy(Step.Paints picture, Step.Paints cutter, With with, Keep keep) {
        this.picture = picture;
        this.cutter = cutter;
        this.with = with;
        this.keep = keep;
        this.key = ContentKey.of("cut")
                .step(picture)
                .step(cutter)
                .number((long) with.ordinal())
                .number((long) keep.ordinal())
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return keep == Keep.INSIDE ? picture.domain().intersect(cutter.domain()) : picture.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture, cutter);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        picture.paint(into, tile);
        Region part = into.domain().intersect(cutter.domain());
        tile.withMatteOf(cutter, with == With.BRIGHTNESS, part, m -> {
            if (keep == Keep.INSIDE) {
                Compose.inside(into, m);
            } else {
                Compose.outside(into, m);
            }
        });
    }
}
