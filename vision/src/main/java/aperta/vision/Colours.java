package aperta.vision;

import aperta.core.picture.Region;
import org.opencv.core.CvType;
import org.opencv.core.Mat;

/**
 * Three channels of each pixel, row by row: red, green and blue, display-encoded, 0 to 255; or opponent colours.
 *
 * @param channels the value of each pixel, for each channel
 */
record Colours(int width, int height, float[][] channels) {
    /** Of opponent colours, the channel that is brightness. */
    static final int BRIGHTNESS = 0;

    private static final float ROOT_HALF = (float) Math.sqrt(1.0 / 2);
    private static final float ROOT_THIRD = (float) Math.sqrt(1.0 / 3);
    private static final float ROOT_SIXTH = (float) Math.sqrt(1.0 / 6);

    /** What counts for nothing in a weighted mean, unless there is nothing else. */
    private static final float NEXT_TO_NOTHING = 1e-5f;

    /**
     * Red, green and blue turned to brightness, red against blue, and green against both, by an orthonormal matrix (Ohta,
     * Kanade, Sakai, "Color Information for Region Segmentation", CGIP 13, 1980). Grain, rain and lamps that flicker change
     * brightness by far more than the other two, while red, green and blue all change alike.
     */
    Colours opponent() {
        float[][] to = new float[3][channels[0].length];
        for (int i = 0; i < to[0].length; i++) {
            float r = channels[0][i];
            float g = channels[1][i];
            float b = channels[2][i];
            to[0][i] = (r + g + b) * ROOT_THIRD;
            to[1][i] = (r - b) * ROOT_HALF;
            to[2][i] = (2 * g - r - b) * ROOT_SIXTH;
        }
        return new Colours(width, height, to);
    }

    /** Opponent colours turned back to red, green and blue. */
    Colours fromOpponent() {
        float[][] to = new float[3][channels[0].length];
        for (int i = 0; i < to[0].length; i++) {
            float all = channels[0][i] * ROOT_THIRD;
            float redBlue = channels[1][i] * ROOT_HALF;
            float green = channels[2][i] * ROOT_SIXTH;
            to[0][i] = all + redBlue - green;
            to[1][i] = all + 2 * green;
            to[2][i] = all - redBlue - green;
        }
        return new Colours(width, height, to);
    }

    /** Opponent colours' brightness, from 0 to 255. */
    double brightness(int i) {
        return channels[BRIGHTNESS][i] * ROOT_THIRD;
    }

    Plane plane(int c) {
        return new Plane(width, height, channels[c]);
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
                v[i] = channels[c][i] * weight[i];
            }
            v = new Plane(width, height, v).blurred(sigma).value();
            for (int i = 0; i < v.length; i++) {
                v[i] = there[i] ? channels[c][i] : v[i] / sum[i];
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
        float[][] all = new float[3][channels[0].length];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < all[c].length; i++) {
                all[c][i] = channels[c][i] * (1 - u) + other.channels[c][i] * u;
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
