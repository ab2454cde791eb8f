package aperta.core.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Figures;
import aperta.core.shot.PathLength;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Three squares of 40, 80 and 160 pixels of length, and what strokes draw of them. */
class DrawnPartsTest {
    private static final List<BezierPath> SQUARES = List.of(square(30, 0, 10), square(60, 20, 20), square(0, 40, 40));

    private static BezierPath square(double x, double y, double side) {
        return Figures.rounded(new Box(x, y, x + side, y + side), 0);
    }

    private static Coat.Stroke stroke(Coat.Turns turns, double start, double end, double offset) {
        return Coat.Stroke.of("s", Colour.WHITE, 2)
                .withPacing(new Coat.Pacing(turns, Coat.Order.DRAWN, 1))
                .with(Measure.START, Animated.of(start))
                .with(Measure.END, Animated.of(end))
                .with(Measure.OFFSET, Animated.of(offset));
    }

    /** How much is drawn of each of the squares. */
    private static double[] drawn(Coat.Stroke stroke) {
        double[] all = new double[SQUARES.size()];
        for (DrawnParts.Part p : DrawnParts.of(PathLength.ofEach(SQUARES), stroke)) {
            all[SQUARES.indexOf(p.path().path())] += p.pieces().stream()
                    .mapToDouble(piece -> new PathLength(piece.path()).length())
                    .sum();
        }
        return all;
    }

    private static void draws(Coat.Stroke stroke, double... lengths) {
        assertThat(drawn(stroke)).containsExactly(lengths, within(1e-6));
    }

    @Test
    void togetherEachIsDrawnByItsOwnShare() {
        draws(stroke(Coat.Turns.TOGETHER, 0, 0.5, 0), 20, 40, 80);
        draws(stroke(Coat.Turns.TOGETHER, 0.25, 0.5, 0.9), 10, 20, 40);
    }

    @Test
    void withEvenSpeedTheLongestEndsLast() {
        draws(stroke(Coat.Turns.EVEN, 0, 0.125, 0), 20, 20, 20);
        draws(stroke(Coat.Turns.EVEN, 0, 0.5, 0), 40, 80, 80);
        draws(stroke(Coat.Turns.EVEN, 0.25, 1, 0), 0, 40, 120);
        draws(stroke(Coat.Turns.EVEN, 0, 1, 0), 40, 80, 160);
    }

    @Test
    void inTurnOneFollowsTheOther() {
        draws(stroke(Coat.Turns.IN_TURN, 0, 0.5, 0), 40, 80, 20);
        draws(stroke(Coat.Turns.IN_TURN, 0, 0.1, 0), 28, 0, 0);
        draws(stroke(Coat.Turns.IN_TURN, 0.5, 1, 0), 0, 0, 140);
        draws(stroke(Coat.Turns.IN_TURN, 0, 1, 0.3), 40, 80, 160);
        // Moved on, the end comes round to the start again.
        draws(stroke(Coat.Turns.IN_TURN, 0, 0.5, 0.75), 40, 30, 70);
    }

    @Test
    void theOrderIsByPlaceByLengthOrAtRandom() {
        Coat.Stroke first = stroke(Coat.Turns.IN_TURN, 0, 0.1, 0);
        draws(first.withPacing(new Coat.Pacing(Coat.Turns.IN_TURN, Coat.Order.ACROSS, 1)), 0, 0, 28);
        draws(first.withPacing(new Coat.Pacing(Coat.Turns.IN_TURN, Coat.Order.DOWN, 1)), 28, 0, 0);
        draws(first.withPacing(new Coat.Pacing(Coat.Turns.IN_TURN, Coat.Order.SHORTEST, 1)), 28, 0, 0);
        draws(first.withPacing(new Coat.Pacing(Coat.Turns.IN_TURN, Coat.Order.LONGEST, 1)), 0, 0, 28);
        boolean[] seen = new boolean[3];
        for (int seed = 0; seed < 40; seed++) {
            double[] drawn = drawn(first.withPacing(new Coat.Pacing(Coat.Turns.IN_TURN, Coat.Order.RANDOM, seed)));
            for (int i = 0; i < 3; i++) {
                seen[i] |= drawn[i] > 27;
            }
        }
        assertThat(seen).containsExactly(true, true, true);
    }

    @Test
    void onOneOnlyOneIsDrawnWhereverItStarts() {
        draws(stroke(Coat.Turns.ON_ONE, 0, 0.1, 0.2), 0, 28, 0);
        draws(stroke(Coat.Turns.ON_ONE, 0, 0.1, 0.1), 28, 0, 0);
        draws(stroke(Coat.Turns.ON_ONE, 0, 0.9, 0.1), 40, 0, 0);
        draws(stroke(Coat.Turns.ON_ONE, 0, 0.1, -0.01), 0, 0, 28);
        BezierPath open = new BezierPath(SQUARES.get(2).knots(), false);
        List<DrawnParts.Part> parts =
                DrawnParts.of(List.of(new PathLength(open)), stroke(Coat.Turns.ON_ONE, 0, 0.25, 0.95));
        assertThat(parts).hasSize(1);
        assertThat(parts.get(0).start()).isCloseTo(0.75, within(1e-9));
        assertThat(parts.get(0).end()).isCloseTo(1, within(1e-9));
    }

    /** Whatever start, end and offset are, so much is drawn as the share says of what it is a share of. */
    @ParameterizedTest
    @EnumSource(Coat.Turns.class)
    void nothingIsDrawnTwiceOrLost(Coat.Turns turns) {
        Random random = new Random(11);
        for (int i = 0; i < 300; i++) {
            double start = random.nextDouble();
            double end = start + (1 - start) * random.nextDouble();
            double[] drawn = drawn(stroke(turns, start, end, 6 * random.nextDouble() - 3));
            double share = end - start;
            switch (turns) {
                case TOGETHER ->
                    assertThat(drawn).containsExactly(new double[] {40 * share, 80 * share, 160 * share}, within(1e-4));
                case IN_TURN -> assertThat(drawn[0] + drawn[1] + drawn[2]).isCloseTo(280 * share, within(1e-4));
                case EVEN -> assertThat(drawn[2]).isCloseTo(160 * share, within(1e-4));
                case ON_ONE -> {
                    assertThat(java.util.Arrays.stream(drawn).filter(d -> d > 0).count())
                            .isEqualTo(1);
                    assertThat(drawn[0] + drawn[1] + drawn[2]).isLessThanOrEqualTo(280 * share + 1e-4);
                }
            }
        }
    }

    private static List<Heads.Head> heads(double end, double fade) {
        return Heads.of(
                List.of(new PathLength(SQUARES.get(2))),
                stroke(Coat.Turns.TOGETHER, 0, end, 0)
                        .with(Measure.HEAD, Animated.of(6.0))
                        .with(Measure.HEAD_FADE, Animated.of(fade)));
    }

    @Test
    void theHeadIsADotAtTheDrawingEnd() {
        List<Heads.Head> heads = heads(0.25, 40);
        assertThat(heads).hasSize(1);
        assertThat(heads.get(0).strength()).isEqualTo(1);
        Box box = heads.get(0).outline().bounds();
        BezierPath.Knot corner = SQUARES.get(2).knots().get(1);
        assertThat(box.centre().minus(corner.at()).length()).isLessThan(1e-6);
        assertThat(box.width()).isCloseTo(6, within(1e-6));
    }

    @Test
    void theHeadFadesAsItArrivesAndIsGoneThen() {
        assertThat(heads(0.875, 40).get(0).strength()).isCloseTo(0.5, within(1 / 64.0));
        assertThat(heads(0.97, 40).get(0).strength()).isCloseTo(4.8 / 40, within(1 / 64.0));
        assertThat(heads(1, 40)).isEmpty();
        assertThat(heads(1, 0)).isEmpty();
        assertThat(heads(0.99, 0).get(0).strength()).isEqualTo(1);
        assertThat(heads(0, 40)).isEmpty();
    }

    /** A piece that goes round and round never arrives. */
    @Test
    void theHeadOfAPieceThatRunsAlongStays() {
        Coat.Stroke running = stroke(Coat.Turns.TOGETHER, 0, 0.2, 0.85).with(Measure.HEAD, Animated.of(6.0));
        assertThat(Heads.of(List.of(new PathLength(SQUARES.get(2))), running)
                        .get(0)
                        .strength())
                .isEqualTo(1);
    }

    @Test
    void theTailLiesBehindTheHeadAndGrowsThin() {
        Coat.Stroke tailed = stroke(Coat.Turns.TOGETHER, 0, 0.2, 0)
                .with(Measure.HEAD, Animated.of(6.0))
                .with(Measure.HEAD_TAIL, Animated.of(20.0));
        BezierPath path = SQUARES.get(2);
        Outline head = Heads.of(List.of(new PathLength(path)), tailed).get(0).outline();
        PathLength length = new PathLength(path);
        for (double back = 1; back < 20; back += 3) {
            Point on = length.piece(0, 32 - back).path().knots().get(1).at();
            Point along = path.knots().get(1).at().minus(path.knots().get(0).at());
            Point across = new Point(-along.y(), along.x()).times(1 / along.length());
            double half = 3 * (20 - back) / 20;
            assertThat(head.contains(on.plus(across.times(half - 0.2)))).isTrue();
            if (back > 4) {
                assertThat(head.contains(on.plus(across.times(half + 0.2)))).isFalse();
            }
        }
    }
}
