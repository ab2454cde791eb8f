package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class SteadyingTest {
    private static final Region FRAME = new Region(0, 0, 120, 80);

    private final TreeMap<Long, Matte> told = new TreeMap<>();
    private final List<Long> order = new ArrayList<>();

    private boolean told(long frame, Matte coverage, double sure) {
        told.put(frame, coverage);
        order.add(frame);
        return true;
    }

    /** A body that goes on by 6 pixels a frame, and a hand 4 pixels wide that flies up by 12. */
    private static Matte figure(long frame) {
        Matte m = new Matte(FRAME);
        int x = 10 + 6 * (int) frame;
        fill(m, x, 30, 24, 40, 1);
        fill(m, x + 26, 56 - 12 * (int) frame, 4, 4, 1);
        return m;
    }

    private static void fill(Matte m, int x, int y, int w, int h, float v) {
        for (int b = y; b < y + h; b++) {
            for (int a = x; a < x + w; a++) {
                m.set(a, b, v);
            }
        }
    }

    private static Matte flat(float v) {
        Matte m = new Matte(FRAME);
        m.fill(v);
        return m;
    }

    private static float hand(Matte m, long frame) {
        return m.at(10 + 6 * (int) frame + 27, 57 - 12 * (int) frame);
    }

    @Test
    void eachFrameIsToldOfWhenTheNextIsKnownAndTheLastAsItIs() {
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, figure(1), flat(1), 0.7);
        assertThat(order).isEmpty();
        steadying.found(2, figure(2), flat(1), 0.7);
        assertThat(order).containsExactly(1L);
        steadying.end();
        steadying.end();
        assertThat(order).containsExactly(1L, 2L);
        assertThat(told.get(2L).values()).isEqualTo(figure(2).values());
    }

    @Test
    void whatIsSeenClearlyStaysThoughItIsThereOnOneFrameOnly() {
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, figure(1), flat(0), 1);
        steadying.known(figure(2));
        assertThat(told.get(1L).values()).isEqualTo(figure(1).values());
    }

    @Test
    void whatIsUnclearIsAsTwoOfThreeFramesSay() {
        Matte now = figure(1);
        fill(now, 16, 40, 6, 6, 0);
        fill(now, 90, 10, 6, 6, 1);
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, now, flat(1), 1);
        steadying.known(figure(2));
        Matte steady = told.get(1L);
        assertThat(steady.at(18, 42)).isEqualTo(1);
        assertThat(steady.at(92, 12)).isZero();
        assertThat(hand(now, 1)).isEqualTo(1);
        assertThat(hand(steady, 1)).isZero();
    }

    @Test
    void halfUnclearIsHalfSteadied() {
        Matte now = figure(1);
        fill(now, 90, 10, 6, 6, 1);
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, now, flat(0.5f), 1);
        steadying.known(figure(2));
        assertThat(told.get(1L).at(92, 12)).isEqualTo(0.5f);
    }

    /** What was steadied isn't what the next frame is steadied by: errors would go on. */
    @Test
    void theNextFrameIsSteadiedByWhatWasFound() {
        Matte flaw = figure(1);
        fill(flaw, 90, 10, 6, 6, 1);
        Matte again = figure(2);
        fill(again, 96, 10, 6, 6, 1);
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, flaw, flat(1), 1);
        steadying.found(2, again, flat(1), 1);
        steadying.known(figure(3));
        assertThat(told.get(2L).at(98, 12)).isEqualTo(1);
    }

    @Test
    void whoWantsNoMoreIsHeard() {
        Steadying steadying = new Steadying(FRAME, figure(0), (f, alpha, sure) -> false);
        assertThat(steadying.found(1, figure(1), flat(1), 1)).isTrue();
        assertThat(steadying.found(2, figure(2), flat(1), 1)).isFalse();
    }

    @Test
    void aFigureThatLeavesThePictureIsHeldByNothing() {
        Steadying steadying = new Steadying(FRAME, figure(0), this::told);
        steadying.found(1, figure(1), flat(1), 1);
        steadying.found(2, new Matte(Region.NOTHING), new Matte(Region.NOTHING), 1);
        steadying.end();
        assertThat(told.get(2L).domain().isEmpty()).isTrue();
        assertThat(order).containsExactly(1L, 2L);
    }
}
