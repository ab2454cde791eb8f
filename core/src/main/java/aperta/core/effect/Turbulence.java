package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.Displacement;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.ArrayList;
import java.util.List;

/**
 * Each pixel comes from a place beside it, by two sums of octaves of gradient noise that have nothing to do with each other. The
 * strength is the root mean square of the way, across and down. The first octave is evaluated on a lattice of about ten points along its
 * wave, the others on one of seven, and read linearly, which makes them weaker by about 2 and 4 %.
 */
final class Turbulence implements Effect {
    static final String STAYS = "in the frame";

    /** How many points of the lattice on which an octave is evaluated lie along its wave. */
    private static final double POINTS_A_WAVE = 10;

    /** The same of those after the first, which count less. */
    private static final double POINTS_OF_OTHERS = 7;

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
                        Parameter.point(Parameter.DRIFT, "Drift", Point.ORIGIN),
                        Parameter.choice("stays", "Stays", "with the layer", STAYS),
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
    public boolean readsBeyond() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        Affine lies = values.text("stays").equals(STAYS) ? setting.frameToRaster() : map;
        int count = (int) values.number("octaves");
        double wavelength = values.number("wavelength");
        int seed = (int) values.number("seed");
        Octaves octaves = new Octaves(
                lies.inverse().orElseThrow(), count, wavelength, values.number("phase"), values.point("drift"));
        double rms = Math.sqrt(octaves.power());
        Point right = map.applyVector(new Point(values.number("across") * setting.amount() / rms, 0));
        Point below = map.applyVector(new Point(0, values.number("down") * setting.amount() / rms));
        int reach = 2
                + (int) Math.ceil(rms
                        * MOST_OF_RMS
                        * Math.max(
                                Math.abs(right.x()) + Math.abs(below.x()), Math.abs(right.y()) + Math.abs(below.y())));
        Noise one = new Noise(2 * seed);
        Noise other = new Noise(2 * seed + 1);
        double[] numbers = Numbers.of(values)
                .and(map)
                .and(lies)
                .and(setting.amount(), setting.border().ordinal())
                .array();
        return new Reaching(reach, numbers) {
            @Override
            public boolean moves() {
                return true;
            }

            @Override
            public Picture made(Given g) {
                // The lattices go where the pattern goes.
                int x0 = (int) Math.floor(lies.e());
                int y0 = (int) Math.floor(lies.f());
                List<Displacement.Lattice> lattices = new ArrayList<>();
                for (int o = 0; o < count; o++) {
                    int octave = o;
                    double wave = wavelength / (1 << o) * lies.meanScale();
                    int cell = (int) Math.max(
                            1, Math.min(32, Math.floor(wave / (o == 0 ? POINTS_A_WAVE : POINTS_OF_OTHERS))));
                    lattices.add(new Displacement.Lattice(g.region(), cell, x0, y0, g.bands(), (x, y, into) -> {
                        double u = octaves.octave(one, octave, x, y);
                        double v = octaves.octave(other, octave, x, y);
                        into[0] = u * right.x() + v * below.x();
                        into[1] = u * right.y() + v * below.y();
                    }));
                }
                return Displacement.of(
                        g.input(),
                        1,
                        g.region(),
                        Displacement.Lattice.sum(lattices),
                        g.where(),
                        reach - 1f,
                        setting.border(),
                        g.bands());
            }
        };
    }
}
