package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class EvidenceTest {
    private static final int SIDE = 40;
    private static final int N = SIDE * SIDE;
    /** A dim grey, the same a little bluer, and hardly bluer, as red, green and blue. */
    private static final double[] GROUND = {20, 20, 20};

    private static final double[] COAT = {18, 20, 22};
    private static final double[] FAINT = {19.2, 20, 20.8};

    @BeforeAll
    static void load() {
        Natives.demand();
    }

    private static Colours flat(double[] rgb) {
        float[][] all = new float[3][N];
        for (int c = 0; c < 3; c++) {
            Arrays.fill(all[c], (float) rgb[c]);
        }
        return new Colours(SIDE, SIDE, all);
    }

    /** With grain, which changes red, green and blue alike. */
    private static Colours grainy(double[] rgb, double deviation) {
        Random random = new Random(1);
        Colours all = flat(rgb);
        for (int i = 0; i < N; i++) {
            float grain = (float) (deviation * random.nextGaussian());
            for (int c = 0; c < 3; c++) {
                all.channels()[c][i] += grain;
            }
        }
        return all.opponent();
    }

    private static Plane evidence(Colours picture, double[] coat, double[] ground, double grain) {
        float[][] deviation = new float[3][N];
        Arrays.fill(deviation[Colours.BRIGHTNESS], (float) grain);
        CleanPlate.Part plate = new CleanPlate.Part(flat(ground).opponent(), new Colours(SIDE, SIDE, deviation));
        Plane inside = new Plane(SIDE, SIDE);
        Arrays.fill(inside.value(), 5);
        Shape figure = new Shape(
                new Region(0, 0, SIDE, SIDE),
                new Plane(SIDE, SIDE),
                null,
                flat(coat).opponent(),
                flat(ground).opponent(),
                0,
                0,
                true,
                Palette.NONE,
                Palette.NONE,
                EarlierShapes.NONE,
                0);
        return Evidence.of(picture, plate, figure, inside, Optional.empty());
    }

    private static double mean(Plane plane) {
        double sum = 0;
        for (float v : plane.value()) {
            sum += v;
        }
        return sum / N;
    }

    /** Coat and ground are as bright, and grain is twice as strong as their difference: the colour tells them apart. */
    @Test
    void aLittleColourTellsWhatGrainHides() {
        assertThat(mean(evidence(grainy(COAT, 4), COAT, GROUND, 4))).isGreaterThan(1);
        assertThat(mean(evidence(grainy(GROUND, 4), COAT, GROUND, 4))).isLessThan(-0.5);
    }

    /** Compression leaves the ground's colour where the coat's is nearly the same: that says less than what is seen clearly. */
    @Test
    void aColourThatMayBeLostSaysLess() {
        double[] bright = {90, 60, 30};
        double lost = mean(evidence(grainy(GROUND, 1), FAINT, GROUND, 1));
        double clear = mean(evidence(grainy(bright, 1), COAT, bright, 1));
        assertThat(lost).isNegative();
        assertThat(clear).isLessThan(1.5 * lost);
    }

    @Test
    void whatShadowExplainsIsNotTheFigure() {
        double[] ground = {90, 60, 30};
        double[] shadow = {63, 42, 21};
        assertThat(mean(evidence(grainy(shadow, 1), COAT, ground, 1))).isNegative();
    }
}
