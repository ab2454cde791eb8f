package aperta.core.render;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Join;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.awt.AlphaComposite;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What layers do with what lies below them, and with the mattes that they are cut by. */
class JoinTest {
    private static final float STEP = 1 / 255f;
    private static final Colour GREEN = new Colour(0.1, 0.7, 0.2, 1);

    private final Studio studio = new Studio();

    /** A star somewhere, with a soft edge and some opacity. */
    private static Layer star(String id, Random random, double feather) {
        Box box = Box.centred(40 + random.nextInt(60), 30 + random.nextInt(50));
        BezierPath path = Figures.star(box, 3 + random.nextInt(6), 0.3 + random.nextDouble() / 2, 0.5, 0);
        Colour colour = new Colour(
                random.nextDouble(), random.nextDouble(), random.nextDouble(), 0.3 + 0.7 * random.nextDouble());
        return box(id, 40 + random.nextInt(80), 20 + random.nextInt(50), 160, 160, colour)
                .withMasks(List.of(Mask.of("m", "m", path).withFeather(Animated.of(feather))));
    }

    /** What lies inside can't make it larger, however its colours are mixed. */
    @ParameterizedTest
    @EnumSource(BlendMode.class)
    void whatStaysInsideLeavesTheAlphaAsItWas(BlendMode mode) {
        Random random = new Random(5);
        Layer below = star("below", random, 6);
        Layer above = star("above", random, 6).withJoin(Join.STAY_INSIDE).withBlend(mode);
        Picture alone = studio.render(shot(below), 0);
        Picture both = studio.render(shot(above, below), 0);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(both.at(x, y)[3]).isCloseTo(alone.at(x, y)[3], within(1e-6f));
            }
        }
    }

    /** Against java.awt's Porter-Duff rules, on pictures of floats rounded to eight bits. */
    @ParameterizedTest
    @CsvSource({"OVER, 3", "STAY_INSIDE, 10", "KEEP_BELOW, 6", "KNOCK_OUT_BELOW, 8"})
    void layersJoinAsPorterAndDuffSay(Join join, int rule) {
        Random random = new Random(rule);
        for (int n = 0; n < 8; n++) {
            Layer below = star("below", random, 6);
            Layer above = star("above", random, 6).withJoin(join);
            Picture both = studio.render(shot(above, below), 0);
            BufferedImage expected = argb(studio.render(shot(below), 0));
            Graphics2D g = expected.createGraphics();
            g.setComposite(AlphaComposite.getInstance(rule));
            g.drawImage(argb(studio.render(shot(above.withJoin(Join.OVER)), 0)), 0, 0, null);
            g.dispose();
            same(both, expected);
        }
    }

    private static BufferedImage argb(Picture picture) {
        BufferedImage image = new BufferedImage(160, 90, BufferedImage.TYPE_INT_ARGB_PRE);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                float[] p = picture.at(x, y);
                int[] eight = new int[4];
                for (int c = 0; c < 4; c++) {
                    eight[c] = Math.round(p[c] * 255);
                }
                image.getRaster().setPixel(x, y, eight);
            }
        }
        return image;
    }

    private static void same(Picture ours, BufferedImage theirs) {
        int[] eight = new int[4];
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                theirs.getRaster().getPixel(x, y, eight);
                float[] p = ours.at(x, y);
                for (int c = 0; c < 4; c++) {
                    assertThat(p[c]).as("%d, %d", x, y).isCloseTo(eight[c] / 255f, within(2.1f * STEP));
                }
            }
        }
    }

    /** Atop with a blend mode, by the formulas of W3C Compositing and Blending Level 1, §5 and §9. */
    @Test
    void whatStaysInsideIsBlendedToo() {
        Random random = new Random(5);
        Layer below = star("below", random, 10);
        Layer above = star("above", random, 10);
        Picture b = studio.render(shot(below), 0);
        Picture s = studio.render(shot(above), 0);
        Picture both = studio.render(shot(above.withJoin(Join.STAY_INSIDE).withBlend(BlendMode.MULTIPLY), below), 0);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                float ab = b.at(x, y)[3];
                float as = s.at(x, y)[3];
                for (int c = 0; c < 3; c++) {
                    float cb = ab == 0 ? 0 : b.at(x, y)[c] / ab;
                    float cs = as == 0 ? 0 : s.at(x, y)[c] / as;
                    float mixed = (1 - ab) * cs + ab * cb * cs;
                    float expected = as * ab * mixed + ab * cb * (1 - as);
                    assertThat(both.at(x, y)[c]).isCloseTo(expected, within(STEP / 4));
                }
                assertThat(both.at(x, y)[3]).isCloseTo(ab, within(STEP / 4));
            }
        }
    }

    /** In a group the layers beside the group are left alone, also those that are opaque. */
    @ParameterizedTest
    @EnumSource(Join.class)
    void whatLiesOutsideTheGroupIsLeftAlone(Join join) {
        Layer plate = box("plate", 80, 45, 160, 90, GREEN);
        Layer below = box("below", 60, 45, 60, 40, Colour.WHITE);
        Layer above = box("above", 90, 45, 60, 40, new Colour(1, 0, 0, 1)).withJoin(join);
        Layer group =
                Layer.of("g", "g", new Content.Group(List.of(above, below)), Span.of(0, 48), Place.at(Point.ORIGIN));
        Picture picture = studio.render(shot(group, plate), 0);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(picture.at(x, y)[3]).isEqualTo(1);
            }
        }
        float[] overlap = picture.at(75, 45);
        float[] onlyBelow = picture.at(40, 45);
        float[] onlyAbove = picture.at(110, 45);
        float[] green = {0.1f, 0.7f, 0.2f, 1};
        switch (join) {
            case OVER -> assertThat(onlyAbove).containsExactly(1, 0, 0, 1);
            case STAY_INSIDE -> {
                assertThat(overlap).containsExactly(1, 0, 0, 1);
                assertThat(onlyAbove).containsExactly(green, within(1e-5f));
            }
            case KEEP_BELOW -> {
                assertThat(overlap).containsExactly(1, 1, 1, 1);
                assertThat(onlyBelow).containsExactly(green, within(1e-5f));
            }
            case KNOCK_OUT_BELOW -> {
                assertThat(overlap).containsExactly(green, within(1e-5f));
                assertThat(onlyBelow).containsExactly(1, 1, 1, 1);
            }
        }
    }

    private static Layer cutBy(Layer layer, String by, Cut.Keep keep, Cut.Tone tone) {
        return layer.withCut(Optional.of(new Cut(by, Cut.With.SHAPE, keep).withTone(tone)));
    }

    /** Whatever is done to the matte, what stays inside and what stays outside make the whole. */
    @Test
    void insideAndOutsideMakeTheWholeWhateverTheTone() {
        Random random = new Random(11);
        List<Cut.Tone> tones = new ArrayList<>(List.of(Cut.Tone.PLAIN));
        tones.add(Cut.Tone.PLAIN
                .withBlack(Animated.of(0.2))
                .withWhite(Animated.of(0.7))
                .withGamma(Animated.of(2.2)));
        tones.add(Cut.Tone.PLAIN.withBlack(Animated.of(1.0)).withWhite(Animated.of(0.0)));
        tones.add(Cut.Tone.PLAIN.withCurve(
                new ToneCurve(List.of(new Point(0, 0.1), new Point(0.4, 0.8), new Point(1, 0.6)))));
        tones.add(Cut.Tone.PLAIN.withSpread(Animated.of(4.5)));
        tones.add(Cut.Tone.PLAIN.withSpread(Animated.of(-3.0)).withBlur(Animated.of(5.0)));
        for (Cut.Tone tone : tones) {
            Layer cutter = star("cutter", random, 4);
            Layer whole = box("whole", 80, 45, 160, 90, GREEN);
            Picture in = studio.render(shot(cutter, cutBy(whole, "cutter", Cut.Keep.INSIDE, tone)), 0);
            Picture out = studio.render(shot(cutter, cutBy(whole, "cutter", Cut.Keep.OUTSIDE, tone)), 0);
            for (int y = 0; y < 90; y++) {
                for (int x = 0; x < 160; x++) {
                    assertThat(in.at(x, y)[3] + out.at(x, y)[3]).isCloseTo(1, within(STEP));
                }
            }
        }
    }

    /** A ramp from black to white as a matte: each column has the value that levels and then the curve make of its own. */
    @Test
    void levelsAndThenTheCurveChangeTheBrightnessOfAMatte() {
        Paint ramp = new Paint.Linear(
                Animated.of(new Point(-80, 0)),
                Animated.of(new Point(80, 0)),
                List.of(Paint.Stop.of("s1", 0, Colour.BLACK), Paint.Stop.of("s2", 1, Colour.WHITE)));
        Layer gradient = box("ramp", 80, 45, 160, 90, GREEN)
                .withContent(new Content.Fill(Animated.of(new Point(160, 90)), ramp));
        Picture plain = studio.render(shot(gradient), 0);
        ToneCurve curve = new ToneCurve(List.of(new Point(0.25, 0), new Point(0.5, 0.7), new Point(0.75, 1)));
        Cut.Tone tone = Cut.Tone.PLAIN
                .withBlack(Animated.of(0.1))
                .withWhite(Animated.of(0.9))
                .withGamma(Animated.of(1.5))
                .withCurve(curve);
        Layer whole = box("whole", 80, 45, 160, 90, GREEN)
                .withCut(Optional.of(new Cut("ramp", Cut.With.BRIGHTNESS, Cut.Keep.INSIDE).withTone(tone)));
        Picture cut = studio.render(shot(gradient, whole), 0);
        for (int x = 0; x < 160; x++) {
            double level = Math.min(1, Math.max(0, (plain.at(x, 45)[0] - 0.1) / 0.8));
            assertThat(cut.at(x, 45)[3]).isCloseTo((float) curve.at(Math.pow(level, 1 / 1.5)), within(STEP));
        }
        assertThat(cut.at(20, 45)[3]).isZero();
        assertThat(cut.at(140, 45)[3]).isEqualTo(1);
    }

    /** Two layers that cut each other, on random shapes: A ∩ B by one, B \ A by the other, each before its own cut. */
    @Test
    void mutualCutsAgreeWithSetAlgebra() {
        Random random = new Random(2);
        for (int n = 0; n < 10; n++) {
            Layer a = star("a", random, 0);
            Layer b = star("b", random, 0);
            Picture pa = studio.render(shot(a), 0);
            Picture pb = studio.render(shot(b), 0);
            Picture first = studio.render(
                    shot(
                            cutBy(a, "b", Cut.Keep.INSIDE, Cut.Tone.PLAIN).withAlsoShown(true),
                            cutBy(b, "a", Cut.Keep.OUTSIDE, Cut.Tone.PLAIN)),
                    0);
            Picture second = studio.render(
                    shot(
                            cutBy(a, "b", Cut.Keep.INSIDE, Cut.Tone.PLAIN),
                            cutBy(b, "a", Cut.Keep.OUTSIDE, Cut.Tone.PLAIN).withAlsoShown(true)),
                    0);
            for (int y = 0; y < 90; y++) {
                for (int x = 0; x < 160; x++) {
                    float alphaA = pa.at(x, y)[3];
                    float alphaB = pb.at(x, y)[3];
                    assertThat(first.at(x, y)[3]).isCloseTo(alphaA * alphaB, within(STEP));
                    assertThat(second.at(x, y)[3]).isCloseTo(alphaB * (1 - alphaA), within(STEP));
                }
            }
        }
    }

    /** The cutter's own picture stays as it is, whatever is done to the matte that is taken from it. */
    @Test
    void theCutterItselfIsLeftAlone() {
        Layer word = word("word", "9", 70).withAlsoShown(true);
        Layer elsewhere = box("x", 500, 500, 4, 4, GREEN);
        Picture plain = studio.render(shot(word, cutBy(elsewhere, "word", Cut.Keep.INSIDE, Cut.Tone.PLAIN)), 0);
        Cut.Tone tone = Cut.Tone.PLAIN.withSpread(Animated.of(9.0)).withBlur(Animated.of(7.0));
        Picture toned = studio.render(shot(word, cutBy(elsewhere, "word", Cut.Keep.INSIDE, tone)), 0);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(toned.at(x, y)).containsExactly(plain.at(x, y));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {-8, -2.5, 3, 7.5, 12})
    void aSpreadCutIsAsMuchWider(double spread) {
        Layer cutter = box("cutter", 80, 45, 60, 40, Colour.WHITE);
        Layer whole = cutBy(
                box("whole", 80, 45, 160, 90, GREEN),
                "cutter",
                Cut.Keep.INSIDE,
                Cut.Tone.PLAIN.withSpread(Animated.of(spread)));
        Picture picture = studio.render(shot(cutter, whole), 0);
        double row = 0;
        double column = 0;
        for (int x = 0; x < 160; x++) {
            row += picture.at(x, 45)[3];
        }
        for (int y = 0; y < 90; y++) {
            column += picture.at(80, y)[3];
        }
        assertThat(row).isCloseTo(60 + 2 * spread, within(0.01));
        assertThat(column).isCloseTo(40 + 2 * spread, within(0.01));
    }

    /** Black and white points and gamma of a linear ramp, against their definition. */
    @Test
    void levelsChangeAMatteAsTheyAreDefined() {
        Cut.Tone tone = Cut.Tone.PLAIN
                .withBlack(Animated.of(0.25))
                .withWhite(Animated.of(0.75))
                .withGamma(Animated.of(2.0));
        assertThat(tone.values().applyAsDouble(0.2)).isZero();
        assertThat(tone.values().applyAsDouble(0.8)).isEqualTo(1);
        assertThat(tone.values().applyAsDouble(0.375)).isCloseTo(0.5, within(1e-9));
        Cut.Tone hard = Cut.Tone.PLAIN.withBlack(Animated.of(0.5)).withWhite(Animated.of(0.5));
        assertThat(hard.values().applyAsDouble(0.49)).isZero();
        assertThat(hard.values().applyAsDouble(0.5)).isEqualTo(1);
        Cut.Tone turned = Cut.Tone.PLAIN.withBlack(Animated.of(1.0)).withWhite(Animated.of(0.0));
        assertThat(turned.values().applyAsDouble(0.3)).isCloseTo(0.7, within(1e-9));
    }
}
