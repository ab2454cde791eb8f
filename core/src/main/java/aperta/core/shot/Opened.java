package aperta.core.shot;

import java.util.List;
import java.util.Optional;

/**
 * What an opening makes of a layer at one moment.
 *
 * @param pose in which the layer is
 * @param moving masks of which at least one must hold what is shown; they go with the layer, in its own space
 * @param standing the same for masks that stay where the layer rests, in its own space at rest
 * @param pieces the poses of its letters or inner layers, about their own middles
 * @param front its edge, where it has one
 * @param effects what it does to the layer's picture behind the effects that stand before the masks
 * @param writing how far it has been written, where a pen brings it
 */
public record Opened(
        Pose pose,
        List<Mask> moving,
        List<Mask> standing,
        Optional<Pieces> pieces,
        Optional<Front> front,
        List<LayerEffect> effects,
        Optional<Writing> writing) {
    public static final Opened REST = of(Pose.REST);

    public Opened(Pose pose, List<Mask> moving, List<Mask> standing, Optional<Pieces> pieces) {
        this(pose, moving, standing, pieces, Optional.empty(), List.of(), Optional.empty());
    }

    public static Opened of(Pose pose) {
        return new Opened(pose, List.of(), List.of(), Optional.empty());
    }

    public Opened withFront(Front other) {
        return new Opened(pose, moving, standing, pieces, Optional.of(other), effects, writing);
    }

    public Opened withEffects(List<LayerEffect> other) {
        return new Opened(pose, moving, standing, pieces, front, other, writing);
    }

    /** At rest, as far as it has been written. */
    public static Opened written(Writing writing) {
        return new Opened(
                Pose.REST, List.of(), List.of(), Optional.empty(), Optional.empty(), List.of(), Optional.of(writing));
    }

    /** What a layer is taken apart into. */
    public enum Unit {
        LETTERS,
        WORDS,
        LINES
    }

    /** The poses of pieces that move one after another. */
    public interface Pieces {
        /** Words are taken apart into these; groups into their layers; anything else stays whole. */
        Unit unit();

        Pose of(int index, int count);
    }
}
