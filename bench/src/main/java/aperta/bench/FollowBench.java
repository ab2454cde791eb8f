package aperta.bench;

import aperta.core.geometry.Point;
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
import aperta.vision.Following;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** How many frames a second marks are followed at, through a plate of 1920 × 1080, decoding included. */
final class FollowBench {
    private static final int TIMES = 5;

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
        Files.deleteIfExists(proxy);
        Files.deleteIfExists(folder);
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
}
