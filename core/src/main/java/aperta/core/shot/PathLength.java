package aperta.core.shot;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;

/** A path measured along itself, by quadrature of its curves. */
public final class PathLength {
    private static final double NOTHING = 1e-9;

    private final BezierPath path;
    /** The length up to each knot, where it was asked for; the last is that of the whole. */
    private volatile double[] measured;

    public PathLength(BezierPath path) {
        this.path = path;
    }

    public static List<PathLength> ofEach(List<BezierPath> paths) {
        return paths.stream().map(PathLength::new).toList();
    }

    private double[] until() {
        double[] known = measured;
        if (known == null) {
            known = new double[path.segments() + 1];
            for (int i = 0; i < path.segments(); i++) {
                known[i + 1] = known[i] + path.curve(i).length();
            }
            measured = known;
        }
        return known;
    }

    public BezierPath path() {
        return path;
    }

    /** In pixels. */
    public double length() {
        return until()[path.segments()];
    }

    /** How far along the path each of its segments begins, and last its end, in pixels. */
    public double[] untilKnots() {
        return until().clone();
    }

    /** The point that lies so many pixels along. */
    public Point point(double along) {
        Place place = at(along);
        return path.curve(place.segment).at(place.t);
    }

    /** A point of the path: a curve of it, and the curve's parameter. */
    private record Place(int segment, double t) {}

    private Place at(double length) {
        double[] until = until();
        int low = 0;
        while (low < path.segments() - 1 && until[low + 1] <= length) {
            low++;
        }
        double own = until[low + 1] - until[low];
        double share = own <= 0 ? 0 : Math.min(1, Math.max(0, (length - until[low]) / own));
        return new Place(low, path.curve(low).atShare(share));
    }

    /** A piece of a path, and how far along the path it begins. */
    public record Piece(BezierPath path, double from) {}

    /**
     * What lies between two shares of the length, both moved by a third. A closed path goes on from its end to its start in
     * one piece; an open one begins again, in a second piece.
     */
    public List<Piece> between(double start, double end, double offset) {
        double whole = length();
        if (!(end > start) || whole <= NOTHING) {
            return List.of();
        }
        if (end - start >= 1) {
            return List.of(new Piece(path, 0));
        }
        double from = start + offset - Math.floor(start + offset);
        double to = from + end - start;
        if (to <= 1 || path.closed()) {
            return List.of(piece(from * whole, to * whole));
        }
        List<Piece> both = new ArrayList<>();
        if (1 - from > NOTHING) {
            both.add(piece(from * whole, whole));
        }
        both.add(piece(0, (to - 1) * whole));
        return both;
    }

    /** From one length to a greater one; on closed paths the second may lie beyond the end, by less than the whole. */
    public Piece piece(double from, double to) {
        double whole = length();
        Place first = at(from);
        Place last = at(to > whole ? to - whole : to);
        List<Curve> curves = new ArrayList<>();
        if (to <= whole && first.segment == last.segment) {
            curves.add(part(first.segment, first.t, last.t));
        } else {
            curves.add(part(first.segment, first.t, 1));
            int n = path.segments();
            for (int i = (first.segment + 1) % n; i != last.segment; i = (i + 1) % n) {
                curves.add(path.curve(i));
            }
            curves.add(part(last.segment, 0, last.t));
        }
        return new Piece(through(curves), from);
    }

    private Curve part(int segment, double from, double to) {
        Curve whole = path.curve(segment);
        if (whole.isStraight()) {
            Point a = whole.at(from);
            Point b = whole.at(to);
            return new Curve(a, a, b, b);
        }
        Curve rest = from > 0 ? whole.from(from) : whole;
        return to < 1 ? rest.upTo((to - from) / (1 - from)) : rest;
    }

    private static BezierPath through(List<Curve> curves) {
        List<BezierPath.Knot> knots = new ArrayList<>();
        Point in = Point.ORIGIN;
        for (Curve c : curves) {
            knots.add(new BezierPath.Knot(c.p0(), in, c.p1().minus(c.p0())));
            in = c.p2().minus(c.p3());
        }
        knots.add(new BezierPath.Knot(curves.get(curves.size() - 1).p3(), in, Point.ORIGIN));
        return new BezierPath(knots, false);
    }
}
