package aperta.core.effect;

import java.util.Arrays;

/**
 * Gradient noise whose values are spread evenly from 0 to 1: each is replaced by the share of all that are smaller, as many samples have
 * said once.
 */
final class Even {
    /** The plane of the noise that is read, half way between its lattice's. */
    private static final double PLANE = 0.5;

    private static final int SAMPLES = 1 << 18;
    private static final int STEPS = 1 << 12;
    private static final float LARGEST = 1.1f;
    private static final float[] SHARES = shares();

    private final Noise noise;

    Even(int seed) {
        this.noise = new Noise(seed);
    }

    double at(double x, double y) {
        return share((float) noise.at(x, y, PLANE));
    }

    private static double share(float v) {
        float at = Math.max(0, Math.min(STEPS - 1e-3f, (v + LARGEST) / (2 * LARGEST) * STEPS));
        int i = (int) at;
        return SHARES[i] + (SHARES[i + 1] - SHARES[i]) * (at - i);
    }

    private static float[] shares() {
        Noise noise = new Noise(7);
        float[] all = new float[SAMPLES];
        for (int i = 0; i < SAMPLES; i++) {
            // Places that are spread evenly (a Kronecker sequence), each in a cell of its own.
            double x = i * 1.3247179572447460;
            double y = i * 0.7548776662466927;
            all[i] = (float) noise.at(x % 1 + i, y % 1 + (i * 31L) % 977, PLANE);
        }
        Arrays.sort(all);
        float[] shares = new float[STEPS + 1];
        int n = 0;
        for (int k = 0; k <= STEPS; k++) {
            float v = -LARGEST + 2 * LARGEST * k / STEPS;
            while (n < SAMPLES && all[n] < v) {
                n++;
            }
            shares[k] = (float) n / SAMPLES;
        }
        return shares;
    }
}
