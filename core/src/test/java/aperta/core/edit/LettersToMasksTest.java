package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import org.junit.jupiter.api.Test;

class LettersToMasksTest {
    private static final double STEP = 1 / 255.0;
    private final Studio studio = new Studio();
    private final Layer word = word("word", "R8", 70);
    /** Mirrored, turned and stretched, and larger than the frame. */
    private final Layer ground = box("ground", 80, 45, 400, 400, Colour.WHITE)
            .withPlace(Place.at(new Point(70, 50))
                    .withScale(Animated.of(new Point(-2, 1.5)))
                    .withRotation(Animated.of(33.0)));

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    /** A white ground within the letters' masks looks like the white letters, holes and all. */
    @Test
    void theMaskedLayerShowsWhereTheLettersAre() {
        Shot shot = apply(shot(word, ground), new MaskEdits.OfLetters("ground", "word", "m", 0));
        Layer masked = shot.layer("ground").orElseThrow();
        assertThat(masked.masks()).extracting(Mask::mode).startsWith(Mask.Mode.ADD, Mask.Mode.ADD);
        assertThat(masked.masks())
                .filteredOn(m -> m.mode() == Mask.Mode.SUBTRACT)
                .as("the holes of R and 8")
                .hasSize(3);
        Picture letters = studio.render(shot(word), 0);
        Picture through = studio.render(shot(masked), 0);
        double most = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(through.at(x, y)[3]).isCloseTo(letters.at(x, y)[3], within((float) STEP));
                most = Math.max(most, letters.at(x, y)[3]);
            }
        }
        assertThat(most).isEqualTo(1);
    }

    @Test
    void whatHasNoLettersIsRefused() {
        Shot shot = shot(word, ground, word("none", " ", 20));
        assertThatThrownBy(() -> apply(shot, new MaskEdits.OfLetters("word", "ground", "m", 0)))
                .hasMessage("'ground' is not a text.");
        assertThatThrownBy(() -> apply(shot, new MaskEdits.OfLetters("ground", "none", "m", 0)))
                .hasMessageContaining("0 contours");
    }
}
