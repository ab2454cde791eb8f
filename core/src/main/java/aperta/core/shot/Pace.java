package aperta.core.shot;

import java.util.Optional;

/**
 * How the content of a layer runs in the layer's own time: footage, and what lies inside a group. Keys of the layer keep
 * their own time.
 *
 * @param speed frames of the content for each frame of the layer, over 0; 0.5 lasts twice as long
 * @param reversed from the last frame of the layer's span back to the first
 * @param hold shows every {@code hold}th frame only, that long; 1 shows each
 * @param freeze shows this frame of the layer's own time for ever
 * @param mixed mixes two frames of footage where the time lies between them
 */
public record Pace(double speed, boolean reversed, long hold, Optional<Long> freeze, boolean mixed) {
    public static final Pace EVEN = new Pace(1, false, 1, Optional.empty(), false);

    public Pace {
        if (!(speed >= 0.001 && speed <= 1000)) {
            throw new IllegalArgumentException("A speed lies between 0.1 % and 100000 %.");
        }
        if (hold < 1 || hold > Shot.LONGEST) {
            throw new IllegalArgumentException("A frame is held at least once, not " + hold + " times.");
        }
    }

    /** The frame of the content, at a frame of the layer's own time. */
    public double at(double frame, Span span) {
        if (freeze.isPresent()) {
            return freeze.get() * speed;
        }
        double from = frame - span.offset();
        double held = hold == 1 ? from : Math.floor(from / hold) * hold;
        double turned = reversed ? span.length() - 1 - held : held;
        return (turned + span.offset()) * speed;
    }
}
