package aperta.vision;

import java.util.Arrays;
import org.opencv.core.Core;
import org.opencv.core.Mat;
import org.opencv.core.TermCriteria;

/**
 * The few colours a figure is made of, each a Gaussian: what is known of a limb whose own pixels were last seen elsewhere, or
 * not at all.
 *
 * @param colours opponent colours of each
 * @param variances of each channel of each
 */
record Palette(float[][] colours, float[][] variances) {
    static final Palette NONE = new Palette(new float[0][], new float[0][]);

    private static final int MOST = 12;
    private static final int ITERATIONS = 12;
    private static final int SAMPLES = 3000;
    /** What is covered by more than this is the figure's own colour. */
    private static final float OWN = 0.8f;

    /** The variance that each channel has at least: brightness changes as a figure walks from light to light, hue hardly. */
    private static final double[] LEAST = {9, 0.5, 0.5};

    private static final double NEVER = 1e6;

    /** By k-means (Arthur and Vassilvitskii's seeding, SODA 2007) over the pixels of a figure; none where there are few. */
    static Palette of(Colours picture, Plane alpha) {
        int own = 0;
        for (float a : alpha.value()) {
            own += a > OWN ? 1 : 0;
        }
        int many = Math.min(MOST, own / 4);
        if (many == 0) {
            return NONE;
        }
        int stride = Math.max(1, own / SAMPLES);
        float[] samples = new float[3 * ((own + stride - 1) / stride)];
        int nth = 0;
        int taken = 0;
        for (int i = 0; i < alpha.value().length; i++) {
            if (alpha.value()[i] > OWN && nth++ % stride == 0) {
                for (int c = 0; c < 3; c++) {
                    samples[taken++] = picture.channels()[c][i];
                }
            }
        }
        return clustered(samples, many);
    }

    private static Palette clustered(float[] samples, int many) {
        int n = samples.length / 3;
        int[] label = new int[n];
        float[][] colours = new float[many][3];
        float[][] variances = new float[many][3];
        int[] count = new int[many];
        try (Mats mats = new Mats()) {
            Mat labels = mats.empty();
            Mat centres = mats.empty();
            Core.setRNGSeed(1);
            TermCriteria end = new TermCriteria(TermCriteria.COUNT, ITERATIONS, 0);
            Core.kmeans(mats.floats(3, n, samples), many, labels, end, 1, Core.KMEANS_PP_CENTERS, centres);
            labels.get(0, 0, label);
            for (int k = 0; k < many; k++) {
                centres.get(k, 0, colours[k]);
            }
        }
        for (int i = 0; i < n; i++) {
            count[label[i]]++;
            for (int c = 0; c < 3; c++) {
                float far = samples[3 * i + c] - colours[label[i]][c];
                variances[label[i]][c] += far * far;
            }
        }
        for (int k = 0; k < many; k++) {
            for (int c = 0; c < 3; c++) {
                variances[k][c] /= Math.max(1, count[k]);
            }
        }
        return new Palette(colours, variances);
    }

    /**
     * How unlikely the colour of each pixel is for the likeliest of these: minus twice the logarithm of its density, without
     * the constant.
     */
    double[] unlikely(Colours picture) {
        double[] least = new double[picture.channels()[0].length];
        Arrays.fill(least, NEVER);
        for (int k = 0; k < colours.length; k++) {
            double wide = 0;
            double[] by = new double[3];
            for (int c = 0; c < 3; c++) {
                by[c] = 1 / (LEAST[c] + variances[k][c]);
                wide -= Math.log(by[c]);
            }
            for (int i = 0; i < least.length; i++) {
                double far = wide;
                for (int c = 0; c < 3; c++) {
                    double d = picture.channels()[c][i] - colours[k][c];
                    far += d * d * by[c];
                }
                least[i] = Math.min(least[i], far);
            }
        }
        return least;
    }
}
