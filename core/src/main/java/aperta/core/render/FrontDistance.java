package aperta.core.render;

import aperta.core.effect.Noise;
import aperta.core.effect.Octaves;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.EdgeDistance;
import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.Front;
import aperta.core.shot.LayerEffect;
import java.util.List;
import java.util.Optional;

/**
 * The distance of each pixel behind the edge of a layer's opening, in the layer's pixels. Of an edge that is roughened it is measured anew,
 * up to a reach; beyond it all distances are that one.
 */
final class FrontDistance implements MadeMatte {
    private static final int OCTAVES = 3;
    /** How far the times at which places were passed are smoothed, in pixels of those. */
    private static final double SMOOTH = 1.5;

    private final Front front;
    private final Affine back;
    private final double scale;
    private final double reach;
    private final Optional<FirstBright> passed;
    /** Raster pixels for one of those in which it was looked what was passed. */
    private final double coarser;

    private final ContentKey key;

    /** @param reach how far from a rough edge distances are told, in the layer's pixels */
    FrontDistance(Front front, Affine toRaster, double reach) {
        this(front, toRaster, reach, Optional.empty(), 1);
    }

    /**
     * @param passed when what the edge is read from was bright, where it is read from a layer
     * @param coarser raster pixels for one of those
     */
    FrontDistance(Front front, Affine toRaster, double reach, Optional<FirstBright> passed, double coarser) {
        this.passed = passed;
        this.coarser = coarser;
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
        passed.ifPresent(p -> k.step(p).number(coarser));
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
    public List<Step> inputs() {
        return List.copyOf(passed.stream().toList());
    }

    @Override
    public Region needs(int input, Region wanted) {
        return passed.map(FirstBright::domain).orElse(wanted);
    }

    @Override
    public Matte make(Region needed, Making making) {
        if (passed.isPresent()) {
            return read((Front.Passed) front.shape(), making.made(passed.get()), needed, making);
        }
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

    /** By how long ago each place was passed, smoothed over its neighbours. */
    private Matte read(Front.Passed shape, Matte ages, Region needed, Making making) {
        Matte smooth = new Gaussian(SMOOTH)
                .blur(ages, ages.domain(), LayerEffect.Border.REPEAT, making.bands(), making.scratch());
        Region d = smooth.domain();
        Matte result = new Matte(needed);
        making.bands().run(needed.height(), 8, (from, to) -> {
            for (int y = needed.y() + from; y < needed.y() + to; y++) {
                int at = result.index(needed.x(), y);
                double v = Math.min(d.bottom() - 1.001, Math.max(d.y(), (y + 0.5) / coarser - 0.5));
                int j = (int) v;
                float fy = (float) (v - j);
                for (int x = needed.x(); x < needed.right(); x++, at++) {
                    double u = Math.min(d.right() - 1.001, Math.max(d.x(), (x + 0.5) / coarser - 0.5));
                    int i = (int) u;
                    float fx = (float) (u - i);
                    float upper = smooth.at(i, j) * (1 - fx) + smooth.at(i + 1, j) * fx;
                    float lower = smooth.at(i, j + 1) * (1 - fx) + smooth.at(i + 1, j + 1) * fx;
                    double behind = (upper + (lower - upper) * fy) * shape.pace() + shape.more();
                    result.values()[at] = (float) (shape.covers() ? -behind : behind);
                }
            }
        });
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
                    result.values()[at] =
                            (float) (by * (((Front.Geometric) front.shape()).distance(u, v) + more.at(px, py)));
                }
            }
        });
        return result;
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return Cover.SOME;
    }
}
