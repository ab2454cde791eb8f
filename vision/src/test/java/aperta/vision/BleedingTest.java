package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Grey ground, and on it a bright warm rim four pixels wide, whose colour has run into the ground beside it. */
class BleedingTest {
    private static final int W = 24;
    private static final int H = 12;
    private static final int RIM = 8;

    @BeforeAll
    static void load() {
        Natives.demand();
    }

    private static Colours flat(float brightness, float red) {
        float[][] all = new float[3][W * H];
        Arrays.fill(all[Colours.BRIGHTNESS], brightness);
        Arrays.fill(all[1], red);
        return new Colours(W, H, all);
    }

    /** @param beside how red the ground beside the rim is */
    private static Bleeding bleeding(float beside) {
        Colours picture = flat(50, 2);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                boolean rim = x >= RIM && x < RIM + 4;
                if (rim) {
                    picture.channels()[Colours.BRIGHTNESS][y * W + x] = 80;
                }
                if (rim || x >= RIM - 2 && x < RIM + 6) {
                    picture.channels()[1][y * W + x] = rim ? 14 : beside;
                }
            }
        }
        return Bleeding.of(picture, new CleanPlate.Part(flat(50, 2), flat(0, 0)));
    }

    private static int at(int x) {
        return H / 2 * W + x;
    }

    @Test
    void groundThatHasHalfOfTheRimsColourMayBeGround() {
        Bleeding b = bleeding(7);
        double plain = Evidence.far(Evidence.rare(5, Evidence.NOISE[1]));
        assertThat(b.far(at(RIM - 1))).isEqualTo(b.far(at(0))).isLessThan(plain / 2);
        assertThat(b.far(at(RIM + 5))).isEqualTo(b.far(at(0)));
    }

    @Test
    void theRimItselfIsNoGround() {
        assertThat(bleeding(7).far(at(RIM + 1))).isGreaterThan(3 * bleeding(7).far(at(0)));
    }

    /** What is away from the rim's colour has not got it from there. */
    @Test
    void theOppositeColourHasNotRunOver() {
        assertThat(bleeding(-3).far(at(RIM - 1))).isGreaterThan(bleeding(-3).far(at(0)) + 10);
    }

    /** A coat as dark as the ground tells itself by its colour alone: it bleeds from nowhere. */
    @Test
    void aColourWithoutBrightnessNearbyIsNotForgiven() {
        Colours coat = flat(50, 4);
        Bleeding b = Bleeding.of(coat, new CleanPlate.Part(flat(50, 2), flat(0, 0)));
        assertThat(b.far(at(3))).isGreaterThan(Evidence.far(Evidence.rare(2, Evidence.NOISE[1])) + 4);
    }
}
