package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class EaseTest {
    /** CSS Easing Functions Level 1, §2.2.1: the keywords' curves; values from memory of the published tests. */
    @Test
    void keywordsHaveTheirPublishedCurves() {
        assertThat(Ease.EASE.at(0.5)).isCloseTo(0.8024, within(1e-4));
        assertThat(Ease.EASE_IN.at(0.5)).isCloseTo(0.3154, within(1e-4));
        assertThat(Ease.EASE_OUT.at(0.5)).isCloseTo(0.6846, within(1e-4));
        assertThat(Ease.EASE_IN_OUT.at(0.5)).isCloseTo(0.5, within(1e-12));
    }

    /** The curve is found again by plain bisection, which shares nothing with the solver. */
    @Test
    void everyCurveAgreesWithBisection() {
        double[][] curves = {
            {0.25, 0.1, 0.25, 1},
            {0, 0, 1, 1},
            {1, 0, 0, 1},
            {0.16, 0.84, 0.3, 1},
            {0.68, -0.6, 0.32, 1.6},
            {1, 1, 0, 0}
        };
        for (double[] c : curves) {
            Ease ease = new Ease.CubicBezier(c[0], c[1], c[2], c[3]);
            for (int i = 1; i < 200; i++) {
                double x = i / 200.0;
                double low = 0;
                double high = 1;
                for (int k = 0; k < 80; k++) {
                    double m = (low + high) / 2;
                    if (bezier(c[0], c[2], m) < x) {
                        low = m;
                    } else {
                        high = m;
                    }
                }
                // Where the curve stands upright, y is not well determined by x.
                assertThat(ease.at(x)).isCloseTo(bezier(c[1], c[3], low), within(2e-4));
            }
        }
    }

    private static double bezier(double a, double b, double s) {
        return 3 * (1 - s) * (1 - s) * s * a + 3 * (1 - s) * s * s * b + s * s * s;
    }

    @Test
    void endsAreExactAndTimesOutsideAreClamped() {
        Ease ease = new Ease.CubicBezier(0.16, 0.84, 0.3, 1);
        assertThat(ease.at(0)).isZero();
        assertThat(ease.at(1)).isEqualTo(1);
        assertThat(ease.at(-3)).isZero();
        assertThat(ease.at(7)).isEqualTo(1);
        assertThat(Ease.HOLD.at(0.999)).isZero();
        assertThat(Ease.HOLD.at(1)).isEqualTo(1);
        assertThat(Ease.LINEAR.at(0.25)).isEqualTo(0.25);
    }

    @Test
    void refusesCurvesThatRunBackInTime() {
        assertThatThrownBy(() -> new Ease.CubicBezier(-0.1, 0, 1, 1)).hasMessageContaining("between 0 and 1");
        assertThatThrownBy(() -> new Ease.CubicBezier(0, Double.NaN, 1, 1)).hasMessageContaining("finite");
    }
}
