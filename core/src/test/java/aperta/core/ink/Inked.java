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
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/** A shape as a pen writes it, measured pixel by pixel, for tests. */
final class Inked {
    private final List<Stroke> strokes;
    private final InkField field;
    private final Region region;
    private final Matte coverage;
    private final Affine map;
    /** How far each pixel lies beyond any pen, through the shape. */
    private final double[] any;

    Inked(Outline shape, List<Stroke> strokes, double scale) {
        this.strokes = strokes;
        this.map = Affine.scale(scale, scale);
        double cell = Math.scalb(1.0, Math.getExponent(1 / scale));
        this.field = InkField.of(shape, strokes.stream().map(Stroke::line).toList(), cell);
        Outline there = shape.transformed(map);
        this.region = Region.around(there.bounds()).grown(3);
        this.coverage = Coverage.of(there, region, Bands.IN_TURN);
        this.any = distances(schedule(even(1)));
    }

    static Stroke stroke(String id, double width, Point... points) {
        BezierPath path = new BezierPath(
                Arrays.stream(points)
                        .map(p -> new BezierPath.Knot(p, Point.ORIGIN, Point.ORIGIN, width))
                        .toList(),
                false);
        return Stroke.of(id, path, Stroke.Begins.STROKE);
    }

    Schedule schedule(Writing writing) {
        return new Schedule(field, strokes, writing);
    }

    static Writing even(double share) {
        return new Writing(share, 0, false, Ease.LINEAR, 20, 30, 60);
    }

    Matte written(double share) {
        Matte into = new Matte(region);
        new Written(field, schedule(even(share)), 0, map).shade(into);
        return into;
    }

    Matte coverage() {
        return coverage;
    }

    /** The least of what is written where there is anything of the shape. */
    double leastWritten(double share) {
        Matte matte = written(share);
        double least = 1;
        for (int i = 0; i < matte.values().length; i++) {
            least = coverage.values()[i] > 0 ? Math.min(least, matte.values()[i]) : least;
        }
        return least;
    }

    /**
     * How far beyond what the pens have passed a pixel that is lit lies, at worst, in pixels; less how far, through the shape, it lies
     * beyond any pen at all, as corners do.
     */
    double leak(double share) {
        Schedule schedule = schedule(even(share));
        Matte matte = written(share);
        double[] passed = distances(schedule);
        double worst = 0;
        for (int i = 0; i < passed.length; i++) {
            if (matte.values()[i] * coverage.values()[i] > 1 / 255f) {
                double more = around(passed, i) - around(any, i);
                worst = more > worst ? Math.max(worst, Math.min(more, beyondPens(schedule, i))) : worst;
            }
        }
        return worst;
    }

    /** How far beyond the pens, where they have passed, a pixel lies. */
    private double beyondPens(Schedule schedule, int i) {
        double x = (region.x() + i % region.width() + 0.5) / map.a();
        double y = (region.y() + i / region.width() + 0.5) / map.a();
        double least = Double.POSITIVE_INFINITY;
        for (int p = 0; p < strokes.size(); p++) {
            PenPath pen = field.pen(p);
            double reached = schedule.reached(p, 1e-6);
            for (int k = 0; k <= pen.last(); k++) {
                double s = k * pen.length() / pen.last();
                if (s <= reached) {
                    least = Math.min(least, Math.hypot(pen.x(k) - x, pen.y(k) - y) - pen.half(s));
                }
            }
        }
        return least * map.a();
    }

    /** Of a pixel, or of the least of its neighbours where it lies on the rim. */
    private double around(double[] distance, int i) {
        double least = distance[i];
        if (coverage.values()[i] < 0.5f) {
            int w = region.width();
            for (int k : new int[] {-w - 1, -w, -w + 1, -1, 1, w - 1, w, w + 1}) {
                least = i + k < 0 || i + k >= distance.length ? least : Math.min(least, distance[i + k]);
            }
        }
        return least;
    }

    /** How far beyond the pens, where they have passed, each pixel lies, through the pixels of the shape by steps of 1, √2 and √5. */
    private double[] distances(Schedule schedule) {
        double scale = map.a();
        double[] all = new double[coverage.values().length];
        Arrays.fill(all, Double.POSITIVE_INFINITY);
        PriorityQueue<double[]> open = new PriorityQueue<>(Comparator.comparingDouble(e -> e[0]));
        for (int i = 0; i < strokes.size(); i++) {
            PenPath pen = field.pen(i);
            double reached = schedule.reached(i, 1e-6);
            for (int k = 0; k <= pen.last(); k++) {
                double s = k * pen.length() / pen.last();
                int x = (int) Math.floor(pen.x(k) * scale);
                int y = (int) Math.floor(pen.y(k) * scale);
                if (s <= reached && region.contains(x, y)) {
                    int at = coverage.index(x, y);
                    double d = -pen.half(s) * scale;
                    if (d < all[at]) {
                        all[at] = d;
                        open.add(new double[] {d, at});
                    }
                }
            }
        }
        int w = region.width();
        while (!open.isEmpty()) {
            double[] next = open.poll();
            int at = (int) next[1];
            for (int k = 0; k < 8 && next[0] <= all[at]; k++) {
                int side = at + Skeleton.DY[k] * w + Skeleton.DX[k];
                int beside = at + Skeleton.DY[(k + 1) % 8] * w + Skeleton.DX[(k + 1) % 8];
                if (isInside(side)) {
                    offer(side, next[0] + (k % 2 == 0 ? 1 : Math.sqrt(2)), all, open);
                }
                // As a knight moves: by one step along a side and one over a corner.
                int both = side + beside - at;
                if (isInside(side) && isInside(beside) && isInside(both)) {
                    offer(both, next[0] + Math.sqrt(5), all, open);
                }
            }
        }
        return all;
    }

    private boolean isInside(int at) {
        return at >= 0 && at < coverage.values().length && coverage.values()[at] >= 0.5f;
    }

    private static void offer(int at, double d, double[] all, PriorityQueue<double[]> open) {
        if (d < all[at]) {
            all[at] = d;
            open.add(new double[] {d, at});
        }
    }
}
