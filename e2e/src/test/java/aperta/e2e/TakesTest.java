package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.media.plates.Plates;
import aperta.media.plates.Platform;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.function.IntBinaryOperator;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** Words that are entered, seen through, cut and uncovered (J2 to J6): made in the browser, checked on decoded films. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class TakesTest {
    private static final int W = 640;
    private static final int H = 360;
    /** What coding leaves of 255 levels where a picture is flat. */
    private static final double CODED = 5;

    @TempDir
    Path folder;

    private Browser browser;
    private Desk desk;
    private int films;

    @BeforeAll
    void start() {
        browser = new Browser();
        desk = new Desk(App.shared(), browser.page());
        desk.openProjects();
        desk.newProject("Orrin Hill");
    }

    @BeforeEach
    void projects() {
        desk.openProjects();
    }

    @AfterEach
    void nothingWentWrong() {
        assertThat(browser.errors).isEmpty();
    }

    @AfterAll
    void end() {
        browser.close();
    }

    private DecodedFilm film() {
        return new DecodedFilm(desk.render(folder.resolve("film" + films++ + ".mp4")), W, H);
    }

    private void shot(String name, int frames) {
        // Words are typed in the look of the last ones, which were another take's.
        desk.page.evaluate("() => localStorage.removeItem('aperta.letters')");
        desk.newShot(name, W, H, Integer.toString(frames));
    }

    private void says(String text) {
        desk.page.getByText(text, new Page.GetByTextOptions().setExact(true)).click();
        desk.saved();
    }

    /** The middle of the widest white piece of a letter on a row. */
    private static int stem(Picture word, int y) {
        int best = 0;
        int middle = 0;
        int run = 0;
        for (int x = 0; x < W; x++) {
            run = word.at(x, y)[0] > 0.99f ? run + 1 : 0;
            if (run > best) {
                best = run;
                middle = x - run / 2;
            }
        }
        return middle;
    }

    private String id(String layer) {
        return desk.find(layer).id();
    }

    /** Puts the anchor of the chosen layer into a letter, so that it is scaled about that place. */
    private int anchorInLetter(String word) {
        int x = stem(Truth.alone(desk.shot(), id(word), 0), H / 2);
        desk.section("Place");
        desk.link("Put the anchor elsewhere");
        double[] at = desk.at(x + 0.5, H / 2.0, W);
        desk.page.mouse().click(at[0], at[1]);
        desk.saved();
        desk.press("Escape");
        return x;
    }

    /** How much of the plate's colour (#2f6f62) a pixel has, on black. */
    private static double plate(DecodedFilm f, int frame, int x, int y) {
        return (f.at(frame, x, y, 0) * 0x2f + f.at(frame, x, y, 1) * 0x6f + f.at(frame, x, y, 2) * 0x62)
                / (double) (0x2f * 0x2f + 0x6f * 0x6f + 0x62 * 0x62);
    }

    private static double plates(DecodedFilm f, int frame) {
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += plate(f, frame, x, y);
            }
        }
        return sum / (W * H);
    }

    /** J2: on frame 0 all is covered, edges stay sharp at any scale, and both takes together are the whole plate. */
    @Test
    void throughTheLetter() {
        shot("Through", 24);
        desk.add("One colour");
        desk.add("Text");
        desk.words("TRAM");
        anchorInLetter("TRAM");
        desk.keyed("Scale", "Scale across", 0, "9000", 20, "100", "ease out");
        desk.layer("Colour");
        desk.section("Cut");
        desk.choose("Cut by", "TRAM");
        DecodedFilm inside = film();
        says("outside");
        DecodedFilm outside = film();
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                assertThat(plate(inside, 0, x, y)).isCloseTo(1, within(0.06));
                assertThat(plate(outside, 0, x, y)).isCloseTo(0, within(0.06));
            }
        }
        double[] letters = {plates(inside, 12), plates(inside, 23)};
        assertThat(letters[1]).isBetween(0.02, 0.4);
        assertThat(plates(outside, 23)).isCloseTo(1 - letters[1], within(0.005));
        assertThat(plates(outside, 12)).isCloseTo(1 - letters[0], within(0.005));
        Shot shot = desk.shot();
        for (int n : new int[] {6, 12, 18}) {
            assertThat(new Moment(shot, n).of(id("TRAM")).toShot().meanScale()).isGreaterThan(1.01);
            assertThat(softest(inside, n))
                    .as("pixels that an edge takes on frame %d", n)
                    .isLessThan(5);
        }
    }

    /** The longest way along the middle row that is neither letter nor ground. */
    private static int softest(DecodedFilm f, int frame) {
        int most = 0;
        int run = 0;
        for (int x = 0; x < W; x++) {
            double p = plate(f, frame, x, H / 2);
            run = p > 0.12 && p < 0.88 ? run + 1 : 0;
            most = Math.max(most, run);
        }
        return most;
    }

    /** J3: the fill fades evenly while the edge stays, and the word flies past through one letter. */
    @Test
    void translucent() {
        shot("Glass", 28);
        desk.add("One colour");
        desk.add("Text");
        desk.words("TRAM");
        desk.number("Size", "150");
        desk.number("Edge width", "8");
        int x = anchorInLetter("TRAM");
        desk.keyed("Scale", "Scale across", 17, "100", 26, "20000", "ease in");
        desk.section("Look");
        desk.keyed("Fill opacity", "Fill opacity", 4, "100", 12, "0", "linear");
        DecodedFilm f = film();
        int edge = farthest(f, 14);
        for (int n = 4; n <= 12; n++) {
            double even = 0x6f + (255 - 0x6f) * (12 - n) / 8.0;
            assertThat((double) f.at(n, x, H / 2, 1)).as("fill on frame %d", n).isCloseTo(even, within(CODED));
        }
        assertThat(Math.abs(f.at(14, edge, H / 2, 1) - 0x6f)).isGreaterThan(80);
        for (int n = 0; n <= 17; n++) {
            assertThat((double) f.at(n, edge, H / 2, 1))
                    .as("edge on frame %d", n)
                    .isCloseTo(f.at(14, edge, H / 2, 1), within(2 * CODED));
        }
        BufferedImage past = desk.picture(27);
        for (int y = 0; y < H; y++) {
            for (int at = 0; at < W; at++) {
                assertThat((past.getRGB(at, y) >> 8 & 0xff) - 0x6f)
                        .as("flown past")
                        .isBetween(-1, 1);
                // The frame before was full of moving edges, of which the coding leaves a trace.
                assertThat((double) f.at(27, at, y, 1)).as("flown past").isCloseTo(0x6f, within(4 * CODED));
            }
        }
    }

    /** Where the middle row differs most from the plate. */
    private static int farthest(DecodedFilm f, int frame) {
        int best = 0;
        for (int x = 1; x < W; x++) {
            int off = Math.abs(f.at(frame, x, H / 2, 1) - 0x6f);
            best = off > Math.abs(f.at(frame, best, H / 2, 1) - 0x6f) ? x : best;
        }
        return best;
    }

    /** A picture of the size of the shot, as a layer. */
    private void still(IntBinaryOperator grey, String name) throws IOException {
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                image.setRGB(x, y, grey.applyAsInt(x, y) * 0x10101);
            }
        }
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        desk.bring(file);
        desk.addMedia(name);
    }

    /** J4: a wood grain as a luma matte, its contrast set by a curve. */
    @Test
    void grainAsMatte() throws IOException {
        shot("Grain", 6);
        IntBinaryOperator grain = (x, y) -> {
            double ring = Math.hypot(x - 900 + 30 * Math.sin(y / 40.0), (y - 150) * 3) / 22;
            return (int) Math.round(127.5 + 110 * Math.sin(ring));
        };
        still(grain, "wood grain.png");
        desk.add("One colour");
        desk.section("Cut");
        desk.choose("Cut by", "wood grain");
        says("brightness");
        desk.page.getByText("The matte that is taken from it").click();
        var graph = desk.page.getByTestId("tone-curve").boundingBox();
        double[] press = {graph.x + graph.width * 0.6, graph.y + graph.height * 0.7};
        desk.drag(press, new double[] {press[0] - 20, press[1] + 8});
        ToneCurve curve = desk.find("Colour").cut().orElseThrow().tone().curve();
        assertThat(curve.points()).hasSize(3);
        assertThat(curve.at(0.5)).isLessThan(0.45);
        DecodedFilm f = film();
        for (int y = 4; y + 8 < H; y += 16) {
            for (int x = 4; x + 8 < W; x += 16) {
                double wanted = 0;
                double seen = 0;
                for (int i = 0; i < 64; i++) {
                    wanted += curve.at(grain.applyAsInt(x + i % 8, y + i / 8) / 255.0) / 64;
                    seen += plate(f, 3, x + i % 8, y + i / 8) / 64;
                }
                assertThat(seen).as("at %d, %d", x, y).isCloseTo(wanted, within(0.035));
            }
        }
    }

    /** J4: the cutter moves without what it cuts, the other way round, and both together through a parent. */
    @Test
    void whatMovesAndWhatDoesNot() throws IOException {
        shot("Moves", 13);
        still((x, y) -> 20 + x / 3, "ramp.png");
        desk.add("Text");
        desk.words("TRAM");
        desk.number("Size", "130");
        desk.layer("ramp");
        desk.section("Cut");
        desk.choose("Cut by", "TRAM");
        desk.layer("TRAM");
        desk.section("Place");
        desk.keyed("Position", "Position across", 0, "250", 12, "390", "linear");
        moved(film(), 140, 0);
        desk.layer("ramp");
        desk.section("Place");
        desk.frame(0);
        desk.choose("Parent", "TRAM");
        moved(film(), 140, 140);
        desk.choose("Parent", "none");
        desk.layer("TRAM");
        desk.frame(12);
        desk.number("Position across", "250");
        desk.layer("ramp");
        desk.keyed("Position", "Position across", 0, "320", 12, "380", "linear");
        moved(film(), 0, 60);
    }

    /** The word, and the ramp in it, have gone so far from frame 0 to frame 12. */
    private void moved(DecodedFilm f, int word, int picture) {
        Shot shot = desk.shot();
        Picture first = Truth.alone(shot, id("TRAM"), 0);
        int compared = 0;
        for (int n : new int[] {0, 6, 12}) {
            Picture letters = Truth.alone(shot, id("TRAM"), n);
            for (int y = 100; y < 260; y += 3) {
                for (int x = 20; x < W - 20; x += 3) {
                    int by = word * n / 12;
                    if (Truth.eroded(letters, x, y, 1)) {
                        assertThat(first.at(x - by, y)[3])
                                .as("the word has gone %d", by)
                                .isEqualTo(1);
                        double own = 20 + (x - picture * n / 12.0) / 3;
                        assertThat((double) f.at(n, x, y, 1)).isCloseTo(own, within(CODED));
                        compared++;
                    } else if (Truth.eroded(letters, x, y, 0)) {
                        assertThat(f.at(n, x, y, 1)).isLessThan(8);
                    }
                }
            }
        }
        assertThat(compared).isGreaterThan(900);
    }

    /** J5: a second line follows into the window when the first has settled, with the same look. */
    @Test
    void aSecondLineFollows() {
        shot("Window", 36);
        desk.add("One colour");
        desk.named("window");
        desk.number("Size across", "500");
        desk.number("Size down", "200");
        desk.add("Text");
        desk.words("LINE 9");
        desk.number("Size", "70");
        desk.section("Place");
        desk.number("Position down", "140");
        desk.section("Cut");
        desk.choose("Cut by", "window");
        desk.stance("Arrive");
        desk.link("Come from a pose");
        desk.number("Length of the arrival", "12");
        desk.number("Shifted down", "190");
        desk.stance("Rest");
        desk.section("Look");
        desk.add("Text");
        desk.words("ORRIN");
        desk.section("Place");
        desk.number("Position down", "225");
        desk.menu("LINE 9", "Copy or remove parts of its look…");
        for (String part : new String[] {"cut", "arrival", "look of the letters"}) {
            desk.page
                    .getByLabel(part, new Page.GetByLabelOptions().setExact(true))
                    .check();
        }
        desk.choose("Layers to copy to", "ORRIN");
        desk.link("Copy");
        desk.layer("ORRIN");
        desk.stance("Arrive");
        desk.number("Delay of the arrival", "14");
        desk.stance("Rest");
        assertThat(desk.find("ORRIN").cut()).isEqualTo(desk.find("LINE 9").cut());
        DecodedFilm f = film();
        double[] full = {ink("LINE 9"), ink("ORRIN")};
        double[] before = new double[2];
        for (int n = 0; n < 36; n++) {
            // The window is 500 by 200, in the middle of the frame.
            double outside = f.white(n, 0, 0, W, 78) + f.white(n, 0, 282, W, H) + f.white(n, 0, 0, 68, H);
            assertThat(outside).as("seen only in the window, frame %d", n).isLessThan(0.01);
            double all = f.white(n);
            if (n <= 12) {
                assertThat(all).as("the first line only, frame %d", n).isBetween(before[0] - 30, full[0] * 1.01 + 10);
                before[0] = all;
            } else {
                assertThat(all).isBetween(Math.max(full[0] * 0.99, before[1] - 30), (full[0] + full[1]) * 1.01);
                before[1] = all;
            }
        }
        assertThat(f.white(0)).isLessThan(full[0] * 0.01);
        assertThat(f.white(13)).as("the first has settled").isCloseTo(full[0], within(full[0] * 0.01));
        assertThat(f.white(35)).isCloseTo(full[0] + full[1], within((full[0] + full[1]) * 0.01));
    }

    /** White pixels of a text at rest. */
    private double ink(String word) {
        Picture p =
                Truth.alone(desk.shot().changing(id(word), l -> l.withCut(java.util.Optional.empty())), id(word), 35);
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    /** J5: two words part from behind an invisible edge in the middle, one up, one down. */
    @Test
    void twoWordsPart() {
        shot("Part", 24);
        String[][] words = {{"LAST", "130", "bottom"}, {"TRAM", "230", "top"}};
        for (String[] word : words) {
            desk.add("Text");
            desk.words(word[0]);
            desk.section("Place");
            desk.number("Position down", word[1]);
            desk.stance("Arrive");
            desk.opening("slide");
            desk.choose("From", word[2]);
            desk.number("Length of the arrival", "16");
            desk.stance("Rest");
            desk.section("Look");
        }
        DecodedFilm f = film();
        Picture[] whole = new Picture[2];
        for (int i = 0; i < 2; i++) {
            whole[i] = Truth.alone(desk.shot(), id(words[i][0]), 23);
        }
        int bottom = last(whole[0]);
        int top = first(whole[1]);
        assertThat(top).isGreaterThan(bottom + 4);
        double full = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                full += whole[0].at(x, y)[3] + whole[1].at(x, y)[3];
            }
        }
        double before = 0;
        for (int n = 0; n < 24; n++) {
            assertThat(f.white(n, 0, bottom + 3, W, top - 2))
                    .as("between the edges, frame %d", n)
                    .isLessThan(0.02);
            double now = f.white(n);
            assertThat(now).as("never less than before").isGreaterThan(before - full * 0.02);
            before = now;
        }
        assertThat(f.white(0)).isLessThan(full * 0.01);
        assertThat(f.white(5, 0, 0, W, bottom + 3) / f.white(5, 0, top - 2, W, H))
                .isBetween(0.3, 3.0);
        assertThat(f.white(23)).isCloseTo(full, within(full * 0.01));
    }

    private static int last(Picture p) {
        int found = 0;
        for (int y = 0; y < H; y++) {
            found = inked(p, y) ? y : found;
        }
        return found;
    }

    private static int first(Picture p) {
        int y = 0;
        while (!inked(p, y)) {
            y++;
        }
        return y;
    }

    private static boolean inked(Picture p, int y) {
        for (int x = 0; x < W; x++) {
            if (p.at(x, y)[3] > 0.02f) {
                return true;
            }
        }
        return false;
    }

    /** J6: a word slides out from behind a soft edge that isn't seen, and lands gently. */
    @Test
    void fromBehindASoftEdge() {
        shot("Edge", 30);
        desk.add("One colour");
        desk.named("edge");
        desk.number("Size across", "320");
        desk.section("Place");
        desk.number("Position across", "160");
        desk.section("Look");
        desk.add("Text");
        desk.words("ORRIN");
        desk.section("Place");
        desk.keyed("Position", "Position across", 2, "160", 26, "480", "ease out");
        desk.section("Cut");
        desk.choose("Cut by", "edge");
        says("outside");
        desk.page.getByText("The matte that is taken from it").click();
        desk.number("Blur", "10");
        DecodedFilm f = film();
        Shot shot = desk.shot();
        Shot free = shot.changing(id("ORRIN"), l -> l.withCut(java.util.Optional.empty()));
        int right = 0;
        int step = W;
        int compared = 0;
        for (int n = 0; n < 30; n++) {
            assertThat(f.white(n, 0, 0, 320 - 40, H))
                    .as("nothing behind the edge, frame %d", n)
                    .isLessThan(0.004);
            Picture word = Truth.alone(free, id("ORRIN"), n);
            for (int x = 290; x < 350; x++) {
                for (int y = 150; y < 210; y += 2) {
                    if (Truth.eroded(word, x, y, 1)) {
                        double wanted = 0.5 * (1 + erf((x + 0.5 - 320) / 10 / Math.sqrt(2)));
                        assertThat(f.at(n, x, y, 1) / 255.0).isCloseTo(wanted, within(0.05));
                        compared++;
                    }
                }
            }
            int now = rightmost(f, n);
            if (n > 12 && n <= 26) {
                assertThat(now - right).as("ever slower, frame %d", n).isBetween(0, step + 1);
                step = now - right;
            }
            right = now;
        }
        assertThat(compared).isGreaterThan(500);
        assertThat(step).isLessThan(3);
        Picture rest = Truth.alone(free, id("ORRIN"), 29);
        for (int x = 360; x < W; x++) {
            for (int y = 0; y < H; y++) {
                if (Truth.eroded(rest, x, y, 1)) {
                    assertThat(f.at(29, x, y, 1)).as("complete at rest").isGreaterThan(249);
                }
            }
        }
    }

    private static int rightmost(DecodedFilm f, int frame) {
        for (int x = W - 1; x > 0; x--) {
            for (int y = 150; y < 210; y++) {
                if (f.at(frame, x, y, 1) > 127) {
                    return x;
                }
            }
        }
        return 0;
    }

    /** Abramowitz and Stegun, 7.1.26: within 1.5·10⁻⁷. */
    private static double erf(double x) {
        double t = 1 / (1 + 0.3275911 * Math.abs(x));
        double y = 1
                - (((((1.061405429 * t - 1.453152027) * t) + 1.421413741) * t - 0.284496736) * t + 0.254829592)
                        * t
                        * Math.exp(-x * x);
        return Math.copySign(y, x);
    }

    /** J6: a word rises from behind the hill of the plate, whose line its mask follows by hand while the camera drifts. */
    @Test
    void fromBehindTheHill() throws IOException {
        Path plate = folder.resolve("platform.mp4");
        Files.copy(
                Plates.file("platform", App.madePlates(), System.err::println),
                plate,
                StandardCopyOption.REPLACE_EXISTING);
        shot("Hill", 25);
        desk.bring(plate);
        desk.addMedia("platform.mp4");
        desk.section("Place");
        desk.number("Scale across", "36");
        desk.keyed("Position", "Position across", 0, "320", 24, "296", "linear");
        DecodedFilm bare = film();
        desk.section("Look");
        desk.add("Text");
        desk.words("HILL");
        desk.number("Size", "60");
        desk.section("Place");
        desk.number("Position across", "512");
        desk.keyed("Position", "Position down", 2, "170", 20, "70", "ease out");
        desk.section("Cut");
        followTheHill();
        DecodedFilm f = film();
        Shot shot = desk.shot();
        double seen = 0;
        double whole = 0;
        Picture rest = Truth.alone(shot.changing(id("HILL"), l -> l.withMasks(java.util.List.of())), id("HILL"), 24);
        for (int n = 0; n <= 24; n++) {
            for (int x = 440; x < 590; x++) {
                int crest = (int) crest(shot, n, x);
                for (int y = crest + 4; y < 220; y++) {
                    assertThat(Math.abs(f.at(n, x, y, 1) - bare.at(n, x, y, 1)))
                            .as("the plate below the hill's line, frame %d at %d, %d", n, x, y)
                            .isLessThan(40);
                }
                for (int y = 0; n == 24 && y < crest - 4; y++) {
                    seen += Math.max(0, f.at(n, x, y, 1) - bare.at(n, x, y, 1)) / (255.0 - bare.at(n, x, y, 1));
                    whole += rest.at(x, y)[3];
                }
            }
        }
        assertThat(seen).as("complete above it at rest").isCloseTo(whole, within(whole * 0.03));
        assertThat(whole).isGreaterThan(1500);
    }

    /** A mask point by point along the hill, up to the sky, keyed on the first frame and the last. */
    private void followTheHill() {
        desk.frame(0);
        desk.button("Point by point").click();
        Shot shot = desk.shot();
        for (int x = 420; x <= 620; x += 10) {
            double[] at = desk.at(x, crest(shot, 0, x), W);
            desk.page.mouse().click(at[0], at[1]);
        }
        for (int x : new int[] {620, 420}) {
            double[] at = desk.at(x, 4, W);
            desk.page.mouse().click(at[0], at[1]);
        }
        desk.press("Enter");
        desk.choose("What Mask 1 goes with", "stays in the frame");
        desk.key("Path");
        desk.frame(24);
        double[] middle = desk.middle("mask-middle");
        double zoom = desk.at(1, 0, W)[0] - desk.at(0, 0, W)[0];
        desk.drag(middle, new double[] {middle[0] - 24 * zoom, middle[1]});
        desk.press("Escape", "Control+a");
        desk.choose("Ease", "linear");
        desk.press("Escape");
        var path = desk.find("HILL").masks().get(0).path();
        assertThat(path.keys()).hasSize(2);
        Point first = path.at(0, BezierPath.MIX).knots().get(0).at();
        assertThat(path.at(24, BezierPath.MIX).knots().get(0).at().x() - first.x())
                .isCloseTo(-24, within(1.0));
    }

    /** Where the hill's line is on a frame, in pixels of the shot. */
    private double crest(Shot shot, long frame, double x) {
        var map = new Moment(shot, frame).of(id(shot, "platform")).toShot();
        double own = map.inverse().orElseThrow().apply(new Point(x, 0)).x() + 960;
        return map.apply(new Point(0, Platform.crest((float) own) - 540)).y();
    }

    private static String id(Shot shot, String name) {
        return shot.everyLayer().stream()
                .filter(l -> l.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }
}
