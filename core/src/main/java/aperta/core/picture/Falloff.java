package aperta.core.picture;

import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import java.util.List;

/**
 * A matte by the signed distance s of each pixel's middle from a contour, positive inside: the shape is moved outwards by a
 * distance, and its edge falls off as the integral of a Gaussian whose σ is half of the width at the nearest place of
 * the contour, Φ(s/σ). A width of 0 gives the share of the pixel that lies inside the straight line through the nearest
 * place. Blocks of pixels are divided as in a quadtree, and only the pieces that can be the nearest of some pixel in a block
 * are asked within it. Where distance and width run evenly over a block, which its corners and its middle tell, they
 * are read from its corners; the matte is within 1/255 of the exact one.
 */
public final class Falloff {
    private static final int[] BLOCKS = {64, 32, 16, 8, 4};
    private static final int RUN = 16;
    /** How many σ away from the edge nothing changes any more: Φ(4) is within 1/30 000 of 1. */
    private static final double TAIL = 4;

    private static final float[] NORMAL = normal();
    private static final int NORMAL_STEPS = 1024;

    /** What a pixel's own square adds to the variance of an edge. */
    private static final double PIXEL = 1 / 12.0;

    /** How far what is read from a block's corners may be off where it is tried. */
    private static final double EVEN = 0.4 / 255;

    /** Nearer to the contour than this the direction to it can't be told. */
    private static final double LEAST = 0.1;

    /** Widths under this, as σ, pass over into the coverage of a sharp edge. */
    private static final double SHARP = 0.5;

    private final double[] pieces;
    private final double[] runs;
    private final int count;
    private final List<Contour.Piece> path;
    private final double expand;
    private final double width;
    private final double reach;

    /**
     * @param expand by how much the shape is larger than the contour, in pixels; smaller where negative
     * @param width over which the edge falls off everywhere, in pixels, to which the contour's own widths are added
     */
    public Falloff(Contour contour, double expand, double width) {
        this.path = contour.pieces();
        this.expand = expand;
        this.width = width;
        this.reach = reach(contour, expand, width);
        this.count = contour.boundary().size();
        this.pieces = new double[count * 7];
        for (int i = 0; i < count; i++) {
            put(contour.boundary().get(i), i * 7);
        }
        this.runs = runs();
    }

    /** How far from the contour pixels are neither all in nor all out, at most. */
    public static double reach(Contour contour, double expand, double width) {
        return Math.abs(expand) + TAIL * Math.sqrt(square((width + contour.widest()) / 2) + PIXEL) + 1;
    }

    private static double square(double x) {
        return x * x;
    }

    private void put(Contour.Piece p, int at) {
        double dx = p.to().x() - p.from().x();
        double dy = p.to().y() - p.from().y();
        pieces[at] = p.from().x();
        pieces[at + 1] = p.from().y();
        pieces[at + 2] = dx;
        pieces[at + 3] = dy;
        pieces[at + 4] = 1 / (dx * dx + dy * dy);
        pieces[at + 5] = p.fromWidth();
        pieces[at + 6] = p.toWidth() - p.fromWidth();
    }

    /** Circles round so many pieces that follow each other. */
    private double[] runs() {
        double[] all = new double[(count + RUN - 1) / RUN * 3];
        for (int r = 0; r * RUN < count; r++) {
            double x0 = Double.POSITIVE_INFINITY;
            double y0 = Double.POSITIVE_INFINITY;
            double x1 = Double.NEGATIVE_INFINITY;
            double y1 = Double.NEGATIVE_INFINITY;
            for (int i = r * RUN; i < Math.min(count, (r + 1) * RUN); i++) {
                double ax = pieces[i * 7];
                double ay = pieces[i * 7 + 1];
                double bx = ax + pieces[i * 7 + 2];
                double by = ay + pieces[i * 7 + 3];
                x0 = Math.min(x0, Math.min(ax, bx));
                y0 = Math.min(y0, Math.min(ay, by));
                x1 = Math.max(x1, Math.max(ax, bx));
                y1 = Math.max(y1, Math.max(ay, by));
            }
            all[r * 3] = (x0 + x1) / 2;
            all[r * 3 + 1] = (y0 + y1) / 2;
            all[r * 3 + 2] = Math.hypot(x1 - x0, y1 - y0) / 2;
        }
        return all;
    }

    /** The matte on a region of the raster. */
    public Matte on(Region region, Bands bands) {
        Matte matte = new Matte(region);
        if (count == 0 || region.isEmpty()) {
            return matte;
        }
        // Blocks lie on multiples of their size, so that it makes no difference which part of them is asked for.
        int top = Math.floorDiv(region.y(), BLOCKS[0]);
        int rows = Math.floorDiv(region.bottom() - 1, BLOCKS[0]) - top + 1;
        int left = Math.floorDiv(region.x(), BLOCKS[0]) * BLOCKS[0];
        bands.run(rows, 1, (from, to) -> {
            for (int row = top + from; row < top + to; row++) {
                int y = row * BLOCKS[0];
                Region around = new Region(left, y, region.right() - left + BLOCKS[0], BLOCKS[0] + 1);
                Block block = new Block(matte, around);
                for (int x = left; x < region.right(); x += BLOCKS[0]) {
                    block.shade(x, y);
                }
            }
        });
        return matte;
    }

    /** Whether the middle of each pixel lies inside: the winding number, summed along the rows. */
    private boolean[] inside(Region band) {
        int w = band.width();
        int[] change = new int[(w + 1) * band.height()];
        for (Contour.Piece p : path) {
            if (p.top() > band.bottom() || p.bottom() < band.y()) {
                continue;
            }
            Point a = p.from();
            Point b = p.to();
            int sign = b.y() > a.y() ? 1 : -1;
            double top = Math.min(a.y(), b.y());
            double bottom = Math.max(a.y(), b.y());
            int first = (int) Math.max(band.y(), Math.ceil(top - 0.5));
            int last = (int) Math.min(band.bottom(), Math.ceil(bottom - 0.5));
            for (int y = first; y < last; y++) {
                double x = a.x() + (y + 0.5 - a.y()) / (b.y() - a.y()) * (b.x() - a.x());
                int at = (int) Math.max(0, Math.min(w, Math.ceil(x - 0.5) - band.x()));
                change[(y - band.y()) * (w + 1) + at] += sign;
            }
        }
        boolean[] inside = new boolean[w * band.height()];
        for (int y = 0; y < band.height(); y++) {
            int winding = 0;
            for (int x = 0; x < w; x++) {
                winding += change[y * (w + 1) + x];
                inside[y * w + x] = winding != 0;
            }
        }
        return inside;
    }

    /** A row of blocks, with lists of the pieces that count within one, for each size of block. */
    private final class Block {
        private final Matte matte;
        private final Region domain;
        private final Region around;
        private final boolean[] inside;
        private final int[][] near = new int[BLOCKS.length][count];
        private final double[] distances = new double[count];
        /** Distance and σ at the corners of a block, and where else they were last asked for. */
        private final double[] corners = new double[8];

        private int nearest;
        private double distance;
        private double sigma;
        /** The direction in which the signed distance falls, one long. */
        private double towardsX;

        private double towardsY;

        Block(Matte matte, Region around) {
            this.matte = matte;
            this.domain = matte.domain();
            this.around = around;
            this.inside = inside(around);
        }

        void shade(int x0, int y0) {
            int size = BLOCKS[0];
            double x = x0 + size / 2.0;
            double y = y0 + size / 2.0;
            double most = Double.POSITIVE_INFINITY;
            for (int r = 0; r < runs.length; r += 3) {
                most = Math.min(most, Math.hypot(runs[r] - x, runs[r + 1] - y) + runs[r + 2]);
            }
            int found = 0;
            for (int r = 0; r < runs.length; r += 3) {
                if (Math.hypot(runs[r] - x, runs[r + 1] - y) - runs[r + 2] <= most + 2 * half(size)) {
                    int end = Math.min(count, (r / 3 + 1) * RUN);
                    for (int i = r / 3 * RUN; i < end; i++) {
                        near[0][found++] = i;
                    }
                }
            }
            narrow(x0, y0, 0, kept(x0, y0, size, near[0], found, near[0]));
        }

        /** From the middle of a block to the farthest place that is asked for with it. */
        private static double half(int size) {
            return Math.sqrt(0.5) * (size + 1);
        }

        /** Those of a list that can be nearest to some pixel of a block; none where all of it is in or out. */
        private int kept(int x0, int y0, int size, int[] from, int n, int[] into) {
            double x = x0 + size / 2.0;
            double y = y0 + size / 2.0;
            double least = Double.POSITIVE_INFINITY;
            for (int k = 0; k < n; k++) {
                distances[k] = squared(from[k], x, y);
                least = Math.min(least, distances[k]);
            }
            least = Math.sqrt(least);
            if (least - half(size) > reach) {
                flat(x0, y0, size);
                return 0;
            }
            double most = square(least + 2 * half(size));
            int found = 0;
            for (int k = 0; k < n; k++) {
                if (distances[k] <= most) {
                    into[found++] = from[k];
                }
            }
            return found;
        }

        private void narrow(int x0, int y0, int level, int n) {
            if (n == 0 || isOutside(x0, y0, BLOCKS[level])) {
                return;
            }
            if (level > 0 && isEven(x0, y0, BLOCKS[level], near[level], n)) {
                even(x0, y0, BLOCKS[level]);
                return;
            }
            if (level == BLOCKS.length - 1) {
                pixels(x0, y0, BLOCKS[level], near[level], n);
                return;
            }
            int size = BLOCKS[level + 1];
            for (int y = y0; y < y0 + BLOCKS[level]; y += size) {
                for (int x = x0; x < x0 + BLOCKS[level]; x += size) {
                    if (!isOutside(x, y, size)) {
                        narrow(x, y, level + 1, kept(x, y, size, near[level], n, near[level + 1]));
                    }
                }
            }
        }

        private boolean isOutside(int x0, int y0, int size) {
            return x0 >= domain.right() || y0 >= domain.bottom() || x0 + size <= domain.x() || y0 + size <= domain.y();
        }

        private void flat(int x0, int y0, int size) {
            for (int y = Math.max(y0, domain.y()); y < Math.min(y0 + size, domain.bottom()); y++) {
                int at = matte.index(0, y);
                for (int x = Math.max(x0, domain.x()); x < Math.min(x0 + size, domain.right()); x++) {
                    matte.value[at + x] = isInside(x, y) ? 1 : 0;
                }
            }
        }

        private boolean isInside(int x, int y) {
            return inside[(y - around.y()) * around.width() + x - around.x()];
        }

        /** Signed distance and σ at a pixel's middle. */
        private void look(int x, int y, int[] list, int n) {
            double least = Double.POSITIVE_INFINITY;
            int found = 0;
            for (int k = 0; k < n; k++) {
                double d = squared(list[k], x + 0.5, y + 0.5);
                if (d < least) {
                    least = d;
                    found = list[k];
                }
            }
            nearest = found;
            distance = isInside(x, y) ? Math.sqrt(least) : -Math.sqrt(least);
            int at = found * 7;
            double t = along(found, x + 0.5, y + 0.5);
            sigma = Math.max(0, width + pieces[at + 5] + t * pieces[at + 6]) / 2;
            towardsX = (pieces[at] + t * pieces[at + 2] - x - 0.5) / distance;
            towardsY = (pieces[at + 1] + t * pieces[at + 3] - y - 0.5) / distance;
        }

        /**
         * Whether a block can be read from its corners, which are kept. Where the directions to the contour differ by δ at
         * the corners, a block of n pixels may hide a fold of the distance n·δ/4 deep, and Φ is nowhere steeper than
         * 0.4/σ; the middle tells whether something else lies between.
         */
        private boolean isEven(int x0, int y0, int size, int[] list, int n) {
            double firstX = 0;
            double firstY = 0;
            for (int c = 0; c < 4; c++) {
                look(x0 + (c & 1) * size, y0 + (c >> 1) * size, list, n);
                if (sigma < SHARP || Math.abs(distance) < LEAST) {
                    return false;
                }
                corners[2 * c] = distance;
                corners[2 * c + 1] = sigma;
                firstX = c == 0 ? towardsX : firstX;
                firstY = c == 0 ? towardsY : firstY;
                if (Math.abs(towardsX - firstX) + Math.abs(towardsY - firstY) > EVEN * 18 * sigma / size) {
                    return false;
                }
            }
            look(x0 + size / 2, y0 + size / 2, list, n);
            return sigma >= SHARP && Math.abs(soft(distance, sigma) - read(size / 2, size / 2, size)) <= EVEN;
        }

        private double read(int dx, int dy, int size) {
            double u = (double) dx / size;
            double v = (double) dy / size;
            double d = between(u, v, 0);
            return soft(d, between(u, v, 1));
        }

        private double between(double u, double v, int which) {
            double above = corners[which] + u * (corners[2 + which] - corners[which]);
            double below = corners[4 + which] + u * (corners[6 + which] - corners[4 + which]);
            return above + v * (below - above);
        }

        private void even(int x0, int y0, int size) {
            for (int y = Math.max(y0, domain.y()); y < Math.min(y0 + size, domain.bottom()); y++) {
                int at = matte.index(0, y);
                for (int x = Math.max(x0, domain.x()); x < Math.min(x0 + size, domain.right()); x++) {
                    matte.value[at + x] = (float) read(x - x0, y - y0, size);
                }
            }
        }

        private void pixels(int x0, int y0, int size, int[] list, int n) {
            for (int y = Math.max(y0, domain.y()); y < Math.min(y0 + size, domain.bottom()); y++) {
                int at = matte.index(0, y);
                for (int x = Math.max(x0, domain.x()); x < Math.min(x0 + size, domain.right()); x++) {
                    look(x, y, list, n);
                    matte.value[at + x] = (float) value(nearest, x + 0.5, y + 0.5, distance, sigma);
                }
            }
        }
    }

    private double along(int piece, double x, double y) {
        int at = piece * 7;
        double t = ((x - pieces[at]) * pieces[at + 2] + (y - pieces[at + 1]) * pieces[at + 3]) * pieces[at + 4];
        return Math.max(0, Math.min(1, t));
    }

    private double squared(int piece, double x, double y) {
        int at = piece * 7;
        double t = along(piece, x, y);
        double dx = pieces[at] + t * pieces[at + 2] - x;
        double dy = pieces[at + 1] + t * pieces[at + 3] - y;
        return dx * dx + dy * dy;
    }

    /** Beyond the reach exactly 0 or 1, as in whole blocks there. */
    private double soft(double distance, double sigma) {
        if (Math.abs(distance) > reach) {
            return distance > 0 ? 1 : 0;
        }
        return normal((distance + expand) / Math.sqrt(sigma * sigma + PIXEL));
    }

    private double value(int piece, double x, double y, double distance, double sigma) {
        if (sigma >= SHARP || Math.abs(distance) > reach) {
            return soft(distance, sigma);
        }
        int at = piece * 7;
        double t = along(piece, x, y);
        double nx = x - pieces[at] - t * pieces[at + 2];
        double ny = y - pieces[at + 1] - t * pieces[at + 3];
        if (Math.abs(distance) < 1e-6) {
            nx = -pieces[at + 3];
            ny = pieces[at + 2];
        }
        double sharp = covered(distance + expand, Math.abs(nx), Math.abs(ny));
        return sharp + (soft(distance, sigma) - sharp) * sigma / SHARP;
    }

    /** The share of a unit square inside a straight line at a distance from its middle; the normal need not be 1 long. */
    private static double covered(double s, double nx, double ny) {
        double length = Math.hypot(nx, ny);
        double a = Math.max(nx, ny) / length;
        double b = Math.min(nx, ny) / length;
        // Seen along the normal the square is a trapezium: it rises over b, and lasts as wide as a − b.
        double outer = (a + b) / 2;
        double inner = (a - b) / 2;
        double d = Math.abs(s);
        double beyond = d >= outer ? 0 : d >= inner ? square(outer - d) / (2 * a * b) : 0.5 - d / a;
        return s > 0 ? 1 - beyond : beyond;
    }

    /** Φ, read linearly from a table. */
    private static double normal(double x) {
        double at = (Math.max(-5, Math.min(5, x)) + 5) * NORMAL_STEPS;
        int i = Math.min(NORMAL.length - 2, (int) at);
        return NORMAL[i] + (NORMAL[i + 1] - NORMAL[i]) * (at - i);
    }

    /** The bell summed by Simpson's rule from −5 on, brought to end at 1. */
    private static float[] normal() {
        int steps = 1024;
        double[] sums = new double[10 * steps + 1];
        double h = 1.0 / steps;
        for (int i = 1; i < sums.length; i++) {
            double x = -5 + (i - 1) * h;
            sums[i] = sums[i - 1] + h / 6 * (bell(x) + 4 * bell(x + h / 2) + bell(x + h));
        }
        float[] all = new float[sums.length];
        for (int i = 0; i < sums.length; i++) {
            all[i] = (float) (sums[i] / sums[sums.length - 1]);
        }
        return all;
    }

    private static double bell(double x) {
        return StrictMath.exp(-x * x / 2);
    }
}
