package aperta.core.picture;

import aperta.core.shot.LayerEffect.Border;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Pictures whose pixels come from elsewhere: each place of a region has a way to where its pixel is read. */
public final class Displacement {
    private Displacement() {}

    /** The ways of the pixels of a row: how far across and down each is read. */
    public interface Ways {
        /**
         * @param across and {@code down}: to be written from 0 to {@code count}; not a number where nothing is read
         */
        void row(int x, int y, int count, float[] across, float[] down);

        /** Ways that are computed for each pixel. */
        static Ways each(Way way) {
            return (x, y, count, across, down) -> {
                double[] to = new double[2];
                for (int i = 0; i < count; i++) {
                    way.of(x + i + 0.5, y + 0.5, to);
                    across[i] = (float) (to[0] - (x + i + 0.5));
                    down[i] = (float) (to[1] - (y + 0.5));
                }
            };
        }
    }

    /** Where the pixel at a place of the raster is read. */
    public interface Way {
        void of(double x, double y, double[] to);
    }

    /**
     * Reads each pixel of a region from where its way leads, linearly between four.
     *
     * @param source may have several pixels along one of the region's
     * @param finer how many
     * @param where weighs the ways, pixel by pixel
     * @param longest a way beyond it, in either direction, is as long as this
     * @param border what lies outside the source's domain
     */
    public static Picture of(
            Picture source,
            int finer,
            Region region,
            Ways ways,
            Optional<Matte> where,
            float longest,
            Border border,
            Bands bands) {
        Picture result = new Picture(region);
        if (source.domain().isEmpty()) {
            return result;
        }
        boolean opaque = border != Border.EMPTY && source.isOpaque(bands);
        bands.run(region.height(), 8, (from, to) -> {
            Reading reading = new Reading(source, result, border, opaque);
            int count = region.width();
            float[] across = new float[count];
            float[] down = new float[count];
            for (int y = region.y() + from; y < region.y() + to; y++) {
                ways.row(region.x(), y, count, across, down);
                for (int i = 0; i < count; i++) {
                    int x = region.x() + i;
                    float weight = where.isPresent() ? where.get().at(x, y) : 1;
                    float dx = within(across[i] * weight, longest);
                    float dy = within(down[i] * weight, longest);
                    if (finer == 1) {
                        // Keeps whole ways exact, however far the picture is from the raster's corner.
                        reading.at(i, x, dx, y, dy);
                    } else {
                        reading.at(i, 0, (x + 0.5f + dx) * finer - 0.5f, 0, (y + 0.5f + dy) * finer - 0.5f);
                    }
                }
                reading.row(y);
            }
        });
        return result;
    }

    private static float within(float way, float longest) {
        return way > longest ? longest : way < -longest ? -longest : way;
    }

    private static int floor(float v) {
        int i = (int) v;
        return v < i ? i - 1 : i;
    }

    /** The places of a row of pixels, read plane by plane. */
    private static final class Reading {
        private static final int NOTHING = -1;
        private static final int BORDER = -2;

        private final Picture source;
        private final Picture into;
        private final Border border;
        private final boolean opaque;
        private final int stride;
        /** Where the four pixels begin; or that there is nothing, or that some lie beyond the border. */
        private final int[] first;

        private final float[] sharesX;
        private final float[] sharesY;
        private final int[] left;
        private final int[] top;

        Reading(Picture source, Picture into, Border border, boolean opaque) {
            int count = into.domain().width();
            this.source = source;
            this.into = into;
            this.border = border;
            this.opaque = opaque;
            Region d = source.domain();
            this.stride = d.height() > 1 ? source.index(d.x(), d.y() + 1) - source.index(d.x(), d.y()) : 0;
            this.first = new int[count];
            this.sharesX = new float[count];
            this.sharesY = new float[count];
            this.left = new int[count];
            this.top = new int[count];
        }

        /** A place a way from a pixel, whose centre lies at its whole number. */
        void at(int i, int x, float dx, int y, float dy) {
            if (dx != dx || dy != dy) {
                first[i] = NOTHING;
                return;
            }
            int ix = floor(dx);
            int iy = floor(dy);
            sharesX[i] = dx - ix;
            sharesY[i] = dy - iy;
            int l = x + ix;
            int t = y + iy;
            Region d = source.domain();
            if (l >= d.x() && t >= d.y() && l + 1 < d.right() && t + 1 < d.bottom()) {
                first[i] = source.index(l, t);
            } else {
                first[i] = BORDER;
                left[i] = l;
                top[i] = t;
            }
        }

        void row(int y) {
            int at = into.index(into.domain().x(), y);
            plane(source.red, into.red, at);
            plane(source.green, into.green, at);
            plane(source.blue, into.blue, at);
            if (opaque) {
                for (int i = 0; i < first.length; i++) {
                    into.alpha[at + i] = first[i] == NOTHING ? 0 : 1;
                }
            } else {
                plane(source.alpha, into.alpha, at);
            }
        }

        private void plane(float[] p, float[] to, int at) {
            for (int i = 0; i < first.length; i++) {
                int k = first[i];
                if (k >= 0) {
                    float fx = sharesX[i];
                    float a = p[k] + (p[k + 1] - p[k]) * fx;
                    float b = p[k + stride] + (p[k + stride + 1] - p[k + stride]) * fx;
                    to[at + i] = a + (b - a) * sharesY[i];
                } else {
                    to[at + i] = k == NOTHING ? 0 : beyond(p, i);
                }
            }
        }

        /** By the very arithmetic of all other places, so that parts and wholes are the same. */
        private float beyond(float[] p, int i) {
            float fx = sharesX[i];
            float upper = pixel(p, left[i], top[i]);
            float lower = pixel(p, left[i], top[i] + 1);
            float a = upper + (pixel(p, left[i] + 1, top[i]) - upper) * fx;
            float b = lower + (pixel(p, left[i] + 1, top[i] + 1) - lower) * fx;
            return a + (b - a) * sharesY[i];
        }

        private float pixel(float[] p, int x, int y) {
            Region d = source.domain();
            int i = Edge.within(x, d.x(), d.right(), border);
            int j = Edge.within(y, d.y(), d.bottom(), border);
            return d.contains(i, j) ? p[source.index(i, j)] : 0;
        }
    }

    /**
     * Two values on a lattice, read from it linearly. The lattice lies at multiples of its cell from an origin wherever the
     * region lies, so that any part has the same values as the whole.
     */
    public static final class Lattice {
        private final int cell;
        private final int originX;
        private final int originY;
        private final int columns;
        private final int left;
        private final int top;
        private final float[] one;
        private final float[] other;

        /** Two values at a place of the raster. */
        public interface Values {
            void at(double x, double y, double[] into);
        }

        /**
         * @param cell of the lattice, in pixels; 1 for each pixel by itself
         * @param originX where one of its points lies
         */
        public Lattice(Region region, int cell, int originX, int originY, Bands bands, Values values) {
            this.cell = cell;
            this.originX = originX;
            this.originY = originY;
            this.left = Math.floorDiv(region.x() - originX, cell) - 1;
            this.top = Math.floorDiv(region.y() - originY, cell) - 1;
            this.columns = Math.floorDiv(region.right() - originX, cell) - left + 3;
            int rows = Math.floorDiv(region.bottom() - originY, cell) - top + 3;
            this.one = new float[columns * rows];
            this.other = new float[columns * rows];
            double half = cell == 1 ? 0.5 : 0;
            bands.run(rows, 4, (from, to) -> {
                double[] both = new double[2];
                for (int row = from; row < to; row++) {
                    for (int column = 0; column < columns; column++) {
                        values.at(originX + (left + column) * cell + half, originY + (top + row) * cell + half, both);
                        one[row * columns + column] = (float) both[0];
                        other[row * columns + column] = (float) both[1];
                    }
                }
            });
        }

        /** Adds the values of a row of pixels. */
        void add(int x, int y, int count, float[] first, float[] second) {
            if (cell == 1) {
                int at = (y - originY - top) * columns + x - originX - left;
                for (int i = 0; i < count; i++) {
                    first[i] += one[at + i];
                    second[i] += other[at + i];
                }
                return;
            }
            int twice = 2 * (y - originY) + 1;
            int row = Math.floorDiv(twice, 2 * cell);
            float fy = (twice - 2 * cell * row) / (2f * cell);
            int start = (row - top) * columns - left;
            for (int i = 0; i < count; i++) {
                int place = 2 * (x + i - originX) + 1;
                int column = Math.floorDiv(place, 2 * cell);
                float fx = (place - 2 * cell * column) / (2f * cell);
                first[i] += read(one, start + column, fx, fy);
                second[i] += read(other, start + column, fx, fy);
            }
        }

        private float read(float[] values, int k, float fx, float fy) {
            float a = values[k] + (values[k + 1] - values[k]) * fx;
            float b = values[k + columns] + (values[k + columns + 1] - values[k + columns]) * fx;
            return a + (b - a) * fy;
        }

        /** The sums of several lattices as the ways of a row. */
        public static Ways sum(List<Lattice> lattices) {
            return (x, y, count, across, down) -> {
                Arrays.fill(across, 0, count, 0);
                Arrays.fill(down, 0, count, 0);
                for (Lattice l : lattices) {
                    l.add(x, y, count, across, down);
                }
            };
        }
    }
}
