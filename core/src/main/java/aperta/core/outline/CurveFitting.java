package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.util.ArrayList;
import java.util.List;

/**
 * Cubic Bézier curves through a line of points, none farther from them than a tolerance (P. J. Schneider, <i>An Algorithm for
 * Automatically Fitting Digitized Curves</i>, Graphics Gems 1990): least squares with given directions at the ends, parameters
 * by Newton's step, and where that doesn't do, a cut at the worst point.
 */
public final class CurveFitting {
    private static final int ROUNDS = 16;
    /** Beyond so many times the tolerance other parameters won't help. */
    private static final double HOPELESS = 60;

    /** By which share a width may be off. */
    private static final double WIDTH_OFF = 0.08;

    private final List<Point> points;
    private final double tolerance;
    /** By what lies so near the direction at a point is told, in pixels. */
    private final double near;

    private final List<Curve> curves = new ArrayList<>();

    private CurveFitting(List<Point> points, double tolerance, double near) {
        this.points = points;
        this.tolerance = tolerance;
        this.near = near;
    }

    /**
     * Curves from the first point to the last, each beginning where the one before ends, in its direction.
     *
     * @param points at least two, neighbours apart
     * @param tolerance how far a point may lie from its curve, over 0
     */
    public static List<Curve> smooth(List<Point> points, double tolerance) {
        return smooth(points, tolerance, 6 * tolerance);
    }

    /**
     * The same where the points are not that sure.
     *
     * @param near directions are told by what lies within so many pixels, over 0
     */
    public static List<Curve> smooth(List<Point> points, double tolerance, double near) {
        int last = points.size() - 1;
        CurveFitting fitting = new CurveFitting(points, tolerance, near);
        fitting.fit(0, last, fitting.direction(0, 1), fitting.direction(last, -1));
        return fitting.curves;
    }

    /**
     * Curves through a ring of points, from the first round to the first again, smooth there, too.
     *
     * @param points at least three, neighbours apart, the first not once more at the end
     * @param tolerance how far a point may lie from its curve, over 0
     * @param near directions are told by what lies within so many pixels, over 0
     */
    public static List<Curve> ring(List<Point> points, double tolerance, double near) {
        List<Point> round = new ArrayList<>(points);
        round.add(points.get(0));
        CurveFitting fitting = new CurveFitting(round, tolerance, near);
        int n = points.size();
        // One curve that comes back to where it began can do anything on its way: quarters can't.
        int quarters = Math.min(n, 4);
        Point leaves = fitting.around(0, n);
        for (int q = 0; q < quarters; q++) {
            int from = q * n / quarters;
            int to = (q + 1) * n / quarters;
            Point arrives = fitting.around(to % n, n);
            fitting.fit(from, to, leaves, arrives.times(-1));
            leaves = arrives;
        }
        return fitting.curves;
    }

    /**
     * The same as an open path.
     *
     * @param widths of each point; a knot has that of its point as its feather
     */
    public static BezierPath path(List<Point> points, List<Double> widths, double tolerance) {
        List<BezierPath.Knot> knots = new ArrayList<>();
        Point in = Point.ORIGIN;
        int at = 0;
        for (Curve c : smoothByWidths(points, widths, tolerance)) {
            while (!points.get(at).equals(c.p0())) {
                at++;
            }
            knots.add(new BezierPath.Knot(c.p0(), in, c.p1().minus(c.p0()), widths.get(at)));
            in = c.p2().minus(c.p3());
        }
        int last = points.size() - 1;
        knots.add(new BezierPath.Knot(points.get(last), in, Point.ORIGIN, widths.get(last)));
        return new BezierPath(knots, false);
    }

    /** Between knots the width changes evenly: where that wouldn't do, there is one more knot. */
    private static List<Curve> smoothByWidths(List<Point> points, List<Double> widths, double tolerance) {
        CurveFitting fitting = new CurveFitting(points, tolerance, 6 * tolerance);
        int last = points.size() - 1;
        List<Integer> cuts = new ArrayList<>();
        fitting.widthCuts(0, last, widths, cuts);
        cuts.add(last);
        Point leaves = fitting.direction(0, 1);
        int from = 0;
        for (int to : cuts) {
            Point arrives = to == last
                    ? fitting.direction(last, -1)
                    : fitting.through(to, 0, last).times(-1);
            fitting.fit(from, to, leaves, arrives);
            leaves = arrives.times(-1);
            from = to;
        }
        return fitting.curves;
    }

    /** The points at which the width has to be told, in their order (D. H. Douglas and T. K. Peucker 1973). */
    private void widthCuts(int first, int last, List<Double> widths, List<Integer> into) {
        double[] u = byLength(first, last);
        int worst = first;
        double most = 0;
        for (int i = first + 1; i < last; i++) {
            double even = widths.get(first) + (widths.get(last) - widths.get(first)) * u[i - first];
            double off = Math.abs(widths.get(i) - even) - Math.max(tolerance, WIDTH_OFF * widths.get(i));
            if (off > most) {
                most = off;
                worst = i;
            }
        }
        if (worst > first) {
            widthCuts(first, worst, widths, into);
            into.add(worst);
            widthCuts(worst, last, widths, into);
        }
    }

    /** Whither the line leads from a point on, as a parabola through it and two more does. */
    private Point direction(int at, int by) {
        Point from = points.get(at);
        int half = beyond(at, at + by, by, near / 2);
        int far = beyond(at, half + by, by, near);
        Point one = points.get(half).minus(from);
        if (far < 0 || far >= points.size()) {
            return unit(one);
        }
        Point two = points.get(far).minus(from);
        double a = one.length();
        double b = two.length();
        return b <= a ? unit(one) : unit(one.times(b / (a * (b - a))).minus(two.times(a / (b * (b - a)))));
    }

    /** The first point from one on that is so far away; where there is none the last. */
    private int beyond(int at, int first, int by, double length) {
        int k = first;
        while (k + by >= 0
                && k + by < points.size()
                && points.get(k).minus(points.get(at)).length() < length) {
            k += by;
        }
        return k;
    }

    private static Point unit(Point v) {
        double length = v.length();
        return length == 0 ? new Point(1, 0) : v.times(1 / length);
    }

    private void fit(int first, int last, Point leaves, Point arrives) {
        if (last - first == 1) {
            double third = points.get(last).minus(points.get(first)).length() / 3;
            curves.add(between(first, last, leaves.times(third), arrives.times(third)));
            return;
        }
        double[] u = byLength(first, last);
        Curve curve = leastSquares(first, last, u, leaves, arrives);
        int worst = worst(curve, first, last, u);
        for (int round = 0; round < ROUNDS && off(curve, worst, first, u) > tolerance; round++) {
            if (off(curve, worst, first, u) > HOPELESS * tolerance) {
                break;
            }
            for (int i = 0; i < u.length; i++) {
                u[i] = nearer(curve, points.get(first + i), u[i]);
            }
            curve = leastSquares(first, last, u, leaves, arrives);
            worst = worst(curve, first, last, u);
        }
        if (off(curve, worst, first, u) <= tolerance) {
            curves.add(curve);
            return;
        }
        Point through = through(worst, first, last);
        fit(first, worst, leaves, through.times(-1));
        fit(worst, last, through, arrives);
    }

    /** The direction of the line at one of its points, by those around it. */
    private Point through(int at, int first, int last) {
        int before = at;
        int after = at;
        while (before > first && points.get(before).minus(points.get(at)).length() < near / 3) {
            before--;
        }
        while (after < last && points.get(after).minus(points.get(at)).length() < near / 3) {
            after++;
        }
        return unit(points.get(after).minus(points.get(before)));
    }

    /** The direction of a ring of {@code n} points at one of them. */
    private Point around(int at, int n) {
        int by = 1;
        while (by < n / 4
                && points.get((at + by) % n)
                                .minus(points.get((at - by + n) % n))
                                .length()
                        < 2 * near) {
            by++;
        }
        return unit(points.get((at + by) % n).minus(points.get((at - by + n) % n)));
    }

    private double[] byLength(int first, int last) {
        double[] u = new double[last - first + 1];
        for (int i = 1; i < u.length; i++) {
            u[i] = u[i - 1]
                    + points.get(first + i).minus(points.get(first + i - 1)).length();
        }
        for (int i = 1; i < u.length; i++) {
            u[i] /= u[u.length - 1];
        }
        return u;
    }

    private Curve between(int first, int last, Point out, Point in) {
        Point a = points.get(first);
        Point b = points.get(last);
        return new Curve(a, a.plus(out), b.plus(in), b);
    }

    private Curve leastSquares(int first, int last, double[] u, Point leaves, Point arrives) {
        Point a = points.get(first);
        Point b = points.get(last);
        double c00 = 0;
        double c01 = 0;
        double c11 = 0;
        double x0 = 0;
        double x1 = 0;
        double both = dot(leaves, arrives);
        for (int i = 0; i < u.length; i++) {
            double t = u[i];
            double s = 1 - t;
            double b1 = 3 * t * s * s;
            double b2 = 3 * t * t * s;
            Point rest = points.get(first + i).minus(a.times(s * s * s + b1)).minus(b.times(t * t * t + b2));
            c00 += b1 * b1;
            c01 += b1 * b2 * both;
            c11 += b2 * b2;
            x0 += b1 * dot(rest, leaves);
            x1 += b2 * dot(rest, arrives);
        }
        double det = c00 * c11 - c01 * c01;
        double chord = b.minus(a).length();
        double out = det == 0 ? 0 : (x0 * c11 - x1 * c01) / det;
        double in = det == 0 ? 0 : (c00 * x1 - c01 * x0) / det;
        // Handles that point backwards make loops: then thirds of the chord will do.
        if (out < 1e-6 * chord || in < 1e-6 * chord || out > 3 * chord + tolerance || in > 3 * chord + tolerance) {
            out = chord / 3;
            in = chord / 3;
        }
        return between(first, last, leaves.times(out), arrives.times(in));
    }

    private int worst(Curve curve, int first, int last, double[] u) {
        int worst = first + (last - first) / 2;
        for (int i = first + 1; i < last; i++) {
            worst = off(curve, i, first, u) > off(curve, worst, first, u) ? i : worst;
        }
        return worst;
    }

    private double off(Curve curve, int at, int first, double[] u) {
        return curve.at(u[at - first]).minus(points.get(at)).length();
    }

    /** A step by Newton's rule towards the parameter whose point lies nearest. */
    private static double nearer(Curve c, Point p, double t) {
        double s = 1 - t;
        Point off = c.at(t).minus(p);
        Point speed = c.p1().minus(c.p0())
                .times(3 * s * s)
                .plus(c.p2().minus(c.p1()).times(6 * s * t))
                .plus(c.p3().minus(c.p2()).times(3 * t * t));
        Point turn = c.p2().minus(c.p1().times(2))
                .plus(c.p0())
                .times(6 * s)
                .plus(c.p3().minus(c.p2().times(2)).plus(c.p1()).times(6 * t));
        double slope = dot(speed, speed) + dot(off, turn);
        double next = slope <= 0 ? t : t - dot(off, speed) / slope;
        return Math.min(1, Math.max(0, next));
    }

    private static double dot(Point a, Point b) {
        return a.x() * b.x() + a.y() * b.y();
    }
}
