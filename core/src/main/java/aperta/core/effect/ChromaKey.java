package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/**
 * Takes a colour away by its chroma: the distance in the plane of Cb and Cr of BT.709, counted in what the colour itself is away
 * from grey. Where something grey is half in front of it, that distance is exactly how much of it is in front (T. Porter and T.
 * Duff's mix is even, and so are Cb and Cr). The colour that shines through is taken out again, and what is left of its hue
 * is limited to what the other channels have.
 */
final class ChromaKey implements Effect {
    private static final float KR = OnColours.LUMA[0];
    private static final float KB = OnColours.LUMA[2];

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>(List.of(
                Parameter.colour("key", "Key", Colour.parse("#2a9d4e")),
                Keying.TOLERANCE,
                Parameter.number("softness", "Softness", "%", 0.001, 2, 0.9),
                Parameter.number("spill", "Spill out", "%", 0, 1, 1)));
        all.addAll(Keying.ends());
        return new Descriptor("chroma-key", "Chroma key", "Takes a colour away, by its hue and saturation.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.KEY;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float[] key = Keying.parts(values.colour("key"));
        Keying keying = Keying.of(values);
        float spill = (float) values.number("spill");
        double cb = cb(key);
        double cr = cr(key);
        double whole = Math.max(1e-3, Math.sqrt(cb * cb + cr * cr));
        int channel = key[1] >= key[0] && key[1] >= key[2] ? 1 : key[2] >= key[0] ? 2 : 0;
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                double b = cb(c) - cb;
                double r = cr(c) - cr;
                float share = keying.share(Math.sqrt(b * b + r * r) / whole);
                keying.weigh(c, share, key);
                if (!keying.showsMatte()) {
                    float most = Math.max(c[(channel + 1) % 3], c[(channel + 2) % 3]);
                    if (c[channel] > most) {
                        c[channel] += spill * (most - c[channel]);
                    }
                }
            }
        };
    }

    private static float cb(float[] c) {
        return (c[2] - OnColours.luma(c)) / (2 * (1 - KB));
    }

    private static float cr(float[] c) {
        return (c[0] - OnColours.luma(c)) / (2 * (1 - KR));
    }
}
