package aperta.core.picture;

/**
 * Gaussian blur by direct convolution with {@code exp(−x²/2σ²)} averaged over each pixel, cut off at 4σ (what is left out
 * is under 7·10⁻⁵) and brought to the sum 1; separable, rows first.
 */
public final class Gaussian {
    private final float[] half;

    /** @param sigma in pixels of the raster; under 0.01 nothing is blurred */
    public Gaussian(double sigma) {
        int reach = reach(sigma);
        double[] k = new double[reach + 1];
        double sum = 0;
        for (int i = 0; i <= reach; i++) {
            k[i] = reach == 0 ? 1 : weight(i, sigma);
            sum += i == 0 ? k[i] : 2 * k[i];
        }
        half = new float[reach + 1];
        for (int i = 0; i <= reach; i++) {
            half[i] = (float) (k[i] / sum);
        }
    }

    /** How many pixels the blur reaches outwards. */
    public static int reach(double sigma) {
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
    public Matte blur(Matte source, Region region, Bands bands) {
        int reach = half.length - 1;
        Region tall = region.grown(reach)
                .intersect(new Region(
                        region.x(),
                        source.domain().y(),
                        region.width(),
                        source.domain().height()));
        Matte across = new Matte(tall);
        bands.run(tall.height(), 16, (from, to) -> {
            float[] line = new float[region.width() + 2 * reach];
            for (int y = tall.y() + from; y < tall.y() + to; y++) {
                java.util.Arrays.fill(line, 0);
                Region row = source.domain().intersect(new Region(region.x() - reach, y, line.length, 1));
                if (row.isEmpty()) {
                    continue;
                }
                System.arraycopy(
                        source.value, source.index(row.x(), y), line, row.x() - region.x() + reach, row.width());
                int at = across.index(region.x(), y);
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
}
