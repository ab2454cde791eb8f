package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Painted;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Gradients are designed at the desk, and look as a browser's canvas draws them (HTML Standard, Canvas gradients). */
class GradientsTest {
    private static final int W = 640;
    private static final int H = 360;

    @Test
    void gradientsAreDesigned() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, H, "24");
            asACanvasDrawsThem(desk);
            stops(desk);
            onThePicture(desk);
            onLetters(desk);
            onCoats(desk);
            asCutter(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** The middle of the frame lies at 320, 180. */
    private static void asACanvasDrawsThem(Desk desk) {
        desk.add("Linear gradient");
        like(desk, "c.createLinearGradient(320, 0, 320, 360)", 2);
        desk.choose("Colour: one colour or a gradient", "radial gradient");
        desk.number("Radius", "150");
        desk.number("Centre across", "-40");
        desk.number("Centre down", "20");
        like(desk, "c.createRadialGradient(280, 200, 0, 280, 200, 150)", 2);
        desk.choose("Colour: one colour or a gradient", "conic gradient");
        desk.number("Begins at", "35");
        like(desk, "c.createConicGradient(35 * Math.PI / 180, 280, 200)", 2);
        desk.press("Delete");
    }

    /** Three pixels round the seam and the centre of a conic gradient are smooth here, and aren't there. */
    private static void like(Desk desk, String gradient, int steps) {
        Object drawn =
                desk.page.evaluate("() => { const e = document.createElement('canvas'); e.width = 640; e.height = 360;"
                        + "const c = e.getContext('2d'); const g = " + gradient + ";"
                        + "g.addColorStop(0, '#ffffff'); g.addColorStop(1, '#000000'); c.fillStyle = g;"
                        + "c.fillRect(0, 0, 640, 360); return [...c.getImageData(0, 0, 640, 360).data]"
                        + ".filter((_, i) => i % 4 === 0); }");
        List<?> canvas = (List<?>) drawn;
        BufferedImage ours = desk.picture(0);
        int off = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int d = Math.abs((ours.getRGB(x, y) & 0xff) - (Integer) canvas.get(y * W + x));
                off += d > steps ? 1 : 0;
            }
        }
        assertThat(off).as(gradient).isLessThan(gradient.contains("Conic") ? 1600 : 1);
    }

    private static Paint.Gradient gradient(Desk desk, String layer) {
        Layer l = desk.find(layer);
        return (Paint.Gradient) Painted.of(l).get(0).get().apply(l);
    }

    private static void stops(Desk desk) {
        desk.add("Linear gradient");
        Locator ramp = desk.page.getByTestId("ramp");
        var box = ramp.boundingBox();
        desk.page.mouse().click(box.x + box.width * 0.25, box.y + 6);
        desk.saved();
        assertThat(gradient(desk, "Linear gradient").stops()).hasSize(3);
        assertThat(gradient(desk, "Linear gradient").stops().get(1).at().rest()).isCloseTo(0.25, within(0.02));
        desk.number("Its colour as hexadecimal", "#ff0000");
        double[] stop = desk.middle("stop-1");
        desk.drag(stop, new double[] {box.x + box.width * 0.75, stop[1]});
        assertThat(gradient(desk, "Linear gradient").stops().get(1).at().rest()).isCloseTo(0.75, within(0.02));
        desk.page.getByTestId("stop-1").press("ArrowLeft");
        desk.saved();
        desk.key("Stop at");
        desk.frame(20);
        desk.number("Stop at", "10");
        assertThat(gradient(desk, "Linear gradient").stops().get(1).at().keys()).hasSize(2);
        assertThat(redness(desk.picture(0), 80)).isLessThan(redness(desk.picture(0), 260));
        assertThat(redness(desk.picture(20), 40)).isGreaterThan(redness(desk.picture(20), 260));
        desk.frame(0);
        desk.page.getByTestId("stop-1").press("Delete");
        desk.saved();
        assertThat(gradient(desk, "Linear gradient").stops()).hasSize(2);
    }

    private static int redness(BufferedImage image, int y) {
        int rgb = image.getRGB(W / 2, y);
        return (rgb >> 16 & 0xff) - (rgb & 0xff);
    }

    private static void onThePicture(Desk desk) {
        desk.drag(desk.middle("gradient-to"), desk.at(500, 180, W));
        Paint.Linear linear = (Paint.Linear) gradient(desk, "Linear gradient");
        assertThat(linear.to().rest().x()).isCloseTo(180, within(2.0));
        assertThat(linear.to().rest().y()).isCloseTo(0, within(2.0));
        double[] stop = desk.middle("gradient-stop-0");
        double[] further = desk.at(410, 90, W);
        desk.drag(stop, further);
        assertThat(gradient(desk, "Linear gradient").stops().get(0).at().rest()).isCloseTo(0.5, within(0.06));
        desk.press("Delete");
    }

    private static void become(Desk desk, String form) {
        desk.page
                .getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(form).setExact(true))
                .click();
    }

    private static void onLetters(Desk desk) {
        desk.add("Text");
        desk.page.getByLabel("Fill: make it a gradient").click();
        become(desk, "linear gradient");
        desk.saved();
        BufferedImage image = desk.picture(0);
        assertThat(mean(image, 150, 175)).as("bright above, dark below").isGreaterThan(mean(image, 185, 210) + 60);
        assertThat(((Content.Text) desk.find("New words").content()).fill()).isInstanceOf(Paint.Linear.class);
        desk.press("Delete");
    }

    /** The mean brightness of what is opaque between two heights. */
    private static double mean(BufferedImage image, int from, int to) {
        long sum = 0;
        int count = 0;
        for (int y = from; y < to; y++) {
            for (int x = 0; x < W; x++) {
                if (image.getRGB(x, y) >>> 24 == 255) {
                    sum += image.getRGB(x, y) & 0xff;
                    count++;
                }
            }
        }
        return count == 0 ? 0 : (double) sum / count;
    }

    private static void onCoats(Desk desk) {
        desk.page.getByLabel("Add a layer").click();
        desk.page.getByLabel("Shape: Rectangle").click();
        desk.drag(desk.at(100, 60, W), desk.at(540, 300, W));
        desk.page.getByLabel("Colour: make it a gradient").click();
        become(desk, "conic gradient");
        desk.saved();
        Layer shape = desk.find("Shape");
        assertThat(Painted.of(shape).get(0).get().apply(shape)).isInstanceOf(Paint.Conic.class);
        assertThat(desk.picture(0).getRGB(150, 100))
                .isNotEqualTo(desk.picture(0).getRGB(500, 280));
    }

    /** A gradient's brightness as luma matte: what it cuts is seen as far as it is bright. */
    private static void asCutter(Desk desk) {
        desk.add("Linear gradient");
        desk.layer("Shape");
        desk.section("Cut");
        desk.choose("Cut by", "Linear gradient");
        desk.page.getByText("brightness").click();
        desk.saved();
        assertThat(desk.find("Shape").cut().orElseThrow().with()).isEqualTo(Cut.With.BRIGHTNESS);
        BufferedImage image = desk.picture(0);
        assertThat(image.getRGB(300, 80) >>> 24).isCloseTo(255 - 80 * 255 / 360, within(4));
        assertThat(image.getRGB(300, 280) >>> 24).isCloseTo(255 - 280 * 255 / 360, within(4));
    }
}
