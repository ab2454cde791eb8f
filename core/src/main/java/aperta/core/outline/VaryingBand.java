package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.util.function.DoubleUnaryOperator;

/** A band whose width changes along its path: a row of short pieces with round joins. */
final class VaryingBand {
    /** How long the pieces of such a band are, at most, in pixels. */
    private static final double SHORT = 2;

    /** By how much a round join turns at once. */
    private static final double STEP = Math.toRadians(6);

    private static final int FEWEST = 6;
    private static final int MOST = 512;

    private final Path2D.Double band;
    private final boolean round;

    /**
     * @param band what is added to
     * @param round whether it ends round, rather than straight
     */
    VaryingBand(Path2D.Double band, boolean round) {
        this.band = band;
        this.round = round;
    }

    /**
     * @param half half of the width at so many pixels along the path
     */
    void along(BezierPath path, DoubleUnaryOperator half) {
        double along = 0;
        Point last = path.knots().get(0).at();
        Point across = Point.ORIGIN;
        double lastHalf = half.applyAsDouble(0);
        disc(last, lastHalf);
        for (int i = 0; i < path.segments(); i++) {
            Curve c = path.curve(i);
            double length = c.length();
            int steps = (int) Math.min(MOST, Math.max(FEWEST, Math.ceil(length / SHORT)));
            for (int k = 1; k <= steps; k++) {
                Point p = c.at(c.atShare(k / (double) steps));
                double now = half.applyAsDouble(along + length * k / steps);
                Point d = p.minus(last);
                if (d.length() > 0) {
                    Point n = new Point(-d.y(), d.x()).times(1 / d.length());
                    turn(last, lastHalf, across, n);
                    polygon(
                            last.minus(n.times(lastHalf)),
                            p.minus(n.times(now)),
                            p.plus(n.times(now)),
                            last.plus(n.times(lastHalf)));
                    across = n;
                }
                last = p;
                lastHalf = now;
            }
            along += length;
        }
        disc(last, lastHalf);
    }

    /** What a round join fills between two directions across the line, on both of its sides. */
    private void turn(Point p, double half, Point from, Point to) {
        double by = StrictMath.atan2(from.x() * to.y() - from.y() * to.x(), from.x() * to.x() + from.y() * to.y());
        int steps = (int) Math.ceil(Math.abs(by) / STEP);
        for (int side = -1; side <= 1 && steps > 0; side += 2) {
            Point[] pie = new Point[steps + 2];
            pie[0] = p;
            for (int i = 0; i <= steps; i++) {
                // All pieces run the same way round, so that where they overlap they don't cancel.
                double angle = by * (by > 0 ? i : steps - i) / steps;
                double cos = StrictMath.cos(angle);
                double sin = StrictMath.sin(angle);
                Point n = new Point(from.x() * cos - from.y() * sin, from.x() * sin + from.y() * cos);
                pie[i + 1] = p.plus(n.times(side * half));
            }
            polygon(pie);
        }
    }

    private void polygon(Point... corners) {
        band.moveTo(corners[0].x(), corners[0].y());
        for (int i = 1; i < corners.length; i++) {
            band.lineTo(corners[i].x(), corners[i].y());
        }
        band.closePath();
    }

    private void disc(Point p, double half) {
        if (half > 0 && round) {
            band.append(new Ellipse2D.Double(p.x() - half, p.y() - half, 2 * half, 2 * half), false);
        }
    }
}
