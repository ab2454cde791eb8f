package aperta.core.trace;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where a line of equal value turns sharply. Between middles of pixels every corner is cut off by less than a pixel; what
 * comes to it and what leaves it are therefore prolonged until they meet.
 */
final class Corners {
    /** How far on both sides is looked, in pixels. */
    private static final double FAR = 3;

    private static final double NEAR = 1.5;
    /** How much of what comes to a corner and leaves it is prolonged. */
    private static final double PROLONGED = 8;
    /** The least angle by which a corner turns. */
    private static final double ANGLE = Math.toRadians(40);
    /** A corner turns at once: so much of what it turns within {@link #FAR} it turns within {@link #NEAR}; an arc half. */
    private static final double AT_ONCE = 0.78;

    /** What lies so near to a corner is cut off. */
    static final double CUT_OFF = 1.6;
    /** How far the corner may lie from where it is cut off. */
    private static final double FARTHEST = 1.5;

    /**
     * @param along how far along the ring
     * @param point where it would be if nothing were cut off
     */
    record Corner(double along, Point point) {}

    private final Ring ring;

    private Corners(Ring ring) {
        this.ring = ring;
    }

    static List<Corner> of(Ring ring) {
        return ring.length() < 4 * NEAR ? List.of() : new Corners(ring).found();
    }

    private List<Corner> found() {
        int n = ring.size();
        double[] turn = new double[n];
        for (int i = 0; i < n; i++) {
            turn[i] = turn(ring.along(i), Math.min(FAR, ring.length() / 8));
        }
        List<Corner> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            if (turn[i] > ANGLE
                    && isSharpest(turn, i)
                    && turn(ring.along(i), Math.min(NEAR, ring.length() / 16)) > AT_ONCE * turn[i]) {
                all.add(new Corner(ring.along(i), ring.point(i)));
            }
        }
        List<Corner> prolonged = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            double before = all.get((i + all.size() - 1) % all.size()).along() - (i == 0 ? ring.length() : 0);
            double after = all.get((i + 1) % all.size()).along() + (i == all.size() - 1 ? ring.length() : 0);
            prolonged.add(prolonged(all.get(i), before, after));
        }
        return prolonged;
    }

    /** By how much the line turns at a place, seen from some way before to as far after. */
    private double turn(double along, double far) {
        Point here = ring.at(along);
        Point in = here.minus(ring.at(along - far));
        Point out = ring.at(along + far).minus(here);
        return Math.abs(StrictMath.atan2(in.x() * out.y() - in.y() * out.x(), in.x() * out.x() + in.y() * out.y()));
    }

    private boolean isSharpest(double[] turn, int i) {
        int n = turn.length;
        for (int by : new int[] {-1, 1}) {
            int k = i;
            for (double way = 0; way < NEAR; ) {
                int to = (k + by + n) % n;
                way += ring.point(to).minus(ring.point(k)).length();
                k = to;
                if (k == i) {
                    break;
                }
                if (turn[k] > turn[i] || turn[k] == turn[i] && by < 0) {
                    return false;
                }
            }
        }
        return true;
    }

    private Corner prolonged(Corner c, double before, double after) {
        double back = Math.min(PROLONGED, (c.along() - before) / 2);
        double on = Math.min(PROLONGED, (after - c.along()) / 2);
        Optional<Point> meets = line(c.along() - back, c.along() - CUT_OFF)
                .flatMap(in -> line(c.along() + CUT_OFF, c.along() + on).flatMap(in::meets));
        return meets.filter(p -> p.minus(c.point()).length() <= FARTHEST)
                .map(p -> new Corner(c.along(), p))
                .orElse(c);
    }

    /** A straight line through a point in a direction. */
    private record Line(Point at, Point along) {
        Optional<Point> meets(Line o) {
            double cross = along.x() * o.along.y() - along.y() * o.along.x();
            if (Math.abs(cross) < 0.2) {
                return Optional.empty();
            }
            Point d = o.at.minus(at);
            double t = (d.x() * o.along.y() - d.y() * o.along.x()) / cross;
            return Optional.of(at.plus(along.times(t)));
        }
    }

    /** The line of least squares through what lies between two places; nothing where that is too short. */
    private Optional<Line> line(double from, double to) {
        if (to - from < 1) {
            return Optional.empty();
        }
        int n = 9;
        double sx = 0;
        double sy = 0;
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Point p = ring.at(from + (to - from) * i / (n - 1));
            points.add(p);
            sx += p.x() / n;
            sy += p.y() / n;
        }
        Point mean = new Point(sx, sy);
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (Point p : points) {
            Point d = p.minus(mean);
            xx += d.x() * d.x();
            xy += d.x() * d.y();
            yy += d.y() * d.y();
        }
        double angle = StrictMath.atan2(2 * xy, xx - yy) / 2;
        return Optional.of(new Line(mean, new Point(StrictMath.cos(angle), StrictMath.sin(angle))));
    }
}
