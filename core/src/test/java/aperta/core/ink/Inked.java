package aperta.core.ink;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import aperta.core.time.Ease;
import java.util.List;
import java.util.Optional;

/** A shape as a pen writes it, measured pixel by pixel, for tests. */
public final class Inked {
    private final List<Stroke> strokes;
    private final InkField field;
    private final Region region;
    private final Matte coverage;
    private final Affine map;

    public Inked(Outline shape, List<Stroke> strokes, double scale) {
        this.strokes = strokes;
        this.map = Affine.scale(scale, scale);
        double cell = Math.scalb(1.0, Math.getExponent(1 / scale));
        this.field = InkField.of(shape, strokes.stream().map(Stroke::path).toList(), cell);
        Outline there = shape.transformed(map);
        this.region = Region.around(there.bounds()).grown(3);
        this.coverage = Coverage.of(there, region, Bands.IN_TURN);
    }

    public static Stroke stroke(String id, double width, Point... points) {
        return new Stroke(
                id,
                new BezierPath(
                        java.util.Arrays.stream(points)
                                .map(p -> new BezierPath.Knot(p, Point.ORIGIN, Point.ORIGIN, width))
                                .toList(),
                        false),
                Stroke.Begins.STROKE,
                Optional.empty());
    }

    public Schedule schedule(Writing writing) {
        return new Schedule(field, strokes, writing);
    }

    public static Writing even(double share) {
        return new Writing(share, 0, false, Ease.LINEAR, 20, 30, 60);
    }

    public Matte written(double share) {
        Matte into = new Matte(region);
        new Written(field, schedule(even(share)), 0, map).shade(into);
        return into;
    }

    public Matte coverage() {
        return coverage;
    }

    /** The least of what is written where there is anything of the shape. */
    public double leastWritten(double share) {
        Matte matte = written(share);
        double least = 1;
        for (int i = 0; i < matte.values().length; i++) {
            least = coverage.values()[i] > 0 ? Math.min(least, matte.values()[i]) : least;
        }
        return least;
    }

    /**
     * How much farther than it may be the nearest place that a pen has passed is from a pixel that is lit, at worst, in pixels of the
     * shape: it may be half as far as the pen is wide there, or as far as the pixel is from any stroke at all.
     */
    public double leak(double share) {
        Schedule schedule = schedule(even(share));
        Matte matte = written(share);
        double scale = map.a();
        double worst = 0;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++) {
                if (matte.at(x, y) * coverage.at(x, y) <= 1 / 255f) {
                    continue;
                }
                double px = (x + 0.5) / scale;
                double py = (y + 0.5) / scale;
                worst = Math.max(worst, tooFar(schedule, px, py));
            }
        }
        return worst;
    }

    private double tooFar(Schedule schedule, double px, double py) {
        double any = Double.POSITIVE_INFINITY;
        double passed = Double.POSITIVE_INFINITY;
        double within = Double.POSITIVE_INFINITY;
        for (int i = 0; i < strokes.size(); i++) {
            PenPath pen = field.pen(i);
            double reached = schedule.reached(i, 1e-6);
            for (int k = 0; k <= pen.last(); k++) {
                double s = k * pen.length() / pen.last();
                double d = Math.hypot(pen.x(k) - px, pen.y(k) - py);
                any = Math.min(any, d);
                if (s <= reached) {
                    passed = Math.min(passed, d);
                    within = Math.min(within, d - pen.half(s));
                }
            }
        }
        return Math.max(0, Math.min(within, passed - any));
    }
}
