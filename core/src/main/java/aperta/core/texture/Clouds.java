package aperta.core.texture;

import aperta.core.effect.Noise;

/** Sums of octaves of gradient noise, each of twice the frequency of the one before and half its strength. */
final class Clouds {
    /** By how much faster the next octave changes. */
    private static final double FASTER = 1.4;

    private Clouds() {}

    /** About between −1 and 1; u and v count in waves of the first octave. */
    static double sum(Noise noise, double u, double v, double z, int octaves) {
        double sum = 0;
        double weight = 1;
        double x = u;
        double y = v;
        double plane = z;
        for (int o = 0; o < octaves; o++) {
            sum += weight * noise.at(x + 13.7 * o, y - 7.3 * o, plane + 5.3 * o + 0.5);
            // Turned a little from octave to octave, so that no lattice shows.
            double turned = 1.6 * x - 1.2 * y;
            y = 1.2 * x + 1.6 * y;
            x = turned;
            plane *= FASTER;
            weight /= 2;
        }
        return sum;
    }
}
