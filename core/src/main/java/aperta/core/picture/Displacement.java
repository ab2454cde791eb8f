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
        bands.run(region.height(), 8, (from, to) -> {
            int count = region.width();
            float[] across = new float[count];
            float[] down = new float[count];
            for (int y = region.y() + from; y < region.y() + to; y++) {
                ways.row(region.x(), y, count, across, down);
                int at = result.index(region.x(), y);
                for (int i = 0; i < count; i++) {
                    int x = region.x() + i;
                    float weight = where.isPresent() ? where.get().at(x, y) : 1;
                    float dx = within(across[i] * weight, longest);
                    float dy = within(down[i] * weight, longest);
                    if (dx == dx && dy == dy) {
                        float px = (x + 0.5f + dx) * finer - 0.5f;
                        float py = (y + 0.5f + dy) * finer - 0.5f;
                        if (finer == 1) {
                            // Keeps whole ways exact, however far the picture is from the raster's corner.
                            read(source, x, dx, y, dy, border, result, at + i);
                        } else {
                            read(source, 0, px, 0, py, border, result, at + i);
                        }
                    }
                }
            }
        });
        return result;
    }

    private static float within(float way, float longest) {
        return way > longest ? longest : way < -longest ? -longest : way;
    }

    /** Reads a place a way from a pixel; a pixel's centre lies at its whole number. */
    private static void read(Picture s, int x, float dx, int y, float dy, Border border, Picture into, int at) {
        int ix = floor(dx);
        int iy = floor(dy);
        float fx = dx - ix;
        float fy = dy - iy;
        int i = x + ix;
        int j = y + iy;
        Region d = s.domain();
        if (i >= d.x() && j >= d.y() && i + 1 < d.right() && j + 1 < d.bottom()) {
            int k = s.index(i, j);
            int l = s.index(i, j + 1);
            into.red[at] = mixed(s.red, k, l, fx, fy);
            into.green[at] = mixed(s.green, k, l, fx, fy);
            into.blue[at] = mixed(s.blue, k, l, fx, fy);
            into.alpha[at] = mixed(s.alpha, k, l, fx, fy);
            return;
        }
        into.red[at] = 0;
        into.green[at] = 0;
        into.blue[at] = 0;
        into.alpha[at] = 0;
        add(s, i, j, (1 - fx) * (1 - fy), border, into, at);
        add(s, i + 1, j, fx * (1 - fy), border, into, at);
        add(s, i, j + 1, (1 - fx) * fy, border, into, at);
        add(s, i + 1, j + 1, fx * fy, border, into, at);
    }

    private static int floor(float v) {
        int i = (int) v;
        return v < i ? i - 1 : i;
    }

    private static float mixed(float[] p, int k, int l, float fx, float fy) {
        float a = p[k] + (p[k + 1] - p[k]) * fx;
        float b = p[l] + (p[l + 1] - p[l]) * fx;
        return a + (b - a) * fy;
    }

    private static void add(Picture s, int x, int y, float weight, Border border, Picture into, int at) {
        Region d = s.domain();
        int i = Edge.within(x, d.x(), d.right(), border);
        int j = Edge.within(y, d.y(), d.bottom(), border);
        if (d.contains(i, j)) {
            int k = s.index(i, j);
            into.red[at] += s.red[k] * weight;
            into.green[at] += s.green[k] * weight;
            into.blue[at] += s.blue[k] * weight;
            into.alpha[at] += s.alpha[k] * weight;
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
            float v = (y - originY + 0.5f) / cell - top;
            int row = (int) v;
            float fy = v - row;
            float step = 1f / cell;
            for (int i = 0; i < count; i++) {
                float u = (x + i - originX + 0.5f) * step - left;
                int column = (int) u;
                float fx = u - column;
                int k = row * columns + column;
                first[i] += read(one, k, fx, fy);
                second[i] += read(other, k, fx, fy);
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
