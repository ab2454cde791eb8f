package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.picture.Region;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The light of frames, which is known since the clip was made with it, and that nothing else is taken for light. */
class EvenLightTest {
    private static Colours made(int level) {
        float[][] rgb = new float[3][320 * 180];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < rgb[c].length; i++) {
                rgb[c][i] = level + 20 * c + i % 37;
            }
        }
        return new Colours(320, 180, rgb);
    }

    private static Colours opponent(Colours of, double light, int coveredRows) {
        float[][] rgb = new float[3][of.channels()[0].length];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < rgb[c].length; i++) {
                rgb[c][i] = i / of.width() < coveredRows ? 30 : (float) (light * of.channels()[c][i]);
            }
        }
        return new Colours(of.width(), of.height(), rgb).opponent();
    }

    @Test
    void theFactorIsFoundThoughSomethingPassesInFront() {
        Colours wall = made(90);
        for (double light : new double[] {0.7, 0.9, 1.15}) {
            double found = EvenLight.of(opponent(wall, light, 70), opponent(wall, 1, 0));
            assertThat(found).isCloseTo(light, within(0.005));
        }
    }

    @Test
    void whatHardlyDiffersAndWhatIsTooDarkToTellIsLeft() {
        assertThat(EvenLight.of(opponent(made(90), 1.01, 0), opponent(made(90), 1, 0)))
                .isEqualTo(1);
        float[][] dark = new float[3][320 * 180];
        assertThat(EvenLight.of(opponent(made(90), 1, 0), new Colours(320, 180, dark)))
                .isEqualTo(1);
    }

    /** A lamp that is white in any light stays as it is; what is clipped in one light only comes near what it is in the other. */
    @Test
    void whatIsClippedStaysWhite() {
        for (double light : new double[] {0.8, 1.2}) {
            for (int made : new int[] {60, 120, 200, 230, 260, 400}) {
                double there = Math.min(255, light * made);
                double other = Math.min(255, made);
                assertThat(EvenLight.inLight(there, other, light))
                        .as("%d in light of %.1f", made, light)
                        .isCloseTo(other, within(0.001));
            }
        }
        // Something white in front of a dark wall is evened out as far as it can be.
        assertThat(EvenLight.inLight(255, 40, 1.2)).isCloseTo(212.5, within(0.001));
    }

    /** Another picture altogether isn't the same one in another light. */
    @Test
    void whatDisagreesIsLeft() {
        Random random = new Random(3);
        float[][] rgb = new float[3][320 * 180];
        for (int i = 0; i < rgb[0].length; i++) {
            float level = 40 + 160 * random.nextFloat();
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = level;
            }
        }
        Colours other = new Colours(320, 180, rgb).opponent();
        assertThat(EvenLight.of(other, opponent(made(90), 1, 0))).isEqualTo(1);
    }

    /** Where a clip's lamps flicker, each frame comes out like the wall, up to its grain. */
    @Test
    void framesComeInOneLight() {
        Natives.demand();
        MadeFigure clip = new MadeFigure(false, true);
        ClipFilm film = new ClipFilm(clip, "made", 1);
        PlateFrames frames = new PlateFrames(film, 0, 8, 2);
        EvenLight light = new EvenLight(film, new CleanPlate(frames), 2);
        double middle = clip.light(frames.number(frames.count() / 2));
        Region corner = new Region(0, 0, 320, 160);
        Colours wall = clip.wall();
        for (long frame : new long[] {0, 3, 5, 8}) {
            Colours seen = light.colours(frame, corner);
            double off = 0;
            for (int i = 0; i < 320 * 160; i++) {
                double made = wall.channels()[1][i / 320 * MadeFigure.W + i % 320];
                off += (seen.channels()[1][i] / middle - made) / (320 * 160);
            }
            assertThat(off).as("frame %d", frame).isCloseTo(0, within(1.0));
        }
    }
}
