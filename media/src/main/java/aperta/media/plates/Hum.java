package aperta.media.plates;

import aperta.core.sound.Mixdown;

/** The hum of a tram that stands at a platform: mains harmonics, swelling slowly, over a breath of air. */
final class Hum implements Tone {
    private static final int SECONDS = 8;
    private static final double[] LOUD = {0.5, 0.9, 0.35, 0.4, 0.12, 0.2, 0.06, 0.1};

    @Override
    public String id() {
        return "hum";
    }

    @Override
    public String name() {
        return "Platform hum";
    }

    @Override
    public float[] samples() {
        int n = SECONDS * Mixdown.RATE;
        float[] out = new float[n * 2];
        for (int c = 0; c < 2; c++) {
            for (int k = 0; k < LOUD.length; k++) {
                Partial hum = new Partial(LOUD[k], 50 * (k + 1), 0.7 * k, Double.POSITIVE_INFINITY, Mixdown.RATE);
                Partial swell = new Partial(0.25, 0.13 + 0.05 * k, k + c, Double.POSITIVE_INFINITY, Mixdown.RATE);
                for (int i = 0; i < n; i++) {
                    out[i * 2 + c] += (float) (0.09 * (1 + swell.next()) * hum.next());
                }
            }
            double air = 0;
            for (int i = 0; i < n; i++) {
                // White noise through a one-pole low pass of about 400 Hz.
                air += 0.05 * (PlateNoise.of(71 + c, i, 0) * 2 - 1 - air);
                double t = (double) i / Mixdown.RATE;
                double ends = Math.min(1, Math.min(t * 2, (SECONDS - t) * 2));
                out[i * 2 + c] = (float) (ends * (out[i * 2 + c] + 0.5 * air));
            }
        }
        return out;
    }
}
