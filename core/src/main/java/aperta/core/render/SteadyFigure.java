package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMedian;
import aperta.core.picture.MatteShift;
import aperta.core.picture.Region;
import java.util.List;

/**
 * The coverage of a figure without what is there on one frame only: the median of three frames, the ones before and after
 * moved to where the figure is on this one (the whole shift by which least is different). Common practice, no source. A median keeps an edge that
 * goes on moving the same way, which a mean would blur.
 */
final class SteadyFigure implements MadeMatte {
    private final Step.Shades before;
    private final Step.Shades now;
    private final Step.Shades after;
    private final double share;
    private final ContentKey key;

    /** @param share of the median, 0 to 1; the rest is the frame's own coverage */
    SteadyFigure(Step.Shades before, Step.Shades now, Step.Shades after, double share) {
        this.before = before;
        this.now = now;
        this.after = after;
        this.share = share;
        this.key = ContentKey.of("steady figure")
                .step(before)
                .step(now)
                .step(after)
                .number(share)
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return now.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(before, now, after);
    }

    /** By how far a figure has moved shows only in all of it. */
    @Override
    public Region needs(int input, Region wanted) {
        return inputs().get(input).domain();
    }

    @Override
    public Matte make(Region needed, Making making) {
        return making.shaded(
                before,
                before.domain(),
                b -> making.shaded(
                        now, now.domain(), n -> making.shaded(after, after.domain(), a -> median(needed, b, n, a))));
    }

    private Matte median(Region needed, Matte b, Matte n, Matte a) {
        Matte own = new Matte(needed);
        own.copyFrom(n);
        Region picture = now.domain();
        MatteShift fromBefore = MatteShift.between(b, n, picture);
        MatteShift fromAfter = MatteShift.between(a, n, picture);
        Matte to = MatteMedian.of(needed, picture, b, fromBefore, n, a, fromAfter);
        float part = (float) share;
        for (int i = 0; i < to.values().length; i++) {
            float mine = own.values()[i];
            to.values()[i] = mine + part * (to.values()[i] - mine);
        }
        return to;
    }
}
