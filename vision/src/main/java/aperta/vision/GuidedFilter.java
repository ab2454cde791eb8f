package aperta.vision;

/**
 * Smooths a plane along the edges of a picture (He, Sun, Tang, "Guided Image Filtering", IEEE PAMI 35, 2013): in each window
 * the plane is taken to be a linear function of the picture's colours.
 */
final class GuidedFilter {
    private final Colours guide;
    private final int side;
    private final double smooth;
    private final Plane[] mean = new Plane[3];
    private final Plane[][] product = new Plane[3][3];

    /**
     * @param radius of the window, in pixels
     * @param smooth the variance of colours that counts as noise
     */
    GuidedFilter(Colours guide, int radius, double smooth) {
        this.guide = guide;
        this.side = 2 * radius + 1;
        this.smooth = smooth;
        for (int c = 0; c < 3; c++) {
            mean[c] = plane(guide.channels()[c]).mean(side, side);
            for (int k = 0; k <= c; k++) {
                product[c][k] = times(guide.channels()[c], guide.channels()[k]);
                product[k][c] = product[c][k];
            }
        }
    }

    Plane filtered(Plane plane) {
        Plane middle = plane.mean(side, side);
        Plane[] cross = new Plane[3];
        for (int c = 0; c < 3; c++) {
            cross[c] = times(guide.channels()[c], plane.value());
        }
        int n = plane.value().length;
        float[][] linear = new float[4][n];
        double[][] m = new double[3][3];
        double[] q = new double[3];
        for (int i = 0; i < n; i++) {
            for (int c = 0; c < 3; c++) {
                q[c] = cross[c].value()[i] - mean[c].value()[i] * middle.value()[i];
                for (int k = 0; k < 3; k++) {
                    m[c][k] = product[c][k].value()[i] - mean[c].value()[i] * mean[k].value()[i];
                }
                m[c][c] += smooth;
            }
            double[] a = solved(m, q);
            double rest = middle.value()[i];
            for (int c = 0; c < 3; c++) {
                linear[c][i] = (float) a[c];
                rest -= a[c] * mean[c].value()[i];
            }
            linear[3][i] = (float) rest;
        }
        Plane to = plane(linear[3]).mean(side, side);
        for (int c = 0; c < 3; c++) {
            float[] a = plane(linear[c]).mean(side, side).value();
            for (int i = 0; i < n; i++) {
                to.value()[i] += a[i] * guide.channels()[c][i];
            }
        }
        return to;
    }

    private Plane plane(float[] v) {
        return new Plane(guide.width(), guide.height(), v);
    }

    private Plane times(float[] a, float[] b) {
        float[] v = new float[a.length];
        for (int i = 0; i < v.length; i++) {
            v[i] = a[i] * b[i];
        }
        return plane(v).mean(side, side);
    }

    /** Three equations, whose matrix is symmetric, by Cramer's rule. */
    private static double[] solved(double[][] m, double[] q) {
        double a = m[1][1] * m[2][2] - m[1][2] * m[1][2];
        double b = m[0][2] * m[1][2] - m[0][1] * m[2][2];
        double c = m[0][1] * m[1][2] - m[0][2] * m[1][1];
        double d = m[0][0] * m[2][2] - m[0][2] * m[0][2];
        double e = m[0][1] * m[0][2] - m[0][0] * m[1][2];
        double f = m[0][0] * m[1][1] - m[0][1] * m[0][1];
        double whole = m[0][0] * a + m[0][1] * b + m[0][2] * c;
        return new double[] {
            (a * q[0] + b * q[1] + c * q[2]) / whole,
            (b * q[0] + d * q[1] + e * q[2]) / whole,
            (c * q[0] + e * q[1] + f * q[2]) / whole
        };
    }
}
