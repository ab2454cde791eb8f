package aperta.core.picture;

import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;

/**
 * A matte by the signed distance s of each pixel's middle from a contour, positive inside: the shape is moved outwards by a
 * distance, and its edge falls off as the integral of a Gaussian whose σ is half of the width at the nearest place of
 * the contour, Φ(s/σ), the pixel's own square added to its variance. A width of 0 gives the share of the pixel that lies
 * inside the straight line through the nearest place.
 */
public final class Falloff {
    /** Rows that are made together: few enough to stay near the processor. */
    private static final int ROWS = 32;

    /** How many σ away from the edge nothing changes any more: Φ(4) is within 1/30 000 of 1. */
    public static final float TAIL = 4;

    /** For each σ of Φ's table. */
    private static final int STEPS = 256;

    /** From each step on, Φ is read as a straight line: its value at the table's beginning, and its slope. */
    private static final float[] NORMAL_AT_0 = new float[2 * (int) TAIL * STEPS + 1];

    private static final float[] NORMAL_SLOPE = new float[NORMAL_AT_0.length];

    /** What a pixel's own square adds to the variance of an edge. */
    private static final float PIXEL = 1 / 12f;

    /** Widths under this, as σ, pass over into the coverage of a sharp edge. */
    private static final double SHARP = 0.5;

    /** Where each piece of the path begins and ends. */
    private final double[] path;

    private final List<Contour.Piece> boundary;
    private final float outset;
    private final float uniform;
    private final double reach;

    /**
     * @param outset by how much the shape is larger than the contour, in pixels; smaller where negative
     * @param width over which the edge falls off everywhere, in pixels, to which the contour's own widths are added
     */
    public Falloff(Contour contour, double outset, double width) {
        this.path = contour.places();
        this.boundary = contour.boundary();
        this.outset = (float) outset;
        this.uniform = (float) width;
        this.reach = reach(contour, outset, width);
    }

    /** How far from the contour pixels are neither all in nor all out, at most. */
    public static double reach(Contour contour, double outset, double width) {
        return Math.abs(outset) + TAIL * Math.sqrt(square((width + contour.widest()) / 2) + PIXEL) + 1;
    }

    private static double square(double x) {
        return x * x;
    }

    /** Exact enough for pixels, and many times as fast as a hypotenuse that minds the largest numbers. */
    static double length(double x, double y) {
        return Math.sqrt(x * x + y * y);
    }

    /** The matte on a region of the raster; it makes no difference which part of the raster is asked for. */
    public Matte on(Region region, Bands bands) {
        Matte matte = new Matte(region);
        if (boundary.isEmpty() || region.isEmpty()) {
            return matte;
        }
        Nearest nearest = new Nearest(boundary, reach, region);
        Queue<Band> idle = new ConcurrentLinkedQueue<>();
        bands.run(region.height(), ROWS, (from, to) -> {
            Band band = Optional.ofNullable(idle.poll()).orElseGet(() -> new Band(matte, nearest));
            band.shade(new Region(region.x(), region.y() + from, region.width(), to - from));
            idle.add(band);
        });
        return matte;
    }

    /** What rows are made in, one band after the other. */
    private final class Band {
        private final Matte matte;
        private final Nearest nearest;
        private final Nearest.Scan scan;
        private final int width;
        private final int cells;
        /** By how much the winding number changes at each pixel's middle in cells within reach, and in all of the others. */
        private final int[] changes;

        private final int[] inCells;

        /** The winding number left of the region, of each row. */
        private final int[] leftOf = new int[ROWS];

        Band(Matte matte, Nearest nearest) {
            this.matte = matte;
            this.nearest = nearest;
            this.scan = nearest.new Scan(ROWS);
            this.width = matte.domain().width();
            this.cells = (width + Nearest.CELL - 1) / Nearest.CELL;
            this.changes = new int[width * ROWS];
            this.inCells = new int[cells * ROWS];
        }

        void shade(Region rows) {
            scan.run(rows);
            wind(rows);
            for (int row = 0; row < rows.height(); row++) {
                int winding = leftOf[row];
                leftOf[row] = 0;
                for (int cell = 0; cell < cells; cell++) {
                    int from = cell * Nearest.CELL;
                    int to = Math.min(width, from + Nearest.CELL);
                    if (scan.reaches(cell)) {
                        winding = soften(rows.x(), rows.y() + row, row * width, from, to, winding);
                    } else {
                        int out = matte.index(rows.x(), rows.y() + row);
                        Arrays.fill(matte.value, out + from, out + to, winding == 0 ? 0 : 1);
                        winding += inCells[row * cells + cell];
                        inCells[row * cells + cell] = 0;
                    }
                }
            }
        }

        /** By how much the winding number changes along the rows. */
        private void wind(Region rows) {
            for (int i = 0; i < path.length; i += 4) {
                double ay = path[i + 1];
                double by = path[i + 3];
                int first = (int) Math.max(rows.y(), Math.ceil((ay < by ? ay : by) - 0.5));
                int end = (int) Math.min(rows.bottom(), Math.ceil((ay < by ? by : ay) - 0.5));
                for (int y = first; y < end; y++) {
                    double x = path[i] + (y + 0.5 - ay) / (by - ay) * (path[i + 2] - path[i]);
                    double at = Math.ceil(x - 0.5) - rows.x();
                    int row = y - rows.y();
                    int sign = by > ay ? 1 : -1;
                    if (at < 0) {
                        leftOf[row] += sign;
                    } else if (at < width) {
                        int cell = (int) at / Nearest.CELL;
                        if (scan.reaches(cell)) {
                            changes[row * width + (int) at] += sign;
                        } else {
                            inCells[row * cells + cell] += sign;
                        }
                    }
                }
            }
        }

        /** The pixels of a row from one to another; the winding number after them. */
        private int soften(int left, int y, int start, int from, int to, int before) {
            int out = matte.index(left, y);
            int winding = before;
            for (int x = from; x < to; x++) {
                int at = start + x;
                winding += changes[at];
                changes[at] = 0;
                float value = winding != 0 ? 1 : 0;
                if (scan.nearest[at] != Nearest.NONE) {
                    float distance = (float) Math.sqrt(scan.distances[at]);
                    float moved = (winding != 0 ? distance : -distance) + outset;
                    float wide = uniform + scan.widths[at];
                    float sigma = wide > 0 ? wide / 2 : 0;
                    value = normal(moved, sigma * sigma + PIXEL);
                    if (sigma < SHARP) {
                        Point away = nearest.away(scan.nearest[at], new Point(left + x + 0.5, y + 0.5));
                        double share = PixelShare.inside(moved, away.x(), away.y());
                        value = (float) (share + (value - share) * sigma / SHARP);
                    }
                }
                matte.value[out + x] = value;
            }
            return winding;
        }
    }

    /** Φ(x/σ), read linearly from a table; beyond the tail exactly 0 or 1. */
    public static float normal(float x, float variance) {
        if (x * x >= TAIL * TAIL * variance) {
            return x > 0 ? 1 : 0;
        }
        float at = (x / (float) Math.sqrt(variance) + TAIL) * STEPS;
        int i = (int) at;
        return NORMAL_AT_0[i] + at * NORMAL_SLOPE[i];
    }

    static {
        // The bell summed by Simpson's rule from one tail to the other, brought to end at 1.
        double[] sums = new double[2 * (int) TAIL * STEPS + 1];
        double h = 1.0 / STEPS;
        for (int i = 1; i < sums.length; i++) {
            double x = -TAIL + (i - 1) * h;
            sums[i] = sums[i - 1] + h / 6 * (bell(x) + 4 * bell(x + h / 2) + bell(x + h));
        }
        double whole = sums[sums.length - 1];
        for (int i = 0; i < NORMAL_SLOPE.length; i++) {
            double slope = i + 1 < sums.length ? (sums[i + 1] - sums[i]) / whole : 0;
            NORMAL_SLOPE[i] = (float) slope;
            NORMAL_AT_0[i] = (float) (sums[i] / whole - i * slope);
        }
    }

    private static double bell(double x) {
        return StrictMath.exp(-x * x / 2);
    }
}
