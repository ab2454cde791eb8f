package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.picture.Picture;
import aperta.core.shot.Content;
import aperta.core.shot.CutOut;
import aperta.core.shot.Layer;
import aperta.core.shot.Track;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import java.util.Collections;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * A figure that moves on by a pixel each frame, on frame 10 of which a corner is missing, with a hole of 4 pixels, and
 * a speck as large beside it, on all.
 */
class TidyFigureTest {
    private final Studio studio = new Studio();

    private Picture frame(CutOut.Tidy tidy, int number) {
        CutOut.Carried carried = new CutOut.Carried(
                Studio.FAULTY,
                new Track.Clip(160, 90, Rate.of(24)),
                0,
                Collections.nCopies(48, 0.8),
                Collections.nCopies(48, 0.4));
        CutOut cutOut =
                CutOut.begun().withCarried(Optional.of(carried)).withTidy(tidy).withClean(Animated.of(0.0));
        Layer clip = Studio.clip(Studio.SMOOTH);
        Content.Footage footage = (Content.Footage) clip.content();
        return studio.render(Studio.shot(clip.withContent(footage.withCutOut(Optional.of(cutOut)))), number);
    }

    private static float alpha(Picture p, int x, int y) {
        return p.at(x, y)[3];
    }

    @Test
    void whatIsMissingOnOneFrameIsTakenFromThoseBesideIt() {
        Picture plain = frame(CutOut.Tidy.NOTHING, 10);
        assertThat(alpha(plain, 100, 10)).isZero();
        CutOut.Tidy steady = CutOut.Tidy.NOTHING.withSteady(Animated.of(1.0));
        Picture to = frame(steady, 10);
        assertThat(alpha(to, 100, 10)).isCloseTo(1, within(1e-4f));
        assertThat(alpha(to, 109, 7)).isCloseTo(1, within(1e-4f));
        assertThat(alpha(to, 110, 7)).isZero();
        assertThat(alpha(to, 50, 50)).isCloseTo(1, within(1e-4f));
        assertThat(alpha(to, 49, 50)).isZero();
        assertThat(alpha(frame(CutOut.Tidy.NOTHING.withSteady(Animated.of(0.5)), 10), 100, 10))
                .isCloseTo(0.5f, within(1e-3f));
    }

    /** An edge that goes on moving stays where it is. */
    @Test
    void whatMovesOnEvenlyStays() {
        Picture plain = frame(CutOut.Tidy.NOTHING, 20);
        Picture steady = frame(CutOut.Tidy.NOTHING.withSteady(Animated.of(1.0)), 20);
        for (int x = 0; x < 160; x++) {
            assertThat(alpha(steady, x, 60)).as("x %d", x).isCloseTo(alpha(plain, x, 60), within(1e-5f));
        }
    }

    @Test
    void holesAreFilledAndSpecksRemoved() {
        Picture plain = frame(CutOut.Tidy.NOTHING, 20);
        assertThat(alpha(plain, 82, 72)).isZero();
        assertThat(alpha(plain, 22, 72)).isEqualTo(1);
        Picture filled = frame(CutOut.Tidy.NOTHING.withHoles(Animated.of(6.0)), 20);
        assertThat(alpha(filled, 82, 72)).isEqualTo(1);
        assertThat(alpha(filled, 22, 72)).isEqualTo(1);
        Picture cleared = frame(CutOut.Tidy.NOTHING.withSpecks(Animated.of(6.0)), 20);
        assertThat(alpha(cleared, 82, 72)).isZero();
        assertThat(alpha(cleared, 22, 72)).isZero();
        assertThat(alpha(frame(CutOut.Tidy.NOTHING.withHoles(Animated.of(4.0)), 20), 82, 72))
                .isZero();
    }
}
