package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.picture.Picture;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.media.plates.Plates;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.KeyboardModifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.IntToDoubleFunction;
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

    private static String id(Shot shot, String name) {
        return shot.everyLayer().stream()
                .filter(l -> l.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    void footageInLettersAndAWindowAreRightToThePixel() throws Exception {
        Path made = Plates.file("rain-on-window", App.madePlates(), System.err::println);
        Path rain = Files.copy(made, folder.resolve("rain.mp4"), StandardCopyOption.REPLACE_EXISTING);
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Last Tram to Orrin Hill");
            desk.newShot("Opening", W, H, "36");
            desk.bring(CAMERA, rain);
            footageInLetters(desk, rain);
            desk.openProjects();
            desk.newShot("Line 9", W, H, "48");
            window(desk);
            desk.openProjects();
            desk.newShot("Takes", W, H, "36");
            takes(desk, rain);
            desk.openProjects();
            desk.newShot("Changes", W, H, "72");
            changes(desk, rain);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** J1: words that grow are filled with rain that keeps its size, over the platform. */
    private void footageInLetters(Desk desk, Path rain) {
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
        Shot shot = desk.shot();
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
            Picture word = Truth.alone(shot, id(shot, "LAST TRAM"), n);
            BiPredicate<Integer, Integer> letters = (x, y) -> Truth.eroded(word, x, y, 1);
            BiPredicate<Integer, Integer> ground = (x, y) -> Truth.eroded(word, x, y, 0);
            assertThat(Pictures.psnr(ours, inside, W, H, letters))
                    .as("inside, frame %d", n)
                    .isGreaterThan(38);
            assertThat(Pictures.psnr(ours, below, W, H, ground))
                    .as("outside, frame %d", n)
                    .isGreaterThan(38);
        }
    }

    /** J5: a line rises into a fixed window and is seen only inside it. */
    private void window(Desk desk) {
        desk.addMedia("vtest.avi");
        desk.add("One colour");
        desk.named("window");
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
        Shot shot = desk.shot();
        String word = id(shot, "LINE 9");
        Path film = desk.render(folder.resolve("line.mp4"));
        assertThat(Pictures.probe(film)).contains("nb_read_frames=48");
        BiPredicate<Integer, Integer> everywhere = (x, y) -> true;
        for (long n : new long[] {0, 5, 10}) {
            assertThat(visible(Truth.alone(shot, word, n)))
                    .as("before the arrival, frame %d", n)
                    .isZero();
            byte[] ours = Pictures.rgb(film, n, W, H);
            assertThat(Pictures.psnr(ours, Pictures.rgb(CAMERA, cameraFrame(n), W, H), W, H, everywhere))
                    .isGreaterThan(38);
        }
        Shot free = shot.changing(word, l -> l.withCut(Optional.empty()));
        for (long n : new long[] {30, 47}) {
            Picture whole = Truth.alone(free, word, n);
            assertThat(visible(Truth.alone(shot, word, n)))
                    .as("all of it at rest")
                    .isEqualTo(visible(whole));
            byte[] white = new byte[W * H * 3];
            java.util.Arrays.fill(white, (byte) 255);
            byte[] ours = Pictures.rgb(film, n, W, H);
            assertThat(Pictures.psnr(ours, white, W, H, (x, y) -> Truth.eroded(whole, x, y, 1)))
                    .isGreaterThan(38);
        }
        double half = visible(Truth.alone(shot, word, 14));
        assertThat(half).isPositive().isLessThan(visible(Truth.alone(shot, word, 47)));
    }

    private static void spanned(Desk desk, int first, int length) {
        desk.section("Time");
        desk.number("First frame", Integer.toString(first));
        desk.number("Length of the layer", Integer.toString(length));
    }

    private static void rainCutBy(Desk desk, String name, int first, String cutter) {
        desk.addMedia("rain.mp4");
        desk.named(name);
        spanned(desk, first, 12);
        desk.section("Cut");
        desk.choose("Cut by", cutter);
    }

    /**
     * J1: the words grow alone, words and rain grow together, and the rain is a child of the words; all three from one group
     * of words, whose change reaches all of them.
     */
    private void takes(Desk desk, Path rain) {
        desk.addMedia("vtest.avi");
        desk.section("Look");
        desk.add("Text");
        desk.words("LAST\nTRAM");
        desk.number("Size", "270");
        desk.menu("LAST TRAM", "Group");
        desk.named("words");
        desk.menu("words", "Use the group again");
        desk.named("second");
        desk.menu("words", "Use the group again");
        desk.named("third");
        rainCutBy(desk, "rain 1", 0, "words");
        rainCutBy(desk, "rain 2", 12, "second");
        rainCutBy(desk, "rain 3", 24, "third");
        desk.layer("words");
        desk.section("Place");
        desk.keyed("Scale", "Scale across", 0, "50", 11, "100", "linear");
        desk.layer("third");
        desk.keyed("Scale", "Scale across", 24, "50", 35, "100", "linear");
        desk.layer("rain 3");
        desk.frame(35);
        desk.choose("Parent", "third");
        desk.page.getByTestId("row-rain 2").click();
        desk.page
                .getByTestId("row-second")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        desk.press("g");
        desk.named("together");
        desk.section("Place");
        desk.keyed("Scale", "Scale across", 12, "50", 23, "100", "linear");
        grown(desk, rain, "LAST TRAM");
        desk.menu("words", "Open the group");
        desk.layer("LAST TRAM");
        desk.section("Look");
        desk.words("LINE\nNINE");
        grown(desk, rain, "LINE NINE");
    }

    private void grown(Desk desk, Path rain, String word) {
        Path film = desk.render(folder.resolve(word + ".mp4"));
        Shot shot = desk.shot();
        String[] words = {"words", "second", "third"};
        Picture own = Truth.alone(shot, id(shot, word), 11);
        for (int take = 0; take < 3; take++) {
            for (int n : new int[] {12 * take, 12 * take + 11}) {
                Picture letters = Truth.alone(shot, id(shot, words[take]), n);
                boolean small = n % 12 == 0;
                if (!small) {
                    assertThat(visible(letters)).as("the words of the group").isCloseTo(visible(own), within(1.0));
                }
                // In the second and the third take the rain is half as large as well.
                byte[] inside = small && take > 0
                        ? Pictures.middle(Pictures.rgb(rain, n - 12 * take, 960, 540), 960, 540, W, H)
                        : Pictures.middle(Pictures.rgb(rain, n - 12 * take, 1920, 1080), 1920, 1080, W, H);
                byte[] ours = Pictures.rgb(film, n, W, H);
                assertThat(Pictures.psnr(ours, inside, W, H, (x, y) -> Truth.eroded(letters, x, y, 1)))
                        .as("%s inside, frame %d", word, n)
                        .isGreaterThan(small && take > 0 ? 33 : 38);
                byte[] below = Pictures.rgb(CAMERA, cameraFrame(n), W, H);
                assertThat(Pictures.psnr(ours, below, W, H, (x, y) -> Truth.eroded(letters, x, y, 0)))
                        .as("%s outside, frame %d", word, n)
                        .isGreaterThan(38);
            }
        }
    }

    /**
     * J1: from the whole plate to the plate in letters by a dissolve of two seconds with an ease of its own; the plate around
     * them loses its colour and light; then another plate comes into the same letters by a wipe upwards.
     */
    private void changes(Desk desk, Path rain) {
        desk.addMedia("vtest.avi");
        desk.section("Look");
        for (String[] layer : new String[][] {
            {"Linear gradient", "ArrowUp", "5", "SATURATION"}, {"Radial gradient", "ArrowDown", "1", "MULTIPLY"}
        }) {
            desk.add(layer[0]);
            desk.section("Blend");
            desk.page
                    .locator(".ant-select:has([aria-label='Blend mode']), .ant-select[aria-label='Blend mode']")
                    .first()
                    .click();
            // From the first mode round to the last ones, or on.
            for (int i = 0; i < Integer.parseInt(layer[2]); i++) {
                desk.page.keyboard().press(layer[1]);
            }
            desk.page.keyboard().press("Enter");
            desk.saved();
            assertThat(desk.find(layer[0]).blend()).isEqualTo(BlendMode.valueOf(layer[3]));
            desk.keyed("Opacity", "Opacity", 30, "0", 40, "100", "linear");
        }
        desk.section("Look");
        desk.add("Text");
        desk.words("LAST\nTRAM");
        desk.number("Size", "270");
        desk.addMedia("rain.mp4");
        desk.section("Cut");
        desk.choose("Cut by", "LAST TRAM");
        desk.addMedia("vtest.avi");
        desk.named("other");
        desk.choose("Cut by", "LAST TRAM");
        spanned(desk, 50, 22);
        desk.stance("Arrive");
        desk.opening("wipe");
        desk.number("Towards", "-90");
        desk.number("Length of the arrival", "12");
        desk.stance("Rest");
        desk.addMedia("rain.mp4");
        desk.named("full");
        desk.section("Blend");
        desk.keyed("Opacity", "Opacity", 0, "100", 48, "0", "ease in");
        Path film = desk.render(folder.resolve("changes.mp4"));
        Shot shot = desk.shot();
        // The clip that is wiped isn't at hand here; where the words are it says nothing about.
        Shot unwiped = shot.changing(id(shot, "other"), l -> l.withArrive(Optional.empty()));
        Picture word = Truth.alone(unwiped, id(shot, "LAST TRAM"), 0);
        BiPredicate<Integer, Integer> letters = (x, y) -> Truth.eroded(word, x, y, 1);
        BiPredicate<Integer, Integer> ground = (x, y) -> Truth.eroded(word, x, y, 0);
        byte[] start = Pictures.rgb(film, 0, W, H);
        assertThat(Pictures.psnr(start, rained(rain, 0), W, H, (x, y) -> true)).isGreaterThan(38);
        double share = new Moment(shot, 24).of(id(shot, "full")).opacity();
        assertThat(share).as("eased in").isBetween(0.55, 0.95);
        byte[] half = Pictures.rgb(film, 24, W, H);
        byte[] mixed = mixed(rained(rain, 24), Pictures.rgb(CAMERA, cameraFrame(24), W, H), share);
        assertThat(Pictures.psnr(half, mixed, W, H, ground)).isGreaterThan(36);
        assertThat(Pictures.psnr(half, rained(rain, 24), W, H, letters)).isGreaterThan(38);
        byte[] apart = Pictures.rgb(film, 48, W, H);
        byte[] camera = Pictures.rgb(CAMERA, cameraFrame(48), W, H);
        assertThat(Pictures.psnr(apart, rained(rain, 48), W, H, letters)).isGreaterThan(38);
        assertThat(colour(apart, ground)).as("colour around the letters").isLessThan(2);
        assertThat(colour(camera, ground)).isGreaterThan(5);
        assertThat(light(apart, ground)).isLessThan(light(camera, ground) * 0.7);
        byte[] wiping = Pictures.rgb(film, 56, W, H);
        byte[] other = Pictures.rgb(CAMERA, cameraFrame(6), W, H);
        assertThat(Pictures.psnr(wiping, other, W, H, (x, y) -> y > H * 0.75 && letters.test(x, y)))
                .as("the lower line is wiped")
                .isGreaterThan(36);
        assertThat(Pictures.psnr(wiping, rained(rain, 56), W, H, (x, y) -> y < H * 0.3 && letters.test(x, y)))
                .as("the upper one not yet")
                .isGreaterThan(38);
        byte[] end = Pictures.rgb(film, 71, W, H);
        assertThat(Pictures.psnr(end, Pictures.rgb(CAMERA, cameraFrame(21), W, H), W, H, letters))
                .isGreaterThan(36);
    }

    private static byte[] rained(Path rain, long n) {
        return Pictures.middle(Pictures.rgb(rain, n, 1920, 1080), 1920, 1080, W, H);
    }

    private static byte[] mixed(byte[] a, byte[] b, double share) {
        byte[] out = new byte[a.length];
        for (int i = 0; i < a.length; i++) {
            out[i] = (byte) Math.round((a[i] & 0xff) * share + (b[i] & 0xff) * (1 - share));
        }
        return out;
    }

    /** How far red and blue are from green, on the average. */
    private static double colour(byte[] rgb, BiPredicate<Integer, Integer> where) {
        return mean(
                where,
                i -> (Math.abs((rgb[i] & 0xff) - (rgb[i + 1] & 0xff))
                                + Math.abs((rgb[i + 2] & 0xff) - (rgb[i + 1] & 0xff)))
                        / 2.0);
    }

    private static double light(byte[] rgb, BiPredicate<Integer, Integer> where) {
        return mean(where, i -> rgb[i + 1] & 0xff);
    }

    private static double mean(BiPredicate<Integer, Integer> where, IntToDoubleFunction of) {
        double sum = 0;
        int count = 0;
        for (int y = 0; y < H; y += 2) {
            for (int x = 0; x < W; x += 2) {
                if (where.test(x, y)) {
                    sum += of.applyAsDouble((y * W + x) * 3);
                    count++;
                }
            }
        }
        return sum / count;
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
