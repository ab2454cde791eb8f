package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Homography;
import aperta.core.time.Animated;
import java.util.Optional;

/**
 * A closed path that shows a part of its layer. The masks of a layer work in order; where the first one adds or excludes it
 * starts from nothing, where it subtracts or intersects, from everything.
 *
 * All lengths are pixels of the space that the mask is locked to.
 *
 * @param path its knots may add to the feather
 * @param feather the width over which the edge falls off; the Gaussian's σ is half of it
 * @param outset by how much the shape is larger than its path, everywhere at right angles to it; smaller where
 *     negative
 * @param opacity 0 to 1
 * @param pin what it goes with in place of what it is locked to: then its space is that of the layer that shows the clip
 */
public record Mask(
        String id,
        String name,
        Animated<BezierPath> path,
        Animated<Double> feather,
        Animated<Double> outset,
        Animated<Double> opacity,
        boolean inverted,
        Mode mode,
        Lock lock,
        Optional<Pin> pin) {
    /** How a mask works upon what the masks before it have left. */
    public enum Mode {
        ADD,
        SUBTRACT,
        INTERSECT,
        /** What lies in one of both but not in the other. */
        EXCLUDE
    }

    /** What a mask goes with. */
    public enum Lock {
        LAYER,
        /** It stands in the shot's frame, whatever its layer does. */
        FRAME
    }

    /** A plain mask that adds what its path holds. */
    public static Mask of(String id, String name, BezierPath path) {
        return new Mask(
                id,
                name,
                Animated.of(path),
                Animated.of(0.0),
                Animated.of(0.0),
                Animated.of(1.0),
                false,
                Mode.ADD,
                Lock.LAYER,
                Optional.empty());
    }

    public Mask withName(String other) {
        return new Mask(id, other, path, feather, outset, opacity, inverted, mode, lock, pin);
    }

    public Mask withPath(Animated<BezierPath> other) {
        return new Mask(id, name, other, feather, outset, opacity, inverted, mode, lock, pin);
    }

    public Mask withFeather(Animated<Double> other) {
        return new Mask(id, name, path, other, outset, opacity, inverted, mode, lock, pin);
    }

    public Mask withOutset(Animated<Double> other) {
        return new Mask(id, name, path, feather, other, opacity, inverted, mode, lock, pin);
    }

    public Mask withOpacity(Animated<Double> other) {
        return new Mask(id, name, path, feather, outset, other, inverted, mode, lock, pin);
    }

    public Mask withInverted(boolean other) {
        return new Mask(id, name, path, feather, outset, opacity, other, mode, lock, pin);
    }

    /** The same mask in another space: its edges as soft as they were. */
    public Mask transformed(Affine map) {
        double scale = map.meanScale();
        return withPath(path.map(p -> p.transformed(map).feathered(scale)))
                .withFeather(feather.map(f -> f * scale))
                .withOutset(outset.map(o -> o * scale));
    }

    /** With the points and the tips of the handles of its path seen in perspective; its edges stay as soft. */
    public Mask inPerspective(Homography map) {
        return withPath(path.map(p -> p.inPerspective(map)));
    }

    public Mask withMode(Mode other) {
        return new Mask(id, name, path, feather, outset, opacity, inverted, other, lock, pin);
    }

    public Mask withLock(Lock other) {
        return new Mask(id, name, path, feather, outset, opacity, inverted, mode, other, pin);
    }

    public Mask withPin(Optional<Pin> other) {
        return new Mask(id, name, path, feather, outset, opacity, inverted, mode, lock, other);
    }
}
