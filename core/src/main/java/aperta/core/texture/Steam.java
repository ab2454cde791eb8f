package aperta.core.texture;

import aperta.core.effect.Noise;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Steam that rises from a point or a line: octaves of noise whose places are bent by slower noise, carried upwards, larger and thinner the
 * higher it is. What it gave off at each moment rises with it, so that keys on its strength come out as puffs.
 */
final class Steam implements Texture {
    private static final int OCTAVES = 5;
    private static final int HEIGHTS = 128;
    /** Details smaller than this share of its size below are too faint to be seen. */
    private static final double DETAIL = 8;
    /** Farther from the middle than this, in half widths, the column has thinned out to nothing. */
    private static final double WIDEST = 1.7;
    /** Less density than this, a quarter of a step of eight bits, is none. */
    private static final double UNSEEN = 0.001;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "steam",
                "Steam",
                "Steam that rises from a point or a line.",
                List.of(
                        Parameter.number("strength", "Strength", "%", 0, 4, 1),
                        Parameter.point("from", "From", new Point(0, 420)),
                        Parameter.number("width", "Width below", "px", 0, 20_000, 260),
                        Parameter.number("spread", "Spreads by", "°", 0, 80, 14),
                        Parameter.number("height", "Rises", "px", 10, 20_000, 900),
                        Parameter.number("size", "Size below", "px", 4, 4000, 150),
                        Parameter.number("pace", "Pace", "px a second", -4000, 4000, 150),
                        Parameter.number("bend", "Curls", "%", 0, 4, 1),
                        Parameter.number("wind", "Wind", "px a second", -4000, 4000, 0),
                        Density.THIN,
                        Density.DENSE,
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Pattern on(Recipe values, Setting setting) {
        Point from = values.point("from");
        double half = values.number("width") / 2;
        double slope = Math.max(0.02, StrictMath.tan(Math.toRadians(values.number("spread"))));
        double height = values.number("height");
        double size = values.number("size");
        double bend = values.number("bend");
        double wind = values.number("wind");
        double risen = setting.travelled("pace");
        double seconds = setting.seconds();
        double[] given = given(values, setting, height);
        Noise body = new Noise((int) values.number("seed") * 2);
        Noise slow = new Noise((int) values.number("seed") * 2 + 1);
        double grows = 1.1 * slope / size;
        double pace = Math.max(1, Math.abs(values.number("pace")));
        double[] more = new double[given.length + 2];
        System.arraycopy(given, 0, more, 0, given.length);
        more[given.length] = risen;
        more[given.length + 1] = seconds;
        return new Density(values, setting, size / DETAIL, more) {
            @Override
            double at(double x, double y) {
                double h = from.y() - y;
                if (h <= 0 || h >= height) {
                    return 0;
                }
                double share = h / height;
                double u = x - from.x() - wind * h / pace;
                // Puffs grow as they rise: the places of the noise are drawn apart by as much.
                double larger = 1 + grows * h;
                double wide = half + slope * h + 0.35 * size;
                double strength = given[(int) (share * (HEIGHTS - 1))];
                if (strength <= 0 || Math.abs(u) - bend * size * larger * 0.7 > WIDEST * wide) {
                    return 0;
                }
                double s = u / (size * larger);
                double r = StrictMath.log(larger) / (grows * size) - risen / size;
                double bx = slow.at(s * 0.8 + 3.1, r * 0.8, seconds * 0.21 + 0.5);
                // The column, frayed by the same slow noise.
                double side = Math.abs(u + bend * size * larger * 0.7 * bx) / wide;
                double column = StrictMath.exp(-2.2 * side * side);
                double most = strength * smooth(0, 0.2, share) * (1 - smooth(0.45, 1, share)) * column * 1.15;
                if (most < UNSEEN) {
                    return 0;
                }
                double by = slow.at(s * 0.8 - 9.4, r * 0.8 + 5.2, seconds * 0.21 + 7.5);
                double fx = slow.at(s * 1.9 + 1.3, r * 1.9 - 4.4, seconds * 0.4 + 3.5);
                double fy = slow.at(s * 1.9 - 6.2, r * 1.9 + 8.8, seconds * 0.4 + 11.5);
                double sx = s + bend * (0.75 * bx + 0.3 * fx);
                double sy = r + bend * (0.75 * by + 0.3 * fy);
                double cloud = 0.5 + 0.75 * Clouds.sum(body, sx * 1.25, sy * 0.85, seconds * 0.17, OCTAVES);
                double thins = 0.35 + 0.65 / (1 + 1.5 * share * slope * height / (half + size));
                double dense = cloud * (0.35 + 0.65 * column) + 0.4 * column - 0.37;
                return most * thins * smooth(0, 0.75, dense);
            }
        };
    }

    /** What was given off when that which is now at a height came from below. */
    private static double[] given(Recipe values, Setting setting, double height) {
        double[] all = new double[HEIGHTS];
        double perFrame = Math.abs(values.number("pace")) / setting.rate().framesPerSecond();
        for (int i = 0; i < HEIGHTS; i++) {
            double rose = i / (HEIGHTS - 1.0) * height;
            double ago = perFrame < 1e-6 ? 0 : rose / perFrame;
            all[i] = setting.history().number("strength", setting.frame() - ago);
        }
        return all;
    }
}
