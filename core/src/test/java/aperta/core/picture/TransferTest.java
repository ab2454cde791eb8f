package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Light;
import java.awt.color.ColorSpace;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TransferTest {
    /** IEC 61966-2-1:1999 as the Java platform's own colour management computes it, to its 16 bits. */
    @Test
    void srgbIsThatOfThePlatform() {
        ColorSpace linear = ColorSpace.getInstance(ColorSpace.CS_LINEAR_RGB);
        Transfer srgb = Transfer.of(Light.LINEAR_SRGB);
        for (int i = 0; i <= 255; i++) {
            float v = i / 255f;
            float light = linear.fromRGB(new float[] {v, v, v})[1];
            assertThat(srgb.toLight(v)).as("code %d", i).isCloseTo(light, within(2e-4f));
        }
    }

    /**
     * Codes of 8 bits and their light, as published with the standard's formula: 0.04045 / 12.92 at the joint; mid grey
     * 128 is 0.2158605; from memory.
     */
    @ParameterizedTest
    @CsvSource({"0, 0", "0.04045, 0.0031308", "0.50196078, 0.2158605", "0.73725490, 0.5028865", "1, 1"})
    void srgbHasItsPublishedValues(float code, float light) {
        Transfer srgb = Transfer.of(Light.LINEAR_SRGB);
        assertThat(srgb.toLight(code)).isCloseTo(light, within(2e-6f));
        assertThat(srgb.toDisplay(light)).isCloseTo(code, within(2e-5f));
    }

    /** ITU-R BT.709-6, item 1.2: V = 4.500 L under 0.018, V = 1.099 L^0.45 − 0.099 above; 18 % grey is 0.409, from memory. */
    @ParameterizedTest
    @CsvSource({"0, 0", "0.01, 0.045", "0.018, 0.081", "0.18, 0.4090", "0.5, 0.7055", "1, 1"})
    void bt709HasItsPublishedValues(float light, float code) {
        Transfer bt709 = Transfer.of(Light.LINEAR_BT709);
        assertThat(bt709.toDisplay(light)).isCloseTo(code, within(3e-4f));
        assertThat(bt709.toLight(code)).isCloseTo(light, within(4e-4f));
    }

    @ParameterizedTest
    @EnumSource(Light.class)
    void everyValueComesBackAndTheCurveRises(Light light) {
        Transfer t = Transfer.of(light);
        float last = Float.NEGATIVE_INFINITY;
        for (int i = -500; i <= 3000; i++) {
            float v = i / 1000f;
            float there = t.toLight(v);
            assertThat(there).isGreaterThan(last);
            assertThat(t.toDisplay(there)).isCloseTo(v, within(2e-5f));
            assertThat(t.toLight(-v)).isCloseTo(-there, within(1e-6f));
            last = there;
        }
    }
}
