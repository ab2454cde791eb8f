package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.shot.Light;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

class SamplerTest {
    private static final GeometryFactory JTS = new GeometryFactory();
    private static final Transfer DISPLAY = Transfer.of(Light.DISPLAY);

    private static Packed even(int width, int height, int... rgb) {
        byte[] data = new byte[width * height * 3];
        for (int i = 0; i < data.length; i++) {
            data[i] = (byte) rgb[i % 3];
        }
        return new Packed(width, height, 3, 8, data);
    }

    private static Picture painted(Pixels pixels, Affine toRaster, Region region) {
        Picture p = new Picture(region);
        new Sampler(pixels, toRaster.inverse().orElseThrow(), DISPLAY).paint(p, new Scratch());
        return p;
    }

    /** A still at twice its size fills the frame: opaque up to its last pixel. */
    @ParameterizedTest
    @ValueSource(doubles = {2, 3, 1.6, 0.5, 1 / 3.0, 1.25})
    void aFrameThatFillsTheRasterIsOpaqueEverywhere(double scale) {
        Region region = new Region(0, 0, (int) Math.floor(160 * scale), (int) Math.floor(90 * scale));
        Picture p = painted(even(160, 90, 200, 100, 50), Affine.scale(scale, scale), region);
        for (int y = 0; y < region.height(); y++) {
            for (int x = 0; x < region.width(); x++) {
                assertThat(p.at(x, y)[3]).as("alpha of %d, %d", x, y).isEqualTo(1);
                assertThat(p.at(x, y)[0]).isCloseTo(200 / 255f, within(1e-6f));
            }
        }
    }

    /** Turned, moved, skewed frames cover each pixel as much as JTS measures, and keep their colour up to the edge. */
    @Test
    void alphaIsTheCoverageOfThePlacedRectangle() {
        Random random = new Random(4);
        Region region = new Region(0, 0, 40, 34);
        for (int round = 0; round < 25; round++) {
            Affine map = Affine.scale(0.4 + random.nextDouble() * 2, 0.4 + random.nextDouble() * 2)
                    .then(Affine.rotation(round % 3 == 0 ? 0 : random.nextDouble() * 360))
                    .then(Affine.translation(10 + random.nextDouble() * 20, 5 + random.nextDouble() * 20));
            Picture p = painted(even(13, 9, 255, 128, 20), map, region);
            Coordinate[] ring = new Coordinate[5];
            double[][] corners = {{0, 0}, {13, 0}, {13, 9}, {0, 9}, {0, 0}};
            for (int i = 0; i < 5; i++) {
                var at = map.apply(new aperta.core.geometry.Point(corners[i][0], corners[i][1]));
                ring[i] = new Coordinate(at.x(), at.y());
            }
            Geometry frame = JTS.createPolygon(ring);
            for (int y = 0; y < region.height(); y++) {
                for (int x = 0; x < region.width(); x++) {
                    double covered = frame.intersection(JTS.toGeometry(new Envelope(x, x + 1, y, y + 1)))
                            .getArea();
                    float[] v = p.at(x, y);
                    assertThat((double) v[3])
                            .as("round %d: %d, %d", round, x, y)
                            .isCloseTo(covered, within(1e-5));
                    assertThat(v[0]).isCloseTo(v[3], within(1e-5f));
                    assertThat(v[1]).isCloseTo(v[3] * 128 / 255, within(1e-5f));
                }
            }
        }
    }

    /** White half beside clear black half: what is averaged is what is seen, premultiplied, so that no black gets in. */
    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void reducedAlphaHasNoFringe(int bits) {
        int width = 9;
        byte[] data = new byte[width * 4 * 4 * (bits / 8)];
        for (int y = 0; y < 4; y++) {
            for (int x = 0; x < 5; x++) {
                int at = (y * width + x) * 4 * (bits / 8);
                Arrays.fill(data, at, at + 4 * (bits / 8), (byte) 255);
            }
        }
        Packed small = new Packed(width, 4, 4, bits, data).reduced(2);
        assertThat(small.width()).isEqualTo(5);
        Picture p = painted(small, Affine.IDENTITY, new Region(0, 0, 5, 2));
        assertThat(p.at(1, 0)).containsExactly(1, 1, 1, 1);
        assertThat(p.at(2, 0)[3]).isCloseTo(0.5f, within(0.002f));
        assertThat(p.at(2, 0)[0]).as("white, as much as there is of it").isEqualTo(p.at(2, 0)[3]);
        assertThat(p.at(3, 0)).containsExactly(0, 0, 0, 0);
    }

    /** What some decoders give for white isn't the largest number that fits. */
    @Test
    void whiteIsWhatTheSamplesSayItIs() {
        byte[] data = new byte[16];
        for (int c = 0; c < 4; c++) {
            int code = c < 3 ? 65283 : 65472;
            data[2 * c] = (byte) code;
            data[2 * c + 1] = (byte) (code >> 8);
            data[8 + 2 * c] = (byte) 255;
            data[8 + 2 * c + 1] = (byte) 255;
        }
        Packed packed = new Packed(2, 1, 4, 16, new Packed.White(65283, 65472), data);
        Picture p = painted(packed, Affine.IDENTITY, new Region(0, 0, 2, 1));
        assertThat(p.at(0, 0)).containsExactly(1, 1, 1, 1);
        assertThat(p.at(1, 0)).containsExactly(1, 1, 1, 1);
    }
}
