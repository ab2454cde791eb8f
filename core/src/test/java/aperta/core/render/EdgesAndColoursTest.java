package aperta.core.render;

import static aperta.core.render.Affecting.at;
import static aperta.core.render.Affecting.link;
import static aperta.core.render.Affecting.of;
import static aperta.core.render.Affecting.white;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Effects of edges, of colour, of age and of time, each against what it says. */
class EdgesAndColoursTest {
    private static double area(Picture p, int channel) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                sum += p.at(x, y)[channel];
            }
        }
        return sum;
    }

    private static Layer disc(double radius) {
        BezierPath path = BezierPath.ellipse(Box.centred(2 * radius, 2 * radius));
        return Studio.box("l", 80, 45, 160, 90, Colour.WHITE).withMasks(List.of(Mask.of("m", "m", path)));
    }

    @Test
    void circlesGrowIntoCircles() {
        assertThat(area(of(disc(20), "grow", Map.of("by", 7.0)), 3)).isCloseTo(Math.PI * 27 * 27, within(12.0));
        assertThat(area(of(disc(20), "grow", Map.of("by", 3.0)), 3)).isCloseTo(Math.PI * 23 * 23, within(12.0));
        assertThat(area(of(disc(20), "grow", Map.of("by", -3.0)), 3)).isCloseTo(Math.PI * 17 * 17, within(12.0));
        assertThat(area(of(disc(20), "grow", Map.of("by", -7.0)), 3)).isCloseTo(Math.PI * 13 * 13, within(12.0));
        Layer red = disc(20).withContent(((Content.Fill)
                Studio.box("l", 0, 0, 160, 90, new Colour(1, 0, 0, 1)).content()));
        Picture grown = of(red, "grow", Map.of("by", 7.0));
        assertThat(grown.at(80 + 24, 45)).containsExactly(new float[] {1, 0, 0, 1}, within(1e-3f));
    }

    @Test
    void anOutlineIsAsWideAsItSays() {
        for (String where : List.of("outside", "inside", "on the edge")) {
            double out = where.equals("outside") ? 6 : where.equals("inside") ? 0 : 3;
            double in = 6 - out;
            Picture rim = of(
                    disc(20),
                    "outline",
                    Map.of("width", 6.0, "where", where, "source", false, "colour", new Colour(0, 1, 0, 1)));
            double expected = Math.PI * (Math.pow(20 + out, 2) - Math.pow(20 - in, 2));
            assertThat(area(rim, 1)).as(where).isCloseTo(expected, within(14.0));
            Picture both = of(disc(20), "outline", Map.of("width", 6.0, "where", where));
            // Rim and picture share the pixels of their edges: nothing shines through between them.
            for (int x = 80; x < 80 + 20 + (int) out - 1; x++) {
                assertThat(both.at(x, 45)[3]).as("%s at %d", where, x).isCloseTo(1, within(0.01f));
            }
        }
    }

    @Test
    void aFrayedEdgeIsEatenNoDeeperThanItsDepth() {
        Picture plain = of(disc(30));
        Picture frayed = of(disc(30), "fray", Map.of("depth", 8.0, "size", 9.0));
        double gone = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                double r = Math.hypot(x + 0.5 - 80, y + 0.5 - 45);
                float a = frayed.at(x, y)[3];
                assertThat(a).isLessThanOrEqualTo(plain.at(x, y)[3] + 1e-6f);
                if (r < 30 - 8 - 1) {
                    assertThat(a).as("%d, %d", x, y).isEqualTo(1);
                }
                gone += plain.at(x, y)[3] - a;
            }
        }
        // About half of the depth is eaten on the average.
        assertThat(gone).isCloseTo(Math.PI * (900 - 26 * 26), within(250.0));
    }

    /** A hundred by a hundred cells of the noise: as much is gone as is said. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.03, 0.25, 0.5, 0.8, 0.97, 1})
    void asMuchIsGoneAsIsSaid(double gone) {
        for (double softness : new double[] {0, 0.3}) {
            double left = 0;
            int n = 0;
            for (int seed = 1; seed <= 45; seed++) {
                Picture p =
                        of(white(), "dissolve", Map.of("gone", gone, "size", 7.3, "softness", softness, "seed", (double)
                                seed));
                left += area(p, 3);
                n += 160 * 90;
            }
            double share = 1 - left / n;
            if (gone == 0 || gone == 1) {
                assertThat(share).isEqualTo(gone);
            } else {
                assertThat(share).as("%s, soft by %s", gone, softness).isCloseTo(gone, within(0.01));
            }
        }
    }

    private static float[] coloured(Colour c, String kind, Map<String, ?> values) {
        return of(Studio.box("l", 80, 45, 160, 90, c), kind, values).at(80, 45);
    }

    @Test
    void toneIsLevelsThenCurves() {
        Colour c = new Colour(0.3, 0.5, 0.8, 1);
        assertThat(coloured(c, "tone", Map.of())).containsExactly(new float[] {0.3f, 0.5f, 0.8f, 1}, within(1e-6f));
        float[] levels = coloured(c, "tone", Map.of("black", 0.1, "white", 0.9, "middle", 0.3, "darkest", 0.2));
        double power = Math.log(0.5) / Math.log(0.3);
        assertThat((double) levels[1]).isCloseTo(0.2 + 0.8 * Math.pow(0.4 / 0.8, power), within(1e-4));
        ToneCurve down = new ToneCurve(List.of(new Point(0, 1), new Point(1, 0)));
        float[] curved = coloured(c, "tone", Map.of("all", down, "blue", down));
        assertThat(curved[0]).isCloseTo(0.7f, within(1e-3f));
        assertThat(curved[2]).isCloseTo(0.8f, within(1e-3f));
    }

    @Test
    void coloursStandWhereTheyAreSet() {
        Map<String, ?> values = Map.of(
                "count",
                3.0,
                "colour1",
                new Colour(1, 0, 0, 1),
                "at1",
                0.0,
                "colour2",
                new Colour(0, 1, 0, 1),
                "at2",
                0.5,
                "colour3",
                new Colour(0, 0, 1, 1),
                "at3",
                1.0);
        assertThat(coloured(new Colour(0.25, 0.25, 0.25, 1), "colours-by-brightness", values))
                .containsExactly(new float[] {0.5f, 0.5f, 0, 1}, within(2e-3f));
        assertThat(coloured(new Colour(0.75, 0.75, 0.75, 1), "colours-by-brightness", values))
                .containsExactly(new float[] {0, 0.5f, 0.5f, 1}, within(2e-3f));
    }

    /** IEC 61966-2-1 says the light of a value; a stop doubles it. */
    @Test
    void aStopDoublesTheLight() {
        double light = Math.pow((0.4 + 0.055) / 1.055, 2.4);
        double brighter = 1.055 * Math.pow(2 * light, 1 / 2.4) - 0.055;
        float[] out = coloured(new Colour(0.4, 0.4, 0.4, 1), "exposure", Map.of("stops", 1.0));
        assertThat((double) out[0]).isCloseTo(brighter, within(1e-4));
    }

    @Test
    void thresholdAndVignetteAreTheirFormulas() {
        Map<String, ?> soft = Map.of("level", 0.5, "softness", 0.4);
        assertThat(coloured(new Colour(0.45, 0.45, 0.45, 1), "threshold", soft)[0])
                .isCloseTo(0.375f, within(1e-4f));
        Map<String, ?> values =
                Map.of("strength", 0.8, "begins", 0.3, "ends", 1.0, "round", 0.0, "colour", Colour.BLACK);
        Picture p = of(white(), "vignette", values);
        for (int x = 2; x < 160; x += 20) {
            double u = (x + 0.5 - 80) / (160 / Math.sqrt(2));
            double v = (70.5 - 45) / (90 / Math.sqrt(2));
            double t = Math.min(1, Math.max(0, (Math.hypot(u, v) - 0.3) / 0.7));
            assertThat((double) p.at(x, 70)[0]).isCloseTo(1 - 0.8 * t * t * (3 - 2 * t), within(1e-5));
        }
    }

    @Test
    void grainHasItsStrengthAndNeverRepeats() {
        Layer grey = Studio.box("l", 80, 45, 160, 90, new Colour(0.5, 0.5, 0.5, 1))
                .withEffects(List.of(link("grain", Map.of("strength", 0.1, "size", 1.0))));
        Picture one = at(grey, 0);
        double sum = 0;
        double squares = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                double v = one.at(x, y)[0] - 0.5;
                sum += v;
                squares += v * v;
            }
        }
        int n = 160 * 90;
        assertThat(sum / n).isCloseTo(0, within(0.003));
        assertThat(Math.sqrt(squares / n)).isCloseTo(0.1, within(0.005));
        // No later frame is like the first: what they have in common is chance.
        for (int frame = 1; frame < 48; frame += 4) {
            Picture other = at(grey, frame);
            double common = 0;
            for (int y = 0; y < 90; y++) {
                for (int x = 0; x < 160; x++) {
                    common += (one.at(x, y)[0] - 0.5) * (other.at(x, y)[0] - 0.5);
                }
            }
            assertThat(common / squares).as("frame %d", frame).isBetween(-0.05, 0.05);
        }
    }

    @Test
    void whatIsSwitchedOffOfAnOldFilmOrATapeLeavesThePicture() {
        Layer clip =
                Layer.of("l", "Clip", new Content.Footage(Studio.SMOOTH), Span.of(0, 48), Place.at(new Point(80, 45)));
        Map<String, ?> none =
                Map.of("weave", 0.0, "flicker", 0.0, "dust", 0.0, "hairs", 0.0, "scratches", 0.0, "fading", 0.0);
        assertThat(Studio.furthest(of(clip), of(clip, "old-film", none))).isLessThan(1e-5f);
        Map<String, ?> still =
                Map.of("jitter", 0.0, "lag", 0.0, "bleed", 0.0, "noise", 0.0, "band", 0.0, "dropouts", 0.0);
        assertThat(Studio.furthest(of(clip), of(clip, "tape", still))).isLessThan(1e-4f);
    }

    /** Colour bleeds to the side; brightness, by the weights of BT.709, stays where it was. */
    @Test
    void aTapesColourBleedsAndItsBrightnessStays() {
        Layer card = Studio.box("l", 80, 45, 160, 90, new Colour(0.5, 0.5, 0.5, 1));
        Layer red = Studio.box("r", 80, 45, 40, 90, new Colour(0.8, 0.45, 0.45, 1));
        Layer all = Layer.of("a", "a", new Content.Adjustment(), Span.of(0, 48), card.place());
        Map<String, ?> bleed =
                Map.of("jitter", 0.0, "lag", 0.0, "bleed", 20.0, "noise", 0.0, "band", 0.0, "dropouts", 0.0);
        Picture plain = of(red, card);
        Picture bled = of(all, "tape", bleed, red, card);
        for (int x = 5; x < 155; x++) {
            float[] a = plain.at(x, 45);
            float[] b = bled.at(x, 45);
            double luma = 0.2126 * a[0] + 0.7152 * a[1] + 0.0722 * a[2];
            assertThat(0.2126 * b[0] + 0.7152 * b[1] + 0.0722 * b[2])
                    .as("%d", x)
                    .isCloseTo(luma, within(0.002));
        }
        assertThat(bled.at(56, 45)[0] - bled.at(56, 45)[1]).isGreaterThan(0.05f);
    }

    /** Half of each pitch is dark by half: a quarter of the light goes. */
    @Test
    void scanLinesTakeAsMuchAsTheyCover() {
        Picture p = of(white(), "scan-lines", Map.of("pitch", 5.0, "width", 0.5, "dark", 0.5, "bright", 0.0));
        assertThat(area(p, 0) / (160 * 90)).isCloseTo(0.75, within(0.01));
        float least = 1;
        float most = 0;
        for (int y = 10; y < 80; y++) {
            least = Math.min(least, p.at(80, y)[0]);
            most = Math.max(most, p.at(80, y)[0]);
        }
        assertThat(least).isCloseTo(0.5f, within(1e-3f));
        assertThat(most).isCloseTo(1, within(1e-3f));
    }

    private static final Layer MOVING = Studio.box("l", 80, 45, 20, 20, Colour.WHITE)
            .withPlace(Place.at(new Point(80, 45))
                    .withPosition(new Animated<>(
                            new Point(20, 45),
                            List.of(
                                    new Key<>(0, new Point(20, 45), Ease.LINEAR),
                                    new Key<>(40, new Point(140, 45), Ease.LINEAR)))));

    @Test
    void anAfterimageIsWhatItWas() {
        Layer layer = MOVING.withEffects(List.of(link("afterimage", Map.of("count", 2.0, "apart", 10.0, "fade", 0.5))));
        Picture p = at(layer, 30);
        // 3 pixels a frame: now at 110, ten frames ago at 80, twenty at 50.
        assertThat(p.at(110, 45)[3]).isEqualTo(1);
        assertThat(p.at(80, 45)[3]).isCloseTo(0.5f, within(1e-5f));
        assertThat(p.at(50, 45)[3]).isCloseTo(0.25f, within(1e-5f));
        assertThat(p.at(20, 45)[3]).isZero();
    }

    @Test
    void everyNthFrameHoldsThePicture() {
        Layer held = MOVING.withEffects(List.of(link("every-nth-frame", Map.of("frames", 6.0))));
        for (int frame : new int[] {12, 14, 17}) {
            assertThat(Studio.furthest(at(held, frame), at(MOVING, 12)))
                    .as("%d", frame)
                    .isZero();
        }
        assertThat(Studio.furthest(at(held, 18), at(MOVING, 18))).isZero();
    }

    @Test
    void shadowsLieBelowAndWithin() {
        Layer card = Studio.box("l", 80, 45, 40, 30, new Colour(1, 0.5, 0, 1));
        Picture inner = of(
                card,
                "inner-shadow",
                Map.of("towards", 0.0, "distance", 6.0, "softness", 0.0, "colour", new Colour(0, 0, 0, 0.5)));
        // Shifted to the right: the left six pixels of the card are dark by half, alpha stays.
        assertThat(inner.at(63, 45)).containsExactly(new float[] {0.5f, 0.25f, 0, 1}, within(1e-4f));
        assertThat(inner.at(70, 45)).containsExactly(new float[] {1, 0.5f, 0, 1}, within(1e-4f));
        assertThat(inner.at(50, 45)[3]).isZero();
    }
}
