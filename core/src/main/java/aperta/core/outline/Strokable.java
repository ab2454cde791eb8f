package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.Curve;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;

/**
 * Paths as a wide pen can follow them. On the inner side of a curve that bends more tightly than the pen is wide, the
 * pen's edge runs backwards, and what it goes round would be taken away from the band. Such curves become short chords:
 * on the inner side of a corner the edge goes through the corner itself, so that nothing is taken away.
 */
final class Strokable {
    /** How many of a curve's points are looked at. */
    private static final int LOOKS = 32;

    /** Curves that bend almost as tightly as the pen are taken too. */
    private static final double NEARLY = 1.05;

    private static final double FLAT = 0.004;
    private static final double TURN = Math.toRadians(3);
    private static final int DEEPEST = 9;

    private final double half;
    private final Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
    private Point last = Point.ORIGIN;
    private Point start = Point.ORIGIN;

    private Strokable(double half) {
        this.half = half;
    }

    /** @param width of the pen */
    static Path2D.Double of(Shape shape, double width) {
        Strokable s = new Strokable(width / 2);
        double[] c = new double[6];
        for (PathIterator it = shape.getPathIterator(null); !it.isDone(); it.next()) {
            switch (it.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> {
                    s.path.moveTo(c[0], c[1]);
                    s.start = new Point(c[0], c[1]);
                    s.last = s.start;
                }
                case PathIterator.SEG_LINETO -> s.line(new Point(c[0], c[1]));
                case PathIterator.SEG_QUADTO -> {
                    Point middle = new Point(c[0], c[1]);
                    Point to = new Point(c[2], c[3]);
                    Curve cubic = new Curve(s.last, s.last.mix(middle, 2 / 3.0), to.mix(middle, 2 / 3.0), to);
                    if (s.isTight(cubic)) {
                        s.chords(cubic, DEEPEST);
                    } else {
                        s.path.quadTo(c[0], c[1], c[2], c[3]);
                    }
                    s.last = to;
                }
                case PathIterator.SEG_CUBICTO -> {
                    Point to = new Point(c[4], c[5]);
                    Curve cubic = new Curve(s.last, new Point(c[0], c[1]), new Point(c[2], c[3]), to);
                    if (s.isTight(cubic)) {
                        s.chords(cubic, DEEPEST);
                    } else {
                        s.path.curveTo(c[0], c[1], c[2], c[3], c[4], c[5]);
                    }
                    s.last = to;
                }
                default -> {
                    s.path.closePath();
                    s.last = s.start;
                }
            }
        }
        return s.path;
    }

    private void line(Point to) {
        path.lineTo(to.x(), to.y());
        last = to;
    }

    /** Whether the radius of curvature {@code |p′|³ / |p′ × p″|} is anywhere smaller than half of the pen. */
    private boolean isTight(Curve c) {
        for (int i = 0; i <= LOOKS; i++) {
            double t = (double) i / LOOKS;
            double u = 1 - t;
            Point a = c.p1().minus(c.p0());
            Point b = c.p2().minus(c.p1());
            Point d = c.p3().minus(c.p2());
            Point first = a.times(3 * u * u).plus(b.times(6 * u * t)).plus(d.times(3 * t * t));
            Point second = b.minus(a).times(6 * u).plus(d.minus(b).times(6 * t));
            double turn = Math.abs(first.x() * second.y() - first.y() * second.x());
            double speed = first.length();
            if (speed * speed * speed < turn * half * NEARLY) {
                return true;
            }
        }
        return false;
    }

    private void chords(Curve c, int deep) {
        if (deep == 0 || deep < DEEPEST && isFlat(c)) {
            line(c.p3());
        } else {
            chords(c.upTo(0.5), deep - 1);
            chords(c.from(0.5), deep - 1);
        }
    }

    /** Whether the chord stands for the curve: near to it, and without a bend that the pen's far edge would show. */
    private static boolean isFlat(Curve c) {
        Point along = c.p3().minus(c.p0());
        Point in = c.p1().minus(c.p0());
        Point out = c.p3().minus(c.p2());
        double off = Math.max(
                c.p1().minus(c.p0().mix(c.p3(), 1 / 3.0)).length(),
                c.p2().minus(c.p0().mix(c.p3(), 2 / 3.0)).length());
        return off <= FLAT && angle(in, along) + angle(along, out) <= TURN;
    }

    private static double angle(Point a, Point b) {
        return Math.abs(StrictMath.atan2(a.x() * b.y() - a.y() * b.x(), a.x() * b.x() + a.y() * b.y()));
    }
}
