package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** What is done by hand on the Picture and in the Timeline, checked in numbers. */
class HandlesTest {
    private static final int W = 1280;

    private static Layer only(App app, Desk desk) {
        Shot shot = ShotJson.read(
                ShotJson.parse(app.get("/api/shots/" + desk.shotId())).getJsonObject("shot"));
        return shot.layers().get(0);
    }

    @Test
    void layersMasksAndKeysAreHandledDirectly() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Terminus", W, 720, "48");
            desk.add("Text");
            desk.words("TERMINUS");
            typing(app, desk);
            moveAndScale(app, desk);
            mask(app, desk);
            keys(app, desk);
            bars(app, desk);
            rows(app, desk);
            turn(app, desk);
            drop(app, desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void typing(App app, Desk desk) {
        desk.page.getByTestId("outline").dblclick();
        desk.page.getByLabel("Words on the Picture").fill("LINE 9");
        desk.page.getByLabel("Words on the Picture").press("Escape");
        desk.page.getByText("Words taken back.").waitFor();
        assertThat(((Content.Text) only(app, desk).content()).words()).isEqualTo("TERMINUS");
        desk.page.getByTestId("outline").dblclick();
        desk.page.getByLabel("Words on the Picture").fill("ORRIN HILL");
        desk.page.getByLabel("Words on the Picture").blur();
        desk.saved();
        assertThat(((Content.Text) only(app, desk).content()).words()).isEqualTo("ORRIN HILL");
        assertThat(only(app, desk).name())
                .as("a name that was the words follows them")
                .isEqualTo("ORRIN HILL");
        desk.page.keyboard().press("Control+z");
        desk.saved();
        assertThat(only(app, desk).name()).isEqualTo("TERMINUS");
    }

    private static void moveAndScale(App app, Desk desk) {
        // Far from the middle and any edge nothing is there to cling to; the drag is followed exactly.
        desk.drag(desk.at(640, 350, W), desk.at(757, 493, W));
        Point moved = only(app, desk).place().position().rest();
        assertThat(moved.x()).isCloseTo(757, within(4.0));
        assertThat(moved.y()).isCloseTo(503, within(4.0));
        // Let go near the middle it clings to it.
        desk.drag(desk.at(757, 493, W), desk.at(757 - moved.x() + 640 + 4, 493 - moved.y() + 360 + 3, W));
        assertThat(only(app, desk).place().position().rest()).isEqualTo(new Point(640, 360));
        var corner = desk.page.getByTestId("corner-2").boundingBox();
        double[] from = {corner.x + corner.width / 2, corner.y + corner.height / 2};
        double[] middle = desk.at(640, 360, W);
        desk.drag(from, new double[] {middle[0] + (from[0] - middle[0]) / 2, middle[1] + (from[1] - middle[1]) / 2});
        assertThat(only(app, desk).place().scale().rest().x()).isCloseTo(0.5, within(0.02));
        desk.page.keyboard().press("Control+z");
        desk.saved();
        assertThat(only(app, desk).place().scale().rest()).isEqualTo(new Point(1, 1));
        desk.page.keyboard().press("Control+Shift+z");
        desk.saved();
        assertThat(only(app, desk).place().scale().rest().x()).isCloseTo(0.5, within(0.02));
    }

    private static void mask(App app, Desk desk) {
        desk.section("Cut");
        desk.button("Four points").click();
        desk.drag(desk.at(500, 300, W), desk.at(700, 420, W));
        Mask drawn = only(app, desk).masks().get(0);
        assertThat(drawn.path().rest().knots()).hasSize(4);
        desk.shown();
        var knot = desk.page.getByTestId("knot-0").boundingBox();
        double[] at = {knot.x + knot.width / 2, knot.y + knot.height / 2};
        desk.drag(at, new double[] {at[0] - 30, at[1] - 12});
        Mask moved = only(app, desk).masks().get(0);
        assertThat(moved.path().rest().knots().get(0).at().x())
                .isLessThan(drawn.path().rest().knots().get(0).at().x() - 20);
        assertThat(moved.path().rest().knots().get(1))
                .isEqualTo(drawn.path().rest().knots().get(1));
        desk.number("Feather", "60");
        assertThat(only(app, desk).masks().get(0).feather().rest()).isEqualTo(60);
    }

    private static void keys(App app, Desk desk) {
        desk.section("Blend");
        desk.frame(6);
        desk.key("Opacity");
        desk.frame(30);
        desk.number("Opacity", "20");
        desk.page.getByLabel("Open the row").click();
        var key = desk.page.getByTestId("key-place.opacity-30").boundingBox();
        var ruler = desk.page.getByTestId("ruler").boundingBox();
        double pace = (ruler.width - 24) / 48;
        double[] at = {key.x + key.width / 2, key.y + key.height / 2};
        desk.drag(at, new double[] {at[0] + 6 * pace, at[1]});
        assertThat(only(app, desk).place().opacity().keys())
                .extracting(k -> k.at())
                .containsExactly(6L, 36L);
        desk.page.getByTestId("key-place.opacity-6").click();
        desk.choose("Ease", "linear");
        assertThat(only(app, desk).place().opacity().keys().get(0).ease()).isEqualTo(aperta.core.time.Ease.LINEAR);
    }

    private static void bars(App app, Desk desk) {
        var bar = desk.page.getByTestId("bar-TERMINUS").boundingBox();
        double pace = bar.width / 48;
        double y = bar.y + bar.height / 2;
        desk.drag(new double[] {bar.x + bar.width - 3, y}, new double[] {bar.x + bar.width - 3 - 8 * pace, y});
        assertThat(only(app, desk).span().length()).isEqualTo(40);
        desk.drag(new double[] {bar.x + 3, y}, new double[] {bar.x + 3 + 4 * pace, y});
        assertThat(only(app, desk).span()).isEqualTo(new aperta.core.shot.Span(4, 36, 4));
        desk.drag(new double[] {bar.x + 20 * pace, y}, new double[] {bar.x + 23 * pace, y});
        assertThat(only(app, desk).span()).isEqualTo(new aperta.core.shot.Span(7, 36, 4));
    }

    private static void rows(App app, Desk desk) {
        var row = desk.page.getByTestId("row-TERMINUS");
        row.getByLabel("Hide").click();
        desk.saved();
        assertThat(only(app, desk).hidden()).isTrue();
        row.getByLabel("Lock", new com.microsoft.playwright.Locator.GetByLabelOptions().setExact(true))
                .click();
        desk.saved();
        assertThat(only(app, desk).locked()).isTrue();
        desk.page.getByText("Locked: unlock it in its row").waitFor();
        row.getByLabel("Unlock").click();
        desk.saved();
        row.getByLabel("More for TERMINUS").click();
        desk.page
                .getByRole(
                        com.microsoft.playwright.options.AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName("Duplicate"))
                .click();
        desk.saved();
        assertThat(only(app, desk).name()).isEqualTo("TERMINUS copy");
        desk.page.keyboard().press("Delete");
        desk.saved();
        assertThat(only(app, desk).name()).isEqualTo("TERMINUS");
    }

    private static void turn(App app, Desk desk) {
        desk.layer("TERMINUS");
        desk.section("Place");
        desk.frame(20);
        var handle = desk.page.getByTestId("turn").boundingBox();
        double[] from = {handle.x + handle.width / 2, handle.y + handle.height / 2};
        double[] centre = desk.at(640, 360, W);
        // A quarter turn clockwise, from above the middle to its right.
        desk.drag(from, new double[] {centre[0] + (centre[1] - from[1]), centre[1]});
        assertThat(only(app, desk).place().rotation().rest()).isCloseTo(90, within(3.0));
    }

    /** A still that is dropped on the Picture is brought in and lies on top. */
    private static void drop(App app, Desk desk) {
        Object data = desk.page.evaluateHandle("async () => { const c = new OffscreenCanvas(64, 64); const g ="
                + " c.getContext('2d'); g.fillStyle = '#ff8800'; g.fillRect(16, 16, 32, 32); const t = new DataTransfer();"
                + " t.items.add(new File([await c.convertToBlob()], 'bell.png', {type: 'image/png'})); return t; }");
        desk.page.dispatchEvent("[aria-label=Picture]", "drop", java.util.Map.of("dataTransfer", data));
        desk.page.getByTestId("row-bell").waitFor();
        desk.saved();
        assertThat(only(app, desk).content()).isInstanceOf(Content.Still.class);
        desk.page.keyboard().press("s");
        desk.page.getByText("on black").waitFor();
    }
}
