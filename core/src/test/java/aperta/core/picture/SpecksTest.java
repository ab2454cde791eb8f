package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** What is small goes, what is not stays to the bit, and parts of a matte are as the whole. */
class SpecksTest {
    private static final Region ALL = new Region(0, 0, 60, 40);

    /** A plate with a hole of 5 by 3 and one of 9, and beside it specks of 4 by 2 and of 7. */
    private static Matte matte() {
        Matte m = new Matte(ALL);
        fill(m, new Region(5, 5, 30, 30), 1);
        fill(m, new Region(8, 8, 5, 3), 0.3f);
        fill(m, new Region(20, 18, 9, 9), 0);
        fill(m, new Region(40, 6, 4, 2), 0.8f);
        fill(m, new Region(44, 8, 1, 1), 0.1f);
        fill(m, new Region(40, 20, 7, 7), 0.6f);
        return m;
    }

    private static void fill(Matte m, Region r, float v) {
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                m.set(x, y, v);
            }
        }
    }

    @Test
    void specksGoWithTheirRims() {
        Matte to = Specks.without(6, matte(), ALL, false);
        Matte expected = matte();
        fill(expected, new Region(40, 6, 5, 3), 0);
        assertThat(to.values()).containsExactly(expected.values());
    }

    @Test
    void holesAreFilled() {
        Matte to = Specks.without(6, matte(), ALL, true);
        Matte expected = matte();
        fill(expected, new Region(8, 8, 5, 3), 1);
        assertThat(to.values()).containsExactly(expected.values());
    }

    @Test
    void whatIsAsLongStays() {
        assertThat(Specks.without(5, matte(), ALL, true).at(9, 9)).isEqualTo(0.3f);
        assertThat(Specks.without(7, matte(), ALL, false).at(43, 23)).isEqualTo(0.6f);
        assertThat(Specks.without(8, matte(), ALL, false).at(43, 23)).isZero();
    }

    /** What touches the end of what is known may go on beyond it. */
    @Test
    void whatReachesTheEdgeStays() {
        Matte m = new Matte(ALL);
        fill(m, new Region(0, 10, 3, 3), 1);
        assertThat(Specks.without(10, m, ALL, false).at(1, 11)).isEqualTo(1);
    }

    @Test
    void aPartIsAsTheWhole() {
        Matte whole = matte();
        Matte all = Specks.without(6, whole, ALL, true);
        Region part = new Region(10, 9, 12, 14);
        Matte around = new Matte(part.grown(6));
        around.copyFrom(whole);
        Matte one = Specks.without(6, around, part, true);
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                assertThat(one.at(x, y)).isEqualTo(all.at(x, y));
            }
        }
    }
}
