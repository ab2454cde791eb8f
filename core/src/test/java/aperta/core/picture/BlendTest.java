package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.BlendMode;
import aperta.core.shot.Light;
import java.awt.AlphaComposite;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Every mode is also held against the browser's own canvas, in the end-to-end tests. */
class BlendTest {
    private static final Region ONE = new Region(0, 0, 1, 1);

    private static Picture pixel(double r, double g, double b, double a) {
        Picture p = new Picture(ONE);
        p.set(0, 0, (float) (r * a), (float) (g * a), (float) (b * a), (float) a);
        return p;
    }

    private static double opaque(BlendMode mode, double backdrop, double source) {
        Picture p = pixel(backdrop, backdrop, backdrop, 1);
        Compose.over(p, pixel(source, source, source, 1), mode);
        return p.at(0, 0)[0];
    }

    /** W3C Compositing and Blending Level 1, §10.1: the formulas worked out by hand for grey values. */
    @Test
    void separableModesGiveTheFormulasValues() {
        assertThat(opaque(BlendMode.MULTIPLY, 0.4, 0.6)).isCloseTo(0.24, within(1e-6));
        assertThat(opaque(BlendMode.SCREEN, 0.4, 0.6)).isCloseTo(0.76, within(1e-6));
        assertThat(opaque(BlendMode.OVERLAY, 0.4, 0.6)).isCloseTo(0.48, within(1e-6));
        assertThat(opaque(BlendMode.DARKEN, 0.4, 0.6)).isCloseTo(0.4, within(1e-6));
        assertThat(opaque(BlendMode.LIGHTEN, 0.4, 0.6)).isCloseTo(0.6, within(1e-6));
        assertThat(opaque(BlendMode.COLOR_DODGE, 0.2, 0.6)).isCloseTo(0.5, within(1e-6));
        assertThat(opaque(BlendMode.COLOR_DODGE, 0, 1)).isZero();
        assertThat(opaque(BlendMode.COLOR_BURN, 0.8, 0.5)).isCloseTo(0.6, within(1e-6));
        assertThat(opaque(BlendMode.COLOR_BURN, 1, 0)).isEqualTo(1);
        assertThat(opaque(BlendMode.HARD_LIGHT, 0.4, 0.75)).isCloseTo(0.7, within(1e-6));
        assertThat(opaque(BlendMode.SOFT_LIGHT, 0.16, 0.25)).isCloseTo(0.0928, within(1e-6));
        assertThat(opaque(BlendMode.SOFT_LIGHT, 0.64, 0.75)).isCloseTo(0.72, within(1e-6));
        assertThat(opaque(BlendMode.DIFFERENCE, 0.4, 0.6)).isCloseTo(0.2, within(1e-6));
        assertThat(opaque(BlendMode.EXCLUSION, 0.4, 0.6)).isCloseTo(0.52, within(1e-6));
        assertThat(opaque(BlendMode.PLUS_LIGHTER, 0.4, 0.3)).isCloseTo(0.7, within(1e-6));
        assertThat(opaque(BlendMode.SUBTRACT, 0.4, 0.3)).isCloseTo(0.1, within(1e-6));
        assertThat(opaque(BlendMode.SUBTRACT, 0.4, 0.6)).isZero();
    }

    /** §10.2: luminosity keeps the source's 0.3 R + 0.59 G + 0.11 B, colour keeps the backdrop's. */
    @Test
    void nonSeparableModesKeepWhatTheyAreNamedAfter() {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            double[] b = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
            double[] s = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
            assertThat(lum(mixed(BlendMode.LUMINOSITY, b, s))).isCloseTo(lum(s), within(1e-4));
            assertThat(lum(mixed(BlendMode.COLOR, b, s))).isCloseTo(lum(b), within(1e-4));
            assertThat(lum(mixed(BlendMode.HUE, b, s))).isCloseTo(lum(b), within(1e-4));
            assertThat(lum(mixed(BlendMode.SATURATION, b, s))).isCloseTo(lum(b), within(1e-4));
        }
    }

    /** W3C defines B(Cb, Cs) on colours of 0 to 1: light beyond 1 blends as 1 does. */
    @Test
    void lightBeyondOneBlendsAsOne() {
        for (BlendMode mode : BlendMode.values()) {
            if (mode != BlendMode.NORMAL && mode != BlendMode.PLUS_LIGHTER) {
                assertThat(opaque(mode, 1.5, 0.6)).as(mode.name()).isEqualTo(opaque(mode, 1, 0.6));
                assertThat(opaque(mode, 0.3, 2)).as(mode.name()).isEqualTo(opaque(mode, 0.3, 1));
            }
        }
        assertThat(opaque(BlendMode.EXCLUSION, 1.5, 1.5)).isZero();
    }

    private static double[] mixed(BlendMode mode, double[] b, double[] s) {
        Picture p = pixel(b[0], b[1], b[2], 1);
        Compose.over(p, pixel(s[0], s[1], s[2], 1), mode);
        float[] o = p.at(0, 0);
        return new double[] {o[0], o[1], o[2]};
    }

    private static double lum(double[] c) {
        return 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2];
    }

    /** Porter and Duff's over, as the JDK's AlphaComposite does it in 8 bits. */
    @Test
    void overAgreesWithTheJdk() {
        Random random = new Random(11);
        for (int i = 0; i < 500; i++) {
            Color below = new Color(random.nextInt(256), random.nextInt(256), random.nextInt(256), random.nextInt(256));
            Color above = new Color(random.nextInt(256), random.nextInt(256), random.nextInt(256), random.nextInt(256));
            BufferedImage image = new BufferedImage(1, 1, BufferedImage.TYPE_INT_ARGB_PRE);
            Graphics2D g = image.createGraphics();
            g.setComposite(AlphaComposite.Src);
            g.setColor(below);
            g.fillRect(0, 0, 1, 1);
            g.setComposite(AlphaComposite.SrcOver);
            g.setColor(above);
            g.fillRect(0, 0, 1, 1);
            int[] theirs = image.getRaster().getPixel(0, 0, (int[]) null);
            Picture ours = of(below);
            Compose.over(ours, of(above), BlendMode.NORMAL);
            for (int c = 0; c < 4; c++) {
                assertThat(ours.at(0, 0)[c] * 255).isCloseTo(theirs[c], within(2.0f));
            }
        }
    }

    private static Picture of(Color c) {
        return pixel(c.getRed() / 255.0, c.getGreen() / 255.0, c.getBlue() / 255.0, c.getAlpha() / 255.0);
    }

    @Test
    void insideAndOutsideOfAMatteMakeTheWhole() {
        Picture in = pixel(0.3, 0.6, 0.9, 0.8);
        Picture out = pixel(0.3, 0.6, 0.9, 0.8);
        Matte matte = new Matte(ONE);
        matte.fill(0.37f);
        Compose.inside(in, matte);
        Compose.outside(out, matte);
        for (int c = 0; c < 4; c++) {
            assertThat(in.at(0, 0)[c] + out.at(0, 0)[c])
                    .isCloseTo(pixel(0.3, 0.6, 0.9, 0.8).at(0, 0)[c], within(1e-6f));
        }
    }

    /** ITU-R BT.709: luma 0.2126 R′ + 0.7152 G′ + 0.0722 B′. */
    @Test
    void brightnessIsLumaOnBlack() {
        Matte matte = new Matte(ONE);
        Compose.brightness(pixel(1, 0, 0, 1), Transfer.of(Light.DISPLAY), matte);
        assertThat(matte.at(0, 0)).isEqualTo(0.2126f);
        Compose.brightness(pixel(0, 1, 0, 0.5), Transfer.of(Light.DISPLAY), matte);
        assertThat(matte.at(0, 0)).isCloseTo(0.3576f, within(1e-6f));
        Compose.brightness(pixel(1, 1, 1, 1), Transfer.of(Light.DISPLAY), matte);
        assertThat(matte.at(0, 0)).isCloseTo(1, within(1e-6f));
    }

    @Test
    void emptyPartsOfTheBackdropTakeTheSource() {
        for (BlendMode mode : BlendMode.values()) {
            Picture empty = new Picture(ONE);
            Compose.over(empty, pixel(0.2, 0.5, 0.7, 0.5), mode);
            assertThat(empty.at(0, 0))
                    .as(mode.name())
                    .containsExactly(pixel(0.2, 0.5, 0.7, 0.5).at(0, 0), within(1e-6f));
        }
    }
}
