package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.shot.Light;
import org.junit.jupiter.api.Test;

class OutputTest {
    private static byte[] rgba(Picture p, long number, Bytes.See see) {
        byte[] out = new byte[(int) p.domain().area() * 4];
        Bytes.rgba(p, p.domain(), Transfer.of(Light.DISPLAY), number, see, out);
        return out;
    }

    @Test
    void everyEightBitValueComesBackExactly() {
        Region region = new Region(0, 0, 256, 64);
        Picture p = new Picture(region);
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 256; x++) {
                p.set(x, y, x * (1 / 255f), (255 - x) * (1 / 255f), x * (1 / 255f), 1);
            }
        }
        byte[] rgba = rgba(p, 17, Bytes.See.PICTURE);
        for (int i = 0; i < 256 * 64; i++) {
            assertThat(rgba[4 * i] & 0xff).isEqualTo(i % 256);
            assertThat(rgba[4 * i + 1] & 0xff).isEqualTo(255 - i % 256);
        }
    }

    @Test
    void valuesBetweenStepsAreRightOnAverage() {
        Region region = new Region(0, 0, 256, 256);
        for (double part : new double[] {0.1, 0.25, 0.5, 0.9}) {
            Picture p = new Picture(region);
            float v = (float) ((100 + part) / 255);
            p.fill(v, v, v, 1);
            byte[] rgba = rgba(p, 3, Bytes.See.ON_BLACK);
            double sum = 0;
            for (int i = 0; i < rgba.length; i += 4) {
                assertThat(rgba[i] & 0xff).isBetween(100, 101);
                sum += rgba[i] & 0xff;
            }
            assertThat(sum / (256 * 256)).isCloseTo(100 + part, within(0.01));
        }
    }

    /** ITU-R BT.709, narrow range: black (16, 128, 128), white (235, 128, 128), red (63, 102, 240), from memory. */
    @Test
    void knownColoursHaveTheirCodes() {
        assertThat(codes(0, 0, 0)).containsExactly(16, 128, 128);
        assertThat(codes(1, 1, 1)).containsExactly(235, 128, 128);
        int[] red = codes(1, 0, 0);
        assertThat(red[0]).isBetween(62, 63);
        assertThat(red[1]).isBetween(102, 103);
        assertThat(red[2]).isEqualTo(240);
        int[] blue = codes(0, 0, 1);
        assertThat(blue[0]).isBetween(31, 32);
        assertThat(blue[1]).isEqualTo(240);
    }

    private static int[] codes(float r, float g, float b) {
        Region region = new Region(0, 0, 4, 4);
        Picture p = new Picture(region);
        p.fill(r, g, b, 1);
        byte[] out = new byte[Yuv.size(4, 4)];
        new Yuv(region, Transfer.of(Light.DISPLAY), 0, out).convert(p, region);
        return new int[] {out[5] & 0xff, out[17] & 0xff, out[21] & 0xff};
    }

    @Test
    void theMatteIsSeenAsGreyAndTheCheckerThroughHoles() {
        Region region = new Region(0, 0, 32, 16);
        Picture p = new Picture(region);
        p.set(3, 3, 0.2f, 0, 0, 0.4f);
        byte[] matte = rgba(p, 0, Bytes.See.MATTE);
        int at = (3 * 32 + 3) * 4;
        assertThat(new int[] {matte[at] & 0xff, matte[at + 1] & 0xff, matte[at + 3] & 0xff})
                .containsExactly(102, 102, 255);
        byte[] checker = rgba(p, 0, Bytes.See.ON_CHECKER);
        assertThat(checker[0] & 0xff).isLessThan(checker[16 * 4] & 0xff);
        byte[] picture = rgba(p, 0, Bytes.See.PICTURE);
        assertThat(picture[at] & 0xff).isBetween(127, 128);
        assertThat(picture[at + 3] & 0xff).isEqualTo(102);
    }

    /** Only none is black and only all is white; between, a higher alpha is a lighter colour. */
    @Test
    void alphaAsHeatTellsTheSlightestFromNoneAndWhiteLiesUnder() {
        Picture p = new Picture(new Region(0, 0, 256, 1));
        for (int x = 0; x < 256; x++) {
            p.planes()[3][x] = x / 255f;
        }
        byte[] heat = rgba(p, 0, Bytes.See.HEAT);
        int last = -1;
        for (int x = 0; x < 256; x++) {
            int r = heat[4 * x] & 0xff;
            int g = heat[4 * x + 1] & 0xff;
            int b = heat[4 * x + 2] & 0xff;
            assertThat(r + g + b == 0).isEqualTo(x == 0);
            assertThat(r == 255 && g == 255 && b == 255).isEqualTo(x == 255);
            int light = (2126 * r + 7152 * g + 722 * b) / 10_000;
            assertThat(light).as("at " + x).isGreaterThanOrEqualTo(last - 1);
            last = light;
        }
        byte[] white = rgba(p, 0, Bytes.See.ON_WHITE);
        assertThat(white[0] & 0xff).isEqualTo(255);
        assertThat(white[4 * 255] & 0xff).isZero();
    }

    @Test
    void footageIsCopiedExactlyAndTurnedAboutItsCentre() {
        byte[] data = new byte[4 * 2 * 3];
        for (int i = 0; i < data.length; i++) {
            data[i] = (byte) (i * 10);
        }
        Pixels pixels = new Packed(4, 2, 3, 8, data);
        Picture p = new Picture(new Region(-1, -1, 8, 5));
        new Sampler(pixels, Affine.translation(-1, -1), Transfer.of(Light.DISPLAY)).paint(p, new Scratch());
        assertThat(p.at(1, 1)[0]).isZero();
        assertThat(p.at(1, 1)[3]).isEqualTo(1);
        assertThat(p.at(4, 2)[2]).isEqualTo((230 & 0xff) * (1 / 255f));
        assertThat(p.at(5, 2)[3]).isZero();
        // Reduced to a quarter the whole frame is one mean value.
        Picture small = new Picture(new Region(0, 0, 1, 1));
        new Sampler(pixels, Affine.scale(4, 2), Transfer.of(Light.DISPLAY)).paint(small, new Scratch());
        double mean = 0;
        for (int i = 0; i < 8; i++) {
            mean += (data[3 * i] & 0xff) / 255.0 / 8;
        }
        assertThat((double) small.at(0, 0)[0]).isCloseTo(mean, within(0.02));
    }

    /** The codes of BT.709 again, the other way round: what was written is read back as it was. */
    @Test
    void planarFramesComeBackAsTheColoursTheyWere() {
        Region region = new Region(0, 0, 32, 16);
        Planar.Coding bt709 = new Planar.Coding(0.2126, 0.0722, false, false);
        float[][] colours = {{0.78f, 0.12f, 0.24f}, {0, 0.5f, 1}, {0.02f, 0.02f, 0.03f}, {1, 1, 1}};
        for (float[] c : colours) {
            Picture p = new Picture(region);
            p.fill(c[0], c[1], c[2], 1);
            byte[] codes = new byte[Yuv.size(32, 16)];
            new Yuv(region, Transfer.of(Light.DISPLAY), 0, codes).convert(p, region);
            Picture back = new Picture(region);
            new Sampler(new Planar(32, 16, bt709, codes), Affine.IDENTITY, Transfer.of(Light.DISPLAY))
                    .paint(back, new Scratch());
            for (int k = 0; k < 3; k++) {
                assertThat(back.at(9, 7)[k]).isCloseTo(c[k], within(2.2f / 219));
            }
        }
    }

    @Test
    void chromaRampsStayEven() {
        byte[] data = new byte[(int) Planar.size(16, 8)];
        java.util.Arrays.fill(data, (byte) 126);
        for (int i = 0; i < 32; i++) {
            data[128 + i] = (byte) 128;
            data[160 + i] = (byte) (100 + 8 * (i % 8));
        }
        Picture p = new Picture(new Region(0, 0, 16, 8));
        Pixels left = new Planar(16, 8, new Planar.Coding(0.2126, 0.0722, false, false), data);
        new Sampler(left, Affine.IDENTITY, Transfer.of(Light.DISPLAY)).paint(p, new Scratch());
        float step = p.at(1, 3)[0] - p.at(0, 3)[0];
        for (int x = 1; x < 14; x++) {
            assertThat(p.at(x + 1, 3)[0] - p.at(x, 3)[0]).isCloseTo(step, within(1e-5f));
        }
    }
}
