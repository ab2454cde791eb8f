package aperta.core.ink;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/**
 * What lies inside of an outline, in square cells; those at the rim are outside.
 *
 * @param cell the side of a cell, in the outline's pixels
 * @param left where the first column begins, in cells
 * @param inside row by row
 */
record Grid(double cell, int left, int top, int width, int height, boolean[] inside) {
    /** A cell of which this much lies inside is inside. */
    private static final float HALF = 0.5f;

    /** @param rim how many cells there are beyond the outline's box on each side, at least 1 */
    static Grid of(Outline outline, Box box, double cell, int rim) {
        Region region = Region.around(new Box(box.x0() / cell, box.y0() / cell, box.x1() / cell, box.y1() / cell))
                .grown(rim);
        Matte coverage = Coverage.of(outline.transformed(Affine.scale(1 / cell, 1 / cell)), region, Bands.IN_TURN);
        boolean[] inside = new boolean[region.width() * region.height()];
        for (int i = 0; i < inside.length; i++) {
            inside[i] = coverage.values()[i] >= HALF;
        }
        return new Grid(cell, region.x(), region.y(), region.width(), region.height(), inside);
    }

    /** The middle of a cell, in the outline's pixels. */
    Point middle(int index) {
        return new Point((left + index % width + 0.5) * cell, (top + index / width + 0.5) * cell);
    }

    /** The cell that a place lies in, or the nearest one. */
    int at(double x, double y) {
        int i = (int) Math.max(0, Math.min(width - 1, Math.floor(x / cell) - left));
        int j = (int) Math.max(0, Math.min(height - 1, Math.floor(y / cell) - top));
        return j * width + i;
    }

    /**
     * The distance of each cell inside to the nearest one outside, less half a cell, in cells; exactly, row by row and column by column
     * (P. F. Felzenszwalb and D. P. Huttenlocher, <i>Distance Transforms of Sampled Functions</i>, 2012).
     */
    float[] depths() {
        int longest = Math.max(width, height);
        float[] squares = new float[inside.length];
        double[] line = new double[longest];
        double[] done = new double[longest];
        Envelope envelope = new Envelope(longest);
        double far = 4.0 * longest * longest;
        for (int x = 0; x < width; x++) {
            for (int y = 0; y < height; y++) {
                line[y] = inside[y * width + x] ? far : 0;
            }
            envelope.lower(line, height, done);
            for (int y = 0; y < height; y++) {
                squares[y * width + x] = (float) done[y];
            }
        }
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                line[x] = squares[y * width + x];
            }
            envelope.lower(line, width, done);
            for (int x = 0; x < width; x++) {
                squares[y * width + x] = inside[y * width + x] ? (float) Math.sqrt(done[x]) - HALF : 0;
            }
        }
        return squares;
    }

    /** The lower envelope of parabolas over a line. */
    private static final class Envelope {
        private final int[] roots;
        private final double[] until;

        Envelope(int longest) {
            this.roots = new int[longest];
            this.until = new double[longest + 1];
        }

        void lower(double[] f, int n, double[] into) {
            int k = 0;
            roots[0] = 0;
            until[0] = Double.NEGATIVE_INFINITY;
            until[1] = Double.POSITIVE_INFINITY;
            for (int q = 1; q < n; q++) {
                double s = meet(f, roots[k], q);
                while (s <= until[k]) {
                    k--;
                    s = meet(f, roots[k], q);
                }
                k++;
                roots[k] = q;
                until[k] = s;
                until[k + 1] = Double.POSITIVE_INFINITY;
            }
            k = 0;
            for (int q = 0; q < n; q++) {
                while (until[k + 1] < q) {
                    k++;
                }
                double d = q - roots[k];
                into[q] = d * d + f[roots[k]];
            }
        }

        private static double meet(double[] f, int a, int b) {
            return (f[b] + (double) b * b - f[a] - (double) a * a) / (2.0 * (b - a));
        }
    }
}
