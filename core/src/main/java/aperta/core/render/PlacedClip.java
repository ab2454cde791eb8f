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
final class PlacedClip implements Step.Paints {
    private final Decoded frame;
    private final Affine toSource;
    private final Region domain;
    private final boolean copied;
    private final boolean alpha;
    private final double width;
    private final double height;
    private final Transfer transfer;
    private final ContentKey key;

    /**
     * @param width and {@code height}: of the frame in the decoded frame's pixels, the last of which may count in part
     * @param toRaster from the decoded frame's pixels to raster pixels; must have an inverse
     */
    PlacedClip(Decoded frame, double width, double height, boolean alpha, Light light, Affine toRaster) {
        this.frame = frame;
        this.toSource = toRaster.inverse().orElseThrow();
        this.width = width;
        this.height = height;
        this.alpha = alpha;
        this.copied = Sampler.isCopy(toSource) && frame.isWhole(width, height);
        Box box = toRaster.apply(new Box(0, 0, width, height));
        this.domain = copied
                ? new Region((int) Math.rint(box.x0()), (int) Math.rint(box.y0()), (int) width, (int) height)
                : Region.around(box);
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
    public Region needs(int input, Region wanted) {
        return frame.domain();
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return !alpha && covers(part) ? Cover.ALL : Step.Paints.super.cover(part, tile);
    }

    /** Whether all of a part lies on the frame. */
    private boolean covers(Region part) {
        if (copied) {
            return domain.contains(part);
        }
        Box on = toSource.apply(new Box(part.x(), part.y(), part.right(), part.bottom()));
        return on.x0() >= 0 && on.y0() >= 0 && on.x1() <= width && on.y1() <= height;
    }

    @Override
    public Optional<DecodedSamples> decodedSamples(Region part, Tile tile) {
        return copied && !alpha && domain.contains(part)
                ? Optional.of(new DecodedSamples(
                        tile.made(frame), (int) Math.rint(toSource.e()), (int) Math.rint(toSource.f())))
                : Optional.empty();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        new Sampler(tile.made(frame), width, height, toSource, transfer).paint(into, tile.scratch());
    }
}
