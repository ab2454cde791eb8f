package aperta.core.picture;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import java.util.Arrays;

/**
 * Lays a decoded frame on a picture. Where pixel falls on pixel the values are copied as they are; otherwise each
 * pixel is the mean of n × n bilinear samples, n the number of source pixels that one pixel spans, rounded up, so that
 * a reduced frame doesn't flicker. At its edge the frame's last pixels stand for what lies beyond, and what is seen of
 * them is the share of the pixel that the frame covers.
 */
public final class Sampler {
    private static final double EXACT = 1e-7;
    private static final int MOST = 16;

    private final Pixels source;
    private final Affine toSource;
    private final Transfer transfer;
    private final double width;
    private final double height;

    /**
     * @param toSource from raster pixels to the frame's pixels, both with (0, 0) at the corner of the first pixel
     * @param transfer what becomes of the frame's values before they are mixed
     */
    public Sampler(Pixels source, Affine toSource, Transfer transfer) {
        this(source, source.width(), source.height(), toSource, transfer);
    }

    /**
     * @param width and {@code height}: how much of the frame there is, in its pixels; the last ones may count in part
     */
    public Sampler(Pixels source, double width, double height, Affine toSource, Transfer transfer) {
        this.source = source;
        this.width = width;
        this.height = height;
        this.toSource = toSource;
        this.transfer = transfer;
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
    public void paint(Picture into, Scratch scratch) {
        if (isCopy(toSource) && width == source.width() && height == source.height()) {
            copy(into);
        } else {
            resample(into, scratch);
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
            row(y + dy, inside.x() + dx, inside.width(), into, into.index(inside.x(), y));
        }
    }

    private void row(int y, int x, int count, Picture into, int at) {
        source.row(y, x, count, into, at);
        transfer.toLight(into, at, count);
    }

    private void resample(Picture into, Scratch scratch) {
        Region d = into.domain();
        Box around =
                toSource.apply(new Box(d.x(), d.y(), d.right(), d.bottom())).grown(1);
        Region part = Region.around(around).intersect(new Region(0, 0, source.width(), source.height()));
        if (part.isEmpty()) {
            into.clear();
            return;
        }
        Picture values = scratch.picture(part);
        for (int y = part.y(); y < part.bottom(); y++) {
            row(y, part.x(), part.width(), values, values.index(part.x(), y));
        }
        int nx = samples(StrictMath.hypot(toSource.a(), toSource.b()));
        int ny = samples(StrictMath.hypot(toSource.c(), toSource.d()));
        PlacedFrame frame = new PlacedFrame(width, height, toSource);
        if (toSource.b() == 0 && toSource.c() == 0 && part.width() > 1) {
            upright(values, into, nx, ny, frame);
            scratch.give(values);
            return;
        }
        float[] sum = new float[4];
        float share = 1f / (nx * ny);
        boolean opaque = !source.hasAlpha();
        for (int y = d.y(); y < d.bottom(); y++) {
            int i = into.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, i++) {
                mean(values, x, y, nx, ny, sum);
                float covered = (float) frame.share(x, y);
                float seen = share * covered;
                into.red[i] = sum[0] * seen;
                into.green[i] = sum[1] * seen;
                into.blue[i] = sum[2] * seen;
                into.alpha[i] = opaque ? covered : sum[3] * seen;
            }
        }
        scratch.give(values);
    }

    /** The same where rows stay rows and columns stay columns: the mean of each column first, then that along the row. */
    private void upright(Picture values, Picture into, int nx, int ny, PlacedFrame frame) {
        Region d = into.domain();
        Region part = values.domain();
        int[] left = new int[d.width() * nx];
        float[] right = new float[left.length];
        for (int i = 0; i < left.length; i++) {
            double x = toSource.a() * (d.x() + (i / nx) + (i % nx + 0.5) / nx) + toSource.e() - 0.5;
            double px = Math.min(source.width() - 1, Math.max(0, x));
            left[i] = Math.min((int) px, part.right() - 2) - part.x();
            right[i] = (float) (px - part.x() - left[i]);
        }
        boolean opaque = !source.hasAlpha();
        float[] column = new float[part.width()];
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            for (int c = 0; c < (opaque ? 3 : 4); c++) {
                columns(values, values.planes()[c], y, ny, column);
                along(column, left, right, nx, 1f / nx, into.planes()[c], at);
            }
            for (int i = 0; i < d.width(); i++) {
                float covered = (float) frame.share(d.x() + i, y);
                into.red[at + i] *= covered;
                into.green[at + i] *= covered;
                into.blue[at + i] *= covered;
                into.alpha[at + i] = opaque ? covered : into.alpha[at + i] * covered;
            }
        }
    }

    private void columns(Picture values, float[] plane, int y, int ny, float[] into) {
        Region part = values.domain();
        Arrays.fill(into, 0);
        for (int k = 0; k < ny; k++) {
            double v = toSource.d() * (y + (k + 0.5) / ny) + toSource.f() - 0.5;
            double py = Math.min(source.height() - 1, Math.max(0, v));
            int top = Math.min((int) py, part.bottom() - 1);
            int below = Math.min(top + 1, part.bottom() - 1);
            float share = (float) (py - top);
            int i = values.index(part.x(), top);
            int j = values.index(part.x(), below);
            float upper = (1 - share) / ny;
            float lower = share / ny;
            for (int x = 0; x < into.length; x++) {
                into[x] += plane[i + x] * upper + plane[j + x] * lower;
            }
        }
    }

    private static void along(float[] from, int[] left, float[] right, int nx, float share, float[] into, int at) {
        for (int x = 0, i = 0; i < left.length; x++) {
            float sum = 0;
            for (int k = 0; k < nx; k++, i++) {
                int l = left[i];
                sum += from[l] + (from[l + 1] - from[l]) * right[i];
            }
            into[at + x] = sum * share;
        }
    }

    private static int samples(double span) {
        return (int) Math.min(MOST, Math.max(1, Math.ceil(span - 1e-6)));
    }

    private void mean(Picture values, int x, int y, int nx, int ny, float[] sum) {
        sum[0] = 0;
        sum[1] = 0;
        sum[2] = 0;
        sum[3] = 0;
        for (int sy = 0; sy < ny; sy++) {
            for (int sx = 0; sx < nx; sx++) {
                double px = x + (sx + 0.5) / nx;
                double py = y + (sy + 0.5) / ny;
                bilinear(
                        values,
                        toSource.a() * px + toSource.c() * py + toSource.e() - 0.5,
                        toSource.b() * px + toSource.d() * py + toSource.f() - 0.5,
                        sum);
            }
        }
    }

    private void bilinear(Picture values, double left, double top, float[] sum) {
        Region d = values.domain();
        double px = left < 0 ? 0 : left > source.width() - 1 ? source.width() - 1 : left;
        double py = top < 0 ? 0 : top > source.height() - 1 ? source.height() - 1 : top;
        int x = (int) Math.floor(px);
        int y = (int) Math.floor(py);
        float fx = (float) (px - x);
        float fy = (float) (py - y);
        if (x >= d.x() && y >= d.y() && x + 1 < d.right() && y + 1 < d.bottom()) {
            int i = values.index(x, y);
            int j = values.index(x, y + 1);
            sum[0] += mixed(values.red, i, j, fx, fy);
            sum[1] += mixed(values.green, i, j, fx, fy);
            sum[2] += mixed(values.blue, i, j, fx, fy);
            sum[3] += mixed(values.alpha, i, j, fx, fy);
            return;
        }
        edge(values, x, y, (1 - fx) * (1 - fy), sum);
        edge(values, x + 1, y, fx * (1 - fy), sum);
        edge(values, x, y + 1, (1 - fx) * fy, sum);
        edge(values, x + 1, y + 1, fx * fy, sum);
    }

    private static float mixed(float[] p, int i, int j, float fx, float fy) {
        float top = p[i] + (p[i + 1] - p[i]) * fx;
        float bottom = p[j] + (p[j + 1] - p[j]) * fx;
        return top + (bottom - top) * fy;
    }

    private static void edge(Picture values, int x, int y, float weight, float[] sum) {
        if (weight == 0) {
            return;
        }
        int i = values.index(x, y);
        sum[0] += values.red[i] * weight;
        sum[1] += values.green[i] * weight;
        sum[2] += values.blue[i] * weight;
        sum[3] += values.alpha[i] * weight;
    }
}
