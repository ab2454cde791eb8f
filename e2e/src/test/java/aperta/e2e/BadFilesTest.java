package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files that are of no use: one plain sentence each in the browser, and nothing is lost. */
class BadFilesTest {
    @TempDir
    Path folder;

    private Path film() throws IOException, InterruptedException {
        Path film = folder.resolve("film.mp4");
        new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-f",
                        "lavfi",
                        "-i",
                        "testsrc2=s=320x180:r=24",
                        "-frames:v",
                        "96",
                        "-c:v",
                        "libx264",
                        "-pix_fmt",
                        "yuv420p",
                        "-movflags",
                        "+faststart",
                        film.toString())
                .inheritIO()
                .start()
                .waitFor();
        return film;
    }

    private Path huge() throws IOException, InterruptedException {
        Path png = folder.resolve("huge.png");
        new ProcessBuilder(
                        "ffmpeg", "-v", "error", "-f", "lavfi", "-i", "color=s=16x16", "-frames:v", "1", png.toString())
                .inheritIO()
                .start()
                .waitFor();
        byte[] bytes = Files.readAllBytes(png);
        ByteBuffer.wrap(bytes).putInt(16, 40_000).putInt(20, 40_000);
        CRC32 crc = new CRC32();
        crc.update(bytes, 12, 17);
        ByteBuffer.wrap(bytes).putInt(29, (int) crc.getValue());
        return Files.write(png, bytes);
    }

    @Test
    void eachGetsOnePlainSentenceAndNothingIsLost() throws Exception {
        Path words = Files.writeString(folder.resolve("notes.mp4"), "These are words, not a film.");
        Path font = Files.writeString(folder.resolve("face.ttf"), "Not a font.");
        byte[] whole = Files.readAllBytes(film());
        Path cut = Files.write(folder.resolve("cut.mp4"), Arrays.copyOf(whole, whole.length * 6 / 10));
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Terminus", 320, 180, "24");
            desk.add("Text");
            desk.words("TERMINUS");
            desk.button("Media").click();
            refused(desk, words, "not a video or a picture");
            refused(desk, font, "not a TrueType or OpenType font");
            refused(desk, huge(), "too large: 40000 × 40000");
            desk.page.getByTestId("files").setInputFiles(cut);
            Locator row = desk.page.getByTestId("media-cut.mp4");
            row.and(desk.page.locator("[data-state=FAILED]")).waitFor();
            assertThat(row.textContent()).contains("damaged");
            desk.closeDrawer();
            desk.page.reload();
            desk.ready();
            desk.layer("TERMINUS");
            assertThat(desk.page
                            .getByLabel("Words", new Page.GetByLabelOptions().setExact(true))
                            .inputValue())
                    .isEqualTo("TERMINUS");
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void refused(Desk desk, Path file, String sentence) {
        desk.page.getByTestId("files").setInputFiles(file);
        desk.page.locator(".ant-message").getByText(sentence).first().waitFor();
    }
}
