package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Sampler;
import aperta.core.picture.Transfer;
import aperta.core.shot.Light;
import java.util.List;
import java.util.Optional;

/** A frame of footage laid on the raster. */
final class Clip implements Step.Paints {
    private final Decoded frame;
    private final Affine toSource;
    private final Region domain;
    private final boolean opaque;
    private final Transfer transfer;
    private final ContentKey key;

    /** @param toRaster from the decoded frame's pixels to raster pixels; must have an inverse */
    Clip(Decoded frame, boolean alpha, Light light, Affine toRaster) {
        int width = frame.domain().width();
        int height = frame.domain().height();
        this.frame = frame;
        this.toSource = toRaster.inverse().orElseThrow();
        boolean copy = Sampler.isCopy(toSource);
        Box box = toRaster.apply(new Box(0, 0, width, height));
        this.domain = copy
                ? new Region((int) Math.rint(box.x0()), (int) Math.rint(box.y0()), width, height)
                : Region.around(box.grown(1));
        this.opaque = copy && !alpha;
        this.transfer = Transfer.of(light);
        this.key = ContentKey.of("clip")
                .step(frame)
                .map(toSource)
                .number((long) light.ordinal())
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return domain;
    }

    @Override
    public List<Step> inputs() {
        return List.of(frame);
    }

    /** A frame is decoded whole. */
    @Override
    public Region needs(Step input, Region wanted) {
        return input.domain();
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return opaque && domain.contains(part) ? Cover.ALL : Step.Paints.super.cover(part, tile);
    }

    @Override
    public Optional<Straight> straight(Region part, Tile tile) {
        return opaque && domain.contains(part)
                ? Optional.of(
                        new Straight(tile.made(frame), (int) Math.rint(toSource.e()), (int) Math.rint(toSource.f())))
                : Optional.empty();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        new Sampler(tile.made(frame), toSource, transfer).paint(into, tile.scratch());
    }
}
