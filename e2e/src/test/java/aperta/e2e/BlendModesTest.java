package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import com.microsoft.playwright.Page;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/**
 * All sixteen blend modes and plus-lighter against another implementation of W3C Compositing and Blending Level 1: the
 * 2D canvas of Chromium, on opaque and on half-transparent colours.
 */
class BlendModesTest {
    private static final int[][] COLOURS = {
        {255, 0, 0, 255},
        {12, 200, 90, 255},
        {240, 230, 40, 128},
        {0, 0, 0, 255},
        {255, 255, 255, 255},
        {64, 64, 200, 200},
        {128, 128, 128, 255},
        {200, 30, 60, 60}
    };

    private static final String PAINT = "([mode, below, above]) => {"
            + "const c = new OffscreenCanvas(1, 1).getContext('2d', {willReadFrequently: true});"
            + "const css = (v) => `rgba(${v[0]}, ${v[1]}, ${v[2]}, ${v[3] / 255})`;"
            + "c.fillStyle = css(below); c.fillRect(0, 0, 1, 1);"
            + "c.globalCompositeOperation = mode;"
            + "c.fillStyle = css(above); c.fillRect(0, 0, 1, 1);"
            + "return [...c.getImageData(0, 0, 1, 1).data]; }";

    @Test
    void everyModeGivesWhatTheBrowserGives() {
        try (Browser browser = new Browser()) {
            Page page = browser.page();
            // The canvas has no subtraction; BlendTest holds it to its formula.
            for (BlendMode mode : EnumSet.complementOf(EnumSet.of(BlendMode.SUBTRACT))) {
                String name = switch (mode) {
                    case NORMAL -> "source-over";
                    case PLUS_LIGHTER -> "lighter";
                    default -> mode.name().toLowerCase(Locale.ROOT).replace('_', '-');
                };
                for (int[] below : COLOURS) {
                    for (int[] above : COLOURS) {
                        compare(mode, below, above, page.evaluate(PAINT, List.of(name, boxed(below), boxed(above))));
                    }
                }
            }
        }
    }

    private static void compare(BlendMode mode, int[] below, int[] above, Object answer) {
        Picture p = pixel(below);
        Compose.over(p, pixel(above), mode);
        float[] ours = p.at(0, 0);
        List<?> theirs = (List<?>) answer;
        float alpha = ((Number) theirs.get(3)).floatValue() / 255;
        assertThat(ours[3]).isCloseTo(alpha, within(1.01f / 255));
        for (int c = 0; c < 3; c++) {
            // The canvas keeps eight premultiplied bits, so that what it tells is off by up to two of them.
            float expected = ((Number) theirs.get(c)).floatValue() / 255 * alpha;
            assertThat(Math.min(1, ours[c]))
                    .as("%s of %s on %s, channel %d", mode, List.of(above[0], above[1], above[2]), below[0], c)
                    .isCloseTo(expected, within(3f / 255));
        }
    }

    private static List<Integer> boxed(int[] values) {
        return Arrays.stream(values).boxed().toList();
    }

    private static Picture pixel(int[] c) {
        Picture p = new Picture(new Region(0, 0, 1, 1));
        float a = c[3] / 255f;
        p.set(0, 0, c[0] / 255f * a, c[1] / 255f * a, c[2] / 255f * a, a);
        return p;
    }
}
