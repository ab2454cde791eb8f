package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Displacement;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;
import java.util.Optional;

/**
 * Each pixel comes from a place beside it, by two sums of octaves of gradient noise that have nothing to do with each other.
 * An octave has twice the frequency of the one before and half its strength; the strength is the root mean square of the way,
 * across and down. The noise lies in the layer's own pixels.
 */
final class Turbulence implements Effect {
    /** How many points of the lattice on which noise is evaluated lie along the shortest wave. */
    private static final double POINTS_A_WAVE = 10;

    /** How far a noise may lead beyond its root mean square. */
    private static final double MOST_OF_RMS = 4.2;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "turbulence",
                "Turbulence",
                "Bends by gradient noise, in octaves.",
                List.of(
                        Parameter.number("across", "Across", "px", -1000, 1000, 14),
                        Parameter.number("down", "Down", "px", -1000, 1000, 14),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 4000, 120),
                        Parameter.whole("octaves", "Octaves", "", 1, 8, 3),
                        Parameter.number("phase", "Phase", "", -10_000, 10_000, 0),
                        Parameter.point("drift", "Drift", Point.ORIGIN),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BEND;
    }

    @Override
    public Station station() {
        return Station.BEFORE_MASKS;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        Affine back = map.inverse().orElseThrow();
        int octaves = (int) values.number("octaves");
        double wavelength = values.number("wavelength");
        double phase = values.number("phase");
        Point drift = values.point("drift");
        int seed = (int) values.number("seed");
        double power = 0;
        double z = phase;
        for (int o = 0; o < octaves; o++) {
            power += StrictMath.pow(0.25, o) * Noise.power(Field.plane(z, o));
            z *= Field.FASTER;
        }
        double even = setting.amount() / Math.sqrt(power);
        double across = values.number("across") * even;
        double down = values.number("down") * even;
        Field field = new Field(back, new Noise(2 * seed), new Noise(2 * seed + 1), octaves, wavelength, phase, drift);
        double shortest = wavelength / (1 << octaves - 1) * map.meanScale();
        int cell = (int) Math.max(1, Math.min(32, Math.floor(shortest / POINTS_A_WAVE)));
        Point right = map.applyVector(new Point(across, 0));
        Point below = map.applyVector(new Point(0, down));
        double rms = Math.sqrt(power) * MOST_OF_RMS;
        int reach = 2
                + (int) Math.ceil(rms
                        * Math.max(
                                Math.abs(right.x()) + Math.abs(below.x()), Math.abs(right.y()) + Math.abs(below.y())));
        return new Worked.Around() {
            @Override
            public double[] numbers() {
                return new double[] {
                    across,
                    down,
                    wavelength,
                    octaves,
                    phase,
                    drift.x(),
                    drift.y(),
                    seed,
                    map.a(),
                    map.b(),
                    map.c(),
                    map.d(),
                    map.e(),
                    map.f()
                };
            }

            @Override
            public boolean moves() {
                return true;
            }

            @Override
            public Region domain(Region input) {
                return input.grown(reach);
            }

            @Override
            public Region needs(Region wanted) {
                return wanted.grown(reach);
            }

            @Override
            public Picture made(Picture input, Optional<Matte> where, Region region, Bands bands, Scratch scratch) {
                // The lattice goes where the layer goes.
                int x0 = (int) Math.floor(map.e());
                int y0 = (int) Math.floor(map.f());
                Displacement by = Displacement.onLattice(region, cell, x0, y0, bands, (x, y) -> {
                    double u = field.first(x, y);
                    double v = field.second(x, y);
                    return new double[] {u * right.x() + v * below.x(), u * right.y() + v * below.y()};
                });
                return by.of(input, where, reach - 1, bands);
            }
        };
    }

    /** Two sums of octaves over the raster. */
    private record Field(
            Affine back, Noise one, Noise other, int octaves, double wavelength, double phase, Point drift) {
        /** By how much faster the next octave changes with the phase. */
        static final double FASTER = 1.5;

        /** The plane of the noise that an octave reads. */
        static double plane(double z, int octave) {
            return z + 3.7 * octave + 0.5;
        }

        double first(double x, double y) {
            return sum(one, x, y);
        }

        double second(double x, double y) {
            return sum(other, x, y);
        }

        private double sum(Noise noise, double x, double y) {
            double px = (back.a() * x + back.c() * y + back.e() - drift.x()) / wavelength;
            double py = (back.b() * x + back.d() * y + back.f() - drift.y()) / wavelength;
            double sum = 0;
            double weight = 1;
            double z = phase;
            for (int o = 0; o < octaves; o++) {
                // Each octave begins elsewhere, so that their lattices don't meet in the layer's middle.
                sum += weight * noise.at(px + 17.31 * o, py - 9.17 * o, plane(z, o));
                px *= 2;
                py *= 2;
                z *= FASTER;
                weight /= 2;
            }
            return sum;
        }
    }
}
