package aperta.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Takes the pictures of docs/screenshots from the demo; run by {@code ./aperta screenshots}, not with the tests. */
class Screenshots {
    private static final Path FOLDER = Path.of("../docs/screenshots");

    private static void take(Page page, String name) {
        page.mouse().move(640, 530);
        page.waitForTimeout(900);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    @Test
    void take() {
        try (App app = new App(true);
                Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            Page page = desk.page;
            Wait.until("the demo is loaded", 240, () -> app.get("/api/projects").contains("Archive"));
            desk.openProjects();
            page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
            take(page, "projects");
            page.getByText("Opening", new Page.GetByTextOptions().setExact(true))
                    .click();
            desk.ready();
            desk.layer("LAST TRAM TO ORRIN HILL");
            desk.section("Place");
            desk.frame(66);
            play(page);
            take(page, "desk");
            mask(desk);
            timing(desk);
            letters(desk);
            terminus(desk);
            effects(desk);
            ink(desk);
            lines(desk);
            drawings(desk);
            following(desk);
            cuttingOut(desk);
            looking(desk);
            renders(desk);
        }
    }

    /** One pass, so that the line under the ruler shows what is kept. */
    private static void play(Page page) {
        page.getByLabel("Play", new Page.GetByLabelOptions().setExact(true)).click();
        page.waitForTimeout(9000);
        page.getByLabel("Pause", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByLabel("Time; press to type").click();
        page.getByLabel("Go to time").fill("66");
        page.getByLabel("Go to time").press("Enter");
    }

    private static void timing(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("See you", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("Card");
        desk.stance("Arrive");
        desk.frame(16);
        page.waitForTimeout(1500);
        take(page, "arrive");
        desk.layer("See you at the last stop");
        desk.press("o");
        page.waitForTimeout(2600);
        // All of them in the middle of their way.
        page.addStyleTag(new Page.AddStyleTagOptions()
                .setContent(
                        ".moving { animation-delay: -0.16s !important; animation-play-state: paused !important; }"));
        take(page, "openings");
        desk.press("Escape");
        page.getByTestId("row-Platform hum").scrollIntoViewIfNeeded();
        desk.layer("Platform hum");
        desk.press("c", "Control+a");
        page.waitForTimeout(800);
        take(page, "curves");
    }

    /** Words on the Picture, some letters of which have a gradient of their own. */
    private static void letters(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Line 9", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("LINE 9");
        desk.section("Look");
        desk.frame(80);
        desk.press("Enter");
        page.keyboard().press("Control+End");
        page.keyboard().press("Shift+ArrowLeft");
        desk.number("Fill as hexadecimal", "#ffb347");
        page.getByLabel("Fill: make it a gradient").click();
        page.getByRole(
                        com.microsoft.playwright.options.AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName("linear gradient").setExact(true))
                .click();
        desk.saved();
        page.waitForTimeout(1200);
        take(page, "letters");
        desk.press("Control+z", "Control+z");
    }

    /** Cuts and a travelling mask; a fault, marked. */
    private static void terminus(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Terminus", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("TERMINUS");
        desk.section("Cut");
        desk.frame(22);
        page.getByTestId("mask-0").click(new Locator.ClickOptions().setPosition(4, 4));
        page.getByTestId("reveal-TERMINUS")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.ATTACHED));
        take(page, "terminus");
        desk.layer("ORRIN HILL");
        desk.section("Place");
        desk.frame(100);
        desk.number("Position down", "1000");
        desk.press("j");
        page.getByTestId("finding-title-safe").getByText("ORRIN HILL").click();
        page.waitForTimeout(1500);
        take(page, "proof");
        desk.press("j", "Control+z");
    }

    /** The finish over a burning card, what each effect costs; every effect on a word; steam. */
    private static void effects(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Ticket", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("finish");
        desk.section("Effects");
        desk.frame(58);
        Wait.until(
                "the costs",
                60,
                () -> page.locator(".effect .cost").first().innerText().endsWith("ms"));
        take(page, "effects");
        desk.openProjects();
        page.getByText("The conductor", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.ready();
        desk.layer("the conductor");
        desk.frame(80);
        desk.press("Shift+O");
        page.getByLabel("Search effects").fill("bend");
        page.waitForTimeout(12_000);
        take(page, "every-effect");
        desk.press("Escape");
        desk.layer("steam before");
        desk.section("Look");
        desk.frame(50);
        take(page, "steam");
    }

    /** Words half written, with their strokes set by hand, one of them chosen. */
    private static void ink(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("See you, written", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.ready();
        desk.layer("see you at the last stop");
        desk.stance("Arrive");
        desk.frame(58);
        page.getByTestId("stroke-5").click();
        desk.shown();
        take(page, "ink");
    }

    /** The outlines of a mark half drawn, its coats in the Sheet. */
    private static void lines(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("The bell", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        page.getByTestId("row-Title").getByTitle("Open the group").click();
        desk.layer("Mark, drawn");
        desk.frame(32);
        page.getByText("▾ Head").first().scrollIntoViewIfNeeded();
        desk.shown();
        take(page, "lines");
    }

    /** A round letter in the making, a drawing on each second frame. */
    private static void drawings(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Line 9", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.add("Drawings");
        double[] middle = desk.at(960, 400, 1920);
        double radius = desk.at(160, 0, 1920)[0] - desk.at(0, 0, 1920)[0];
        for (int i = 0; i < 5; i++) {
            desk.frame(2 * i);
            page.mouse().move(middle[0] + radius * Math.cos(i * 1.26), middle[1] - radius * Math.sin(i * 1.26));
            page.mouse().down();
            for (int k = 1; k <= 12; k++) {
                double a = (i + k / 12.0) * 1.26;
                double down = i == 4 ? k * radius / 9 : 0;
                page.mouse().move(middle[0] + radius * Math.cos(a), middle[1] - radius * Math.sin(a) + down);
            }
            page.mouse().up();
            desk.saved();
        }
        desk.shown();
        take(page, "drawings");
    }

    /** A mark that is followed, its way, how sure each frame is, and the title that it uncovers. */
    private static void following(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Passing", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("Platform, first take");
        desk.frame(78);
        page.getByTestId("track-Walker").scrollIntoViewIfNeeded();
        desk.shown();
        take(page, "following");
    }

    /** A title behind a figure that is cut out of its clip; small pictures of it, and how sure it is on each of them. */
    private static void cuttingOut(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Behind him", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        page.getByText("Figure of Platform").click();
        desk.frame(48);
        page.locator(".strip").scrollIntoViewIfNeeded();
        page.waitForTimeout(4000);
        take(page, "cutting-out");
    }

    /** One layer alone, its alpha as heat, with a soft cut whose values follow a curve, and the histogram. */
    private static void looking(Desk desk) {
        Page page = desk.page;
        desk.openProjects();
        page.getByText("Opening", new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
        desk.layer("rain on window");
        desk.section("Cut");
        desk.frame(100);
        page.getByText("The matte that is taken from it").click();
        desk.number("Blur", "14");
        var graph = page.getByTestId("tone-curve").boundingBox();
        desk.drag(
                new double[] {graph.x + graph.width * 0.4, graph.y + graph.height * 0.7},
                new double[] {graph.x + graph.width * 0.45, graph.y + graph.height * 0.75});
        desk.press("s", "s", "s", "s", "s", "i");
        page.getByLabel("Guides and measures").click();
        page.getByText("histogram", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Guides and measures").click();
        page.waitForTimeout(2500);
        take(page, "looking");
        desk.press("i", "s", "Control+z", "Control+z");
    }

    private static void renders(Desk desk) {
        Page page = desk.page;
        desk.button("Render").first().click();
        Locator start =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("at full size")));
        start.click();
        page.locator("[data-testid=render][data-state=DONE]")
                .first()
                .waitFor(new Locator.WaitForOptions().setTimeout(300_000));
        start.click();
        page.waitForTimeout(400);
        desk.choose("Output", "PNG frames");
        start.click();
        page.waitForTimeout(7000);
        take(page, "renders");
        desk.closeDrawer();
    }

    private static void mask(Desk desk) {
        desk.layer("platform");
        desk.section("Cut");
        desk.button("Ellipse").click();
        desk.drag(desk.at(260, 120, 1920), desk.at(1650, 990, 1920));
        desk.page.waitForTimeout(300);
        desk.number("Feather", "80");
        desk.page.getByTestId("knot-1").click();
        desk.number("Feather at the points", "500");
        take(desk.page, "mask");
        desk.press("Control+z", "Control+z", "Control+z");
        desk.layer("LAST TRAM TO ORRIN HILL");
    }
}
