package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.media.plates.Platform;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Marks are set and followed at the desk, and titles go with them, held against where the plates' figure and camera are. */
class FollowingTest {
    private static final int W = OnPlate.W;
    private static final int H = OnPlate.H;
    private static final double SCALE = OnPlate.SCALE;

    @TempDir
    Path folder;

    private Desk desk;

    private interface Steps {
        void take() throws IOException;
    }

    private void made(String name, int frames, String plate, Steps steps) throws IOException {
        OnPlate.made(folder, name, frames, plate, d -> {
            desk = d;
            steps.take();
        });
    }

    /** Marks a point of the plate on the frame that is shown, and has it followed through the clip. */
    private void follow(double x, double y) {
        desk.button("+ point").click();
        double[] at = desk.at(x / SCALE, y / SCALE, W);
        desk.page.mouse().click(at[0], at[1]);
        desk.saved();
        desk.page.getByText("follow both ways").click();
        Wait.until(
                "the mark has been followed", 120, () -> track().path().steps().size() > 20);
        desk.saved();
        desk.shown();
    }

    private Track track() {
        return OnPlate.clips(desk).get(0).tracks().get(0);
    }

    /**
     * J8, both takes: the mark is the head of the figure. The edge on the rendered film is where its soft step is half done;
     * the figure's true place is known by construction.
     */
    @Test
    void aTitleAppearsBehindHimAndGoesBeforeHim() throws IOException {
        made("Passing", 120, "platform", () -> {
            desk.frame(60);
            follow(Platform.walkerX(60), 562);
            assertThat(track().path().first()).isLessThan(12);
            DecodedFilm bare = new DecodedFilm(desk.render(folder.resolve("bare.mp4")), W, H);
            desk.add("One colour");
            desk.number("Colour as hexadecimal", "#ffffff");
            desk.number("Size down", "30");
            desk.section("Place");
            desk.number("Position down", "60");
            desk.menu("Colour", "Reveal behind Mark 1 of platform");
            desk.saved();
            DecodedFilm comes = new DecodedFilm(desk.render(folder.resolve("comes.mp4")), W, H);
            for (int n = 12; n < 119; n++) {
                assertThat(SCALE * edge(comes, bare, n))
                        .as("the edge on frame %d", n)
                        .isCloseTo(Platform.walkerX(n), within(6.0));
            }
            assertThat(edge(comes, bare, 0)).as("hidden before").isLessThan(1);
            desk.section("Cut");
            desk.choose("Shows", "what lies ahead");
            DecodedFilm goes = new DecodedFilm(desk.render(folder.resolve("goes.mp4")), W, H);
            for (int n = 12; n < 119; n++) {
                assertThat(SCALE * (W - edge(goes, bare, n)))
                        .as("the edge on frame %d", n)
                        .isCloseTo(Platform.walkerX(n), within(6.0));
            }
        });
    }

    /** How much of the bar is there, along its middle line: as long as what lies on one side of where it is half there. */
    private static double edge(DecodedFilm film, DecodedFilm bare, int frame) {
        double sum = 0;
        for (int x = 0; x < W; x++) {
            double ground = bare.at(frame, x, 60, 1);
            sum += (film.at(frame, x, 60, 1) - ground) / (255.0 - ground);
        }
        return sum;
    }

    /** J6 with a camera that drifts: a mask along the hill goes with a lamp of the scene. */
    @Test
    void aMaskGoesWithTheCamera() throws IOException {
        made("Drift", 60, "platform-drift", () -> {
            Point lamp = new Point(930 - Platform.driftX(0), 410.24 - Platform.driftY(0));
            desk.frame(0);
            follow(lamp.x(), lamp.y());
            desk.add("One colour");
            desk.number("Colour as hexadecimal", "#ffffff");
            desk.section("Cut");
            desk.button("Four points").click();
            desk.drag(desk.at(400, 60, W), desk.at(500, 120, W));
            desk.saved();
            desk.choose("What Mask 1 goes with", "goes with Mark 1 of platform-drift");
            desk.saved();
            DecodedFilm film = new DecodedFilm(desk.render(folder.resolve("drift.mp4")), W, H);
            for (int n = 0; n < 60; n += 3) {
                // The mean of where the white lies is the middle of the mask.
                double sum = 0;
                double across = 0;
                for (int y = 40; y < 140; y++) {
                    for (int x = 360; x < 540; x++) {
                        double white = Math.max(0, film.at(n, x, y, 1) - 128);
                        sum += white;
                        across += white * (x + 0.5);
                    }
                }
                double drifted = (Platform.driftX(n) - Platform.driftX(0)) / SCALE;
                assertThat(across / sum).as("the mask on frame %d", n).isCloseTo(450 - drifted, within(0.7));
            }
        });
    }

    /** A mark that was followed wrongly is set right by hand, and what was found survives undo, redo and a new window. */
    @Test
    void aCorrectionIsKept() throws IOException {
        made("Correction", 40, "platform", () -> {
            desk.frame(30);
            follow(Platform.walkerX(30), 562);
            desk.frame(20);
            double[] mark = desk.middle("mark-of-Mark 1-0");
            desk.drag(mark, new double[] {mark[0] + 12, mark[1]});
            TrackPath.Step step = track().path().step(20).orElseThrow();
            assertThat(step.by()).isEqualTo(TrackPath.By.HAND);
            assertThat(desk.page.getByTestId("track-here").textContent()).contains("set by hand");
            TrackPath before = track().path();
            desk.press("Control+z");
            desk.saved();
            assertThat(track().path()).isNotEqualTo(before);
            desk.press("Control+Shift+z");
            desk.saved();
            assertThat(track().path()).isEqualTo(before);
            // By keyboard: the mark is moved by a pixel of the shot, which is three of the clip.
            desk.page.getByTestId("mark-of-Mark 1-0").focus();
            desk.page.keyboard().press("ArrowLeft");
            desk.saved();
            double moved = track().path().step(20).orElseThrow().at().get(0).x()
                    - step.at().get(0).x();
            assertThat(moved).isCloseTo(-SCALE, within(0.01));
            desk.page.getByText("leave out").click();
            desk.saved();
            assertThat(track().path().step(20).orElseThrow().by()).isEqualTo(TrackPath.By.LEFT_OUT);
            desk.page.reload();
            desk.ready();
            assertThat(track().path().step(20).orElseThrow().by()).isEqualTo(TrackPath.By.LEFT_OUT);
        });
    }

    /** A region is followed slowly; where that is stopped, what was found stays, and following goes on from there. */
    @Test
    void whatIsStoppedKeepsWhatItHas() throws IOException {
        made("Stopped", 40, "platform", () -> {
            desk.button("+ region").click();
            for (double[] corner : new double[][] {{1300, 400}, {1640, 400}, {1640, 560}, {1300, 560}}) {
                double[] at = desk.at(corner[0] / SCALE, corner[1] / SCALE, W);
                desk.page.mouse().click(at[0], at[1]);
            }
            desk.saved();
            assertThat(track().kind()).isEqualTo(Track.Kind.REGION);
            desk.page.getByText("follow →").click();
            desk.page.getByTestId("followed-so-far").first().waitFor();
            desk.page
                    .getByText("Stop", new Page.GetByTextOptions().setExact(true))
                    .click();
            desk.page.getByText("follow →").waitFor();
            desk.saved();
            int found = track().path().steps().size();
            assertThat(found).isBetween(2, 120);
            // The scenery stands still.
            Point first = track().marks().get(0);
            for (TrackPath.Step step : track().path().steps()) {
                assertThat(step.at().get(0).minus(first).length()).isLessThan(1);
            }
        });
    }

    /** What is pinned lies beside the figure on each frame. */
    @Test
    void aLayerIsPinnedToHim() throws IOException {
        made("Pinned", 110, "platform", () -> {
            desk.frame(60);
            follow(Platform.walkerX(60), 562);
            desk.add("One colour");
            desk.section("Place");
            desk.number("Position across", "300");
            desk.number("Position down", "60");
            desk.number("Scale across", "5");
            desk.menu("Colour", "Pin to Mark 1 of platform");
            desk.saved();
            Shot shot = desk.shot();
            String id = shot.layers().get(0).id();
            double there =
                    new Moment(shot, 60).of(id).toShot().apply(Point.ORIGIN).x();
            assertThat(there).isCloseTo(300, within(0.01));
            for (int n = 15; n < 110; n += 5) {
                double x =
                        new Moment(shot, n).of(id).toShot().apply(Point.ORIGIN).x();
                double truth = 300 + (Platform.walkerX(n) - Platform.walkerX(60)) / SCALE;
                assertThat(x).as("frame %d", n).isCloseTo(truth, within(2.0));
            }
        });
    }
}
