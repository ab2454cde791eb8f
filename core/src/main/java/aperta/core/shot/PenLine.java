package aperta.core.shot;

import aperta.core.colour.Colour;
import java.util.List;

/**
 * A line that a hand drew.
 *
 * @param path open, in the layer's own pixels; the feather of each knot is the pen's width there
 * @param angle of a broad nib, in degrees clockwise from level
 * @param times when the hand was at each knot, in seconds since the pen touched down; none where that isn't known
 * @param pause for how many seconds the pen was lifted before
 */
public record PenLine(
        String id, BezierPath path, Colour colour, Nib nib, double angle, List<Double> times, double pause) {
    /** The shape of the pen's tip. */
    public enum Nib {
        ROUND,
        BROAD
    }

    public PenLine {
        times = List.copyOf(times);
        if (path.closed()) {
            throw new IllegalArgumentException("The path of a line that is drawn is open.");
        }
        if (!times.isEmpty() && times.size() != path.knots().size()) {
            throw new IllegalArgumentException("A line has a time for each of its points, or none.");
        }
        for (int i = 1; i < times.size(); i++) {
            if (!(times.get(i) >= times.get(i - 1))) {
                throw new IllegalArgumentException("The times of a line go on.");
            }
        }
        if (!(pause >= 0) || !times.isEmpty() && !(times.get(0) >= 0)) {
            throw new IllegalArgumentException("Times and pauses of a line begin at 0.");
        }
    }

    /** How long the hand took, in seconds. */
    public double seconds() {
        return times.isEmpty() ? 0 : times.get(times.size() - 1);
    }

    /** The share of the line's length that the hand had drawn so many seconds after the pen touched down. */
    public double drawn(double after) {
        if (times.isEmpty() || after >= seconds()) {
            return after < 0 ? 0 : 1;
        }
        double length = 0;
        double whole = 0;
        for (int i = 0; i < path.segments(); i++) {
            double piece = path.curve(i).length();
            double from = times.get(i);
            double to = times.get(i + 1);
            double share = to <= from ? (after >= to ? 1 : 0) : Math.min(1, Math.max(0, (after - from) / (to - from)));
            length += piece * share;
            whole += piece;
        }
        return whole <= 0 ? 1 : length / whole;
    }
}
