package aperta.vision;

import aperta.core.picture.Region;
import org.opencv.core.CvType;
import org.opencv.core.Mat;

/** Red, green and blue of each pixel, display-encoded, row by row, 0 to 255. */
record Colours(int width, int height, float[][] rgb) {
    /** What counts for nothing in a weighted mean, unless there is nothing else. */
    private static final float NEXT_TO_NOTHING = 1e-5f;

    Plane plane(int c) {
        return new Plane(width, height, rgb[c]);
    }

    /**
     * Where something is, its own colour; elsewhere the mean of the surroundings where it is.
     *
     * @param sigma of the Gaussian by which surroundings count, in pixels
     */
    Colours spread(boolean[] there, double sigma) {
        float[] weight = new float[there.length];
        for (int i = 0; i < weight.length; i++) {
            weight[i] = there[i] ? 1 : NEXT_TO_NOTHING;
        }
        float[] sum = new Plane(width, height, weight).blurred(sigma).value();
        float[][] to = new float[3][];
        for (int c = 0; c < 3; c++) {
            float[] v = new float[weight.length];
            for (int i = 0; i < v.length; i++) {
                v[i] = rgb[c][i] * weight[i];
            }
            v = new Plane(width, height, v).blurred(sigma).value();
            for (int i = 0; i < v.length; i++) {
                v[i] = there[i] ? rgb[c][i] : v[i] / sum[i];
            }
            to[c] = v;
        }
        return new Colours(width, height, to);
    }

    Colours moved(Region from, Region to, double dx, double dy) {
        float[][] all = new float[3][];
        for (int c = 0; c < 3; c++) {
            all[c] = plane(c).moved(from, to, dx, dy, 0).value();
        }
        return new Colours(to.width(), to.height(), all);
    }

    Colours enlarged(int by, int wide, int high) {
        float[][] all = new float[3][];
        for (int c = 0; c < 3; c++) {
            all[c] = plane(c).enlarged(by, wide, high).value();
        }
        return new Colours(wide, high, all);
    }

    /** So much of the other. */
    Colours mixed(Colours other, double share) {
        float u = (float) share;
        float[][] all = new float[3][rgb[0].length];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < all[c].length; i++) {
                all[c][i] = rgb[c][i] * (1 - u) + other.rgb[c][i] * u;
            }
        }
        return new Colours(width, height, all);
    }

    /** What lies between four pixels. */
    float between(int c, double x, double y) {
        return plane(c).between(x, y);
    }

    /** Of three channels of floats or of bytes. */
    static Colours of(Mat m) {
        int n = m.rows() * m.cols();
        float[] v = new float[3 * n];
        if (m.depth() == CvType.CV_32F) {
            m.get(0, 0, v);
        } else {
            byte[] bytes = new byte[3 * n];
            m.get(0, 0, bytes);
            for (int i = 0; i < v.length; i++) {
                v[i] = bytes[i] & 255;
            }
        }
        float[][] to = new float[3][n];
        for (int i = 0; i < n; i++) {
            for (int c = 0; c < 3; c++) {
                to[c][i] = v[3 * i + c];
            }
        }
        return new Colours(m.cols(), m.rows(), to);
    }
}
