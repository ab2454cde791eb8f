package aperta.core.render;

import static aperta.core.render.Affecting.of;
import static aperta.core.render.Affecting.source;
import static aperta.core.render.Affecting.white;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.Layer;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where effects that bend read their pixels, against their closed forms; a ramp tells it to a hundredth of a pixel or so. */
class WarpsTest {
    private static final double NEAR = 0.06;

    private static void reads(Point from, double x, double y) {
        assertThat(from.x()).isCloseTo(x, within(NEAR));
        assertThat(from.y()).isCloseTo(y, within(NEAR));
    }

    @ParameterizedTest
    @ValueSource(strings = {"sine", "triangle", "rounded"})
    void waves(String shape) {
        DoubleUnaryOperator w = t -> {
            double s = t - Math.floor(t);
            return switch (shape) {
                case "sine" -> Math.sin(2 * Math.PI * s);
                case "triangle" -> 2 / Math.PI * Math.asin(Math.sin(2 * Math.PI * s));
                default -> Math.signum(0.5 - s) * Math.sqrt(1 - Math.pow(4 * (s % 0.5) - 1, 2));
            };
        };
        Map<String, ?> values = Map.of("shape", shape, "height", 7.0, "wavelength", 50.0, "phase", 0.13);
        for (int x = 23; x < 140; x += 17) {
            double u = x + 0.5 - 80;
            reads(source("wave", values, x, 40), x + 0.5, 40.5 + 7 * w.applyAsDouble(u / 50 - 0.13));
        }
    }

    @Test
    void ringsRunFromAPoint() {
        Map<String, ?> values =
                Map.of("centre", new Point(10, -5), "height", 6.0, "wavelength", 30.0, "radius", 100.0, "phase", 0.2);
        for (int x = 20; x < 150; x += 19) {
            double dx = x + 0.5 - 90;
            double dy = 60.5 - 40;
            double r = Math.hypot(dx, dy);
            double way = r < 100 ? 6 * Math.sin(2 * Math.PI * (r / 30 - 0.2)) * Math.pow(1 - r / 100, 2) : 0;
            reads(source("ripple", values, x, 60), x + 0.5 - way * dx / r, 60.5 - way * dy / r);
        }
    }

    @Test
    void aTwistTurnsLessAndLess() {
        Map<String, ?> values = Map.of("centre", new Point(0, 0), "angle", 60.0, "radius", 60.0);
        for (int x = 30; x < 150; x += 13) {
            double dx = x + 0.5 - 80;
            double dy = 52.5 - 45;
            double r = Math.hypot(dx, dy);
            double turn = Math.atan2(dy, dx) - Math.toRadians(60) * Math.pow(Math.max(0, 1 - r / 60), 2);
            reads(source("twist", values, x, 52), 80 + r * Math.cos(turn), 45 + r * Math.sin(turn));
        }
    }

    /** The box of the ramp is 1600 by 1600: R is half its diagonal. */
    @ParameterizedTest
    @ValueSource(doubles = {170, 90, 20, -60, -150})
    void aLensShowsWhatItsFormulaSays(double angle) {
        double radius = 800 * Math.sqrt(2);
        double half = Math.toRadians(Math.abs(angle)) / 2;
        for (int x = 2; x < 160; x += 31) {
            double dx = x + 0.5 - 80;
            double dy = 70.5 - 45;
            double r = Math.hypot(dx, dy);
            double s = angle > 0
                    ? radius * Math.tan(half * r / radius) / Math.tan(half)
                    : radius / half * Math.atan(r / radius * Math.tan(half));
            reads(source("lens", Map.of("angle", angle), x, 70), 80 + dx * s / r, 45 + dy * s / r);
        }
    }

    @Test
    void aLensOfNoAngleIsNone() {
        Layer word = Studio.word("l", "TRAM", 50);
        assertThat(Studio.furthest(of(word), of(word, "lens", Map.of("angle", 0.0))))
                .isLessThan(1e-5f);
        // The smallest angle makes the smallest difference: there is no step at none.
        assertThat(Studio.furthest(of(word), of(word, "lens", Map.of("angle", 0.2))))
                .isLessThan(0.01f);
    }

    /** What a strong bulge shows in its middle is drawn finer, not enlarged: an edge stays as sharp as an edge is. */
    @Test
    void aLensKeepsLettersSharp() {
        Picture p = of(Studio.box("l", 80, 45, 40, 40, Colour.WHITE), "lens", Map.of("angle", 160.0));
        int soft = 0;
        for (int x = 0; x < 160; x++) {
            float a = p.at(x, 45)[3];
            soft += a > 0.02f && a < 0.98f ? 1 : 0;
        }
        assertThat(soft).isLessThanOrEqualTo(4);
    }

    /** Corners go where they are said to go, and the diagonals still meet where they met. */
    @Test
    void cornersArePinned() {
        Layer box = Studio.box("l", 80, 45, 80, 40, Colour.WHITE);
        Map<String, ?> values =
                Map.of("topLeft", new Point(-10, -8), "topRight", new Point(16, 10), "bottomRight", new Point(8, 12));
        Picture p = of(box, "corner-pin", values);
        double[][] to = {{30, 17}, {136, 35}, {128, 77}, {40, 65}};
        for (int i = 0; i < 4; i++) {
            double[] c = to[i];
            double[] middle = {84, 48};
            double length = Math.hypot(middle[0] - c[0], middle[1] - c[1]);
            int inX = (int) (c[0] + 3 * (middle[0] - c[0]) / length);
            int inY = (int) (c[1] + 3 * (middle[1] - c[1]) / length);
            int outX = (int) (c[0] - 3 * (middle[0] - c[0]) / length);
            int outY = (int) (c[1] - 3 * (middle[1] - c[1]) / length);
            assertThat(p.at(inX, inY)[3]).as("inside corner %d", i).isGreaterThan(0.9f);
            assertThat(p.at(outX, outY)[3]).as("outside corner %d", i).isLessThan(0.1f);
        }
        // P. Heckbert 1989: a projective map keeps lines; the middle of the box lies where its diagonals cross.
        double[] crossing = crossing(to[0], to[2], to[1], to[3]);
        assertThat(p.at((int) crossing[0], (int) crossing[1])[3]).isEqualTo(1);
    }

    private static double[] crossing(double[] a, double[] b, double[] c, double[] d) {
        double rx = b[0] - a[0];
        double ry = b[1] - a[1];
        double sx = d[0] - c[0];
        double sy = d[1] - c[1];
        double t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / (rx * sy - ry * sx);
        return new double[] {a[0] + t * rx, a[1] + t * ry};
    }

    @Test
    void tilesRepeatAndReflect() {
        Layer word = Studio.word("l", "IM", 30);
        Picture plain = of(word);
        Picture tiled = of(word, "tile", Map.of("across", 3.0, "down", 2.0));
        double[] size = size(plain);
        assertThat(size[0]).isGreaterThan(10);
        float sum = 0;
        for (int x = 0; x < 160; x++) {
            sum += tiled.at(x, 5)[3];
        }
        assertThat(sum).isGreaterThan(20);
        Picture mirrored = of(word, "mirror", Map.of("at", new Point(0, 0), "angle", 0.0));
        for (int x = 60; x < 100; x++) {
            for (int y = 30; y < 45; y++) {
                assertThat(mirrored.at(x, y)[3]).isCloseTo(plain.at(x, y)[3], within(1e-5f));
                assertThat(mirrored.at(x, 89 - y)[3]).as("%d, %d", x, y).isCloseTo(plain.at(x, y)[3], within(1e-4f));
            }
        }
    }

    private static double[] size(Picture p) {
        int left = 160;
        int right = 0;
        for (int x = 0; x < 160; x++) {
            for (int y = 0; y < 90; y++) {
                if (p.at(x, y)[3] > 0) {
                    left = Math.min(left, x);
                    right = Math.max(right, x);
                }
            }
        }
        return new double[] {right - left + 1};
    }

    /** Where the map is empty nothing moves. */
    @Test
    void anEmptyMapMovesNothing() {
        Layer word = Studio.word("l", "TRAM", 50);
        Layer map = Studio.box("map", 20, 45, 10, 10, Colour.WHITE).withHidden(true);
        Picture moved = of(word, "displace-by-map", Map.of("map", "map", "across", 50.0), map);
        Picture plain = of(word);
        for (int x = 30; x < 160; x++) {
            assertThat(moved.at(x, 45)).isEqualTo(plain.at(x, 45));
        }
    }

    /** Half of the amount is half of the way. */
    @Test
    void theAmountScalesTheWay() {
        Map<String, ?> values = Map.of("height", 8.0, "wavelength", 60.0);
        Point whole = source("wave", values, 95, 40);
        assertThat(whole.y()).isCloseTo(40.5 + 8 * Math.sin(2 * Math.PI * 15.5 / 60), within(NEAR));
        assertThat(of(white(), "wave", values).at(95, 45)[3]).isEqualTo(1);
    }
}
