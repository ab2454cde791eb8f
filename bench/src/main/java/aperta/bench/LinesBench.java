package aperta.bench;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Bytes;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.RecentCache;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import java.io.IOException;
import java.io.PrintStream;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A title over the whole frame, plain, and with lines that are written and drawn along it: every frame another. */
final class LinesBench {
    private static final Format FORMAT = new Format(1920, 1080, Rate.of(24));
    private static final int FRAMES = 40;
    private static final int FIRST = 20;
    private static final int WARM = 150;

    private final Workers workers;

    LinesBench(Workers workers) {
        this.workers = workers;
    }

    void run(PrintStream out) throws IOException, InterruptedException {
        out.println();
        out.println("| a frame of a full title | ½ | full |");
        out.println("|---|---|---|");
        Layer words = Layer.of(
                "w",
                "Words",
                Content.Text.of("see you at\nthe last stop", "great-vibes", 380),
                Span.of(0, 100),
                Place.at(FORMAT.centre()));
        // What moves by a pixel a frame is drawn anew on every frame, as what is written is.
        Animated<Point> moves = Animated.of(FORMAT.centre())
                .withKeys(List.of(
                        new Key<>(0, new Point(900, 540), Ease.LINEAR),
                        new Key<>(100, new Point(1000, 540), Ease.LINEAR)));
        measure(out, "plain", words.withPlace(words.place().withPosition(moves)));
        AnimatedRecipe ink = AnimatedRecipe.of(Openings.of("ink").descriptor().standard());
        measure(
                out,
                "ink",
                words.withArrive(Optional.of(new Passage(90, 0, Ease.LINEAR, Pose.REST, Optional.of(ink)))));
        Coat.Stroke line = Coat.Stroke.of("line", Colour.WHITE, 4)
                .withEnds(Coat.Cap.ROUND, Coat.Corner.ROUND)
                .withPacing(new Coat.Pacing(Coat.Turns.EVEN, Coat.Order.DRAWN, 1))
                .with(
                        Measure.END,
                        Animated.of(1.0)
                                .withKeys(List.of(new Key<>(0, 0.0, Ease.LINEAR), new Key<>(90, 1.0, Ease.LINEAR))));
        measure(out, "trace", trace(line), words.withHidden(true));
        measure(
                out,
                "trace with heads",
                trace(line.with(Measure.HEAD, Animated.of(10.0)).with(Measure.HEAD_TAIL, Animated.of(60.0))),
                words.withHidden(true));
        measure(
                out,
                "thread with its halo",
                trace(line.with(Measure.SOFTNESS, Animated.of(1.0)).with(Measure.HALO, Animated.of(60.0))),
                words.withHidden(true));
    }

    private static Layer trace(Coat coat) {
        Content content = Content.Trace.of("w", Content.Along.SHAPE, List.of(coat));
        return Layer.of("t", "Trace", content, Span.of(0, 100), Place.at(Point.ORIGIN))
                .withParent(Optional.of("w"));
    }

    private void measure(PrintStream out, String name, Layer... layers) throws IOException, InterruptedException {
        Shot shot = new Shot("Lines", FORMAT, 100, List.of(layers));
        double[] medians = new double[2];
        for (int i = 0; i < 2; i++) {
            double scale = i == 0 ? 0.5 : 1;
            try (ClipSources none = new ClipSources(id -> Optional.empty())) {
                Planner planner = new Planner(none, new FontShelf(id -> Optional.empty()));
                Renderer kept = new Renderer(new RecentCache(1L << 30), workers);
                for (int warm = 0; warm < WARM; warm++) {
                    frame(planner, new Renderer(Cache.NONE, workers), shot, warm % shot.length(), scale);
                }
                double[] seconds = new double[FRAMES];
                for (int n = 0; n < FRAMES; n++) {
                    long frame = FIRST + n;
                    seconds[n] = Times.once(() -> frame(planner, kept, shot, frame, scale));
                }
                medians[i] = new Times(seconds).median() * 1000;
            }
        }
        out.printf(Locale.ROOT, "| %s | %.1f ms | %.1f ms |%n", name, medians[0], medians[1]);
    }

    private static void frame(Planner planner, Renderer renderer, Shot shot, long frame, double scale) {
        renderer.show(planner.plan(planner.moment(shot, frame), scale), frame).rgba(Bytes.See.PICTURE);
    }
}
