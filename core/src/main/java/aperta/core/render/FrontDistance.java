package aperta.core.render;

import aperta.core.effect.Noise;
import aperta.core.effect.Octaves;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.EdgeDistance;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.Front;

/**
 * The distance of each pixel behind the edge of a layer's opening, in the layer's pixels. Of an edge that is roughened it is measured anew,
 * up to a reach; beyond it all distances are that one.
 */
final class FrontDistance implements Step.Made<Matte>, Step.Shades {
    private static final int OCTAVES = 3;

    private final Front front;
    private final Affine back;
    private final double scale;
    private final double reach;
    private final ContentKey key;

    /** @param reach how far from a rough edge distances are told, in the layer's pixels */
    FrontDistance(Front front, Affine toRaster, double reach) {
        this.front = front;
        this.back = toRaster.inverse().orElseThrow();
        this.scale = toRaster.meanScale();
        this.reach = reach;
        ContentKey.Builder k = ContentKey.of("front")
                .numbers(front.shape().numbers())
                .numbers(new double[] {
                    toRaster.a(), toRaster.b(), toRaster.c(), toRaster.d(), toRaster.e(), toRaster.f(), reach
                });
        front.rough().ifPresent(r -> k.number(r.depth()).number(r.wavelength()).number(r.seed()));
        this.key = k.key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return Region.EVERYWHERE;
    }

    @Override
    public Matte make(Region needed, Making making) {
        if (front.rough().isEmpty()) {
            return field(needed, making, 1, (x, y) -> 0);
        }
        Front.Rough rough = front.rough().get();
        Octaves octaves = new Octaves(back, OCTAVES, rough.wavelength(), 0, Point.ORIGIN);
        double depth = rough.depth() / Math.sqrt(octaves.power());
        Noise noise = new Noise((int) rough.seed());
        int far = (int) Math.ceil(reach * scale) + 1;
        Matte rising =
                field(needed.grown(EdgeDistance.needs(far)), making, scale, (x, y) -> depth * octaves.at(noise, x, y));
        Matte result = EdgeDistance.ofField(rising, needed, far, making.bands());
        for (int i = 0; i < result.values().length; i++) {
            result.values()[i] /= (float) scale;
        }
        return result;
    }

    private interface More {
        double at(double x, double y);
    }

    private Matte field(Region region, Making making, double by, More more) {
        Matte result = new Matte(region);
        making.bands().run(region.height(), 8, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                for (int x = region.x(); x < region.right(); x++, at++) {
                    double px = x + 0.5;
                    double py = y + 0.5;
                    double u = back.a() * px + back.c() * py + back.e();
                    double v = back.b() * px + back.d() * py + back.f();
                    result.values()[at] = (float) (by * (front.shape().distance(u, v) + more.at(px, py)));
                }
            }
        });
        return result;
    }

    @Override
    public long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        MatteRows.copy(tile, this, into);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return Cover.SOME;
    }
}
