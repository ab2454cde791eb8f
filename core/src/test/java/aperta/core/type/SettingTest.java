package aperta.core.type;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Box;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import org.junit.jupiter.api.Test;

class SettingTest {
    private static Setting set(String words, Content.Align align, double tracking) {
        return Setting.of(words, Studio.anton(), new Setting.Style(align, true, 200, tracking, 1.2));
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
        Box small = Setting.of("ORRIN", Studio.anton(), new Setting.Style(Content.Align.LEFT, true, 10, 0, 1))
                .outline()
                .bounds();
        Box large = Setting.of("ORRIN", Studio.anton(), new Setting.Style(Content.Align.LEFT, true, 3000, 0, 1))
                .outline()
                .bounds();
        assertThat(large.width() / small.width()).isCloseTo(300, within(1e-6));
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
