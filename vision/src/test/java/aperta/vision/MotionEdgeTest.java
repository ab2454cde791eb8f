package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * A dark figure with a rim of light, moved 12 pixels to the right while the shutter is open, so that its coverage rises along
 * a ramp of 12 pixels at either end. It is made here, so where its edges are is known.
 */
class MotionEdgeTest {
    private static final int W = 160;
    private static final int H = 80;
    private static final double LEFT = 50.5;
    private static final double RIGHT = 100.5;
    private static final double LENGTH = 12;
    private static final double RIM = 4;
    private static final float BEHIND = 90;

    @BeforeAll
    static void libraryIsThere() {
        Natives.demand();
    }

    /** @param light of the figure and of its rim */
    private static Colours picture(double dark, double rim) {
        Random grain = new Random(5);
        float[][] rgb = new float[3][W * H];
        for (int i = 0; i < W * H; i++) {
            double sum = 0;
            int moments = 48;
            for (int m = 0; m < moments; m++) {
                double x = i % W + 0.5 - LENGTH * ((m + 0.5) / moments - 0.5);
                sum += x < LEFT || x > RIGHT ? BEHIND : x < LEFT + RIM ? rim : dark;
            }
            for (float[] plane : rgb) {
                plane[i] = (float) (sum / moments + 2 * grain.nextGaussian());
            }
        }
        return new Colours(W, H, rgb);
    }

    private static CleanPlate.Part plate() {
        float[][] flat = new float[3][W * H];
        for (float[] plane : flat) {
            Arrays.fill(plane, BEHIND);
        }
        return new CleanPlate.Part(new Colours(W, H, flat), new Colours(W, H, new float[3][W * H]));
    }

    /** Odds whose edges lie where they are wanted. */
    private static Plane odds(double left, double right) {
        Plane to = new Plane(W, H);
        for (int i = 0; i < W * H; i++) {
            double x = i % W + 0.5;
            to.value()[i] = (float) Math.max(-6, Math.min(6, Math.min(x - left, right - x)));
        }
        return to;
    }

    /** Where the odds of a row pass through 0. */
    private static double crossing(Plane odds, int from, int step) {
        int at = 40 * W;
        int x = from;
        while ((odds.value()[at + x] > 0) == (odds.value()[at + x + step] > 0)) {
            x += step;
        }
        double a = odds.value()[at + x];
        double b = odds.value()[at + x + step];
        return x + 0.5 + step * a / (a - b);
    }

    /** A rim of light is seen as soon as a little of it is there; the edge was taken to lie that far out. */
    @Test
    void anEdgeTakenTooFarOutIsFoundWhereTheFigureEnds() {
        Plane found = MotionEdge.found(odds(LEFT - 5, RIGHT + 5), picture(30, 220), plate(), LENGTH, 0);
        assertThat(crossing(found, 10, 1)).isCloseTo(LEFT, within(1.0));
        assertThat(crossing(found, W - 10, -1)).isCloseTo(RIGHT, within(1.0));
    }

    @Test
    void anEdgeThatWasRightStays() {
        Plane found = MotionEdge.found(odds(LEFT, RIGHT), picture(30, 220), plate(), LENGTH, 0);
        assertThat(crossing(found, 10, 1)).isCloseTo(LEFT, within(1.0));
        assertThat(crossing(found, W - 10, -1)).isCloseTo(RIGHT, within(1.0));
    }

    @Test
    void whatCantBeToldFromThePlateStaysWhereItWas() {
        Plane found = MotionEdge.found(odds(LEFT - 5, RIGHT + 5), picture(BEHIND, BEHIND), plate(), LENGTH, 0);
        assertThat(crossing(found, 10, 1)).isCloseTo(LEFT - 5, within(0.1));
        assertThat(crossing(found, W - 10, -1)).isCloseTo(RIGHT + 5, within(0.1));
    }

    @Test
    void whatHardlyMovesIsLeftAlone() {
        Plane odds = odds(LEFT - 5, RIGHT + 5);
        assertThat(MotionEdge.found(odds, picture(30, 220), plate(), 1, 1)).isSameAs(odds);
    }

    @Test
    void aMeanAlongALineKeepsTheSumAndLiesAlongIt() {
        Plane dot = new Plane(41, 41);
        dot.value()[20 * 41 + 20] = 1;
        Plane line = dot.meanAlong(9, 9);
        double sum = 0;
        for (float v : line.value()) {
            sum += v;
        }
        assertThat(sum).isCloseTo(1, within(1e-5));
        assertThat(line.value()[23 * 41 + 23]).isGreaterThan(0.05f);
        assertThat(line.value()[17 * 41 + 23]).isCloseTo(0, within(1e-6f));
        assertThat(line.value()[27 * 41 + 27]).isCloseTo(0, within(1e-6f));
        // Over an odd number of pixels across, as a box does but for its ends, where half a pixel is mixed in.
        Plane across = dot.meanAlong(5, 0);
        assertThat(across.value()[20 * 41 + 20]).isCloseTo(0.2f, within(0.02f));
        assertThat(across.value()[20 * 41 + 24]).isCloseTo(0, within(1e-6f));
    }
}
