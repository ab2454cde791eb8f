package aperta.media.output;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.Renderer;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import aperta.media.render.Film;
import aperta.media.sound.Recordings;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every output, written from a shot with transparent parts and read back by ffmpeg and ffprobe themselves. */
class OutputsTest {
    private static final Format FORMAT = new Format(160, 90, Rate.of(24));
    private static final int FRAMES = 12;

    @TempDir
    Path folder;

    /** A word and a translucent box that moves, on nothing. */
    private static Shot shot() {
        Layer word = Layer.of(
                "w",
                "w",
                Content.Text.of("LINE 9", "anton", 40).withFill(Paint.solid(Colour.parse("#e0a040"))),
                Span.of(0, FRAMES),
                Place.at(new Point(80, 30)));
        Content half = new Content.Fill(
                Animated.of(new Point(60, 30)), new Paint.Solid(Animated.of(Colour.parse("#2050c080"))));
        Animated<Point> moving = new Animated<>(
                new Point(40, 68),
                List.of(new Key<>(0, new Point(40, 68), Ease.LINEAR), new Key<>(11, new Point(117, 66), Ease.LINEAR)));
        Layer box = Layer.of("b", "b", half, Span.of(0, FRAMES), Place.at(new Point(40, 68)));
        return new Shot(
                "Line 9",
                FORMAT,
                FRAMES,
                List.of(word, box.withPlace(box.place().withPosition(moving))));
    }

    private Path rendered(Output output) {
        Path file = folder.resolve("shot" + output.suffix());
        try (ClipSources none = new ClipSources(id -> Optional.empty())) {
            new Film(planner(none), Recordings.none(), Bands.IN_TURN)
                    .render(shot(), output, file, n -> {}, () -> false);
        }
        return file;
    }

    private static Planner planner(ClipSources sources) {
        return new Planner(sources, new FontShelf(id -> Optional.empty()));
    }

    /** The frames as they are meant: rows of red, green, blue and straight alpha. */
    private static byte[] meant(int number) {
        try (ClipSources none = new ClipSources(id -> Optional.empty())) {
            Planner planner = planner(none);
            return new Renderer(Cache.NONE, Bands.IN_TURN)
                    .show(planner.plan(planner.moment(shot(), number), 1), number)
                    .rgba(Bytes.See.PICTURE);
        }
    }

    private static String run(String... command) throws IOException, InterruptedException {
        return new String(bytes(command)).strip();
    }

    private static byte[] bytes(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        process.getOutputStream().close();
        try (InputStream in = process.getInputStream()) {
            byte[] all = in.readAllBytes();
            assertThat(process.waitFor()).as(String.join(" ", command)).isZero();
            return all;
        }
    }

    /** All frames of a film as ffmpeg decodes it, by BT.709. */
    private static byte[] decoded(Path file, String... decoder) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error"));
        command.addAll(List.of(decoder));
        command.addAll(List.of(
                "-i",
                file.toString(),
                "-vf",
                "scale=in_color_matrix=bt709:flags=accurate_rnd+full_chroma_int+full_chroma_inp",
                "-f",
                "rawvideo",
                "-pix_fmt",
                "rgba",
                "-"));
        return bytes(command.toArray(String[]::new));
    }

    @ParameterizedTest
    @CsvSource({
        "H264, h264, yuv420p, tv, bt709",
        "PRORES, prores, yuva444p12le|yuva444p10le, tv, bt709",
        "VP9, vp9, yuv420p, tv, bt709",
        "FFV1, ffv1, bgra, pc, gbr"
    })
    void aFilmSaysWhatItIs(String word, String codec, String pixels, String range, String matrix) throws Exception {
        Path file = rendered(Outputs.of(word));
        String said = run(
                "ffprobe",
                "-v",
                "error",
                "-count_frames",
                "-select_streams",
                "v:0",
                "-show_entries",
                "stream=codec_name,pix_fmt,color_range,color_space,color_primaries,color_transfer,nb_read_frames,r_frame_rate,width,height",
                "-of",
                "default=noprint_wrappers=1",
                file.toString());
        assertThat(said)
                .contains("codec_name=" + codec, "color_range=" + range, "nb_read_frames=" + FRAMES)
                .contains("r_frame_rate=24/1", "width=160", "height=90")
                .containsPattern("pix_fmt=(" + pixels + ")")
                .contains("color_space=" + matrix, "color_primaries=bt709", "color_transfer=bt709");
    }

    @Test
    void ffv1GivesEveryValueBack() throws Exception {
        byte[] all = decoded(rendered(Outputs.of("FFV1")));
        int size = 160 * 90 * 4;
        assertThat(all).hasSize(size * FRAMES);
        for (int n = 0; n < FRAMES; n++) {
            byte[] frame = meant(n);
            for (int i = 0; i < size; i++) {
                // Where nothing is seen, ffmpeg keeps what colour there was; so do we.
                assertThat(all[n * size + i]).as("frame %d, byte %d", n, i).isEqualTo(frame[i]);
            }
        }
    }

    /** ProRes is given ten bits of alpha, which come back to eight within one step; what VP9 stores is near. */
    @ParameterizedTest
    @CsvSource({"PRORES, '', 0.3, 2", "VP9, libvpx-vp9, 1.2, 5"})
    void alphaAndColoursSurvive(String word, String decoder, double alphaOff, double colourOff) throws Exception {
        Path file = rendered(Outputs.of(word));
        byte[] all = decoder.isEmpty() ? decoded(file) : decoded(file, "-c:v", decoder);
        int size = 160 * 90 * 4;
        assertThat(all).hasSize(size * FRAMES);
        double alpha = 0;
        double colour = 0;
        long opaque = 0;
        for (int n = 0; n < FRAMES; n++) {
            byte[] frame = meant(n);
            for (int i = 0; i < size; i += 4) {
                alpha += Math.abs((frame[i + 3] & 0xff) - (all[n * size + i + 3] & 0xff));
                if ((frame[i + 3] & 0xff) == 255) {
                    opaque++;
                    for (int c = 0; c < 3; c++) {
                        colour += Math.abs((frame[i + c] & 0xff) - (all[n * size + i + c] & 0xff)) / 3.0;
                    }
                }
            }
        }
        assertThat(alpha / (size / 4.0 * FRAMES)).as("mean error of alpha").isCloseTo(0, within(alphaOff + 1e-9));
        assertThat(opaque).isPositive();
        assertThat(colour / opaque).as("mean error of opaque colours").isLessThan(colourOff);
    }

    @ParameterizedTest
    @ValueSource(strings = {"PRORES", "VP9", "FFV1", "H264"})
    void theSameShotIsTheSameFile(String word) throws Exception {
        byte[] one = Files.readAllBytes(rendered(Outputs.of(word)));
        assertThat(Arrays.mismatch(Files.readAllBytes(rendered(Outputs.of(word))), one))
                .as("first byte that differs")
                .isEqualTo(-1);
    }

    @Test
    void outputsAreFoundByWordAndByEnding() {
        Set<String> seen = new HashSet<>();
        for (Output o : Outputs.all()) {
            assertThat(seen.add(o.word()) && seen.add(o.suffix()) && seen.add(o.label()))
                    .isTrue();
            assertThat(Outputs.of(o.word())).isSameAs(o);
            assertThat(Outputs.bySuffix(Path.of("a/shot" + o.suffix()))).isSameAs(o);
            assertThat(o.description().summary()).endsWith(".");
        }
        assertThatThrownBy(() -> Outputs.of("AVI")).hasMessageContaining("there are H264, PNG");
        assertThatThrownBy(() -> Outputs.bySuffix(Path.of("shot.avi"))).hasMessageContaining(".mp4 (H.264)");
        assertThat(Outputs.of("VP9").refusal(new Format(101, 64, Rate.of(24)))).isPresent();
        assertThat(Outputs.of("PRORES").refusal(new Format(101, 64, Rate.of(24))))
                .isEmpty();
    }
}
