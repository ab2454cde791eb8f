package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import aperta.core.time.Mix;

/**
 * Where a layer lies in its parent's space, and how opaque it is.
 *
 * @param anchor the point of the layer's own space that lies on {@code position} and about which it turns and scales
 * @param scale 1 is its own size, for both directions
 * @param rotation degrees, clockwise
 * @param opacity 0 to 1
 * @param blur the σ of a Gaussian over all of the layer, in the layer's own pixels
 */
public record Place(
        Animated<Point> anchor,
        Animated<Point> position,
        Animated<Point> scale,
        Animated<Double> rotation,
        Animated<Double> opacity,
        Animated<Double> blur) {

    /** At its own size with its anchor, the origin of its space, on {@code position}. */
    public static Place at(Point position) {
        return new Place(
                Animated.of(Point.ORIGIN),
                Animated.of(position),
                Animated.of(new Point(1, 1)),
                Animated.of(0.0),
                Animated.of(1.0),
                Animated.of(0.0));
    }

    /** The map from the layer's own space into its parent's, at a frame of the layer's own time. */
    public Affine toParent(double frame) {
        Point a = anchor.at(frame, Mix.POINT);
        Point s = scale.at(frame, Mix.POINT);
        Point p = position.at(frame, Mix.POINT);
        return Affine.translation(-a.x(), -a.y())
                .then(Affine.scale(s.x(), s.y()))
                .then(Affine.rotation(rotation.at(frame, Mix.NUMBER)))
                .then(Affine.translation(p.x(), p.y()));
    }

    public Place withAnchor(Animated<Point> other) {
        return new Place(other, position, scale, rotation, opacity, blur);
    }

    public Place withPosition(Animated<Point> other) {
        return new Place(anchor, other, scale, rotation, opacity, blur);
    }

    public Place withScale(Animated<Point> other) {
        return new Place(anchor, position, other, rotation, opacity, blur);
    }

    public Place withRotation(Animated<Double> other) {
        return new Place(anchor, position, scale, other, opacity, blur);
    }

    public Place withOpacity(Animated<Double> other) {
        return new Place(anchor, position, scale, rotation, other, blur);
    }

    public Place withBlur(Animated<Double> other) {
        return new Place(anchor, position, scale, rotation, opacity, other);
    }
}
