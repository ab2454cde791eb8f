package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Content;
import aperta.core.shot.Span;
import aperta.media.plates.Plates;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Sound is brought in, seen, trimmed, keyed, heard in step with the picture, and rendered. */
class SoundTest {
    /** Notes when, by the clock of what is heard, the sound was at which second. */
    private static final String LISTEN = "(() => { const start = AudioBufferSourceNode.prototype.start;"
            + " AudioBufferSourceNode.prototype.start = function (when, offset) { window.heard = { context: this.context,"
            + " from: this.context.currentTime, offset }; return start.call(this, when, offset); }; })()";

    private static final int SECONDS = 60;

    @Test
    void soundStaysInStepForAMinuteAndIsInTheRender() throws Exception {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Page page = browser.page();
            page.addInitScript(LISTEN);
            Desk desk = new Desk(app, page);
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Minute", 320, 180, SECONDS + "s");
            desk.add("Text");
            desk.words("LAST TRAM");
            Path bell = Plates.file("bell", App.madePlates(), t -> {});
            desk.bring(bell);
            desk.addMedia(bell.getFileName().toString());
            String name = bell.getFileName().toString().replace(".wav", "");
            desk.section("Time");
            desk.number("First frame", "24");
            desk.number("Length of the layer", "40");
            assertThat(desk.find(name).span()).isEqualTo(new Span(24, 40, 0));
            assertThat(page.locator("[data-testid='bar-" + name + "'] .wave").count())
                    .as("the waveform")
                    .isEqualTo(1);
            desk.section("Look");
            desk.frame(24);
            desk.key("Level");
            desk.frame(50);
            desk.number("Level", "-30");
            assertThat(((Content.Sound) desk.find(name).content()).level().keys())
                    .hasSize(2);
            desk.frame(0);
            inStep(desk);
            rendered(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** Whenever another frame is shown, notes by how many frames the sound is ahead of its beginning. */
    private static final String WATCH =
            "() => { window.apart = []; const label = document.querySelector('.time .quiet');"
                    + " new MutationObserver(() => { const h = window.heard; const frame = Number(label.textContent.replace("
                    + "/[^0-9]/g, '')); if (h && h.context.state === 'running' && frame > 0) window.apart.push((h.offset +"
                    + " h.context.currentTime - h.from) * 24 - frame); }).observe(label, { characterData: true, childList: true,"
                    + " subtree: true }); }";

    private static void inStep(Desk desk) {
        desk.press("1");
        // Played in real time is what has been rendered: all of it, first.
        desk.press("Space");
        desk.page
                .getByLabel("Kept: frames 0 to " + (SECONDS * 24 - 1))
                .waitFor(new Locator.WaitForOptions()
                        .setState(WaitForSelectorState.ATTACHED)
                        .setTimeout(120_000));
        desk.press("Space");
        desk.press("Home");
        desk.page.evaluate(WATCH);
        desk.press("Space");
        desk.page.waitForTimeout((SECONDS - 2) * 1000.0);
        desk.press("Space");
        List<?> all = (List<?>) desk.page.evaluate("() => window.apart");
        List<Double> apart = new ArrayList<>();
        all.forEach(d -> apart.add(((Number) d).doubleValue()));
        assertThat(apart).as("frames shown while the sound was heard").hasSizeGreaterThan(SECONDS * 12);
        // A frame lasts from its beginning to that of the next one: 0 to 1; the clock of the sound goes in small steps.
        // Where the machine holds the browser up between asking the clock and drawing, a frame is late by as much, and
        // the
        // next one must be in step again.
        int late = 0;
        for (double d : apart) {
            late = d >= -0.5 && d <= 1.5 ? 0 : late + 1;
            assertThat(late)
                    .as("frames out of step one after another, of " + apart)
                    .isLessThan(4);
        }
        assertThat(apart.stream().filter(d -> d >= -0.5 && d <= 1.5).count())
                .as("frames in step")
                .isGreaterThanOrEqualTo(apart.size() * 95L / 100);
        double first = mean(apart.subList(0, 50));
        double last = mean(apart.subList(apart.size() - 50, apart.size()));
        assertThat(last - first).as("drift in frames").isCloseTo(0, within(0.5));
    }

    private static double mean(List<Double> all) {
        return all.stream().mapToDouble(d -> d).average().orElseThrow();
    }

    /** The bell begins on frame 24, half a second into the work range; before it there is silence. */
    private static void rendered(Desk desk) throws Exception {
        desk.frame(12);
        desk.press("q");
        desk.frame(59);
        desk.press("w");
        Path film = desk.render(Path.of("target/minute.mp4"), true);
        Process p = new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-i",
                        film.toString(),
                        "-map",
                        "a:0",
                        "-ac",
                        "1",
                        "-ar",
                        "48000",
                        "-f",
                        "s16le",
                        "pipe:1")
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        byte[] pcm = p.getInputStream().readAllBytes();
        int first = 0;
        while (first < pcm.length / 2 && Math.abs(sample(pcm, first)) < 400) {
            first++;
        }
        // The stroke begins 20 ms into the sound; the encoder may spread it by a few milliseconds.
        assertThat(first / 48000.0).isBetween(0.5, 0.54);
        assertThat(pcm.length / 2 / 48000.0).isCloseTo(2, within(0.1));
    }

    private static int sample(byte[] pcm, int i) {
        return (short) (pcm[2 * i] & 0xff | pcm[2 * i + 1] << 8);
    }
}
