package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A frame draws itself round the word (J9), made in the browser and counted in the frames of the rendered film. */
class BorderTest {
    private static final int W = 640;
    private static final int H = 360;

    @TempDir
    Path folder;

    @Test
    void aFrameDrawsItselfRoundTheWord() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Border", W, H, "60");
            desk.add("Text");
            desk.words("STOP");
            desk.menu("STOP", "Line round it");
            even(desk);
            otherCorner(desk);
            fromTheMiddle(desk);
            roundedAndDashed(desk);
            hides(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static Content.Shape shape(Desk desk) {
        return (Content.Shape) desk.find("Line round STOP").content();
    }

    private static void end(Desk desk, String label, int frame, String value, boolean key) {
        desk.frame(frame);
        if (key) {
            desk.key(label);
        }
        desk.number(label, value);
    }

    /** One stroke at constant speed: each frame of the film has as much more of it as the one before. */
    private void even(Desk desk) {
        desk.number("Width", "8");
        end(desk, "End", 0, "0", true);
        end(desk, "End", 24, "100", false);
        desk.press("Control+a");
        desk.choose("Ease", "linear");
        desk.press("Escape");
        Path film = desk.render(folder.resolve("border.mp4"));
        double word = ink(film, 0);
        double all = ink(film, 24) - word;
        double before = 0;
        for (int f = 1; f <= 24; f++) {
            double now = ink(film, f) - word;
            assertThat(now - before).as("frame %d", f).isCloseTo(all / 24, within(all * 0.004));
            before = now;
        }
    }

    /** The brightness of a decoded frame, in white pixels. */
    private static double ink(Path film, long frame) {
        byte[] rgb = Pictures.rgb(film, frame, W, H);
        double sum = 0;
        for (int i = 1; i < rgb.length; i += 3) {
            sum += (rgb[i] & 0xff) / 255.0;
        }
        return sum;
    }

    /** From another corner, and the other way. */
    private static void otherCorner(Desk desk) {
        desk.page.getByTestId("shape-path-0").click(new Locator.ClickOptions().setPosition(4, 4));
        BezierPath was = shape(desk).paths().get(0).path().rest();
        desk.page.getByTestId("knot-2").click();
        desk.link("Begin here");
        assertThat(shape(desk).paths().get(0).path().rest()).isEqualTo(was.from(2));
        double[] first = desk.halves(4);
        desk.link("Reverse");
        assertThat(shape(desk).paths().get(0).path().rest())
                .isEqualTo(was.from(2).reversed());
        double[] reversed = desk.halves(4);
        // Right below first: to the left along the bottom, or up along the right side.
        assertThat(reversed[1]).isGreaterThan(first[1]);
        assertThat(reversed[0] + reversed[1]).isCloseTo(first[0] + first[1], within(20.0));
    }

    /** Both ways at once: start and end move apart from the middle. */
    private static void fromTheMiddle(Desk desk) {
        desk.press("Escape", "Escape");
        end(desk, "Start", 24, "0", true);
        end(desk, "Start", 0, "50", false);
        end(desk, "End", 0, "50", false);
        assertThat(desk.halves(12)[0] + desk.halves(12)[1]).isLessThan(desk.halves(24)[0] + desk.halves(24)[1]);
        Coat.Stroke stroke = (Coat.Stroke) shape(desk).coats().get(0);
        assertThat(stroke.measure(Coat.Measure.START).keys()).hasSize(2);
    }

    private static void roundedAndDashed(Desk desk) {
        double whole = sum(desk.halves(24));
        Locator dash = desk.page.getByLabel("Dash: lines and gaps in pixels");
        dash.fill("20 20");
        dash.press("Enter");
        desk.saved();
        assertThat(((Coat.Stroke) shape(desk).coats().get(0)).dash()).containsExactly(20.0, 20.0);
        double word = sum(desk.halves(0));
        assertThat(sum(desk.halves(24)) - word).isCloseTo((whole - word) / 2, within((whole - word) * 0.03));
        desk.choose("Ends", "round");
        desk.choose("Corners", "bevel");
        Coat.Stroke stroke = (Coat.Stroke) shape(desk).coats().get(0);
        assertThat(stroke.cap()).isEqualTo(Coat.Cap.ROUND);
        assertThat(stroke.corner()).isEqualTo(Coat.Corner.BEVEL);
    }

    private static double sum(double[] halves) {
        return halves[0] + halves[1];
    }

    /** Proof says so when the word runs out of the frame, goes there, and lets it be accepted. */
    private static void hides(Desk desk) {
        desk.layer("STOP");
        desk.section("Place");
        desk.number("Position across", "600");
        Locator proof = desk.page.getByTestId("proof");
        proof.filter(new Locator.FilterOptions().setHasText("Proof 1")).waitFor();
        proof.click();
        Locator finding = desk.page.getByTestId("finding-frame-edge");
        finding.getByText("STOP").click();
        desk.page.getByTestId("mark").waitFor();
        var mark = desk.page.getByTestId("mark").boundingBox();
        assertThat(mark.x).isCloseTo(desk.at(545, 0, W)[0], within(20.0));
        finding.getByText("Accept…").click();
        desk.page
                .getByLabel("Note", new Page.GetByLabelOptions().setExact(true))
                .fill("on purpose");
        desk.page.keyboard().press("Enter");
        desk.saved();
        assertThat(desk.shot().accepted()).hasSize(1);
        finding.getByText("Accepted: on purpose").waitFor();
        assertThat(proof.textContent().trim()).isEqualTo("Proof");
        desk.link("Take up again");
        assertThat(desk.shot().accepted()).isEmpty();
        assertThat(desk.page.getByTestId("reveal-STOP").getAttribute("d")).startsWith("M0 22L");
        desk.press("Control+z", "Control+z", "Control+z");
        desk.page.getByText("Nothing was found").waitFor();
    }
}
