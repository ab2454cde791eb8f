package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What hands expect: crops and wipes as numbers, both sides of a key, openings that are kept, clips where they are dropped. */
class HandsTest {
    private static final int W = 640;

    @TempDir
    Path folder;

    @Test
    void whatHandsExpect() throws IOException {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, 360, "48");
            desk.add("One colour");
            windows(desk);
            sides(desk);
            kept(desk);
            dropped(desk);
            replaced(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static int alpha(BufferedImage image, int x, int y) {
        return image.getRGB(x, y) >>> 24;
    }

    private static void windows(Desk desk) {
        desk.section("Cut");
        desk.link("+ crop");
        desk.number("Left", "100");
        desk.number("Bottom", "60");
        BufferedImage cropped = desk.picture(0);
        assertThat(alpha(cropped, 99, 100)).isZero();
        assertThat(alpha(cropped, 100, 100)).isEqualTo(255);
        assertThat(alpha(cropped, 300, 299)).isEqualTo(255);
        assertThat(alpha(cropped, 300, 300)).isZero();
        desk.link("Remove crop");
        desk.link("+ wipe");
        desk.number("Uncovered", "25");
        desk.key("Uncovered");
        desk.frame(24);
        desk.number("Uncovered", "75");
        assertThat(alpha(desk.picture(0), 159, 100)).isEqualTo(255);
        assertThat(alpha(desk.picture(0), 161, 100)).isZero();
        assertThat(alpha(desk.picture(24), 479, 100)).isEqualTo(255);
        assertThat(alpha(desk.picture(24), 481, 100)).isZero();
    }

    /** The last key has an arriving side only; a change of it is one of the ease before. */
    private static void sides(Desk desk) {
        desk.press("x");
        desk.page.getByTestId("key-wipe.amount-24").click();
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Goes on to the next"))
                .hasCount(0);
        desk.choose("Ease before", "linear");
        assertThat(wipe(desk).keys().get(0).ease()).isEqualTo(Ease.LINEAR);
        desk.page.getByTestId("key-wipe.amount-0").click();
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Arrives from the one before"))
                .hasCount(0);
        desk.choose("Ease", "ease out");
        assertThat(wipe(desk).keys().get(0).ease()).isEqualTo(Ease.EASE_OUT);
        desk.press("Escape", "Control+z", "Control+z");
    }

    private static Animated<?> wipe(Desk desk) {
        return desk.shot().layers().get(0).window("wipe").orElseThrow().value("amount");
    }

    private static void kept(Desk desk) {
        desk.section("Cut");
        desk.link("Remove wipe");
        desk.stance("Arrive");
        desk.opening("strips");
        desk.number("Strips", "5");
        desk.link("Keep it by name");
        desk.page.getByText("is kept among the openings").waitFor();
        Locator name = desk.page.getByLabel("Name of Colour arriving");
        name.fill("Five strips");
        name.press("Enter");
        desk.page.getByTestId("kept-Five strips").waitFor();
        desk.press("Escape");
        desk.stance("Rest");
        desk.add("Text");
        desk.section("Look");
        desk.words("TERMINUS");
        desk.press("o");
        desk.page.getByTestId("kept-Five strips").click();
        desk.saved();
        Layer words = desk.find("TERMINUS");
        assertThat(words.arrive()).isEqualTo(desk.find("Colour").arrive());
        assertThat(words.arrive().orElseThrow().opening().orElseThrow().rest().number("count"))
                .isEqualTo(5);
        desk.closeDrawer();
    }

    private void dropped(Desk desk) throws IOException {
        Path still = folder.resolve("ticket.png");
        ImageIO.write(new BufferedImage(120, 80, BufferedImage.TYPE_INT_RGB), "png", still.toFile());
        desk.button("Media").click();
        desk.page.getByTestId("files").setInputFiles(still);
        Locator medium = desk.page.locator("[data-testid='media-ticket.png'][data-state=READY]");
        medium.waitFor();
        // On the Picture: at the place.
        var canvas = desk.page.getByTestId("canvas").boundingBox();
        double zoom = canvas.width / W;
        medium.dragTo(
                desk.page.getByTestId("handles"), new Locator.DragToOptions().setTargetPosition(200 * zoom, 90 * zoom));
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-ticket")).hasCount(1);
        desk.saved();
        assertThat(desk.find("ticket").place().position().rest().x()).isCloseTo(200, within(2.0));
        assertThat(desk.find("ticket").place().position().rest().y()).isCloseTo(90, within(2.0));
        desk.press("Control+z");
        // On the rows: from the frame under the pointer.
        var rows = desk.page.locator(".timeline .rows");
        var box = rows.boundingBox();
        medium.dragTo(rows, new Locator.DragToOptions().setTargetPosition(desk.x(31) - box.x + 1, 20));
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-ticket")).hasCount(1);
        desk.saved();
        assertThat(desk.find("ticket").span().in()).isEqualTo(31);
        desk.press("Control+z");
        // By command: at the playhead.
        desk.frame(11);
        medium.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add here"))
                .click();
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-ticket")).hasCount(1);
        desk.saved();
        assertThat(desk.find("ticket").span().in()).isEqualTo(11);
    }

    /** Place, keys, masks, arrival stay when the word is changed for a picture, and that for what another layer shows. */
    private static void replaced(Desk desk) {
        desk.page.getByTestId("row-ticket").click();
        desk.press("Delete");
        desk.layer("TERMINUS");
        desk.section("Place");
        desk.number("Rotation", "12");
        Layer before = desk.find("TERMINUS");
        desk.menu("TERMINUS", "Replace what it shows…");
        desk.choose("Replace it by", "ticket.png");
        desk.link("Replace");
        Layer picture = desk.find("ticket");
        assertThat(picture.content()).isInstanceOf(Content.Still.class);
        assertThat(picture.withContent(before.content()).withIdentity(before.id(), before.name()))
                .isEqualTo(before);
        desk.menu("ticket", "Replace what it shows…");
        desk.choose("Replace it by", "Colour");
        desk.link("Replace");
        assertThat(desk.shot().layers()).hasSize(1);
        assertThat(desk.find("Colour").place()).isEqualTo(before.place());
        assertThat(desk.find("Colour").arrive()).isEqualTo(before.arrive());
        desk.press("Control+z", "Control+z");
        assertThat(desk.find("TERMINUS")).isEqualTo(before);
    }
}
