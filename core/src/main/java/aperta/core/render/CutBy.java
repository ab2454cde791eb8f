package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.shot.Cut.Keep;
import aperta.core.shot.Cut.With;
import aperta.core.shot.Light;
import java.util.List;
import java.util.Optional;

/** A picture cut by another one. */
final class CutBy implements Step.Paints {
    private final Step.Paints picture;
    private final Step.Paints cutter;
    private final With with;
    private final Keep keep;
    private final Transfer transfer;
    private final ContentKey key;

    CutBy(Step.Paints picture, Step.Paints cutter, With with, Keep keep, Light light) {
        this.picture = picture;
        this.cutter = cutter;
        this.with = with;
        this.keep = keep;
        this.key = ContentKey.of("cut")
                .step(picture)
                .step(cutter)
                .number((long) with.ordinal())
                .number((long) keep.ordinal())
                .number((long) light.ordinal())
                .key();
        this.transfer = Transfer.of(light);
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
        tile.withMatteOf(cutter, with == With.BRIGHTNESS ? Optional.of(transfer) : Optional.empty(), part, m -> {
            if (keep == Keep.INSIDE) {
                Compose.inside(into, m);
            } else {
                Compose.outside(into, m);
            }
        });
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return picture.cover(part, tile).times(matte(part, tile));
    }

    @Override
    public Optional<Straight> straight(Region part, Tile tile) {
        return matte(part, tile) == Cover.ALL ? picture.straight(part, tile) : Optional.empty();
    }

    /** What is known of what stays. */
    private Cover matte(Region part, Tile tile) {
        Cover shape = cutter.cover(part, tile);
        Cover cut = with == With.BRIGHTNESS ? shape.times(Cover.SOME) : shape;
        return keep == Keep.INSIDE ? cut : cut.inverted();
    }
}
