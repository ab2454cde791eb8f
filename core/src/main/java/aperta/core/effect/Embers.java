package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/**
 * Fire along the edge of the layer's opening: a rim of embers behind it, from a hot colour to a cooler one; what is charred behind that;
 * and ash ahead of it, that crawls and thins out to nothing. What lies ahead of the edge is gone but for the ash.
 */
final class Embers implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "embers",
                "Embers",
                "A glowing rim along the edge of its opening, and ash.",
                List.of(
                        Parameter.number("width", "Rim", "px", 0, 400, 9),
                        Parameter.colour("hot", "At the edge", Colour.parse("#fff3c4")),
                        Parameter.colour("cool", "Behind it", Colour.parse("#e2571a")),
                        Parameter.number("char", "Charred", "px", 0, 1000, 26),
                        Parameter.number("ash", "Ash", "px", 0, 2000, 70),
                        Parameter.number("dense", "Density of the ash", "%", 0, 1, 0.7),
                        Parameter.number("size", "Size of the ash", "px", 1, 200, 7),
                        Parameter.colour("grey", "Colour of the ash", Colour.parse("#3a3532")),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.EDGE;
    }

    @Override
    public Station station() {
        return Station.BEFORE_MASKS;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        Transfer transfer = Transfer.of(setting.light());
        float[] hot = parts(transfer.toLight(values.colour("hot")));
        float[] cool = parts(transfer.toLight(values.colour("cool")));
        float[] grey = parts(transfer.toLight(values.colour("grey")));
        float width = (float) values.number("width");
        float charred = (float) values.number("char");
        float ash = (float) values.number("ash");
        float dense = (float) values.number("dense");
        double size = values.number("size");
        float scale = (float) setting.scale();
        // Ash drifts upwards and changes as it goes.
        double risen = setting.frame() / setting.rate().framesPerSecond();
        Even even = new Even((int) values.number("seed"));
        Noise bending = new Noise((int) values.number("seed") + 31);
        return new Worked.ByFront() {
            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.toRaster())
                        .and(risen, setting.light().ordinal())
                        .array();
            }

            @Override
            public double reach() {
                return Math.max(width + charred, ash) + 2 / scale;
            }

            @Override
            public void change(Picture picture, Matte distances) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = picture.index(d.x(), y);
                    int from = distances.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, at++, from++) {
                        float s = distances.values()[from];
                        if (p[3][at] > 0 && s < width + charred) {
                            pixel(p, at, s, x + 0.5, y + 0.5);
                        }
                    }
                }
            }

            private void pixel(float[][] p, int at, float s, double x, double y) {
                float alpha = p[3][at];
                float there = OnColours.clamped(s * scale + 0.5f);
                float rim = there * OnColours.clamped((width - s) * scale + 0.5f);
                float heat = width == 0 ? 0 : OnColours.clamped(s / width);
                float away = charred == 0 ? 1 : OnColours.clamped((s - width) / charred);
                float left = 1 - 0.85f * (1 - away) * (1 - away);
                float ashes = there < 1 ? (1 - there) * ash(-s, x, y) : 0;
                for (int c = 0; c < 3; c++) {
                    float own = p[c][at] * (there - rim) * left;
                    p[c][at] = own + alpha * rim * (hot[c] + (cool[c] - hot[c]) * heat) + alpha * ashes * grey[c];
                }
                p[3][at] = alpha * (there + ashes);
            }

            /** How much ash there is so far ahead of the edge. */
            private float ash(float ahead, double x, double y) {
                if (ash == 0 || ahead >= ash) {
                    return 0;
                }
                float t = Math.max(0, ahead) / ash;
                double u = (back.a() * x + back.c() * y + back.e()) / size;
                double v = (back.b() * x + back.d() * y + back.f()) / size + risen * 3;
                double bend = 1.4 * bending.at(u * 0.4, v * 0.4, risen * 0.8);
                double grain = even.at(u + bend, v - bend);
                float kept = OnColours.clamped((float) (grain - t * 1.1) * 5);
                return dense * kept * (1 - t) * (1 - t);
            }
        };
    }

    private static float[] parts(Colour c) {
        return new float[] {(float) c.red(), (float) c.green(), (float) c.blue()};
    }
}
