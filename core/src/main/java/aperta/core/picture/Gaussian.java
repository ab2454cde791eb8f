package aperta.core.picture;

import aperta.core.geometry.Affine;
import aperta.core.shot.LayerEffect.Border;
import java.util.Arrays;

/**
 * Gaussian blur. Up to σ = 6 by direct convolution with {@code exp(−x²/2σ²)} averaged over each pixel, cut off at 4σ (what is left out
 * is under 7·10⁻⁵) and brought to the sum 1; separable, rows first. Wider bells are nearly straight from pixel to pixel: they are
 * convolved on a grid of 2, 4, 8 … pixels, on which σ is 3 to 6, and read from it by quadratic B-splines. The mean over a cell of f
 * pixels widens the bell by f²/12 and the spline by f²/4 (their variances), which is taken off beforehand; what
 * is left differs from the bell's integral by under 1/255 on an edge.
 *
 * <p>A bell that lies askew is the product of one along the rows and one along a slanted line (J. M. Geusebroek, A. W. M.
 * Smeulders and J. van de Weijer, <i>Fast Anisotropic Gauss Filtering</i>, 2003).
 */
public final class Gaussian {
    private static final double DIRECT = 6;
    /** The same where a hundredth can't be seen. */
    private static final double ROUGHLY = 2.6;
    /** What cells and splines reach beyond the bell, as a share of σ. */
    private static final double SPARE = 0.9;
    /** Less slant than this can't be seen. */
    private static final double UPRIGHT = 1e-9;

    private final Bell across;
    private final Bell down;
    /** How many cells the slanted line leads across for each cell down. */
    private final double slant;

    /** One direction: the size of the grid's cells, and half of the weights on it. */
    private record Bell(int cell, float[] half) {
        static Bell of(double sigma, double direct) {
            int f = 1;
            while (sigma / f >= direct) {
                f *= 2;
            }
            double own = f == 1 ? sigma : Math.sqrt(sigma * sigma - f * f / 3.0) / f;
            int reach = reachOf(own);
            double[] k = new double[reach + 1];
            double sum = 0;
            for (int i = 0; i <= reach; i++) {
                k[i] = reach == 0 ? 1 : weight(i, own);
                sum += i == 0 ? k[i] : 2 * k[i];
            }
            float[] half = new float[reach + 1];
            for (int i = 0; i <= reach; i++) {
                half[i] = (float) (k[i] / sum);
            }
            return new Bell(f, half);
        }

        int reach() {
            return half.length - 1;
        }
    }

    /** @param sigma in pixels of the raster; under 0.01 nothing is blurred */
    public Gaussian(double sigma) {
        this(sigma, sigma, 0, DIRECT);
    }

    /** A bell on a coarser grid, for light whose hundredths can't be seen: up to 2 % of its height off. */
    public static Gaussian roughly(double sigma) {
        return new Gaussian(sigma, sigma, 0, ROUGHLY);
    }

    private Gaussian(double across, double down, double slant, double direct) {
        this.across = Bell.of(across, direct);
        this.down = Bell.of(down, direct);
        this.slant = Math.abs(slant) < UPRIGHT ? 0 : slant * this.down.cell / this.across.cell;
    }

    /** A bell of two deviations, in the pixels of something that a map brings to the raster. */
    public static Gaussian of(double across, double down, Affine map) {
        double[] c = covariance(across, down, map);
        double slant = c[2] <= 0 ? 0 : c[1] / c[2];
        return new Gaussian(
                Math.sqrt(Math.max(0, c[0] - (c[2] <= 0 ? 0 : c[1] * c[1] / c[2]))), Math.sqrt(c[2]), slant, DIRECT);
    }

    /** Across, both, down. */
    private static double[] covariance(double across, double down, Affine map) {
        double u = across * across;
        double v = down * down;
        return new double[] {
            map.a() * map.a() * u + map.c() * map.c() * v,
            map.a() * map.b() * u + map.c() * map.d() * v,
            map.b() * map.b() * u + map.d() * map.d() * v
        };
    }

    /** How many pixels the blur of two deviations reaches outwards, in any direction. */
    public static int reach(double across, double down, Affine map) {
        double[] c = covariance(across, down, map);
        double widest = Math.sqrt(Math.max(c[0], c[2]));
        boolean askew = Math.abs(c[1]) > UPRIGHT * (c[0] + c[2]);
        return reach(widest) + (askew ? reach(widest) / 2 + 2 : 0);
    }

    /** How many pixels the blur reaches outwards. */
    public static int reach(double sigma) {
        return reachOf(sigma) + (sigma < ROUGHLY ? 0 : (int) Math.ceil(sigma * SPARE));
    }

    private static int reachOf(double sigma) {
        return sigma < 0.01 ? 0 : (int) Math.ceil(4 * sigma);
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

    /** The blurred matte on {@code region}; {@code source} is taken as 0 outside its domain. */
    public Matte blur(Matte source, Region region, Bands bands, Scratch scratch) {
        return blur(source, region, Border.EMPTY, bands, scratch);
    }

    /**
     * The blurred matte on {@code region}.
     *
     * @param border what lies outside the source's domain
     * @param scratch of the calling thread
     */
    public Matte blur(Matte source, Region region, Border border, Bands bands, Scratch scratch) {
        int fx = across.cell;
        int fy = down.cell;
        if (fx == 1 && fy == 1) {
            return convolve(source, region, border, bands, scratch);
        }
        Region cells = new Region(
                Math.floorDiv(region.x() - fx, fx),
                Math.floorDiv(region.y() - fy, fy),
                region.width() / fx + 4,
                region.height() / fy + 4);
        Matte small = reduced(source, border != Border.EMPTY, bands);
        return spread(convolve(small, cells, border, bands, scratch), region, bands);
    }

    /**
     * The mean of each cell of the grid, which lies at multiples of its size wherever the matte is.
     *
     * @param whole whether cells that stick out beyond the matte are the mean of what they have
     */
    private Matte reduced(Matte source, boolean whole, Bands bands) {
        Region d = source.domain();
        if (d.isEmpty()) {
            return new Matte(Region.NOTHING);
        }
        int fx = across.cell;
        int fy = down.cell;
        int x0 = Math.floorDiv(d.x(), fx);
        int y0 = Math.floorDiv(d.y(), fy);
        Matte small = new Matte(new Region(
                x0, y0, Math.floorDiv(d.right() - 1, fx) - x0 + 1, Math.floorDiv(d.bottom() - 1, fy) - y0 + 1));
        bands.run(small.domain().height(), 4, (from, to) -> {
            float[] row = new float[d.width()];
            for (int cellY = y0 + from; cellY < y0 + to; cellY++) {
                int first = Math.max(d.y(), cellY * fy);
                int last = Math.min(d.bottom(), (cellY + 1) * fy);
                Arrays.fill(row, 0);
                for (int y = first; y < last; y++) {
                    add(row, 0, source.value, source.index(d.x(), y), row.length, 1);
                }
                int at = small.index(x0, cellY);
                float share = 1f / (fx * (whole ? last - first : fy));
                for (int k = 0; k < small.domain().width(); k++) {
                    int left = Math.max(d.x(), (x0 + k) * fx) - d.x();
                    int right = Math.min(d.right(), (x0 + k + 1) * fx) - d.x();
                    float sum = 0;
                    for (int x = left; x < right; x++) {
                        sum += row[x];
                    }
                    small.value[at + k] = sum * share * (whole ? (float) fx / (right - left) : 1);
                }
            }
        });
        return small;
    }

    /** Reads every pixel's centre from the grid. */
    private Matte spread(Matte small, Region region, Bands bands) {
        Matte result = new Matte(region);
        Spline[] phases = Spline.phases(across.cell);
        Spline[] rows = Spline.phases(down.cell);
        Region cells = small.domain();
        bands.run(region.height(), 16, (from, to) -> {
            float[] row = new float[cells.width()];
            for (int y = region.y() + from; y < region.y() + to; y++) {
                Spline v = rows[Math.floorMod(y, down.cell)];
                int middle = small.index(cells.x(), Math.floorDiv(y, down.cell));
                int above = small.index(cells.x(), Math.floorDiv(y, down.cell) - 1);
                int below = small.index(cells.x(), Math.floorDiv(y, down.cell) + 1);
                for (int i = 0; i < row.length; i++) {
                    row[i] = small.value[above + i] * v.before
                            + small.value[middle + i] * v.own
                            + small.value[below + i] * v.after;
                }
                read(row, cells.x(), phases, result.value, result.index(region.x(), y), region);
            }
        });
        return result;
    }

    private void read(float[] row, int first, Spline[] phases, float[] into, int at, Region region) {
        int phase = Math.floorMod(region.x(), across.cell);
        int k = Math.floorDiv(region.x(), across.cell) - first;
        for (int x = 0; x < region.width(); x++) {
            Spline w = phases[phase];
            into[at + x] = row[k - 1] * w.before + row[k] * w.own + row[k + 1] * w.after;
            if (++phase == phases.length) {
                phase = 0;
                k++;
            }
        }
    }

    /** The weights of the cell that a pixel lies in and of those beside it. */
    private record Spline(float before, float own, float after) {
        static Spline[] phases(int cell) {
            Spline[] all = new Spline[cell];
            for (int i = 0; i < cell; i++) {
                double t = (i + 0.5) / cell - 0.5;
                all[i] = new Spline((float) ((0.5 - t) * (0.5 - t) / 2), (float) (0.75 - t * t), (float)
                        ((0.5 + t) * (0.5 + t) / 2));
            }
            return all;
        }
    }

    private Matte convolve(Matte source, Region region, Border border, Bands bands, Scratch scratch) {
        int lean = (int) Math.ceil(Math.abs(slant) * down.reach());
        int spare = slant == 0 ? 0 : lean + 1;
        Region d = source.domain();
        Region wide = new Region(region.x() - spare, region.y(), region.width() + 2 * spare, region.height());
        Region tall = wide.grown(down.reach()).intersect(new Region(wide.x(), d.y(), wide.width(), d.height()));
        Matte rows = scratch.matte(tall);
        alongRows(source, rows, border, bands);
        Matte result = new Matte(region);
        bands.run(region.height(), 16, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                int k = -down.reach();
                // Four rows at a time, so that sums are read and written a quarter as often.
                while (slant == 0 && k + 3 <= down.reach() && y + k >= tall.y() && y + k + 3 < tall.bottom()) {
                    addRows(result.value, at, rows, y, k);
                    k += 4;
                }
                for (; k <= down.reach(); k++) {
                    int there = Edge.within(y + k, d.y(), d.bottom(), border);
                    if (there >= tall.y() && there < tall.bottom()) {
                        add(result.value, at, rows, there, k, down.half[Math.abs(k)]);
                    }
                }
            }
        });
        scratch.give(rows);
        return result;
    }

    private void alongRows(Matte source, Matte rows, Border border, Bands bands) {
        Region tall = rows.domain();
        int reach = across.reach();
        bands.run(tall.height(), 16, (from, to) -> {
            float[] line = new float[tall.width() + 2 * reach];
            for (int y = tall.y() + from; y < tall.y() + to; y++) {
                int at = rows.index(tall.x(), y);
                Arrays.fill(rows.value, at, at + tall.width(), 0);
                if (!read(source, tall.x() - reach, y, border, line)) {
                    continue;
                }
                add(rows.value, at, line, reach, tall.width(), across.half[0]);
                int k = 1;
                for (; k + 1 <= reach; k += 2) {
                    addPairs(rows.value, at, line, k, tall.width());
                }
                if (k == reach) {
                    addPair(rows.value, at, line, reach - k, reach + k, tall.width(), across.half[k]);
                }
            }
        });
    }

    /** A part of a row, with what lies beyond its ends; false where there is nothing. */
    private static boolean read(Matte source, int x, int y, Border border, float[] line) {
        Region d = source.domain();
        Region row = d.intersect(new Region(x, y, line.length, 1));
        if (row.isEmpty()) {
            return false;
        }
        System.arraycopy(source.value, source.index(row.x(), y), line, row.x() - x, row.width());
        int start = source.index(d.x(), y);
        for (int i = 0; i < row.x() - x; i++) {
            line[i] = border == Border.EMPTY
                    ? 0
                    : source.value[start + Edge.within(x + i, d.x(), d.right(), border) - d.x()];
        }
        for (int i = row.right() - x; i < line.length; i++) {
            line[i] = border == Border.EMPTY
                    ? 0
                    : source.value[start + Edge.within(x + i, d.x(), d.right(), border) - d.x()];
        }
        return true;
    }

    /** Adds a row, {@code k} rows away, from where the slanted line leads. */
    private void add(float[] into, int at, Matte rows, int y, int k, float weight) {
        int width = rows.domain().width();
        if (slant == 0) {
            add(into, at, rows.value, rows.index(rows.domain().x(), y), width, weight);
            return;
        }
        int spare = (int) Math.ceil(Math.abs(slant) * down.reach()) + 1;
        double lead = spare + k * slant;
        int whole = (int) Math.floor(lead);
        float part = (float) (lead - whole);
        int start = rows.index(rows.domain().x(), y) + whole;
        int count = width - 2 * spare;
        add(into, at, rows.value, start, count, weight * (1 - part));
        add(into, at, rows.value, start + 1, count, weight * part);
    }

    private static void add(float[] into, int at, float[] from, int start, int count, float weight) {
        for (int i = 0; i < count; i++) {
            into[at + i] += from[start + i] * weight;
        }
    }

    /** Four rows beginning {@code k} rows away, in the order of {@link #add}. */
    private void addRows(float[] into, int at, Matte rows, int y, int k) {
        Region d = rows.domain();
        float[] from = rows.value;
        int one = rows.index(d.x(), y + k);
        int stride = d.width();
        int two = one + stride;
        int three = two + stride;
        int four = three + stride;
        float a = down.half[Math.abs(k)];
        float b = down.half[Math.abs(k + 1)];
        float c = down.half[Math.abs(k + 2)];
        float e = down.half[Math.abs(k + 3)];
        for (int i = 0; i < stride; i++) {
            into[at + i] =
                    into[at + i] + from[one + i] * a + from[two + i] * b + from[three + i] * c + from[four + i] * e;
        }
    }

    /** Two pairs of places, {@code k} and one more to both sides, in the order of {@link #addPair}. */
    private void addPairs(float[] into, int at, float[] line, int k, int count) {
        int middle = across.reach();
        float a = across.half[k];
        float b = across.half[k + 1];
        for (int i = 0; i < count; i++) {
            int m = middle + i;
            into[at + i] = into[at + i] + (line[m - k] + line[m + k]) * a + (line[m - k - 1] + line[m + k + 1]) * b;
        }
    }

    private static void addPair(float[] into, int at, float[] from, int one, int two, int count, float weight) {
        for (int i = 0; i < count; i++) {
            into[at + i] += (from[one + i] + from[two + i]) * weight;
        }
    }

    /** The same of all four planes of a picture. */
    public Picture blur(Picture source, Region wanted, Bands bands, Scratch scratch) {
        return blur(source, wanted, Border.EMPTY, bands, scratch);
    }

    /** The same of all four planes of a picture. */
    public Picture blur(Picture source, Region wanted, Border border, Bands bands, Scratch scratch) {
        float[][] planes = new float[4][];
        boolean opaque = border != Border.EMPTY && source.isOpaque(bands);
        for (int c = 0; c < 4; c++) {
            Matte plane = source.plane(c);
            if (c == 3 && opaque) {
                planes[c] = new float[Picture.size(wanted)];
                Arrays.fill(planes[c], 1);
            } else {
                planes[c] = blur(plane, wanted, border, bands, scratch).value;
            }
        }
        return Picture.on(wanted, planes);
    }
}
