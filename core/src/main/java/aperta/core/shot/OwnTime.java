package aperta.core.shot;

/**
 * Where a layer's own time lies in the shot: its frame {@code own} is the shot's frame {@code start + step · own}. Held and
 * frozen frames of the groups around it are passed over, as on a ruler.
 *
 * @param start the frame of the shot on which its own time is 0
 * @param step frames of the shot for each of its own: 1 but inside groups of another speed, below 0 in reversed ones
 */
public record OwnTime(double start, double step) {
    /** The shot's own. */
    static final OwnTime SHOT = new OwnTime(0, 1);

    /** Of a layer whose span lies in this time. */
    OwnTime of(Span span) {
        return new OwnTime(start + step * (span.in() - span.offset()), step);
    }

    /** Of what a layer with this own time holds. */
    OwnTime inside(Pace pace, Span span) {
        double each = step / pace.speed();
        return pace.reversed()
                ? new OwnTime(start + step * (span.length() - 1 + 2 * span.offset()), -each)
                : new OwnTime(start, each);
    }
}
