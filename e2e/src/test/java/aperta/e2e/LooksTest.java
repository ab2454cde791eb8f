package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.function.BiConsumer;
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
