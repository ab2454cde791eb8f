package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class GaussianTest {
    private static final double STEP = 1 / 255.0;

    /** Φ(x), the integral of the bell, by Simpson's rule: published value Φ(1) = 0.8413447 (any table of it). */
    private static double phi(double x) {
        int n = 2000;
        double h = x / n;
        double sum = 0;
        for (int i = 0; i <= n; i++) {
            double t = i * h;
            sum += (i == 0 || i == n ? 1 : i % 2 == 1 ? 4 : 2) * Math.exp(-t * t / 2);
        }
        return 0.5 + sum * h / 3 / Math.sqrt(2 * Math.PI);
    }

    @Test
    void theReferenceIsTheTablesValue() {
        assertThat(phi(1)).isCloseTo(0.8413447, within(1e-7));
    }

    @Test
    void aStraightEdgeBecomesTheIntegralOfTheBell() {
        for (double sigma : new double[] {0.4, 1, 3.3, 7.9, 8, 12.5, 30, 61}) {
            Matte edge = new Matte(new Region(0, -300, 400, 600));
            edge.fill(1);
            Matte soft = new Gaussian(sigma).blur(edge, new Region(-120, 0, 240, 2), Bands.IN_TURN, new Scratch());
            for (int x = -120; x < 120; x++) {
                double expected = phi((x + 0.5) / sigma);
                assertThat((double) soft.at(x, 1)).as("σ %s, x %d", sigma, x).isCloseTo(expected, within(STEP));
            }
        }
    }

    @Test
    void nothingIsLostAndNothingIsAdded() {
        Matte dot = new Matte(new Region(5, 9, 1, 1));
        dot.fill(1);
        Matte soft = new Gaussian(4).blur(dot, new Region(-30, -30, 80, 80), Bands.IN_TURN, new Scratch());
        assertThat(CoverageTest.sum(soft)).isCloseTo(1, within(1e-5));
        assertThat(soft.at(5 + 7, 9)).isEqualTo(soft.at(5 - 7, 9)).isEqualTo(soft.at(5, 9 + 7));
    }

    @Test
    void aPartIsTheSameAsThatPartOfTheWhole() {
        Matte square = new Matte(new Region(0, 0, 20, 20));
        square.fill(1);
        Gaussian blur = new Gaussian(3);
        Matte whole = blur.blur(square, new Region(-15, -15, 50, 50), Bands.IN_TURN, new Scratch());
        Matte part = blur.blur(square, new Region(-4, 3, 9, 7), Bands.IN_TURN, new Scratch());
        for (int y = 3; y < 10; y++) {
            for (int x = -4; x < 5; x++) {
                assertThat(part.at(x, y)).isEqualTo(whole.at(x, y));
            }
        }
    }

    @Test
    void wideBellsAreTheSameWhereverTheMatteLies() {
        Matte square = new Matte(new Region(3, 5, 90, 70));
        square.fill(1);
        Gaussian blur = new Gaussian(20);
        Matte whole = blur.blur(square, new Region(-100, -90, 330, 290), Bands.IN_TURN, new Scratch());
        Matte part = blur.blur(square, new Region(-13, 21, 57, 33), Bands.IN_TURN, new Scratch());
        for (int y = 21; y < 54; y++) {
            for (int x = -13; x < 44; x++) {
                assertThat(part.at(x, y)).isEqualTo(whole.at(x, y));
            }
        }
        assertThat(CoverageTest.sum(whole)).isCloseTo(90 * 70, within(1.0));
    }

    @Test
    void noWidthChangesNothing() {
        Matte square = new Matte(new Region(2, 2, 3, 3));
        square.fill(0.7f);
        Matte same = new Gaussian(0).blur(square, new Region(0, 0, 8, 8), Bands.IN_TURN, new Scratch());
        assertThat(same.at(3, 3)).isEqualTo(0.7f);
        assertThat(same.at(1, 3)).isZero();
    }
}
