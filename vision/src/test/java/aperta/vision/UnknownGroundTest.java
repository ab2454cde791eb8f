package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Region;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A brown coat in front of a grey wall that nobody ever saw without it. */
class UnknownGroundTest {
    private static final int SIDE = 24;
    private static final int EDGE = 12;

    @BeforeAll
    static void natives() {
        Natives.demand();
    }

    /** Coat as far as to an edge, wall beyond it. */
    private static Colours picture(int edge) {
        float[][] rgb = new float[3][SIDE * SIDE];
        float[] coat = {110, 80, 60};
        float[] wall = {100, 102, 100};
        for (int i = 0; i < SIDE * SIDE; i++) {
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = (i % SIDE < edge ? coat : wall)[c] + (i * 7 + c) % 3 - 1;
            }
        }
        return new Colours(SIDE, SIDE, rgb).opponent();
    }

    private static UnknownGround seen(Colours now) {
        Colours before = picture(EDGE);
        Plane alpha = new Plane(SIDE, SIDE);
        for (int i = 0; i < SIDE * SIDE; i++) {
            alpha.value()[i] = i % SIDE < EDGE ? 1 : 0;
        }
        Shape shape = new Shape(
                new Region(0, 0, SIDE, SIDE),
                alpha,
                null,
                Shape.own(before, alpha),
                Shape.around(before, alpha),
                0,
                0,
                true,
                Palette.of(before, alpha),
                Shape.ground(before, alpha),
                EarlierShapes.NONE,
                1);
        return new UnknownGround(now, shape, shape.palette().unlikely(now));
    }

    private static int at(int x) {
        return EDGE * SIDE + x;
    }

    @Test
    void coatIsToldFromWallByTheirColours() {
        UnknownGround same = seen(picture(EDGE));
        assertThat(same.odds(at(3))).isPositive();
        assertThat(same.odds(at(20))).isNegative();
    }

    /** Where coat was and wall is now, and the other way around: each was seen elsewhere. */
    @Test
    void whatTheFigureUncoversIsTheGround() {
        assertThat(seen(picture(EDGE - 6)).odds(at(EDGE - 4))).isNegative();
        assertThat(seen(picture(EDGE + 6)).odds(at(EDGE + 4))).isPositive();
    }

    /** It says less than a plate would: at most 1.5, where that says 3 or 4. */
    @Test
    void aColourThatNeitherHadSaysNothing() {
        Colours lamp = picture(EDGE);
        for (float[] channel : lamp.channels()) {
            channel[at(5)] = 250;
        }
        assertThat(seen(lamp).odds(at(5))).isZero();
        for (int x = 0; x < SIDE; x++) {
            assertThat(seen(picture(EDGE)).odds(at(x))).isBetween(-1.5f, 1.5f);
        }
    }
}
