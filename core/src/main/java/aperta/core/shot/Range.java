package aperta.core.shot;

/** The frames from {@code from} up to but not {@code to}. */
public record Range(long from, long to) {
    public Range {
        if (from < 0 || to <= from || to > Shot.LONGEST) {
            throw new IllegalArgumentException("A range ends after it begins, not at " + from + " to " + to + ".");
        }
    }
}
