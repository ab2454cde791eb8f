package aperta.core.outline;

import aperta.core.geometry.Box;
import java.awt.geom.PathIterator;
import java.util.Arrays;

/**
 * The straight edges of an outline that matter for what is covered inside a box. Curves are halved until the chord is
 * within the tolerance; pieces above, below or to the right of the box are dropped and those to its left become upright
 * chords, since only their height counts. So the work depends on what is seen, not on how large the outline is.
 */
public final class Flattening {
    private static final int DEEPEST = 24;

    private final Box box;
    private final double tolerance;
    private double[] edges = new double[256];
    private int count;

    private Flattening(Box box, double tolerance) {
        this.box = box;
        this.tolerance = tolerance;
    }

    /** Four numbers an edge: x0, y0, x1, y1. */
    public static double[] edges(Outline outline, Box box, double tolerance) {
        Flattening f = new Flattening(box, tolerance);
        double[] c = new double[6];
        double x = 0;
        double y = 0;
        double startX = 0;
        double startY = 0;
        for (PathIterator it = outline.segments(); !it.isDone(); it.next()) {
            switch (it.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> {
                    f.line(x, y, startX, startY);
                    startX = c[0];
                    startY = c[1];
                    x = c[0];
                    y = c[1];
                }
                case PathIterator.SEG_LINETO -> {
                    f.line(x, y, c[0], c[1]);
                    x = c[0];
                    y = c[1];
                }
                case PathIterator.SEG_QUADTO -> {
                    f.cubic(
                            x,
                            y,
                            x + (c[0] - x) * 2 / 3,
                            y + (c[1] - y) * 2 / 3,
                            c[2] + (c[0] - c[2]) * 2 / 3,
                            c[3] + (c[1] - c[3]) * 2 / 3,
                            c[2],
                            c[3],
                            0);
                    x = c[2];
                    y = c[3];
                }
                case PathIterator.SEG_CUBICTO -> {
                    f.cubic(x, y, c[0], c[1], c[2], c[3], c[4], c[5], 0);
                    x = c[4];
                    y = c[5];
                }
                default -> {
                    f.line(x, y, startX, startY);
                    x = startX;
                    y = startY;
                }
            }
        }
        f.line(x, y, startX, startY);
        return Arrays.copyOf(f.edges, f.count);
    }

    private void line(double x0, double y0, double x1, double y1) {
        boolean level = y0 == y1 && (x0 == x1 || Math.max(x0, x1) <= box.x0());
        if (level || Math.max(y0, y1) <= box.y0() || Math.min(y0, y1) >= box.y1() || Math.min(x0, x1) >= box.x1()) {
            return;
        }
        if (count + 4 > edges.length) {
            edges = Arrays.copyOf(edges, edges.length * 2);
        }
        edges[count++] = x0;
        edges[count++] = y0;
        edges[count++] = x1;
        edges[count++] = y1;
    }

    private void cubic(
            double x0, double y0, double x1, double y1, double x2, double y2, double x3, double y3, int depth) {
        double top = Math.min(Math.min(y0, y1), Math.min(y2, y3));
        double bottom = Math.max(Math.max(y0, y1), Math.max(y2, y3));
        double left = Math.min(Math.min(x0, x1), Math.min(x2, x3));
        double right = Math.max(Math.max(x0, x1), Math.max(x2, x3));
        if (bottom <= box.y0() || top >= box.y1() || left >= box.x1()) {
            return;
        }
        if (right <= box.x0()) {
            line(right, y0, right, y3);
            return;
        }
        // The control points' distances from thirds of the chord bound the curve's distance from the chord.
        double dx = Math.max(Math.abs(x1 - (2 * x0 + x3) / 3), Math.abs(x2 - (x0 + 2 * x3) / 3));
        double dy = Math.max(Math.abs(y1 - (2 * y0 + y3) / 3), Math.abs(y2 - (y0 + 2 * y3) / 3));
        if (depth >= DEEPEST || dx + dy <= tolerance) {
            line(x0, y0, x3, y3);
            return;
        }
        double ax = (x0 + x1) / 2;
        double ay = (y0 + y1) / 2;
        double bx = (x1 + x2) / 2;
        double by = (y1 + y2) / 2;
        double cx = (x2 + x3) / 2;
        double cy = (y2 + y3) / 2;
        double abx = (ax + bx) / 2;
        double aby = (ay + by) / 2;
        double bcx = (bx + cx) / 2;
        double bcy = (by + cy) / 2;
        double mx = (abx + bcx) / 2;
        double my = (aby + bcy) / 2;
        cubic(x0, y0, ax, ay, abx, aby, mx, my, depth + 1);
        cubic(mx, my, bcx, bcy, cx, cy, x3, y3, depth + 1);
    }
}
