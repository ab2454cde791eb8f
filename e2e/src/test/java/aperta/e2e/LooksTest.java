package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Stroke;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Titles with effects, made from nothing at the desk, rendered and counted on the decoded film: words that settle out of turbulence with
 * steam before them, a card that burns, a shimmer, an old film and a tape, a finish over all.
 */
class LooksTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final int FRAMES = 36;

    @TempDir
    Path folder;

    private void made(String name, BiConsumer<Desk, String> make, BiConsumer<DecodedFilm, Desk> holds) {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject(name);
            desk.newShot(name, W, H, Integer.toString(FRAMES));
            make.accept(desk, name);
            DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("film.mp4")), W, H);
            assertThat(film.frames()).isEqualTo(FRAMES);
            // What is rendered is what the desk shows.
            assertThat(film.off(FRAMES / 2, desk.picture(FRAMES / 2))).isLessThan(3);
            holds.accept(film, desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static void word(Desk desk, String words) {
        desk.add("Text");
        desk.words(words);
        desk.number("Size", "70");
    }

    private static void card(Desk desk, String colour) {
        desk.add("One colour");
        desk.number("Colour as hexadecimal", colour);
    }

    private static void effect(Desk desk, String kind) {
        desk.section("Effects");
        desk.button("Add an effect").click();
        desk.page.getByTestId("add-" + kind).click();
        desk.saved();
        desk.press("Escape");
    }

    @Test
    void wordsSettleOutOfTurbulenceBehindSteam() {
        made(
                "The conductor",
                (desk, name) -> {
                    word(desk, "TRAM");
                    desk.stance("Arrive");
                    desk.opening("settle");
                    desk.number("Length of the arrival", "20");
                    desk.add("Steam");
                    desk.number("From down", "90");
                    desk.number("Width below", "50");
                    desk.number("Size below", "30");
                    desk.number("Strength", "50");
                    desk.number("Rises", "150");
                    desk.section("Blend");
                    desk.choose("Blend mode", "screen");
                },
                (film, desk) -> {
                    assertThat(desk.find("Steam").blend().name()).isEqualTo("SCREEN");
                    // Steam is there from the beginning, the word comes into it and stays.
                    assertThat(film.white(0)).isPositive();
                    assertThat(film.white(FRAMES - 1)).isGreaterThan(film.white(0) + 800);
                });
    }

    @Test
    void aCardBurnsAndLeavesNothing() {
        made(
                "Ticket",
                (desk, name) -> {
                    card(desk, "#d8c090");
                    desk.stance("Leave");
                    desk.opening("burn");
                    desk.number("Length of the departure", "30");
                },
                (film, desk) -> {
                    assertThat(film.at(0, 10, 90, 0)).isBetween(205, 225);
                    int embers = 0;
                    for (int y = 0; y < H; y++) {
                        for (int x = 0; x < W; x++) {
                            boolean hot = film.at(20, x, y, 0) > 150 && film.at(20, x, y, 2) < 70;
                            embers += hot ? 1 : 0;
                        }
                    }
                    assertThat(embers).as("pixels of the rim").isGreaterThan(150);
                    assertThat(film.white(FRAMES - 1)).as("what is left").isLessThan(40);
                });
    }

    @Test
    void aWordShimmersAsItIsUncovered() {
        made(
                "Shimmer",
                (desk, name) -> {
                    word(desk, "RAIN");
                    desk.stance("Arrive");
                    desk.opening("shimmer");
                    desk.number("Length of the arrival", "24");
                },
                (film, desk) -> {
                    assertThat(film.white(0)).isLessThan(30);
                    assertThat(film.white(12)).isGreaterThan(film.white(4));
                    // At rest it is the plain word.
                    assertThat(film.off(FRAMES - 1, desk.picture(30))).isLessThan(1.5);
                });
    }

    @Test
    void aWordIsWrittenByAPen() {
        made(
                "Ink",
                (desk, name) -> {
                    word(desk, "stop");
                    desk.choose("Font", "Great Vibes");
                    desk.stance("Arrive");
                    desk.opening("ink");
                    desk.number("Length of the arrival", "24");
                },
                (film, desk) -> {
                    assertThat(film.white(0)).isLessThan(20);
                    for (int f = 1; f < 24; f++) {
                        assertThat(film.white(f)).as("frame %d", f).isGreaterThan(film.white(f - 1) - 2);
                    }
                    // From the left: while the s is written nothing of the p is there.
                    assertThat(film.white(4, W / 2 + 30, 0, W, H)).isLessThan(0.002);
                    assertThat(film.white(4, 0, 0, W / 2, H)).isGreaterThan(0.002);
                    // At rest it is the plain word.
                    assertThat(film.off(FRAMES - 1, desk.picture(30))).isLessThan(1.5);
                });
    }

    /** The strokes of a word taken over, put in another order, one of them drawn anew. */
    @Test
    void strokesAreSetByHand() {
        made(
                "By hand",
                (desk, name) -> {
                    word(desk, "ILL");
                    desk.stance("Arrive");
                    desk.opening("ink");
                    desk.number("Length of the arrival", "24");
                    desk.page.getByTestId("strokes-by-hand").click();
                    desk.saved();
                    // The last letter first.
                    desk.page.getByLabel("Stroke 3 earlier").click();
                    desk.saved();
                    desk.page.getByLabel("Stroke 2 earlier").click();
                    desk.saved();
                    desk.page.getByLabel("Turn stroke 1 round").click();
                    desk.saved();
                    desk.page.getByTestId("draw-stroke").click();
                    desk.drag(desk.at(20, 160, W), desk.at(300, 160, W));
                    desk.press("Escape");
                },
                (film, desk) -> {
                    assertThat(desk.find("ILL").ink().orElseThrow().strokes()).hasSize(4);
                    double left = film.white(2, 0, 0, W / 2 - 20, 150);
                    double right = film.white(2, W / 2 + 10, 0, W, 150);
                    assertThat(right).isGreaterThan(0.004);
                    assertThat(left).isLessThan(0.002);
                    assertThat(film.off(FRAMES - 1, desk.picture(30))).isLessThan(1.5);
                    desk.press("Control+z");
                    assertThat(desk.find("ILL").ink().orElseThrow().strokes()).hasSize(3);
                });
    }

    /** The outlines of a bitmap mark draw themselves, dots at their ends, then the mark fades up where they are. */
    @Test
    void theOutlineOfAMarkDrawsItself() throws IOException {
        Path mark = folder.resolve("mark.png");
        ImageIO.write(ring(), "png", mark.toFile());
        made(
                "The bell",
                (desk, name) -> {
                    desk.bring(mark);
                    desk.addMedia("mark.png");
                    desk.menu("mark", "Draw its outline, then show it");
                    desk.saved();
                },
                (film, desk) -> {
                    Layer line = desk.find("Outline of mark");
                    assertThat(line.parent()).contains(desk.find("mark").id());
                    // At first only the dots where the two circles begin; the dots are brighter than the line behind
                    // them.
                    assertThat(film.white(0)).isLessThan(150);
                    for (int f = 3; f < 15; f += 3) {
                        assertThat(film.white(f)).as("frame %d", f).isGreaterThan(film.white(f - 2));
                    }
                    assertThat(film.at(8, W / 2, H / 2, 0))
                            .as("within the ring")
                            .isLessThan(24);
                    // In ten frames it fades up, then the line fades away; the mark alone stands.
                    assertThat(film.at(15, W / 2 + 50, H / 2, 0)).isLessThan(60);
                    assertThat(film.at(20, W / 2 + 50, H / 2, 0)).isBetween(80, 190);
                    assertThat(film.at(35, W / 2 + 50, H / 2, 0)).isGreaterThan(230);
                    assertThat(film.white(35)).isCloseTo(Math.PI * (60 * 60 - 40 * 40), within(60.0));
                });
    }

    /** A white ring with radii of 40 and 60 pixels. */
    private static BufferedImage ring() {
        BufferedImage image = new BufferedImage(140, 140, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        Area ring = new Area(new Ellipse2D.Double(10, 10, 120, 120));
        ring.subtract(new Area(new Ellipse2D.Double(30, 30, 80, 80)));
        g.setColor(Color.WHITE);
        g.fill(ring);
        g.dispose();
        return image;
    }

    /** A drawing is brought in as shapes; one of them goes out as a file again. */
    @Test
    void aDrawingComesInAndGoesOut() throws IOException {
        Path svg = folder.resolve("badge.svg");
        Files.writeString(
                svg,
                "<svg xmlns='http://www.w3.org/2000/svg' width='120' height='80' viewBox='0 0 60 40'>"
                        + "<rect width='60' height='40' fill='#d02010'/><circle cx='30' cy='20' r='12' fill='#ffffff'/></svg>");
        made(
                "Badge",
                (desk, name) -> {
                    desk.button("Media").click();
                    desk.page.getByTestId("files").setInputFiles(svg);
                    desk.page.getByTestId("row-badge").waitFor();
                    desk.closeDrawer();
                },
                (film, desk) -> {
                    assertThat(film.at(5, W / 2 - 50, H / 2, 0)).isBetween(195, 220);
                    assertThat(film.at(5, W / 2 - 50, H / 2, 2)).isLessThan(40);
                    assertThat(film.at(5, W / 2, H / 2, 2)).isGreaterThan(240);
                    assertThat(film.at(5, W / 2 - 70, H / 2, 0)).isLessThan(10);
                    desk.page
                            .getByTestId("row-badge")
                            .getByTitle("Open the group")
                            .click();
                    desk.page
                            .getByTestId("row-Shape 1")
                            .getByLabel("More for Shape 1")
                            .click();
                    var saved = desk.page.waitForDownload(
                            () -> desk.page.getByText("Save as SVG").click());
                    try {
                        assertThat(Files.readString(saved.path()))
                                .contains("<path")
                                .contains("#d02010");
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                });
    }

    /** One short piece of one letter's outline, another on every frame. */
    @Test
    void sparksFlickerAlongAWord() {
        made(
                "Sparks",
                (desk, name) -> {
                    word(desk, "HILL");
                    desk.menu("HILL", "Line along its outline");
                    desk.saved();
                    desk.choose("Several paths", "only one of them");
                    desk.number("End", "6");
                    desk.number("Offset", "50");
                    desk.page.getByLabel("More for Offset").click();
                    desk.page
                            .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Dice"))
                            .click();
                    desk.saved();
                    for (String[] field : new String[][] {{"Amount", "50"}, {"Every", "1"}}) {
                        Locator number = desk.page.getByTestId("signal-dice").getByLabel(field[0]);
                        number.fill(field[1]);
                        number.press("Enter");
                        desk.saved();
                    }
                    desk.layer("HILL");
                    desk.section("Blend");
                    desk.number("Opacity", "0");
                },
                (film, desk) -> {
                    Set<String> places = new HashSet<>();
                    double least = Double.MAX_VALUE;
                    double most = 0;
                    for (int f = 0; f < FRAMES; f++) {
                        double light = film.white(f);
                        least = Math.min(least, light);
                        most = Math.max(most, light);
                        places.add(middle(film, f));
                    }
                    assertThat(places.size()).as("different places").isGreaterThan(FRAMES * 2 / 3);
                    assertThat(least).isPositive();
                    // As long as one another, but for those on the shorter contour.
                    assertThat(most).isLessThan(3 * least + 40);
                });
    }

    /** Where the light of a frame lies, to four pixels. */
    private static String middle(DecodedFilm film, int frame) {
        double sum = 0;
        double sx = 0;
        double sy = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int v = Math.max(0, film.at(frame, x, y, 0) - 40);
                sum += v;
                sx += v * x;
                sy += v * y;
            }
        }
        return Math.round(sx / sum / 4) + " " + Math.round(sy / sum / 4);
    }

    /** A thread of light grows along a star, and is put through a kept chain. */
    @Test
    void aThreadOfLightGrowsAlongAStar() {
        made(
                "Overhead wire",
                (desk, name) -> {
                    desk.page.getByLabel("Add a layer").click();
                    desk.page.getByLabel("Shape: Star").click();
                    desk.drag(desk.at(90, 20, W), desk.at(230, 160, W));
                    desk.page.getByLabel("Remove fill 1").click();
                    desk.saved();
                    desk.link("+ thread");
                    desk.saved();
                    desk.number("Halo", "20");
                    desk.keyed("End", "End", 0, "0", 24, "100", "linear");
                    desk.section("Effects");
                    desk.button("Add an effect").click();
                    desk.page.getByTestId("chain-Lamp filament").click();
                    desk.saved();
                    desk.press("Escape");
                },
                (film, desk) -> {
                    assertThat(desk.find("Shape").effects()).hasSize(3);
                    assertThat(film.white(0)).isLessThan(20);
                    assertThat(film.white(12)).isGreaterThan(film.white(4) + 100);
                    assertThat(film.white(24)).isGreaterThan(film.white(12) + 100);
                    // It has a halo: beside the line it is lit, too, and warm by the chain.
                    int red = 0;
                    int blue = 0;
                    for (int y = 0; y < H; y++) {
                        for (int x = 0; x < W; x++) {
                            red += film.at(30, x, y, 0);
                            blue += film.at(30, x, y, 2);
                        }
                    }
                    assertThat(red).isGreaterThan(blue * 5 / 4);
                });
    }

    /** The last letter's stroke is dragged to the start of the time, the first one's later; another is smoothed; tints show what is whose. */
    @Test
    void strokesGetTimesOfTheirOwnByDraggingTheirPieces() {
        made(
                "Own times",
                (desk, name) -> {
                    word(desk, "ILL");
                    desk.stance("Arrive");
                    desk.opening("ink");
                    desk.number("Length of the arrival", "24");
                    desk.page.getByTestId("strokes-by-hand").click();
                    desk.saved();
                    drag(desk, "piece-0", 160);
                    drag(desk, "piece-2", -720);
                    desk.page.getByTestId("stroke-1").click();
                    desk.link("smooth");
                    desk.saved();
                    // By dragging in the list the third comes first.
                    desk.page.getByTestId("stroke-2").dragTo(desk.page.getByTestId("stroke-0"));
                    desk.saved();
                    desk.page.getByTestId("tint-strokes").click();
                    desk.page.getByTestId("owners").waitFor();
                    desk.page.getByTestId("tint-strokes").click();
                },
                (film, desk) -> {
                    List<Stroke> strokes = desk.find("ILL").ink().orElseThrow().strokes();
                    assertThat(strokes.get(0).time().orElseThrow().from()).isZero();
                    assertThat(strokes.get(1).time().orElseThrow().from()).isGreaterThan(0.05);
                    assertThat(strokes.get(2).time()).isEmpty();
                    // The last letter is there first.
                    double left = film.white(3, 0, 0, W / 2 - 20, H);
                    double right = film.white(3, W / 2 + 10, 0, W, H);
                    assertThat(right).isGreaterThan(0.002);
                    assertThat(left).isLessThan(0.001);
                    assertThat(film.off(FRAMES - 1, desk.picture(30))).isLessThan(1.5);
                });
    }

    private static void drag(Desk desk, String piece, double by) {
        double[] at = desk.middle(piece);
        desk.drag(at, new double[] {at[0] + by, at[1]});
        desk.saved();
    }

    /** An H drawn stroke by stroke on each fourth frame, a stroke taken back, then the whole erased backwards; by pen, too. */
    @Test
    void aLetterIsDrawnFrameByFrame() {
        made(
                "Drawn",
                (desk, name) -> {
                    desk.add("Drawings");
                    desk.number("On each … frame", "4");
                    desk.frame(0);
                    desk.drag(desk.at(60, 40, W), desk.at(60, 140, W));
                    desk.saved();
                    desk.frame(4);
                    desk.drag(desk.at(60, 90, W), desk.at(150, 90, W));
                    desk.saved();
                    desk.frame(8);
                    desk.drag(desk.at(250, 20, W), desk.at(300, 170, W));
                    desk.saved();
                    desk.button("Take back a line").click();
                    desk.saved();
                    // What was taken back stands in no drawing any more; the one before has all that this one has.
                    assertThat(desk.page
                                    .locator("[data-testid=shows-through] path")
                                    .count())
                            .isZero();
                    desk.number("Drawings after that show through", "1");
                    desk.frame(4);
                    desk.frame(0);
                    // The line across, drawn four frames later.
                    assertThat(desk.page
                                    .locator("[data-testid=shows-through] path")
                                    .count())
                            .isEqualTo(1);
                    desk.frame(8);
                    penStroke(desk, 150, 40, 140);
                    desk.saved();
                    desk.frame(16);
                    desk.number("Length that goes on each drawn frame", "80");
                    desk.button("Erase backwards").click();
                    desk.saved();
                    desk.press("Escape");
                },
                (film, desk) -> {
                    assertThat(film.white(0)).isBetween(900.0, 2500.0);
                    assertThat(film.white(3)).isCloseTo(film.white(0), within(40.0));
                    assertThat(film.white(4)).isGreaterThan(film.white(3) + 600);
                    assertThat(film.white(8)).isGreaterThan(film.white(7) + 400);
                    assertThat(film.at(20, 275, 95, 0))
                            .as("what was taken back")
                            .isLessThan(20);
                    for (int f = 20; f < 32; f += 4) {
                        assertThat(film.white(f)).as("frame %d", f).isLessThan(film.white(f - 4) - 300);
                    }
                    assertThat(film.white(35)).isLessThan(60);
                    // The pen was pressed harder and harder.
                    Content.Drawings drawings =
                            (Content.Drawings) desk.find("Drawings").content();
                    List<BezierPath.Knot> knots = drawings.lines()
                            .get(drawings.lines().size() - 1)
                            .path()
                            .knots();
                    assertThat(knots.get(knots.size() - 1).feather())
                            .isGreaterThan(2 * knots.get(0).feather());
                });
    }

    /** A line that a pen draws downwards, pressed harder on its way. */
    private static void penStroke(Desk desk, double x, double y0, double y1) {
        double[] from = desk.at(x, y0, W);
        double[] to = desk.at(x, y1, W);
        desk.page.evaluate("""
                ([x, y0, y1]) => {
                  const on = document.querySelector('[data-testid=handles]');
                  const send = (where, type, y, pressure) =>
                    where.dispatchEvent(new PointerEvent(type, { bubbles: true, cancelable: true, composed: true, pointerId: 7,
                      pointerType: 'pen', isPrimary: true, button: 0, buttons: 1, clientX: x, clientY: y, pressure }));
                  send(on, 'pointerdown', y0, 0.2);
                  for (let i = 1; i <= 20; i++) send(window, 'pointermove', y0 + ((y1 - y0) * i) / 20, 0.2 + 0.035 * i);
                  send(window, 'pointerup', y1, 0);
                }""", List.of(from[0], from[1], to[1]));
    }

    @Test
    void anOldFilmFlickersAndATapeJitters() {
        made(
                "Archive",
                (desk, name) -> {
                    card(desk, "#808080");
                    desk.add("Adjustment");
                    effect(desk, "old-film");
                    desk.number("Flicker", "40");
                    desk.number("Weave", "0");
                    desk.number("Dust", "0");
                    desk.number("Scratches", "0");
                    effect(desk, "grain");
                    effect(desk, "tape");
                },
                (film, desk) -> {
                    int changes = 0;
                    int longest = 0;
                    int same = 1;
                    for (int f = 1; f < FRAMES; f++) {
                        boolean flickers = Math.abs(film.white(f) - film.white(f - 1)) > 150;
                        changes += flickers ? 1 : 0;
                        same = flickers ? 1 : same + 1;
                        longest = Math.max(longest, same);
                    }
                    // In pieces of one and of two frames; two pieces that follow one another may be about as bright.
                    assertThat(changes).isGreaterThan(FRAMES / 3);
                    assertThat(longest).isLessThanOrEqualTo(6);
                });
    }

    @Test
    void aFinishLiesOverAll() {
        made(
                "Finish",
                (desk, name) -> {
                    card(desk, "#c0c0c0");
                    desk.add("Adjustment");
                    desk.press("Shift+O");
                    desk.page.getByTestId("chain-Finish").click();
                    desk.saved();
                    desk.press("Escape");
                },
                (film, desk) -> {
                    assertThat(desk.find("Adjustment").effects())
                            .extracting(e -> e.recipe().kind())
                            .containsExactly("lens", "grade", "glow", "grain", "vignette");
                    double middle = film.white(5, 140, 70, 180, 110);
                    double corner = film.white(5, 0, 0, 20, 12);
                    assertThat(corner).isLessThan(0.75 * middle);
                    // The plate has no dark border beside what the vignette takes.
                    assertThat(film.white(5, 0, 88, 2, 92)).isGreaterThan(0.8 * film.white(5, 6, 88, 8, 92));
                });
    }
}
