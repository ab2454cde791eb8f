package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A body that stands and a leg that swings, whose motions are known by construction. */
class LimbMotionTest {
    private static final int W = 60;
    private static final int H = 80;

    @BeforeAll
    static void natives() {
        Natives.demand();
    }

    private static boolean figure(int x, int y, int swing) {
        boolean body = x >= 15 && x < 45 && y >= 8 && y < 40;
        boolean leg = x >= 26 + swing && x < 34 + swing && y >= 40 && y < 74;
        return body || leg;
    }

    private static Plane remembered() {
        Plane to = new Plane(W, H);
        for (int i = 0; i < W * H; i++) {
            to.value()[i] = figure(i % W, i / W, 0) ? 1 : 0;
        }
        return to;
    }

    private static Plane evidence(int swing, float clear) {
        Plane to = new Plane(W, H);
        for (int i = 0; i < W * H; i++) {
            to.value()[i] = figure(i % W, i / W, swing) ? clear : -clear;
        }
        return to;
    }

    @Test
    void aLegIsFollowedWhereTheBodyStands() {
        Plane remembered = remembered();
        Plane now = LimbMotion.of(remembered, evidence(4, 2)).moved(remembered);
        int before = 0;
        int after = 0;
        for (int y = 52; y < 70; y++) {
            for (int x = 0; x < W; x++) {
                boolean truth = figure(x, y, 4);
                before += remembered.value()[y * W + x] > 0.5f == truth ? 0 : 1;
                after += now.value()[y * W + x] > 0.5f == truth ? 0 : 1;
            }
        }
        assertThat(before).isEqualTo(18 * 8);
        assertThat(after).isLessThan(before / 4);
        assertThat(now.value()[20 * W + 16]).isGreaterThan(0.9f);
        assertThat(now.value()[20 * W + 13]).isLessThan(0.1f);
    }

    /** A hand or a foot moves by nearly as much as it is wide: three fifths of it are there. */
    @Test
    void aLegThatIsQuickIsFollowedToo() {
        Plane remembered = remembered();
        Plane now = LimbMotion.of(remembered, evidence(7, 2)).moved(remembered);
        int there = 0;
        for (int y = 56; y < 68; y++) {
            for (int x = 33; x < 41; x++) {
                there += now.value()[y * W + x] > 0.5f ? 1 : 0;
            }
        }
        assertThat(there).isGreaterThan(12 * 8 * 3 / 5);
    }

    /** Where the frame says nothing, nothing is moved. */
    @Test
    void withoutEvidenceNothingMoves() {
        Plane remembered = remembered();
        LimbMotion motion = LimbMotion.of(remembered, new Plane(W, H));
        for (int i = 0; i < W * H; i++) {
            assertThat(motion.dx().value()[i]).isCloseTo(0, within(1e-6f));
            assertThat(motion.dy().value()[i]).isCloseTo(0, within(1e-6f));
        }
    }
}
