package aperta.bench;

import aperta.core.effect.CubeTable;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Point;
import aperta.core.picture.Bytes;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Planner;
import aperta.core.render.RecentCache;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Probe;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Each effect over a clip that fills the frame, beside ffmpeg's filter of the same kind where there is one. */
final class EffectsBench {
    private static final int TIMES = 7;
    private static final int FRAMES = 24;
    private static final Format FORMAT = new Format(1920, 1080, Rate.of(24));

    /** Values other than the standard ones, so that both compute the same. */
    private static final Map<String, Map<String, ?>> VALUES = Map.of(
            "lens", Map.of("angle", -60.0),
            "corner-pin", Map.of("topLeft", new Point(120, 80), "bottomRight", new Point(-60, -40)),
            "displace-by-map", Map.of("map", "map"),
            "blur-by-map", Map.of("map", "map"),
            "colour-table", Map.of("file", "table"));

    /** ffmpeg's filter, and the pixels that it works on. */
    private static final Map<String, String[]> FILTERS = Map.of(
            "blur", new String[] {"gblur=sigma=12", "gbrapf32le"},
            "lens", new String[] {"lenscorrection=k1=-0.2:k2=-0.02:i=bilinear", "yuv444p"},
            "corner-pin",
                    new String[] {"perspective=x0=120:y0=80:x1=1920:y1=0:x2=0:y2=1080:x3=1860:y3=1040", "yuv444p"},
            "colour-table", new String[] {"lut3d=file=TABLE:interp=tetrahedral", "gbrapf32le"},
            "tone", new String[] {"curves=preset=lighter", "gbrap16le"},
            "colour-matrix", new String[] {"colorchannelmixer=.9:.1:0:0:.1:.8:.1:0:0:.1:.9", "gbrapf32le"});

    private final Path clip;
    private final Workers workers;

    EffectsBench(Path clip, Workers workers) {
        this.clip = clip;
        this.workers = workers;
    }

    void run(PrintStream out) throws IOException, InterruptedException {
        String table = cube();
        Path file = Files.writeString(Files.createTempFile("aperta-bench", ".cube"), table);
        CubeTable parsed = CubeTable.parse(table);
        Clip film = new Clip("platform", clip, Probe.of(clip), Optional.empty());
        try (ClipSources sources = new ClipSources(id -> Optional.of(film), id -> Optional.of(parsed))) {
            Planner planner = new Planner(sources, new FontShelf(id -> Optional.empty()));
            out.println();
            out.println("| effect over 1920 × 1080 | ½ | full | ffmpeg | its pixels | ratio |");
            out.println("|---|---|---|---|---|---|");
            for (Effect effect : Effects.all()) {
                String kind = effect.descriptor().kind();
                double half = median(planner, effect, 0.5);
                double full = median(planner, effect, 1);
                String[] filter = FILTERS.get(kind);
                String theirs = "| | |";
                if (filter != null) {
                    double ms = ffmpeg(filter[0].replace("TABLE", file.toString()), filter[1]);
                    theirs = String.format(Locale.ROOT, "| %.0f ms | %s | %.2f |", ms, filter[1], full / ms);
                }
                out.printf(
                        Locale.ROOT,
                        "| %s | %.1f ms | %.1f ms %s%n",
                        effect.descriptor().label(),
                        half,
                        full,
                        theirs);
            }
        } finally {
            Files.delete(file);
        }
    }

    /** In milliseconds, less what the clip alone takes, which is decoded and kept. */
    private double median(Planner planner, Effect effect, double scale) throws IOException, InterruptedException {
        Renderer renderer = new Renderer(new RecentCache(1L << 30), workers);
        double[] with = new double[TIMES];
        double[] without = new double[TIMES];
        for (int i = -3; i < TIMES; i++) {
            Moment moment = planner.moment(shot(effect, 1 - (i + 4) * 1e-5), 12);
            painted(planner, renderer, moment, false, scale);
            double before = Times.once(() -> painted(planner, renderer, moment, false, scale));
            double after = Times.once(() -> painted(planner, renderer, moment, true, scale));
            if (i >= 0) {
                with[i] = after;
                without[i] = before;
            }
        }
        return Math.max(0, new Times(with).median() - new Times(without).median()) * 1000;
    }

    private static void painted(Planner planner, Renderer renderer, Moment moment, boolean with, double scale) {
        renderer.show(planner.plan(moment, "clip", "e", with, scale), 12).rgba(Bytes.See.PICTURE);
    }

    private static Shot shot(Effect effect, double amount) {
        Recipe recipe = Recipe.of(
                effect.descriptor(), VALUES.getOrDefault(effect.descriptor().kind(), Map.of()));
        LayerEffect link =
                LayerEffect.of("e", AnimatedRecipe.of(recipe), effect.station()).withAmount(Animated.of(amount));
        Layer layer = Layer.of(
                        "clip", "Clip", new Content.Footage("platform"), Span.of(0, 48), Place.at(new Point(960, 540)))
                .withEffects(List.of(link));
        Layer map =
                Layer.of("map", "Map", new Content.Footage("platform"), Span.of(0, 48), Place.at(new Point(900, 500)));
        boolean needs = effect.descriptor().parameters().stream().anyMatch(p -> p.kind() == Parameter.Kind.LAYER);
        return new Shot("Bench", FORMAT, 48, needs ? List.of(layer, map.withHidden(true)) : List.of(layer));
    }

    /** What a filter takes for a frame: the time of some frames with it, less that without it. */
    private double ffmpeg(String filter, String pixels) throws IOException, InterruptedException {
        double[] times = new double[3];
        for (int i = 0; i < times.length; i++) {
            double with = command("format=" + pixels + "," + filter);
            times[i] = (with - command("format=" + pixels)) / FRAMES * 1000;
        }
        return Math.max(0.1, new Times(times).median());
    }

    private double command(String filter) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-nostdin",
                        "-i",
                        clip.toString(),
                        "-frames:v",
                        Integer.toString(FRAMES),
                        "-vf",
                        filter,
                        "-f",
                        "null",
                        "-")
                .inheritIO()
                .start();
        long start = System.nanoTime();
        if (process.waitFor() != 0) {
            throw new IOException("ffmpeg couldn't run " + filter + ".");
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private static String cube() {
        StringBuilder text = new StringBuilder("LUT_3D_SIZE 33\n");
        for (int i = 0; i < 33 * 33 * 33; i++) {
            double r = i % 33 / 32.0;
            double g = i / 33 % 33 / 32.0;
            double b = i / 1089 / 32.0;
            text.append(String.format(Locale.ROOT, "%.5f %.5f %.5f%n", r * r, Math.sqrt(g), 1 - b));
        }
        return text.toString();
    }
}
