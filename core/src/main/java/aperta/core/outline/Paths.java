package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;

/** Contours read as closed paths of knots. */
final class Paths {
    private static final double SAME = 1e-9;

    private final List<BezierPath> all = new ArrayList<>();
    private final List<BezierPath.Knot> knots = new ArrayList<>();

    private final boolean keepOpen;
    private Point start = Point.ORIGIN;

    private Paths(boolean keepOpen) {
        this.keepOpen = keepOpen;
    }

    /** Contours as closed paths. */
    static List<BezierPath> of(PathIterator segments) {
        return of(segments, false);
    }

    /** @param keepOpen whether what isn't closed stays open */
    static List<BezierPath> of(PathIterator segments, boolean keepOpen) {
        Paths paths = new Paths(keepOpen);
        double[] c = new double[6];
        for (; !segments.isDone(); segments.next()) {
            switch (segments.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> {
                    paths.end(!keepOpen);
                    paths.begin(new Point(c[0], c[1]));
                }
                case PathIterator.SEG_LINETO -> {
                    Point to = new Point(c[0], c[1]);
                    paths.curve(paths.last(), to, to);
                }
                case PathIterator.SEG_QUADTO -> {
                    Point middle = new Point(c[0], c[1]);
                    Point to = new Point(c[2], c[3]);
                    paths.curve(paths.last().mix(middle, 2 / 3.0), to.mix(middle, 2 / 3.0), to);
                }
                case PathIterator.SEG_CUBICTO ->
                    paths.curve(new Point(c[0], c[1]), new Point(c[2], c[3]), new Point(c[4], c[5]));
                default -> paths.end(true);
            }
        }
        paths.end(!keepOpen);
        return paths.all;
    }

    private void begin(Point at) {
        start = at;
        knots.add(BezierPath.Knot.corner(at.x(), at.y()));
    }

    /** What goes on behind a closed contour begins where that began. */
    private Point last() {
        if (knots.isEmpty()) {
            begin(start);
        }
        return knots.get(knots.size() - 1).at();
    }

    private void curve(Point out, Point in, Point to) {
        last();
        BezierPath.Knot from = knots.get(knots.size() - 1);
        knots.set(knots.size() - 1, new BezierPath.Knot(from.at(), from.in(), out.minus(from.at())));
        knots.add(new BezierPath.Knot(to, in.minus(to), Point.ORIGIN));
    }

    private void end(boolean closed) {
        int n = knots.size();
        if (closed && n > 2 && knots.get(n - 1).at().minus(knots.get(0).at()).length() < SAME) {
            BezierPath.Knot closing = knots.remove(n - 1);
            knots.set(
                    0,
                    new BezierPath.Knot(
                            knots.get(0).at(), closing.in(), knots.get(0).out()));
        }
        if (knots.size() > 1) {
            all.add(new BezierPath(knots, closed));
        }
        knots.clear();
    }
}
