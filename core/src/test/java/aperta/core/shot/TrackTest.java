package aperta.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.shot.TrackPath.By;
import aperta.core.shot.TrackPath.Step;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;

/** What marks tell of the motion of a clip. */
class TrackTest {
    private static final Track.Clip CLIP = new Track.Clip(160, 90, Rate.of(24));
    private static final List<Point> QUAD =
            List.of(new Point(40, 20), new Point(110, 25), new Point(105, 70), new Point(45, 66));

    private static Track track(
            Track.Kind kind, double smooth, List<Point> marks, int frames, IntFunction<Homography> at) {
        List<Step> steps = new ArrayList<>();
        for (int f = 0; f < frames; f++) {
            Homography h = at.apply(f);
            steps.add(new Step(marks.stream().map(h::apply).toList(), 1, f == 0 ? By.HAND : By.FOUND));
        }
        return new Track("t", "Mark", kind, CLIP, 0, marks, 20, 20, Track.Lost.STOP, smooth, new TrackPath(0, steps));
    }

    private static Homography turned(int f) {
        return Homography.of(Affine.translation(-80, -45)
                .then(Affine.scale(1 + 0.02 * f, 1 + 0.02 * f))
                .then(Affine.rotation(3 * f))
                .then(Affine.translation(80 + 2 * f, 45 - f)));
    }

    private static void assertNear(Point one, Point other) {
        assertThat(one.minus(other).length()).isLessThan(1e-9);
    }

    @Test
    void oneMarkTellsAWay() {
        Track t = track(
                Track.Kind.POINT, 0, List.of(new Point(50, 40)), 10, f -> Homography.of(Affine.translation(3 * f, -f)));
        assertNear(t.motion(7).apply(new Point(5, 5)), new Point(26, -2));
        // Between two frames it is between, and beyond its ends where it was.
        assertNear(t.place(2.5), new Point(50 - 80 + 7.5, 40 - 45 - 2.5));
        assertNear(t.place(100), t.place(9));
        assertThat(t.turn(5)).isZero();
    }

    @Test
    void twoMarksTellTurnAndScaleToo() {
        Track t = track(Track.Kind.PAIR, 0, QUAD.subList(0, 2), 10, TrackTest::turned);
        assertThat(t.turn(6)).isCloseTo(18, within(1e-9));
        assertThat(t.scale(6)).isCloseTo(1.12, within(1e-9));
        Point inClip = new Point(100, 60);
        Point own = inClip.minus(new Point(80, 45));
        assertNear(t.motion(6).apply(own), turned(6).apply(inClip).minus(new Point(80, 45)));
    }

    @Test
    void fourMarksTellPerspective() {
        Homography lean = new Homography(new double[] {1, 0.1, 4, 0.02, 1, -3, 0.001, 0.0005, 1});
        Track t = track(Track.Kind.CORNERS, 0, QUAD, 2, f -> f == 0 ? Homography.of(Affine.IDENTITY) : lean);
        Point inClip = new Point(72, 50);
        Point seen = t.perspective(1).apply(inClip.minus(new Point(80, 45)));
        assertNear(seen, lean.apply(inClip).minus(new Point(80, 45)));
        // What is affine is told as such exactly.
        Track flat = track(Track.Kind.REGION, 0, QUAD, 8, TrackTest::turned);
        assertNear(
                flat.motion(5).apply(new Point(3, 4)),
                turned(5).apply(new Point(83, 49)).minus(new Point(80, 45)));
    }

    @Test
    void anEvenMotionIsSmoothedIntoItself() {
        Track t = track(
                Track.Kind.POINT, 4, List.of(new Point(50, 40)), 40, f -> Homography.of(Affine.translation(3 * f, -f)));
        for (int f = 0; f < 40; f++) {
            assertNear(t.places(f).get(0), new Point(50 + 3 * f, 40 - f));
        }
        Track shaken = track(
                Track.Kind.POINT,
                3,
                List.of(new Point(50, 40)),
                40,
                f -> Homography.of(Affine.translation(f % 2 * 2, 0)));
        assertThat(shaken.places(20).get(0).x()).isCloseTo(51, within(0.01));
    }

    @Test
    void whatIsLeftOutLiesBetweenItsNeighbours() {
        Track t = track(
                Track.Kind.POINT,
                0,
                List.of(new Point(0, 0)),
                9,
                f -> Homography.of(Affine.translation(f == 4 || f == 5 ? 500 : 2 * f, 0)));
        TrackPath path = t.path();
        for (long f = 4; f < 6; f++) {
            path = path.with(f, path.step(f).orElseThrow().withBy(By.LEFT_OUT));
        }
        assertNear(t.withPath(path).places(4).get(0), new Point(8, 0));
        assertNear(t.withPath(path).places(5).get(0), new Point(10, 0));
    }

    /** An edge that goes with a mark never goes back, hasn't come before the first frame, and goes on after the last. */
    @Test
    void theEdgeNeverGoesBack() {
        double[] x = {0, 5, 12, 9, 8, 20, 31, 40, 50, 61, 70, 80};
        Track t = track(
                Track.Kind.POINT,
                0,
                List.of(new Point(80, 45)),
                x.length,
                f -> Homography.of(Affine.translation(x[f], 0)));
        assertThat(t.edge(-1, Point::x)).isEmpty();
        double before = Double.NEGATIVE_INFINITY;
        for (double f = 0; f < 30; f += 0.25) {
            double edge = t.edge(f, Point::x).orElseThrow();
            assertThat(edge).isGreaterThanOrEqualTo(before);
            before = edge;
        }
        assertThat(t.edge(3, Point::x).orElseThrow()).isEqualTo(12);
        // The pace of the last eight frames: (80 - 9) / 8 a frame.
        assertThat(t.edge(13, Point::x).orElseThrow()).isCloseTo(80 + 2 * 71 / 8.0, within(1e-9));
    }

    @Test
    void aClipOfAnotherRateIsFollowedOnTheFramesThatAreShown() {
        Track.Clip half = new Track.Clip(160, 90, Rate.of(12));
        assertThat(half.frame(7, Rate.of(24), Pace.EVEN)).isEqualTo(3);
        assertThat(CLIP.frame(7, Rate.of(24), Pace.EVEN)).isEqualTo(7);
        assertThat(CLIP.frame(7.25, Rate.of(24), Pace.EVEN)).isEqualTo(7.25);
        Pace slow = new Pace(0.5, false, 1, Optional.empty(), false);
        assertThat(CLIP.frame(3.5, Rate.of(24), slow)).isEqualTo(3);
    }

    @Test
    void itMustHaveAsManyMarksAsItNeeds() {
        assertThatThrownBy(() -> track(Track.Kind.PAIR, 0, QUAD, 2, TrackTest::turned))
                .hasMessage("'Mark' has 4 marks, where it needs 2.");
    }
}
