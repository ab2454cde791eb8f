package aperta.core.picture;

import aperta.core.geometry.Box;
import aperta.core.outline.Flattening;
import aperta.core.outline.Outline;
import java.util.Arrays;

/**
 * The share of each pixel's area that lies inside an outline: exact for polygons. Every edge adds, in each row, the
 * signed area between itself and the right end of the pixels it crosses; summing along the row gives the winding
 * number averaged over the pixel, whose size, at most 1, is the coverage. (Area accumulation as in scan conversion by
 * signed areas; Catmull 1978 for the exact-area filter.) Contours that overlap within one pixel in opposite directions
 * cancel there: see {@link Outline#merged}.
 */
public final class Coverage {
    /** Of a pixel; keeps the error of curves under 1/255 of a pixel's area. */
    private static final double TOLERANCE = 0.002;

    private Coverage() {}

    /** The coverage on {@code region}, in raster pixels. */
    public static Matte of(Outline outline, Region region, Bands bands) {
        Matte matte = new Matte(region);
        if (region.isEmpty() || outline.isEmpty()) {
            return matte;
        }
        Box box = new Box(region.x(), region.y(), region.right(), region.bottom());
        double[] edges = Flattening.edges(outline, box, TOLERANCE);
        bands.run(region.height(), 32, (from, to) -> {
            double[] sums = new double[(to - from) * (region.width() + 2)];
            for (int i = 0; i < edges.length; i += 4) {
                edge(edges, i, region, region.y() + from, region.y() + to, sums);
            }
            for (int row = 0; row < to - from; row++) {
                double winding = 0;
                int at = matte.index(region.x(), region.y() + from + row);
                int s = row * (region.width() + 2);
                for (int x = 0; x < region.width(); x++) {
                    winding += sums[s + x];
                    matte.value[at + x] = (float) Math.min(1, Math.abs(winding));
                }
            }
            Arrays.fill(sums, 0);
        });
        return matte;
    }

    private static void edge(double[] e, int i, Region region, int top, int bottom, double[] sums) {
        boolean down = e[i + 3] > e[i + 1];
        double x0 = (down ? e[i] : e[i + 2]) - region.x();
        double y0 = down ? e[i + 1] : e[i + 3];
        double x1 = (down ? e[i + 2] : e[i]) - region.x();
        double y1 = down ? e[i + 3] : e[i + 1];
        if (y1 <= top || y0 >= bottom) {
            return;
        }
        double slope = (x1 - x0) / (y1 - y0);
        double sign = down ? 1 : -1;
        int last = (int) Math.min(bottom, Math.ceil(y1));
        for (int y = (int) Math.max(top, Math.floor(y0)); y < last; y++) {
            double from = Math.max(y0, y);
            double to = Math.min(y1, y + 1);
            if (to > from) {
                double xFrom = x0 + (from - y0) * slope;
                double xTo = x0 + (to - y0) * slope;
                clip(
                        Math.min(xFrom, xTo),
                        Math.max(xFrom, xTo),
                        sign * (to - from),
                        region.width(),
                        sums,
                        (y - top) * (region.width() + 2));
            }
        }
    }

    /** Parts left of the region count as upright at its left end; parts right of it count for nothing. */
    private static void clip(double left, double right, double height, int width, double[] sums, int at) {
        if (right <= 0) {
            sums[at] += height;
        } else if (left >= width) {
            return;
        } else if (left >= 0 && right <= width) {
            row(left, right, height, sums, at);
        } else {
            double perX = height / (right - left);
            if (left < 0) {
                sums[at] += -left * perX;
            }
            double from = Math.max(0, left);
            double to = Math.min(width, right);
            row(from, to, (to - from) * perX, sums, at);
        }
    }

    /** An edge within one row, from x = left to right, that covers {@code height} of the row. */
    private static void row(double left, double right, double height, double[] sums, int at) {
        int first = (int) left;
        int end = (int) Math.ceil(right);
        if (end <= first + 1) {
            double share = 1 - ((left + right) / 2 - first);
            sums[at + first] += height * share;
            sums[at + first + 1] += height * (1 - share);
            return;
        }
        double perX = height / (right - left);
        double before = 0;
        for (int x = first; x < end; x++) {
            double from = Math.max(left, x);
            double to = Math.min(right, x + 1);
            double h = (to - from) * perX;
            double share = 1 - ((from + to) / 2 - x);
            sums[at + x] += before + h * share;
            before = h * (1 - share);
        }
        sums[at + end] += before;
    }
}
