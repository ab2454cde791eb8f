package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.Paint;
import java.awt.Color;
import java.awt.LinearGradientPaint;
import java.awt.MultipleGradientPaint.ColorSpaceType;
import java.awt.MultipleGradientPaint.CycleMethod;
import java.awt.RadialGradientPaint;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.util.List;
import org.junit.jupiter.api.Test;

class GradientTest {
    private static final List<Paint.At> STOPS = List.of(
            new Paint.At(0, Colour.parse("#ff8800")),
            new Paint.At(0.3, Colour.parse("#224466")),
            new Paint.At(1, Colour.parse("#ffffff")));
    private static final Color[] JDK = {new Color(0xff8800), new Color(0x224466), new Color(0xffffff)};
    private static final float[] AT = {0, 0.3f, 1};

    private static final int FINE = 8;

    /** Java2D's gradients, painted eight times as large and averaged: a pixel is the mean of what lies in it. */
    private static void same(Gradient ours, java.awt.Paint theirs) {
        BufferedImage image = new BufferedImage(64 * FINE, 48 * FINE, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        g.scale(FINE, FINE);
        g.setPaint(theirs);
        g.fillRect(0, 0, 64, 48);
        Picture p = new Picture(new Region(0, 0, 64, 48));
        ours.paint(p);
        for (int y = 0; y < 48; y++) {
            for (int x = 0; x < 64; x++) {
                assertThat(p.at(x, y)[0] * 255).as("%d, %d", x, y).isCloseTo(mean(image, x, y, 16), within(6f));
                assertThat(p.at(x, y)[2] * 255).as("%d, %d", x, y).isCloseTo(mean(image, x, y, 0), within(6f));
            }
        }
    }

    private static float mean(BufferedImage fine, int x, int y, int shift) {
        float sum = 0;
        for (int i = 0; i < FINE * FINE; i++) {
            sum += fine.getRGB(x * FINE + i % FINE, y * FINE + i / FINE) >> shift & 0xff;
        }
        return sum / (FINE * FINE);
    }

    @Test
    void alongALineAsJava2d() {
        same(
                Gradient.linear(new Point(10, 5), new Point(50, 40), STOPS, Affine.IDENTITY),
                new LinearGradientPaint(new Point2D.Float(10, 5), new Point2D.Float(50, 40), AT, JDK));
    }

    @Test
    void outwardsAsJava2dAndTurnedWithTheLayer() {
        Affine map = Affine.scale(1, 0.5).then(Affine.rotation(30)).then(Affine.translation(8, -4));
        same(
                Gradient.radial(new Point(30, 40), 26, STOPS, map),
                new RadialGradientPaint(
                        new Point2D.Float(30, 40),
                        26,
                        new Point2D.Float(30, 40),
                        AT,
                        JDK,
                        CycleMethod.NO_CYCLE,
                        ColorSpaceType.SRGB,
                        new AffineTransform(map.a(), map.b(), map.c(), map.d(), map.e(), map.f())));
    }

    @Test
    void aFadeToClearKeepsItsColour() {
        List<Paint.At> fade = List.of(new Paint.At(0, new Colour(1, 0, 0, 1)), new Paint.At(1, new Colour(1, 0, 0, 0)));
        Picture p = new Picture(new Region(0, 0, 10, 1));
        Gradient.linear(new Point(0, 0), new Point(10, 0), fade, Affine.IDENTITY)
                .paint(p);
        for (int x = 0; x < 10; x++) {
            assertThat(p.at(x, 0)[0]).isCloseTo(p.at(x, 0)[3], within(1e-6f));
            assertThat(p.at(x, 0)[3]).isCloseTo(1 - (x + 0.5f) / 10, within(1e-5f));
        }
    }

    /** CSS Images Level 4, 3.3: the colour at an angle, measured clockwise, is that of the share of the whole turn. */
    @Test
    void roundACentreByTheShareOfTheTurn() {
        List<Paint.At> ramp = List.of(new Paint.At(0, Colour.BLACK), new Paint.At(1, Colour.WHITE));
        Picture p = new Picture(new Region(0, 0, 41, 41));
        Gradient.conic(new Point(20.5, 20.5), 30, ramp, Affine.IDENTITY).paint(p);
        for (int turn = 20; turn < 350; turn += 10) {
            double radians = Math.toRadians(turn + 30.0);
            int x = (int) Math.floor(20.5 + 18 * Math.cos(radians));
            int y = (int) Math.floor(20.5 + 18 * Math.sin(radians));
            double exact = Math.toDegrees(Math.atan2(y - 20, x - 20)) - 30;
            assertThat(p.at(x, y)[0]).as("%d°", turn).isCloseTo((float) ((exact + 360) % 360 / 360), within(1e-3f));
        }
        assertThat(p.at(20, 20)[0]).as("the centre is all of it").isCloseTo(0.5f, within(1e-6f));
    }

    /** A pixel that an edge runs through has as much of each colour as lies in it; the rest is of one colour. */
    @Test
    void stopsAtTheSamePlaceHaveASmoothEdge() {
        List<Paint.At> hard = List.of(
                new Paint.At(0, Colour.BLACK),
                new Paint.At(0.525, Colour.BLACK),
                new Paint.At(0.525, Colour.WHITE),
                new Paint.At(1, Colour.WHITE));
        Picture line = new Picture(new Region(0, 0, 20, 1));
        Gradient.linear(new Point(0, 0), new Point(20, 0), hard, Affine.IDENTITY)
                .paint(line);
        for (int x = 0; x < 20; x++) {
            float expected = x < 10 ? 0 : x > 10 ? 1 : 0.5f;
            assertThat(line.at(x, 0)[0]).as("%d", x).isCloseTo(expected, within(1e-6f));
        }
        List<Paint.At> ends = List.of(new Paint.At(0, Colour.BLACK), new Paint.At(1, Colour.WHITE));
        Picture seam = new Picture(new Region(0, 0, 40, 21));
        Gradient.conic(new Point(0, 10.5), 0, ends, Affine.IDENTITY).paint(seam);
        for (int x = 4; x < 40; x++) {
            assertThat(seam.at(x, 10)[0])
                    .as("on the ray where it begins, half of either end")
                    .isCloseTo(0.5f, within(0.02f));
        }
    }
}
