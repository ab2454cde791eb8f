package aperta.e2e;

import static aperta.e2e.OnPlate.H;
import static aperta.e2e.OnPlate.SCALE;
import static aperta.e2e.OnPlate.W;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.CutOut;
import aperta.media.plates.Platform;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A figure is cut out at the desk, and a title put behind it, held against the figure that the plate was made with. */
class CutOutTest {
    /** The row of the film in which titles are looked at: the middle of the coat. */
    private static final int ROW = 235;

    private static final double GROUND = 905;

    @TempDir
    Path folder;

    private static CutOut cutOut(Desk desk) {
        return OnPlate.clips(desk).get(0).cutOut().orElseThrow();
    }

    private static void brush(Desk desk, double[]... plate) {
        double[] at = desk.at(plate[0][0] / SCALE, plate[0][1] / SCALE, W);
        desk.page.mouse().move(at[0], at[1]);
        desk.page.mouse().down();
        for (double[] p : plate) {
            at = desk.at(p[0] / SCALE, p[1] / SCALE, W);
            desk.page.mouse().move(at[0], at[1], new Mouse.MoveOptions().setSteps(6));
        }
        desk.page.mouse().up();
        desk.saved();
    }

    /** One stroke along the figure, one around it. */
    private static void brushFigure(Desk desk, int frame) {
        double x = Platform.walkerX(frame);
        desk.frame(frame);
        desk.menu("platform", "Cut out a figure");
        desk.saved();
        desk.number("Radius of the brush", "4");
        brush(desk, new double[] {x, GROUND - 320}, new double[] {x - 4, GROUND - 105});
        desk.page.getByText("brush outside").click();
        brush(
                desk,
                new double[] {x - 128, GROUND - 405},
                new double[] {x + 128, GROUND - 405},
                new double[] {x + 136, GROUND + 20},
                new double[] {x - 136, GROUND + 20},
                new double[] {x - 128, GROUND - 405});
        desk.page.getByTestId("figure-found").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
    }

    /** How much of a white bar behind the figure is hidden at a place of the row. */
    private static double hidden(DecodedFilm film, DecodedFilm bare, int frame, int x) {
        double ground = bare.at(frame, x, ROW, 1);
        double part = (film.at(frame, x, ROW, 1) - ground) / (255.0 - ground);
        return Math.max(0, Math.min(1, 1 - part));
    }

    private static double truth(float[] alpha, int x) {
        double sum = 0;
        for (int v = 0; v < SCALE; v++) {
            for (int u = 0; u < SCALE; u++) {
                sum += alpha[(int) ((ROW * SCALE + v) * W * SCALE + x * SCALE + u)];
            }
        }
        return sum / (SCALE * SCALE);
    }

    /** J11: one stroke inside, one outside, carried both ways, and a bar put behind him that only he hides. */
    @Test
    void aTitlePassesBehindHim() throws IOException {
        OnPlate.made(folder, "Behind", 72, "platform", desk -> {
            DecodedFilm bare = new DecodedFilm(desk.render(folder.resolve("bare.mp4")), W, H);
            brushFigure(desk, 48);
            assertThat(cutOut(desk).strokes()).hasSize(2);
            assertThat(cutOut(desk).strokes().get(0).frame()).isEqualTo(48);
            // A stroke is taken back and made again like everything else.
            desk.press("Control+z");
            desk.saved();
            assertThat(cutOut(desk).strokes()).hasSize(1);
            desk.press("Control+Shift+z");
            desk.saved();
            desk.page.getByText("carry both ways").click();
            desk.page.getByTestId("figure-live").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
            Wait.until(
                    "the figure has been carried",
                    180,
                    () -> cutOut(desk).carried().isPresent());
            assertThat(cutOut(desk).carried().orElseThrow().sure()).hasSize(132);
            desk.shown();
            assertThat(desk.page.getByTestId("figure-here").textContent()).contains("132 frames known");
            goesAlongTheStrip(desk);

            desk.add("One colour");
            desk.number("Colour as hexadecimal", "#ffffff");
            desk.number("Size down", "40");
            desk.section("Place");
            desk.number("Position down", Integer.toString(ROW));
            desk.menu("Colour", "Put behind Figure of platform");
            desk.saved();
            DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("behind.mp4")), W, H);
            Platform plate = new Platform();
            for (int n = 14; n < 66; n += 3) {
                float[] alpha = plate.figureAlpha(n);
                double least = 0;
                double most = 0;
                double middle = 0;
                double sum = 0;
                for (int x = 0; x < W; x++) {
                    double is = hidden(film, bare, n, x);
                    double should = truth(alpha, x);
                    least += Math.min(is, should);
                    most += Math.max(is, should);
                    middle += is * (x + 0.5);
                    sum += is;
                }
                assertThat(least / most).as("overlap in the row on frame %d", n).isGreaterThan(0.8);
                assertThat(SCALE * middle / sum)
                        .as("the middle on frame %d", n)
                        .isCloseTo(Platform.walkerX(n), within(12.0));
            }
            stopsOnTheWay(desk, bare, plate);
        });
    }

    /** The bar comes in, stands, and goes on, in the look of a tape; while it stands he passes in front of it. */
    private void stopsOnTheWay(Desk desk, DecodedFilm bare, Platform plate) throws IOException {
        desk.frame(4);
        desk.key("Position");
        desk.number("Position across", "-400");
        desk.frame(24);
        desk.number("Position across", "320");
        desk.frame(56);
        desk.key("Position");
        desk.frame(70);
        desk.number("Position across", "1040");
        desk.section("Effects");
        desk.button("Add an effect").click();
        desk.page.getByTestId("add-tape").click();
        desk.saved();
        desk.press("Escape");
        DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("stops.mp4")), W, H);
        // Right of him, in the rows of the bar, clear of what the tape tears off at its edges.
        assertThat(film.at(6, 600, ROW, 1)).isLessThan(120);
        assertThat(film.at(71, 300, ROW, 1)).isLessThan(120);
        for (int n = 27; n < 54; n += 3) {
            double bar = 0;
            for (int x = 560; x < 620; x++) {
                bar += film.at(n, x, ROW, 1) / 60.0;
            }
            assertThat(bar).as("the bar stands on frame %d", n).isGreaterThan(180);
            float[] alpha = plate.figureAlpha(n);
            int inside = (int) Math.round(Platform.walkerX(n) / SCALE);
            assertThat(truth(alpha, inside)).isEqualTo(1);
            assertThat(Math.abs(film.at(n, inside, ROW, 1) - bare.at(n, inside, ROW, 1)))
                    .as("he is in front of it on frame %d", n)
                    .isLessThan(12);
        }
    }

    /** The strip of small pictures leads to the frames that it shows. */
    private static void goesAlongTheStrip(Desk desk) {
        Locator cells = desk.page.locator(".strip .cell");
        cells.nth(4).scrollIntoViewIfNeeded();
        assertThat(cells.count()).isEqualTo(10);
        Wait.until("the small picture is there", 30, () ->
                (boolean) cells.nth(4).locator("img").evaluate("i => i.complete && i.naturalWidth > 40"));
        String name = cells.nth(4).getAttribute("aria-label");
        assertThat(name).matches("Frame \\d+, \\d+ % sure");
        cells.nth(4).press("Enter");
        desk.page
                .getByText(Pattern.compile("^frame " + name.replaceAll("Frame (\\d+),.*", "$1") + "$"))
                .waitFor();
    }

    /** What is stopped keeps what it has; by keyboard the brush does all that the pointer does. */
    @Test
    void whatIsStoppedKeepsWhatItHasAndTheBrushGoesByKeyboard() throws IOException {
        OnPlate.made(folder, "Stopped figure", 72, "platform", desk -> {
            brushFigure(desk, 48);
            desk.page.getByTestId("figure-brush").focus();
            desk.page.keyboard().press("x");
            desk.page.keyboard().press("]");
            desk.page.keyboard().press(" ");
            for (int i = 0; i < 5; i++) {
                desk.page.keyboard().press("ArrowDown");
            }
            desk.page.keyboard().press(" ");
            desk.saved();
            assertThat(cutOut(desk).strokes()).hasSize(3);
            assertThat(cutOut(desk).strokes().get(2).inside()).isTrue();
            assertThat(cutOut(desk).strokes().get(2).path()).hasSize(6);
            desk.press("Control+z");
            desk.saved();
            desk.page.getByText("carry →").click();
            desk.page.getByTestId("figure-live").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
            desk.page
                    .getByText("Stop", new Page.GetByTextOptions().setExact(true))
                    .click();
            Wait.until(
                    "what was found is kept", 60, () -> cutOut(desk).carried().isPresent());
            int frames = cutOut(desk).carried().orElseThrow().sure().size();
            assertThat(frames).isBetween(1, 80);
            desk.page.reload();
            desk.ready();
            assertThat(cutOut(desk).carried().orElseThrow().sure()).hasSize(frames);
        });
    }
}
