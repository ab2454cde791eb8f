package aperta.core.picture;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;

/**
 * Lays a decoded frame on a picture. Where pixel falls on pixel the values are copied as they are; otherwise each
 * pixel is the mean of n × n bilinear samples, n the number of source pixels that one pixel spans, rounded up, so that
 * a reduced frame doesn't flicker. Beyond the frame's edge there is nothing.
 */
public final class Sampler {
    private static final double EXACT = 1e-7;
    private static final int MOST = 16;

    private final Pixels source;
    private final Affine toSource;

    /** @param toSource from raster pixels to the frame's pixels, both with (0, 0) at the corner of the first pixel */
    public Sampler(Pixels source, Affine toSource) {
        this.source = source;
        this.toSource = toSource;
    }

    /** Whether the map moves by whole pixels only. */
    public static boolean isCopy(Affine map) {
        return Math.abs(map.a() - 1) < EXACT
                && Math.abs(map.d() - 1) < EXACT
                && Math.abs(map.b()) < EXACT
                && Math.abs(map.c()) < EXACT
                && Math.abs(map.e() - Math.rint(map.e())) < 1e-4
                && Math.abs(map.f() - Math.rint(map.f())) < 1e-4;
    }

    /** Writes every pixel of {@code into}. */
    public void paint(Picture into) {
        if (isCopy(toSource)) {
            copy(into);
        } else {
            resample(into);
        }
    }

    private void copy(Picture into) {
        Region d = into.domain();
        int dx = (int) Math.rint(toSource.e());
        int dy = (int) Math.rint(toSource.f());
        Region inside = new Region(-dx, -dy, source.width(), source.height()).intersect(d);
        if (!inside.equals(d)) {
            into.clear();
        }
        for (int y = inside.y(); y < inside.bottom(); y++) {
            int i = into.index(inside.x(), y);
            if (source.channels() == 3 && source.bits() == 8) {
                copyEight(into, i, ((y + dy) * source.width() + inside.x() + dx) * 3, inside.width());
                continue;
            }
            for (int x = inside.x(); x < inside.right(); x++, i++) {
                float a = source.hasAlpha() ? source.sample(x + dx, y + dy, 3) : 1;
                into.red[i] = source.sample(x + dx, y + dy, 0) * a;
                into.green[i] = source.sample(x + dx, y + dy, 1) * a;
                into.blue[i] = source.sample(x + dx, y + dy, 2) * a;
                into.alpha[i] = a;
            }
        }
    }

    private void copyEight(Picture into, int at, int from, int count) {
        byte[] data = source.data();
        float[] red = into.red;
        float[] green = into.green;
        float[] blue = into.blue;
        float[] alpha = into.alpha;
        for (int k = 0, j = from; k < count; k++, j += 3) {
            red[at + k] = (data[j] & 0xff) * (1 / 255f);
            green[at + k] = (data[j + 1] & 0xff) * (1 / 255f);
            blue[at + k] = (data[j + 2] & 0xff) * (1 / 255f);
            alpha[at + k] = 1;
        }
    }

    private void resample(Picture into) {
        Region d = into.domain();
        double spanX = StrictMath.hypot(toSource.a(), toSource.b());
        double spanY = StrictMath.hypot(toSource.c(), toSource.d());
        int nx = (int) Math.min(MOST, Math.max(1, Math.ceil(spanX - 1e-6)));
        int ny = (int) Math.min(MOST, Math.max(1, Math.ceil(spanY - 1e-6)));
        float share = 1f / (nx * ny);
        float[] sum = new float[4];
        for (int y = d.y(); y < d.bottom(); y++) {
            int i = into.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, i++) {
                sum[0] = 0;
                sum[1] = 0;
                sum[2] = 0;
                sum[3] = 0;
                for (int sy = 0; sy < ny; sy++) {
                    for (int sx = 0; sx < nx; sx++) {
                        Point p = toSource.apply(new Point(x + (sx + 0.5) / nx, y + (sy + 0.5) / ny));
                        bilinear(p.x() - 0.5, p.y() - 0.5, sum);
                    }
                }
                into.red[i] = sum[0] * share;
                into.green[i] = sum[1] * share;
                into.blue[i] = sum[2] * share;
                into.alpha[i] = sum[3] * share;
            }
        }
    }

    private void bilinear(double px, double py, float[] sum) {
        int x = (int) Math.floor(px);
        int y = (int) Math.floor(py);
        if (x < -1 || y < -1 || x >= source.width() || y >= source.height()) {
            return;
        }
        float fx = (float) (px - x);
        float fy = (float) (py - y);
        add(x, y, (1 - fx) * (1 - fy), sum);
        add(x + 1, y, fx * (1 - fy), sum);
        add(x, y + 1, (1 - fx) * fy, sum);
        add(x + 1, y + 1, fx * fy, sum);
    }

    private void add(int x, int y, float weight, float[] sum) {
        if (weight == 0 || x < 0 || y < 0 || x >= source.width() || y >= source.height()) {
            return;
        }
        float a = source.hasAlpha() ? source.sample(x, y, 3) * weight : weight;
        sum[0] += source.sample(x, y, 0) * a;
        sum[1] += source.sample(x, y, 1) * a;
        sum[2] += source.sample(x, y, 2) * a;
        sum[3] += a;
    }
}
