package aperta.bench;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import aperta.core.picture.Bands;
import aperta.core.picture.Falloff;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** A mask of many points, each with a feather of its own, at 1920 × 1080: what one step of dragging a point takes. */
final class MaskBench {
    private static final Region FRAME = new Region(0, 0, 1920, 1080);
    private static final int ROUNDS = 40;

    private final Bands bands;

    MaskBench(Bands bands) {
        this.bands = bands;
    }

    void run(PrintStream out) {
        out.println();
        out.println("| a mask with feathers at its points | median | least to most |");
        out.println("|---|---|---|");
        for (int points : new int[] {40, 400, 4000}) {
            double[] times = times(points);
            out.printf(
                    Locale.ROOT,
                    "| %d points | %.1f ms | %.1f to %.1f |%n",
                    points,
                    times[ROUNDS / 2],
                    times[0],
                    times[ROUNDS - 1]);
        }
    }

    private double[] times(int points) {
        List<BezierPath.Knot> knots = coast(points);
        double[] times = new double[ROUNDS];
        // The first rounds warm the compiler.
        for (int i = -20; i < ROUNDS; i++) {
            knots.set(0, BezierPath.Knot.corner(1600 + i, 540).withFeather(30));
            BezierPath path = new BezierPath(knots).translated(new Point(0.1, 0));
            long start = System.nanoTime();
            Matte matte = new Falloff(Contour.of(path, Affine.IDENTITY), 0, 4).on(FRAME, bands);
            if (!(matte.at(960, 540) > 0.99f)) {
                throw new IllegalStateException("The mask shows nothing.");
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        return times;
    }

    /** A coast with bays of several sizes, whose feather comes and goes along it. */
    private static List<BezierPath.Knot> coast(int points) {
        List<BezierPath.Knot> knots = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            double a = 2 * Math.PI * i / points;
            double r = 1 + 0.08 * Math.sin(7 * a) + 0.05 * Math.sin(17 * a + 1) + 0.03 * Math.sin(41 * a + 2);
            knots.add(BezierPath.Knot.corner(960 + 700 * r * Math.cos(a), 540 + 400 * r * Math.sin(a))
                    .withFeather(30 + 30 * Math.sin(5 * a)));
        }
        return knots;
    }
}
