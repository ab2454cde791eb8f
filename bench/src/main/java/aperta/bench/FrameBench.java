package aperta.bench;

import aperta.core.picture.Bytes;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.RecentCache;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Shot;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.footage.Proxy;
import aperta.media.project.ShotFile;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** One frame of each demo shot at half size, as the desk asks for it: with nothing kept, and with what it needs kept. */
final class FrameBench {
    private static final double HALF = 0.5;

    private final Path plates;
    private final Workers workers;

    FrameBench(Path plates, Workers workers) {
        this.plates = plates;
        this.workers = workers;
    }

    void run(PrintStream out) throws IOException, InterruptedException {
        out.println();
        out.println("| one frame at ½ | cold | warm |");
        out.println("|---|---|---|");
        for (String name : new String[] {
            "opening",
            "line-9",
            "see-you",
            "the-conductor",
            "ticket",
            "shimmer",
            "archive",
            "see-you-written",
            "the-bell",
            "overhead-wire",
            "passing",
            "behind-him"
        }) {
            measure(name, out);
        }
    }

    private void measure(String name, PrintStream out) throws IOException, InterruptedException {
        ShotFile file = ShotFile.read(Path.of("demo", name + ".json"));
        Path folder = Files.createTempDirectory("aperta-bench");
        Map<String, Clip> clips = new HashMap<>();
        for (var e : file.clips(plates, System.err::println).entrySet()) {
            Clip c = e.getValue();
            Optional<Path> proxy = Optional.empty();
            if (c.probe().frames() > 1) {
                proxy = Optional.of(folder.resolve(e.getKey()));
                Proxy.make(c.file(), c.probe(), proxy.get(), n -> {}, () -> false);
            }
            clips.put(e.getKey(), new Clip(c.content(), c.file(), c.probe(), proxy));
        }
        Shot shot = file.shot();
        try (ClipSources sources = new ClipSources(id -> Optional.ofNullable(clips.get(id)))) {
            Planner planner = new Planner(sources, new FontShelf(id -> Optional.empty()));
            double[] cold = new double[40];
            double[] warm = new double[40];
            Renderer kept = new Renderer(new RecentCache(1L << 30), workers);
            for (int round = 0; round < 2; round++) {
                for (int i = 0; i < cold.length; i++) {
                    long frame = (i * 37L) % shot.length();
                    Renderer fresh = new Renderer(Cache.NONE, workers);
                    cold[i] = Times.once(() -> frame(planner, fresh, shot, frame));
                    frame(planner, kept, shot, frame);
                    warm[i] = Times.once(() -> frame(planner, kept, shot, frame));
                }
            }
            out.printf(
                    Locale.ROOT,
                    "| %s | %.1f ms | %.1f ms |%n",
                    shot.name(),
                    new Times(cold).median() * 1000,
                    new Times(warm).median() * 1000);
        }
        for (Clip c : clips.values()) {
            if (c.proxy().isPresent()) {
                Files.deleteIfExists(c.proxy().get());
            }
        }
        Files.deleteIfExists(folder);
    }

    private void frame(Planner planner, Renderer renderer, Shot shot, long number) {
        renderer.show(planner.plan(planner.moment(shot, number), HALF), number).rgba(Bytes.See.PICTURE);
    }
}
