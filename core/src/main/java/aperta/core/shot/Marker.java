package aperta.core.shot;

/** A named point in the time of the shot. */
public record Marker(long at, String name) {
    public Marker {
        if (Math.abs(at) > Shot.LONGEST || name.length() > 200) {
            throw new IllegalArgumentException("A marker lies within the shot and has a name of at most 200 letters.");
        }
    }
}
