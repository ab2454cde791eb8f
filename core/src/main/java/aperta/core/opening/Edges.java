package aperta.core.opening;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Front;
import aperta.core.shot.Mask;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What openings with edges share: straight edges, strips, circles; their masks are united. */
final class Edges {
    /** How far from its middle a feathered edge still fades, as a multiple of the feather: three times σ. */
    static final double REACH = 1.5;

    private static final double FAR = 1e5;
    /** What lies closer touches, in pixels. */
    private static final double TOUCH = 1e-6;
    /** The radius of a circle that isn't there yet, in pixels. */
    private static final double LEAST = 1e-3;

    private Edges() {}

    /** A stretch of a line across the layer. */
    record Stretch(double from, double to) {
        double length() {
            return to - from;
        }
    }

    /** The direction of an angle, in degrees clockwise from the right, as a vector of length 1. */
    static Point towards(double degrees) {
        double angle = Math.toRadians(degrees);
        return new Point(StrictMath.cos(angle), StrictMath.sin(angle));
    }

    /** How far a box reaches along a vector of length 1. */
    static Stretch stretch(Box box, Point along) {
        double from = Double.POSITIVE_INFINITY;
        double to = Double.NEGATIVE_INFINITY;
        for (Point p : box.corners()) {
            double at = p.x() * along.x() + p.y() * along.y();
            from = Math.min(from, at);
            to = Math.max(to, at);
        }
        return new Stretch(from, to);
    }

    /**
     * What an edge that travels along a direction has uncovered of a box. It starts and ends so far outside that a soft
     * edge has no part in it.
     *
     * @param share 0 nothing, 1 all
     */
    static Mask wiped(Box box, Point along, double feather, double share) {
        return before(along, line(box, along, feather, share).at(), feather);
    }

    /** The same edge as a front. */
    static Front.Line line(Box box, Point along, double feather, double share) {
        Stretch all = stretch(box, along);
        double spare = REACH * feather;
        return new Front.Line(along, all.from - spare + share * (all.length() + 2 * spare));
    }

    /** Stretches that touch become one, so that no edge is seen between them. */
    static List<Stretch> united(List<Stretch> stretches) {
        List<Stretch> all = new ArrayList<>();
        stretches.stream().sorted(Comparator.comparingDouble(Stretch::from)).forEach(s -> {
            int last = all.size() - 1;
            if (last >= 0 && s.from <= all.get(last).to + TOUCH) {
                all.set(last, new Stretch(all.get(last).from, Math.max(all.get(last).to, s.to)));
            } else {
                all.add(s);
            }
        });
        return all;
    }

    /** Everything between two lines. */
    static Mask strip(Point along, Stretch between, double feather) {
        Point across = new Point(-along.y(), along.x()).times(FAR);
        Point from = along.times(between.from);
        Point to = along.times(between.to);
        return mask(
                new BezierPath(List.of(
                        corner(to.plus(across)),
                        corner(to.minus(across)),
                        corner(from.minus(across)),
                        corner(from.plus(across)))),
                feather);
    }

    /** The radius of the circle about a point that holds a box. */
    static double farthest(Box box, Point centre) {
        double farthest = 0;
        for (Point p : box.corners()) {
            farthest = Math.max(farthest, p.minus(centre).length());
        }
        return farthest;
    }

    /** Everything in a circle. */
    static Mask circle(Point centre, double radius, double feather) {
        double r = Math.max(radius, LEAST);
        return mask(
                BezierPath.ellipse(new Box(centre.x() - r, centre.y() - r, centre.x() + r, centre.y() + r)), feather);
    }

    /**
     * Everything on one side of a line.
     *
     * @param along a vector of length 1 across the line
     * @param at the line's place along it; what lies before it stays
     */
    static Mask before(Point along, double at, double feather) {
        Point across = new Point(-along.y(), along.x());
        Point middle = along.times(at);
        Point back = middle.minus(along.times(FAR));
        return mask(
                new BezierPath(List.of(
                        corner(middle.plus(across.times(FAR))),
                        corner(middle.minus(across.times(FAR))),
                        corner(back.minus(across.times(FAR))),
                        corner(back.plus(across.times(FAR))))),
                feather);
    }

    /** What holds nothing that anybody sees. */
    static Mask nothing() {
        return before(towards(0), -FAR, 0);
    }

    static Mask mask(BezierPath path, double feather) {
        return Mask.of("opening", "Opening", path).withFeather(Animated.of(feather));
    }

    private static BezierPath.Knot corner(Point p) {
        return BezierPath.Knot.corner(p.x(), p.y());
    }
}
