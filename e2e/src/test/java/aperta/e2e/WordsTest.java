package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.awt.image.BufferedImage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Words are typed where one clicks, and letters among them look different. */
class WordsTest {
    private static final int W = 640;

    @Test
    void wordsWhereOneClicks() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, 360, "24");
            typed(desk);
            inTheLastLook(desk);
            edited(desk);
            different(desk);
            keyed(desk);
            apart(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static Content.Text text(Desk desk, String name) {
        return (Content.Text) desk.find(name).content();
    }

    /** The tool puts a cursor where one clicks; what is typed is one step; nothing typed is no layer. */
    private static void typed(Desk desk) {
        desk.press("Shift+A");
        double[] at = desk.at(320, 110, W);
        desk.page.mouse().click(at[0], at[1]);
        desk.page.getByTestId("cursor").waitFor();
        desk.page.keyboard().press("Control+Enter");
        desk.shown();
        assertThat(desk.shot().layers()).isEmpty();
        desk.press("Shift+A");
        desk.page.mouse().click(at[0], at[1]);
        desk.page.keyboard().type("LAST");
        desk.page.keyboard().press("Enter");
        desk.page.keyboard().type("TRAM");
        desk.shown();
        double[] aside = desk.at(600, 340, W);
        desk.page.mouse().click(aside[0], aside[1]);
        desk.saved();
        Layer layer = desk.find("LAST TRAM");
        assertThat(text(desk, "LAST TRAM").words()).isEqualTo("LAST\nTRAM");
        assertThat(layer.place().position().rest().x()).isCloseTo(320, within(1.5));
        assertThat(layer.place().position().rest().y()).isCloseTo(110, within(1.5));
        desk.press("Control+z");
        assertThat(desk.shot().layers()).as("one step").isEmpty();
        desk.press("Control+Shift+z");
    }

    private static void inTheLastLook(Desk desk) {
        desk.layer("LAST TRAM");
        desk.number("Size", "40");
        desk.number("Fill as hexadecimal", "#ffaa00");
        desk.press("a");
        desk.page.getByTestId("cursor").waitFor();
        desk.page.keyboard().type("ORRIN");
        desk.page.keyboard().press("Control+Enter");
        desk.saved();
        assertThat(text(desk, "ORRIN").look()).isEqualTo(text(desk, "LAST TRAM").look());
        desk.press("Delete");
    }

    /** A double click puts the cursor at the letter that is pointed at; arrows and clicks move it. */
    private static void edited(Desk desk) {
        desk.layer("LAST TRAM");
        var box = desk.page.getByTestId("outline").boundingBox();
        desk.page.mouse().dblclick(box.x + box.width - 2, box.y + box.height * 0.9);
        desk.page.getByTestId("cursor").waitFor();
        desk.page.keyboard().type("S");
        desk.shown();
        desk.page.keyboard().press("ArrowUp");
        desk.page.keyboard().press("End");
        desk.page.keyboard().type("!");
        desk.page.keyboard().press("Control+Enter");
        desk.saved();
        assertThat(text(desk, "LAST! TRAMS").words()).isEqualTo("LAST!\nTRAMS");
        desk.press("Control+z");
        assertThat(text(desk, "LAST TRAM").words()).isEqualTo("LAST\nTRAM");
    }

    /** Letters that are chosen among the words get a look of their own; a run stays with its letters. */
    private static void different(Desk desk) {
        desk.layer("LAST TRAM");
        desk.press("Enter");
        desk.page.keyboard().press("Control+Home");
        desk.page.keyboard().press("Shift+End");
        desk.page.getByTestId("letters").waitFor();
        desk.number("Size", "80");
        desk.number("Fill as hexadecimal", "#0000ff");
        desk.page.getByTestId("letters").waitFor();
        List<LetterRun> runs = text(desk, "LAST TRAM").runs();
        assertThat(runs).hasSize(1);
        assertThat(runs.get(0).from()).isZero();
        assertThat(runs.get(0).to()).isEqualTo(4);
        assertThat(text(desk, "LAST TRAM").fixed(LetterLook.Measure.SIZE)).isEqualTo(40);
        BufferedImage image = desk.picture(0);
        assertThat(count(image, 0x0000ff)).as("a line in blue").isGreaterThan(1500);
        assertThat(count(image, 0xffaa00)).as("a line in amber").isBetween(400, count(image, 0x0000ff) / 2);
        desk.link("Size as the rest");
        assertThat(text(desk, "LAST TRAM").runs().get(0).look().measures()).isEmpty();
        desk.press("Control+z");
        desk.words("THE LAST\nTRAM");
        assertThat(text(desk, "THE LAST TRAM").runs().get(0).from()).isEqualTo(4);
        desk.press("Control+z");
    }

    private static int count(BufferedImage image, int rgb) {
        int count = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                count += image.getRGB(x, y) == (0xff000000 | rgb) ? 1 : 0;
            }
        }
        return count;
    }

    /** What letters have of their own is a property like all others. */
    private static void keyed(Desk desk) {
        desk.layer("LAST TRAM");
        desk.page
                .getByText("‘LAST’", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        desk.key("Size");
        desk.frame(12);
        desk.number("Size", "20");
        assertThat(text(desk, "LAST TRAM")
                        .runs()
                        .get(0)
                        .look()
                        .measures()
                        .get(LetterLook.Measure.SIZE)
                        .keys())
                .hasSize(2);
        assertThat(count(desk.picture(12), 0x0000ff)).isLessThan(count(desk.picture(0), 0x0000ff) / 4);
        desk.frame(0);
        PlaywrightAssertions.assertThat(desk.page.getByTestId("letters")).isVisible();
        desk.press("Control+z", "Control+z");
    }

    /** Lines, words, letters as layers; each keeps its look, and Cascade goes on working. */
    private static void apart(Desk desk) {
        desk.layer("LAST TRAM");
        BufferedImage whole = desk.picture(0);
        desk.menu("LAST TRAM", "Take apart into lines");
        List<Layer> parts = ((Content.Group) desk.find("LAST TRAM").content()).layers();
        assertThat(parts).extracting(Layer::name).containsExactly("LAST", "TRAM");
        BufferedImage apart = desk.picture(0);
        assertThat(Pictures.furthest(whole, apart)).isLessThanOrEqualTo(1);
        desk.press("Control+z");
        desk.stance("Arrive");
        desk.opening("cascade");
        desk.stance("Rest");
        BufferedImage half = desk.picture(4);
        assertThat(count(half, 0x0000ff)).isLessThan(count(whole, 0x0000ff));
        assertThat(Pictures.furthest(whole, desk.picture(23))).isLessThanOrEqualTo(1);
    }
}
