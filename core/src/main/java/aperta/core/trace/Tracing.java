package aperta.core.trace;

import aperta.core.geometry.Point;
import aperta.core.outline.CurveFitting;
import aperta.core.picture.Matte;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.util.ArrayList;
import java.util.List;

/**
 * The outlines of what a matte shows above a threshold, as Bézier paths: lines of equal value, their corners, and between
 * corners curves that lie nowhere farther than half a pixel from them.
 */
public final class Tracing {
    /** In pixels. */
    private static final double TOLERANCE = 0.2;
    /** Where pixels are all or nothing. */
    private static final double TOLERANCE_OF_BITS = 0.5;

    /** Between middles of pixels a straight edge wavers by up to a tenth; its direction is sure over some pixels. */
    private static final double SURE = 6;

    private final double tolerance;

    private Tracing(double tolerance) {
        this.tolerance = tolerance;
    }

    /**
     * Closed paths in pixels of the matte, the largest first; those round holes run the other way, so that all of them
     * together, filled, are what was seen.
     *
     * @param threshold what is above it is inside, over 0
     * @param least what goes round fewer pixels is left out, specks and holes alike
     */
    public static List<BezierPath> of(Matte matte, double threshold, double least) {
        boolean hard = HardEdges.has(matte, threshold);
        List<List<Point>> lines = hard
                ? MarchingSquares.of(HardEdges.softened(matte, threshold), 0.5)
                : MarchingSquares.of(matte, threshold);
        Tracing tracing = new Tracing(hard ? TOLERANCE_OF_BITS : TOLERANCE);
        List<Ring> rings = new ArrayList<>();
        for (List<Point> line : lines) {
            Ring ring = Ring.of(line);
            if (ring.size() > 2 && Math.abs(ring.area()) >= least) {
                rings.add(ring);
            }
        }
        rings.sort((a, b) -> Double.compare(Math.abs(b.area()), Math.abs(a.area())));
        return rings.stream().map(tracing::path).toList();
    }

    private BezierPath path(Ring ring) {
        List<Corners.Corner> corners = Corners.of(ring);
        List<Curve> curves = new ArrayList<>();
        for (int i = 0; i < corners.size(); i++) {
            Corners.Corner from = corners.get(i);
            Corners.Corner to = corners.get((i + 1) % corners.size());
            double until = to.along() + (i == corners.size() - 1 ? ring.length() : 0);
            List<Point> points = new ArrayList<>();
            points.add(from.point());
            points.addAll(ring.between(from.along() + Corners.CUT_OFF, until - Corners.CUT_OFF));
            points.add(to.point());
            curves.addAll(
                    isStraight(points) ? List.of(straight(points)) : CurveFitting.smooth(points, tolerance, SURE));
        }
        if (curves.size() < 2) {
            curves = CurveFitting.ring(ring.points(), tolerance, Math.min(SURE, ring.length() / 12));
        }
        return closed(curves);
    }

    /** Whether all points lie on the line from the first to the last, as near as curves would. */
    private boolean isStraight(List<Point> points) {
        Point from = points.get(0);
        Point chord = points.get(points.size() - 1).minus(from);
        return points.stream().map(p -> p.minus(from)).allMatch(d -> {
            double off = chord.x() * d.y() - chord.y() * d.x();
            return Math.abs(off) <= tolerance * chord.length();
        });
    }

    private static Curve straight(List<Point> points) {
        Point from = points.get(0);
        Point to = points.get(points.size() - 1);
        return new Curve(from, from, to, to);
    }

    private static BezierPath closed(List<Curve> curves) {
        List<BezierPath.Knot> knots = new ArrayList<>();
        Curve last = curves.get(curves.size() - 1);
        Point in = last.p2().minus(last.p3());
        for (Curve c : curves) {
            knots.add(new BezierPath.Knot(c.p0(), in, c.p1().minus(c.p0())));
            in = c.p2().minus(c.p3());
        }
        return new BezierPath(knots, true);
    }
}
