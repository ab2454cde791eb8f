package aperta.core.picture;

import java.util.Arrays;

/**
 * Gaussian blur. Up to σ = 8 by direct convolution with {@code exp(−x²/2σ²)} averaged over each pixel, cut off at 4σ (what is left out
 * is under 7·10⁻⁵) and brought to the sum 1; separable, rows first. Wider bells are nearly straight from pixel to pixel: they are
 * convolved on a grid of 2, 4, 8 … pixels, on which σ is 4 to 8, and read from it linearly. The mean over a cell of f
 * pixels widens the bell by f²/12 and the linear reading by f²/6 (their variances), which is taken off beforehand; what
 * is left differs from the bell's integral by under 1/255 on an edge.
 */
public final class Gaussian {
    private static final double DIRECT = 8;

    private final int cell;
    private final float[] half;

    /** @param sigma in pixels of the raster; under 0.01 nothing is blurred */
    public Gaussian(double sigma) {
        int f = 1;
        while (sigma / f >= DIRECT) {
            f *= 2;
        }
        cell = f;
        double own = f == 1 ? sigma : Math.sqrt(sigma * sigma - f * f / 4.0) / f;
        int reach = reach(own);
        double[] k = new double[reach + 1];
        double sum = 0;
        for (int i = 0; i <= reach; i++) {
            k[i] = reach == 0 ? 1 : weight(i, own);
            sum += i == 0 ? k[i] : 2 * k[i];
        }
        half = new float[reach + 1];
        for (int i = 0; i <= reach; i++) {
            half[i] = (float) (k[i] / sum);
        }
    }

    /** How many pixels the blur reaches outwards. */
    public static int reach(double sigma) {
        return sigma < 0.01 ? 0 : (int) Math.ceil(4 * sigma) + (sigma < DIRECT ? 0 : (int) Math.ceil(sigma / 2));
    }

    /** The mean over the pixel, so that a straight edge becomes the bell's integral for narrow bells too. */
    private static double weight(int i, double sigma) {
        int pieces = 32;
        double sum = 0;
        for (int k = 0; k < pieces; k++) {
            double x = i - 0.5 + (k + 0.5) / pieces;
            sum += StrictMath.exp(-x * x / (2 * sigma * sigma));
        }
        return sum / pieces;
    }

    /**
     * The blurred matte on {@code region}; {@code source} is taken as 0 outside its domain.
     *
     * @param scratch of the calling thread
     */
    public Matte blur(Matte source, Region region, Bands bands, Scratch scratch) {
        if (cell == 1) {
            return convolve(source, region, bands, scratch);
        }
        Region cells = new Region(
                Math.floorDiv(region.x() - cell, cell),
                Math.floorDiv(region.y() - cell, cell),
                region.width() / cell + 4,
                region.height() / cell + 4);
        return spread(convolve(reduced(source, bands), cells, bands, scratch), region, bands);
    }

    /** The mean of each cell of the grid, which lies at multiples of its size wherever the matte is. */
    private Matte reduced(Matte source, Bands bands) {
        Region d = source.domain();
        if (d.isEmpty()) {
            return new Matte(Region.NOTHING);
        }
        int x0 = Math.floorDiv(d.x(), cell);
        int y0 = Math.floorDiv(d.y(), cell);
        Matte small = new Matte(new Region(
                x0, y0, Math.floorDiv(d.right() - 1, cell) - x0 + 1, Math.floorDiv(d.bottom() - 1, cell) - y0 + 1));
        float share = 1f / (cell * cell);
        bands.run(small.domain().height(), 4, (from, to) -> {
            for (int row = y0 + from; row < y0 + to; row++) {
                int at = small.index(x0, row);
                int last = Math.min(d.bottom(), (row + 1) * cell);
                for (int y = Math.max(d.y(), row * cell); y < last; y++) {
                    int i = source.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, i++) {
                        small.value[at + Math.floorDiv(x, cell) - x0] += source.value[i] * share;
                    }
                }
            }
        });
        return small;
    }

    /** Reads every pixel's centre from the grid, linearly. */
    private Matte spread(Matte small, Region region, Bands bands) {
        Matte result = new Matte(region);
        bands.run(region.height(), 16, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                float v = (y + 0.5f) / cell - 0.5f;
                int row = (int) Math.floor(v);
                float down = v - row;
                int a = small.index(small.domain().x(), row);
                int b = small.index(small.domain().x(), row + 1);
                for (int x = 0; x < region.width(); x++) {
                    float u = (region.x() + x + 0.5f) / cell - 0.5f;
                    int column = (int) Math.floor(u);
                    float across = u - column;
                    int i = column - small.domain().x();
                    float top = small.value[a + i] + (small.value[a + i + 1] - small.value[a + i]) * across;
                    float bottom = small.value[b + i] + (small.value[b + i + 1] - small.value[b + i]) * across;
                    result.value[at + x] = top + (bottom - top) * down;
                }
            }
        });
        return result;
    }

    private Matte convolve(Matte source, Region region, Bands bands, Scratch scratch) {
        int reach = half.length - 1;
        Region tall = region.grown(reach)
                .intersect(new Region(
                        region.x(),
                        source.domain().y(),
                        region.width(),
                        source.domain().height()));
        Matte across = scratch.matte(tall);
        bands.run(tall.height(), 16, (from, to) -> {
            float[] line = new float[region.width() + 2 * reach];
            for (int y = tall.y() + from; y < tall.y() + to; y++) {
                int at = across.index(region.x(), y);
                Arrays.fill(across.value, at, at + region.width(), 0);
                Arrays.fill(line, 0);
                Region row = source.domain().intersect(new Region(region.x() - reach, y, line.length, 1));
                if (row.isEmpty()) {
                    continue;
                }
                System.arraycopy(
                        source.value, source.index(row.x(), y), line, row.x() - region.x() + reach, row.width());
                add(across.value, at, line, reach, region.width(), half[0]);
                for (int k = 1; k <= reach; k++) {
                    addPair(across.value, at, line, reach - k, reach + k, region.width(), half[k]);
                }
            }
        });
        Matte result = new Matte(region);
        bands.run(region.height(), 16, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                for (int k = -reach; k <= reach; k++) {
                    if (y + k >= tall.y() && y + k < tall.bottom()) {
                        add(
                                result.value,
                                at,
                                across.value,
                                across.index(region.x(), y + k),
                                region.width(),
                                half[Math.abs(k)]);
                    }
                }
            }
        });
        scratch.give(across);
        return result;
    }

    private static void add(float[] into, int at, float[] from, int start, int count, float weight) {
        for (int i = 0; i < count; i++) {
            into[at + i] += from[start + i] * weight;
        }
    }

    private static void addPair(float[] into, int at, float[] from, int one, int two, int count, float weight) {
        for (int i = 0; i < count; i++) {
            into[at + i] += (from[one + i] + from[two + i]) * weight;
        }
    }

    /** The same of all four planes of a picture. */
    public Picture blur(Picture source, Region wanted, Bands bands, Scratch scratch) {
        float[][] planes = new float[4][];
        for (int c = 0; c < 4; c++) {
            Matte plane = new Matte(source.domain(), source.planes()[c]);
            planes[c] = blur(plane, wanted, bands, scratch).value;
        }
        return Picture.on(wanted, planes);
    }
}
