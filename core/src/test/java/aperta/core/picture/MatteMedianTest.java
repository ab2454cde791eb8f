package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class MatteMedianTest {
    private static final Region PART = new Region(0, 0, 60, 40);

    /** A block 20 wide and 16 high. */
    private static Matte block(int x, int y) {
        Matte m = new Matte(PART);
        for (int v = 0; v < 16; v++) {
            for (int u = 0; u < 20; u++) {
                m.set(x + u, y + v, 1);
            }
        }
        return m;
    }

    @Test
    void aWalkersShiftIsFoundThoughALegIsMissing() {
        Matte before = block(8, 5);
        Matte now = block(25, 11);
        for (int v = 8; v < 16; v++) {
            for (int u = 0; u < 6; u++) {
                now.set(25 + u, 11 + v, 0);
            }
        }
        assertThat(MatteShift.between(before, now)).isEqualTo(new MatteShift(17, 6));
        assertThat(MatteShift.between(now, before)).isEqualTo(new MatteShift(-17, -6));
        assertThat(MatteShift.between(new Matte(PART), now)).isEqualTo(MatteShift.NONE);
    }

    /** The mattes lie where they are seen: only part of the frame each. */
    @Test
    void whereTheMattesLieMakesNoDifference() {
        Matte whole = block(25, 11);
        Matte part = new Matte(new Region(22, 9, 30, 22));
        part.copyFrom(whole);
        assertThat(MatteShift.between(block(8, 5), part)).isEqualTo(new MatteShift(17, 6));
    }

    @Test
    void whatIsMissingOnOneFrameIsThereAndWhatIsThereOnOneFrameIsNot() {
        Matte now = block(20, 10);
        now.set(22, 12, 0);
        now.set(50, 30, 1);
        Matte steady =
                MatteMedian.of(PART, block(14, 12), new MatteShift(6, -2), now, block(26, 8), new MatteShift(-6, 2));
        assertThat(steady.values()).isEqualTo(block(20, 10).values());
    }

    /** An edge that goes on moving by two pixels a frame, beside the whole shift, stays where it is on the one in the middle. */
    @Test
    void anEdgeThatGoesOnTheSameWayStays() {
        Matte now = block(20, 10);
        Matte steady = MatteMedian.of(PART, block(18, 10), MatteShift.NONE, now, block(22, 10), MatteShift.NONE);
        assertThat(steady.values()).isEqualTo(now.values());
    }

    @Test
    void outsideOfAMattesDomainThereIsNothing() {
        Matte full = new Matte(PART);
        full.fill(1);
        Matte small = new Matte(new Region(10, 10, 5, 5));
        small.fill(1);
        Matte steady = MatteMedian.of(PART, small, new MatteShift(50, 0), full, small, new MatteShift(47, -3));
        // The two lie over one another on three columns and three rows, one of them partly outside of the frame.
        assertThat(steady.at(59, 9)).isEqualTo(1);
        assertThat(steady.at(57, 9)).isEqualTo(1);
        assertThat(steady.at(56, 9)).isZero();
        assertThat(MatteMedian.of(Region.NOTHING, small, MatteShift.NONE, full, small, MatteShift.NONE)
                        .values())
                .isEmpty();
    }
}
