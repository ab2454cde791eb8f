package aperta.core.picture;

import java.util.Optional;

/**
 * Where each pixel of a region comes from: a way in pixels for each, evaluated on a lattice and read from it linearly. The
 * lattice lies at multiples of its cell from an origin wherever the region lies, so that any part has the same ways as the
 * whole.
 */
public final class Displacement {
    private final Region region;
    private final int cell;
    private final int originX;
    private final int originY;
    private final int columns;
    private final int left;
    private final int top;
    private final float[] across;
    private final float[] down;

    /** A way, across and down, at a place of the raster. */
    public interface Way {
        double[] at(double x, double y);
    }

    private Displacement(Region region, int cell, int originX, int originY) {
        this.region = region;
        this.cell = cell;
        this.originX = originX;
        this.originY = originY;
        this.left = Math.floorDiv(region.x() - originX, cell) - 1;
        this.top = Math.floorDiv(region.y() - originY, cell) - 1;
        this.columns = Math.floorDiv(region.right() - originX, cell) - left + 3;
        int rows = Math.floorDiv(region.bottom() - originY, cell) - top + 3;
        this.across = new float[columns * rows];
        this.down = new float[columns * rows];
    }

    /**
     * @param cell of the lattice, in pixels; 1 for each pixel by itself
     * @param originX where one of its points lies
     */
    public static Displacement onLattice(Region region, int cell, int originX, int originY, Bands bands, Way way) {
        Displacement d = new Displacement(region, cell, originX, originY);
        double half = cell == 1 ? 0.5 : 0;
        bands.run(d.across.length / d.columns, 4, (from, to) -> {
            for (int row = from; row < to; row++) {
                for (int column = 0; column < d.columns; column++) {
                    double[] w =
                            way.at(originX + (d.left + column) * cell + half, originY + (d.top + row) * cell + half);
                    d.across[row * d.columns + column] = (float) w[0];
                    d.down[row * d.columns + column] = (float) w[1];
                }
            }
        });
        return d;
    }

    /**
     * A picture whose pixels come from where the ways lead, read linearly between four; what lies outside it is empty.
     *
     * @param where weighs the ways, pixel by pixel
     * @param longest a way beyond it, in either direction, is as long as this
     */
    public Picture of(Picture source, Optional<Matte> where, int longest, Bands bands) {
        Picture result = new Picture(region);
        bands.run(region.height(), 8, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                for (int x = region.x(); x < region.right(); x++, at++) {
                    float weight = where.isPresent() ? where.get().at(x, y) : 1;
                    float dx = within(way(across, x, y) * weight, longest);
                    float dy = within(way(down, x, y) * weight, longest);
                    read(source, x + dx, y + dy, result, at);
                }
            }
        });
        return result;
    }

    private static float within(float way, int longest) {
        return Math.min(longest, Math.max(-longest, way));
    }

    private float way(float[] ways, int x, int y) {
        if (cell == 1) {
            return ways[(y - originY - top) * columns + x - originX - left];
        }
        float u = (x - originX + 0.5f) / cell - left;
        float v = (y - originY + 0.5f) / cell - top;
        int i = (int) u;
        int j = (int) v;
        float fx = u - i;
        float fy = v - j;
        int k = j * columns + i;
        float a = ways[k] + (ways[k + 1] - ways[k]) * fx;
        float b = ways[k + columns] + (ways[k + columns + 1] - ways[k + columns]) * fx;
        return a + (b - a) * fy;
    }

    /** @param x of the place, so that a pixel's centre lies at its whole number */
    private static void read(Picture source, float x, float y, Picture into, int at) {
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        float fx = x - i;
        float fy = y - j;
        Region d = source.domain();
        if (i >= d.x() && j >= d.y() && i + 1 < d.right() && j + 1 < d.bottom()) {
            int k = source.index(i, j);
            int l = source.index(i, j + 1);
            into.red[at] = mixed(source.red, k, l, fx, fy);
            into.green[at] = mixed(source.green, k, l, fx, fy);
            into.blue[at] = mixed(source.blue, k, l, fx, fy);
            into.alpha[at] = mixed(source.alpha, k, l, fx, fy);
            return;
        }
        into.red[at] = 0;
        into.green[at] = 0;
        into.blue[at] = 0;
        into.alpha[at] = 0;
        add(source, i, j, (1 - fx) * (1 - fy), into, at);
        add(source, i + 1, j, fx * (1 - fy), into, at);
        add(source, i, j + 1, (1 - fx) * fy, into, at);
        add(source, i + 1, j + 1, fx * fy, into, at);
    }

    private static float mixed(float[] p, int k, int l, float fx, float fy) {
        float a = p[k] + (p[k + 1] - p[k]) * fx;
        float b = p[l] + (p[l + 1] - p[l]) * fx;
        return a + (b - a) * fy;
    }

    private static void add(Picture source, int x, int y, float weight, Picture into, int at) {
        if (source.domain().contains(x, y)) {
            int k = source.index(x, y);
            into.red[at] += source.red[k] * weight;
            into.green[at] += source.green[k] * weight;
            into.blue[at] += source.blue[k] * weight;
            into.alpha[at] += source.alpha[k] * weight;
        }
    }
}
