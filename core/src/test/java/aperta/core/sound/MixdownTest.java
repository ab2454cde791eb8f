package aperta.core.sound;

import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Pace;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MixdownTest {
    /** Sample n of the left channel is n / 2²⁰, of the right −n / 2²⁰: both exact, so that time can be read off. */
    private static final Samples RAMP = new Samples() {
        @Override
        public long length(String media) {
            return 200_000;
        }

        @Override
        public void read(String media, long from, float[] into) {
            for (int i = 0; i < into.length / 2; i++) {
                long n = from + i;
                boolean there = n >= 0 && n < length(media);
                into[i * 2] = there ? n / 1048576f : 0;
                into[i * 2 + 1] = -into[i * 2];
            }
        }
    };

    private static Layer sound(Span span, Animated<Double> level) {
        return Layer.of("s", "s", new Content.Sound("bell", level), span, Place.at(Point.ORIGIN));
    }

    private static double at(Shot shot, long sample) {
        return new Mixdown(shot, RAMP).read(sample, 1)[0] * 1048576.0;
    }

    /** 48000 / 24 = 2000 samples a frame. */
    @Test
    void aLayerBeginsOnItsFrameToTheSample() {
        Shot shot = shot(sound(new Span(5, 20, 3), Animated.of(0.0)));
        assertThat(at(shot, 9_999)).isZero();
        assertThat(at(shot, 10_000)).isEqualTo(6_000);
        assertThat(at(shot, 10_001)).isEqualTo(6_001);
        assertThat(at(shot, 49_999)).isEqualTo(45_999);
        assertThat(at(shot, 50_000)).isZero();
        assertThat(new Mixdown(shot, RAMP).length()).isEqualTo(96_000);
    }

    /** A frame of 30000/1001 a second lasts 1601.6 samples; after an hour no sample has slipped. */
    @Test
    void oddRatesDoNotDrift() {
        Format ntsc = new Format(160, 90, new Rate(30_000, 1001));
        long hour = 107_892;
        Shot shot = new Shot("x", ntsc, hour, List.of(sound(Span.of(0, hour), Animated.of(0.0))));
        assertThat(new Mixdown(shot, RAMP).length()).isEqualTo(Math.round(hour * 1601.6));
        Shot late = new Shot("x", ntsc, hour, List.of(sound(Span.of(hour - 100, 100), Animated.of(0.0))));
        long begins = (long) Math.ceil((hour - 100) * 1601.6);
        assertThat(at(late, begins - 1)).isZero();
        assertThat(at(late, begins + 1000)).isCloseTo(begins + 1000 - (hour - 100) * 1601.6, within(0.51));
    }

    /** −20 dB is a tenth; common practice, no source. Between frames the amplitude goes evenly. */
    @Test
    void levelsAreDecibelsAndMayBeKeyed() {
        assertThat(Mixdown.amplitude(-20)).isCloseTo(0.1, within(1e-12));
        assertThat(Mixdown.amplitude(0)).isEqualTo(1);
        assertThat(Mixdown.amplitude(-60)).isZero();
        Animated<Double> falling =
                new Animated<>(0.0, List.of(new Key<>(10, 0.0, Ease.LINEAR), new Key<>(20, -20.0, Ease.LINEAR)));
        Shot shot = shot(sound(Span.of(0, 48), falling));
        assertThat(at(shot, 20_000)).isEqualTo(20_000);
        assertThat(at(shot, 30_000)).isCloseTo(30_000 * Math.pow(10, -0.5), within(0.01));
        assertThat(at(shot, 40_000)).isCloseTo(4_000, within(0.01));
        double between = (Math.pow(10, -0.5) + Math.pow(10, -0.6)) / 2;
        assertThat(at(shot, 31_000)).isCloseTo(31_000 * between, within(0.01));
    }

    @Test
    void signalsMoveTheLevel() {
        Recipe dice = Recipe.of(Signal.of("dice").descriptor(), Map.of("amount", 12.0, "every", 1.0));
        Shot shot = shot(sound(Span.of(0, 48), Animated.of(-12.0).withSignals(List.of(dice))));
        double moved = at(shot, 20_000) / 20_000;
        assertThat(moved).isBetween(Mixdown.amplitude(-24), 1.0).isNotEqualTo(Mixdown.amplitude(-12));
    }

    @Test
    void paceAndGroupsAndHidingHold() {
        Layer half = sound(Span.of(0, 48), Animated.of(0.0)).withPace(new Pace(0.5, false, 1, Optional.empty(), false));
        assertThat(at(shot(half), 9_001)).isCloseTo(4_500.5, within(0.01));
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(List.of(sound(Span.of(2, 20), Animated.of(0.0)))),
                Span.of(4, 10),
                Place.at(Point.ORIGIN));
        assertThat(at(shot(group), 11_999)).isZero();
        assertThat(at(shot(group), 12_010)).isEqualTo(10);
        assertThat(at(shot(group), 28_000)).isZero();
        Shot quiet = shot(sound(Span.of(0, 48), Animated.of(0.0)).withHidden(true));
        assertThat(new Mixdown(quiet, RAMP).isSilent()).isTrue();
    }

    @Test
    void soundsAddUpAndAreCutOffAtFullScale() {
        Shot two = shot(
                sound(Span.of(0, 48), Animated.of(0.0)),
                Layer.of(
                        "t", "t", new Content.Sound("bell", Animated.of(0.0)), Span.of(1, 40), Place.at(Point.ORIGIN)));
        assertThat(at(two, 10_000)).isEqualTo(18_000);
        assertThat(Mixdown.sixteen(new float[] {1.7f, -1, 0.5f}))
                .containsExactly((byte) 0xff, (byte) 0x7f, (byte) 0x01, (byte) 0x80, (byte) 0x00, (byte) 0x40);
        float[] peaks = Mixdown.peaks(RAMP, "bell", 10);
        assertThat(peaks[9]).isEqualTo(199_999 / 1048576f);
        assertThat(peaks[0]).isEqualTo(19_999 / 1048576f);
    }
}
