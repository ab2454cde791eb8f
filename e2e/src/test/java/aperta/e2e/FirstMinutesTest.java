package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.shot.Content;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What a new user meets: an empty shot, words that are typed at once, panels beside the Picture, a Timeline of any height. */
class FirstMinutesTest {
    @Test
    void anEmptyShotSaysWhatToDoAndLetsOneDoIt() {
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(App.shared(), browser.page());
            Page page = desk.page;
            desk.openProjects();
            desk.newProject("Orrin Hill");
            assertThat(page.getByText("Begin here: a shot has a size").first().isVisible())
                    .isTrue();
            desk.newShot("First", 640, 360, "24");
            assertThat(desk.button("Bring a clip or a still").isVisible()).isTrue();
            openingsWithoutALayer(desk);
            words(desk);
            beside(desk);
            divider(desk);
            undoList(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void openingsWithoutALayer(Desk desk) {
        desk.press("o");
        Locator panel = desk.page.getByLabel("Openings", new Page.GetByLabelOptions().setExact(true));
        panel.getByText("There is none yet.").waitFor();
        desk.press("Escape");
        assertThat(panel.count()).isZero();
    }

    /** What is typed after A are the words, not commands, though the shot hasn't the layer yet. */
    private static void words(Desk desk) {
        desk.press("a");
        desk.page.keyboard().type("LAST TRAM");
        desk.page.keyboard().press("Control+Enter");
        desk.saved();
        Locator field = desk.page.getByLabel("Words", new Page.GetByLabelOptions().setExact(true));
        Wait.until("the words are in their field", 20, () -> field.inputValue().equals("LAST TRAM"));
        assertThat(desk.shot().layers()).hasSize(1);
        assertThat(((Content.Text) desk.shot().layers().get(0).content()).words())
                .isEqualTo("LAST TRAM");
    }

    /** Openings are judged on the shot: all of the Picture stays in sight, and all of the panel, too. */
    private static void beside(Desk desk) {
        desk.page.keyboard().press("Escape");
        desk.page.mouse().click(900, 300);
        desk.layer("LAST TRAM");
        desk.press("o");
        Locator panel = desk.page.getByLabel("Openings", new Page.GetByLabelOptions().setExact(true));
        panel.getByTestId("opening-wipe").waitFor();
        Wait.until("the Picture has moved aside", 20, () -> {
            var canvas = desk.page.getByTestId("canvas").boundingBox();
            return canvas.x + canvas.width <= panel.boundingBox().x;
        });
        assertThat((Boolean) panel.evaluate("p => [...p.querySelectorAll('*')].every("
                        + "e => e.scrollWidth <= e.clientWidth || getComputedStyle(e).overflowX !== 'auto')"))
                .as("nothing is cut off sideways")
                .isTrue();
        desk.press("Escape");
    }

    private static void divider(Desk desk) {
        Locator timeline = desk.page.getByLabel("Timeline", new Page.GetByLabelOptions().setExact(true));
        double before = timeline.boundingBox().height;
        Locator divider = desk.page.getByLabel("Height of the Timeline");
        var box = divider.boundingBox();
        desk.drag(new double[] {700, box.y + 3}, new double[] {700, box.y - 87});
        assertThat(timeline.boundingBox().height - before).isBetween(85.0, 95.0);
        divider.focus();
        divider.press("ArrowUp");
        double taller = timeline.boundingBox().height;
        assertThat(taller - before).isBetween(118.0, 128.0);
        desk.page.reload();
        desk.ready();
        assertThat(timeline.boundingBox().height).as("remembered").isEqualTo(taller);
        divider.dblclick();
        assertThat(timeline.boundingBox().height).isEqualTo(before);
    }

    private static void undoList(Desk desk) {
        desk.layer("LAST TRAM");
        desk.section("Place");
        desk.number("Rotation", "12");
        desk.press("u");
        desk.page
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Rotation of LAST TRAM: 12 °")))
                .waitFor();
        desk.press("Escape");
    }
}
