package aperta.core.render;

import static aperta.core.render.Affecting.link;
import static aperta.core.render.Affecting.of;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Parameter;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.LayerEffect.Station;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Blurs and lights against quadratures of what they say they compute, and what lies beyond a picture's border. */
class BlursTest {
    private static final Layer CLIP =
            Layer.of("l", "Clip", new Content.Footage(Studio.SMOOTH), Span.of(0, 48), Place.at(new Point(80, 45)));

    private static final Layer BOX = Studio.box("l", 80, 45, 60, 40, new Colour(0.9, 0.4, 0.2, 1));

    /** The mean of a picture's alpha over places, read linearly. */
    private interface Along {
        double[] at(double t);
    }

    private static double mean(Picture p, Along along) {
        int n = 2000;
        double sum = 0;
        for (int i = 0; i < n; i++) {
            double[] q = along.at((i + 0.5) / n);
            sum += read(p, q[0], q[1]);
        }
        return sum / n;
    }

    private static double read(Picture p, double x, double y) {
        int i = (int) Math.floor(x - 0.5);
        int j = (int) Math.floor(y - 0.5);
        double fx = x - 0.5 - i;
        double fy = y - 0.5 - j;
        double upper = p.at(i, j)[3] * (1 - fx) + p.at(i + 1, j)[3] * fx;
        double lower = p.at(i, j + 1)[3] * (1 - fx) + p.at(i + 1, j + 1)[3] * fx;
        return upper * (1 - fy) + lower * fy;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 90, 30, -72})
    void aStreakIsTheMeanAlongALine(double angle) {
        Picture plain = of(BOX);
        Picture streaked = of(BOX, "streak", Map.of("length", 33.0, "angle", angle));
        double a = Math.toRadians(angle);
        for (int y = 10; y < 80; y += 7) {
            for (int x = 20; x < 140; x += 7) {
                double px = x + 0.5;
                double py = y + 0.5;
                double mean = mean(plain, t ->
                        new double[] {px + (t - 0.5) * 33 * Math.cos(a), py + (t - 0.5) * 33 * Math.sin(a)});
                assertThat(streaked.at(x, y)[3]).as("%d, %d", x, y).isCloseTo((float) mean, within(0.03f));
            }
        }
    }

    @Test
    void alongArcsAndRaysItIsTheMeanToo() {
        Picture plain = of(BOX);
        Point c = new Point(-20, 6);
        Picture arcs = of(BOX, "blur-along-arcs", Map.of("centre", c, "angle", 30.0));
        Picture rays = of(BOX, "blur-along-rays", Map.of("centre", c, "share", 0.4));
        for (int y = 8; y < 84; y += 9) {
            for (int x = 20; x < 140; x += 9) {
                double dx = x + 0.5 - 60;
                double dy = y + 0.5 - 51;
                double r = Math.hypot(dx, dy);
                double angle = Math.atan2(dy, dx);
                double arc = mean(plain, t -> new double[] {
                    60 + r * Math.cos(angle + (t - 0.5) * Math.toRadians(30)),
                    51 + r * Math.sin(angle + (t - 0.5) * Math.toRadians(30))
                });
                double ray = mean(plain, t -> new double[] {60 + dx * (0.8 + 0.4 * t), 51 + dy * (0.8 + 0.4 * t)});
                assertThat(arcs.at(x, y)[3]).as("arc at %d, %d", x, y).isCloseTo((float) arc, within(0.05f));
                assertThat(rays.at(x, y)[3]).as("ray at %d, %d", x, y).isCloseTo((float) ray, within(0.05f));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 0.6})
    void withAFlatMapBlurByMapIsBlur(double bright) {
        Layer map = Studio.box("map", 80, 45, 400, 300, new Colour(bright, bright, bright, 1))
                .withHidden(true);
        Picture mapped = of(BOX, "blur-by-map", Map.of("map", "map", "deviation", 9.0), map);
        Picture plain = of(BOX, "blur", Map.of("deviation", 9.0 * bright));
        assertThat(Studio.furthest(mapped, plain)).isLessThan(bright == 1 ? 1e-5f : 4f / 255);
    }

    /** A Gaussian that is wider across than down, turned with its layer: its variances are what they should be. */
    @Test
    void aBlurTurnsWithItsLayer() {
        Layer dot = Studio.box("l", 80, 45, 2, 2, Colour.WHITE);
        Layer turned = dot.withPlace(dot.place().withRotation(Animated.of(30.0)));
        Picture p = of(turned, "blur", Map.of("deviation", 10.0, "down", 0.3));
        double sum = 0;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                double a = p.at(x, y)[3];
                double dx = x + 0.5 - 80;
                double dy = y + 0.5 - 45;
                sum += a;
                xx += a * dx * dx;
                xy += a * dx * dy;
                yy += a * dy * dy;
            }
        }
        double cos = Math.cos(Math.toRadians(30));
        double sin = Math.sin(Math.toRadians(30));
        double along = 100 + 4 / 12.0;
        double across = 9 + 4 / 12.0;
        assertThat(sum).isCloseTo(4, within(0.02));
        assertThat(xx / sum).isCloseTo(along * cos * cos + across * sin * sin, within(1.5));
        assertThat(xy / sum).isCloseTo((along - across) * sin * cos, within(1.5));
        assertThat(yy / sum).isCloseTo(along * sin * sin + across * cos * cos, within(1.5));
    }

    /** All light that a glow adds is the light of what glows, times its strength. */
    @Test
    void aGlowKeepsItsEnergy() {
        Layer small = Studio.box("l", 80, 45, 10, 8, new Colour(1, 0.8, 0.6, 1));
        Picture glow = of(
                small,
                "glow",
                Map.of(
                        "radius",
                        14.0,
                        "threshold",
                        0.1,
                        "knee",
                        0.0,
                        "strength",
                        0.7,
                        "laid",
                        "plus-lighter",
                        "source",
                        false));
        double[] sum = new double[3];
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                for (int c = 0; c < 3; c++) {
                    sum[c] += glow.at(x, y)[c];
                }
            }
        }
        assertThat(sum[0]).isCloseTo(80 * 0.7, within(0.3));
        assertThat(sum[1]).isCloseTo(80 * 0.7 * 0.8, within(0.3));
        assertThat(sum[2]).isCloseTo(80 * 0.7 * 0.6, within(0.3));
        Picture dark = of(small, "glow", Map.of("threshold", 1.0, "knee", 0.0, "source", false));
        assertThat(dark.at(80, 45)[0]).isZero();
    }

    /** Rays go away from their point, and are weaker the farther they come from. */
    @Test
    void raysStreamAway() {
        Layer small = Studio.box("l", 60, 45, 10, 8, Colour.WHITE);
        Picture rays =
                of(small, "rays", Map.of("from", new Point(-40, 0), "threshold", 0.2, "length", 0.6, "source", false));
        // The box reaches from 35 to 45 pixels away from the point.
        for (double r : new double[] {48.5, 60.5, 80.5, 100.5}) {
            double from = 0.4 * r;
            double to = r;
            // The mean with weights that rise from 0 to 2, over the way from the one share to the other.
            double a = Math.max(35, from);
            double expected = a >= 45 ? 0 : (Math.pow(45 - from, 2) - Math.pow(a - from, 2)) / Math.pow(to - from, 2);
            assertThat(rays.at((int) (20 + r), 45)[0]).as("%s", r).isCloseTo((float) expected, within(0.03f));
        }
        assertThat(rays.at(30, 45)[0]).isLessThan(0.01f);
    }

    static Stream<Effect> beyond() {
        return Effects.all().stream().filter(Effect::readsBeyond);
    }

    /** A plate of one colour stays that colour to its very border, also by an adjustment layer. */
    @ParameterizedTest
    @MethodSource("beyond")
    void aPlateDoesNotGoDarkAtItsBorder(Effect effect) {
        String kind = effect.descriptor().kind();
        Map<String, Object> values = new HashMap<>();
        effect.descriptor().parameters().forEach(p -> {
            if (p.kind() == Parameter.Kind.LAYER) {
                values.put(p.name(), "map");
            }
            // Effects that age a picture, or light it, change its colour; here they only move it.
            if (List.of("flicker", "dust", "hairs", "scratches", "fading", "noise", "dropouts", "strength")
                            .contains(p.name())
                    && !kind.equals("turbulence")) {
                values.put(p.name(), 0.0);
            }
        });
        Layer map =
                Studio.box("map", 60, 30, 90, 50, new Colour(0.9, 0.3, 0.5, 1)).withHidden(true);
        Colour colour = new Colour(0.6, 0.5, 0.3, 1);
        Layer plate = Studio.box("l", 80, 45, 160, 90, colour);
        Layer adjustment = Layer.of("a", "a", new Content.Adjustment(), Span.of(0, 48), plate.place());
        Picture own = of(plate, kind, values, map);
        Picture adjusted = of(adjustment, kind, values, plate, map);
        boolean lens = kind.equals("lens");
        for (Picture p : List.of(own, adjusted)) {
            for (int y = 0; y < 90; y++) {
                for (int x = 0; x < 160; x++) {
                    // At the corners of a lens's frame there may be nothing by its formula.
                    if (!lens || Math.hypot(x - 79.5, y - 44.5) < 88) {
                        assertThat((double) p.at(x, y)[0])
                                .as("%s at %d, %d", kind, x, y)
                                .isCloseTo(0.6, within(1 / 255.0));
                        assertThat((double) p.at(x, y)[3]).isCloseTo(1, within(1 / 255.0));
                    }
                }
            }
        }
    }

    /** Words have nothing beyond their border; anything may be chosen. */
    @Test
    void theBorderIsChosen() {
        LayerEffect blur = link("blur", Map.of("deviation", 8.0));
        Picture repeated = of(BOX.withEffects(List.of(blur.withBorder(Optional.of(Border.REPEAT)))));
        Picture empty = of(BOX.withEffects(List.of(blur)));
        assertThat(repeated.at(50, 45)[3]).isCloseTo(1, within(1e-4f));
        assertThat(empty.at(50, 45)[3]).isLessThan(0.6f);
        LayerEffect shifted = LayerEffect.of(
                        "w",
                        AnimatedRecipe.of(Affecting.recipe(
                                "wave", Map.of("height", 20.0, "wavelength", 10_000.0, "phase", -0.25))),
                        Station.BEFORE_MASKS)
                .withBorder(Optional.of(Border.REFLECT));
        Picture reflected = of(CLIP.withEffects(List.of(shifted)));
        Picture plain = of(CLIP);
        // Read 20 pixels further down: from the 70th row on what is reflected at the border.
        for (int y = 75; y < 90; y++) {
            assertThat(reflected.at(80, y)[1]).isCloseTo(plain.at(80, 89 - (y + 20 - 90))[1], within(0.02f));
        }
    }
}
