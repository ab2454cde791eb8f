package aperta.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ToneCurveTest {
    private static ToneCurve curve(double... xy) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            points.add(new Point(xy[i], xy[i + 1]));
        }
        return new ToneCurve(points);
    }

    @Test
    void withoutPointsValuesStay() {
        assertThat(ToneCurve.STRAIGHT.at(0.37)).isEqualTo(0.37);
        assertThat(curve(0, 0, 1, 1).at(0.37)).isCloseTo(0.37, within(1e-12));
    }

    /** The slope in the middle is the harmonic mean of the chords, 2·½·1½ / (½ + 1½) = ¾; worked out by hand. */
    @Test
    void slopesAreThoseOfFritschAndButland() {
        ToneCurve c = curve(0, 0, 0.5, 0.25, 1, 1);
        double h = 1e-6;
        assertThat((c.at(0.5 + h) - c.at(0.5 - h)) / (2 * h)).isCloseTo(0.75, within(1e-5));
        // At the left end (3·½ − 1½)/2 = 0: so ½·¼ − ½·¾/8 in the middle of the first piece.
        assertThat(c.at(0.25)).isCloseTo(0.078125, within(1e-12));
        // At the right end (3·1½ − ½)/2 = 2.
        assertThat((c.at(1) - c.at(1 - h)) / h).isCloseTo(2, within(1e-4));
    }

    /** It passes through its points, has no corner, and turns nowhere but at points. */
    @Test
    void nothingOvershoots() {
        Random random = new Random(5);
        for (int n = 0; n < 200; n++) {
            int count = 2 + random.nextInt(7);
            List<Point> points = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                points.add(new Point((i + 0.1 + 0.8 * random.nextDouble()) / count, random.nextDouble()));
            }
            ToneCurve c = new ToneCurve(points);
            for (int i = 0; i < count; i++) {
                Point p = points.get(i);
                assertThat(c.at(p.x())).isCloseTo(p.y(), within(1e-12));
                if (i + 1 < count) {
                    double next = points.get(i + 1).y();
                    double before = p.y();
                    for (int k = 1; k <= 50; k++) {
                        double v = c.at(p.x() + (points.get(i + 1).x() - p.x()) * k / 50);
                        assertThat((v - before) * Math.signum(next - p.y())).isGreaterThan(-1e-12);
                        before = v;
                    }
                }
                if (i > 0 && i + 1 < count) {
                    double h = 1e-7;
                    double left = (c.at(p.x()) - c.at(p.x() - h)) / h;
                    double right = (c.at(p.x() + h) - c.at(p.x())) / h;
                    assertThat(left).isCloseTo(right, within(1e-2));
                }
            }
            assertThat(c.at(0)).isEqualTo(points.get(0).y());
            assertThat(c.at(1)).isEqualTo(points.get(count - 1).y());
        }
    }

    @Test
    void whatIsNoCurveIsRefused() {
        assertThatThrownBy(() -> curve(0.5, 0.5)).hasMessageContaining("two to 16 points");
        assertThatThrownBy(() -> curve(0, 0, 1, 1.5)).hasMessageContaining("between 0 and 1");
        assertThatThrownBy(() -> curve(0, 0, Double.NaN, 1)).hasMessageContaining("between 0 and 1");
        assertThatThrownBy(() -> curve(0.5, 0, 0.4, 1)).hasMessageContaining("from left to right");
        assertThatThrownBy(() -> curve(0.5, 0, 0.5, 1)).hasMessageContaining("apart");
    }

    /** Curves with more points together than one may have are mixed at even steps, up to both ends. */
    @Test
    void curvesWithManyPointsAreMixedToTheirEnds() {
        List<Point> tenths = new ArrayList<>();
        List<Point> others = new ArrayList<>();
        for (int i = 0; i <= 10; i++) {
            tenths.add(new Point(i / 10.0, i / 10.0));
            others.add(new Point(Math.pow(i / 10.0, 1.1), Math.pow(i / 10.0, 1.1)));
        }
        others.remove(5);

        ToneCurve mixed = new ToneCurve(tenths).mix(new ToneCurve(others), 0.5);

        // Both are straight, so that every value stays.
        for (double x = 0; x <= 1; x += 0.04) {
            assertThat(mixed.at(x)).as("at %s", x).isCloseTo(x, within(1e-3));
        }
        assertThat(mixed.at(1)).isEqualTo(1);
    }
}
