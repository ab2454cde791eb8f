package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Displacement;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;

/** An effect that says for each place of the layer where its pixel is read; the amount scales how far away that is. */
abstract class Warp implements Worked.Around {
    final Effect.Setting setting;
    final Affine back;
    private final double[] numbers;

    Warp(Effect.Setting setting, Numbers numbers) {
        this.setting = setting;
        this.back = setting.toRaster().inverse().orElseThrow();
        this.numbers = numbers.and(setting.toRaster())
                .and(setting.amount(), setting.border().ordinal())
                .array();
    }

    /**
     * Where the pixel at a place is read, both in the layer's pixels; not a number where there is nothing.
     *
     * @param to gets across and down
     */
    abstract void from(double x, double y, double[] to);

    @Override
    public double[] numbers() {
        return numbers;
    }

    @Override
    public final boolean moves() {
        return true;
    }

    @Override
    public Picture made(Given g) {
        Affine to = setting.toRaster();
        float amount = (float) setting.amount();
        Displacement.Ways ways = Displacement.Ways.each((x, y, place) -> {
            double u = back.a() * x + back.c() * y + back.e();
            double v = back.b() * x + back.d() * y + back.f();
            from(u, v, place);
            double px = u + amount * (place[0] - u);
            double py = v + amount * (place[1] - v);
            place[0] = to.a() * px + to.c() * py + to.e();
            place[1] = to.b() * px + to.d() * py + to.f();
        });
        return Displacement.of(
                g.input(), finer(), g.region(), ways, g.where(), Float.POSITIVE_INFINITY, setting.border(), g.bands());
    }

    /** A region of the raster, in the layer's pixels. */
    Box own(Region region) {
        return back.apply(new Box(region.x(), region.y(), region.right(), region.bottom()));
    }

    /** The pixels of the raster that a box of the layer touches, and those beside them. */
    Region raster(Box box) {
        return Region.around(setting.toRaster().apply(box)).grown(2);
    }

    /** Every place within a radius of a point. */
    static Box about(Point centre, double radius) {
        return new Box(centre.x() - radius, centre.y() - radius, centre.x() + radius, centre.y() + radius);
    }
}
