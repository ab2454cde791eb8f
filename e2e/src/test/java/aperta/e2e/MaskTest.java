package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Mask;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.KeyboardModifier;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Masks drawn, bent and keyed at the desk (J7); what they show is counted in frames, which are those of rendered films. */
class MaskTest {
    private static final int W = 960;
    private static final int H = 540;
    /** A circle round the middle that covers the frame reaches to its corners. */
    private static final double HALF_DIAGONAL = Math.hypot(W, H) / 2;

    @TempDir
    Path folder;

    private int films;

    @Test
    void masksTravelGrowAndChangeTheirPoints() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Travelling", W, H, "48");
            desk.add("One colour");
            desk.section("Cut");
            travels(desk);
            inFilm(desk, 0, 12, 24);
            changesItsPoints(desk);
            circle(desk);
            inFilm(desk, 10, 20, 24);
            swings(desk);
            inFilm(desk, 0, 12, 24);
            gestures(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** The decoded frames of a film are the frames that were counted. */
    private void inFilm(Desk desk, int... frames) {
        DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("masks" + films++ + ".mp4")), W, H);
        assertThat(film.frames()).isEqualTo(48);
        for (int n : frames) {
            assertThat(film.off(n, desk.picture(n))).as("frame %d", n).isLessThan(1);
        }
    }

    /** A bar swings a quarter round one of its corners. */
    private static void swings(Desk desk) {
        desk.page.getByLabel("Remove Mask 1").click();
        desk.saved();
        desk.button("Four points").click();
        desk.drag(desk.at(480, 230, W), desk.at(680, 270, W));
        desk.frame(0);
        desk.key("Path");
        desk.frame(24);
        double[][] to = {{520, 270}, {520, 470}, {480, 470}};
        for (int i = 0; i < to.length; i++) {
            desk.drag(desk.middle("knot-" + i), desk.at(to[i][0], to[i][1], W));
        }
        assertThat(path(desk, 0, 24).knots().get(3))
                .as("the corner stays")
                .isEqualTo(path(desk, 0, 0).knots().get(3));
        BufferedImage first = desk.picture(0);
        BufferedImage last = desk.picture(24);
        assertThat(new int[] {alpha(first, 600, 250), alpha(first, 500, 400)}).containsExactly(255, 0);
        assertThat(new int[] {alpha(last, 600, 250), alpha(last, 500, 400)}).containsExactly(0, 255);
        List<BezierPath.Knot> between = path(desk, 0, 12).knots();
        Point middle = between.get(0).at().mix(between.get(2).at(), 0.5).plus(new Point(W / 2.0, H / 2.0));
        assertThat(middle.x()).isBetween(502.0, 578.0);
        assertThat(alpha(desk.picture(12), (int) middle.x(), (int) middle.y()))
                .as("on its way")
                .isEqualTo(255);
        desk.press("Escape", "Escape");
        desk.page.getByTestId("mask-0").click(new Locator.ClickOptions().setPosition(4, 4));
    }

    private static Mask mask(Desk desk, int index) {
        return desk.shot().layers().get(0).masks().get(index);
    }

    private static BezierPath path(Desk desk, int index, double frame) {
        return mask(desk, index).path().at(frame, BezierPath.MIX);
    }

    private static int alpha(BufferedImage image, int x, int y) {
        return image.getRGB(x, y) >>> 24;
    }

    private static void chosen(Desk desk, int... points) {
        for (int i = 0; i < points.length; i++) {
            desk.page
                    .getByTestId("knot-" + points[i])
                    .click(new Locator.ClickOptions()
                            .setModifiers(i == 0 ? List.of() : List.of(KeyboardModifier.SHIFT)));
        }
    }

    /** Four points open sideways: two of them are chosen and go together; 60 pixels of feather. */
    private static void travels(Desk desk) {
        desk.button("Four points").click();
        desk.drag(desk.at(4, 4, W), desk.at(200, 536, W));
        desk.number("Feather", "60");
        desk.frame(0);
        desk.key("Path");
        desk.frame(24);
        chosen(desk, 1, 2);
        double[] knot = desk.middle("knot-1");
        desk.drag(knot, new double[] {knot[0] + desk.at(600, 0, W)[0] - desk.at(0, 0, W)[0], knot[1]});
        assertThat(mask(desk, 0).path().keys()).hasSize(2);
        double moved = path(desk, 0, 24).knots().get(1).at().x()
                - path(desk, 0, 0).knots().get(1).at().x();
        assertThat(moved).isCloseTo(600, within(3.0));
        assertThat(path(desk, 0, 24).knots().get(0))
                .isEqualTo(path(desk, 0, 0).knots().get(0));
        desk.press("Control+a");
        desk.choose("Ease", "linear");
        desk.press("Escape", "Escape", "Escape");
        desk.page.getByTestId("mask-0").click(new Locator.ClickOptions().setPosition(4, 4));
        for (int f : new int[] {0, 12, 24}) {
            BufferedImage picture = desk.picture(f);
            double edge = path(desk, 0, f).knots().get(1).at().x() + W / 2.0;
            assertThat(alpha(picture, (int) edge, 270))
                    .as("half there at the edge")
                    .isBetween(118, 137);
            assertThat(alpha(picture, (int) edge - 75, 270))
                    .as("whole 2.5 σ before it")
                    .isGreaterThan(251);
            assertThat(alpha(picture, (int) edge + 75, 270))
                    .as("gone 2.5 σ beyond it")
                    .isLessThan(4);
            // One σ, which is half of the feather, leaves 15.9 % of what is seen.
            assertThat(alpha(picture, (int) edge + 30, 270)).isBetween(36, 45);
        }
    }

    /** A point more on one frame only: between the keys the path grows into it. */
    private static void changesItsPoints(Desk desk) {
        desk.frame(36);
        double[] at = desk.at(path(desk, 0, 36).knots().get(1).at().x() + W / 2.0, 270, W);
        desk.page.keyboard().down("Alt");
        desk.page.mouse().dblclick(at[0], at[1]);
        desk.page.keyboard().up("Alt");
        desk.saved();
        assertThat(path(desk, 0, 36).knots()).hasSize(5);
        assertThat(path(desk, 0, 24).knots()).hasSize(4);
        // The handles come with the next picture: there are five points then.
        desk.page.getByTestId("knot-4").waitFor();
        double[] knot = desk.middle("knot-2");
        desk.drag(knot, new double[] {knot[0] - 100, knot[1]});
        double in = path(desk, 0, 36).knots().get(2).at().x();
        double between = path(desk, 0, 30).knots().get(2).at().x();
        double before = path(desk, 0, 24).knots().get(1).at().x();
        assertThat(between).isBetween(in + 5, before - 5);
        chosen(desk, 2);
        desk.frame(44);
        desk.press("Delete");
        assertThat(path(desk, 0, 44).knots()).hasSize(4);
        desk.press("Control+z");
        assertThat(path(desk, 0, 44).knots()).hasSize(5);
    }

    /** A circle grows by its expansion until its radius is half the diagonal: then, and not before, all is seen. */
    private static void circle(Desk desk) {
        desk.page.getByLabel("Remove Mask 1").click();
        desk.saved();
        desk.button("Ellipse").click();
        desk.drag(desk.at(440, 230, W), desk.at(520, 310, W));
        double radius = path(desk, 0, 0).knots().get(1).at().x()
                - (path(desk, 0, 0).knots().get(0).at().x());
        desk.frame(0);
        desk.key("Outset");
        desk.frame(24);
        desk.number("Outset", Double.toString(Math.ceil(HALF_DIAGONAL - radius) + 3));
        BufferedImage whole = desk.picture(24);
        BufferedImage nearly = desk.picture(20);
        int gaps = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                assertThat(alpha(whole, x, y)).isEqualTo(255);
                gaps += alpha(nearly, x, y) < 255 ? 1 : 0;
            }
        }
        assertThat(gaps).isPositive();
        double seen = mask(desk, 0).outset().at(10, aperta.core.time.Mix.NUMBER) + radius;
        BufferedImage early = desk.picture(10);
        int row = 0;
        for (int x = 0; x < W; x++) {
            row += alpha(early, x, 270) > 127 ? 1 : 0;
        }
        assertThat(row / 2.0).as("the radius in the rendered frame").isCloseTo(seen, within(3.0));
    }

    /** Point by point, bent, smoothed, feathered at one point, turned, and locked to the frame. */
    private static void gestures(Desk desk) {
        desk.page.getByLabel("Remove Mask 1").click();
        desk.saved();
        desk.frame(0);
        desk.press("p");
        for (double[] p : new double[][] {{200, 100}, {700, 100}, {700, 400}, {200, 400}}) {
            double[] at = desk.at(p[0], p[1], W);
            desk.page.mouse().click(at[0], at[1]);
        }
        double[] first = desk.at(200, 100, W);
        desk.page.mouse().click(first[0], first[1]);
        desk.saved();
        assertThat(path(desk, 0, 0).knots()).hasSize(4).allMatch(BezierPath.Knot::isCorner);
        desk.drag(desk.at(450, 100, W), desk.at(450, 40, W));
        assertThat(path(desk, 0, 0).curve(0).at(0.5).y()).isCloseTo(40 - H / 2.0, within(3.0));
        desk.page.getByTestId("knot-2").dblclick();
        desk.saved();
        assertThat(path(desk, 0, 0).knots().get(2).isCorner()).isFalse();
        chosen(desk, 3);
        double[] soft = desk.middle("feather");
        desk.drag(soft, new double[] {soft[0] - 30, soft[1] + 20});
        assertThat(path(desk, 0, 0).knots().get(3).feather()).isGreaterThan(20);
        desk.number("Feather at the points", "80");
        assertThat(path(desk, 0, 0).knots())
                .extracting(BezierPath.Knot::feather)
                .containsExactly(0.0, 0.0, 0.0, 80.0);
        BufferedImage picture = desk.picture(0);
        assertThat(alpha(picture, 220, 380)).as("soft where the point is").isBetween(20, 235);
        assertThat(alpha(picture, 210, 108)).as("sharp at the others").isEqualTo(255);
        desk.press("Escape");
        double[] middle = desk.middle("mask-middle");
        desk.drag(middle, new double[] {middle[0] + 40, middle[1]});
        double zoom = desk.at(1, 0, W)[0] - desk.at(0, 0, W)[0];
        assertThat(path(desk, 0, 0).knots().get(0).at().x()).isCloseTo(200 + 40 / zoom - W / 2.0, within(3.0));
        desk.choose("What Mask 1 goes with", "stays in the frame");
        Point frame = path(desk, 0, 0).knots().get(0).at();
        assertThat(mask(desk, 0).lock()).isEqualTo(Mask.Lock.FRAME);
        assertThat(frame.y()).as("now in pixels of the frame").isCloseTo(100, within(3.0));
        desk.section("Place");
        BufferedImage before = desk.picture(0);
        desk.press("Escape");
        desk.number("Rotation", "180");
        BufferedImage after = desk.picture(0);
        assertThat(alpha(after, 300, 150)).isEqualTo(alpha(before, 300, 150)).isEqualTo(255);
        assertThat(alpha(after, 920, 500)).isZero();
        desk.section("Cut");
        desk.page.getByTestId("mask-0").click();
        desk.button("Star").click();
        desk.drag(desk.at(100, 100, W), desk.at(300, 300, W));
        assertThat(path(desk, 1, 0).knots()).hasSize(10);
        follows(desk);
    }

    /** What follows the pointer at once lies where the engine then says it does; the layer is turned and scaled. */
    private static void follows(Desk desk) {
        desk.section("Place");
        desk.press("Escape");
        desk.number("Rotation", "203");
        desk.number("Scale across", "80");
        desk.section("Cut");
        desk.page.getByTestId("mask-1").click();
        for (String hold : new String[] {"mask-middle", "mask-corner-0", "mask-turn", "knot-3"}) {
            double[] from = desk.middle(hold);
            desk.page.mouse().move(from[0], from[1]);
            desk.page.mouse().down();
            desk.page.mouse().move(from[0] + 20, from[1] + 9);
            desk.page.mouse().move(from[0] + 31, from[1] + 17);
            List<?> meant = line(desk);
            desk.page.mouse().up();
            desk.saved();
            desk.shown();
            List<?> kept = line(desk);
            for (int i = 0; i < 4; i++) {
                assertThat(((Number) kept.get(i)).doubleValue())
                        .as("%s, %d", hold, i)
                        .isCloseTo(((Number) meant.get(i)).doubleValue(), within(0.05));
            }
            assertThat(kept.get(4)).as("the engine's word").isEqualTo("null");
        }
    }

    /** Two points of the second mask's line on the screen, one of them far along it, and how it is mapped. */
    private static List<?> line(Desk desk) {
        return (List<?>)
                desk.page.evaluate("() => { const line = document.querySelectorAll('.mask .path')[1]; const at ="
                        + " (share) => { const p = line.getPointAtLength(share *"
                        + " line.getTotalLength()).matrixTransform(line.getScreenCTM()); return [p.x, p.y]; }; return [...at(0),"
                        + " ...at(0.6), String(line.getAttribute('transform'))]; }");
    }
}
