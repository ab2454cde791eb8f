package aperta.core.shot;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.List;

/**
 * How far a layer is from its resting pose.
 *
 * @param shift in pixels of the space that the layer's position counts in
 * @param scale by which its scale is multiplied, for both directions
 * @param turn in degrees, added to its rotation
 * @param opacity by which its opacity is multiplied, 0 to 1
 * @param blur the σ of a Gaussian over all of it, in its own pixels
 * @param tracking added to the tracking of words, in thousandths of an em
 */
public record Pose(Point shift, Point scale, double turn, double opacity, double blur, double tracking) {
    public static final Pose REST = new Pose(Point.ORIGIN, new Point(1, 1), 0, 1, 0, 0);
    private static final double FAR = 1e6;
    private static final double LARGEST = 1000;
    private static final double MOST_BLUR = 1000;
    private static final double WIDEST = 10_000;

    /** What a pose is made of, for people. */
    public static final Descriptor DESCRIPTOR = new Descriptor(
            "pose",
            "Pose",
            "How far a layer is from rest.",
            List.of(
                    Parameter.point("shift", "Shifted", Point.ORIGIN),
                    new Parameter(
                            "scale",
                            "Scaled",
                            Parameter.Kind.POINT,
                            "%",
                            -LARGEST,
                            LARGEST,
                            new Point(1, 1),
                            List.of()),
                    Parameter.number("turn", "Turned", "°", -FAR, FAR, 0),
                    Parameter.number("opacity", "Opacity", "%", 0, 1, 1),
                    Parameter.number("blur", "Blurred", "px", 0, MOST_BLUR, 0),
                    Parameter.number("tracking", "Tracking", "‰ em", -WIDEST, WIDEST, 0)));

    public Pose {
        if (!(Math.abs(shift.x()) <= FAR && Math.abs(shift.y()) <= FAR)
                || !(Math.abs(scale.x()) <= LARGEST && Math.abs(scale.y()) <= LARGEST)
                || !(Math.abs(turn) <= FAR)) {
            throw new IllegalArgumentException("A pose lies within 1000000 px, 100000 % and 1000000 ° of rest.");
        }
        if (!(opacity >= 0 && opacity <= 1) || !(blur >= 0 && blur <= MOST_BLUR) || !(Math.abs(tracking) <= WIDEST)) {
            throw new IllegalArgumentException(
                    "A pose has an opacity of 0 to 100 %, a blur of 0 to 1000 px and at most 10000 ‰ em of tracking.");
        }
    }

    /** The nearest pose that there is, for what an ease that overshoots asks for. */
    private static Pose within(Point shift, Point scale, double turn, double opacity, double blur, double tracking) {
        return new Pose(
                new Point(between(shift.x(), FAR), between(shift.y(), FAR)),
                new Point(between(scale.x(), LARGEST), between(scale.y(), LARGEST)),
                between(turn, FAR),
                Math.min(1, Math.max(0, opacity)),
                Math.min(MOST_BLUR, Math.max(0, blur)),
                between(tracking, WIDEST));
    }

    private static double between(double value, double most) {
        return Math.min(most, Math.max(-most, value));
    }

    public static Pose faded(double opacity) {
        return new Pose(Point.ORIGIN, REST.scale, 0, Math.min(1, Math.max(0, opacity)), 0, 0);
    }

    public static Pose shifted(Point shift) {
        return new Pose(shift, REST.scale, 0, 1, 0, 0);
    }

    public static Pose scaled(double by) {
        return new Pose(Point.ORIGIN, new Point(by, by), 0, 1, 0, 0);
    }

    public Pose withShift(Point other) {
        return new Pose(other, scale, turn, opacity, blur, tracking);
    }

    public Pose withScale(Point other) {
        return new Pose(shift, other, turn, opacity, blur, tracking);
    }

    public Pose withTurn(double other) {
        return new Pose(shift, scale, other, opacity, blur, tracking);
    }

    public Pose withBlur(double other) {
        return new Pose(shift, scale, turn, opacity, other, tracking);
    }

    /** The pose on the way: itself at 0, rest at 1; a way beyond goes on, where that has a meaning. */
    public Pose towardsRest(double way) {
        double left = 1 - way;
        return within(
                shift.times(left),
                new Point(1 + (scale.x() - 1) * left, 1 + (scale.y() - 1) * left),
                turn * left,
                1 + (opacity - 1) * left,
                blur * left,
                tracking * left);
    }

    /** Both together. */
    public Pose and(Pose other) {
        return within(
                shift.plus(other.shift),
                new Point(scale.x() * other.scale.x(), scale.y() * other.scale.y()),
                turn + other.turn,
                opacity * other.opacity,
                StrictMath.hypot(blur, other.blur),
                tracking + other.tracking);
    }

    public Pose withOpacity(double other) {
        return new Pose(shift, scale, turn, other, blur, tracking);
    }

    /** A layer whose values are fixed, in this pose. */
    Layer of(Layer still) {
        if (equals(REST)) {
            return still;
        }
        Place p = still.place();
        Point at = p.position().at(0, Mix.POINT);
        Point size = p.scale().at(0, Mix.POINT);
        Layer moved = still.withPlace(new Place(
                p.anchor(),
                Animated.of(at.plus(shift)),
                Animated.of(new Point(size.x() * scale.x(), size.y() * scale.y())),
                Animated.of(p.rotation().at(0, Mix.NUMBER) + turn),
                Animated.of(p.opacity().at(0, Mix.NUMBER) * opacity),
                Animated.of(StrictMath.hypot(p.blur().at(0, Mix.NUMBER), blur))));
        if (tracking != 0 && still.content() instanceof Content.Text text) {
            return moved.withContent(wider(text));
        }
        return moved;
    }

    /** All letters, also those with a tracking of their own. */
    private Content.Text wider(Content.Text text) {
        Content.Text all = text.withLook(wider(text.look()));
        return all.withRuns(
                text.runs().stream().map(r -> r.withLook(wider(r.look()))).toList());
    }

    private LetterLook wider(LetterLook look) {
        LetterLook.Measure measure = LetterLook.Measure.TRACKING;
        return look.measures().containsKey(measure)
                ? look.with(measure, Animated.of(look.fixed(measure) + tracking))
                : look;
    }
}
