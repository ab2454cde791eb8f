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
    private static final List<Paint.Stop> STOPS = List.of(
            new Paint.Stop(0, Colour.parse("#ff8800")),
            new Paint.Stop(0.3, Colour.parse("#224466")),
            new Paint.Stop(1, Colour.parse("#ffffff")));
    private static final Color[] JDK = {new Color(0xff8800), new Color(0x224466), new Color(0xffffff)};
    private static final float[] AT = {0, 0.3f, 1};

    private static void same(Gradient ours, java.awt.Paint theirs) {
        BufferedImage image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        g.setPaint(theirs);
        g.fillRect(0, 0, 64, 48);
        Picture p = new Picture(new Region(0, 0, 64, 48));
        ours.paint(p);
        for (int y = 0; y < 48; y++) {
            for (int x = 0; x < 64; x++) {
                int rgb = image.getRGB(x, y);
                assertThat(p.at(x, y)[0] * 255).as("%d, %d", x, y).isCloseTo(rgb >> 16 & 0xff, within(3f));
                assertThat(p.at(x, y)[2] * 255).as("%d, %d", x, y).isCloseTo(rgb & 0xff, within(3f));
            }
        }
    }

    /** Java2D's gradients, which work with 8 bits and look at a pixel's corner, where ours look at its centre. */
    @Test
    void alongALineAsJava2d() {
        same(
                Gradient.linear(new Point(10, 5), new Point(50, 40), STOPS, Affine.IDENTITY),
                new LinearGradientPaint(new Point2D.Float(9.5f, 4.5f), new Point2D.Float(49.5f, 39.5f), AT, JDK));
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
                        new AffineTransform(map.a(), map.b(), map.c(), map.d(), map.e() - 0.5, map.f() - 0.5)));
    }

    @Test
    void aFadeToClearKeepsItsColour() {
        List<Paint.Stop> fade =
                List.of(new Paint.Stop(0, new Colour(1, 0, 0, 1)), new Paint.Stop(1, new Colour(1, 0, 0, 0)));
        Picture p = new Picture(new Region(0, 0, 10, 1));
        Gradient.linear(new Point(0, 0), new Point(10, 0), fade, Affine.IDENTITY)
                .paint(p);
        for (int x = 0; x < 10; x++) {
            assertThat(p.at(x, 0)[0]).isCloseTo(p.at(x, 0)[3], within(1e-6f));
            assertThat(p.at(x, 0)[3]).isCloseTo(1 - (x + 0.5f) / 10, within(1e-5f));
        }
    }
}
