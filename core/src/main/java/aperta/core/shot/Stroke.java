package aperta.core.shot;

import java.util.Optional;

/**
 * A stroke of a pen.
 *
 * @param path its line, open, in the layer's own pixels; the feather of each knot is the pen's width there
 * @param begins what begins with it
 * @param time when it is written, as shares of the whole time; nothing where the pen's speed decides
 */
public record Stroke(String id, BezierPath path, Begins begins, Optional<Time> time) {
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

    public Stroke withPath(BezierPath other) {
        return new Stroke(id, other, begins, time);
    }

    public Stroke withTime(Optional<Time> other) {
        return new Stroke(id, path, begins, other);
    }
}
