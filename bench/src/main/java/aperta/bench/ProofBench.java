package aperta.bench;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Packed;
import aperta.core.picture.Pixels;
import aperta.core.proof.Proof;
import aperta.core.proof.Reveal;
import aperta.core.render.Planner;
import aperta.core.render.Sources;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.media.fonts.FontShelf;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reveal curves and Proof of 240 frames of ten layers at 1920 × 1080: words that move, are masked and cut, over a clip. */
final class ProofBench {
    private static final int FRAMES = 240;
    private static final int LAYERS = 10;

    private final Bands bands;

    ProofBench(Bands bands) {
        this.bands = bands;
    }

    void run(PrintStream out) {
        Planner planner = new Planner(new Grey(), new FontShelf(id -> Optional.empty()));
        Shot shot = shot();
        out.println();
        out.println("| 240 frames of 10 layers | first | after it |");
        out.println("|---|---|---|");
        line(out, "reveal curves", () -> reveal(planner, shot));
        line(out, "Proof", () -> proof(planner, shot));
    }

    private void line(PrintStream out, String what, Runnable work) {
        double first = seconds(work);
        out.printf(Locale.ROOT, "| %s | %.1f s | %.1f s |%n", what, first, seconds(work));
    }

    private static double seconds(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private void reveal(Planner planner, Shot shot) {
        Reveal reveal = Reveal.of(shot, planner, bands, () -> true).orElseThrow();
        if (reveal.shares().size() < LAYERS - 1) {
            throw new IllegalStateException("Nothing was seen.");
        }
    }

    private void proof(Planner planner, Shot shot) {
        Proof.of(shot, planner, bands, () -> true).orElseThrow();
    }

    private static Shot shot() {
        List<Layer> layers = new ArrayList<>();
        for (int i = 0; i < LAYERS - 1; i++) {
            Animated<Point> way = new Animated<>(
                    Point.ORIGIN,
                    List.of(
                            new Key<>(0, new Point(700 + 40 * i, 100 + 100 * i), Ease.LINEAR),
                            new Key<>(FRAMES - 1, new Point(1100, 100 + 100 * i), Ease.LINEAR)));
            Mask mask = Mask.of("m", "m", BezierPath.rectangle(new Box(-600, -80, 600, 80)))
                    .withFeather(Animated.of(i % 2 == 0 ? 40.0 : 0.0));
            Layer word = Layer.of(
                            "w" + i,
                            "w" + i,
                            Content.Text.of("LAST TRAM " + i, "anton", 120),
                            Span.of(0, FRAMES),
                            Place.at(Point.ORIGIN).withPosition(way))
                    .withMasks(List.of(mask));
            boolean cut = i % 3 == 2;
            layers.add(
                    cut
                            ? word.withCut(Optional.of(new Cut("w" + (i - 1), Cut.With.SHAPE, Cut.Keep.OUTSIDE)))
                            : word.withAlsoShown(true));
        }
        layers.add(Layer.of(
                "clip", "clip", new Content.Footage("clip"), Span.of(0, FRAMES), Place.at(new Point(960, 540))));
        return new Shot("many", new Format(1920, 1080, Rate.of(24)), FRAMES, layers);
    }

    /** A clip without a file. */
    private static final class Grey implements Sources {
        @Override
        public Info info(String media) {
            return new Info(media, 1920, 1080, Rate.of(24), FRAMES, false);
        }

        @Override
        public Pixels frame(String media, long frame, int level) {
            int w = (1920 + level - 1) / level;
            int h = (1080 + level - 1) / level;
            byte[] data = new byte[w * h * 3];
            java.util.Arrays.fill(data, (byte) (40 + frame / 8));
            return new Packed(w, h, 3, 8, data);
        }
    }
}
