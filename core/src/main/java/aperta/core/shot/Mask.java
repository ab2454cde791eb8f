package aperta.core.shot;

import aperta.core.time.Animated;

/**
 * A closed path that shows a part of its layer, in the layer's own pixels. The masks of a layer work in order; where
 * the first one adds or excludes it starts from nothing, where it subtracts or intersects, from everything.
 *
 * @param feather the width in pixels over which the edge falls off; the Gaussian's σ is half of it
 * @param opacity 0 to 1
 */
public record Mask(
        String id,
        String name,
        Animated<BezierPath> path,
        Animated<Double> feather,
        Animated<Double> opacity,
        boolean inverted,
        Mode mode) {
    /** How a mask works upon what the masks before it have left. */
    public enum Mode {
        ADD,
        SUBTRACT,
        INTERSECT,
        /** What lies in one of both but not in the other. */
        EXCLUDE
    }

    public Mask withPath(Animated<BezierPath> other) {
        return new Mask(id, name, other, feather, opacity, inverted, mode);
    }

    public Mask withFeather(Animated<Double> other) {
        return new Mask(id, name, path, other, opacity, inverted, mode);
    }

    public Mask withOpacity(Animated<Double> other) {
        return new Mask(id, name, path, feather, other, inverted, mode);
    }

    public Mask withMode(Mode other) {
        return new Mask(id, name, path, feather, opacity, inverted, other);
    }
}
