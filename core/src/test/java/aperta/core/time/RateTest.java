package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import org.junit.jupiter.api.Test;

class RateTest {
    private static final Rate FILM = Rate.of(24);

    @Test
    void equalRatesShowFrameForFrame() {
        for (long n : new long[] {-5, 0, 1, 107_892}) {
            assertThat(new Rate(30000, 1001).frameOf(new Rate(30000, 1001), n)).isEqualTo(n);
        }
    }

    @Test
    void thirtyInTwentyFourSkipsOneFrameInFive() {
        List<Long> seen = java.util.stream.LongStream.range(0, 8)
                .mapToObj(n -> FILM.frameOf(Rate.of(30), n))
                .toList();
        assertThat(seen).containsExactly(0L, 1L, 3L, 4L, 5L, 6L, 8L, 9L);
    }

    /** Against fifty-digit decimal arithmetic, over an hour, so that no drift can hide. */
    @Test
    void anHourOfMixedRatesNeverDrifts() {
        List<Rate> rates =
                List.of(new Rate(24000, 1001), FILM, Rate.of(25), new Rate(30000, 1001), Rate.of(30), Rate.of(60));
        MathContext exact = new MathContext(50);
        for (Rate shot : rates) {
            for (Rate clip : rates) {
                BigDecimal ratio = BigDecimal.valueOf(clip.numerator())
                        .multiply(BigDecimal.valueOf(shot.denominator()))
                        .divide(
                                BigDecimal.valueOf(clip.denominator()).multiply(BigDecimal.valueOf(shot.numerator())),
                                exact);
                for (long n = 0; n < 3600 * 60; n += 997) {
                    long expected = BigDecimal.valueOf(n)
                            .add(new BigDecimal("0.5"))
                            .multiply(ratio)
                            .add(new BigDecimal("1e-40"))
                            .setScale(0, RoundingMode.FLOOR)
                            .longValueExact();
                    assertThat(shot.frameOf(clip, n))
                            .as("%s in %s, frame %d", clip, shot, n)
                            .isEqualTo(expected);
                }
            }
        }
    }

    /** 60 frames a second, slowed to 0.4 in a shot of 24, are one frame of the clip for each of the shot. */
    @Test
    void slowMotionShowsEveryFrameThatTheClipHas() {
        for (long n = 0; n < 500; n++) {
            assertThat(Rate.of(24).frameOf(Rate.of(60), n * 0.4)).isEqualTo(n);
            assertThat(Rate.of(25).frameOf(Rate.of(50), n * 0.5)).isEqualTo(n);
            assertThat(Rate.of(24).frameOf(Rate.of(24), n * 0.5)).isEqualTo(n / 2);
        }
    }

    @Test
    void readsAndWritesFractions() {
        assertThat(Rate.parse("30000/1001")).isEqualTo(new Rate(60000, 2002)).hasToString("30000/1001");
        assertThat(Rate.parse("25")).hasToString("25");
        assertThat(new Rate(24000, 1001).nominal()).isEqualTo(24);
        assertThatThrownBy(() -> Rate.parse("fast")).hasMessageContaining("not a frame rate");
        assertThatThrownBy(() -> Rate.parse("0")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Rate(241, 1)).hasMessageContaining("between 1 and 240");
    }
}
