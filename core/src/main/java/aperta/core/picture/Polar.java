package aperta.core.picture;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.LayerEffect.Border;

/**
 * A picture read along spokes round a centre: for each spoke the values at even distances from it. The lattice depends on the
 * centre and on the distances alone, so that any part of what is made from it equals that part of the whole.
 */
public final class Polar {
    private final Affine toRaster;
    private final Affine back;
    private final Point centre;
    private final double step;
    private final int rings;
    private final int spokes;
    private final float[][] planes;
    /** How far apart neighbours lie in the planes. */
    private final int alongSpoke;

    private final int alongRing;

    /**
     * @param toRaster from the pixels in which circles are round to those of the picture; has an inverse
     * @param centre in those pixels
     * @param radius up to which it is read, in those pixels
     * @param step from ring to ring, in those pixels
     * @param spokes how many there are all round
     * @param rounds whether what lies on one ring is to lie together, for means along arcs
     */
    public Polar(
            Picture source,
            Affine toRaster,
            Point centre,
            double radius,
            double step,
            int spokes,
            boolean rounds,
            Border border,
            Bands bands) {
        this.toRaster = toRaster;
        this.back = toRaster.inverse().orElseThrow();
        this.centre = centre;
        this.step = step;
        this.rings = Math.max(2, (int) Math.ceil(radius / step) + 2);
        this.spokes = spokes;
        this.planes = new float[4][Math.multiplyExact(rings, spokes)];
        this.alongSpoke = rounds ? spokes : 1;
        this.alongRing = rounds ? 1 : rings;
        Point c = toRaster.apply(centre);
        double[] outX = new double[spokes];
        double[] outY = new double[spokes];
        for (int j = 0; j < spokes; j++) {
            double angle = 2 * Math.PI * j / spokes;
            Point out = toRaster.applyVector(new Point(StrictMath.cos(angle), StrictMath.sin(angle)));
            outX[j] = out.x();
            outY[j] = out.y();
        }
        if (source.domain().isEmpty()) {
            return;
        }
        if (rounds) {
            bands.run(rings, 8, (from, to) -> {
                for (int i = from; i < to; i++) {
                    double r = (i + 0.5) * step;
                    for (int j = 0; j < spokes; j++) {
                        read(source, c.x() + r * outX[j] - 0.5, c.y() + r * outY[j] - 0.5, border, i * spokes + j);
                    }
                }
            });
        } else {
            bands.run(spokes, 8, (from, to) -> {
                for (int j = from; j < to; j++) {
                    for (int i = 0; i < rings; i++) {
                        double r = (i + 0.5) * step;
                        read(source, c.x() + r * outX[j] - 0.5, c.y() + r * outY[j] - 0.5, border, j * rings + i);
                    }
                }
            });
        }
    }

    private void read(Picture s, double x, double y, Border border, int at) {
        Region d = s.domain();
        if (border == Border.EMPTY && (x < d.x() - 1 || y < d.y() - 1 || x > d.right() || y > d.bottom())) {
            return;
        }
        int px = floor(x);
        int py = floor(y);
        float fx = (float) (x - px);
        float fy = (float) (y - py);
        if (px >= d.x() && py >= d.y() && px + 1 < d.right() && py + 1 < d.bottom()) {
            int k = s.index(px, py);
            int l = s.index(px, py + 1);
            planes[0][at] = mixed(s.red, k, l, fx, fy);
            planes[1][at] = mixed(s.green, k, l, fx, fy);
            planes[2][at] = mixed(s.blue, k, l, fx, fy);
            planes[3][at] = mixed(s.alpha, k, l, fx, fy);
            return;
        }
        for (int k = 0; k < 4; k++) {
            int i0 = Edge.within(px + k % 2, d.x(), d.right(), border);
            int j0 = Edge.within(py + k / 2, d.y(), d.bottom(), border);
            if (d.contains(i0, j0)) {
                float w = (k % 2 == 0 ? 1 - fx : fx) * (k < 2 ? 1 - fy : fy);
                int n = s.index(i0, j0);
                planes[0][at] += w * s.red[n];
                planes[1][at] += w * s.green[n];
                planes[2][at] += w * s.blue[n];
                planes[3][at] += w * s.alpha[n];
            }
        }
    }

    private static int floor(double v) {
        int i = (int) v;
        return v < i ? i - 1 : i;
    }

    private static float mixed(float[] p, int k, int l, float fx, float fy) {
        float a = p[k] + (p[k + 1] - p[k]) * fx;
        float b = p[l] + (p[l + 1] - p[l]) * fx;
        return a + (b - a) * fy;
    }

    /** Turns each value into the mean over an arc about it, in radians. */
    public void alongArcs(double arc, Bands bands) {
        double window = Math.min(spokes, arc / (2 * Math.PI) * spokes);
        if (window <= 1e-6) {
            return;
        }
        // Sums from half a round before the first spoke to half a round behind the last, and both ends of every window.
        int before = (int) Math.ceil(window / 2) + 1;
        double high = before + 0.5 + window / 2;
        double low = before + 0.5 - window / 2;
        int first = (int) low;
        int last = (int) high;
        double lowPart = low - first;
        double highPart = high - last;
        double share = 1 / window;
        bands.run(rings, 16, (from, to) -> {
            double[] sums = new double[spokes + 2 * before + 2];
            for (int i = from; i < to; i++) {
                int at = i * alongSpoke;
                for (float[] p : planes) {
                    double sum = 0;
                    int j = Math.floorMod(-before, spokes);
                    for (int k = 1; k < sums.length; k++) {
                        sum += p[at + j * alongRing];
                        sums[k] = sum;
                        j = j + 1 == spokes ? 0 : j + 1;
                    }
                    for (j = 0; j < spokes; j++) {
                        double up = sums[last + j] + highPart * (sums[last + j + 1] - sums[last + j]);
                        double down = sums[first + j] + lowPart * (sums[first + j + 1] - sums[first + j]);
                        p[at + j * alongRing] = (float) ((up - down) * share);
                    }
                }
            }
        });
    }

    /**
     * Turns each value into the mean of those on its spoke between two shares of its distance.
     *
     * @param falling whether values count less the nearer they are to the centre, down to nothing
     */
    public void alongSpokes(double fromShare, double toShare, boolean falling, Bands bands) {
        int[] ends = new int[2 * rings];
        double[] parts = new double[2 * rings];
        double[] near = new double[rings];
        double[] shares = new double[rings];
        for (int i = 0; i < rings; i++) {
            near[i] = (i + 0.5) * fromShare;
            double far = Math.max(near[i] + 1e-3, (i + 0.5) * toShare);
            shares[i] = 1 / (far - near[i]);
            // Beyond the last ring its value goes on.
            ends[2 * i] = Math.min(rings - 1, (int) near[i]);
            ends[2 * i + 1] = Math.min(rings - 1, (int) far);
            parts[2 * i] = near[i] - ends[2 * i];
            parts[2 * i + 1] = far - ends[2 * i + 1];
        }
        bands.run(spokes, 8, (from, to) -> {
            double[] sums = new double[rings + 1];
            double[] moments = new double[rings + 1];
            for (int j = from; j < to; j++) {
                for (float[] p : planes) {
                    int at = j * rings;
                    for (int i = 0; i < rings; i++) {
                        sums[i + 1] = sums[i] + p[at + i];
                    }
                    if (falling) {
                        for (int i = 0; i < rings; i++) {
                            moments[i + 1] = moments[i] + p[at + i] * (i + 0.5);
                        }
                    }
                    for (int i = 0; i < rings; i++) {
                        double sum = between(sums, ends, parts, i);
                        if (falling) {
                            sum = 2 * (between(moments, ends, parts, i) - near[i] * sum) * shares[i];
                        }
                        p[at + i] = (float) Math.max(0, sum * shares[i]);
                    }
                }
            }
        });
    }

    private static double between(double[] sums, int[] ends, double[] parts, int i) {
        int a = ends[2 * i];
        int b = ends[2 * i + 1];
        double upTo = sums[b] + parts[2 * i + 1] * (sums[b + 1] - sums[b]);
        return upTo - (sums[a] + parts[2 * i] * (sums[a + 1] - sums[a]));
    }

    /**
     * The direction of a vector, from 0 to 1 once round. The arctangent between 0 and 1 is a polynomial of the eleventh degree
     * (M. Abramowitz and I. A. Stegun 1964, 4.4.49 with one more term), within 2·10⁻⁶.
     */
    static double turn(double x, double y) {
        double ax = Math.abs(x);
        double ay = Math.abs(y);
        if (ax + ay == 0) {
            return 0;
        }
        double t = Math.min(ax, ay) / Math.max(ax, ay);
        double q = t * t;
        double angle = t
                * (0.99997726
                        + q * (-0.33262347 + q * (0.19354346 + q * (-0.11643287 + q * (0.05265332 - q * 0.01172120)))));
        double turn = angle / (2 * Math.PI);
        turn = ay > ax ? 0.25 - turn : turn;
        turn = x < 0 ? 0.5 - turn : turn;
        return y < 0 ? (turn == 0 ? 0 : 1 - turn) : turn;
    }

    /** What the spokes have at each pixel of a region. */
    public Picture on(Region region, Bands bands) {
        Picture result = new Picture(region);
        float[][] into = result.planes();
        bands.run(region.height(), 8, (from, to) -> {
            for (int y = region.y() + from; y < region.y() + to; y++) {
                int at = result.index(region.x(), y);
                for (int x = region.x(); x < region.right(); x++, at++) {
                    double px = back.a() * (x + 0.5) + back.c() * (y + 0.5) + back.e() - centre.x();
                    double py = back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f() - centre.y();
                    double ring = Math.max(0, Math.min(rings - 1.001, Math.sqrt(px * px + py * py) / step - 0.5));
                    double spoke = turn(px, py) * spokes;
                    int i = (int) ring;
                    int j = Math.min(spokes - 1, (int) spoke);
                    float fi = (float) (ring - i);
                    float fj = (float) (spoke - j);
                    int here = j * alongRing + i * alongSpoke;
                    int next = (j + 1 == spokes ? 0 : j + 1) * alongRing + i * alongSpoke;
                    for (int c = 0; c < 4; c++) {
                        float[] p = planes[c];
                        float a = p[here] + (p[here + alongSpoke] - p[here]) * fi;
                        float b = p[next] + (p[next + alongSpoke] - p[next]) * fi;
                        into[c][at] = a + (b - a) * fj;
                    }
                }
            }
        });
        return result;
    }
}
