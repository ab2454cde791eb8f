package aperta.core.picture;

import java.util.Arrays;

/**
 * The signed distance of each pixel's middle from where a field passes zero, in pixels, positive where the field is; up to a reach. Each
 * pixel beside a change of sign has a short straight piece of the edge: through the place that the field's value and slope give, square to
 * the slope. The nearest of these pixels is found exactly (P. F. Felzenszwalb and D. P. Huttenlocher, <i>Distance Transforms of Sampled
 * Functions</i>, 2012), then the nearest piece among it and its neighbours.
 */
public final class EdgeDistance {
    /** Half the length of a piece. */
    private static final float HALF = 0.75f;

    private static final int FAR = 1 << 20;

    /** Pixels around a place that say something about it. */
    private static final int AROUND = 2;

    private EdgeDistance() {}

    /** How far the field must reach beyond the part that is asked for. */
    public static int needs(int reach) {
        return reach + AROUND + 1;
    }

    /** Of a field whose slope is the distance's, or near it. */
    public static Matte ofField(Matte field, Region part, int reach, Bands bands) {
        return of(field, false, part, reach, bands);
    }

    /** Of a matte that is the share of each pixel that is covered; positive where it is. */
    public static Matte ofCoverage(Matte coverage, Region part, int reach, Bands bands) {
        return of(coverage, true, part, reach, bands);
    }

    private static Matte of(Matte field, boolean coverage, Region part, int reach, Bands bands) {
        Matte result = new Matte(part);
        if (part.isEmpty()) {
            return result;
        }
        Region wide = part.grown(reach + 1);
        Pieces pieces = new Pieces(field, coverage, wide, bands);
        int[] nearest = nearest(pieces.there, wide, reach + 1, bands);
        bands.run(part.height(), 16, (from, to) -> {
            for (int y = part.y() + from; y < part.y() + to; y++) {
                int at = result.index(part.x(), y);
                for (int x = part.x(); x < part.right(); x++, at++) {
                    int seed = nearest[(y - wide.y()) * wide.width() + x - wide.x()];
                    float d = seed < 0 ? reach : Math.min(reach, pieces.distance(seed, x, y));
                    result.value[at] = pieces.isInside(x, y) ? d : -d;
                }
            }
        });
        return result;
    }

    /** The pieces of the edge by pixel. */
    private static final class Pieces {
        private final Matte field;
        private final float level;
        private final Region region;
        private final boolean[] there;
        /** A point of the piece, and the direction square to it. */
        private final float[] px;

        private final float[] py;
        private final float[] nx;
        private final float[] ny;

        Pieces(Matte field, boolean coverage, Region region, Bands bands) {
            this.field = field;
            this.level = coverage ? 0.5f : 0;
            this.region = region;
            int size = Math.toIntExact(region.area());
            this.there = new boolean[size];
            this.px = new float[size];
            this.py = new float[size];
            this.nx = new float[size];
            this.ny = new float[size];
            bands.run(region.height(), 16, (from, to) -> {
                for (int y = region.y() + from; y < region.y() + to; y++) {
                    for (int x = region.x(); x < region.right(); x++) {
                        piece(x, y, coverage);
                    }
                }
            });
        }

        private float at(int x, int y) {
            return (field.domain().contains(x, y) ? field.value[field.index(x, y)] : 0) - level;
        }

        boolean isInside(int x, int y) {
            return at(x, y) > 0;
        }

        private void piece(int x, int y, boolean coverage) {
            boolean in = isInside(x, y);
            if (in == isInside(x + 1, y)
                    && in == isInside(x - 1, y)
                    && in == isInside(x, y + 1)
                    && in == isInside(x, y - 1)) {
                return;
            }
            // Sobel's slopes, an eighth of which is the change from pixel to pixel.
            float gx = at(x + 1, y - 1)
                    - at(x - 1, y - 1)
                    + 2 * (at(x + 1, y) - at(x - 1, y))
                    + at(x + 1, y + 1)
                    - at(x - 1, y + 1);
            float gy = at(x - 1, y + 1)
                    - at(x - 1, y - 1)
                    + 2 * (at(x, y + 1) - at(x, y - 1))
                    + at(x + 1, y + 1)
                    - at(x + 1, y - 1);
            float length = (float) Math.sqrt(gx * gx + gy * gy);
            if (length < 1e-9f) {
                return;
            }
            int i = (y - region.y()) * region.width() + x - region.x();
            nx[i] = gx / length;
            ny[i] = gy / length;
            float v = at(x, y);
            float inside = coverage
                    ? (float) PixelShare.distance(Math.min(1, Math.max(0, v + level)), nx[i], ny[i])
                    : v * 8 / length;
            float way = Math.max(-1, Math.min(1, inside));
            there[i] = true;
            px[i] = x - way * nx[i];
            py[i] = y - way * ny[i];
        }

        /** From the nearest of the pieces of a pixel and those beside it. */
        float distance(int seed, int x, int y) {
            float least = Float.MAX_VALUE;
            int sx = seed % region.width();
            int sy = seed / region.width();
            for (int dy = -1; dy <= 1; dy++) {
                for (int dx = -1; dx <= 1; dx++) {
                    int i = (sy + dy) * region.width() + sx + dx;
                    if (sx + dx >= 0 && sx + dx < region.width() && sy + dy >= 0 && i < there.length && there[i]) {
                        float vx = x - px[i];
                        float vy = y - py[i];
                        float across = vx * nx[i] + vy * ny[i];
                        float along = Math.max(0, Math.abs(vx * ny[i] - vy * nx[i]) - HALF);
                        least = Math.min(least, across * across + along * along);
                    }
                }
            }
            return (float) Math.sqrt(least);
        }
    }

    /** The nearest pixel of those that are there, by its place in the region; −1 where none is within reach. */
    private static int[] nearest(boolean[] there, Region region, int reach, Bands bands) {
        int width = region.width();
        int height = region.height();
        int[] down = new int[width * height];
        bands.run(width, 64, (from, to) -> {
            for (int x = from; x < to; x++) {
                int last = -FAR;
                for (int y = 0; y < height; y++) {
                    last = there[y * width + x] ? y : last;
                    down[y * width + x] = last;
                }
                int next = FAR;
                for (int y = height - 1; y >= 0; y--) {
                    int i = y * width + x;
                    next = there[i] ? y : next;
                    // Of two as near, the upper one.
                    down[i] = next - y < y - down[i] ? next : down[i];
                    down[i] = Math.abs(down[i] - y) > reach ? -FAR : down[i];
                }
            }
        });
        int[] result = new int[width * height];
        bands.run(height, 16, (from, to) -> {
            int[] columns = new int[width];
            double[] until = new double[width + 1];
            for (int y = from; y < to; y++) {
                row(down, y, width, columns, until, reach, result);
            }
        });
        return result;
    }

    /** The lower envelope of the parabolas of a row. */
    private static void row(int[] down, int y, int width, int[] columns, double[] until, int reach, int[] result) {
        int count = 0;
        for (int x = 0; x < width; x++) {
            int there = down[y * width + x];
            if (there == -FAR) {
                continue;
            }
            double height = (double) (there - y) * (there - y) + (double) x * x;
            double start = Double.NEGATIVE_INFINITY;
            while (count > 0) {
                int other = columns[count - 1];
                int otherY = down[y * width + other];
                double otherHeight = (double) (otherY - y) * (otherY - y) + (double) other * other;
                start = (height - otherHeight) / (2.0 * (x - other));
                if (start > until[count - 1]) {
                    break;
                }
                count--;
                start = Double.NEGATIVE_INFINITY;
            }
            columns[count] = x;
            until[count] = start;
            count++;
        }
        if (count == 0) {
            Arrays.fill(result, y * width, (y + 1) * width, -1);
            return;
        }
        int k = 0;
        for (int x = 0; x < width; x++) {
            while (k + 1 < count && until[k + 1] < x) {
                k++;
            }
            int sx = columns[k];
            int sy = down[y * width + sx];
            long square = (long) (sx - x) * (sx - x) + (long) (sy - y) * (sy - y);
            result[y * width + x] = square > (long) reach * reach ? -1 : sy * width + sx;
        }
    }
}
