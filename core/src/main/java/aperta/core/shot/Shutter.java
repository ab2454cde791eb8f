package aperta.core.shot;

/**
 * How long a frame is exposed, for layers with motion blur.
 *
 * @param angle in degrees: 360 is all of a frame's time, 180 half of it
 * @param phase in degrees: where the exposure begins, from the frame's own time; −90 with an angle of 180 is centred
 */
public record Shutter(double angle, double phase) {
    /** Half of a frame’s time, from its beginning, so that what jumps between frames leaves no ghost. */
    public static final Shutter HALF = new Shutter(180, 0);

    public Shutter {
        if (!(angle >= 0 && angle <= 720) || !(phase >= -360 && phase <= 360)) {
            throw new IllegalArgumentException("A shutter opens 0 to 720 °, from −360 to 360 °.");
        }
    }

    public double opens() {
        return phase / 360;
    }

    /** In frames. */
    public double length() {
        return angle / 360;
    }
}
