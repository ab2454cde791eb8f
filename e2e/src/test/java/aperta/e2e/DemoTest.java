package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo: it is there, it plays at ½ in real time once all frames are there, and it renders. */
class DemoTest {
    @TempDir
    Path folder;

    @Test
    void theDemoPlaysAndRendersAndProofIsSilent() {
        try (App app = new App(true);
                Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            Wait.until("the demo is loaded", 240, () -> app.get("/api/projects").contains("Terminus"));
            open(desk, "Opening");
            plays(desk, 120);
            open(desk, "Line 9");
            renders(desk);
            for (String shot : new String[] {"Opening", "Line 9", "See you", "Terminus"}) {
                isSilent(desk, shot);
            }
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void open(Desk desk, String shot) {
        desk.openProjects();
        desk.page.getByText(shot, new Page.GetByTextOptions().setExact(true)).click();
        desk.ready();
    }

    /** The work range of the shot that is open, to a file at its full size. */
    private void renders(Desk desk) {
        desk.frame(24);
        desk.press("q");
        desk.frame(53);
        desk.press("w");
        Path film = desk.render(folder.resolve("Line 9.mp4"), true);
        assertThat(Pictures.probe(film))
                .contains(
                        "codec_name=h264",
                        "pix_fmt=yuv420p",
                        "color_space=bt709",
                        "color_range=tv",
                        "width=1920",
                        "height=1080",
                        "nb_read_frames=30");
    }

    /** Proof finds nothing in the demo. */
    private static void isSilent(Desk desk, String shot) {
        open(desk, shot);
        desk.press("j");
        desk.page.getByText("Nothing was found").waitFor();
        desk.press("j");
    }

    private static void plays(Desk desk, int length) {
        Page page = desk.page;
        page.getByLabel("Play", new Page.GetByLabelOptions().setExact(true)).click();
        // One pass: the line under the ruler then reaches from end to end.
        page.waitForFunction(
                "() => document.querySelectorAll('.kept').length === 1 && document.querySelector('.kept').offsetWidth >="
                        + " document.querySelector('.ruler').offsetWidth - 30",
                null,
                new Page.WaitForFunctionOptions().setTimeout(120_000));
        int passed = ((Number) page.evaluate("async () => {"
                        + "const now = () => Number(document.querySelector('.time').textContent.match(/frame (\\d+)/)[1]);"
                        + "const start = performance.now(); let last = now(); let passed = 0;"
                        + "while (performance.now() - start < 4000) {"
                        + "  await new Promise(requestAnimationFrame); const f = now();"
                        + "  passed += (f - last + " + length + ") % " + length + "; last = f; }"
                        + "return passed; }"))
                .intValue();
        // Real time is 96; the lower bound leaves room for a machine that does something else as well.
        assertThat(passed).as("frames in four seconds at 24 a second").isBetween(60, 98);
        page.getByLabel("Pause", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByText(Pattern.compile("^frame \\d+$")).waitFor();
    }
}
