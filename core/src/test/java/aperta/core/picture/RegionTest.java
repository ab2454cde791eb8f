package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Box;
import java.awt.Rectangle;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RegionTest {
    private static Region random(Random r) {
        return new Region(r.nextInt(20) - 10, r.nextInt(20) - 10, 1 + r.nextInt(12), 1 + r.nextInt(12));
    }

    private static Rectangle jdk(Region r) {
        return new Rectangle(r.x(), r.y(), r.width(), r.height());
    }

    /** Against the JDK's Rectangle. */
    @Test
    void meetAndJoinAsRectanglesDo() {
        Random random = new Random(2);
        for (int i = 0; i < 500; i++) {
            Region a = random(random);
            Region b = random(random);
            Rectangle meet = jdk(a).intersection(jdk(b));
            assertThat(a.intersect(b).isEmpty()).isEqualTo(meet.isEmpty());
            if (!meet.isEmpty()) {
                assertThat(jdk(a.intersect(b))).isEqualTo(meet);
            }
            assertThat(jdk(a.union(b))).isEqualTo(jdk(a).union(jdk(b)));
            assertThat(a.contains(b)).isEqualTo(jdk(a).contains(jdk(b)));
        }
    }

    @Test
    void nothingStaysNothing() {
        assertThat(new Region(5, 5, -3, 7).isEmpty()).isTrue();
        assertThat(Region.NOTHING.grown(4).isEmpty()).isTrue();
        assertThat(Region.NOTHING.union(new Region(1, 2, 3, 4))).isEqualTo(new Region(1, 2, 3, 4));
        assertThat(new Region(1, 2, 3, 4).contains(Region.NOTHING)).isTrue();
        assertThat(Region.around(Box.EMPTY)).isEqualTo(Region.NOTHING);
    }

    @Test
    void aBoxTakesEveryPixelItTouches() {
        assertThat(Region.around(new Box(0.1, -0.1, 2, 1.5))).isEqualTo(new Region(0, -1, 2, 3));
        assertThat(Region.around(new Box(-1e12, -1e12, 1e12, 1e12))).isEqualTo(Region.EVERYWHERE);
    }

    @Test
    void aViewSharesItsPicturesPlanes() {
        Picture whole = new Picture(new Region(0, 0, 10, 10));
        whole.view(new Region(3, 4, 2, 2)).fill(1, 0.5f, 0.25f, 1);
        assertThat(whole.at(3, 4)).containsExactly(1, 0.5f, 0.25f, 1);
        assertThat(whole.at(5, 4)[3]).isZero();
        assertThat(whole.view(new Region(20, 20, 5, 5)).domain().isEmpty()).isTrue();
        Matte matte = new Matte(new Region(0, 0, 4, 4));
        matte.view(new Region(1, 1, 1, 1)).fill(0.5f);
        assertThat(matte.at(1, 1)).isEqualTo(0.5f);
        assertThat(matte.at(9, 9)).isZero();
    }

    @Test
    void scratchPlanesAreUsedAgain() {
        Scratch scratch = new Scratch();
        Picture first = scratch.picture(new Region(0, 0, 100, 16));
        float[] plane = first.red;
        scratch.give(first);
        Picture second = scratch.picture(new Region(5, 5, 90, 16));
        assertThat(List.of(second.planes())).anyMatch(p -> p == plane);
    }
}
