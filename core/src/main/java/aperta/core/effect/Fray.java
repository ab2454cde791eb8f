package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.Compose;
import aperta.core.picture.EdgeDistance;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** The edge eaten by noise: what lies nearer to it than a depth times a noise between 0 and 1 is gone. */
final class Fray implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "fray",
                "Fray",
                "Eats into the edge by noise.",
                List.of(
                        Parameter.number("depth", "Depth", "px", 0, 200, 14),
                        Parameter.number("size", "Size", "px", 1, 1000, 14),
                        Parameter.whole("octaves", "Octaves", "", 1, 6, 3),
                        Parameter.number("softness", "Softness", "px", 0, 100, 0),
                        Parameter.number("phase", "Phase", "", -10_000, 10_000, 0),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.EDGE;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        double scale = setting.scale();
        double depth = values.number("depth");
        double softness = values.number("softness");
        Noise noise = new Noise((int) values.number("seed"));
        Octaves octaves = new Octaves(
                back, (int) values.number("octaves"), values.number("size"), values.number("phase"), Point.ORIGIN);
        double rms = Math.sqrt(octaves.power());
        int reach = (int) Math.ceil((depth + softness) * scale) + 2;
        return new Reaching(
                EdgeDistance.needs(reach),
                Numbers.of(values).and(setting.toRaster()).array()) {
            @Override
            public Region domain(Region input) {
                return input;
            }

            @Override
            public Picture made(Given g) {
                Region r = g.region();
                Matte distance = EdgeDistance.ofCoverage(g.input().plane(3), r, reach, g.bands());
                Matte left = new Matte(r);
                g.bands().run(r.height(), 8, (from, to) -> {
                    for (int y = r.y() + from; y < r.y() + to; y++) {
                        int at = left.index(r.x(), y);
                        for (int x = r.x(); x < r.right(); x++, at++) {
                            float d = distance.values()[at];
                            left.values()[at] = d <= -1 ? 0 : d >= reach ? 1 : left(d, x, y);
                        }
                    }
                });
                Picture result = new Picture(r);
                Compose.copy(result, g.input());
                Compose.inside(result, left);
                return result;
            }

            private float left(float distance, int x, int y) {
                double n = Math.min(1, Math.max(0, 0.5 + octaves.at(noise, x + 0.5, y + 0.5) / rms / 4));
                double beyond = distance - depth * scale * n;
                // Where nothing is eaten the picture's own edge stays.
                double ramp = Math.max(1, softness * scale);
                return depth * n < 1e-9 ? 1 : (float) Math.min(1, Math.max(0, beyond / ramp + 0.5));
            }
        };
    }
}
