package aperta.core.opening;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Mask;
import aperta.core.time.Animated;
import java.util.List;

/** Masks with one soft edge. */
final class Edges {
    /** How far from its middle a feathered edge still fades, as a multiple of the feather: three times σ. */
    static final double REACH = 1.5;

    private static final double FAR = 1e5;

    private Edges() {}

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

    static Mask mask(BezierPath path, double feather) {
        return Mask.of("opening", "Opening", path)
                .withFeather(Animated.of(feather))
                .withMode(Mask.Mode.INTERSECT);
    }

    private static BezierPath.Knot corner(Point p) {
        return BezierPath.Knot.corner(p.x(), p.y());
    }
}
