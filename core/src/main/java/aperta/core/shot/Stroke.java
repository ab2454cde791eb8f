package aperta.core.shot;

import aperta.core.time.Animated;
import java.util.Optional;

/**
 * A stroke of a pen.
 *
 * @param path its line, open, in the layer's own pixels; the feather of each knot is the pen's width there
 * @param begins what begins with it
 * @param time when it is written, as shares of the whole time; nothing where the pen's speed decides
 */
public record Stroke(String id, Animated<BezierPath> path, Begins begins, Optional<Time> time) {
    /** What a stroke is the first of. */
    public enum Begins {
        STROKE,
        LETTER,
        WORD
    }

    /** From one share of the whole time to a later one. */
    public record Time(double from, double to) {
        public Time {
            if (!(from >= 0 && to <= 1 && from < to)) {
                throw new IllegalArgumentException(
                        "A stroke is written between 0 and 1 of the whole time, and takes some of it.");
            }
        }
    }

    public Stroke {
        if (path.rest().closed() || path.keys().stream().anyMatch(k -> k.value().closed())) {
            throw new IllegalArgumentException("The path of a stroke is open.");
        }
    }

    public static Stroke of(String id, BezierPath line, Begins begins) {
        return new Stroke(id, Animated.of(line), begins, Optional.empty());
    }

    /** Its line, where its values are fixed. */
    public BezierPath line() {
        return path.at(0, BezierPath.MIX);
    }

    public Stroke withPath(Animated<BezierPath> other) {
        return new Stroke(id, other, begins, time);
    }

    public Stroke withTime(Optional<Time> other) {
        return new Stroke(id, path, begins, other);
    }
}
