package aperta.media.plates;

import aperta.core.sound.Mixdown;

/** Two strokes of a tram's bell: partials that lie as those of a small bell do, each dying away in its own time. */
final class TramBell implements Tone {
    private static final double SECONDS = 3.2;
    private static final double PITCH = 932;
    /** Ratio to the prime, loudness, seconds until 1/e; the ratios after the usual tuning of bells, from memory. */
    private static final double[][] PARTIALS = {
        {0.5, 0.30, 1.1},
        {1.0, 0.55, 0.9},
        {1.2, 0.40, 0.7},
        {1.5, 0.25, 0.5},
        {2.0, 0.60, 0.55},
        {2.67, 0.22, 0.3},
        {3.01, 0.28, 0.24},
        {4.17, 0.18, 0.16},
        {5.43, 0.12, 0.1}
    };

    private static final double[] STROKES = {0.02, 0.46};

    @Override
    public String id() {
        return "bell";
    }

    @Override
    public String name() {
        return "Tram bell";
    }

    @Override
    public float[] samples() {
        int n = (int) (SECONDS * Mixdown.RATE);
        float[] out = new float[n * 2];
        for (int i = 0; i < n; i++) {
            double t = (double) i / Mixdown.RATE;
            for (int c = 0; c < 2; c++) {
                double sum = 0;
                for (double stroke : STROKES) {
                    sum += t < stroke ? 0 : struck(t - stroke, c);
                }
                out[i * 2 + c] = (float) (0.3 * sum * Math.min(1, (SECONDS - t) * 8));
            }
        }
        return out;
    }

    /** The channels differ by a shimmer of half a hertz, as two ears beside a bell do. */
    private static double struck(double t, int channel) {
        double sum = 0;
        for (int k = 0; k < PARTIALS.length; k++) {
            double[] p = PARTIALS[k];
            double pitch = PITCH * p[0] + (channel == 0 ? 0.25 : -0.25) * (k + 1);
            sum += p[1] * StrictMath.exp(-t / p[2]) * StrictMath.sin(2 * Math.PI * pitch * t);
        }
        return sum * Math.min(1, t * 900);
    }
}
