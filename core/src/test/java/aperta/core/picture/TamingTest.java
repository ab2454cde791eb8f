package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Light;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TamingTest {
    private static float[] pixel(
            double exposure, double saturation, Light light, double r, double g, double b, double a) {
        Picture p = new Picture(new Region(0, 0, 1, 1));
        p.set(0, 0, (float) (r * a), (float) (g * a), (float) (b * a), (float) a);
        new Taming(exposure, saturation, light).apply(p);
        return p.at(0, 0);
    }

    /** IEC 61966-2-1: linear = ((v + 0.055) / 1.055)^2.4 over 0.04045. */
    private static double linear(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }

    @ParameterizedTest
    @CsvSource({"-1, 0.8", "-2, 0.5", "1, 0.3", "0.5, 0.6", "-3, 0.04"})
    void aStopIsTwiceTheLight(double stops, double value) {
        float[] p = pixel(stops, 1, Light.DISPLAY, value, value, value, 1);
        assertThat(linear(p[0])).isCloseTo(linear(value) * Math.pow(2, stops), within(1e-4));
        assertThat((double) pixel(stops, 1, Light.LINEAR_SRGB, value, value, value, 1)[1])
                .isCloseTo(value * Math.pow(2, stops), within(1e-5));
    }

    /** W3C Filter Effects, feColorMatrix of type saturate, worked out for one colour; 0 is the luma (BT.709), 1 the colour itself. */
    @Test
    void saturationGoesFromTheLumaToTheColour() {
        double luma = 0.2126 * 0.9 + 0.7152 * 0.3 + 0.0722 * 0.1;
        for (int c = 0; c < 3; c++) {
            assertThat((double) pixel(0, 0, Light.DISPLAY, 0.9, 0.3, 0.1, 1)[c]).isCloseTo(luma, within(1e-6));
        }
        assertThat((double) pixel(0, 0.5, Light.DISPLAY, 0.9, 0.3, 0.1, 1)[0])
                .isCloseTo((luma + 0.9) / 2, within(1e-6));
        assertThat((double) pixel(0, 1, Light.DISPLAY, 0.9, 0.3, 0.1, 1)[2]).isCloseTo(0.1, within(1e-6));
    }

    @Test
    void alphaStaysAndColoursAreTakenAsIfOpaque() {
        float[] opaque = pixel(-1, 0.3, Light.DISPLAY, 0.9, 0.3, 0.1, 1);
        float[] half = pixel(-1, 0.3, Light.DISPLAY, 0.9, 0.3, 0.1, 0.5);
        assertThat(half[3]).isEqualTo(0.5f);
        for (int c = 0; c < 3; c++) {
            assertThat(half[c]).isCloseTo(opaque[c] / 2, within(1e-6f));
        }
        assertThat(pixel(-1, 0.3, Light.DISPLAY, 0, 0, 0, 0)).containsExactly(0, 0, 0, 0);
    }
}
