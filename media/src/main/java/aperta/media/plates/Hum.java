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
        double[] air = new double[2];
        for (int i = 0; i < n; i++) {
            double t = (double) i / Mixdown.RATE;
            double ends = Math.min(1, Math.min(t * 2, (SECONDS - t) * 2));
            for (int c = 0; c < 2; c++) {
                double sum = 0;
                for (int k = 0; k < LOUD.length; k++) {
                    double swell = 1 + 0.25 * StrictMath.sin(2 * Math.PI * (0.13 + 0.05 * k) * t + k + c);
                    sum += LOUD[k] * swell * StrictMath.sin(2 * Math.PI * 50 * (k + 1) * t + 0.7 * k);
                }
                // White noise through a one-pole low pass of about 400 Hz.
                air[c] += 0.05 * (Chance.of(71 + c, i, 0) * 2 - 1 - air[c]);
                out[i * 2 + c] = (float) (ends * (0.09 * sum + 0.5 * air[c]));
            }
        }
        return out;
    }
}
