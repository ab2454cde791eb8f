package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A path of cubic Bézier curves through its knots, in the order given.
 *
 * @param closed whether a last curve leads from the last knot to the first
 */
public record BezierPath(List<Knot> knots, boolean closed) {
    public static final int MOST_KNOTS = 10_000;

    /** Knot by knot; where the numbers differ, knots are put into the poorer path first: see {@link Matching}. */
    public static final Mix<BezierPath> MIX = BezierPath::mix;

    public BezierPath {
        knots = List.copyOf(knots);
        if (knots.size() < 2 || knots.size() > MOST_KNOTS) {
            throw new IllegalArgumentException(
                    "A path has between 2 and " + MOST_KNOTS + " points, not " + knots.size() + ".");
        }
    }

    /** A closed path. */
    public BezierPath(List<Knot> knots) {
        this(knots, true);
    }

    /**
     * A point of the path with its two handles, relative to the point; a handle of zero makes a corner.
     *
     * @param feather how much wider the edge of a mask falls off here than the mask's own feather says, in pixels;
     *     along a stroke of ink: how wide the pen is here
     */
    public record Knot(Point at, Point in, Point out, double feather) {
        public Knot(Point at, Point in, Point out) {
            this(at, in, out, 0);
        }

        public static Knot corner(double x, double y) {
            return new Knot(new Point(x, y), Point.ORIGIN, Point.ORIGIN);
        }

        public boolean isCorner() {
            return in.equals(Point.ORIGIN) && out.equals(Point.ORIGIN);
        }

        /** Without handles. */
        public Knot cornered() {
            return new Knot(at, Point.ORIGIN, Point.ORIGIN, feather);
        }

        public Knot withFeather(double other) {
            return new Knot(at, in, out, other);
        }

        Knot reversed() {
            return new Knot(at, out, in, feather);
        }

        Knot mix(Knot other, double t) {
            return new Knot(
                    at.mix(other.at, t),
                    in.mix(other.in, t),
                    out.mix(other.out, t),
                    Mix.NUMBER.mix(feather, other.feather, t));
        }
    }

    /** With its points and the tips of its handles seen in perspective. */
    public BezierPath inPerspective(Homography map) {
        return new BezierPath(
                knots.stream()
                        .map(k -> {
                            Point to = map.apply(k.at);
                            return new Knot(
                                    to,
                                    map.apply(k.at.plus(k.in)).minus(to),
                                    map.apply(k.at.plus(k.out)).minus(to),
                                    k.feather);
                        })
                        .toList(),
                closed);
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

    /** How many curves the path has. */
    public int segments() {
        return closed ? knots.size() : knots.size() - 1;
    }

    /** The curve that leaves a knot. */
    public Curve curve(int segment) {
        Knot a = knots.get(segment);
        Knot b = knots.get((segment + 1) % knots.size());
        return new Curve(a.at, a.at.plus(a.out), b.at.plus(b.in), b.at);
    }

    public boolean hasFeather() {
        return knots.stream().anyMatch(k -> k.feather != 0);
    }

    /**
     * The area inside, positive where it runs clockwise as seen on the screen: ½ ∮ (x dy − y dx), summed exactly over the
     * cubic pieces; an open path is taken as closed by a straight line.
     */
    public double area() {
        double sum = 0;
        for (int i = 0; i < segments(); i++) {
            Curve c = curve(i);
            sum += 6 * cross(c.p0(), c.p1())
                    + 3 * cross(c.p0(), c.p2())
                    + cross(c.p0(), c.p3())
                    + 3 * cross(c.p1(), c.p2())
                    + 3 * cross(c.p1(), c.p3())
                    + 6 * cross(c.p2(), c.p3());
        }
        double closing = closed || knots.isEmpty()
                ? 0
                : cross(knots.get(knots.size() - 1).at(), knots.get(0).at());
        return sum / 20 + closing / 2;
    }

    private static double cross(Point a, Point b) {
        return a.x() * b.y() - a.y() * b.x();
    }

    public BezierPath with(int index, Knot knot) {
        List<Knot> next = new ArrayList<>(knots);
        next.set(index, knot);
        return new BezierPath(next, closed);
    }

    /** With some of its knots changed, each by itself. */
    public BezierPath mapped(List<Integer> indices, UnaryOperator<Knot> change) {
        List<Knot> next = new ArrayList<>(knots);
        indices.forEach(i -> next.set(i, change.apply(next.get(i))));
        return new BezierPath(next, closed);
    }

    /** One more knot on a curve, at its parameter {@code t}; the shape stays the same (de Casteljau). */
    public BezierPath split(int segment, double t) {
        int after = (segment + 1) % knots.size();
        Knot a = knots.get(segment);
        Knot b = knots.get(after);
        List<Knot> next = new ArrayList<>(knots);
        if (a.out.equals(Point.ORIGIN) && b.in.equals(Point.ORIGIN)) {
            Point p = a.at.mix(b.at, t);
            next.add(segment + 1, Knot.corner(p.x(), p.y()).withFeather(mixed(a, b, t)));
            return new BezierPath(next, closed);
        }
        Curve c = curve(segment);
        Curve first = c.upTo(t);
        Curve last = c.from(t);
        next.set(segment, new Knot(a.at, a.in, first.p1().minus(a.at), a.feather));
        next.set(after, new Knot(b.at, last.p2().minus(b.at), b.out, b.feather));
        Point p = last.p0();
        next.add(segment + 1, new Knot(p, first.p2().minus(p), last.p1().minus(p), mixed(a, b, t)));
        return new BezierPath(next, closed);
    }

    private static double mixed(Knot a, Knot b, double t) {
        return Mix.NUMBER.mix(a.feather, b.feather, t);
    }

    /**
     * Without some knots.
     *
     * @throws IllegalArgumentException where fewer than two would be left
     */
    public BezierPath without(List<Integer> indices) {
        List<Knot> next = new ArrayList<>();
        Set<Integer> gone = Set.copyOf(indices);
        for (int i = 0; i < knots.size(); i++) {
            if (!gone.contains(i)) {
                next.add(knots.get(i));
            }
        }
        if (next.size() < 2) {
            throw new IllegalArgumentException("A path keeps at least two points; remove the whole mask instead.");
        }
        return new BezierPath(next, closed);
    }

    /** Corners made round: their handles lie along the line between their neighbours, a third of the way to each. */
    public BezierPath smooth(List<Integer> indices) {
        List<Knot> next = new ArrayList<>(knots);
        indices.forEach(i -> next.set(i, smooth(i)));
        return new BezierPath(next, closed);
    }

    private Knot smooth(int index) {
        Knot k = knots.get(index);
        Point before = neighbour(index, -1);
        Point after = neighbour(index, 1);
        Point along = after.minus(before);
        double length = along.length();
        if (length == 0) {
            return k;
        }
        Point unit = along.times(1 / length);
        return new Knot(
                k.at,
                unit.times(-before.minus(k.at).length() / 3),
                unit.times(after.minus(k.at).length() / 3),
                k.feather);
    }

    private Point neighbour(int index, int by) {
        int at = closed ? Math.floorMod(index + by, knots.size()) : Math.max(0, Math.min(knots.size() - 1, index + by));
        return knots.get(at).at;
    }

    /** Moves both handles of a curve as little as possible, so that its point at {@code t} comes to lie at {@code to}. */
    public BezierPath bent(int segment, double t, Point to) {
        int after = (segment + 1) % knots.size();
        Point off = to.minus(curve(segment).at(t));
        double first = 3 * (1 - t) * (1 - t) * t;
        double last = 3 * (1 - t) * t * t;
        double norm = first * first + last * last;
        if (norm < 1e-12) {
            return this;
        }
        Knot a = knots.get(segment);
        Knot b = knots.get(after);
        // A straight line has its handles on its ends: they take their places on it first, which leaves it as it is.
        if (a.out.equals(Point.ORIGIN) && b.in.equals(Point.ORIGIN)) {
            Point third = b.at.minus(a.at).times(1 / 3.0);
            BezierPath drawn = with(segment, new Knot(a.at, a.in, third, a.feather));
            Knot end = drawn.knots.get(after);
            return drawn.with(after, new Knot(end.at, third.times(-1), end.out, end.feather))
                    .bent(segment, t, to);
        }
        BezierPath one = with(segment, new Knot(a.at, a.in, a.out.plus(off.times(first / norm)), a.feather));
        Knot end = one.knots.get(after);
        return one.with(after, new Knot(end.at, end.in.plus(off.times(last / norm)), end.out, end.feather));
    }

    /** The same shape, run through the other way from the same first knot. */
    public BezierPath reversed() {
        List<Knot> next = new ArrayList<>(knots.stream().map(Knot::reversed).toList());
        Collections.reverse(next);
        if (closed) {
            Collections.rotate(next, 1);
        }
        return new BezierPath(next, closed);
    }

    /** A closed path that begins with another of its knots. */
    public BezierPath from(int index) {
        List<Knot> next = new ArrayList<>(knots);
        Collections.rotate(next, -index);
        return new BezierPath(next, closed);
    }

    /** A closed path cut through at a knot, which becomes both ends. */
    public BezierPath broken(int index) {
        BezierPath turned = from(index);
        List<Knot> next = new ArrayList<>(turned.knots);
        next.add(turned.knots.get(0));
        return new BezierPath(next, false);
    }

    /** The ends of a path joined by a line, or by one knot where they lie together. */
    public BezierPath joined() {
        Knot first = knots.get(0);
        Knot last = knots.get(knots.size() - 1);
        if (knots.size() < 3 || first.at.minus(last.at).length() > 1e-6) {
            return new BezierPath(knots, true);
        }
        List<Knot> next = new ArrayList<>(knots.subList(0, knots.size() - 1));
        next.set(0, new Knot(first.at, last.in, first.out, first.feather));
        return new BezierPath(next, true);
    }

    public BezierPath translated(Point by) {
        return new BezierPath(
                knots.stream()
                        .map(k -> new Knot(k.at().plus(by), k.in(), k.out(), k.feather))
                        .toList(),
                closed);
    }

    public BezierPath transformed(Affine map) {
        return new BezierPath(knots.stream().map(k -> transformed(k, map)).toList(), closed);
    }

    /** A knot elsewhere; its feather keeps its width in pixels of the path. */
    public static Knot transformed(Knot k, Affine map) {
        return new Knot(map.apply(k.at()), map.applyVector(k.in()), map.applyVector(k.out()), k.feather);
    }

    /** The same path with the feathers of its knots that many times as wide. */
    BezierPath feathered(double times) {
        return hasFeather()
                ? new BezierPath(
                        knots.stream()
                                .map(k -> new Knot(k.at(), k.in(), k.out(), k.feather * times))
                                .toList(),
                        closed)
                : this;
    }

    private static BezierPath mix(BezierPath a, BezierPath b, double t) {
        if (t == 0 || a.closed != b.closed) {
            return t < 0.5 ? a : b;
        }
        if (a.knots.size() != b.knots.size()) {
            return t == 1 ? b : mix(Matching.enriched(a, b), Matching.enriched(b, a), t);
        }
        List<Knot> next = new ArrayList<>(a.knots.size());
        for (int i = 0; i < a.knots.size(); i++) {
            next.add(a.knots.get(i).mix(b.knots.get(i), t));
        }
        return new BezierPath(next, a.closed);
    }
}
