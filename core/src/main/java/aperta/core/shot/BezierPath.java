package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;

/** A closed path of cubic Bézier curves through its knots, in the order given. */
public record BezierPath(List<Knot> knots) {
    public static final int MOST_KNOTS = 10_000;

    /** Knot by knot where the numbers agree; otherwise each path keeps its own shape up to the middle. */
    public static final Mix<BezierPath> MIX = BezierPath::mix;

    public BezierPath {
        knots = List.copyOf(knots);
        if (knots.size() < 2 || knots.size() > MOST_KNOTS) {
            throw new IllegalArgumentException(
                    "A mask's path has between 2 and " + MOST_KNOTS + " points, not " + knots.size() + ".");
        }
    }

    /** A point of the path with its two handles, relative to the point; a handle of zero makes a corner. */
    public record Knot(Point at, Point in, Point out) {
        public static Knot corner(double x, double y) {
            return new Knot(new Point(x, y), Point.ORIGIN, Point.ORIGIN);
        }
    }

    public static BezierPath rectangle(Box box) {
        return new BezierPath(
                box.corners().stream().map(p -> Knot.corner(p.x(), p.y())).toList());
    }

    /** An ellipse of four cubic curves; the handle length 4/3·(√2 − 1) keeps it within 0.03 % of the radius. */
    public static BezierPath ellipse(Box box) {
        double k = 4.0 / 3 * (Math.sqrt(2) - 1);
        double rx = box.width() / 2;
        double ry = box.height() / 2;
        Point c = box.centre();
        return new BezierPath(List.of(
                new Knot(new Point(c.x(), box.y0()), new Point(-k * rx, 0), new Point(k * rx, 0)),
                new Knot(new Point(box.x1(), c.y()), new Point(0, -k * ry), new Point(0, k * ry)),
                new Knot(new Point(c.x(), box.y1()), new Point(k * rx, 0), new Point(-k * rx, 0)),
                new Knot(new Point(box.x0(), c.y()), new Point(0, k * ry), new Point(0, -k * ry))));
    }

    public BezierPath with(int index, Knot knot) {
        List<Knot> next = new ArrayList<>(knots);
        next.set(index, knot);
        return new BezierPath(next);
    }

    public BezierPath translated(Point by) {
        return new BezierPath(knots.stream()
                .map(k -> new Knot(k.at().plus(by), k.in(), k.out()))
                .toList());
    }

    public BezierPath transformed(Affine map) {
        return new BezierPath(knots.stream()
                .map(k -> new Knot(map.apply(k.at()), map.applyVector(k.in()), map.applyVector(k.out())))
                .toList());
    }

    private static BezierPath mix(BezierPath a, BezierPath b, double t) {
        if (a.knots.size() != b.knots.size()) {
            return t < 0.5 ? a : b;
        }
        List<Knot> next = new ArrayList<>(a.knots.size());
        for (int i = 0; i < a.knots.size(); i++) {
            Knot from = a.knots.get(i);
            Knot to = b.knots.get(i);
            next.add(new Knot(from.at.mix(to.at, t), from.in.mix(to.in, t), from.out.mix(to.out, t)));
        }
        return new BezierPath(next);
    }
}
