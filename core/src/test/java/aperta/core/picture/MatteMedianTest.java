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
        assertThat(MatteShift.between(before, now, PART)).isEqualTo(new MatteShift(17, 6));
        assertThat(MatteShift.between(now, before, PART)).isEqualTo(new MatteShift(-17, -6));
        assertThat(MatteShift.between(new Matte(PART), now, PART)).isEqualTo(MatteShift.NONE);
    }

    /** Of a figure 30 wide, 12 columns have come in, then 20; and on the other side 20 are left, then 12. */
    @Test
    void aFigureThatComesInOrGoesOutMovesAsFarAsItsEdge() {
        Matte less = new Matte(PART);
        Matte more = new Matte(PART);
        for (int y = 5; y < 35; y++) {
            for (int x = 0; x < 20; x++) {
                less.set(x, y, x < 12 ? 1 : 0);
                more.set(x, y, 1);
            }
        }
        assertThat(MatteShift.between(less, more, PART)).isEqualTo(new MatteShift(8, 0));
        assertThat(MatteShift.between(more, less, PART)).isEqualTo(new MatteShift(-8, 0));
    }

    /** Of large mattes not each pixel is looked at, and a soft edge still says by how many pixels it has moved. */
    @Test
    void aLargeFiguresShiftIsFoundToThePixel() {
        Region frame = new Region(0, 0, 900, 800);
        Matte[] both = {new Matte(frame), new Matte(frame)};
        for (int k = 0; k < 2; k++) {
            for (int y = 0; y < 800; y++) {
                for (int x = 0; x < 900; x++) {
                    double far = Math.hypot(x - 400 - 13 * k, (y - 380 + 7 * k) / 1.2);
                    both[k].set(x, y, (float) Math.max(0, Math.min(1, (300 - far) / 6)));
                }
            }
        }
        assertThat(MatteShift.between(both[0], both[1], frame)).isEqualTo(new MatteShift(13, -7));
    }

    /** The mattes lie where they are seen: only part of the frame each. */
    @Test
    void whereTheMattesLieMakesNoDifference() {
        Matte whole = block(25, 11);
        Matte part = new Matte(new Region(22, 9, 30, 22));
        part.copyFrom(whole);
        assertThat(MatteShift.between(block(8, 5), part, PART)).isEqualTo(new MatteShift(17, 6));
    }

    @Test
    void whatIsMissingOnOneFrameIsThereAndWhatIsThereOnOneFrameIsNot() {
        Matte now = block(20, 10);
        now.set(22, 12, 0);
        now.set(50, 30, 1);
        Matte steady = MatteMedian.of(
                PART, PART, block(14, 12), new MatteShift(6, -2), now, block(26, 8), new MatteShift(-6, 2));
        assertThat(steady.values()).isEqualTo(block(20, 10).values());
    }

    /** An edge that goes on moving by two pixels a frame, beside the whole shift, stays where it is on the one in the middle. */
    @Test
    void anEdgeThatGoesOnTheSameWayStays() {
        Matte now = block(20, 10);
        Matte steady = MatteMedian.of(PART, PART, block(18, 10), MatteShift.NONE, now, block(22, 10), MatteShift.NONE);
        assertThat(steady.values()).isEqualTo(now.values());
    }

    /** Of what comes in, the frame before shows less: that isn't held against it. */
    @Test
    void whatLiesBeyondThePictureIsNotKnown() {
        Matte now = new Matte(PART);
        now.copyFrom(block(0, 10));
        Matte before = new Matte(PART);
        for (int y = 10; y < 26; y++) {
            for (int x = 0; x < 8; x++) {
                before.set(x, y, 1);
            }
        }
        Matte none = new Matte(Region.NOTHING);
        MatteShift by = new MatteShift(12, 0);
        assertThat(MatteMedian.of(PART, PART, before, by, now, none, by).at(5, 15))
                .isEqualTo(1);
        assertThat(MatteMedian.of(PART, PART, before, by, now, block(12, 10), new MatteShift(-12, 0))
                        .values())
                .isEqualTo(now.values());
        now.set(30, 15, 1);
        now.set(4, 2, 1);
        Matte flawed = MatteMedian.of(PART, PART, before, by, now, none, by);
        assertThat(flawed.at(30, 15)).isZero();
        assertThat(flawed.at(4, 2)).isEqualTo(1);
        Matte known = MatteMedian.of(PART, PART, before, by, now, none, new MatteShift(-12, 0));
        assertThat(known.at(4, 2)).isEqualTo(0.5f);
    }

    @Test
    void outsideOfAMattesDomainThereIsNothing() {
        Matte full = new Matte(PART);
        full.fill(1);
        Matte small = new Matte(new Region(10, 10, 5, 5));
        small.fill(1);
        Region wide = PART.grown(100);
        Matte steady = MatteMedian.of(PART, wide, small, new MatteShift(50, 0), full, small, new MatteShift(47, -3));
        // All but the one in the middle lie over one another on three columns and two rows, and only the middle one
        // beside it.
        assertThat(steady.at(59, 9)).isEqualTo(1);
        assertThat(steady.at(57, 9)).isEqualTo(1);
        assertThat(steady.at(56, 9)).isZero();
        assertThat(steady.at(30, 20)).isZero();
        assertThat(MatteMedian.of(Region.NOTHING, wide, small, MatteShift.NONE, full, small, MatteShift.NONE)
                        .values())
                .isEmpty();
    }
}
