package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One layer passes to the next: made at a cut, changed by one grip, taken away in one step; J1's takes inside letters. */
class PassTest {
    private static final int W = 320;
    private static final int H = 180;

    @TempDir
    Path folder;

    @Test
    void oneGivesWayToTheNext() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Line 9", W, H, "48");
            desk.add("One colour");
            desk.number("Colour as hexadecimal", "#ff0000");
            desk.named("First");
            desk.frame(24);
            desk.press("d");
            desk.named("Second");
            desk.number("Colour as hexadecimal", "#0000ff");
            made(desk);
            grip(desk);
            opened(desk);
            removed(desk);
            inLetters(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static Passage arrival(Desk desk) {
        return desk.find("Second").arrive().orElseThrow();
    }

    private static int[] middle(BufferedImage image) {
        int rgb = image.getRGB(W / 2, H / 2);
        return new int[] {rgb >> 16 & 0xff, rgb & 0xff, rgb >>> 24};
    }

    private static void made(Desk desk) {
        desk.press("Shift+D");
        Layer first = desk.find("First");
        Layer second = desk.find("Second");
        assertThat(first.span().out() - second.span().in())
                .as("a second of overlap")
                .isEqualTo(24);
        assertThat(second.span().in()).isEqualTo(12);
        assertThat(arrival(desk).pass().orElseThrow().from()).isEqualTo(first.id());
        int[] half = middle(desk.picture(24));
        assertThat(half[0] + half[1])
                .as("as much of the one as the other lacks")
                .isCloseTo(255, within(2));
        assertThat(half[2]).isEqualTo(255);
        assertThat(middle(desk.picture(12))[0]).isEqualTo(255);
        assertThat(middle(desk.picture(36))[1]).isEqualTo(255);
    }

    private static void grip(Desk desk) {
        desk.frame(24);
        double[] grip = desk.middle("ramp-arrive-Second");
        double frame = desk.x(25) - desk.x(24);
        desk.drag(grip, new double[] {grip[0] - 6 * frame, grip[1]});
        assertThat(arrival(desk).length()).isEqualTo(12);
        assertThat(desk.find("First").span().out()).isEqualTo(30);
        assertThat(desk.find("Second").span().in()).isEqualTo(18);
    }

    /** Any opening, and one for the layer that goes. */
    private static void opened(Desk desk) {
        desk.layer("Second");
        desk.stance("Arrive");
        desk.page.getByTestId("opening").click();
        desk.page.getByTestId("opening-wipe").click();
        desk.saved();
        desk.press("Escape");
        assertThat(arrival(desk).opening().orElseThrow().kind()).isEqualTo("wipe");
        assertThat(arrival(desk).pass()).isPresent();
        desk.choose("How the other one leaves", "Fade");
        assertThat(desk.find("First").leave().orElseThrow().length()).isEqualTo(12);
        desk.choose("How the other one leaves", "by being covered");
        assertThat(desk.find("First").leave()).isEmpty();
    }

    private static void removed(Desk desk) {
        desk.choose("Pass from", "no other layer");
        assertThat(desk.find("First").span().out()).isEqualTo(24);
        assertThat(desk.find("Second").span().in()).isEqualTo(24);
        assertThat(desk.find("Second").arrive()).isEmpty();
        desk.stance("Rest");
    }

    /** From one to another inside the same letters by a wipe: outside nothing is touched, the edge of the letters stays. */
    private void inLetters(Desk desk) {
        desk.layer("First");
        desk.add("Text");
        desk.words("TRAM");
        desk.number("Size", "120");
        for (String name : new String[] {"First", "Second"}) {
            desk.layer(name);
            desk.section("Cut");
            desk.choose("Cut by", "TRAM");
        }
        BufferedImage letters = desk.picture(3);
        desk.layer("Second");
        desk.stance("Arrive");
        desk.button("Pass from “First”").click();
        desk.saved();
        desk.page.getByTestId("opening").click();
        desk.page.getByTestId("opening-wipe").click();
        desk.saved();
        desk.press("Escape");
        for (int f : new int[] {15, 24, 31}) {
            BufferedImage now = desk.picture(f);
            int most = 0;
            for (int y = 0; y < H; y++) {
                for (int x = 0; x < W; x++) {
                    most = Math.max(most, Math.abs((now.getRGB(x, y) >>> 24) - (letters.getRGB(x, y) >>> 24)));
                }
            }
            assertThat(most).as("frame %d: the shape of the letters", f).isLessThanOrEqualTo(1);
        }
        assertThat(red(desk.picture(24)) * red(desk.picture(20))).isPositive();
        assertThat(red(desk.picture(20))).isGreaterThan(red(desk.picture(30)));
        DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("pass.mp4")), W, H);
        assertThat(film.off(24, desk.picture(24))).isLessThan(1.5);
    }

    private static long red(BufferedImage image) {
        long sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int p = image.getRGB(x, y);
                sum += (p >> 16 & 0xff) > 128 && (p >>> 24) > 128 ? 1 : 0;
            }
        }
        return sum;
    }
}
