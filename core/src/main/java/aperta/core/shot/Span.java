package aperta.core.shot;

/**
 * Where a layer lies in time, in frames of the shot (or of the group that holds it).
 *
 * @param in the first frame on which the layer exists
 * @param length how many frames it exists
 * @param offset the frame of its own content that is shown on the frame {@code in}
 * @throws IllegalArgumentException where the length is not at least one frame
 */
public record Span(long in, long length, long offset) {
    public Span {
        if (length < 1) {
            throw new IllegalArgumentException("A layer lasts at least one frame, not " + length + ".");
        }
        if (Math.abs(in) > Shot.LONGEST || length > Shot.LONGEST || Math.abs(offset) > 100 * Shot.LONGEST) {
            throw new IllegalArgumentException("A layer lies within " + Shot.LONGEST + " frames of the start.");
        }
    }

    public static Span of(long in, long length) {
        return new Span(in, length, 0);
    }

    /** The first frame after the layer. */
    public long out() {
        return in + length;
    }

    public boolean contains(double frame) {
        return frame >= in && frame < out();
    }

    /** The layer's own time at a frame of what holds it; its keys and its content count in it. */
    public double inside(double frame) {
        return frame - in + offset;
    }
}
