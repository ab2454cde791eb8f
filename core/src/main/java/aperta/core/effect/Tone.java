package aperta.core.effect;

import aperta.core.colour.ToneCurve;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Levels, then curves: what lies between black and white is brought to 0 to 1 and to a power, so that what was {@code middle}
 * between them becomes one half, and laid between the darkest and the brightest; then each channel goes through the curve of
 * all and through its own. Alpha has a curve of its own.
 */
final class Tone implements Effect {
    private static final int STEPS = 1 << 12;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "tone",
                "Tone",
                "Levels and curves of brightness, of each channel, and of alpha.",
                List.of(
                        Parameter.number("black", "Black", "%", 0, 1, 0),
                        Parameter.number("white", "White", "%", 0, 1, 1),
                        Parameter.number("middle", "Middle", "%", 0.01, 0.99, 0.5),
                        Parameter.number("darkest", "Darkest", "%", 0, 1, 0),
                        Parameter.number("brightest", "Brightest", "%", 0, 1, 1),
                        Parameter.curve("all", "All"),
                        Parameter.curve("red", "Red"),
                        Parameter.curve("green", "Green"),
                        Parameter.curve("blue", "Blue"),
                        Parameter.curve("alpha", "Alpha")));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float black = (float) values.number("black");
        float range = (float) Math.max(1e-6, values.number("white") - black);
        Powers power = new Powers(Math.log(0.5) / Math.log(values.number("middle")));
        float darkest = (float) values.number("darkest");
        float brightest = (float) values.number("brightest");
        float[] all = table(values.curve("all"));
        float[][] own = {table(values.curve("red")), table(values.curve("green")), table(values.curve("blue"))};
        float[] alpha = table(values.curve("alpha"));
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                for (int i = 0; i < 3; i++) {
                    float v = power.of(clamped((c[i] - black) / range));
                    c[i] = read(own[i], read(all, clamped(darkest + v * (brightest - darkest))));
                }
                c[3] = read(alpha, clamped(c[3]));
            }
        };
    }

    private static float[] table(ToneCurve curve) {
        float[] table = new float[curve.isStraight() ? 0 : STEPS + 2];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) Math.min(1, Math.max(0, curve.at(Math.min(1, (double) i / STEPS))));
        }
        return table;
    }

    private static float read(float[] table, float v) {
        if (table.length == 0) {
            return v;
        }
        float at = v * STEPS;
        int i = (int) at;
        return table[i] + (table[i + 1] - table[i]) * (at - i);
    }
}
