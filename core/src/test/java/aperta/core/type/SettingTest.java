package aperta.core.type;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Box;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import java.util.List;
import org.junit.jupiter.api.Test;

class SettingTest {
    private static Setting set(String words, Content.Align align, double tracking) {
        return set(words, align, new Setting.Letters(0, words.length(), "anton", 200, tracking, 1.2));
    }

    private static Setting set(String words, Content.Align align, Setting.Letters... letters) {
        return Setting.of(words, new Setting.Style(align, true, List.of(letters)), f -> Studio.anton());
    }

    @Test
    void centredWordsLieAboutTheOrigin() {
        Box ink = set("HH", Content.Align.CENTRE, 0).outline().bounds();
        assertThat(ink.centre().x()).isCloseTo(0, within(3.0));
        assertThat(ink.centre().y()).isCloseTo(0, within(0.01));
        assertThat(ink.height()).isCloseTo(Studio.anton().capHeight() * 200, within(0.1));
    }

    @Test
    void alignmentPutsTheOriginOnASide() {
        assertThat(set("HILL", Content.Align.LEFT, 0).outline().bounds().x0()).isBetween(0.0, 20.0);
        assertThat(set("HILL", Content.Align.RIGHT, 0).outline().bounds().x1()).isBetween(-20.0, 0.0);
    }

    @Test
    void trackingWidensByThousandthsOfAnEm() {
        double plain = set("HILL", Content.Align.LEFT, 0).box().width();
        assertThat(set("HILL", Content.Align.LEFT, 100).box().width()).isCloseTo(plain + 3 * 20, within(1e-6));
    }

    @Test
    void linesFollowTheLeadingAndTheBlockStaysInTheMiddle() {
        Setting two = set("H\nH", Content.Align.CENTRE, 0);
        Box first = two.glyphs().get(0).outline().bounds();
        Box second = two.glyphs().get(1).outline().bounds();
        assertThat(second.y1() - first.y1()).isCloseTo(240, within(1e-6));
        assertThat(two.outline().bounds().centre().y()).isCloseTo(0, within(0.01));
        assertThat(two.glyphs().get(1).line()).isEqualTo(1);
        assertThat(two.glyphs().get(1).letter()).isEqualTo(2);
    }

    @Test
    void everySizeHasTheSameShape() {
        Box small = set("ORRIN", Content.Align.LEFT, new Setting.Letters(0, 5, "anton", 10, 0, 1))
                .outline()
                .bounds();
        Box large = set("ORRIN", Content.Align.LEFT, new Setting.Letters(0, 5, "anton", 3000, 0, 1))
                .outline()
                .bounds();
        assertThat(large.width() / small.width()).isCloseTo(300, within(1e-6));
    }

    @Test
    void lettersOfAnotherSizeStandOnTheSameLine() {
        Setting mixed = set(
                "HHH",
                Content.Align.LEFT,
                new Setting.Letters(0, 1, "anton", 200, 0, 1.2),
                new Setting.Letters(1, 3, "anton", 100, 50, 1.2));
        Box large = mixed.glyphs().get(0).outline().bounds();
        Box small = mixed.glyphs().get(1).outline().bounds();
        Box last = mixed.glyphs().get(2).outline().bounds();
        double cap = Studio.anton().capHeight();
        assertThat(small.y1()).as("one baseline").isCloseTo(large.y1(), within(1e-9));
        assertThat(small.height()).isCloseTo(cap * 100, within(0.1));
        assertThat(mixed.box().height()).as("the tallest letter counts").isCloseTo(cap * 200, within(1e-6));
        double advance = set("HH", Content.Align.LEFT, 0)
                        .glyphs()
                        .get(1)
                        .outline()
                        .bounds()
                        .x0()
                - large.x0();
        assertThat(small.x0() - large.x0() / 2)
                .as("after the advance of the first")
                .isCloseTo(advance, within(1e-6));
        assertThat(last.x0() - small.x0())
                .as("half the advance, and 50 thousandths of 100 px")
                .isCloseTo(advance / 2 + 5, within(1e-6));
    }

    @Test
    void aLineIsAsFarBelowAsItsLargestLetterSays() {
        Setting mixed = set(
                "HH\nHH\n\nH",
                Content.Align.CENTRE,
                new Setting.Letters(0, 4, "anton", 100, 0, 1.2),
                new Setting.Letters(4, 5, "anton", 150, 0, 1.4),
                new Setting.Letters(5, 8, "anton", 100, 0, 1.2));
        double first = mixed.glyphs().get(0).outline().bounds().y1();
        assertThat(mixed.glyphs().get(2).outline().bounds().y1() - first).isCloseTo(210, within(1e-6));
        assertThat(mixed.glyphs().get(3).outline().bounds().y1() - first).isCloseTo(210, within(1e-6));
        assertThat(mixed.glyphs().get(4).outline().bounds().y1() - first)
                .as("the line without letters counts as those around it")
                .isCloseTo(210 + 120 + 120, within(1e-6));
    }

    @Test
    void lettersThatAreSetAlikeAreKernedOverTheBorderOfTheirLooks() {
        Setting whole = set("AVATAR", Content.Align.LEFT, 0);
        Setting halves = set(
                "AVATAR",
                Content.Align.LEFT,
                new Setting.Letters(0, 3, "anton", 200, 0, 1.2),
                new Setting.Letters(3, 6, "anton", 200, 0, 1.2));
        assertThat(halves.box()).isEqualTo(whole.box());
        for (int i = 0; i < 6; i++) {
            assertThat(halves.glyphs().get(i).outline().bounds())
                    .isEqualTo(whole.glyphs().get(i).outline().bounds());
        }
    }

    @Test
    void emptyWordsHaveABoxButNoOutline() {
        assertThat(set("", Content.Align.CENTRE, 0).outline().isEmpty()).isTrue();
        assertThat(set("", Content.Align.CENTRE, 0).box().isEmpty()).isFalse();
        assertThat(set(" \n ", Content.Align.CENTRE, 0).outline().isEmpty()).isTrue();
    }

    @Test
    void whatIsNotAFontIsRefused() {
        assertThatThrownBy(() -> Typeface.of("not a font".getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                .hasMessageContaining("not a TrueType or OpenType font");
        assertThat(Studio.anton().canShow("LAST TRAM")).isTrue();
        assertThat(Studio.anton().canShow("終電")).isFalse();
    }
}
