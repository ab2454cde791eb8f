package aperta.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import aperta.core.shot.Layer;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/** What a designer does, in the designer's words. */
final class Desk {
    private static final AtomicInteger PROJECTS = new AtomicInteger();

    final Page page;
    private final App app;

    Desk(App app, Page page) {
        this.app = app;
        this.page = page;
    }

    void openProjects() {
        page.navigate(app.url("/"));
    }

    /** A project with a number after its name, since others may have left some with the same. */
    void newProject(String name) {
        String numbered = name + " " + PROJECTS.incrementAndGet();
        button("New project").click();
        page.getByLabel("Name of the project").fill(numbered);
        button("Save").click();
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(numbered).setExact(true))
                .waitFor();
    }

    void newShot(String name, int width, int height, String length) {
        button("New shot").first().click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(name);
        choose("Size", "Another size");
        page.getByLabel("Width").fill(Integer.toString(width));
        page.getByLabel("Height").fill(Integer.toString(height));
        page.getByLabel("Length").fill(length);
        button("Make the shot").click();
        ready();
    }

    /** The desk is there and shows a frame. */
    void ready() {
        page.waitForURL("**/shots/*");
        page.getByTestId("canvas").waitFor();
        saved();
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** Chooses from a list by its label. */
    void choose(String label, String option) {
        page.locator(".ant-select:has([aria-label='" + label + "']), .ant-select[aria-label='" + label + "']")
                .first()
                .click();
        page.locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText(option))
                .first()
                .click();
        saved();
    }

    void bring(Path... files) {
        button("Media").click();
        page.getByTestId("files").setInputFiles(files);
        for (Path f : files) {
            Locator row = page.getByTestId("media-" + f.getFileName());
            row.and(page.locator("[data-state=READY]")).waitFor(new Locator.WaitForOptions().setTimeout(180_000));
        }
        closeDrawer();
    }

    void addMedia(String file) {
        button("Media").click();
        page.getByTestId("media-" + file)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Add").setExact(true))
                .click();
        saved();
    }

    void closeDrawer() {
        page.locator(".panel > header > button[aria-label^='Close']").click();
        page.locator(".panel").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }

    void add(String what) {
        page.getByLabel("Add a layer").click();
        page.getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(what).setExact(true))
                .click();
        if (what.equals("Text")) {
            page.getByTestId("cursor").waitFor();
            page.keyboard().type("New words");
            page.keyboard().press("Control+Enter");
            page.getByLabel("Words", new Page.GetByLabelOptions().setExact(true))
                    .waitFor();
        }
        saved();
    }

    void layer(String name) {
        page.getByTestId("row-" + name).click();
        assertThat(page.getByLabel("Name of the layer")).hasValue(name);
        shown();
    }

    void section(String name) {
        page.locator(".sections .ant-segmented-item")
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
    }

    void words(String text) {
        Locator words = page.getByLabel("Words", new Page.GetByLabelOptions().setExact(true));
        words.fill(text);
        words.blur();
        saved();
    }

    void number(String label, String value) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        field.focus();
        field.fill(value);
        field.press("Enter");
        saved();
    }

    /** A value of the chosen layer keyed on two frames, with an ease between them. */
    void keyed(String label, String field, int from, String first, int to, String last, String ease) {
        frame(to);
        key(label);
        number(field, last);
        frame(from);
        number(field, first);
        press("Control+a");
        choose("Ease", ease);
        press("Escape");
    }

    /** Presses the button of exactly this name. */
    void link(String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
        saved();
    }

    /** Renames the chosen layer. */
    void named(String name) {
        page.getByLabel("Name of the layer").fill(name);
        page.getByLabel("Name of the layer").press("Enter");
        saved();
    }

    /** Gives the pose that is edited an opening. */
    void opening(String kind) {
        button("Choose an opening…").click();
        page.getByTestId("opening-" + kind).click();
        saved();
        press("Escape");
    }

    void key(String property) {
        page.getByLabel("Add key: " + property, new Page.GetByLabelOptions().setExact(true))
                .click();
        saved();
    }

    void frame(int number) {
        page.getByLabel("Time; press to type").click();
        page.getByLabel("Go to time").fill(Integer.toString(number));
        page.getByLabel("Go to time").press("Enter");
        page.getByText(Pattern.compile("^frame " + number + "$")).waitFor();
        shown();
    }

    /** What a gesture has set off is told by the page once it has painted twice, however busy the machine is. */
    void painted() {
        page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
    }

    /** The newest wish for a picture has been answered: what lies on it can be taken hold of. */
    void shown() {
        painted();
        page.locator("[data-testid=canvas][aria-busy=false]")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        painted();
    }

    /** Every change has been acknowledged. */
    void saved() {
        if (!page.url().contains("/shots/")) {
            return;
        }
        painted();
        page.locator(".state")
                .filter(new Locator.FilterOptions().setHasText("saved"))
                .waitFor();
    }

    /** A point of the shot on the screen. */
    double[] at(double x, double y, int width) {
        var box = page.getByTestId("canvas").boundingBox();
        double zoom = box.width / width;
        return new double[] {box.x + x * zoom, box.y + y * zoom};
    }

    void drag(double[] from, double[] to) {
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
        page.mouse().move(to[0], to[1]);
        page.mouse().up();
        saved();
        shown();
    }

    Path render(Path to) {
        return render(to, false);
    }

    Path render(Path to, boolean workRangeOnly) {
        button("Render").first().click();
        Locator start =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("at full size")));
        start.waitFor();
        Locator renders = page.getByTestId("render");
        page.locator(".panel ul[aria-busy=false]")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        if (workRangeOnly) {
            page.getByText("Only the work range").click();
        }
        int before = renders.count();
        start.click();
        Wait.until("the render is listed", 20, () -> renders.count() > before);
        page.locator("[data-testid=render]:first-child[data-state=DONE]")
                .waitFor(new Locator.WaitForOptions().setTimeout(300_000));
        Download download = page.waitForDownload(
                () -> renders.first().getByTestId("download").click());
        download.saveAs(to);
        closeDrawer();
        return to;
    }

    String shotId() {
        return page.url().substring(page.url().lastIndexOf('/') + 1);
    }

    /** The shot as the server has it. */
    Shot shot() {
        return ShotJson.read(ShotJson.parse(app.get("/api/shots/" + shotId())).getJsonObject("shot"));
    }

    /** The one layer of a name. */
    Layer find(String name) {
        return shot().everyLayer().stream()
                .filter(l -> l.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** Chooses which pose is edited. */
    void stance(String name) {
        page.locator(".stances .ant-segmented-item")
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
        shown();
    }

    void press(String... keys) {
        for (String k : keys) {
            page.keyboard().press(k);
            painted();
        }
        saved();
    }

    void menu(String layer, String item) {
        page.getByLabel("More for " + layer, new Page.GetByLabelOptions().setExact(true))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item))
                .click();
        saved();
    }

    /** The middle of something on the screen. */
    double[] middle(String testId) {
        var box = page.getByTestId(testId).first().boundingBox();
        return new double[] {box.x + box.width / 2, box.y + box.height / 2};
    }

    /** Where a frame begins on the bars. */
    double x(double frame) {
        var ruler = page.getByTestId("ruler").boundingBox();
        return ruler.x + 12 + frame * (ruler.width - 24) / shot().length();
    }

    /** How many points are seen on the left and on the right half of a frame. */
    double[] halves(long frame) {
        BufferedImage image = picture(frame);
        double[] seen = new double[2];
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                seen[2 * x / image.getWidth()] += (image.getRGB(x, y) >>> 24) / 255.0;
            }
        }
        return seen;
    }

    /** A frame as the server renders it. */
    BufferedImage picture(long frame) {
        try {
            return ImageIO.read(URI.create(app.url("/api/shots/" + shotId() + "/frames/" + frame + ".png"))
                    .toURL());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
