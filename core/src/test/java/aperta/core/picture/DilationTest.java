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

    private static Matte noise(int by) {
        Random random = new Random(by);
        Matte matte = new Matte(PART.grown(Dilation.reach(by)));
        for (int i = 0; i < matte.value.length; i++) {
            matte.value[i] = random.nextInt(20) == 0 ? random.nextFloat() : 0;
        }
        return matte;
    }

    /** By looking at every pixel of the disc, and at all around it that its edge can touch. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 5, 9, 17})
    void theGreatestOfTheDiscIsFound(int radius) {
        Matte source = noise(radius);
        Matte grown = Dilation.by(radius, source, PART, Bands.IN_TURN);
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 60; x++) {
                assertThat(grown.at(x, y))
                        .isGreaterThanOrEqualTo(greatest(source, x, y, radius))
                        .isLessThanOrEqualTo(greatest(source, x, y, radius + 1.5));
            }
        }
    }

    private static float greatest(Matte source, int x, int y, double radius) {
        float most = 0;
        int reach = (int) radius;
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                most = dx * dx + dy * dy <= radius * radius ? Math.max(most, source.at(x + dx, y + dy)) : most;
            }
        }
        return most;
    }

    /** A circle moved outwards by d is the circle of radius r + d: its edge, pixel by pixel, in every direction. */
    @ParameterizedTest
    @ValueSource(doubles = {-12, -5, -0.7, 0.5, 1, 2, 5, 10.5, 24})
    void anEdgeMovesByTheSameDistanceInEveryDirection(double by) {
        Region part = new Region(0, 0, 200, 200);
        double edge = 50 + by;
        Matte disc = Coverage.of(
                Outline.of(BezierPath.ellipse(new Box(50.3, 49.8, 150.3, 149.8))),
                part.grown(Dilation.reach(by)),
                Bands.IN_TURN);
        Matte grown = Dilation.by(by, disc, part, Bands.IN_TURN);
        Matte expected = Coverage.of(
                Outline.of(BezierPath.ellipse(new Box(100.3 - edge, 99.8 - edge, 100.3 + edge, 99.8 + edge))),
                part,
                Bands.IN_TURN);
        float worst = 0;
        for (int y = 0; y < 200; y++) {
            for (int x = 0; x < 200; x++) {
                worst = Math.max(worst, Math.abs(grown.at(x, y) - expected.at(x, y)));
            }
        }
        assertThat(worst * 255).isLessThan(9);
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
}
