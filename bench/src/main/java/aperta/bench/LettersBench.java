package aperta.bench;

import aperta.core.picture.Bytes;
import aperta.core.picture.Yuv;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.PreparedFrame;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.Png;
import aperta.media.ffmpeg.Probe;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.output.Outputs;
import aperta.media.render.Film;
import aperta.media.sound.Recordings;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Footage in letters (J1) at 1920 × 1080, against ffmpeg's own filters for the same picture. */
final class LettersBench {
    private static final Format FORMAT = new Format(1920, 1080, Rate.of(24));
    private static final int FRAMES = 120;
    private static final int ROUNDS = 3;

    private final Path rain;
    private final Path platform;
    private final Workers workers;
    private final Map<String, Clip> clips;

    LettersBench(Path rain, Path platform, Workers workers) {
        this.rain = rain;
        this.platform = platform;
        this.workers = workers;
        this.clips = Map.of("rain", clip(rain), "platform", clip(platform));
    }

    private static Clip clip(Path file) {
        return new Clip(file.toString(), file, Probe.of(file), Optional.empty());
    }

    private static Shot shot() {
        Place middle = Place.at(FORMAT.centre());
        Span all = Span.of(0, FRAMES);
        Layer words =
                Layer.of("words", "words", Content.Text.of("LAST TRAM\nTO ORRIN HILL", "anton", 310), all, middle);
        Layer rain = Layer.of("rain", "rain", new Content.Footage("rain"), all, middle)
                .withCut(Optional.of(new Cut("words", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        Layer platform = Layer.of("platform", "platform", new Content.Footage("platform"), all, middle);
        return new Shot("J1", FORMAT, FRAMES, List.of(words, rain, platform));
    }

    void run(PrintStream out) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("aperta-bench");
        Path matte = folder.resolve("matte.png");
        matte(matte);
        Path ours = folder.resolve("ours.mp4");
        Path theirs = folder.resolve("theirs.mp4");
        // Once for nothing, so that the compiler and the disk are warm.
        draw();
        ffmpeg(matte, theirs, false);
        Times[] bare = Times.inTurn(ROUNDS, this::draw, () -> ffmpeg(matte, theirs, false));
        Times[] encoded = Times.inTurn(ROUNDS, () -> render(ours), () -> ffmpeg(matte, theirs, true));
        out.println();
        out.println("| J1, " + FRAMES + " frames of 1920 × 1080 | Aperta | ffmpeg's filters | ratio |");
        out.println("|---|---|---|---|");
        row(out, "decode, compose, to 4:2:0", bare);
        row(out, "the same and H.264, medium, crf 16", encoded);
        for (Path p : List.of(matte, ours, theirs, folder)) {
            Files.deleteIfExists(p);
        }
    }

    private static void row(PrintStream out, String what, Times[] t) {
        out.printf(
                Locale.ROOT,
                "| %s | %s | %s | %.2f |%n",
                what,
                t[0].shown(),
                t[1].shown(),
                t[0].median() / t[1].median());
    }

    private void matte(Path file) throws IOException {
        try (ClipSources sources = sources();
                OutputStream to = Files.newOutputStream(file)) {
            PreparedFrame words =
                    new Renderer(Cache.NONE, workers).show(planner(sources).plan(new Moment(shot(), 0), "words", 1), 0);
            Png.write(words, Bytes.See.MATTE, to);
        }
    }

    private ClipSources sources() {
        return new ClipSources(id -> Optional.ofNullable(clips.get(id)));
    }

    private static Planner planner(ClipSources sources) {
        return new Planner(sources, new FontShelf(id -> Optional.empty()));
    }

    private void render(Path file) {
        try (ClipSources sources = sources()) {
            new Film(planner(sources), Recordings.none(), workers)
                    .render(shot(), Outputs.H264, file, n -> {}, () -> false);
        }
    }

    /** All but the encoder: frames end as the samples that it would get. */
    private void draw() {
        try (ClipSources sources = sources()) {
            new Film(planner(sources), Recordings.none(), workers).frames(shot(), new Samples(), n -> {}, () -> false);
        }
    }

    private static final class Samples implements FrameWriter {
        private final byte[] samples = new byte[Yuv.size(FORMAT.width(), FORMAT.height())];

        @Override
        public void write(PreparedFrame shown, long number) {
            shown.planar420(samples);
        }

        @Override
        public void finish() {
            // Nothing is kept.
        }

        @Override
        public void close() {
            // Nothing is kept.
        }
    }

    private void ffmpeg(Path matte, Path out, boolean encode) throws IOException, InterruptedException {
        List<String> head = List.of(
                "ffmpeg",
                "-nostdin",
                "-v",
                "error",
                "-y",
                "-i",
                platform.toString(),
                "-i",
                rain.toString(),
                "-loop",
                "1",
                "-framerate",
                "24",
                "-i",
                matte.toString(),
                "-filter_complex",
                "[2]format=gray[m];[1][m]alphamerge[w];[0][w]overlay=shortest=1:format=auto,format=yuv420p[v]",
                "-map",
                "[v]",
                "-frames:v",
                Integer.toString(FRAMES));
        List<String> tail = encode
                ? List.of(
                        "-c:v",
                        "libx264",
                        "-preset",
                        "medium",
                        "-crf",
                        "16",
                        "-colorspace",
                        "bt709",
                        "-movflags",
                        "+faststart",
                        out.toString())
                : List.of("-f", "null", "-");
        List<String> all = new ArrayList<>(head);
        all.addAll(tail);
        int exit = new ProcessBuilder(all).inheritIO().start().waitFor();
        if (exit != 0) {
            throw new IOException("ffmpeg ended with " + exit);
        }
    }
}
