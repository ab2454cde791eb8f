package aperta.core.render;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.picture.Pixels;
import aperta.core.picture.Planar;
import aperta.core.picture.Yuv;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Light;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PreparedFrameTest {
    private static final Colour HALF_WHITE = new Colour(1, 1, 1, 0.5);
    private static final int W = 160;
    private static final int H = 96;
    private static final Format FORMAT = new Format(W, H, Studio.SMALL.rate());
    private static final Planar.Coding BT709 = new Planar.Coding(0.2126, 0.0722, false, false);

    private static byte[] samples(String media) {
        byte[] data = new byte[(int) Planar.size(W, H)];
        Random random = new Random(media.hashCode());
        for (int i = 0; i < data.length; i++) {
            data[i] = (byte) (90 + random.nextInt(70));
        }
        return data;
    }

    private static byte[] planar(Planar.Coding coding, Layer... layers) {
        Sources sources = new Sources() {
            @Override
            public Info info(String media) {
                return new Info(media, W, H, FORMAT.rate(), 48, false);
            }

            @Override
            public Pixels frame(String media, long frame, int level) {
                return new Planar(W, H, coding, samples(media));
            }
        };
        Planner planner = new Planner(sources, id -> Studio.anton());
        byte[] out = new byte[Yuv.size(W, H)];
        new Renderer(Cache.NONE, Bands.IN_TURN)
                .show(planner.plan(new Moment(new Shot("t", FORMAT, 48, List.of(layers)), 0), 1), 0)
                .planar420(out);
        return out;
    }

    private static Layer whole(String id) {
        return clip(id).withPlace(Place.at(FORMAT.centre()));
    }

    private static Layer cutByBox(String id) {
        return whole(id).withCut(Optional.of(new Cut("box", Cut.With.SHAPE, Cut.Keep.INSIDE)));
    }

    @Test
    void samplesOfOneClipGoThroughAsTheyAre() {
        assertThat(planar(BT709, whole("rain"))).isEqualTo(samples("rain"));
    }

    /** Whole blocks inside the cutter are the upper clip's samples, whole ones outside the lower's. */
    @Test
    void insideACutterTheUpperSamplesAndOutsideTheLowerOnes() {
        byte[] out = planar(BT709, box("box", 48, 48, 96, 96, Colour.WHITE), cutByBox("rain"), whole("platform"));
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                if (x < 64 || x >= 128) {
                    byte[] from = samples(x < 64 ? "rain" : "platform");
                    assertThat(out[y * W + x]).as("%d, %d", x, y).isEqualTo(from[y * W + x]);
                }
            }
        }
    }

    /** Where anything is done to a picture it is computed, and what is computed keeps to the samples' own sizes. */
    @Test
    void whatIsComputedIsAsNearAsRoundingAllows() {
        byte[] plain = samples("rain");
        byte[] faint = planar(BT709, box("veil", 80, 48, 160, 96, new Colour(0, 0, 0, 1e-6)), whole("rain"));
        double sum = 0;
        for (int i = 0; i < W * H; i++) {
            sum += Math.abs((plain[i] & 0xff) - (faint[i] & 0xff));
        }
        assertThat(sum / (W * H)).isBetween(0.0, 1.0);
        assertThat(planar(BT709, whole("rain").withBlend(BlendMode.MULTIPLY), whole("platform")))
                .isNotEqualTo(samples("rain"));
    }

    /** Samples that follow other numbers, or lie between ours, are converted. */
    @Test
    void otherSamplesAreConverted() {
        Planar.Coding bt601 = new Planar.Coding(0.299, 0.114, false, false);
        assertThat(planar(bt601, whole("rain"))).isNotEqualTo(samples("rain"));
        Layer odd = whole("rain").withPlace(Place.at(FORMAT.centre().plus(new Point(1, 0))));
        byte[] moved = planar(BT709, odd, whole("platform"));
        int same = 0;
        for (int i = W + 5; i < W * 2; i++) {
            same += Math.abs((moved[i] & 0xff) - (samples("rain")[i - 1] & 0xff)) <= 12 ? 1 : 0;
        }
        assertThat(same).as("of a row, moved by one").isGreaterThan((W - 5) * 9 / 10);
    }

    /**
     * Half of white over black: by the display's numbers 0.5; by light 0.5, which IEC 61966-2-1 codes as 0.7354 and
     * BT.709 as 0.7055.
     */
    @ParameterizedTest
    @CsvSource({"DISPLAY, 127.5", "LINEAR_SRGB, 187.5", "LINEAR_BT709, 179.9"})
    void halfOfWhiteOverBlackDependsOnTheLight(Light light, double code) {
        assertThat(seen(light, box("w", 80, 45, 80, 90, HALF_WHITE), box("b", 80, 45, 160, 90, Colour.BLACK)))
                .isCloseTo(code, within(0.6));
    }

    /** A colour by itself, and footage by itself, are the same in every light. */
    @ParameterizedTest
    @CsvSource({"DISPLAY", "LINEAR_SRGB", "LINEAR_BT709"})
    void whatIsSeenByItselfIsTheSameInEveryLight(Light light) {
        assertThat(seen(light, box("c", 80, 45, 160, 90, Colour.parse("#7b7b7b"))))
                .isCloseTo(0x7b, within(0.01));
        assertThat(seen(light, clip("rain"))).isCloseTo(seen(Light.DISPLAY, clip("rain")), within(0.01));
    }

    /** The luma of a cut is that of the display-encoded picture, whatever the light. */
    @ParameterizedTest
    @CsvSource({"LINEAR_SRGB", "LINEAR_BT709"})
    void aCutByBrightnessFollowsTheDisplay(Light light) {
        Layer grey = box("g", 80, 45, 160, 90, new Colour(0.5, 0.5, 0.5, 1));
        Layer cut = box("w", 80, 45, 160, 90, Colour.WHITE)
                .withCut(Optional.of(new Cut("g", Cut.With.BRIGHTNESS, Cut.Keep.INSIDE)));
        float alpha = new Studio()
                .show(shot(light, grey, cut), 0, 1, Bands.IN_TURN, Cache.NONE)
                .picture()
                .at(80, 45)[3];
        assertThat(alpha).isCloseTo(0.5f, within(1e-4f));
    }

    private static Shot shot(Light light, Layer... layers) {
        return new Shot("t", new Format(160, 90, Studio.SMALL.rate(), light), 48, List.of(layers));
    }

    /** The mean red of the middle of the frame, on black, in steps of 8 bits. */
    private static double seen(Light light, Layer... layers) {
        byte[] rgba = new Studio()
                .show(shot(light, layers), 0, 1, Bands.IN_TURN, Cache.NONE)
                .rgba(Bytes.See.ON_BLACK);
        double sum = 0;
        for (int y = 30; y < 60; y++) {
            for (int x = 60; x < 100; x++) {
                sum += rgba[(y * 160 + x) * 4] & 0xff;
            }
        }
        return sum / (30 * 40);
    }

    @Test
    void aLetterOffTheFrameCutsNothingOutside() {
        Layer far = word("word", "X", 40).withPlace(Place.at(new Point(-900, 0)));
        Layer out = clip("rain").withCut(Optional.of(new Cut("word", Cut.With.SHAPE, Cut.Keep.OUTSIDE)));
        Shot shot = Studio.shot(far, out);
        assertThat(new Studio().render(shot, 0).at(5, 5)[3]).isEqualTo(1);
        Shot faded = shot.changing("rain", l -> l.withPlace(l.place().withOpacity(Animated.of(0.5))));
        assertThat(new Studio().render(faded, 0).at(5, 5)[3]).isEqualTo(0.5f);
    }
}
