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
        for (double stroke : STROKES) {
            int first = (int) Math.ceil(stroke * Mixdown.RATE);
            for (int c = 0; c < 2; c++) {
                strike(out, first, c);
            }
        }
        for (int i = 0; i < n; i++) {
            float fade = (float) (0.3 * Math.min(1, (SECONDS - (double) i / Mixdown.RATE) * 8));
            out[2 * i] *= fade;
            out[2 * i + 1] *= fade;
        }
        return out;
    }

    /** The channels differ by a shimmer of half a hertz, as two ears beside a bell do. */
    private static void strike(float[] out, int first, int channel) {
        for (int k = 0; k < PARTIALS.length; k++) {
            double[] p = PARTIALS[k];
            double pitch = PITCH * p[0] + (channel == 0 ? 0.25 : -0.25) * (k + 1);
            Partial partial = new Partial(p[1], pitch, 0, p[2], Mixdown.RATE);
            for (int i = first; 2 * i < out.length; i++) {
                double t = (double) (i - first) / Mixdown.RATE;
                out[2 * i + channel] += (float) (partial.next() * Math.min(1, t * 900));
            }
        }
    }
}
