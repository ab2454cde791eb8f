package aperta.core.picture;

import aperta.core.geometry.Box;
import aperta.core.outline.Flattening;
import aperta.core.outline.Outline;
import java.util.Arrays;

/**
 * The share of each pixel's area that lies inside an outline: exact for polygons. Every edge adds, in each row, the
 * signed area between itself and the right end of the pixels it crosses; summing along the row gives the winding
 * number averaged over the pixel, whose size, at most 1, is the coverage. (Area accumulation as in scan conversion by
 * signed areas; Catmull 1978 for the exact-area filter.) Where an outline runs through a pixel more than once, parts that
 * it goes round twice, or in opposite directions, would spoil the mean: {@link PixelAreas} measures those pixels.
 */
public final class Coverage {
    /** Of a pixel; keeps the error of curves under 1/255 of a pixel's area. */
    private static final double TOLERANCE = 0.002;

    /** Less than this is what rounding leaves over of nothing. */
    private static final double RESIDUE = 1e-9;

    /** A mean that is off by less, by rounding, is right. */
    private static final double ROUNDING = 1e-6;

    private final double[] edges;
    private final Region region;

    private Coverage(double[] edges, Region region) {
        this.edges = edges;
        this.region = region;
    }

    /** The coverage on {@code region}, in raster pixels. */
    public static Matte of(Outline outline, Region region, Bands bands) {
        Matte matte = new Matte(region);
        if (region.isEmpty() || outline.isEmpty()) {
            return matte;
        }
        Box box = new Box(region.x(), region.y(), region.right(), region.bottom());
        double[] edges = Flattening.edges(outline, box, TOLERANCE);
        Coverage coverage = new Coverage(edges, region);
        bands.run(region.height(), 32, (from, to) -> coverage.rows(matte, region.y() + from, region.y() + to));
        return matte;
    }

    private void rows(Matte matte, int top, int bottom) {
        int width = region.width();
        double[] sums = new double[(bottom - top) * (width + 2)];
        Runs runs = new Runs(top, bottom);
        int[] here = new int[edges.length / 4];
        int count = 0;
        for (int i = 0; i < edges.length; i += 4) {
            if (Math.max(edges[i + 1], edges[i + 3]) > top && Math.min(edges[i + 1], edges[i + 3]) < bottom) {
                edge(edges, i, region, top, bottom, sums);
                runs.add(i);
                here[count++] = i;
            }
        }
        for (int row = 0; row < bottom - top; row++) {
            double winding = 0;
            int at = matte.index(region.x(), top + row);
            int s = row * (width + 2);
            float[] value = matte.value;
            for (int x = 0; x < width; x++) {
                winding += sums[s + x];
                double share = Math.min(1, Math.abs(winding));
                // What is left over of sums that cancel depends on where the sum began.
                value[at + x] = share < RESIDUE ? 0 : (float) share;
            }
            if (runs.meet[row]) {
                PixelAreas areas = new PixelAreas(edges, here, count, top + row);
                for (int x = 0; x < width; x++) {
                    if (runs.count[row * width + x] > 1) {
                        double exact = areas.of(region.x() + x);
                        value[at + x] = Math.abs(exact - value[at + x]) > ROUNDING ? (float) exact : value[at + x];
                    }
                }
            }
        }
    }

    /**
     * How often the outline runs through each pixel of some rows. Edges that follow one another are one run, which
     * divides a pixel into two windings only.
     */
    private final class Runs {
        private static final int NONE = -8;

        private final int top;
        private final int bottom;
        private final int[] last;
        private final byte[] count;
        /** Whether it runs through any pixel of a row more than once. */
        private final boolean[] meet;

        Runs(int top, int bottom) {
            this.top = top;
            this.bottom = bottom;
            this.last = new int[(bottom - top) * region.width()];
            this.count = new byte[last.length];
            this.meet = new boolean[bottom - top];
            Arrays.fill(last, NONE);
        }

        void add(int i) {
            double y0 = Math.min(edges[i + 1], edges[i + 3]);
            double y1 = Math.max(edges[i + 1], edges[i + 3]);
            if (y1 <= top || y0 >= bottom || Math.max(edges[i], edges[i + 2]) <= region.x()) {
                return;
            }
            boolean follows = i > 0 && edges[i] == edges[i - 2] && edges[i + 1] == edges[i - 1];
            double slope = y1 > y0 ? (edges[i + 2] - edges[i]) / (edges[i + 3] - edges[i + 1]) : 0;
            int end = (int) Math.min(bottom, y1 > y0 ? Math.ceil(y1) : Math.floor(y1) + 1);
            for (int y = (int) Math.max(top, Math.floor(y0)); y < end; y++) {
                double from = edges[i] + (Math.max(y0, y) - edges[i + 1]) * slope;
                double to = y1 > y0 ? edges[i] + (Math.min(y1, y + 1) - edges[i + 1]) * slope : edges[i + 2];
                double left = Math.min(from, to) - region.x();
                double right = Math.max(from, to) - region.x();
                int last = (int) Math.min(region.width(), Math.max(Math.ceil(right), Math.floor(left) + 1));
                for (int x = (int) Math.max(0, Math.floor(left)); x < last; x++) {
                    touch((y - top) * region.width() + x, i, follows);
                }
            }
        }

        private void touch(int pixel, int edge, boolean follows) {
            if (!follows || last[pixel] != edge - 4) {
                meet[pixel / region.width()] |= count[pixel] > 0;
                count[pixel] = 2 > count[pixel] ? (byte) (count[pixel] + 1) : 2;
            }
            last[pixel] = edge;
        }
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
