package aperta.core.effect;

/**
 * Gradient noise in three dimensions: Perlin's improved noise (K. Perlin, <i>Improving noise</i>, SIGGRAPH 2002), with the
 * fifth-degree fade and the twelve gradients to the middles of a cube's edges. His table repeats after 256 cells; here a hash
 * says each corner's gradient, so that nothing repeats.
 */
public final class Noise {
    /** Over a cell: the mean square of a corner's weight, and of its weight times the way to it, along one axis. */
    private static final double WEIGHT = integral(0);

    private static final double WAY = integral(2);
    /** How often a gradient goes along each axis: of the sixteen, ten, twelve and ten do. */
    private static final double ALONG_X = 10 / 16.0;

    private static final double ALONG_Y = 12 / 16.0;
    private static final double ALONG_Z = 10 / 16.0;

    /** Sixteen, of three parts each: his twelve, and four of them once more. */
    private static final double[] GRADIENTS = gradients();

    private final Corners corners;

    /** A number for each corner of the cubes, whose lowest four bits say its gradient. */
    interface Corners {
        int of(int i, int j, int k);
    }

    Noise(Corners corners) {
        this.corners = corners;
    }

    private static double[] gradients() {
        double[] all = new double[48];
        for (int h = 0; h < 16; h++) {
            int first = h < 8 ? 0 : 1;
            int second = h < 4 ? 1 : h == 12 || h == 14 ? 0 : 2;
            all[3 * h + first] = (h & 1) == 0 ? 1 : -1;
            all[3 * h + second] = (h & 2) == 0 ? 1 : -1;
        }
        return all;
    }

    /** One that never repeats. */
    public Noise(int seed) {
        this((i, j, k) -> hash(i, j, k, seed));
    }

    /** Between −1 and 1, with a mean of 0. */
    public double at(double x, double y, double z) {
        int i = floor(x);
        int j = floor(y);
        int k = floor(z);
        double fx = x - i;
        double fy = y - j;
        double fz = z - k;
        double u = fade(fx);
        double v = fade(fy);
        double w = fade(fz);
        double near = mix(
                v,
                mix(u, corner(i, j, k, fx, fy, fz), corner(i + 1, j, k, fx - 1, fy, fz)),
                mix(u, corner(i, j + 1, k, fx, fy - 1, fz), corner(i + 1, j + 1, k, fx - 1, fy - 1, fz)));
        if (fz == 0) {
            return near;
        }
        double far = mix(
                v,
                mix(u, corner(i, j, k + 1, fx, fy, fz - 1), corner(i + 1, j, k + 1, fx - 1, fy, fz - 1)),
                mix(
                        u,
                        corner(i, j + 1, k + 1, fx, fy - 1, fz - 1),
                        corner(i + 1, j + 1, k + 1, fx - 1, fy - 1, fz - 1)));
        return mix(w, near, far);
    }

    /**
     * The mean square over a plane of the third axis. Corners have nothing to do with each other, so that it is the sum of
     * theirs: that of each plane of corners, weighed by the square of its fade.
     */
    static double power(double z) {
        double f = z - Math.floor(z);
        double w = fade(f);
        return (1 - w) * (1 - w) * ofPlane(f) + w * w * ofPlane(1 - f);
    }

    private static double ofPlane(double away) {
        return 4 * WEIGHT * (WAY * (ALONG_X + ALONG_Y) + WEIGHT * ALONG_Z * away * away);
    }

    /** The integral from 0 to 1 of (1 − fade)² tⁿ, by Simpson's rule. */
    private static double integral(int n) {
        int pieces = 1000;
        double sum = 0;
        for (int i = 0; i <= pieces; i++) {
            double t = (double) i / pieces;
            double v = (1 - fade(t)) * (1 - fade(t)) * StrictMath.pow(t, n);
            sum += v * (i == 0 || i == pieces ? 1 : i % 2 == 1 ? 4 : 2);
        }
        return sum / (3 * pieces);
    }

    private static int floor(double v) {
        int i = (int) v;
        return v < i ? i - 1 : i;
    }

    private static double fade(double t) {
        return t * t * t * (t * (t * 6 - 15) + 10);
    }

    private static double mix(double t, double a, double b) {
        return a + t * (b - a);
    }

    private double corner(int i, int j, int k, double x, double y, double z) {
        return gradient(corners.of(i, j, k), x, y, z);
    }

    /** Perlin's gradients by the lowest four bits of a number. */
    static double gradient(int hash, double x, double y, double z) {
        int h = (hash & 15) * 3;
        return GRADIENTS[h] * x + GRADIENTS[h + 1] * y + GRADIENTS[h + 2] * z;
    }

    /** Four whole numbers well mixed: the finisher of MurmurHash3 (A. Appleby) over their sum with odd factors. */
    static int hash(int i, int j, int k, int seed) {
        int h = i * 0x8da6b343 + j * 0xd8163841 + k * 0xcb1ab31f + seed * 0x9e3779b1;
        h ^= h >>> 16;
        h *= 0x85ebca6b;
        h ^= h >>> 13;
        h *= 0xc2b2ae35;
        return h ^ h >>> 16;
    }
}
