package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMedian;
import aperta.core.picture.MatteShift;
import aperta.core.picture.Region;
import java.util.Optional;

/**
 * Steadies a figure from frame to frame. What a frame shows clearly stays as it is, so that a hand which is quick isn't lost;
 * the rest is what two of three frames say: this one, and the one before and after, moved to where the figure is on this one
 * ({@link MatteMedian}). So a frame is told of when the next is known.
 */
final class Steadying {
    private final Region picture;
    private final CuttingOut.Told told;
    private Matte before;
    private MatteShift fromBefore = MatteShift.NONE;
    private Optional<Found> waiting = Optional.empty();

    private record Found(long frame, Matte coverage, Matte unclear, double sure) {}

    /**
     * @param picture a whole frame
     * @param before the coverage on the frame before the first
     */
    Steadying(Region picture, Matte before, CuttingOut.Told told) {
        this.picture = picture;
        this.before = before;
        this.told = told;
    }

    /**
     * A frame was found; the one before it is told of.
     *
     * @param unclear how little of each pixel its own frame shows, 0 to 1, on the coverage's domain
     * @return whether to go on
     */
    boolean found(long frame, Matte coverage, Matte unclear, double sure) {
        MatteShift moved = MatteShift.between(waiting.map(Found::coverage).orElse(before), coverage, picture);
        boolean goOn = tell(Optional.of(coverage), moved);
        fromBefore = moved;
        waiting = Optional.of(new Found(frame, coverage, unclear, sure));
        return goOn;
    }

    /** A frame is known already: the one before it is told of. */
    boolean known(Matte coverage) {
        boolean goOn = waiting.isEmpty()
                || tell(Optional.of(coverage), MatteShift.between(waiting.get().coverage, coverage, picture));
        before = coverage;
        return goOn;
    }

    /** Nothing more is found: the last frame is told of as it is, since none comes after it. */
    boolean end() {
        return tell(Optional.empty(), MatteShift.NONE);
    }

    /** @param moved from the frame that waits to the one after it */
    private boolean tell(Optional<Matte> after, MatteShift moved) {
        if (waiting.isEmpty()) {
            return true;
        }
        Found one = waiting.get();
        waiting = Optional.empty();
        Matte steady = after.map(a -> steadied(one, a, moved.back())).orElse(one.coverage);
        before = one.coverage;
        return told.frame(one.frame, steady, one.sure);
    }

    private Matte steadied(Found one, Matte after, MatteShift back) {
        Matte own = one.coverage;
        Matte to = MatteMedian.of(own.domain(), picture, before, fromBefore, own, after, back);
        for (int i = 0; i < to.values().length; i++) {
            float mine = own.values()[i];
            to.values()[i] = mine + one.unclear.values()[i] * (to.values()[i] - mine);
        }
        return to;
    }
}
