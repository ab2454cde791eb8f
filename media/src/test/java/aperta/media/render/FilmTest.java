package aperta.media.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.render.Planner;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Clips;
import aperta.media.ffmpeg.Probe;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.output.Outputs;
import aperta.media.sound.Recordings;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FilmTest {
    @TempDir
    Path folder;

    private static final Format FORMAT = new Format(160, 90, Rate.of(24));

    private static Shot shot(Content content) {
        Layer layer = Layer.of("a", "a", content, Span.of(0, 20), Place.at(new Point(80, 45)));
        return new Shot("Terminus", FORMAT, 20, List.of(layer));
    }

    private static Film film(ClipSources sources) {
        return new Film(new Planner(sources, new FontShelf(id -> Optional.empty())), Recordings.none(), Bands.IN_TURN);
    }

    @Test
    void tellsHowFarItIsAndLeavesOnlyTheFinishedFile() throws Exception {
        List<Long> told = new ArrayList<>();
        try (ClipSources none = new ClipSources(id -> Optional.empty())) {
            film(none)
                    .render(
                            shot(Content.Text.of("TERMINUS", "anton", 30)),
                            Outputs.H264,
                            folder.resolve("t.mp4"),
                            told::add,
                            () -> false);
        }
        assertThat(told).hasSize(20).endsWith(20L);
        assertThat(Probe.of(folder.resolve("t.mp4")).frames()).isEqualTo(20);
        try (var files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString())).containsExactly("t.mp4");
        }
    }

    @Test
    void aCancelledRenderLeavesNothing() throws Exception {
        long[] done = {0};
        try (ClipSources none = new ClipSources(id -> Optional.empty())) {
            assertThatThrownBy(() -> film(none)
                            .render(
                                    shot(Content.Text.of("TERMINUS", "anton", 30)),
                                    Outputs.PNG,
                                    folder.resolve("t.zip"),
                                    n -> done[0] = n,
                                    () -> done[0] >= 3))
                    .hasMessageContaining("cancelled");
        }
        try (var files = Files.list(folder)) {
            assertThat(files).isEmpty();
        }
    }

    @Test
    void aFailureNamesTheFrameAndTheReason() throws Exception {
        Path clip = Clips.moving(folder.resolve("c.mp4"), "160x90", "24", 8, "-c:v", "libx264", "-pix_fmt", "yuv420p");
        Probe longer = Probe.of(clip).withFrames(20);
        try (ClipSources sources = new ClipSources(id -> Optional.of(new Clip("c", clip, longer, Optional.empty())))) {
            assertThatThrownBy(() -> film(sources)
                            .render(
                                    shot(new Content.Footage("c")),
                                    Outputs.H264,
                                    folder.resolve("t.mp4"),
                                    n -> {},
                                    () -> false))
                    .hasMessageStartingWith("Frame 8: ")
                    .hasMessageContaining("c.mp4");
        }
        assertThat(folder.resolve("t.mp4")).doesNotExist();
    }

    @Test
    void aDiskThatCannotBeWrittenIsSaid() {
        try (ClipSources none = new ClipSources(id -> Optional.empty())) {
            assertThatThrownBy(() -> film(none)
                            .render(
                                    shot(Content.Text.of("X", "anton", 30)),
                                    Outputs.H264,
                                    folder.resolve("missing/t.mp4"),
                                    n -> {},
                                    () -> false))
                    .hasMessageContaining("couldn't be written");
        }
    }
}
