package aperta.core.picture;

import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import java.util.Arrays;
import java.util.List;

/**
 * Which of many straight pieces is the nearest to each pixel's middle, up to a reach. Every point to which a place on a
 * piece is the nearest lies in the strip square to the piece, or in the wedge round one of its ends; both are scanned like
 * polygons, and the nearest piece wins, as in S. Mauch, “A Fast Algorithm for Computing the Closest Point and Distance
 * Transform” (Caltech, 2000). The time goes with the area within reach, not with that times the pieces.
 *
 * <p>Along the ray from its foot a place is the nearest up to some distance and nowhere beyond it. A strip therefore ends
 * where a coarse grid tells that something else is nearer.
 */
final class Nearest {
    /** No piece is within reach. */
    static final int NONE = -1;

    /** The side of a tile of the coarse grid, in pixels, at least, and how many there are side by side at most. */
    private static final int TILE = 16;

    private static final int MOST_TILES = 512;

    /** Beyond all pictures. */
    private static final double FAR = 1e8;

    /** So many pixels side by side are out of reach or not. */
    static final int CELL = 32;

    /** So far beyond its strip a pixel's middle is looked at, so that none falls between two of them. */
    private static final double SLACK = 1e-6;

    /** Pieces that end in one place are equally near to some pixels: the first is kept, whatever numbers are off. */
    private static final float NEARER = 1 - 1e-6f;

    /** By how much something else must be nearer for a strip to end, far above what numbers can be off. */
    private static final double CLEAR = 0.01;

    /** The tangent of a wedge's half that is scanned with the strip beside it; wider ones by themselves. */
    private static final double WIDE = 0.25;

    /** Lines that lean more than this, in pixels across for one down, bound no row. */
    private static final double FLAT = 1e4;

    /** Numbers of a strip: its bounds, then two lines on its left and two on its right, x = a + b·y. */
    private static final int STRIP = 10;

    private static final int LEFT = 0;
    private static final int RIGHT = 1;
    private static final int LEFT_LINES = 2;
    private static final int RIGHT_LINES = 6;
    private static final double NOTHING = Double.NEGATIVE_INFINITY;
    private static final double[] UNBOUNDED = {-NOTHING, NOTHING, NOTHING, 0, NOTHING, 0, -NOTHING, 0, -NOTHING, 0};

    private final List<Contour.Piece> boundary;
    private final double reach;
    private final Region region;
    private final Region far;
    private final int tile;
    private final Region tiles;
    private final double[] least;
    private double[] strips = new double[256 * STRIP];
    private double[] tops = new double[256];
    private double[] bottoms = new double[256];
    private int[] owners = new int[256];
    private int count;

    /**
     * @param boundary pieces of some length, those that go on from one another in turn
     * @param reach how far a pixel's middle may be from the nearest piece, in pixels
     * @param region of the pixels that will be asked for
     */
    Nearest(List<Contour.Piece> boundary, double reach, Region region) {
        this.boundary = boundary;
        this.reach = reach;
        this.region = region;
        this.far = region.grown((int) Math.ceil(Math.min(reach, FAR)));
        this.tile = Math.max(TILE, Math.max(far.width(), far.height()) / MOST_TILES);
        int left = Math.floorDiv(far.x(), tile);
        int top = Math.floorDiv(far.y(), tile);
        this.tiles = new Region(
                left, top, Math.floorDiv(far.right(), tile) + 1 - left, Math.floorDiv(far.bottom(), tile) + 1 - top);
        this.least = new double[Math.toIntExact(tiles.area())];
        Arrays.fill(least, Double.POSITIVE_INFINITY);
        for (Contour.Piece p : boundary) {
            eachPart(p, (a, b) -> mark(a.mix(b, 0.5)));
        }
        spread();
        double[] turns = turns(boundary);
        for (int i = 0; i < boundary.size(); i++) {
            Contour.Piece p = boundary.get(i);
            int piece = i;
            eachPart(p, (a, b) -> {
                double before = a == p.from() ? turns[2 * piece] : 0;
                double after = b == p.to() ? turns[2 * piece + 1] : 0;
                lay(piece, a, b, before, after);
            });
        }
    }

    private interface Part {
        void of(Point from, Point to);
    }

    /** What lies within reach of a piece, in parts no longer than two tiles, each of which is scanned as far as it needs. */
    private void eachPart(Contour.Piece p, Part work) {
        double longest = 2.0 * tile;
        Point along = p.to().minus(p.from());
        boolean isShort = Math.abs(along.x()) + Math.abs(along.y()) <= longest;
        if (isShort && isWithin(p.from()) && isWithin(p.to())) {
            work.of(p.from(), p.to());
            return;
        }
        double[] t = {0, 1};
        if (!clip(p.from().x(), along.x(), far.x(), far.right(), t)
                || !clip(p.from().y(), along.y(), far.y(), far.bottom(), t)) {
            return;
        }
        double stretch = t[1] - t[0];
        int n = (int) Math.ceil(stretch * along.length() / longest);
        Point from = t[0] == 0 ? p.from() : p.from().mix(p.to(), t[0]);
        for (int k = 1; k <= n; k++) {
            Point to = k == n && t[1] == 1 ? p.to() : p.from().mix(p.to(), t[0] + stretch * k / n);
            work.of(from, to);
            from = to;
        }
    }

    private boolean isWithin(Point p) {
        return p.x() >= far.x() && p.x() <= far.right() && p.y() >= far.y() && p.y() <= far.bottom();
    }

    /** Which stretch of start + t·step lies between two bounds (Liang and Barsky); whether there is one. */
    private static boolean clip(double start, double step, double low, double high, double[] t) {
        if (step == 0) {
            return start >= low && start <= high;
        }
        double a = (low - start) / step;
        double b = (high - start) / step;
        t[0] = Math.max(t[0], Math.min(a, b));
        t[1] = Math.min(t[1], Math.max(a, b));
        return t[0] < t[1];
    }

    /**
     * The tangent of half the turn at both ends of each piece, positive where it turns to the side of (−y, x) of its
     * direction; infinite where nothing goes on.
     */
    private static double[] turns(List<Contour.Piece> boundary) {
        int n = boundary.size();
        double[] all = new double[2 * n];
        Arrays.fill(all, Double.POSITIVE_INFINITY);
        for (int i = 0; i < n; i++) {
            Contour.Piece next = boundary.get((i + 1) % n);
            if (boundary.get(i).to().equals(next.from())) {
                all[2 * i + 1] = turn(boundary.get(i), next);
                all[(2 * i + 2) % (2 * n)] = all[2 * i + 1];
            }
        }
        return all;
    }

    private static double turn(Contour.Piece a, Contour.Piece b) {
        Point u = a.to().minus(a.from());
        Point v = b.to().minus(b.from());
        double lengths = Falloff.length(u.x(), u.y()) * Falloff.length(v.x(), v.y());
        double cos = (u.x() * v.x() + u.y() * v.y()) / lengths;
        double sin = (u.x() * v.y() - u.y() * v.x()) / lengths;
        return cos > 0 ? sin / (1 + cos) : (1 - cos) / sin;
    }

    /** How near the boundary is to the middle of a tile, at most, as far as a place on it tells. */
    private void mark(Point place) {
        int x = (int) Math.floor(place.x() / tile);
        int y = (int) Math.floor(place.y() / tile);
        int at = tile(x, y);
        least[at] = Math.min(least[at], fromMiddle(place.x(), place.y(), x, y));
    }

    private int tile(int x, int y) {
        return (y - tiles.y()) * tiles.width() + x - tiles.x();
    }

    private double fromMiddle(double px, double py, int x, int y) {
        return Falloff.length(px - (x + 0.5) * tile, py - (y + 0.5) * tile);
    }

    /** From tile to tile, there and back: what is near to one is not much farther from its neighbour. */
    private void spread() {
        for (int y = 0; y < tiles.height(); y++) {
            for (int x = 0; x < tiles.width(); x++) {
                closer(x, y, -1, -1);
                closer(x, y, 0, -1);
                closer(x, y, 1, -1);
                closer(x, y, -1, 0);
            }
        }
        for (int y = tiles.height() - 1; y >= 0; y--) {
            for (int x = tiles.width() - 1; x >= 0; x--) {
                closer(x, y, 1, 1);
                closer(x, y, 0, 1);
                closer(x, y, -1, 1);
                closer(x, y, 1, 0);
            }
        }
    }

    private void closer(int x, int y, int dx, int dy) {
        int fromX = x + dx;
        int fromY = y + dy;
        if (fromX >= 0 && fromX < tiles.width() && fromY >= 0 && fromY < tiles.height()) {
            int at = y * tiles.width() + x;
            double there = least[fromY * tiles.width() + fromX] + tile * (dx * dy == 0 ? 1 : Math.sqrt(2));
            least[at] = there < least[at] ? there : least[at];
        }
    }

    /**
     * The strips on both sides of a part, with the half of the wedges at its ends that is nearer to it. What else lies in
     * their bounds is looked at in vain.
     */
    private void lay(int piece, Point a, Point b, double before, double after) {
        double dx = b.x() - a.x();
        double dy = b.y() - a.y();
        double length = Falloff.length(dx, dy);
        if (length == 0) {
            return;
        }
        double ux = dx / length;
        double uy = dy / length;
        for (int side = -1; side <= 1; side += 2) {
            double nx = -uy * side;
            double ny = ux * side;
            double openA = opening(before, side);
            double openB = opening(after, side);
            double leanA = openA > WIDE ? 0 : openA;
            double leanB = openB > WIDE ? 0 : openB;
            double r = end((a.x() + b.x()) / 2, (a.y() + b.y()) / 2, nx, ny, length / 2, Math.max(leanA, leanB));
            int strip = next(piece);
            bound(strip, 0, a, r * (nx - leanA * ux), r * (ny - leanA * uy), ux, uy);
            bound(strip, 2, b, r * (nx + leanB * ux), r * (ny + leanB * uy), -ux, -uy);
            keep(strip);
            if (openA > WIDE) {
                wedge(piece, a, nx, ny, -ux, -uy, StrictMath.atan(openA));
            }
            if (openB > WIDE) {
                wedge(piece, b, nx, ny, ux, uy, StrictMath.atan(openB));
            }
        }
    }

    /** The tangent of a wedge's half, 0 on the side to which the boundary turns. */
    private static double opening(double turn, int side) {
        return Double.isInfinite(turn) ? Double.POSITIVE_INFINITY : Math.max(0, -turn * side);
    }

    /** Around a point, from one direction so far towards another, square to it, in narrow wedges. */
    private void wedge(int piece, Point at, double nx, double ny, double ux, double uy, double angle) {
        int n = (int) Math.ceil(angle / (2 * StrictMath.atan(WIDE)));
        double half = angle / n / 2;
        double lean = StrictMath.tan(half);
        for (int k = 0; k < n; k++) {
            double middle = (2 * k + 1) * half;
            double mx = nx * StrictMath.cos(middle) + ux * StrictMath.sin(middle);
            double my = ny * StrictMath.cos(middle) + uy * StrictMath.sin(middle);
            double acrossX = ux * StrictMath.cos(middle) - nx * StrictMath.sin(middle);
            double acrossY = uy * StrictMath.cos(middle) - ny * StrictMath.sin(middle);
            double r = end(at.x(), at.y(), mx, my, 0, lean);
            int strip = next(piece);
            bound(strip, 0, at, r * (mx - lean * acrossX), r * (my - lean * acrossY), acrossX, acrossY);
            bound(strip, 2, at, r * (mx + lean * acrossX), r * (my + lean * acrossY), -acrossX, -acrossY);
            keep(strip);
        }
    }

    /** The last strip, unless all of it is out of sight. */
    private void keep(int strip) {
        if (bottoms[strip] < region.y()
                || tops[strip] > region.bottom()
                || strips[strip * STRIP + RIGHT] < region.x()
                || strips[strip * STRIP + LEFT] > region.right()) {
            count--;
        }
    }

    /** Beyond which distance, sideways from the middle of a part, it isn't the nearest any more. */
    private double end(double x, double y, double nx, double ny, double half, double open) {
        for (double d = tile; d < reach; d += tile) {
            double px = x + d * nx;
            double py = y + d * ny;
            int tileX = (int) Math.floor(px / tile);
            int tileY = (int) Math.floor(py / tile);
            // What is true for the part's middle is so for its ends, that far away, and for the wedge beside it.
            if (tiles.contains(tileX, tileY)
                    && d * (1 - open) - half > least[tile(tileX, tileY)] + fromMiddle(px, py, tileX, tileY) + CLEAR) {
                return d;
            }
        }
        return reach;
    }

    /** Room for one more strip, not bounded by anything yet. */
    private int next(int piece) {
        if (count == owners.length) {
            owners = Arrays.copyOf(owners, 2 * count);
            tops = Arrays.copyOf(tops, 2 * count);
            bottoms = Arrays.copyOf(bottoms, 2 * count);
            strips = Arrays.copyOf(strips, 2 * count * STRIP);
        }
        owners[count] = piece;
        tops[count] = Double.POSITIVE_INFINITY;
        bottoms[count] = Double.NEGATIVE_INFINITY;
        System.arraycopy(UNBOUNDED, 0, strips, count * STRIP, STRIP);
        return count++;
    }

    /** Bounds a strip by an edge from a point along a way, which has the strip in an inward direction. */
    private void bound(int strip, int edge, Point from, double dx, double dy, double inX, double inY) {
        double x = from.x();
        double y = from.y();
        int at = strip * STRIP;
        tops[strip] = Math.min(tops[strip], Math.min(y, y + dy));
        bottoms[strip] = Math.max(bottoms[strip], Math.max(y, y + dy));
        strips[at + LEFT] = Math.min(strips[at + LEFT], Math.min(x, x + dx));
        strips[at + RIGHT] = Math.max(strips[at + RIGHT], Math.max(x, x + dx));
        if (Math.abs(dx) < FLAT * Math.abs(dy)) {
            boolean onLeft = (dy * inX - dx * inY) * dy > 0;
            int line = at + (onLeft ? LEFT_LINES : RIGHT_LINES) + edge;
            strips[line] = x - dx / dy * y;
            strips[line + 1] = dx / dy;
        }
    }

    /** From the nearest place on a piece to a point, square to the piece where the point lies on it. */
    Point away(int piece, Point point) {
        Contour.Piece p = boundary.get(piece);
        Point along = p.to().minus(p.from());
        Point to = point.minus(p.from());
        double t = (to.x() * along.x() + to.y() * along.y()) / (along.x() * along.x() + along.y() * along.y());
        Point away = to.minus(along.times(Math.max(0, Math.min(1, t))));
        return away.length() < 1e-6 ? new Point(-along.y(), along.x()) : away;
    }

    /**
     * Some rows, over which strip after strip is laid. They are divided into cells, of which most are often out of reach.
     * Of each pixel's middle in the others, from left to right:
     */
    final class Scan {
        /** The nearest piece, the first of several, or {@link #NONE}. */
        final int[] nearest;

        /** The squared distance to it. */
        final float[] distances;

        /** The width at the nearest place. */
        final float[] widths;

        private final int width = region.width();
        private final boolean[] reached = new boolean[(width + CELL - 1) / CELL];
        private final double[] middles = new double[width];
        private final int[] found = new int[count];

        /** @param height how many rows there are at most */
        Scan(int height) {
            this.nearest = new int[Math.multiplyExact(width, height)];
            this.distances = new float[nearest.length];
            this.widths = new float[nearest.length];
            Arrays.setAll(middles, x -> region.x() + x + 0.5);
        }

        /** Whether anything is within reach of a cell, counted from the left. */
        boolean reaches(int cell) {
            return reached[cell];
        }

        /** @param rows of the region, as wide as it is */
        void run(Region rows) {
            Arrays.fill(reached, false);
            double top = rows.y() + 0.5 - SLACK;
            double bottom = rows.bottom() - 0.5 + SLACK;
            int n = 0;
            for (int i = 0; i < count; i++) {
                if (tops[i] <= bottom && bottoms[i] >= top) {
                    found[n++] = i;
                    double left = Math.max(0, strips[i * STRIP + LEFT] - region.x() - 1);
                    double right = Math.min(width - 1.0, strips[i * STRIP + RIGHT] - region.x() + 1);
                    for (int c = (int) left / CELL; c <= (int) right / CELL; c++) {
                        reached[c] = true;
                    }
                }
            }
            clear(rows.height());
            for (int k = 0; k < n; k++) {
                scan(found[k], owners[found[k]], rows);
            }
        }

        private void clear(int height) {
            for (int c = 0; c < reached.length; c++) {
                for (int row = 0; row < height && reached[c]; row++) {
                    int from = row * width + c * CELL;
                    int to = row * width + Math.min(width, (c + 1) * CELL);
                    Arrays.fill(nearest, from, to, NONE);
                    Arrays.fill(distances, from, to, (float) (reach * reach));
                }
            }
        }

        private void scan(int strip, int piece, Region rows) {
            int at = strip * STRIP;
            Contour.Piece p = boundary.get(piece);
            double ax = p.from().x();
            double ay = p.from().y();
            double dx = p.to().x() - ax;
            double dy = p.to().y() - ay;
            double length = Falloff.length(dx, dy);
            double ux = dx / length;
            double uy = dy / length;
            double wide = p.fromWidth();
            double wider = (p.toWidth() - wide) / length;
            double a0 = strips[at + LEFT_LINES];
            double b0 = strips[at + LEFT_LINES + 1];
            double a1 = strips[at + LEFT_LINES + 2];
            double b1 = strips[at + LEFT_LINES + 3];
            double c0 = strips[at + RIGHT_LINES];
            double d0 = strips[at + RIGHT_LINES + 1];
            double c1 = strips[at + RIGHT_LINES + 2];
            double d1 = strips[at + RIGHT_LINES + 3];
            double leftmost = Math.max(region.x() + 0.5, strips[at + LEFT]);
            double rightmost = Math.min(region.right() - 0.5, strips[at + RIGHT]);
            int first = (int) Math.max(rows.y(), Math.ceil(tops[strip] - 0.5 - SLACK));
            int last = (int) Math.min(rows.bottom() - 1.0, Math.floor(bottoms[strip] - 0.5 + SLACK));
            int start = (first - rows.y()) * width;
            for (int y = first; y <= last; y++) {
                double down = y + 0.5;
                double left = a0 + b0 * down;
                double left1 = a1 + b1 * down;
                double right = c0 + d0 * down;
                double right1 = c1 + d1 * down;
                left = left1 > left ? left1 : left;
                left = leftmost > left ? leftmost : left;
                right = right1 < right ? right1 : right;
                right = rightmost < right ? rightmost : right;
                // From the first middle that isn't left of it to the last that isn't right of it.
                int from = (int) (left - region.x() + 0.5 - SLACK);
                int to = (int) (right - region.x() + 0.5 + SLACK);
                double along = (down - ay) * uy;
                double aside = (down - ay) * ux;
                for (int x = from; x < to; x++) {
                    double px = middles[x] - ax;
                    double s = px * ux + along;
                    // Between 0 and the length, without branches.
                    double foot = 0.5 * (length + Math.abs(s) - Math.abs(s - length));
                    double beyond = s - foot;
                    double off = aside - px * uy;
                    float d = (float) (beyond * beyond + off * off);
                    if (d < NEARER * distances[start + x]) {
                        distances[start + x] = d;
                        nearest[start + x] = piece;
                        widths[start + x] = (float) (wide + foot * wider);
                    }
                }
                start += width;
            }
        }
    }
}
