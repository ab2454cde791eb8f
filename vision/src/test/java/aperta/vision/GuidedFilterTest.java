package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What the paper says of the filter: a linear function of the guide stays, and edges that the guide has aren't crossed. */
class GuidedFilterTest {
    private static final int W = 40;
    private static final int H = 30;

    @BeforeAll
    static void natives() {
        Natives.demand();
    }

    private static Colours noise() {
        Random random = new Random(7);
        float[][] rgb = new float[3][W * H];
        for (float[] channel : rgb) {
            for (int i = 0; i < channel.length; i++) {
                channel[i] = 255 * random.nextFloat();
            }
        }
        return new Colours(W, H, rgb);
    }

    @Test
    void aLinearFunctionOfTheGuideStays() {
        Colours guide = noise();
        Plane linear = new Plane(W, H);
        for (int i = 0; i < W * H; i++) {
            linear.value()[i] = 2 * guide.channels()[0][i] - guide.channels()[1][i] + 0.5f * guide.channels()[2][i] + 7;
        }
        Plane to = new GuidedFilter(guide, 3, 1e-3).filtered(linear);
        for (int i = 0; i < W * H; i++) {
            assertThat(to.value()[i]).isCloseTo(linear.value()[i], within(0.2f));
        }
    }

    /** Noise of a plane goes where the guide is even on both sides of its edge, and the edge stays as sharp. */
    @Test
    void noiseGoesAndTheGuidesEdgeStays() {
        float[][] rgb = new float[3][W * H];
        Plane noisy = new Plane(W, H);
        Random random = new Random(8);
        for (int i = 0; i < W * H; i++) {
            boolean right = i % W >= W / 2;
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = right ? 200 : 40;
            }
            noisy.value()[i] = (right ? 1 : -1) + 0.5f * (float) random.nextGaussian();
        }
        Plane to = new GuidedFilter(new Colours(W, H, rgb), 3, 8).filtered(noisy);
        for (int y = 4; y < H - 4; y++) {
            assertThat(to.value()[y * W + W / 2 - 1]).isCloseTo(-1, within(0.35f));
            assertThat(to.value()[y * W + W / 2]).isCloseTo(1, within(0.35f));
        }
    }
}
