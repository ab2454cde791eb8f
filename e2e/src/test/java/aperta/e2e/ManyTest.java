package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Shot;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Several layers at once: chosen on the Picture, moved, scaled, turned, valued and brought into line as one. */
class ManyTest {
    private static final int W = 640;

    @Test
    void manyLayersAreOne() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Three stops", W, 360, "24");
            card(desk, 120, 100, 60, 40);
            card(desk, 300, 150, 80, 30);
            card(desk, 500, 230, 40, 60);
            chosen(desk);
            together(desk);
            values(desk);
            lines(desk);
            seen(desk);
            keys(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    @Test
    void aGroupIsEnteredOnThePicture() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Inside", W, 360, "24");
            card(desk, 120, 100, 60, 40);
            card(desk, 300, 150, 80, 30);
            card(desk, 500, 230, 40, 60);
            group(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** A rectangle about a point, made by hand. */
    private static void card(Desk desk, double x, double y, double w, double h) {
        desk.page.getByLabel("Add a layer").click();
        desk.page.getByLabel("Shape: Rectangle").click();
        desk.drag(desk.at(x - w / 2, y - h / 2, W), desk.at(x + w / 2, y + h / 2, W));
        desk.named("Card " + desk.shot().layers().size());
        desk.press("Escape");
    }

    private static Point at(Desk desk, String name) {
        Layer layer = desk.find(name);
        return layer.place().position().rest();
    }

    private static List<Point> all(Desk desk) {
        return List.of(at(desk, "Card 1"), at(desk, "Card 2"), at(desk, "Card 3"));
    }

    private static void click(Desk desk, double x, double y, KeyboardModifier... held) {
        desk.page
                .getByTestId("handles")
                .click(new Locator.ClickOptions()
                        .setPosition(x * zoom(desk), y * zoom(desk))
                        .setModifiers(List.of(held)));
        desk.shown();
    }

    private static double zoom(Desk desk) {
        return desk.page.getByTestId("canvas").boundingBox().width / W;
    }

    private static void many(Desk desk, int layers) {
        PlaywrightAssertions.assertThat(desk.page.locator(".many h4")).hasText(layers + " layers");
        desk.shown();
    }

    private static void chosen(Desk desk) {
        click(desk, 20, 340);
        click(desk, 120, 100);
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Name of the layer"))
                .hasValue("Card 1");
        click(desk, 300, 150, KeyboardModifier.SHIFT);
        many(desk, 2);
        click(desk, 500, 230, KeyboardModifier.SHIFT);
        many(desk, 3);
        click(desk, 20, 340);
        PlaywrightAssertions.assertThat(desk.page.locator(".many")).hasCount(0);
        // A box from the empty ground, over two of the three.
        desk.drag(desk.at(40, 40, W), desk.at(330, 200, W));
        many(desk, 2);
        desk.drag(desk.at(40, 40, W), desk.at(600, 300, W));
        many(desk, 3);
    }

    private static void together(Desk desk) {
        List<Point> before = all(desk);
        double[] middle = desk.middle("together");
        desk.page.keyboard().down("Alt");
        desk.drag(middle, new double[] {middle[0] + 33 * zoom(desk), middle[1] + 21 * zoom(desk)});
        desk.page.keyboard().up("Alt");
        for (int i = 0; i < 3; i++) {
            Point by = all(desk).get(i).minus(before.get(i));
            assertThat(by.x()).isCloseTo(33, within(1.0));
            assertThat(by.y()).isCloseTo(21, within(1.0));
        }
        desk.press("Control+z");
        assertThat(all(desk)).isEqualTo(before);

        Shot whole = desk.shot();
        double[] centre = desk.middle("together");
        double[] corner = desk.middle("together-corner-2");
        desk.drag(corner, new double[] {centre[0] + (corner[0] - centre[0]) / 2, centre[1] + (corner[1] - centre[1]) / 2
        });
        Point apart = at(desk, "Card 3").minus(at(desk, "Card 1"));
        Point was = before.get(2).minus(before.get(0));
        assertThat(apart.x()).isCloseTo(was.x() / 2, within(2.0));
        assertThat(desk.find("Card 2").place().scale().rest().x()).isCloseTo(0.5, within(0.02));
        desk.press("Control+z");
        assertThat(desk.shot()).isEqualTo(whole);

        desk.page.keyboard().down("Alt");
        desk.drag(corner, new double[] {centre[0] + (corner[0] - centre[0]) / 2, centre[1] + (corner[1] - centre[1]) / 2
        });
        desk.page.keyboard().up("Alt");
        assertThat(desk.find("Card 2").place().scale().rest().x()).isCloseTo(0.5, within(0.02));
        assertThat(at(desk, "Card 3").minus(before.get(2)).length()).isLessThan(1);
        desk.press("Control+z");

        desk.shown();
        double[] turner = desk.middle("together-turn");
        double long_ = centre[1] - turner[1];
        desk.drag(turner, new double[] {centre[0] + long_, centre[1]});
        assertThat(desk.find("Card 1").place().rotation().rest()).isCloseTo(90, within(3.0));
        desk.press("Control+z");
        assertThat(desk.shot()).isEqualTo(whole);
    }

    private static void values(Desk desk) {
        part(desk, "Values");
        Locator across = desk.page.getByLabel("Position across", new Page.GetByLabelOptions().setExact(true));
        assertThat(across.getAttribute("placeholder")).isEqualTo("mixed");
        List<Point> before = all(desk);
        desk.number("Position across", "200");
        for (int i = 0; i < 3; i++) {
            assertThat(all(desk).get(i)).isEqualTo(new Point(200, before.get(i).y()));
        }
        desk.press("Control+z");
        assertThat(all(desk)).isEqualTo(before);
        desk.number("Opacity", "50");
        assertThat(List.of("Card 1", "Card 2", "Card 3"))
                .allSatisfy(
                        n -> assertThat(desk.find(n).place().opacity().rest()).isEqualTo(0.5));
        desk.key("Opacity");
        assertThat(List.of("Card 1", "Card 2", "Card 3"))
                .allSatisfy(
                        n -> assertThat(desk.find(n).place().opacity().keys()).hasSize(1));
        desk.press("Control+z", "Control+z");
        assertThat(desk.find("Card 2").place().opacity().rest()).isEqualTo(1);
    }

    private static void part(Desk desk, String name) {
        desk.page
                .locator(".many .sections .ant-segmented-item")
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
        desk.shown();
    }

    private static void lines(Desk desk) {
        Shot whole = desk.shot();
        part(desk, "Lines");
        desk.link("Left edges");
        assertThat(at(desk, "Card 1").x() - 30).isCloseTo(at(desk, "Card 3").x() - 20, within(1.5));
        desk.press("Control+z");
        desk.link("Spread across by gaps");
        double first = at(desk, "Card 2").x() - 40 - (at(desk, "Card 1").x() + 30);
        double second = at(desk, "Card 3").x() - 20 - (at(desk, "Card 2").x() + 40);
        assertThat(first).isCloseTo(second, within(2.0));
        desk.press("Control+z");
        desk.page
                .getByText("title safe", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.link("Bottom edges");
        assertThat(at(desk, "Card 3").y() + 30)
                .isCloseTo(whole.format().titleSafe().y1(), within(1.5));
        desk.press("Control+z");
        assertThat(desk.shot()).isEqualTo(whole);
    }

    private static void seen(Desk desk) {
        desk.press("Shift+V");
        assertThat(desk.shot().layers()).allMatch(Layer::hidden);
        desk.press("Shift+V");
        assertThat(desk.shot().layers()).noneMatch(Layer::hidden);
        // The eye of one of the chosen is that of all.
        desk.page.getByTestId("row-Card 2").getByLabel("Hide").click();
        desk.saved();
        assertThat(desk.shot().layers()).allMatch(Layer::hidden);
        desk.press("Control+z");
        part(desk, "Seen");
        desk.choose("Blend all", "multiply");
        assertThat(desk.shot().layers()).extracting(l -> l.blend().name()).containsOnly("MULTIPLY");
        desk.press("Control+z");
        // One gesture gives many one cutter.
        card(desk, 320, 180, 300, 200);
        click(desk, 20, 340);
        desk.page.getByTestId("row-Card 1").click();
        desk.page
                .getByTestId("row-Card 3")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        many(desk, 3);
        desk.page.getByTestId("cut-Card 2").hover();
        desk.page.dragAndDrop("[data-testid='cut-Card 2']", "[data-testid='row-Card 4']");
        desk.saved();
        String cutter = desk.find("Card 4").id();
        assertThat(List.of("Card 1", "Card 2", "Card 3"))
                .allSatisfy(
                        n -> assertThat(desk.find(n).cut().orElseThrow().by()).isEqualTo(cutter));
        desk.press("Control+z");
        // A mask that is drawn is one on each.
        desk.button("Ellipse").click();
        desk.drag(desk.at(60, 60, W), desk.at(560, 300, W));
        assertThat(List.of("Card 1", "Card 2", "Card 3"))
                .allSatisfy(n -> assertThat(desk.find(n).masks()).hasSize(1));
        desk.press("Control+z");
    }

    /** A double click goes in; what lies inside is picked and moved; Escape leads out. */
    private static void group(Desk desk) {
        click(desk, 20, 340);
        desk.page.getByTestId("row-Card 3").click();
        desk.page
                .getByTestId("row-Card 2")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        desk.press("g");
        desk.shown();
        Shot whole = desk.shot();
        PlaywrightAssertions.assertThat(desk.page.getByTestId("row-Card 2")).hasCount(0);
        double[] there = desk.at(300, 150, W);
        desk.page.mouse().dblclick(there[0], there[1]);
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Name of the layer"))
                .hasValue("Card 2");
        desk.page.getByTestId("outside").waitFor();
        desk.shown();
        desk.page.keyboard().down("Alt");
        desk.drag(there, desk.at(320, 139, W));
        desk.page.keyboard().up("Alt");
        assertThat(at(desk, "Card 2").x()).isCloseTo(320, within(1.5));
        // What lies beside it is picked through the group.
        click(desk, 500, 230);
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Name of the layer"))
                .hasValue("Card 3");
        desk.press("Escape");
        PlaywrightAssertions.assertThat(desk.page.getByLabel("Name of the layer"))
                .hasValue("Group");
        PlaywrightAssertions.assertThat(desk.page.getByTestId("outside")).hasCount(0);
        desk.press("Enter");
        desk.page.getByTestId("outside").waitFor();
        desk.press("Escape", "Control+z");
        assertThat(desk.shot()).isEqualTo(whole);
        desk.press("Control+z");
    }

    /** All of it by the keyboard, too. */
    private static void keys(Desk desk) {
        click(desk, 20, 340);
        desk.press("Shift+H");
        desk.page.getByTestId("row-Card 4").click();
        desk.press("ArrowDown", "Shift+ArrowDown", "Shift+ArrowDown");
        many(desk, 3);
        desk.press("z");
        desk.page.keyboard().type("+6");
        desk.page.keyboard().press("Enter");
        desk.page
                .getByText("frame 6", new Page.GetByTextOptions().setExact(true))
                .waitFor();
        desk.press("z");
        desk.page.keyboard().type("nowhere");
        desk.page.keyboard().press("Enter");
        desk.page.getByText("is no time and no marker").waitFor();
        desk.press("m");
        desk.frame(0);
        desk.press("z");
        desk.page.keyboard().type("marker 1");
        desk.page.keyboard().press("Enter");
        desk.page
                .getByText("frame 6", new Page.GetByTextOptions().setExact(true))
                .waitFor();
    }
}
