package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Real footage: a person in the pedestrian clip of Debian's package opencv-doc, whose head was marked by eye. */
class PedestrianTest {
    private static final Path FILE = Path.of("/usr/share/doc/opencv-doc/examples/data/vtest.avi");

    /** Frame, and where the middle of the head is, by eye, to about four pixels. */
    private static final double[][] HEAD = {
        {560, 214, 404}, {570, 190, 424}, {580, 207, 443}, {590, 279, 448}, {600, 302, 443}, {610, 373, 442},
        {620, 404, 434}, {630, 378, 408}, {640, 357, 398}, {650, 355, 382}, {660, 309, 369}, {670, 245, 357},
        {680, 169, 341}
    };

    @Test
    void aHeadIsFollowedThroughAHundredFrames() {
        Clip clip = new Clip("walk", FILE, Probe.of(FILE), Optional.empty());
        try (ClipSources sources = new ClipSources(id -> Optional.of(clip))) {
            ClipFilm film = new ClipFilm(sources, "walk", 1);
            Track.Clip of = new Track.Clip(
                    film.width(), film.height(), sources.info("walk").rate());
            List<Point> mark = List.of(new Point(302, 443));
            Track track = new Track(
                    "t", "Head", Track.Kind.POINT, of, 600, mark, 30, 24, Track.Lost.GO_ON, 0, TrackPath.of(600, mark));
            TrackPath path = Following.follow(track, Optional.empty(), 560, 680, film, (p, f) -> true);
            assertThat(path.first()).isEqualTo(560);
            assertThat(path.last()).isEqualTo(680);
            for (double[] h : HEAD) {
                Point at = path.step((long) h[0]).orElseThrow().at().get(0);
                // At 560 somebody stands behind her, at 620 she turns round: there it is off by a third of the head.
                double most = h[0] == 560 || h[0] == 620 ? 12 : 6;
                assertThat(at.minus(new Point(h[1], h[2])).length())
                        .as("frame %.0f", h[0])
                        .isLessThan(most);
            }
            // While she turns, what is guessed is said to be.
            assertThat(path.step(620).orElseThrow().by()).isEqualTo(By.GUESSED);
            assertThat(path.steps().stream().filter(s -> s.by() == By.GUESSED)).hasSizeLessThan(15);
        }
    }
}
