package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Cut;
import aperta.core.shot.Join;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Cuts made by dragging from row to row, the matte changed, and layers that work on what lies below them (J4). */
class CutTest {
    private static final int W = 640;
    private static final int H = 360;

    @TempDir
    Path folder;

    @Test
    void layersCutEachOtherAndWhatLiesBelow() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Cuts", W, H, "24");
            desk.add("One colour");
            desk.add("Text");
            desk.words("ORRIN");
            double letters = ink(desk) - ink(desk, "ORRIN");
            dragged(desk);
            toned(desk);
            mutual(desk);
            below(desk);
            DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("cuts.mp4")), W, H);
            assertThat(film.off(12, desk.picture(12)))
                    .as("a decoded frame is what was counted")
                    .isLessThan(1);
            assertThat(letters).as("the colour fills the frame").isCloseTo(W * H, within(1.0));
            assertThat(browser.errors).isEmpty();
        }
    }

    private static double ink(Desk desk) {
        BufferedImage image = desk.picture(0);
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += (image.getRGB(x, y) >>> 24) / 255.0;
            }
        }
        return sum;
    }

    /** What a layer shows beyond the others: nothing, where they fill the frame. */
    private static double ink(Desk desk, String alone) {
        desk.page
                .getByTestId("row-" + alone)
                .getByLabel("Hide", new com.microsoft.playwright.Locator.GetByLabelOptions().setExact(true))
                .click();
        desk.saved();
        double without = ink(desk);
        desk.press("Control+z");
        return ink(desk) - without;
    }

    private static void dragged(Desk desk) {
        desk.page.getByTestId("row-Colour").hover();
        desk.page.dragAndDrop("[data-testid=cut-Colour]", "[data-testid=row-ORRIN]");
        desk.saved();
        String word = desk.find("ORRIN").id();
        assertThat(desk.find("Colour").cut()).contains(new Cut(word, Cut.With.SHAPE, Cut.Keep.INSIDE));
        double inside = ink(desk);
        assertThat(inside).isBetween(500.0, W * H * 0.5);
        desk.layer("Colour");
        desk.section("Cut");
        desk.page
                .getByText("outside", new com.microsoft.playwright.Page.GetByTextOptions().setExact(true))
                .click();
        desk.saved();
        assertThat(ink(desk) + inside).as("inside and outside make the whole").isCloseTo(W * H, within(2.0));
        desk.page
                .getByText("inside", new com.microsoft.playwright.Page.GetByTextOptions().setExact(true))
                .click();
        desk.saved();
    }

    /** Spread and blurred the matte changes, and the word itself does not. */
    private static void toned(Desk desk) {
        double plain = ink(desk);
        desk.page.getByText("The matte that is taken from it").click();
        desk.number("Spread", "6");
        double wide = ink(desk);
        assertThat(wide).isGreaterThan(plain * 1.2);
        desk.number("Spread", "-4");
        assertThat(ink(desk)).isLessThan(plain * 0.8);
        desk.number("Spread", "0");
        desk.number("Blur", "5");
        assertThat(ink(desk)).as("blurred, as much is covered").isCloseTo(plain, within(plain * 0.01));
        desk.number("Blur", "0");
        desk.number("Black point", "100");
        desk.number("White point", "0");
        assertThat(ink(desk)).as("the matte turned round").isCloseTo(W * H - plain, within(2.0));
        desk.number("Black point", "0");
        desk.number("White point", "100");
        assertThat(ink(desk)).isEqualTo(plain);
    }

    /** Each cuts the other with what it was before its own cut: only where both are is anything seen. */
    private void mutual(Desk desk) {
        double one = ink(desk);
        desk.page.getByTestId("row-ORRIN").hover();
        desk.page.dragAndDrop("[data-testid=cut-ORRIN]", "[data-testid=row-Colour]");
        desk.saved();
        assertThat(desk.find("ORRIN").cut().orElseThrow().by())
                .isEqualTo(desk.find("Colour").id());
        desk.page.getByText("Show it by itself too").click();
        desk.saved();
        assertThat(ink(desk)).isCloseTo(one, within(2.0));
        DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("mutual.mp4")), W, H);
        assertThat(film.off(12, desk.picture(12))).isLessThan(1);
        desk.press("Control+z", "Control+z");
        desk.layer("Colour");
        desk.choose("Cut by", "nothing");
    }

    private static void below(Desk desk) {
        double all = ink(desk);
        assertThat(all).isCloseTo(W * H, within(1.0));
        desk.layer("ORRIN");
        desk.choose("What it does with what lies below", "kept inside");
        assertThat(desk.find("ORRIN").join()).isEqualTo(Join.KEEP_BELOW);
        double kept = ink(desk);
        assertThat(kept).isBetween(500.0, W * H * 0.5);
        desk.choose("What it does with what lies below", "knocked out");
        assertThat(ink(desk) + kept).isCloseTo(W * H, within(2.0));
        // A second layer below: what stays inside shows only where it lies.
        desk.choose("What it does with what lies below", "holds it");
        desk.layer("Colour");
        desk.section("Place");
        desk.number("Position across", Integer.toString(W));
        double half = ink(desk);
        assertThat(half).as("half of the frame, the letters within it").isCloseTo(W * H / 2.0, within(1.0));
    }
}
