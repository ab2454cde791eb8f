package aperta.bench;

import aperta.core.geometry.Point;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.footage.Proxy;
import aperta.media.plates.Plates;
import aperta.media.plates.Platform;
import aperta.vision.ClipFilm;
import aperta.vision.CuttingOut;
import aperta.vision.FigureFinder;
import aperta.vision.Following;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** How many frames a second marks are followed and figures carried at, through a plate of 1920 × 1080, decoding included. */
final class FollowBench {
    private static final int TIMES = 5;
    private static final long FIGURE_AT = 48;

    void run(PrintStream out, Path plates) throws IOException {
        Path folder = Files.createTempDirectory("aperta-follow");
        Path file = Plates.file("platform", plates, words -> {});
        Probe probe = Probe.of(file);
        Path proxy = folder.resolve("proxy");
        long frames = Proxy.make(file, probe, proxy, done -> {}, () -> false);
        Clip clip = new Clip("platform", file, probe, Optional.empty()).imported(frames, Optional.of(proxy));
        out.println();
        out.println("| following, frames a second | forwards | backwards |");
        out.println("|---|---|---|");
        for (int level : new int[] {1, 2}) {
            String from = level == 1 ? "the original" : "the proxy";
            row(out, "a point, from " + from, clip, Track.Kind.POINT, level);
            row(out, "a region, from " + from, clip, Track.Kind.REGION, level);
        }
        figures(out, clip);
        Files.deleteIfExists(proxy);
        Files.deleteIfExists(folder);
    }

    private void figures(PrintStream out, Clip clip) {
        double[] firsts = new double[TIMES];
        double[] carried = new double[TIMES];
        double[] plates = new double[TIMES];
        List<BrushStroke> strokes = strokes(FIGURE_AT);
        for (int i = 0; i < TIMES; i++) {
            try (ClipSources sources = new ClipSources(id -> Optional.of(clip))) {
                long start = System.nanoTime();
                ClipFilm half = new ClipFilm(sources, "platform", 2);
                FigureFinder finder = new FigureFinder(half, 0, half.frames() - 1);
                plates[i] = (System.nanoTime() - start) / 1e9;
                start = System.nanoTime();
                finder.outlines(FIGURE_AT, strokes, Optional.empty(), Optional.empty());
                firsts[i] = (System.nanoTime() - start) / 1e6;
                Kept kept = new Kept();
                CuttingOut.carry(
                        strokes,
                        FIGURE_AT,
                        FIGURE_AT + 40,
                        new ClipFilm(sources, "platform", 1),
                        f -> Optional.empty(),
                        kept,
                        (f, alpha, sure) -> true);
                carried[i] = (kept.drafts.size() - 1) / ((System.nanoTime() - kept.begun) / 1e9);
            }
        }
        Arrays.sort(firsts);
        Arrays.sort(carried);
        Arrays.sort(plates);
        out.println();
        out.println("| cutting out | |");
        out.println("|---|---|");
        out.printf(Locale.ROOT, "| first answer to a stroke, at ½ | %.0f ms |%n", firsts[TIMES / 2]);
        out.printf(
                Locale.ROOT,
                "| the clip without the figure, before that, from the proxy | %.1f s |%n",
                plates[TIMES / 2]);
        out.printf(Locale.ROOT, "| a figure carried at full size | %.1f frames a second |%n", carried[TIMES / 2]);
    }

    private static List<BrushStroke> strokes(long frame) {
        double x = Platform.walkerX(frame);
        return List.of(
                new BrushStroke(frame, true, 10, List.of(new Point(x, 585), new Point(x - 4, 800))),
                new BrushStroke(
                        frame,
                        false,
                        8,
                        List.of(
                                new Point(x - 128, 500),
                                new Point(x + 128, 500),
                                new Point(x + 136, 925),
                                new Point(x - 136, 925),
                                new Point(x - 128, 500))));
    }

    private void row(PrintStream out, String what, Clip clip, Track.Kind kind, int level) {
        out.printf(
                Locale.ROOT,
                "| %s | %.0f | %.0f |%n",
                what,
                speed(clip, kind, level, 30, 90),
                speed(clip, kind, level, 90, 30));
    }

    private double speed(Clip clip, Track.Kind kind, int level, long from, long to) {
        double[] all = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            try (ClipSources sources = new ClipSources(id -> Optional.of(clip))) {
                double x = Platform.walkerX(from);
                List<Point> marks = kind == Track.Kind.POINT
                        ? List.of(new Point(x, 562))
                        // A part of the scenery that stands still.
                        : List.of(
                                new Point(1300, 420), new Point(1600, 420), new Point(1600, 560), new Point(1300, 560));
                Track track = new Track(
                        "t",
                        "Mark",
                        kind,
                        new Track.Clip(1920, 1080, Rate.of(24)),
                        from,
                        marks,
                        Track.USUAL_PATCH,
                        Track.USUAL_REACH,
                        Track.Lost.GO_ON,
                        0,
                        TrackPath.of(from, marks));
                long start = System.nanoTime();
                ClipFilm film = new ClipFilm(sources, "platform", level);
                Following.follow(track, Optional.empty(), Math.min(from, to), Math.max(from, to), film, (p, f) -> true);
                all[i] = Math.abs(to - from) / ((System.nanoTime() - start) / 1e9);
            }
        }
        Arrays.sort(all);
        return all[TIMES / 2];
    }

    /** Drafts of a figure, and since when there are any. */
    private static final class Kept implements CuttingOut.Drafts {
        private final Map<Long, CuttingOut.Draft> drafts = new HashMap<>();
        private long begun;

        @Override
        public Optional<CuttingOut.Draft> frame(long frame) {
            return Optional.ofNullable(drafts.get(frame));
        }

        @Override
        public boolean keep(long frame, CuttingOut.Draft draft) {
            begun = drafts.isEmpty() ? System.nanoTime() : begun;
            drafts.put(frame, draft);
            return true;
        }
    }
}
