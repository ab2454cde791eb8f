package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Picture;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Shot;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import aperta.media.json.ShotJson;
import aperta.media.plates.Plates;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.function.BiPredicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** From an empty project, through the browser alone: footage in letters (J1) and a window (J5), to files. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class FromNothingTest {
    private static final int W = 768;
    private static final int H = 576;
    /** A real camera's clip, 768 × 576, from Debian's package opencv-doc. */
    private static final Path CAMERA = Path.of("/usr/share/doc/opencv-doc/examples/data/vtest.avi");

    @TempDir
    Path folder;

    private static long cameraFrame(long n) {
        return (long) Math.floor((n + 0.5) * 10 / 24);
    }

    private static boolean eroded(Picture p, int x, int y, float wanted) {
        for (int dy = -5; dy <= 5; dy++) {
            for (int dx = -5; dx <= 5; dx++) {
                if (p.at(x + dx, y + dy)[3] != wanted) {
                    return false;
                }
            }
        }
        return true;
    }

    private static Picture alone(Shot shot, String layer, long frame) {
        Planner planner = new Planner(new ClipSources(id -> Optional.empty()), new FontShelf(id -> Optional.empty()));
        try (Workers workers = new Workers(2)) {
            return new Renderer(new Cache(0), workers)
                    .show(planner.plan(planner.moment(shot, frame), layer, 1), frame)
                    .picture();
        }
    }

    private static String id(Shot shot, String name) {
        return shot.everyLayer().stream()
                .filter(l -> l.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Shot shot(App app, Desk desk) {
        return ShotJson.read(
                ShotJson.parse(app.get("/api/shots/" + desk.shotId())).getJsonObject("shot"));
    }

    @Test
    void footageInLettersAndAWindowAreRightToThePixel() throws Exception {
        Path rain;
        try (Workers workers = Workers.everyCore()) {
            Path made = Plates.file("rain-on-window", App.madePlates(), workers, System.err::println);
            rain = Files.copy(made, folder.resolve("rain.mp4"), StandardCopyOption.REPLACE_EXISTING);
        }
        try (App app = new App(false);
                Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Last Tram to Orrin Hill");
            desk.newShot("Opening", W, H, "36");
            desk.bring(CAMERA, rain);
            footageInLetters(app, desk, rain);
            desk.openProjects();
            desk.newShot("Line 9", W, H, "48");
            window(app, desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** J1: words that grow are filled with rain that keeps its size, over the platform. */
    private void footageInLetters(App app, Desk desk, Path rain) {
        desk.addMedia("vtest.avi");
        desk.addMedia("rain.mp4");
        desk.add("Text");
        desk.words("LAST\nTRAM");
        desk.number("Size", "1080/4");
        desk.section("Place");
        desk.frame(24);
        desk.key("Scale");
        desk.frame(2);
        desk.number("Scale across", "50");
        desk.layer("rain");
        desk.section("Cut");
        desk.choose("Cut by", "LAST TRAM");
        Shot shot = shot(app, desk);
        assertThat(shot.layer(id(shot, "LAST TRAM"))
                        .orElseThrow()
                        .place()
                        .scale()
                        .keys())
                .hasSize(2);
        Path film = desk.render(folder.resolve("opening.mp4"));
        assertThat(Pictures.probe(film))
                .contains("codec_name=h264", "pix_fmt=yuv420p", "color_space=bt709", "nb_read_frames=36", "width=768");
        for (long n : new long[] {0, 13, 35}) {
            byte[] ours = Pictures.rgb(film, n, W, H);
            byte[] below = Pictures.rgb(CAMERA, cameraFrame(n), W, H);
            byte[] inside = Pictures.middle(Pictures.rgb(rain, n, 1920, 1080), 1920, 1080, W, H);
            Picture word = alone(shot, id(shot, "LAST TRAM"), n);
            BiPredicate<Integer, Integer> letters = (x, y) -> eroded(word, x, y, 1);
            BiPredicate<Integer, Integer> ground = (x, y) -> eroded(word, x, y, 0);
            assertThat(Pictures.psnr(ours, inside, W, H, letters))
                    .as("inside, frame %d", n)
                    .isGreaterThan(38);
            assertThat(Pictures.psnr(ours, below, W, H, ground))
                    .as("outside, frame %d", n)
                    .isGreaterThan(38);
        }
    }

    /** J5: a line rises into a fixed window and is seen only inside it. */
    private void window(App app, Desk desk) {
        desk.addMedia("vtest.avi");
        desk.add("One colour");
        desk.page.getByLabel("Name of the layer").fill("window");
        desk.page.getByLabel("Name of the layer").press("Enter");
        desk.number("Size across", "700");
        desk.number("Size down", "200");
        desk.add("Text");
        desk.words("LINE 9");
        desk.number("Size", "200");
        desk.section("Place");
        desk.frame(30);
        desk.key("Position");
        desk.frame(10);
        desk.number("Position down", "288+190");
        desk.section("Cut");
        desk.choose("Cut by", "window");
        Shot shot = shot(app, desk);
        String word = id(shot, "LINE 9");
        Path film = desk.render(folder.resolve("line.mp4"));
        assertThat(Pictures.probe(film)).contains("nb_read_frames=48");
        BiPredicate<Integer, Integer> everywhere = (x, y) -> true;
        for (long n : new long[] {0, 5, 10}) {
            assertThat(visible(alone(shot, word, n)))
                    .as("before the arrival, frame %d", n)
                    .isZero();
            byte[] ours = Pictures.rgb(film, n, W, H);
            assertThat(Pictures.psnr(ours, Pictures.rgb(CAMERA, cameraFrame(n), W, H), W, H, everywhere))
                    .isGreaterThan(38);
        }
        Shot free = shot.changing(word, l -> l.withCut(Optional.empty()));
        for (long n : new long[] {30, 47}) {
            Picture whole = alone(free, word, n);
            assertThat(visible(alone(shot, word, n))).as("all of it at rest").isEqualTo(visible(whole));
            byte[] white = new byte[W * H * 3];
            java.util.Arrays.fill(white, (byte) 255);
            byte[] ours = Pictures.rgb(film, n, W, H);
            assertThat(Pictures.psnr(ours, white, W, H, (x, y) -> eroded(whole, x, y, 1)))
                    .isGreaterThan(38);
        }
        double half = visible(alone(shot, word, 14));
        assertThat(half).isPositive().isLessThan(visible(alone(shot, word, 47)));
    }

    private static double visible(Picture p) {
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }
}
