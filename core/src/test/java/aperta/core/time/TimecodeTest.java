package aperta.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class TimecodeTest {
    private static final Rate NTSC = new Rate(30000, 1001);

    /** SMPTE ST 12-1: 17 982 frames in ten minutes, 107 892 in an hour of drop-frame count. */
    @Test
    void dropFrameCountsAsTheStandardSays() {
        assertThat(Timecode.parse("00:10:00;00", NTSC)).isEqualTo(17_982);
        assertThat(Timecode.parse("01:00:00;00", NTSC)).isEqualTo(107_892);
        assertThat(Timecode.format(1799, NTSC, true)).isEqualTo("00:00:59;29");
        assertThat(Timecode.format(1800, NTSC, true)).isEqualTo("00:01:00;02");
        assertThat(Timecode.format(17_982, NTSC, true)).isEqualTo("00:10:00;00");
    }

    @Test
    void dropFrameAndBackIsTheSameFrameForTwoHours() {
        for (long n = 0; n < 2 * 107_892; n++) {
            if (Timecode.parse(Timecode.format(n, NTSC, true), NTSC) != n) {
                assertThat(n).as("frame that doesn't come back").isNegative();
            }
        }
    }

    @Test
    void countsPlainly() {
        assertThat(Timecode.format(36, Rate.of(24), false)).isEqualTo("00:00:01:12");
        assertThat(Timecode.parse("00:00:01:12", Rate.of(24))).isEqualTo(36);
        assertThat(Timecode.format(90_000, Rate.of(25), false)).isEqualTo("01:00:00:00");
    }

    @Test
    void refusesWhatTheCountDoesNotHave() {
        assertThatThrownBy(() -> Timecode.parse("00:01:00;00", NTSC)).hasMessageContaining("no timecode");
        assertThatThrownBy(() -> Timecode.parse("00:00:00:24", Rate.of(24))).hasMessageContaining("no timecode");
        assertThatThrownBy(() -> Timecode.parse("00:00:01;00", Rate.of(24))).hasMessageContaining("drop-frame");
        assertThatThrownBy(() -> Timecode.parse("soon", NTSC)).hasMessageContaining("not a timecode");
        assertThatThrownBy(() -> Timecode.format(1, Rate.of(25), true)).hasMessageContaining("drop-frame");
    }
}
