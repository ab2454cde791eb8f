package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AnimatedTest {
    private static final Animated<Double> TWO =
            new Animated<>(9.0, List.of(new Key<>(10, 1.0, Ease.LINEAR), new Key<>(20, 3.0, Ease.LINEAR)));

    @Test
    void goesFromKeyToKeyAndStaysOutside() {
        assertThat(TWO.at(0, Mix.NUMBER)).isEqualTo(1);
        assertThat(TWO.at(10, Mix.NUMBER)).isEqualTo(1);
        assertThat(TWO.at(15, Mix.NUMBER)).isEqualTo(2);
        assertThat(TWO.at(17.5, Mix.NUMBER)).isEqualTo(2.5);
        assertThat(TWO.at(99, Mix.NUMBER)).isEqualTo(3);
        assertThat(Animated.of(4.0).at(5, Mix.NUMBER)).isEqualTo(4);
    }

    @Test
    void aHeldKeyStaysUntilTheNext() {
        Animated<Double> held =
                new Animated<>(0.0, List.of(new Key<>(0, 1.0, Ease.HOLD), new Key<>(8, 5.0, Ease.LINEAR)));
        assertThat(held.at(7.999, Mix.NUMBER)).isEqualTo(1);
        assertThat(held.at(8, Mix.NUMBER)).isEqualTo(5);
    }

    @Test
    void settingWritesTheRestOrAKey() {
        assertThat(Animated.of(1.0).set(7, 2.0)).isEqualTo(Animated.of(2.0));
        assertThat(TWO.set(10, 7.0).keyAt(10).orElseThrow().value()).isEqualTo(7);
        assertThat(TWO.set(12, 7.0).keys()).hasSize(3);
        assertThat(TWO.withoutKey(10).withoutKey(20)).isEqualTo(Animated.of(3.0));
    }

    @Test
    void keysMustRise() {
        assertThatThrownBy(() ->
                        new Animated<>(0.0, List.of(new Key<>(5, 0.0, Ease.LINEAR), new Key<>(5, 1.0, Ease.LINEAR))))
                .hasMessageContaining("follow one another");
    }

    /** A quarter circle by the usual four-thirds handle: at half the time half the arc is behind it. */
    @Test
    void aPathWithHandlesIsFollowedAtAnEvenSpeed() {
        double k = 4.0 / 3 * (Math.sqrt(2) - 1) * 100;
        Animated<Point> arc = new Animated<>(
                Point.ORIGIN,
                List.of(
                        new Key<>(0, new Point(100, 0), Ease.LINEAR)
                                .withHandles(Optional.of(new Point(0, k)), Optional.empty()),
                        new Key<>(90, new Point(0, 100), Ease.LINEAR)
                                .withHandles(Optional.empty(), Optional.of(new Point(k, 0)))));
        for (int degrees = 0; degrees <= 90; degrees += 5) {
            Point p = arc.at(degrees, Mix.POINT);
            assertThat(p.x()).isCloseTo(100 * Math.cos(Math.toRadians(degrees)), within(0.08));
            assertThat(p.y()).isCloseTo(100 * Math.sin(Math.toRadians(degrees)), within(0.08));
        }
    }

    @Test
    void anEaseThatOvershootsLeavesThePathStraightOn() {
        Animated<Point> swing = new Animated<>(
                Point.ORIGIN,
                List.of(
                        new Key<>(0, new Point(0, 0), new Ease.CubicBezier(0.3, 0, 0.3, 1.8))
                                .withHandles(Optional.of(new Point(10, 0)), Optional.empty()),
                        new Key<>(10, new Point(30, 0), Ease.LINEAR)
                                .withHandles(Optional.empty(), Optional.of(new Point(-10, 0)))));
        double furthest = 0;
        for (int i = 0; i <= 100; i++) {
            furthest = Math.max(furthest, swing.at(i / 10.0, Mix.POINT).x());
        }
        assertThat(furthest).isGreaterThan(31);
    }
}
