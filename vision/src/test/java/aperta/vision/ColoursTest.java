package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class ColoursTest {
    private static final int SIDE = 16;
    private static final int N = SIDE * SIDE;

    private static Colours any(long seed) {
        Random random = new Random(seed);
        float[][] rgb = new float[3][N];
        for (float[] channel : rgb) {
            for (int i = 0; i < N; i++) {
                channel[i] = 255 * random.nextFloat();
            }
        }
        return new Colours(SIDE, SIDE, rgb);
    }

    @Test
    void opponentColoursTurnBackToTheSame() {
        Colours colours = any(1);
        Colours back = colours.opponent().fromOpponent();
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < N; i++) {
                assertThat(back.channels()[c][i]).isCloseTo(colours.channels()[c][i], within(1e-3f));
            }
        }
    }

    /** The matrix is orthonormal, so colours are as far apart as they were. */
    @Test
    void distancesStayAsTheyAre() {
        Colours one = any(2);
        Colours other = any(3);
        for (int i = 0; i < N; i++) {
            double plain = apart(one, other, i);
            assertThat(apart(one.opponent(), other.opponent(), i)).isCloseTo(plain, within(1e-3));
        }
    }

    private static double apart(Colours one, Colours other, int i) {
        double sum = 0;
        for (int c = 0; c < 3; c++) {
            double d = one.channels()[c][i] - other.channels()[c][i];
            sum += d * d;
        }
        return Math.sqrt(sum);
    }

    /** The axes of Ohta, Kanade and Sakai (1980): grey is brightness alone, and light that falls evenly changes nothing else. */
    @Test
    void greyIsBrightnessAlone() {
        float[] grey = new float[N];
        for (int i = 0; i < N; i++) {
            grey[i] = i;
        }
        Colours opponent = new Colours(SIDE, SIDE, new float[][] {grey, grey, grey}).opponent();
        for (int i = 0; i < N; i++) {
            assertThat(opponent.brightness(i)).isCloseTo(i, within(1e-3));
            assertThat(opponent.channels()[1][i]).isCloseTo(0, within(1e-4f));
            assertThat(opponent.channels()[2][i]).isCloseTo(0, within(1e-4f));
        }
    }

    @Test
    void redIsAgainstBlueAndGreenAgainstBoth() {
        float[] none = new float[N];
        float[] some = any(4).channels()[0];
        Colours red = new Colours(SIDE, SIDE, new float[][] {some, none, none}).opponent();
        Colours green = new Colours(SIDE, SIDE, new float[][] {none, some, none}).opponent();
        Colours blue = new Colours(SIDE, SIDE, new float[][] {none, none, some}).opponent();
        for (int i = 0; i < N; i++) {
            assertThat(red.channels()[1][i]).isCloseTo(-blue.channels()[1][i], within(1e-3f));
            assertThat(green.channels()[1][i]).isZero();
            assertThat(green.channels()[2][i]).isCloseTo(-2 * red.channels()[2][i], within(1e-3f));
        }
    }
}
