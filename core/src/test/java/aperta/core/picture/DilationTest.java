package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DilationTest {
    private static final Region PART = new Region(0, 0, 60, 40);

    private static Matte noise(int reach) {
        Random random = new Random(reach);
        Matte matte = new Matte(PART.grown(reach));
        for (int i = 0; i < matte.value.length; i++) {
            matte.value[i] = random.nextInt(20) == 0 ? random.nextFloat() : 0;
        }
        return matte;
    }

    /** By looking at every pixel of the disc. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 5, 9, 17})
    void theGreatestOfTheDiscIsFound(int radius) {
        Matte source = noise(radius);
        Matte grown = Dilation.by(radius, source, PART, Bands.IN_TURN);
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 60; x++) {
                float most = 0;
                for (int dy = -radius; dy <= radius; dy++) {
                    long half = Math.round(Math.sqrt(radius * radius - dy * dy));
                    for (int dx = (int) -half; dx <= half; dx++) {
                        most = Math.max(most, source.at(x + dx, y + dy));
                    }
                }
                assertThat(grown.at(x, y)).isEqualTo(most);
            }
        }
    }

    @Test
    void erosionIsTheDilationOfTheRest() {
        Matte source = noise(4);
        Matte rest = new Matte(source.domain());
        rest.copyFrom(source);
        MatteMath.invert(rest);
        Matte shrunk = Dilation.by(-4, source, PART, Bands.IN_TURN);
        Matte grown = Dilation.by(4, rest, PART, Bands.IN_TURN);
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 60; x++) {
                assertThat(shrunk.at(x, y)).isCloseTo(1 - grown.at(x, y), within(1e-6f));
            }
        }
    }

    /** A disc grown by r has the radius of both together, to half a pixel: its raster is that of whole pixels. */
    @ParameterizedTest
    @ValueSource(doubles = {-12, 6, 10.5, 24})
    void aDiscStaysADisc(double by) {
        Region part = new Region(0, 0, 200, 200);
        Matte disc = Coverage.of(
                Outline.of(BezierPath.ellipse(new Box(50, 50, 150, 150))),
                part.grown(Dilation.reach(by)),
                Bands.IN_TURN);
        Matte grown = Dilation.by(by, disc, part, Bands.IN_TURN);
        assertThat(Math.sqrt(CoverageTest.sum(grown) / Math.PI)).isCloseTo(50 + by, within(0.5));
    }
}
