package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.shot.Opened;
import aperta.core.shot.Paint;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.List;
import org.junit.jupiter.api.Test;

class TextEditsTest {
    private static final LetterLook RED = LetterLook.NOTHING.withFill(Paint.solid(new Colour(1, 0, 0, 1)));
    private static final LetterLook LARGE = LetterLook.NOTHING.with(LetterLook.Measure.SIZE, Animated.of(40.0));
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return edit.apply(shot, studio.planner);
    }

    private static Shot words(String words) {
        return Studio.shot(Studio.word("w", words, 24));
    }

    private static Content.Text text(Shot shot) {
        return (Content.Text) shot.layers().get(0).content();
    }

    /** Runs as {@code from-to:parts}, r for a colour of their own, l for a size of their own. */
    private static List<String> runs(Shot shot) {
        return text(shot).runs().stream()
                .map(r -> r.from() + "-" + r.to() + ":" + (r.look().fill().isPresent() ? "r" : "")
                        + (r.look().measures().isEmpty() ? "" : "l"))
                .toList();
    }

    @Test
    void lettersGetALookOfTheirOwnAndLoseIt() {
        Shot shot = apply(words("LAST TRAM"), new TextEdits.StyleLetters("w", 5, 9, RED));
        assertThat(runs(shot)).containsExactly("5-9:r");
        shot = apply(shot, new TextEdits.StyleLetters("w", 3, 7, LARGE));
        assertThat(runs(shot)).containsExactly("3-5:l", "5-7:rl", "7-9:r");
        assertThat(text(shot).runs().stream().map(LetterRun::id).distinct()).hasSize(3);
        shot = apply(shot, new TextEdits.PlainLetters("w", 0, 9, List.of("size")));
        assertThat(runs(shot)).as("neighbours that look alike are one again").containsExactly("5-9:r");
        shot = apply(shot, new TextEdits.PlainLetters("w", 6, 8, List.of("fill")));
        assertThat(runs(shot)).containsExactly("5-6:r", "8-9:r");
        Shot none = shot;
        assertThatThrownBy(() -> apply(none, new TextEdits.StyleLetters("w", 4, 4, RED)))
                .hasMessageContaining("Choose some letters");
    }

    @Test
    void runsStayWithTheirLettersWhileWordsAreRetyped() {
        Shot shot = apply(words("LAST TRAM HOME"), new TextEdits.StyleLetters("w", 5, 9, RED));
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "THE LAST TRAM HOME"))))
                .containsExactly("9-13:r");
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "LAST TRAMS HOME"))))
                .as("typed at its end")
                .containsExactly("5-10:r");
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "LAST TXRAM HOME"))))
                .containsExactly("5-10:r");
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "LAST BUS HOME"))))
                .as("replaced as a whole")
                .containsExactly("5-8:r");
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "LAST HOME")))).isEmpty();
        assertThat(runs(apply(shot, new TextEdits.SetWords("w", "")))).isEmpty();
        assertThat(apply(shot, new TextEdits.SetWords("w", "LAST\nTRAM"))
                        .layers()
                        .get(0)
                        .name())
                .as("a name that is not the words stays")
                .isEqualTo("w");
    }

    @Test
    void onlyTheChosenLettersChange() {
        Shot plain = words("IIII");
        Picture before = studio.render(plain, 0);
        Picture after = studio.render(apply(plain, new TextEdits.StyleLetters("w", 0, 2, RED)), 0);
        int reds = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(after.at(x, y)[3]).as("the same letters").isEqualTo(before.at(x, y)[3]);
                boolean red = after.at(x, y)[3] > 0 && after.at(x, y)[1] == 0;
                reds += red ? 1 : 0;
                assertThat(red && x >= 80)
                        .as("red in the right half at %d, %d", x, y)
                        .isFalse();
            }
        }
        assertThat(reds).isGreaterThan(50);
    }

    @Test
    void takenApartEachPartKeepsItsLook() {
        Shot shot = apply(words("TO ORRIN\nHILL"), new TextEdits.StyleLetters("w", 9, 13, LARGE));
        shot = apply(shot, new TextEdits.StyleLetters("w", 3, 5, RED));
        for (Opened.Unit unit : Opened.Unit.values()) {
            Shot apart = apply(shot, new TakeApart("w", unit));
            List<Layer> parts = ((Content.Group) apart.layers().get(0).content()).layers();
            assertThat(parts).hasSize(unit == Opened.Unit.LETTERS ? 11 : unit == Opened.Unit.WORDS ? 3 : 2);
            assertThat(Studio.furthest(studio.render(apart, 0), studio.render(shot, 0)))
                    .as("%s", unit)
                    .isLessThan(2f / 255);
        }
    }

    @Test
    void whatLettersHaveOfTheirOwnCanBeKeyed() {
        Shot shot = apply(words("LAST TRAM"), new TextEdits.StyleLetters("w", 5, 9, LARGE.and(RED)));
        Layer layer = shot.layers().get(0);
        assertThat(Property.of(layer).stream().filter(p -> p.name().startsWith("run.")))
                .extracting(Property::title)
                .containsExactly("‘TRAM’ size", "‘TRAM’ fill");
    }
}
