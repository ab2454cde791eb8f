package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Station;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The chain of effects at the desk: added, set, keyed, switched, weighed, moved over its stations, rendered. */
class EffectsTest {
    private static final int W = 320;
    private static final int H = 180;

    @TempDir
    Path folder;

    @Test
    void theChain() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, H, "24");
            desk.add("Text");
            desk.words("TRAM");
            desk.number("Size", "90");
            desk.section("Effects");
            added(desk);
            keyed(desk);
            moved(desk);
            weighed(desk);
            DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("effects.mp4")), W, H);
            assertThat(film.off(12, desk.picture(12))).isLessThan(1.5);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void add(Desk desk, String kind) {
        desk.button("Add an effect").click();
        desk.page.getByTestId("add-" + kind).click();
        desk.saved();
        desk.shown();
    }

    private static List<LayerEffect> effects(Desk desk) {
        return desk.find("TRAM").effects();
    }

    private static void added(Desk desk) {
        BufferedImage plain = desk.picture(0);
        add(desk, "blur");
        desk.number("Deviation", "6");
        assertThat(Pictures.furthest(plain, desk.picture(0))).isGreaterThan(60);
        desk.link("Switch off Blur");
        assertThat(Pictures.furthest(plain, desk.picture(0))).isZero();
        desk.link("Switch on Blur");
        desk.number("Amount", "0");
        assertThat(Pictures.furthest(plain, desk.picture(0))).isZero();
        desk.link("Reset Blur");
        desk.number("Amount", "100");
        assertThat(effects(desk).get(0).recipe().rest().number("deviation")).isEqualTo(12);
    }

    private static void keyed(Desk desk) {
        desk.number("Deviation", "0");
        desk.key("Deviation");
        desk.frame(20);
        desk.number("Deviation", "10");
        assertThat(Pictures.furthest(desk.picture(0), desk.picture(20))).isGreaterThan(60);
        desk.frame(0);
    }

    /** Turbulence goes before the masks, and by the keyboard behind them. */
    private static void moved(Desk desk) {
        add(desk, "turbulence");
        assertThat(effects(desk).get(1).station()).isEqualTo(Station.BEFORE_MASKS);
        desk.page
                .getByLabel("Move Turbulence", new Page.GetByLabelOptions().setExact(true))
                .press("Alt+ArrowDown");
        desk.saved();
        assertThat(effects(desk)).extracting(e -> e.recipe().kind()).containsExactly("turbulence", "blur");
        assertThat(effects(desk).get(0).station()).isEqualTo(Station.BEFORE_CUT);
        // The rows of what was moved are there with the picture.
        desk.shown();
        double[] grip = desk.middle("effect-turbulence");
        var handle = desk.page
                .getByLabel("Move Turbulence", new Page.GetByLabelOptions().setExact(true))
                .boundingBox();
        var end = desk.page.getByTestId("chain").boundingBox();
        desk.drag(new double[] {handle.x + 6, handle.y + 8}, new double[] {grip[0], end.y + end.height + 4});
        assertThat(effects(desk).get(1).station()).isEqualTo(Station.BEHIND_CUT);
        desk.press("Control+z", "Control+z");
    }

    private static void weighed(Desk desk) {
        desk.press("Escape");
        desk.add("One colour");
        desk.section("Look");
        desk.number("Size across", "160");
        desk.section("Place");
        desk.number("Position across", "80");
        desk.named("Left");
        desk.press("Shift+V");
        desk.layer("TRAM");
        desk.section("Effects");
        add(desk, "grade");
        desk.number("Red slope", "0");
        desk.choose("Where Grade works", "Left");
        BufferedImage image = desk.picture(0);
        assertThat(reds(image, 0, W / 2)).isZero();
        assertThat(reds(image, W / 2, W)).isGreaterThan(100);
    }

    /** Searched and added by the keyboard; a point is moved by its handle; what is held is seen for as long. */
    @Test
    void byKeyboardAndByHandles() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Handles");
            desk.newShot("Line 9", W, H, "24");
            desk.add("Text");
            desk.words("TRAM");
            desk.number("Size", "90");
            desk.press("Shift+O");
            desk.page.getByLabel("Search effects").fill("twi");
            assertThat(desk.page.locator(".cards .card").count()).isEqualTo(1);
            desk.page.getByLabel("Search effects").press("Enter");
            desk.saved();
            assertThat(effects(desk)).extracting(e -> e.recipe().kind()).containsExactly("twist");
            desk.section("Effects");
            desk.shown();
            String id = effects(desk).get(0).id();
            double[] at = desk.middle("spot-chain." + id + ".centre");
            desk.drag(at, new double[] {at[0] + 60, at[1] - 20});
            Point centre = effects(desk).get(0).recipe().rest().point("centre");
            assertThat(centre.x()).isGreaterThan(10);
            assertThat(centre.y()).isLessThan(-3);

            BufferedImage with = shot(desk);
            desk.page.locator(".timeline .quiet").first().click();
            desk.page.keyboard().down("0");
            desk.shown();
            assertThat(Pictures.furthest(with, shot(desk))).isGreaterThan(60);
            desk.page.keyboard().up("0");
            desk.shown();
            assertThat(Pictures.furthest(with, shot(desk))).isLessThan(12);
            Wait.until(
                    "the costs",
                    20,
                    () -> desk.page.locator(".effect .cost").first().innerText().endsWith("ms"));
            assertThat(browser.errors).isEmpty();
        }
    }

    private static BufferedImage shot(Desk desk) {
        try {
            return ImageIO.read(
                    new ByteArrayInputStream(desk.page.getByTestId("canvas").screenshot()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A chain is kept by name, copied, and laid on another layer; one that ships, too. */
    @Test
    void chainsAreKeptAndLaidOnOthers() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Chains");
            desk.newShot("Line 9", W, H, "24");
            desk.add("One colour");
            desk.named("First");
            desk.add("Adjustment");
            desk.section("Effects");
            add(desk, "grade");
            desk.number("Red slope", "0");
            add(desk, "blur");
            desk.button("Keep…").click();
            desk.page.getByLabel("Name of the chain").fill("Dim");
            desk.page.getByLabel("Name of the chain").press("Enter");
            desk.page.getByTestId("chain-Dim").waitFor();
            desk.layer("First");
            desk.page.getByTestId("chain-Dim").click();
            desk.saved();
            assertThat(desk.find("First").effects())
                    .extracting(e -> e.recipe().kind())
                    .containsExactly("grade", "blur");
            desk.page.getByTestId("chain-Heat haze").click();
            desk.saved();
            assertThat(desk.find("First").effects()).hasSize(3);
            desk.press("Control+z", "Control+z");
            assertThat(desk.find("First").effects()).isEmpty();
            // The adjustment works on what lies below it.
            BufferedImage image = desk.picture(0);
            assertThat(image.getRGB(W / 2, H / 2) >> 16 & 0xff).isZero();
            assertThat(browser.errors).isEmpty();
        }
    }

    private static int reds(BufferedImage image, int from, int to) {
        int count = 0;
        for (int y = 0; y < H; y++) {
            for (int x = from; x < to; x++) {
                int p = image.getRGB(x, y);
                count += (p >>> 24) == 255 && (p >> 16 & 0xff) > 200 ? 1 : 0;
            }
        }
        return count;
    }

    /** The colour of a key is picked on the Picture, where the key isn't at work, and what has it goes. */
    @Test
    void aKeyIsPickedFromThePicture() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Keyed");
            desk.newShot("Keyed", W, H, "4");
            desk.add("One colour");
            desk.number("Colour as hexadecimal", "#3a7fb0");
            desk.section("Effects");
            add(desk, "chroma-key");
            desk.press("Escape");
            assertThat(desk.picture(0).getRGB(40, 40) & 0xffffff).isNotZero();
            desk.button("Pick Key from the Picture").click();
            desk.shown();
            double[] at = desk.at(40, 40, W);
            desk.page.mouse().click(at[0], at[1]);
            desk.saved();
            desk.shown();
            assertThat(desk.find("Colour")
                            .effects()
                            .get(0)
                            .recipe()
                            .rest()
                            .colour("key")
                            .hex())
                    .isEqualTo("#3a7fb0");
            assertThat(desk.picture(0).getRGB(40, 40) & 0xffffff).isZero();
            assertThat(browser.errors).isEmpty();
        }
    }
}
