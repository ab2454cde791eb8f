package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import org.junit.jupiter.api.Test;

/** Marks on made films, whose every place is known, are found where they are. */
class FollowingTest {
    private static final Track.Clip CLIP = new Track.Clip(320, 200, Rate.of(24));
    private static final List<Point> QUAD =
            List.of(new Point(90.3, 60.2), new Point(210.1, 55.7), new Point(215.8, 140.4), new Point(95.5, 150.9));

    private static Track track(Track.Kind kind, long at, List<Point> marks, Track.Lost lost) {
        return new Track("t", "Mark", kind, CLIP, at, marks, 31, 24, lost, 0, TrackPath.of(at, marks));
    }

    private static TrackPath follow(Track track, Film film) {
        return Following.follow(track, Optional.empty(), 0, film.frames() - 1, film, (p, f) -> true);
    }

    private static double furthest(TrackPath path, MadeFilm film, List<Point> first) {
        double most = 0;
        for (int i = 0; i < path.steps().size(); i++) {
            for (int m = 0; m < first.size(); m++) {
                Point truth = film.at(first.get(m), path.first() + i);
                most = Math.max(
                        most, path.steps().get(i).at().get(m).minus(truth).length());
            }
        }
        return most;
    }

    private static Homography shift(double x, double y) {
        return Homography.of(Affine.translation(x, y));
    }

    private static final LongFunction<Homography> DRIFT =
            f -> shift(30 * Math.sin(f / 17.0) + 0.37 * f - 20, 14 * Math.sin(f / 11.0 + 1));

    private static Homography turned(long f) {
        double s = 1 + 0.25 * Math.sin(f / 30.0);
        return Homography.of(Affine.translation(-160, -100)
                .then(Affine.scale(s, s))
                .then(Affine.rotation(14 * Math.sin(f / 25.0)))
                .then(Affine.translation(160 + 0.2 * f, 100 + 6 * Math.sin(f / 9.0))));
    }

    private static Homography leaning(long f) {
        double k = 0.0006 * Math.sin(f / 28.0);
        double j = 0.0004 * Math.sin(f / 19.0);
        Homography about = shift(-160, -100);
        Homography lean = new Homography(new double[] {1, 0.02 * Math.sin(f / 23.0), 0, 0, 1, 0, k, j, 1});
        return about.then(lean).then(shift(160 + 8 * Math.sin(f / 14.0), 100));
    }

    @Test
    void aPointIsFoundBetweenPixels() {
        MadeFilm film = MadeFilm.of(DRIFT);
        for (Point p : List.of(new Point(150.3, 100.8), new Point(171.6, 90.1))) {
            Track track = track(Track.Kind.POINT, 40, List.of(film.at(p, 40)), Track.Lost.STOP);
            TrackPath path = follow(track, film);
            assertThat(path.first()).isZero();
            assertThat(path.last()).isEqualTo(119);
            assertThat(furthest(path, film, List.of(p))).isLessThan(0.2);
            assertThat(path.steps()).allMatch(s -> s.sure() > 0.9);
        }
    }

    @Test
    void lightThatChangesAndGrainLeaveItThere() {
        MadeFilm film = new MadeFilm(DRIFT, 0.3, 0.02, -1, -1);
        Point p = new Point(150.3, 100.8);
        TrackPath path = follow(track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP), film);
        assertThat(path.last()).isEqualTo(119);
        assertThat(furthest(path, film, List.of(p))).isLessThan(0.2);
    }

    @Test
    void twoPointsTellTurnAndScale() {
        MadeFilm film = MadeFilm.of(FollowingTest::turned);
        List<Point> first = List.of(new Point(120, 90), new Point(205, 118));
        List<Point> marks = first.stream().map(p -> film.at(p, 0)).toList();
        Track track = track(Track.Kind.PAIR, 0, marks, Track.Lost.STOP);
        TrackPath path = follow(track, film);
        assertThat(path.last()).isEqualTo(119);
        assertThat(furthest(path, film, first)).isLessThan(0.5);
        Track followed = track.withPath(path);
        for (long f : new long[] {20, 47, 90}) {
            double turn = 14 * Math.sin(f / 25.0);
            assertThat(Math.abs(followed.turn(f) - turn)).isLessThan(0.5);
            assertThat(Math.abs(followed.scale(f) - (1 + 0.25 * Math.sin(f / 30.0))))
                    .isLessThan(0.01);
        }
    }

    @Test
    void aRegionIsFoundInPerspective() {
        MadeFilm film = new MadeFilm(FollowingTest::leaning, 0.15, 0.01, -1, -1);
        List<Point> marks = QUAD.stream().map(p -> film.at(p, 0)).toList();
        TrackPath path = follow(track(Track.Kind.REGION, 0, marks, Track.Lost.STOP), film);
        assertThat(path.last()).isEqualTo(119);
        assertThat(furthest(path, film, QUAD)).isLessThan(0.5);
    }

    @Test
    void fourCornersAreFoundEachByItself() {
        MadeFilm film = MadeFilm.of(FollowingTest::leaning);
        List<Point> marks = QUAD.stream().map(p -> film.at(p, 0)).toList();
        TrackPath path = follow(track(Track.Kind.CORNERS, 0, marks, Track.Lost.STOP), film);
        assertThat(path.last()).isEqualTo(119);
        assertThat(furthest(path, film, QUAD)).isLessThan(0.5);
    }

    @Test
    void forwardsAndBackwardsAgree() {
        MadeFilm film = new MadeFilm(DRIFT, 0.1, 0.01, -1, -1);
        Point p = new Point(150.3, 100.8);
        TrackPath forth = follow(track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP), film);
        TrackPath back = follow(track(Track.Kind.POINT, 119, List.of(film.at(p, 119)), Track.Lost.STOP), film);
        for (long f = 0; f < 120; f++) {
            Point a = forth.step(f).orElseThrow().at().get(0);
            Point b = back.step(f).orElseThrow().at().get(0);
            assertThat(a.minus(b).length()).as("frame %d", f).isLessThan(0.2);
        }
    }

    /** Eight frames of something in front: they are guessed, and said to be; before and after, it is there. */
    @Test
    void anOccluderIsSurvivedOrReported() {
        LongFunction<Homography> even = f -> shift(1.1 * f - 50, 0.3 * f);
        MadeFilm film = new MadeFilm(even, 0, 0.01, 50, 57);
        Point p = new Point(150.3, 80.8);
        TrackPath path = follow(track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.GO_ON), film);
        assertThat(path.last()).isEqualTo(119);
        for (long f = 0; f < 120; f++) {
            TrackPath.Step step = path.step(f).orElseThrow();
            boolean hidden = f >= 50 && f <= 57;
            assertThat(step.by()).as("frame %d", f).isEqualTo(f == 0 ? By.HAND : hidden ? By.GUESSED : By.FOUND);
            assertThat(step.at().get(0).minus(film.at(p, f)).length())
                    .as("frame %d", f)
                    .isLessThan(hidden ? 2.5 : 0.3);
        }
        TrackPath stops = follow(track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP), film);
        assertThat(stops.last()).isEqualTo(49);
    }

    /** A frame set by hand is never changed, and only what lies beside it is followed anew. */
    @Test
    void aCorrectedFrameIsFixed() {
        MadeFilm film = new MadeFilm(DRIFT, 0, 0, 60, 75);
        Point p = new Point(150.3, 100.8);
        Track stopped = track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP);
        TrackPath path = follow(stopped, film);
        assertThat(path.last()).isEqualTo(59);
        Track corrected = stopped.withPath(path.with(60, new TrackPath.Step(List.of(film.at(p, 60)), 1, By.HAND)));
        List<Long> looked = new ArrayList<>();
        TrackPath next = Following.follow(corrected, Optional.empty(), 40, 110, film, (soFar, f) -> looked.add(f));
        assertThat(looked).allMatch(f -> f < 60 || f > 60);
        assertThat(next.step(60).orElseThrow().by()).isEqualTo(By.HAND);
    }

    /** What was found before isn't looked for again, and what is found then is the same as if it had gone through. */
    @Test
    void itGoesOnFromWhatItHad() {
        MadeFilm film = MadeFilm.of(DRIFT);
        Point p = new Point(150.3, 100.8);
        Track track = track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP);
        TrackPath half = Following.follow(track, Optional.empty(), 0, 119, film, (soFar, f) -> f < 30);
        List<Long> looked = new ArrayList<>();
        TrackPath whole = Following.follow(track, Optional.of(half), 0, 119, film, (soFar, f) -> looked.add(f));
        assertThat(looked.get(0)).isEqualTo(31);
        assertThat(whole.last()).isEqualTo(119);
        assertThat(furthest(whole, film, List.of(p))).isLessThan(0.2);
    }

    @Test
    void whatIsStoppedKeepsWhatItHas() {
        MadeFilm film = MadeFilm.of(DRIFT);
        Point p = new Point(150.3, 100.8);
        Track track = track(Track.Kind.POINT, 0, List.of(film.at(p, 0)), Track.Lost.STOP);
        TrackPath path = Following.follow(track, Optional.empty(), 0, 119, film, (soFar, f) -> f < 30);
        assertThat(path.last()).isEqualTo(30);
        assertThat(Following.looks(track, 0, 119)).isEqualTo(119);
    }
}
