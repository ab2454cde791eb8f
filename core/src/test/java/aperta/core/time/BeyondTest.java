package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What values do beyond their keys, along several keys, and with springs. */
class BeyondTest {
    private static Animated<Double> ramp(Ease ease, Beyond before, Beyond after) {
        return new Animated<>(0.0, List.of(new Key<>(10, 100.0, ease), new Key<>(20, 200.0, Ease.LINEAR)))
                .withBeyond(before, after);
    }

    /** A straight line goes on as the straight line that it is; a loop is the remainder; there and back a triangle. */
    @ParameterizedTest
    @CsvSource({
        "HOLD, 5, 100",
        "HOLD, 27, 200",
        "CONTINUE, 5, 50",
        "CONTINUE, 27, 270",
        "CONTINUE, -10, -100",
        "LOOP, 5, 150",
        "LOOP, 27, 170",
        "LOOP, 20, 200",
        "LOOP, 30.5, 105",
        "LOOP, -3, 170",
        "THERE_AND_BACK, 27, 130",
        "THERE_AND_BACK, 33, 130",
        "THERE_AND_BACK, 5, 150",
        "THERE_AND_BACK, 40, 200"
    })
    void beyondTheKeys(Beyond how, double frame, double value) {
        assertThat(ramp(Ease.LINEAR, how, how).at(frame, Mix.NUMBER)).isCloseTo(value, within(1e-9));
    }

    /** CSS Easing Functions Level 1 extends a cubic-bezier by its tangents: (0.42, 0) → 0, (0.25, 0.1) → 0.4. */
    @ParameterizedTest
    @CsvSource({"0.42, 0, 0.58, 1, 0, 0", "0.25, 0.1, 0.25, 1, 0.4, 0", "0.5, 1, 0.5, 0.5, 2, 1", "0, 0, 0.5, 1, 2, 0"})
    void easesGoOnByTheirTangents(double x1, double y1, double x2, double y2, double atStart, double atEnd) {
        Ease ease = new Ease.CubicBezier(x1, y1, x2, y2);
        assertThat(ease.speedAtStart()).isCloseTo(atStart, within(1e-12));
        assertThat(ease.speedAtEnd()).isCloseTo(atEnd, within(1e-12));
        Animated<Double> on = ramp(ease, Beyond.CONTINUE, Beyond.CONTINUE);
        assertThat(on.at(8, Mix.NUMBER)).isCloseTo(100 - 20 * atStart, within(1e-9));
        assertThat(on.at(23, Mix.NUMBER)).isCloseTo(200 + 30 * atEnd, within(1e-9));
    }

    @Test
    void aPathGoesOnStraightAtTheSpeedThatItHad() {
        double k = 4.0 / 3 * (Math.sqrt(2) - 1) * 100;
        Animated<Point> arc = new Animated<>(
                        Point.ORIGIN,
                        List.of(
                                new Key<>(0, new Point(100, 0), Ease.LINEAR)
                                        .withHandles(Optional.of(new Point(0, k)), Optional.empty()),
                                new Key<>(90, new Point(0, 100), Ease.LINEAR)
                                        .withHandles(Optional.empty(), Optional.of(new Point(k, 0)))))
                .withBeyond(Beyond.CONTINUE, Beyond.CONTINUE);
        // A quarter of a circle of 100 px in 90 frames: π/2·100/90 px a frame.
        double speed = Math.PI / 2 * 100 / 90;
        assertThat(arc.at(100, Mix.POINT).x()).isCloseTo(-10 * speed, within(0.01));
        assertThat(arc.at(100, Mix.POINT).y()).isCloseTo(100, within(1e-9));
        assertThat(arc.at(-10, Mix.POINT).y()).isCloseTo(-10 * speed, within(0.01));
    }

    /**
     * Keys that give up their time: along the polyline (0,0) → (30,0) → (30,40) → (90,120) of length 30 + 40 + 100 the
     * way behind is in proportion to the time, whatever the times of the keys in between.
     */
    @Test
    void looseKeysMakeTheSpeedEven() {
        Animated<Point> path = new Animated<>(
                Point.ORIGIN,
                List.of(
                        new Key<>(0, new Point(0, 0), Ease.LINEAR),
                        new Key<>(3, new Point(30, 0), Ease.EASE).withLoose(true),
                        new Key<>(70, new Point(30, 40), Ease.HOLD).withLoose(true),
                        new Key<>(170, new Point(90, 120), Ease.LINEAR)));
        double length = 0;
        Point last = path.at(0, Mix.POINT);
        for (int i = 1; i <= 17_000; i++) {
            Point here = path.at(i / 100.0, Mix.POINT);
            length += here.minus(last).length();
            last = here;
            assertThat(length).isCloseTo(i / 100.0, within(1e-3));
        }
        assertThat(path.at(30, Mix.POINT).minus(new Point(30, 0)).length()).isLessThan(1e-9);
        assertThat(path.at(120, Mix.POINT).x()).isCloseTo(60, within(1e-9));
    }

    /** The ease of the key before works on the whole way. */
    @Test
    void looseKeysFollowTheEaseOfTheKeyBefore() {
        Animated<Double> eased = new Animated<>(
                0.0,
                List.of(
                        new Key<>(0, 0.0, Ease.EASE_IN_OUT),
                        new Key<>(2, 50.0, Ease.LINEAR).withLoose(true),
                        new Key<>(10, 100.0, Ease.LINEAR)));
        for (int i = 0; i <= 10; i++) {
            assertThat(eased.at(i, Mix.NUMBER)).isCloseTo(100 * Ease.EASE_IN_OUT.at(i / 10.0), within(1e-9));
        }
    }

    /**
     * The step response of a damped oscillator x'' + 2δx' + (δ² + ω²)(x − 1) = 0 from rest, by the classical
     * Runge–Kutta method, which knows nothing of its closed form; what is left at the end is spread evenly.
     */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 5, 9})
    void aSpringIsADampedOscillator(int swings) {
        double delta = Math.log(1000);
        double omega = Math.PI * swings;
        double k = delta * delta + omega * omega;
        int steps = 20_000;
        double h = 1.0 / steps;
        double x = 0;
        double v = 0;
        double[] all = new double[steps + 1];
        for (int i = 1; i <= steps; i++) {
            double k1x = v;
            double k1v = -2 * delta * v - k * (x - 1);
            double k2x = v + h / 2 * k1v;
            double k2v = -2 * delta * (v + h / 2 * k1v) - k * (x + h / 2 * k1x - 1);
            double k3x = v + h / 2 * k2v;
            double k3v = -2 * delta * (v + h / 2 * k2v) - k * (x + h / 2 * k2x - 1);
            double k4x = v + h * k3v;
            double k4v = -2 * delta * (v + h * k3v) - k * (x + h * k3x - 1);
            x += h / 6 * (k1x + 2 * k2x + 2 * k3x + k4x);
            v += h / 6 * (k1v + 2 * k2v + 2 * k3v + k4v);
            all[i] = x;
        }
        Ease spring = new Ease.Spring(swings);
        double left = 1 - all[steps];
        assertThat(Math.abs(left)).isLessThan(0.0011);
        for (int i = 0; i <= steps; i += 250) {
            double t = (double) i / steps;
            assertThat(spring.at(t)).isCloseTo(all[i] + left * t, within(1e-6));
        }
        assertThat(spring.at(1)).isEqualTo(1);
        int passes = 0;
        for (int i = 1; i < 1000; i++) {
            passes += (spring.at(i / 1000.0) - 1) * (spring.at((i - 1) / 1000.0) - 1) < 0 ? 1 : 0;
        }
        assertThat(passes).isBetween(swings - 1, swings);
    }
}
