package aperta.core.shot;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;

/** Closed paths of well-known shapes. Angles begin at the top and go round clockwise. */
public final class Figures {
    /** The handle length that makes a cubic curve a quarter of a circle of radius 1, within 0.03 %. */
    private static final double QUARTER = 4.0 / 3 * (Math.sqrt(2) - 1);

    private Figures() {}

    /** A rectangle whose corners are quarters of circles, of a radius of at most half its shorter side. */
    public static BezierPath rounded(Box box, double radius) {
        double r = Math.max(0, Math.min(radius, Math.min(box.width(), box.height()) / 2));
        if (r == 0) {
            return BezierPath.rectangle(box);
        }
        double k = QUARTER * r;
        List<BezierPath.Knot> knots = new ArrayList<>();
        List<Point> corners = box.corners();
        for (int i = 0; i < 4; i++) {
            Point c = corners.get(i);
            Point back = towards(c, corners.get((i + 3) % 4));
            Point on = towards(c, corners.get((i + 1) % 4));
            knots.add(new BezierPath.Knot(c.plus(back.times(r)), Point.ORIGIN, back.times(-k)));
            knots.add(new BezierPath.Knot(c.plus(on.times(r)), on.times(-k), Point.ORIGIN));
        }
        return new BezierPath(knots);
    }

    private static Point towards(Point from, Point to) {
        Point d = to.minus(from);
        return d.length() == 0 ? Point.ORIGIN : d.times(1 / d.length());
    }

    /**
     * A regular polygon in an ellipse that fills a box.
     *
     * @param corners 3 or more
     * @param roundness 0 for corners; at 1 the handles are those of the ellipse itself
     */
    public static BezierPath polygon(Box box, int corners, double roundness) {
        return round(box, corners, 1, 1, roundness, roundness);
    }

    /**
     * A star in an ellipse that fills a box.
     *
     * @param points 3 or more
     * @param inner the inner radius as a share of the outer one
     * @param outerRoundness of the points, as {@link #polygon} has it
     * @param innerRoundness of the corners between them
     */
    public static BezierPath star(Box box, int points, double inner, double outerRoundness, double innerRoundness) {
        return round(box, 2 * points, 1, inner, outerRoundness, innerRoundness);
    }

    private static BezierPath round(
            Box box, int corners, double evenRadius, double oddRadius, double evenRound, double oddRound) {
        if (corners < 3 || corners > 1000) {
            throw new IllegalArgumentException("A polygon has 3 to 1000 corners, a star 3 to 500 points.");
        }
        Point c = box.centre();
        // Curves of an n-th part of a circle have handles of 4/3·tan(π/2n) radii.
        double handle = 4.0 / 3 * StrictMath.tan(Math.PI / (2 * corners));
        List<BezierPath.Knot> knots = new ArrayList<>();
        for (int i = 0; i < corners; i++) {
            double angle = 2 * Math.PI * i / corners;
            double radius = i % 2 == 0 ? evenRadius : oddRadius;
            double h = handle * (i % 2 == 0 ? evenRound : oddRound) * radius;
            double sin = StrictMath.sin(angle);
            double cos = StrictMath.cos(angle);
            Point along = new Point(cos * box.width() / 2, sin * box.height() / 2).times(h);
            Point at = c.plus(new Point(sin * box.width() / 2, -cos * box.height() / 2).times(radius));
            knots.add(new BezierPath.Knot(at, along.times(-1), along));
        }
        return new BezierPath(knots);
    }
}
