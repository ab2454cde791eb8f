package aperta.core.render;

import static aperta.core.render.Affecting.of;
import static aperta.core.render.Affecting.recipe;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Svg;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Effects that open standards describe, as Apache Batik paints them (W3C Filter Effects Module Level 1), and the ASC CDL. */
class EffectStandardsTest {
    private static final List<Colour> COLOURS = List.of(
            new Colour(0.8, 0.2, 0.1, 1),
            new Colour(0.1, 0.6, 0.9, 1),
            new Colour(0.5, 0.5, 0.5, 1),
            new Colour(1, 0.9, 0.05, 1));

    private static BufferedImage filtered(String filter, String shape) {
        return Svg.paint("<svg xmlns='http://www.w3.org/2000/svg' width='160' height='90'>"
                + "<filter id='f' x='0' y='0' width='160' height='90' filterUnits='userSpaceOnUse'"
                + " color-interpolation-filters='sRGB'>" + filter + "</filter><g filter='url(#f)'>" + shape
                + "</g></svg>");
    }

    private static String box(double x, double y, double w, double h, Colour c) {
        return "<rect x='" + x + "' y='" + y + "' width='" + w + "' height='" + h + "' fill='" + c.hex() + "'/>";
    }

    /** Red, green, blue, alpha; premultiplied, of 255. */
    private static double[] at(BufferedImage image, int x, int y) {
        int p = image.getRGB(x, y);
        double a = p >>> 24;
        return new double[] {(p >> 16 & 255) * a / 255, (p >> 8 & 255) * a / 255, (p & 255) * a / 255, a};
    }

    private static void sameOn(Picture ours, BufferedImage theirs, double most, int step) {
        for (int y = 1; y < 90; y += step) {
            for (int x = 1; x < 160; x += step) {
                double[] t = at(theirs, x, y);
                for (int c = 0; c < 4; c++) {
                    assertThat(ours.at(x, y)[c] * 255.0)
                            .as("%d, %d, %d", x, y, c)
                            .isCloseTo(t[c], within(most));
                }
            }
        }
    }

    private static void sameColours(String filter, String kind, Map<String, ?> values) {
        for (Colour c : COLOURS) {
            Picture ours = of(Studio.box("l", 80, 45, 160, 90, Colour.parse(c.hex())), kind, values);
            double[] theirs = at(filtered(filter, box(0, 0, 160, 90, c)), 80, 45);
            for (int i = 0; i < 4; i++) {
                assertThat(ours.at(80, 45)[i] * 255.0).as("%s, %d", c.hex(), i).isCloseTo(theirs[i], within(1.6));
            }
        }
    }

    /** Batik blurs by three boxes, as the standard allows: at a corner that is up to 4 % off the Gaussian. */
    @ParameterizedTest
    @CsvSource({"4, 4", "6, 3", "3, 6"})
    void blurIsFeGaussianBlur(double across, double down) {
        Picture ours = of(
                Studio.box("l", 80, 45, 60, 30, COLOURS.get(0)),
                "blur",
                Map.of("deviation", 6.0, "across", across / 6, "down", down / 6));
        String filter = "<feGaussianBlur stdDeviation='" + across + " " + down + "'/>";
        sameOn(ours, filtered(filter, box(50, 30, 60, 30, COLOURS.get(0))), 10, 1);
    }

    @Test
    void colourMatrixIsFeColorMatrix() {
        Map<String, Object> matrix = new LinkedHashMap<>();
        double[] m = {0.4, 0.5, -0.2, 0, 0.1, 0.1, 0.7, 0.2, 0, 0, -0.3, 0.1, 1.1, 0, 0.05, 0, 0, 0.2, 0.7, 0};
        String[] rows = {"red", "green", "blue", "alpha"};
        String[] columns = {"Red", "Green", "Blue", "Alpha", "Constant"};
        StringBuilder said = new StringBuilder();
        for (int i = 0; i < 20; i++) {
            matrix.put(rows[i / 5] + columns[i % 5], m[i]);
            said.append(m[i]).append(' ');
        }
        sameColours("<feColorMatrix values='" + said + "'/>", "colour-matrix", matrix);
        sameColours(
                "<feColorMatrix type='saturate' values='0.3'/>",
                "colour-matrix",
                Map.of("type", "saturate", "saturate", 0.3));
        sameColours(
                "<feColorMatrix type='hueRotate' values='70'/>",
                "colour-matrix",
                Map.of("type", "hue rotate", "hue", 70.0));
        sameColours("<feColorMatrix type='luminanceToAlpha'/>", "colour-matrix", Map.of("type", "luminance to alpha"));
    }

    @Test
    void invertAndStepsAreFeComponentTransfer() {
        String table = "type='table' tableValues='1 0'/>";
        sameColours(
                "<feComponentTransfer><feFuncR " + table + "<feFuncG " + table + "</feComponentTransfer>",
                "invert",
                Map.of("blue", false));
        String discrete = "type='discrete' tableValues='0 0.25 0.5 0.75 1'/>";
        sameColours(
                "<feComponentTransfer><feFuncR " + discrete + "<feFuncG " + discrete + "<feFuncB " + discrete
                        + "</feComponentTransfer>",
                "steps",
                Map.of("count", 5.0));
    }

    /** Batik 1.19 knows no feDropShadow; the standard says which filters it stands for. */
    @Test
    void dropShadowIsWhatFeDropShadowStandsFor() {
        double angle = Math.atan2(6, 8);
        String filter =
                "<feGaussianBlur in='SourceAlpha' stdDeviation='3'/><feOffset dx='" + Math.rint(10 * Math.cos(angle))
                        + "' dy='" + Math.rint(10 * Math.sin(angle))
                        + "' result='o'/><feFlood flood-color='#2050a0' flood-opacity='0.7'/>"
                        + "<feComposite in2='o' operator='in' result='s'/><feComposite in='SourceGraphic' in2='s' operator='over'/>";
        Picture ours = of(
                Studio.box("l", 80, 45, 60, 30, COLOURS.get(0)),
                "drop-shadow",
                Map.of(
                        "towards",
                        Math.toDegrees(angle),
                        "distance",
                        10.0,
                        "softness",
                        3.0,
                        "colour",
                        Colour.parse("#2050a0b3")));
        BufferedImage theirs = filtered(filter, box(50, 30, 60, 30, COLOURS.get(0)));
        int[][] places = {{80, 45}, {115, 55}, {90, 64}, {30, 20}, {118, 64}};
        for (int[] p : places) {
            for (int c = 0; c < 4; c++) {
                assertThat(ours.at(p[0], p[1])[c] * 255.0)
                        .as("%d, %d, %d", p[0], p[1], c)
                        .isCloseTo(at(theirs, p[0], p[1])[c], within(10.0));
            }
        }
    }

    /** A map that rises from left to right, opaque; the picture a ramp, so that half a pixel is hardly seen. */
    @Test
    void displaceByMapIsFeDisplacementMap() {
        List<Paint.Stop> stops =
                List.of(Paint.Stop.of("a", 0, Colour.BLACK), Paint.Stop.of("b", 1, Colour.parse("#ff8040")));
        Paint across = new Paint.Linear(Animated.of(new Point(-80, 0)), Animated.of(new Point(80, 0)), stops);
        Layer map = Studio.box("map", 80, 45, 160, 90, Colour.WHITE)
                .withContent(new Content.Fill(Animated.of(new Point(160, 90)), across));
        Paint down = new Paint.Linear(Animated.of(new Point(0, -45)), Animated.of(new Point(0, 45)), stops);
        Layer layer = map.withContent(new Content.Fill(Animated.of(new Point(160, 90)), down));
        Picture ours = of(
                layer.withIdentity("l", "l"),
                "displace-by-map",
                Map.of("map", "map", "across", 30.0, "acrossBy", "green", "down", 24.0, "downBy", "red"),
                map.withHidden(true));
        String gradient = "<linearGradient id='%s' x1='0' y1='0' x2='%d' y2='%d'><stop offset='0' stop-color='#000'/>"
                + "<stop offset='1' stop-color='#ff8040'/></linearGradient>";
        String svg = "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' width='160'"
                + " height='90'>" + String.format(gradient, "a", 1, 0) + String.format(gradient, "d", 0, 1)
                + "<rect id='m' width='160' height='90' fill='url(#a)'/>"
                + "<filter id='f' x='0' y='0' width='160' height='90' filterUnits='userSpaceOnUse'"
                + " color-interpolation-filters='sRGB'><feImage xlink:href='#m' result='i'/>"
                + "<feDisplacementMap in='SourceGraphic' in2='i' scale='24' xChannelSelector='G' yChannelSelector='R'/>"
                + "</filter><rect width='160' height='90' fill='url(#d)' filter='url(#f)'/></svg>";
        BufferedImage theirs = Svg.paint(svg);
        for (int y = 20; y < 70; y += 7) {
            for (int x = 20; x < 140; x += 9) {
                assertThat(ours.at(x, y)[0] * 255.0).as("%d, %d", x, y).isCloseTo(at(theirs, x, y)[0], within(4.0));
            }
        }
    }

    @Test
    void gradeIsAsTheColourDecisionListSays() {
        Picture p = of(
                Studio.box("l", 80, 45, 160, 90, new Colour(0.3, 0.5, 0.8, 1)),
                "grade",
                Map.of("slopeRed", 1.2, "offsetRed", 0.05, "powerGreen", 0.8, "offsetBlue", -0.1, "saturation", 0.9));
        // ASC CDL 1.2: (in · slope + offset) clamped, to the power; then saturation about BT.709 luma.
        double[] sop = {0.3 * 1.2 + 0.05, Math.pow(0.5, 0.8), 0.8 - 0.1};
        double luma = 0.2126 * sop[0] + 0.7152 * sop[1] + 0.0722 * sop[2];
        for (int c = 0; c < 3; c++) {
            assertThat((double) p.at(80, 45)[c]).isCloseTo(luma + 0.9 * (sop[c] - luma), within(1e-5));
        }
        assertThat(recipe("grade", Map.of()).number("saturation")).isEqualTo(1);
    }

    /** Batik 1.19 lays the noise out by the same reference code; both are told in eight bits. */
    @ParameterizedTest
    @CsvSource({"fractal noise, fractalNoise, 0.03, 0.05, 3, 7", "turbulence, turbulence, 0.02, 0.02, 2, 1"})
    void svgTurbulenceIsFeTurbulence(String type, String theirType, double fx, double fy, double octaves, double seed) {
        Content texture = new Content.Texture(
                Animated.of(new Point(160, 90)),
                AnimatedRecipe.of(Recipe.of(
                        Textures.of("fe-turbulence").descriptor(),
                        Map.of("type", type, "across", fx, "down", fy, "octaves", octaves, "seed", seed))));
        Picture ours = of(Layer.of("l", "l", texture, Span.of(0, 48), Place.at(new Point(80, 45))));
        String filter = "<feTurbulence type='" + theirType + "' baseFrequency='" + fx + " " + fy + "' numOctaves='"
                + (int) octaves + "' seed='" + (int) seed + "'/>";
        sameOn(ours, filtered(filter, box(0, 0, 160, 90, Colour.WHITE)), 2.6, 3);
    }
}
