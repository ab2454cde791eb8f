package aperta.core.render;

import static aperta.core.render.Affecting.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Packed;
import aperta.core.picture.Picture;
import aperta.core.picture.Pixels;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Rate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Keys, held against clips that were mixed from a foreground of known alpha and a ground (Porter and Duff, 1984), as bytes. */
class KeyingTest {
    private static final int W = 160;
    private static final int H = 90;
    private static final int[] GREEN = {42, 157, 78};

    /** How much of a pixel is in front: a disc with a soft edge, and lines one pixel wide. */
    private static double alpha(int x, int y, double blur, boolean hair) {
        if (hair) {
            // Lines at every eighth column that lean by one pixel in thirty.
            double at = (x + 0.5 - y / 30.0) % 8;
            return Math.max(0, 1 - Math.abs(at - 4));
        }
        double distance = 30 - Math.hypot(x + 0.5 - 80, y + 0.5 - 45);
        double width = Math.max(1, 2 * blur);
        return Math.min(1, Math.max(0, 0.5 + distance / width));
    }

    private static int front(int x, int y, int channel) {
        // Greys of many kinds, darker to the right and at the bottom.
        return 235 - x - y / 2;
    }

    private static final class Clips implements Sources {
        private final double blur;
        private final boolean hair;

        Clips(double blur, boolean hair) {
            this.blur = blur;
            this.hair = hair;
        }

        @Override
        public Info info(String media) {
            return new Info(media, W, H, Rate.of(24), 1, false);
        }

        @Override
        public Pixels frame(String media, long frame, int level) {
            byte[] data = new byte[W * H * 3];
            for (int i = 0; i < W * H; i++) {
                double a = media.equals("mixed") ? alpha(i % W, i / W, blur, hair) : 0;
                for (int c = 0; c < 3; c++) {
                    double back = media.equals("mixed") && !ground
                            ? GREEN[c]
                            : 60 + 50 * Math.sin(i % W / 9.0 + c) * Math.cos(i / W / 7.0);
                    data[3 * i + c] = (byte) Math.round(a * front(i % W, i / W, c) + (1 - a) * back);
                }
            }
            return new Packed(W, H, 3, 8, data);
        }

        private boolean ground;

        Clips onGround() {
            ground = true;
            return this;
        }
    }

    private static Layer clip(String id, LayerEffect... effects) {
        return Layer.of(id, id, new Content.Footage(id), Span.of(0, 1), Place.at(new Point(80, 45)))
                .withEffects(List.of(effects));
    }

    private static LayerEffect link(String kind, Map<String, ?> values) {
        return Affecting.link(kind, values);
    }

    private static Picture keyed(Sources sources, Layer... layers) {
        Planner planner = new Planner(sources, id -> Studio.anton());
        Shot shot = new Shot("Key", Studio.SMALL, 1, List.of(layers));
        try (Workers workers = new Workers(1)) {
            return new Renderer(Cache.NONE, workers)
                    .show(planner.plan(planner.moment(shot, 0), 1), 0)
                    .picture();
        }
    }

    private static double meanError(Picture p, double blur, boolean hair) {
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += Math.abs(p.at(x, y)[3] - alpha(x, y, blur, hair));
            }
        }
        return sum / (W * H);
    }

    private static final Map<String, Object> EXACT =
            Map.of("key", Colour.parse("#2a9d4e"), "tolerance", 0.0, "softness", 1.0);

    @ParameterizedTest
    @CsvSource({"0, false", "3, false", "12, false", "0, true"})
    void chromaIsAsMuchInFrontAsWasMixed(double blur, boolean hair) {
        Picture p = keyed(new Clips(blur, hair), clip("mixed", link("chroma-key", EXACT)));
        assertThat(meanError(p, blur, hair)).isLessThan(0.02);
        // As people set it, with some tolerance.
        Picture usual =
                keyed(new Clips(blur, hair), clip("mixed", link("chroma-key", Map.of("key", Colour.parse("#2a9d4e")))));
        assertThat(meanError(usual, blur, hair)).isLessThan(0.02);
    }

    /** What was grey is grey again, also where the ground shone through it: within 2 of 255. */
    @Test
    void greysHaveNoSpill() {
        Picture p = keyed(new Clips(3, false), clip("mixed", link("chroma-key", EXACT)));
        int looked = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float[] c = p.at(x, y);
                if (c[3] > 0.25) {
                    looked++;
                    for (int k = 0; k < 3; k++) {
                        assertThat(255.0 * c[k] / c[3])
                                .as("%d, %d, %d", x, y, k)
                                .isCloseTo(front(x, y, k), within(2.0 / c[3]));
                    }
                }
            }
        }
        assertThat(looked).isGreaterThan(2500);
    }

    @ParameterizedTest
    @CsvSource({"0, false", "3, false", "0, true"})
    void aDifferenceFromACleanPlateIsInFront(double blur, boolean hair) {
        Picture p = keyed(
                new Clips(blur, hair).onGround(),
                clip("mixed", link("difference-key", Map.of("plate", "clean", "tolerance", 0.02, "softness", 0.06))),
                clip("clean").withHidden(true));
        // A ramp over differences can't tell a bright ground from a half-covered one: by area, not by pixel.
        double share = 0;
        double truth = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                share += p.at(x, y)[3];
                truth += alpha(x, y, blur, hair);
            }
        }
        assertThat(Math.abs(share - truth) / (W * H)).isLessThan(hair ? 0.12 : 0.06);
        if (!hair) {
            assertThat(p.at(80, 45)[3]).isEqualTo(1);
            assertThat(p.at(5, 5)[3]).isZero();
        }
    }

    @Test
    void lumaIsARampAboutItsLevel() {
        for (double grey : new double[] {0.1, 0.3, 0.35, 0.4, 0.5}) {
            Colour c = new Colour(grey, grey, grey, 1);
            Map<String, Object> dark = Map.of("level", 0.35, "softness", 0.2);
            float share =
                    of(Studio.box("l", 80, 45, 160, 90, c), "luma-key", dark).at(80, 45)[3];
            double ramp = Math.min(1, Math.max(0, (grey - 0.25) / 0.2));
            assertThat(share).isCloseTo((float) ramp, within(1e-4f));
            Map<String, Object> bright = Map.of("level", 0.35, "softness", 0.2, "away", "the bright");
            float rest =
                    of(Studio.box("l", 80, 45, 160, 90, c), "luma-key", bright).at(80, 45)[3];
            assertThat(rest).isCloseTo(1 - (float) ramp, within(1e-4f));
        }
    }

    @Test
    void bothEndsAreCleanedAndTheMatteIsSeen() {
        Map<String, Object> ends =
                Map.of("level", 0.5, "softness", 1.0, "cleanBelow", 0.2, "cleanAbove", 0.7, "shows", "matte");
        for (double[] pair : new double[][] {{0.1, 0}, {0.2, 0}, {0.45, 0.5}, {0.7, 1}, {0.9, 1}}) {
            Colour c = new Colour(pair[0], pair[0], pair[0], 1);
            float[] p =
                    of(Studio.box("l", 80, 45, 160, 90, c), "luma-key", ends).at(80, 45);
            assertThat(p[0]).isCloseTo((float) pair[1], within(1e-3f));
            assertThat(p[3]).isEqualTo(1);
        }
    }

    @Test
    void withoutAPlateADifferenceTakesNothingAway() {
        AnimatedRecipe recipe = AnimatedRecipe.of(Affecting.recipe("difference-key", Map.of()));
        assertThat(recipe.kind()).isEqualTo("difference-key");
        Picture p = of(Studio.box("l", 80, 45, 160, 90, Colour.WHITE), "difference-key", Map.of());
        assertThat(p.at(80, 45)).containsExactly(1, 1, 1, 1);
    }
}
