package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Shot;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Shots inside shots, layers over shots and projects, shots as clips are, and what is done to shots on their cards. */
class ShotsTest {
    private static final int W = 320;
    private static final int H = 180;

    @TempDir
    Path folder;

    @Test
    void shotsInShots() throws Exception {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, H, "24");
            desk.add("Text");
            desk.words("LINE 9");
            String inner = desk.shotId();
            home(desk);
            desk.newShot("Opening", W, H, "24");
            shown(desk);
            opened(desk, browser, inner);
            copies(desk, inner);
            rendered(desk);
            copied(desk);
            cards(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void home(Desk desk) {
        desk.openProjects();
        desk.page.getByText("New shot").first().waitFor();
    }

    private static void item(Desk desk, String name) {
        desk.page
                .getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .last()
                .click();
    }

    private static void shown(Desk desk) {
        desk.page.getByLabel("Add a layer").click();
        desk.page.getByText("Another shot").hover();
        item(desk, "Line 9");
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-Line 9")).hasCount(1);
        desk.saved();
        desk.section("Place");
        desk.number("Scale across", "50");
        Layer layer = desk.find("Line 9");
        assertThat(layer.content()).isInstanceOf(Content.Nested.class);
        assertThat(layer.span().length()).isEqualTo(24);
    }

    private static double ink(BufferedImage image) {
        double sum = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                sum += (image.getRGB(x, y) >>> 24) / 255.0;
            }
        }
        return sum;
    }

    /** A double click leads into it, Escape out again; another window that shows it sees what is changed in it at once. */
    private static void opened(Desk desk, Browser browser, String inner) {
        String outer = desk.shotId();
        desk.frame(7);
        double before = ink(desk.picture(7));
        Page other = browser.page();
        other.navigate(desk.page.url());
        other.locator("[data-testid=canvas][aria-busy=false]").waitFor();
        String key = (String) other.evaluate("() => document.querySelector('[data-testid=canvas]').toDataURL()");
        desk.page.getByTestId("outline").dblclick();
        desk.page.waitForURL("**/shots/" + inner);
        desk.ready();
        desk.page.getByText("frame 7").waitFor();
        desk.layer("LINE 9");
        desk.section("Look");
        desk.words("LINE 9 TO ORRIN HILL");
        Wait.until(
                "the other window shows the change",
                20,
                () -> !key.equals(other.evaluate("() => document.querySelector('[data-testid=canvas]').toDataURL()")));
        other.close();
        desk.page.keyboard().press("Escape");
        desk.page.waitForURL("**/shots/" + outer);
        desk.ready();
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Name of the layer"))
                .hasValue("Line 9");
        assertThat(ink(desk.picture(7))).isGreaterThan(before * 1.8);
        // And by keys.
        desk.press("Enter");
        desk.page.waitForURL("**/shots/" + inner);
        desk.ready();
        desk.page.getByTitle("Back to Opening").click();
        desk.page.waitForURL("**/shots/" + outer);
        desk.ready();
    }

    /** A copy keeps showing the same shot, or one of its own that can be changed by itself. */
    private static void copies(Desk desk, String inner) {
        desk.menu("Line 9", "Duplicate with a shot of its own");
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-Line 9 copy"))
                .hasCount(1);
        desk.saved();
        Content.Nested own = (Content.Nested) desk.find("Line 9 copy").content();
        assertThat(own.shot()).isNotEqualTo(inner);
        desk.press("Control+z");
        desk.layer("Line 9");
        desk.press("Control+d");
        desk.saved();
        assertThat(desk.shot().layers())
                .allSatisfy(
                        l -> assertThat(((Content.Nested) l.content()).shot()).isEqualTo(inner));
        desk.press("Control+z");
    }

    /** The film has what the desk shows. */
    private void rendered(Desk desk) {
        DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("nested.mp4")), W, H);
        assertThat(film.off(12, desk.picture(12))).isLessThan(1.5);
    }

    /** Layers go into a shot of another project with what they refer to, and with the shots that they show. */
    private static void copied(Desk desk) {
        desk.add("One colour");
        desk.layer("Colour");
        desk.section("Cut");
        desk.choose("Cut by", "Line 9");
        desk.layer("Colour");
        desk.press("Control+c");
        desk.page.getByText("One layer copied, with 1 that they refer to.").waitFor();
        BufferedImage before = desk.picture(3);
        home(desk);
        desk.newProject("Depot");
        desk.newShot("Stop", W, H, "24");
        desk.press("Control+v");
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-Line 9")).hasCount(1);
        desk.saved();
        Shot pasted = desk.shot();
        assertThat(pasted.layers()).extracting(Layer::name).containsExactly("Colour", "Line 9");
        assertThat(pasted.layers().get(0).cut().orElseThrow().by())
                .isEqualTo(pasted.layers().get(1).id());
        assertThat(ink(desk.picture(3))).isCloseTo(ink(before), within(1.0));
        desk.press("Control+z");
        assertThat(desk.shot().layers()).isEmpty();
        desk.press("Control+Shift+z");
    }

    private static Locator card(Desk desk, String name) {
        return desk.page
                .locator(".project")
                .filter(new Locator.FilterOptions().setHasText("Depot"))
                .getByTestId("shot-" + name);
    }

    private static void cards(Desk desk) {
        home(desk);
        of(desk, "Stop", "Duplicate");
        card(desk, "Stop copy").waitFor();
        of(desk, "Stop copy", "Rename…");
        desk.page.getByLabel("Name of the shot").fill("Terminus");
        desk.page.getByLabel("Name of the shot").press("Enter");
        card(desk, "Terminus").waitFor();
        of(desk, "Terminus", "Delete");
        PlaywrightAssertions.assertThat(card(desk, "Terminus")).hasCount(0);
        desk.button("Undo").click();
        card(desk, "Terminus").waitFor();
        card(desk, "Terminus").hover();
        card(desk, "Terminus").getByLabel("More for Terminus").click();
        desk.page.getByText("Move to").last().hover();
        desk.page
                .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Orrin Hill \\d+$")))
                .first()
                .click();
        PlaywrightAssertions.assertThat(card(desk, "Terminus")).hasCount(0);
        desk.page.getByTestId("shot-Terminus").first().waitFor();
    }

    private static void of(Desk desk, String shot, String what) {
        card(desk, shot).hover();
        card(desk, shot).getByLabel("More for " + shot).click();
        item(desk, what);
    }

    /** A clip says what a new shot is like, and what an empty one becomes. */
    @Test
    void asAClipIs() throws Exception {
        Path clip = folder.resolve("tram.mp4");
        film(clip);
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.button("New shot").first().click();
            desk.page.getByText("Same as a clip").click();
            desk.page.getByTestId("like-file").setInputFiles(clip);
            PlaywrightAssertions.assertThat(desk.page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                    .hasValue("tram");
            desk.button("Make the shot").click();
            desk.ready();
            asTheClip(desk.shot());
            home(desk);
            desk.newShot("Empty", 400, 400, "48");
            desk.button("Media").click();
            desk.page
                    .locator("[data-testid='media-tram.mp4'][data-state=READY]")
                    .waitFor();
            desk.page
                    .getByTestId("media-tram.mp4")
                    .getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions().setName("Add").setExact(true))
                    .click();
            desk.button("Make it like the clip").click();
            Wait.until("the shot is like the clip", 20, () -> desk.shot().length() == 20);
            asTheClip(desk.shot());
            assertThat(desk.find("tram").place().position().rest().x()).isEqualTo(80);
            assertThat(desk.picture(19).getRGB(5, 5) >>> 24).isEqualTo(255);
            desk.press("Control+z");
            assertThat(desk.shot().format().width()).isEqualTo(400);
            assertThat(desk.shot().layers()).hasSize(1);
            desk.page.locator(".format").click();
            desk.choose("Like a clip", "tram.mp4");
            desk.button("Save").click();
            Wait.until("the shot is like the clip", 20, () -> desk.shot().length() == 20);
            asTheClip(desk.shot());
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void asTheClip(Shot shot) {
        assertThat(shot.format().width()).isEqualTo(160);
        assertThat(shot.format().height()).isEqualTo(90);
        assertThat(shot.format().rate().toString()).isEqualTo("25");
        assertThat(shot.length()).isEqualTo(20);
    }

    private static void film(Path to) throws IOException, InterruptedException {
        int ended = new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-f",
                        "lavfi",
                        "-i",
                        "testsrc=size=160x90:rate=25",
                        "-frames:v",
                        "20",
                        "-pix_fmt",
                        "yuv420p",
                        to.toString())
                .inheritIO()
                .start()
                .waitFor();
        assertThat(ended).isZero();
    }
}
