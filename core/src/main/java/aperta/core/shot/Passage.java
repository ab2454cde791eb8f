package aperta.core.shot;

import aperta.core.time.Ease;
import aperta.core.time.Rate;
import java.util.Optional;

/**
 * The arrival or the departure of a layer. On the first frame of an arrival the layer is wholly in its pose, {@code
 * length} frames later wholly at rest; on the last frame of a departure it is wholly in its pose, {@code length} frames
 * before still at rest.
 *
 * @param length in frames, at least 1
 * @param delay in frames: how long after its first frame the layer begins to arrive, or how long before its last it has
 *     left
 * @param ease from the pose to rest when it arrives, from rest to the pose when it leaves
 * @param pose what it comes from, or goes to
 * @param opening a recipe for more than a pose, such as a wipe
 * @param pass of an arrival: the layer that gives way to this one meanwhile
 */
public record Passage(
        long length, long delay, Ease ease, Pose pose, Optional<AnimatedRecipe> opening, Optional<Pass> pass) {
    public Passage {
        if (length < 1 || length > Shot.LONGEST || delay < 0 || delay > Shot.LONGEST) {
            throw new IllegalArgumentException(
                    "An arrival or departure lasts at least one frame and begins no earlier than the layer.");
        }
    }

    /** One that takes over from no other layer. */
    public Passage(long length, long delay, Ease ease, Pose pose, Optional<AnimatedRecipe> opening) {
        this(length, delay, ease, pose, opening, Optional.empty());
    }

    /**
     * Where one layer gives way to the next.
     *
     * @param from the id of the one that goes; it lies right below
     * @param before how many frames before the cut the next one begins
     */
    public record Pass(String from, long before) {}

    /** Half a second from where the layer rests, which an opening or a pose makes visible. */
    public static Passage standard(Rate rate) {
        return new Passage(
                Math.max(1, Math.round(rate.framesPerSecond() / 2)), 0, Ease.EASE_OUT, Pose.REST, Optional.empty());
    }

    public Passage withLength(long other) {
        return new Passage(other, delay, ease, pose, opening, pass);
    }

    public Passage withOpening(Optional<AnimatedRecipe> other) {
        return new Passage(length, delay, ease, pose, other, pass);
    }

    public Passage withDelay(long other) {
        return new Passage(length, other, ease, pose, opening, pass);
    }

    public Passage withPose(Pose other) {
        return new Passage(length, delay, ease, other, opening, pass);
    }

    public Passage withPass(Optional<Pass> other) {
        return new Passage(length, delay, ease, pose, opening, other);
    }

    /** A frame within an arrival that begins at 0, or a departure that does. */
    public record Way(double frame, Passage passage, boolean arriving) {
        /** How near to rest: 0 in its pose, 1 at rest; an ease may go beyond. */
        public double share() {
            double t = passage.ease.at(frame / passage.length);
            return arriving ? t : 1 - t;
        }

        /** The same for one of several pieces whose own ways follow one another. */
        public double share(double start, double length) {
            double t = passage.ease.at((frame - start) / length);
            return arriving ? t : 1 - t;
        }

        public boolean over() {
            return arriving ? frame >= passage.length : frame <= 0;
        }
    }

    /** Where an arrival stands at a frame of the layer's own time; nothing where it is over. */
    static Optional<Way> arriving(Layer layer, double frame) {
        return layer.arrive()
                .map(p -> new Way(frame - layer.span().offset() - p.delay, p, true))
                .filter(w -> !w.over());
    }

    /** Where a departure stands at a frame of the layer's own time; nothing where it hasn't begun. */
    static Optional<Way> leaving(Layer layer, double frame) {
        return layer.leave()
                .map(p -> new Way(
                        frame - layer.span().offset() - (layer.span().length() - 1 - p.delay - p.length), p, false))
                .filter(w -> !w.over());
    }
}
