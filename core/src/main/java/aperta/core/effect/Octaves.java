package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;

/**
 * A sum of octaves of gradient noise over the layer's pixels: each has twice the frequency of the one before and half its strength.
 *
 * @param back from the raster to the pixels in which the noise lies
 * @param wavelength of the first octave, in those pixels
 */
public record Octaves(Affine back, int count, double wavelength, double phase, Point drift) {
    /** By how much faster the next octave changes with the phase. */
    private static final double FASTER = 1.5;

    /** The plane of the noise that an octave reads. */
    double plane(int octave) {
        return phase * StrictMath.pow(FASTER, octave) + 3.7 * octave + 0.5;
    }

    /** The mean square of the sum. */
    public double power() {
        double power = 0;
        for (int o = 0; o < count; o++) {
            power += StrictMath.pow(0.25, o) * Noise.power(plane(o));
        }
        return power;
    }

    /** The weighted noise of one octave at a place of the raster. */
    double octave(Noise noise, int o, double x, double y) {
        double px = back.a() * x + back.c() * y + back.e() - drift.x();
        double py = back.b() * x + back.d() * y + back.f() - drift.y();
        return own(noise, o, px, py);
    }

    private double own(Noise noise, int o, double px, double py) {
        double scale = (1 << o) / wavelength;
        // Each octave begins elsewhere, so that their lattices don't meet in the layer's middle.
        return noise.at(px * scale + 17.31 * o * (1 << o), py * scale - 9.17 * o * (1 << o), plane(o)) / (1 << o);
    }

    /** The sum at a place of the raster. */
    public double at(Noise noise, double x, double y) {
        double px = back.a() * x + back.c() * y + back.e() - drift.x();
        double py = back.b() * x + back.d() * y + back.f() - drift.y();
        double sum = 0;
        for (int o = 0; o < count; o++) {
            sum += own(noise, o, px, py);
        }
        return sum;
    }
}
