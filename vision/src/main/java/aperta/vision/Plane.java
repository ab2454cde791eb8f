package aperta.vision;

import aperta.core.picture.Region;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/** One number for each pixel, row by row. */
record Plane(int width, int height, float[] value) {
    Plane(int width, int height) {
        this(width, height, new float[width * height]);
    }

    double sum() {
        double sum = 0;
        for (float v : value) {
            sum += v;
        }
        return sum;
    }

    /** Convolved with a Gaussian; the edge's pixels go on beyond it. */
    Plane blurred(double sigma) {
        try (Mats mats = new Mats()) {
            Mat m = mats.plane(this);
            Imgproc.GaussianBlur(m, m, new Size(0, 0), sigma, sigma, Core.BORDER_REPLICATE);
            return of(m);
        }
    }

    /** The mean over a box, whose sides are odd. */
    Plane mean(int wide, int high) {
        try (Mats mats = new Mats()) {
            Mat m = mats.plane(this);
            Imgproc.blur(m, m, new Size(wide, high), new org.opencv.core.Point(-1, -1), Core.BORDER_REPLICATE);
            return of(m);
        }
    }

    /** The mean over a line through each pixel that reaches from {@code -d/2} to {@code d/2}. */
    Plane meanAlong(double dx, double dy) {
        int rx = (int) Math.ceil(Math.abs(dx) / 2);
        int ry = (int) Math.ceil(Math.abs(dy) / 2);
        int w = 2 * rx + 3;
        float[] line = new float[w * (2 * ry + 3)];
        int n = 4 * (int) Math.ceil(1 + Math.hypot(dx, dy));
        for (int k = 0; k < n; k++) {
            double t = (k + 0.5) / n - 0.5;
            double x = rx + 1 + t * dx;
            double y = ry + 1 + t * dy;
            int at = (int) y * w + (int) x;
            float sx = (float) (x - (int) x);
            float sy = (float) (y - (int) y);
            line[at] += (1 - sx) * (1 - sy) / n;
            line[at + 1] += sx * (1 - sy) / n;
            line[at + w] += (1 - sx) * sy / n;
            line[at + w + 1] += sx * sy / n;
        }
        try (Mats mats = new Mats()) {
            Mat m = mats.plane(this);
            Mat kernel = mats.floats(w, 2 * ry + 3, line);
            Imgproc.filter2D(m, m, -1, kernel, new org.opencv.core.Point(-1, -1), 0, Core.BORDER_REPLICATE);
            return of(m);
        }
    }

    /**
     * What lies in another region once this, which lies in {@code from}, has been moved.
     *
     * @param beyond what comes in from outside
     */
    Plane moved(Region from, Region to, double dx, double dy, float beyond) {
        Plane all = new Plane(to.width(), to.height());
        double left = to.x() - from.x() - dx;
        double top = to.y() - from.y() - dy;
        int ix = (int) Math.floor(left);
        int iy = (int) Math.floor(top);
        float sx = (float) (left - ix);
        float sy = (float) (top - iy);
        for (int y = 0; y < to.height(); y++) {
            for (int x = 0; x < to.width(); x++) {
                float a = at(x + ix, y + iy, beyond) * (1 - sx) + at(x + ix + 1, y + iy, beyond) * sx;
                float b = at(x + ix, y + iy + 1, beyond) * (1 - sx) + at(x + ix + 1, y + iy + 1, beyond) * sx;
                all.value[y * to.width() + x] = a * (1 - sy) + b * sy;
            }
        }
        return all;
    }

    float at(int x, int y, float beyond) {
        return x < 0 || y < 0 || x >= width || y >= height ? beyond : value[y * width + x];
    }

    /** What lies between four pixels. */
    float between(double x, double y) {
        int ix = (int) x;
        int iy = (int) y;
        float sx = (float) (x - ix);
        float sy = (float) (y - iy);
        int at = iy * width + ix;
        return (value[at] * (1 - sx) + value[at + 1] * sx) * (1 - sy)
                + (value[at + width] * (1 - sx) + value[at + width + 1] * sx) * sy;
    }

    /** The same; beyond the plane its edge goes on. */
    float near(double x, double y) {
        return between(Math.max(0, Math.min(width - 1.001, x)), Math.max(0, Math.min(height - 1.001, y)));
    }

    /** Enlarged so many times, smoothly, the upper left part of it. */
    Plane enlarged(int by, int wide, int high) {
        try (Mats mats = new Mats()) {
            Mat large = mats.empty();
            Imgproc.resize(mats.plane(this), large, new Size(width * by, height * by), 0, 0, Imgproc.INTER_LINEAR);
            return of(mats.copy(mats.part(large, wide, high)));
        }
    }

    /** How far each pixel lies inside (above 0) or outside of where this is above a half, in pixels. */
    Plane signedDistance() {
        boolean[] in = new boolean[value.length];
        boolean[] out = new boolean[value.length];
        for (int i = 0; i < in.length; i++) {
            in[i] = value[i] > 0.5f;
            out[i] = !in[i];
        }
        Plane fromOutside = distance(width, height, out);
        Plane fromInside = distance(width, height, in);
        Plane to = new Plane(width, height);
        for (int i = 0; i < in.length; i++) {
            to.value[i] = in[i] ? fromOutside.value[i] - 0.5f : 0.5f - fromInside.value[i];
        }
        return to;
    }

    /** How far each pixel lies from the nearest that is marked; very far where none is. */
    static Plane distance(int width, int height, boolean[] marked) {
        byte[] others = new byte[marked.length];
        for (int i = 0; i < others.length; i++) {
            others[i] = (byte) (marked[i] ? 0 : 255);
        }
        try (Mats mats = new Mats()) {
            Mat distance = mats.empty();
            Mat m = mats.bytes(width, height, CvType.CV_8U, others);
            Imgproc.distanceTransform(m, distance, Imgproc.DIST_L2, 5);
            return of(distance);
        }
    }

    private static Plane of(Mat m) {
        Plane to = new Plane(m.cols(), m.rows());
        m.get(0, 0, to.value);
        return to;
    }
}
