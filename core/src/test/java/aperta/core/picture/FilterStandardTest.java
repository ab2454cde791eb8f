package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.BlendMode;
import java.awt.image.BufferedImage;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** SVG filters as Apache Batik paints them: feBlend and feGaussianBlur. */
class FilterStandardTest {
    private static Picture flat(double r, double g, double b) {
        Picture p = new Picture(new Region(0, 0, 1, 1));
        p.set(0, 0, (float) r, (float) g, (float) b, 1);
        return p;
    }

    @ParameterizedTest
    @EnumSource(
            value = BlendMode.class,
            names = {"NORMAL", "MULTIPLY", "SCREEN", "DARKEN", "LIGHTEN"})
    void blendsAsFeBlend(BlendMode mode) {
        int[][] colours = {{200, 30, 60}, {20, 180, 240}, {128, 128, 128}, {255, 240, 10}};
        for (int[] below : colours) {
            for (int[] above : colours) {
                String svg = "<svg xmlns='http://www.w3.org/2000/svg' width='8' height='8'><filter id='f' x='0' y='0'"
                        + " width='8' height='8' filterUnits='userSpaceOnUse' color-interpolation-filters='sRGB'>"
                        + flood(below, "b") + flood(above, "s")
                        + "<feBlend in='s' in2='b' mode='" + mode.name().toLowerCase(Locale.ROOT) + "'/></filter>"
                        + "<rect width='8' height='8' filter='url(#f)'/></svg>";
                int rgb = Svg.paint(svg).getRGB(4, 4);
                Picture p = flat(below[0] / 255.0, below[1] / 255.0, below[2] / 255.0);
                Compose.over(p, flat(above[0] / 255.0, above[1] / 255.0, above[2] / 255.0), mode);
                assertThat(p.at(0, 0)[0] * 255).isCloseTo(rgb >> 16 & 0xff, within(1.5f));
                assertThat(p.at(0, 0)[1] * 255).isCloseTo(rgb >> 8 & 0xff, within(1.5f));
                assertThat(p.at(0, 0)[2] * 255).isCloseTo(rgb & 0xff, within(1.5f));
            }
        }
    }

    private static String flood(int[] c, String result) {
        return "<feFlood flood-color='rgb(" + c[0] + "," + c[1] + "," + c[2] + ")' result='" + result + "'/>";
    }

    /** Batik blurs wide bells with three boxes, as the standard allows; at a corner that is up to 4 % off the Gaussian, which
     * GaussianTest holds to 1/255 against the integral. */
    @ParameterizedTest
    @ValueSource(doubles = {4, 12})
    void blursASquareAsFeGaussianBlur(double sigma) {
        String svg =
                "<svg xmlns='http://www.w3.org/2000/svg' width='160' height='160'><filter id='f' x='0' y='0' width='160'"
                        + " height='160' filterUnits='userSpaceOnUse' color-interpolation-filters='sRGB'><feGaussianBlur stdDeviation='"
                        + sigma
                        + "'/></filter><g filter='url(#f)'><rect x='50' y='50' width='60' height='60'/></g></svg>";
        BufferedImage theirs = Svg.paint(svg);
        Matte square = new Matte(new Region(50, 50, 60, 60));
        square.fill(1);
        Matte ours = new Gaussian(sigma).blur(square, new Region(0, 0, 160, 160), Bands.IN_TURN, new Scratch());
        for (int y = 5; y < 155; y += 3) {
            for (int x = 5; x < 155; x += 3) {
                double alpha = (theirs.getRGB(x, y) >>> 24) / 255.0;
                assertThat((double) ours.at(x, y))
                        .as("σ %s at %d, %d", sigma, x, y)
                        .isCloseTo(alpha, within(0.045));
            }
        }
    }

    @Test
    void aStandardsOwnExampleOfOver() {
        // Half-transparent blue on red is (128, 0, 128) in any 8-bit implementation of source-over.
        Picture p = flat(1, 0, 0);
        Picture blue = new Picture(new Region(0, 0, 1, 1));
        blue.set(0, 0, 0, 0, 0.5f, 0.5f);
        Compose.over(p, blue, BlendMode.NORMAL);
        assertThat(p.at(0, 0)).containsExactly(0.5f, 0, 0.5f, 1);
    }
}
