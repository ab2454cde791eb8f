package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.plates.Plates;
import aperta.media.plates.Platform;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Marks in the demo's plates, whose figure and whose camera are known by construction. */
class PlatesTest {
    private static final Track.Clip CLIP = new Track.Clip(1920, 1080, Rate.of(24));
    /** Where the figure's head is above the ground on which it stands. */
    private static final double HEAD = 905 - 345;

    @TempDir
    Path folder;

    private TrackPath follow(String plate, long at, Point mark, double patch, Track.Lost lost, long from, long to) {
        Path file = Plates.file(plate, folder, words -> {});
        Clip clip = new Clip(plate, file, Probe.of(file), Optional.empty());
        try (ClipSources sources = new ClipSources(id -> Optional.of(clip))) {
            Track track = new Track(
                    "t",
                    "Mark",
                    Track.Kind.POINT,
                    CLIP,
                    at,
                    List.of(mark),
                    patch,
                    60,
                    lost,
                    0,
                    TrackPath.of(at, List.of(mark)));
            return Following.follow(track, Optional.empty(), from, to, new ClipFilm(sources, plate, 1), (p, f) -> true);
        }
    }

    private static void assertOnFigure(TrackPath path, double drift) {
        // A quarter of the figure is in the picture from frame 6 to frame 126.
        assertThat(path.first()).isLessThanOrEqualTo(10);
        assertThat(path.last()).isGreaterThanOrEqualTo(122);
        double most = 0;
        for (int i = 0; i < path.steps().size(); i++) {
            long f = path.first() + i;
            double truth = Platform.walkerX(f) - drift * Platform.driftX(f);
            most = Math.max(most, Math.abs(path.steps().get(i).at().get(0).x() - truth));
        }
        assertThat(most).isLessThan(6);
    }

    @Test
    void theFigureIsFollowedAcross() {
        long at = 40;
        TrackPath path = follow("platform", at, new Point(Platform.walkerX(at), HEAD), 64, Track.Lost.GO_ON, 0, 131);
        assertOnFigure(path, 0);
    }

    @Test
    void theFigureIsFollowedWhereTheCameraDrifts() {
        long at = 60;
        Point head = new Point(Platform.walkerX(at) - Platform.driftX(at), HEAD - Platform.driftY(at));
        TrackPath path = follow("platform-drift", at, head, 64, Track.Lost.GO_ON, 0, 131);
        assertOnFigure(path, 1);
    }

    /** A lamp of the drifting scene moves as the camera does, the other way. */
    @Test
    void theCameraIsFollowedByTheScene() {
        // The third lamp: at 1330 - 1180/z, 556 - 430/z for z = 2.95.
        Point lamp = new Point(930, 410.24);
        Point mark = new Point(lamp.x() - Platform.driftX(0), lamp.y() - Platform.driftY(0));
        TrackPath path = follow("platform-drift", 0, mark, 80, Track.Lost.GO_ON, 0, 131);
        assertThat(path.last()).isEqualTo(131);
        for (int i = 0; i < path.steps().size(); i++) {
            Point truth = new Point(lamp.x() - Platform.driftX(i), lamp.y() - Platform.driftY(i));
            assertThat(path.steps().get(i).at().get(0).minus(truth).length())
                    .as("frame %d", i)
                    .isLessThan(1);
        }
    }
}
