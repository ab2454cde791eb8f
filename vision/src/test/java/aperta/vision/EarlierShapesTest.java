package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A figure of two poses, a column with an arm to the left or to the right of it. */
class EarlierShapesTest {
    private static final int SIDE = 40;
    private static final Region PART = new Region(100, 50, SIDE, SIDE);

    @BeforeAll
    static void load() {
        Natives.demand();
    }

    private static Plane pose(boolean left, int dx) {
        Plane p = new Plane(SIDE, SIDE);
        for (int y = 5; y < 35; y++) {
            for (int x = 17; x < 23; x++) {
                p.value()[y * SIDE + x + dx] = 1;
            }
        }
        for (int y = 15; y < 20; y++) {
            for (int x = left ? 8 : 23; x < (left ? 17 : 32); x++) {
                p.value()[y * SIDE + x + dx] = 1;
            }
        }
        return p;
    }

    private static Plane flat(float value) {
        Plane p = new Plane(SIDE, SIDE);
        Arrays.fill(p.value(), value);
        return p;
    }

    private static Colours colours(float value) {
        return new Colours(SIDE, SIDE, new float[][] {flat(value).value(), flat(0).value(), flat(0).value()});
    }

    private static EarlierShapes twoPoses() {
        return EarlierShapes.NONE
                .with(10, PART, pose(true, 0), flat(1), colours(10), 1)
                .with(20, PART, pose(false, 0), flat(1), colours(20), 1);
    }

    /** What a frame says of a pose of which only the outer end of the arm can be seen; the rest of the arm looks like the ground. */
    private static Plane armHalfSeen(boolean left, int dx) {
        Plane all = pose(left, dx);
        Plane says = flat(-2);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                int i = y * SIDE + x;
                boolean column = x - dx >= 17 && x - dx < 23;
                boolean end = left ? x - dx < 11 : x - dx >= 29;
                says.value()[i] = all.value()[i] > 0 ? column || end ? 3 : -1.5f : -2;
            }
        }
        return says;
    }

    private static Optional<Recalled> alike(EarlierShapes earlier, long frame, Plane says) {
        return earlier.alike(frame, PART, pose(true, 0), says);
    }

    @Test
    void thePoseIsRecalledThatFitsWhatCanBeSeen() {
        Recalled left = alike(twoPoses(), 40, armHalfSeen(true, 0)).orElseThrow();
        assertThat(left.own().channels()[0][0]).isEqualTo(10);
        Recalled right = alike(twoPoses(), 40, armHalfSeen(false, 0)).orElseThrow();
        assertThat(right.own().channels()[0][0]).isEqualTo(20);
    }

    @Test
    void theFigureIsFoundWhereItHasGoneSinceAndALittleBeside() {
        EarlierShapes moved = twoPoses().moved(3, 0);
        Recalled found = alike(moved, 40, armHalfSeen(false, 5)).orElseThrow();
        // Of the two poses recalled together the column is the same, three pixels on, and two beside.
        assertThat(found.coverage().value()[30 * SIDE + 22]).isEqualTo(1);
        assertThat(found.coverage().value()[30 * SIDE + 27]).isEqualTo(1);
        assertThat(found.coverage().value()[30 * SIDE + 21]).isZero();
        assertThat(found.coverage().value()[30 * SIDE + 28]).isZero();
    }

    @Test
    void framesNearbyAreNotRecalled() {
        assertThat(alike(twoPoses(), 15, armHalfSeen(true, 0))).isEmpty();
    }

    @Test
    void whatIsNoLikenessIsNotRecalled() {
        Plane elsewhere = flat(-2);
        for (int i = 36 * SIDE; i < 40 * SIDE; i++) {
            elsewhere.value()[i] = 3;
        }
        Plane remembered = new Plane(SIDE, SIDE);
        Arrays.fill(remembered.value(), 36 * SIDE, 40 * SIDE, 1);
        assertThat(twoPoses().alike(40, PART, remembered, elsewhere)).isEmpty();
    }

    @Test
    void whatWasHardlySeenIsNotKept() {
        EarlierShapes none = EarlierShapes.NONE.with(10, PART, pose(true, 0), flat(1), colours(10), 0.5);
        assertThat(none.all()).isEmpty();
    }

    @Test
    void aFrameSeenAgainTakesThePlaceOfItself() {
        EarlierShapes again = twoPoses().with(10, PART, pose(false, 0), flat(1), colours(30), 1);
        assertThat(again.all())
                .hasSize(2)
                .filteredOn(e -> e.frame() == 10)
                .singleElement()
                .satisfies(e -> assertThat(e.own().channels()[0][0]).isEqualTo(30));
    }

    @Test
    void ofALongClipFewFramesAreKeptFromAllOverIt() {
        EarlierShapes many = EarlierShapes.NONE;
        Plane pose = pose(true, 0);
        for (int f = 0; f < 1000; f++) {
            many = many.with(f, PART, pose, pose, colours(1), 1);
        }
        assertThat(many.all().size()).isBetween(48, 97);
        for (int from = 0; from < 1000; from += 50) {
            int first = from;
            assertThat(many.all()).anyMatch(e -> e.frame() >= first && e.frame() < first + 50);
        }
    }

    @Test
    void twoLotsTogetherKnowEachFrameOnce() {
        EarlierShapes other = EarlierShapes.NONE
                .with(20, PART, pose(true, 0), flat(1), colours(99), 1)
                .with(30, PART, pose(true, 0), flat(1), colours(30), 1);
        EarlierShapes both = twoPoses().and(other);
        assertThat(both.all()).extracting(EarlierShapes.Exemplar::frame).containsExactly(10L, 20L, 30L);
        assertThat(both.all().get(1).own().channels()[0][0]).isEqualTo(20);
    }

    @Test
    void whatWasClearThenStandsInForWhatIsNotClearNow() {
        Plane clear = flat(1);
        Plane now = flat(0);
        now.value()[0] = 1;
        clear.value()[1] = 0;
        Plane filled = new Recalled(flat(1), clear, colours(0)).filledInto(flat(0.2f), now);
        assertThat(filled.value()[0]).isEqualTo(0.2f);
        assertThat(filled.value()[1]).isEqualTo(0.2f);
        assertThat(filled.value()[2]).isCloseTo(1, within(1e-6f));
    }
}
