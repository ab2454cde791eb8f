package aperta.core.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CurveFittingTest {
    private static List<Point> arc(double radius, double from, double to, int count) {
        List<Point> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double a = from + (to - from) * i / (count - 1);
            all.add(new Point(radius * StrictMath.cos(a), radius * StrictMath.sin(a)));
        }
        return all;
    }

    private static double farthest(List<Curve> curves, List<Point> points) {
        double most = 0;
        for (Point p : points) {
            most = Math.max(
                    most,
                    curves.stream()
                            .mapToDouble(c -> c.nearest(p).distance())
                            .min()
                            .orElseThrow());
        }
        return most;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.05, 0.2, 1})
    void noPointLiesFartherAwayThanTheTolerance(double tolerance) {
        List<Point> spiral = new ArrayList<>();
        for (int i = 0; i <= 400; i++) {
            double a = i / 25.0;
            spiral.add(new Point((20 + 3 * a) * StrictMath.cos(a), (20 + 3 * a) * StrictMath.sin(a)));
        }
        assertThat(farthest(CurveFitting.smooth(spiral, tolerance), spiral)).isLessThanOrEqualTo(tolerance);
    }

    /** A quarter of a circle by one cubic curve is off by at most 2.7·10⁻⁴ of the radius (the usual constant 0.5523). */
    @Test
    void aQuarterOfACircleIsOneCurve() {
        List<Curve> curves = CurveFitting.smooth(arc(100, 0, Math.PI / 2, 60), 0.1);
        assertThat(curves).hasSize(1);
        for (double t = 0; t <= 1; t += 0.05) {
            assertThat(curves.get(0).at(t).length()).isCloseTo(100, within(0.1));
        }
    }

    @Test
    void aCurveIsFoundAgain() {
        Curve given = new Curve(new Point(0, 0), new Point(40, 90), new Point(110, -60), new Point(160, 30));
        List<Point> points = new ArrayList<>();
        for (int i = 0; i <= 100; i++) {
            points.add(given.at(i / 100.0));
        }
        List<Curve> curves = CurveFitting.smooth(points, 0.25);
        assertThat(curves).hasSizeLessThanOrEqualTo(3);
        assertThat(curves.get(0).p0()).isEqualTo(given.p0());
        assertThat(curves.get(curves.size() - 1).p3()).isEqualTo(given.p3());
    }

    @Test
    void neighboursShareTheirDirection() {
        List<Curve> curves = CurveFitting.smooth(arc(50, 0, 5.5, 300), 0.02);
        assertThat(curves).hasSizeGreaterThan(2);
        for (int i = 1; i < curves.size(); i++) {
            Point in = curves.get(i - 1).p3().minus(curves.get(i - 1).p2());
            Point out = curves.get(i).p1().minus(curves.get(i).p0());
            double cross = (in.x() * out.y() - in.y() * out.x()) / (in.length() * out.length());
            assertThat(cross).isCloseTo(0, within(1e-9));
        }
    }

    @Test
    void knotsHaveTheWidthsOfTheirPoints() {
        List<Point> points = arc(50, 0, 5.5, 300);
        List<Double> widths = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            widths.add(3 + i / 100.0);
        }
        BezierPath path = CurveFitting.path(points, widths, 0.02);
        assertThat(path.closed()).isFalse();
        assertThat(path.segments()).isEqualTo(CurveFitting.smooth(points, 0.02).size());
        for (BezierPath.Knot k : path.knots()) {
            assertThat(k.feather()).isEqualTo(widths.get(points.indexOf(k.at())));
        }
    }
}
