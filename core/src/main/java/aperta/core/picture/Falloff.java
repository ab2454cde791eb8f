package aperta.core.picture;

import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import java.util.ArrayList;
import java.util.Arrays;
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
    private static final int LEAST_BLOCK = BLOCKS[BLOCKS.length - 1];
    private static final int SPOTS = BLOCKS[0] / LEAST_BLOCK + 1;
    private static final int RUN = 16;
    /** How many σ away from the edge nothing changes any more: Φ(4) is within 1/30 000 of 1. */
    private static final double TAIL = 4;

    private static final float[] NORMAL = normal();
    private static final int NORMAL_STEPS = 256;

    /** What a pixel's own square adds to the variance of an edge. */
    private static final double PIXEL = 1 / 12.0;

    /** How far what is read from a block's corners may be off where it is tried. */
    private static final double EVEN = 0.3 / 255;

    /**
     * How much the directions to the contour may differ (the sum of both coordinates' differences, at most √2 of their
     * angle δ) over a block, times its size, in σ: it may hide a fold of the distance a quarter of size·δ deep, and Φ is
     * nowhere steeper than 0.4/σ, which leaves 0.8/255. Far from the edge it is less steep, and they may differ by more.
     */
    private static final double FOLD = 0.8 / 255 / 0.4 * 4 * 1.414;

    /** Of a block, against its side. */
    private static final double DIAGONAL = 1.415;

    /** Widths that change by more than this for each pixel along the contour are as good as torn. */
    private static final double SLOPE = 0.3;

    /** How far Φ may be off at most, were the softest and the hardest of several torn pieces next to each other. */
    private static final double TEAR = 2.0 / 255;

    /**
     * How far a place or a width may be off, in σ, where pieces are joined, which leaves 0.2/255. Where two edges of
     * different softness are equally near, the line between what is theirs may lie so much to the side.
     */
    private static final double STRAIGHT = 0.2 / 255 / 0.4;

    /** Nearer to the contour than this the direction to it can't be told. */
    private static final double LEAST = 0.1;

    /** Widths under this, as σ, pass over into the coverage of a sharp edge. */
    private static final double SHARP = 0.5;

    private final double[] pieces;
    private final double[] runs;
    private final int[] chains;
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
        List<Contour.Piece> boundary = joined(contour.boundary(), width);
        this.count = boundary.size();
        this.pieces = new double[count * 7];
        for (int i = 0; i < count; i++) {
            put(boundary.get(i), i * 7);
        }
        this.runs = runs();
        this.chains = chains();
    }

    /** Pieces that follow each other so nearly straight that their edge, soft as it is, can't be told from one piece's. */
    private static List<Contour.Piece> joined(List<Contour.Piece> pieces, double width) {
        List<Contour.Piece> all = new ArrayList<>();
        int from = 0;
        while (from < pieces.size()) {
            Contour.Piece one = pieces.get(from);
            int end = from + 1;
            while (end < pieces.size() && end - from < RUN && isStraight(pieces, from, end, width)) {
                Contour.Piece last = pieces.get(end);
                one = new Contour.Piece(
                        pieces.get(from).from(), last.to(), pieces.get(from).fromWidth(), last.toWidth());
                end++;
            }
            all.add(one);
            from = end;
        }
        return all;
    }

    /** Whether the pieces from one to another, both included, may be taken as one. */
    private static boolean isStraight(List<Contour.Piece> pieces, int from, int to, double width) {
        Contour.Piece a = pieces.get(from);
        Contour.Piece b = pieces.get(to);
        Point chord = b.to().minus(a.from());
        double length = chord.length();
        if (length == 0 || !pieces.get(to - 1).to().equals(b.from())) {
            return false;
        }
        for (int i = from; i < to; i++) {
            Contour.Piece p = pieces.get(i);
            Point off = p.to().minus(a.from());
            double along = (off.x() * chord.x() + off.y() * chord.y()) / (length * length);
            double aside = Math.abs(off.x() * chord.y() - off.y() * chord.x()) / length;
            double wide = a.fromWidth() + along * (b.toWidth() - a.fromWidth()) - p.toWidth();
            double softest = (width + Math.min(p.toWidth(), Math.min(a.fromWidth(), b.toWidth()))) / 2;
            if (!(along >= 0 && along <= 1)
                    || softest < SHARP
                    || aside > STRAIGHT * softest
                    || Math.abs(wide) > STRAIGHT * softest) {
                return false;
            }
        }
        return true;
    }

    /** How far from the contour pixels are neither all in nor all out, at most. */
    public static double reach(Contour contour, double expand, double width) {
        return Math.abs(expand) + TAIL * Math.sqrt(square((width + contour.widest()) / 2) + PIXEL) + 1;
    }

    private static double square(double x) {
        return x * x;
    }

    /** Exact enough for pixels, and many times as fast as a hypotenuse that minds the largest numbers. */
    private static double length(double x, double y) {
        return Math.sqrt(x * x + y * y);
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

    /** Pieces of equal number that follow each other go on where the one before ends, in place and, slowly, in width. */
    private int[] chains() {
        int[] all = new int[count];
        for (int i = 1; i < count; i++) {
            int a = i * 7 - 7;
            int b = i * 7;
            double gap = Math.abs(pieces[a] + pieces[a + 2] - pieces[b])
                    + Math.abs(pieces[a + 1] + pieces[a + 3] - pieces[b + 1])
                    + Math.abs(pieces[a + 5] + pieces[a + 6] - pieces[b + 5]);
            all[i] = all[i - 1] + (gap < 1e-6 && isSlow(a) && isSlow(b) ? 0 : 1);
        }
        return all;
    }

    private boolean isSlow(int at) {
        return Math.abs(pieces[at + 6]) <= SLOPE * length(pieces[at + 2], pieces[at + 3]);
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
            all[r * 3 + 2] = length(x1 - x0, y1 - y0) / 2;
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
        private final double[] fromX = new double[count];
        private final double[] fromY = new double[count];
        /** At the corners of a block: how far inside the moved edge they are, and how many σ that is for each pixel. */
        private final double[] distanceAt = new double[4];

        private final double[] steepAt = new double[4];

        /** What was found at the corners of the smallest blocks within the present large one, and in which turn. */
        private final double[] spots = new double[SPOTS * SPOTS * 4];

        private final int[] turns = new int[SPOTS * SPOTS];
        private int turn;
        private int left;
        private int top;

        private int nearest;
        private double share;
        private double awayX;
        private double awayY;
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
            left = x0;
            top = y0;
            turn++;
            double x = x0 + size / 2.0;
            double y = y0 + size / 2.0;
            double most = Double.POSITIVE_INFINITY;
            for (int r = 0; r < runs.length; r += 3) {
                most = Math.min(most, length(runs[r] - x, runs[r + 1] - y) + runs[r + 2]);
            }
            int found = 0;
            for (int r = 0; r < runs.length; r += 3) {
                if (length(runs[r] - x, runs[r + 1] - y) - runs[r + 2] <= most + 2 * half(size)) {
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

        /**
         * Those of a list that can be nearest to some pixel of a block; none where all of it is in or out. With d the
         * distance of a piece from the block's middle, v the vector there from its nearest point, and h how far the block's
         * pixels are from its middle: a piece is nowhere in the block nearer than d + v/d·e (its distance is convex), and the
         * nearest one, marked 0, nowhere farther than d₀ + v₀/d₀·e + h²/2d₀.
         */
        private int kept(int x0, int y0, int size, int[] from, int n, int[] into) {
            double x = x0 + size / 2.0;
            double y = y0 + size / 2.0;
            double least = Double.POSITIVE_INFINITY;
            int first = 0;
            for (int k = 0; k < n; k++) {
                int at = from[k] * 7;
                double px = x - pieces[at];
                double py = y - pieces[at + 1];
                double t = clamped((px * pieces[at + 2] + py * pieces[at + 3]) * pieces[at + 4]);
                double dx = px - t * pieces[at + 2];
                double dy = py - t * pieces[at + 3];
                fromX[k] = dx;
                fromY[k] = dy;
                distances[k] = dx * dx + dy * dy;
                if (distances[k] < least) {
                    least = distances[k];
                    first = k;
                }
            }
            least = Math.sqrt(least);
            double half = half(size);
            if (least - half > reach) {
                flat(x0, y0, size);
                return 0;
            }
            double most = square(least + 2 * half);
            double bend = half * half / (2 * least) + 1e-9;
            double firstX = fromX[first] / least;
            double firstY = fromY[first] / least;
            int found = 0;
            for (int k = 0; k < n; k++) {
                if (distances[k] <= most) {
                    double d = Math.sqrt(distances[k]);
                    double more = d - least - bend;
                    double along = fromX[k] * firstX + fromY[k] * firstY;
                    // The directions, one long, differ by √(2 − 2·cos).
                    if (more <= 0 || more * more * d <= 2 * half * half * (d - along + 1e-9)) {
                        into[found++] = from[k];
                    }
                }
            }
            return found;
        }

        /** How soft the edge is at the softest place of pieces, as σ. */
        private double softest(int[] list, int n) {
            double most = 0;
            for (int k = 0; k < n; k++) {
                int at = list[k] * 7 + 5;
                most = Math.max(most, pieces[at] + Math.max(0, pieces[at + 1]));
            }
            return (width + most) / 2;
        }

        /** How soft the edge is at the hardest place of pieces, as σ. */
        private double hardest(int[] list, int n) {
            double least = Double.POSITIVE_INFINITY;
            for (int k = 0; k < n; k++) {
                int at = list[k] * 7 + 5;
                least = Math.min(least, pieces[at] + Math.min(0, pieces[at + 1]));
            }
            return Math.max(0, width + least) / 2;
        }

        /** Whether pieces follow each other without a tear. */
        private boolean isChain(int[] list, int n) {
            for (int k = 1; k < n; k++) {
                if (list[k] != list[k - 1] + 1 || chains[list[k]] != chains[list[k - 1]]) {
                    return false;
                }
            }
            return true;
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
            int left = Math.max(x0, domain.x());
            int right = Math.min(x0 + size, domain.right());
            int first = Math.max(y0, domain.y());
            // No edge passes through the block.
            if (left < right && first < domain.bottom() && isInside(left, first)) {
                for (int y = first; y < Math.min(y0 + size, domain.bottom()); y++) {
                    Arrays.fill(matte.value, matte.index(left, y), matte.index(right, y), 1);
                }
            }
        }

        private boolean isInside(int x, int y) {
            return inside[(y - around.y()) * around.width() + x - around.x()];
        }

        /** Signed distance and σ at a pixel's middle, and how far the nearest place is to its left and above it. */
        private void look(int x, int y, int[] list, int n) {
            double least = Double.POSITIVE_INFINITY;
            for (int k = 0; k < n; k++) {
                int at = list[k] * 7;
                double px = x + 0.5 - pieces[at];
                double py = y + 0.5 - pieces[at + 1];
                double t = clamped((px * pieces[at + 2] + py * pieces[at + 3]) * pieces[at + 4]);
                double dx = px - t * pieces[at + 2];
                double dy = py - t * pieces[at + 3];
                double d = dx * dx + dy * dy;
                if (d < least) {
                    least = d;
                    nearest = list[k];
                    share = t;
                    awayX = dx;
                    awayY = dy;
                }
            }
            distance = isInside(x, y) ? Math.sqrt(least) : -Math.sqrt(least);
            sigma = Math.max(0, width + pieces[nearest * 7 + 5] + share * pieces[nearest * 7 + 6]) / 2;
        }

        /** The same from what was found before, at the corners of the smallest blocks: larger ones share them. */
        private void known(int x, int y, int[] list, int n) {
            if ((x - left) % LEAST_BLOCK != 0 || (y - top) % LEAST_BLOCK != 0) {
                direct(x, y, list, n);
                return;
            }
            int spot = (y - top) / LEAST_BLOCK * SPOTS + (x - left) / LEAST_BLOCK;
            int at = spot * 4;
            if (turns[spot] == turn) {
                distance = spots[at];
                sigma = spots[at + 1];
                towardsX = spots[at + 2];
                towardsY = spots[at + 3];
                return;
            }
            direct(x, y, list, n);
            turns[spot] = turn;
            spots[at] = distance;
            spots[at + 1] = sigma;
            spots[at + 2] = towardsX;
            spots[at + 3] = towardsY;
        }

        private void direct(int x, int y, int[] list, int n) {
            look(x, y, list, n);
            towardsX = -awayX / distance;
            towardsY = -awayY / distance;
        }

        /** Whether a block can be read from its corners, which are kept: directions are alike, and the middle fits. */
        private boolean isEven(int x0, int y0, int size, int[] list, int n) {
            double firstX = 0;
            double firstY = 0;
            double apart = 0;
            double hard = Double.POSITIVE_INFINITY;
            double soft = 0;
            double near = Double.POSITIVE_INFINITY;
            double far = 0;
            for (int c = 0; c < 4; c++) {
                known(x0 + (c & 1) * size, y0 + (c >> 1) * size, list, n);
                if (sigma < SHARP || Math.abs(distance) < LEAST) {
                    return false;
                }
                distanceAt[c] = distance + expand;
                steepAt[c] = steepness(sigma);
                firstX = c == 0 ? towardsX : firstX;
                firstY = c == 0 ? towardsY : firstY;
                apart = Math.max(apart, Math.abs(towardsX - firstX) + Math.abs(towardsY - firstY));
                hard = Math.min(hard, sigma);
                soft = Math.max(soft, sigma);
                near = Math.min(near, Math.abs(distanceAt[c]));
                far = Math.max(far, Math.abs(distanceAt[c]));
            }
            double diagonal = DIAGONAL * size;
            double folds = apart * size / (FOLD * hard);
            boolean torn = soft - hard > SLOPE * diagonal || !isChain(list, n);
            double tears = torn ? tear(far + diagonal, list, n) / TEAR : 0;
            double times = Math.max(folds, tears);
            if (times > 1 && !isGentle(times, near - diagonal, list, n)) {
                return false;
            }
            known(x0 + size / 2, y0 + size / 2, list, n);
            float read = normal(mean(distanceAt) * mean(steepAt));
            return sigma >= SHARP && Math.abs(normal(inside(distance, sigma)) - read) <= EVEN;
        }

        /** By how much Φ differs, where it is steepest, between the hardest and the softest piece at a distance. */
        private double tear(double distance, int[] list, int n) {
            return 0.4 * distance * (steepness(hardest(list, n)) - steepness(softest(list, n)));
        }

        /**
         * Whether Φ is everywhere so many times less steep than 0.4/σ where the edge is at least so far away: exp(z²/2) ≥ 1 +
         * z²/2 + z⁴/8.
         */
        private boolean isGentle(double times, double away, int[] list, int n) {
            double z = Math.max(0, away) * steepness(softest(list, n));
            double half = z * z / 2;
            return 1 + half + half * half / 2 >= times;
        }

        /** On the left (0) or the right side (1) of a block, down from its top. */
        private static double between(double[] corners, int side, double down) {
            return corners[side] + down * (corners[side + 2] - corners[side]);
        }

        private void even(int x0, int y0, int size) {
            int first = Math.max(x0, domain.x());
            int end = Math.min(x0 + size, domain.right());
            for (int y = Math.max(y0, domain.y()); y < Math.min(y0 + size, domain.bottom()); y++) {
                double v = (double) (y - y0) / size;
                double d = between(distanceAt, 0, v);
                double more = (between(distanceAt, 1, v) - d) / size;
                double s = between(steepAt, 0, v);
                double steeper = (between(steepAt, 1, v) - s) / size;
                int at = matte.index(0, y);
                for (int x = first; x < end; x++) {
                    matte.value[at + x] = normal((d + (x - x0) * more) * (s + (x - x0) * steeper));
                }
            }
        }

        private static double mean(double[] corners) {
            return (corners[0] + corners[1] + corners[2] + corners[3]) / 4;
        }

        private void pixels(int x0, int y0, int size, int[] list, int n) {
            for (int y = Math.max(y0, domain.y()); y < Math.min(y0 + size, domain.bottom()); y++) {
                int at = matte.index(0, y);
                for (int x = Math.max(x0, domain.x()); x < Math.min(x0 + size, domain.right()); x++) {
                    look(x, y, list, n);
                    float soft = normal(inside(distance, sigma));
                    matte.value[at + x] = sigma >= SHARP ? soft : sharpened(soft);
                }
            }
        }

        /** Between the exact share of a pixel at a straight edge and its falling off. */
        private float sharpened(float soft) {
            boolean on = Math.abs(distance) < 1e-6;
            double nx = on ? pieces[nearest * 7 + 3] : awayX;
            double ny = on ? pieces[nearest * 7 + 2] : awayY;
            double sharp = covered(distance + expand, Math.abs(nx), Math.abs(ny));
            return (float) (sharp + (soft - sharp) * sigma / SHARP);
        }
    }

    /** Between 0 and 1; without branches, which nobody could foretell for pieces in all directions. */
    private static double clamped(double t) {
        return 0.5 * (1 + Math.abs(t) - Math.abs(t - 1));
    }

    /** How many σ a place with a distance lies inside the edge, the pixel's own square counted. */
    private double inside(double distance, double sigma) {
        return (distance + expand) * steepness(sigma);
    }

    private static double steepness(double sigma) {
        return 1 / Math.sqrt(sigma * sigma + PIXEL);
    }

    /** The share of a unit square inside a straight line at a distance from its middle; the normal need not be 1 long. */
    private static double covered(double s, double nx, double ny) {
        double length = length(nx, ny);
        double a = Math.max(nx, ny) / length;
        double b = Math.min(nx, ny) / length;
        // Seen along the normal the square is a trapezium: it rises over b, and lasts as wide as a − b.
        double outer = (a + b) / 2;
        double inner = (a - b) / 2;
        double d = Math.abs(s);
        double beyond = d >= outer ? 0 : d >= inner ? square(outer - d) / (2 * a * b) : 0.5 - d / a;
        return s > 0 ? 1 - beyond : beyond;
    }

    /** Φ, read linearly from a table; beyond the tail exactly 0 or 1, as in whole blocks there. */
    private static float normal(double x) {
        if (x <= -TAIL) {
            return 0;
        }
        if (x >= TAIL) {
            return 1;
        }
        float at = (float) ((x + TAIL) * NORMAL_STEPS);
        int i = (int) at;
        return i >= NORMAL.length - 1 ? 1 : NORMAL[i] + (NORMAL[i + 1] - NORMAL[i]) * (at - i);
    }

    /** The bell summed by Simpson's rule from one tail to the other, brought to end at 1. */
    private static float[] normal() {
        double[] sums = new double[(int) (2 * TAIL * NORMAL_STEPS) + 1];
        double h = 1.0 / NORMAL_STEPS;
        for (int i = 1; i < sums.length; i++) {
            double x = -TAIL + (i - 1) * h;
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
