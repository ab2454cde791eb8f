package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SignalTest {
    private static final Rate RATE = new Rate(30_000, 1001);

    private static Recipe recipe(String kind, Map<String, ?> values) {
        return Recipe.of(Signal.of(kind).descriptor(), values);
    }

    private static double at(Recipe r, double frame, int channel) {
        return Signal.sum(List.of(r), new Signal.Now(frame, RATE, channel, (l, p, c, d) -> 100 * c + d));
    }

    @Test
    void driftIsSecondsTimesTheRate() {
        Recipe r = recipe("drift", Map.of("rate", 12.0));
        assertThat(at(r, 30_000, 0)).isCloseTo(12.0 * 1001, within(1e-6));
        assertThat(at(r, 0, 0)).isZero();
    }

    @Test
    void swingIsASine() {
        Recipe r = recipe("swing", Map.of("amount", 5.0, "period", 24.0, "phase", 90.0));
        for (int i = -30; i < 60; i++) {
            assertThat(at(r, i, 0)).isCloseTo(5 * Math.cos(2 * Math.PI * i / 24), within(1e-9));
        }
    }

    @Test
    void diceAreHeldAndEven() {
        Recipe r = recipe("dice", Map.of("amount", 3.0, "every", 4.0, "seed", 7.0));
        double sum = 0;
        double squares = 0;
        int n = 4000;
        for (int i = 0; i < n; i++) {
            double here = at(r, 4.0 * i, 0);
            assertThat(at(r, 4.0 * i + 3.9, 0)).isEqualTo(here);
            assertThat(Math.abs(here)).isLessThanOrEqualTo(3);
            sum += here;
            squares += here * here;
        }
        // An even spread over ±3 has the mean 0 and the variance 3²/3; four standard errors are allowed.
        assertThat(sum / n).isCloseTo(0, within(4 * Math.sqrt(3.0 / n)));
        assertThat(squares / n).isCloseTo(3, within(4 * Math.sqrt(9 * 9 / 5.0 / n)));
        assertThat(at(r, 0, 0)).isNotEqualTo(at(r, 0, 1));
    }

    /** Within its amount, and smooth: speed and bend change little from one small step to the next. */
    @Test
    void jitterNeverJumps() {
        Recipe r = recipe("jitter", Map.of("amount", 10.0, "times", 2.0, "seed", 3.0));
        double h = 0.01;
        double lastBend = Double.NaN;
        for (int i = 0; i < 20_000; i++) {
            double t = i * h;
            assertThat(Math.abs(at(r, t, 0))).isLessThanOrEqualTo(10);
            double bend = at(r, t + h, 0) - 2 * at(r, t, 0) + at(r, t - h, 0);
            if (i > 0) {
                assertThat(Math.abs(bend - lastBend)).isLessThan(1e-6);
            }
            lastBend = bend;
        }
        assertThat(at(r, 50, 0)).isNotEqualTo(at(recipe("jitter", Map.of("seed", 4.0)), 50, 0));
    }

    @Test
    void followTakesAnotherPropertyWithFactorOffsetAndDelay() {
        Recipe r = recipe(
                "follow",
                Map.of("layer", "a", "property", "place.position", "factor", 2.0, "offset", 5.0, "delay", 3.0));
        assertThat(at(r, 0, 0)).isEqualTo(2 * 3 + 5);
        assertThat(at(r, 0, 1)).isEqualTo(2 * 103 + 5);
    }

    @Test
    void aSignalMayMoveOneNumberOfAPointOnly() {
        Recipe r = recipe("drift", Map.of("rate", 30_000 / 1001.0, "axis", "y"));
        assertThat(at(r, 10, 0)).isZero();
        assertThat(at(r, 10, 1)).isCloseTo(10, within(1e-9));
    }

    @Test
    void whatIsNotPossibleIsSaidPlainly() {
        assertThatThrownBy(() -> recipe("swing", Map.of("period", 0.0)))
                .hasMessageContaining("'period' lies between 1");
        assertThatThrownBy(() -> recipe("swing", Map.of("speed", 1.0))).hasMessageContaining("has no 'speed'; it has");
        assertThatThrownBy(() -> recipe("dice", Map.of("every", 1.5))).hasMessageContaining("whole number");
        assertThatThrownBy(() -> recipe("drift", Map.of("axis", "z"))).hasMessageContaining("one of both, x, y");
        assertThatThrownBy(() -> Signal.of("wobbles")).hasMessageContaining("no signal 'wobbles'");
    }
}
