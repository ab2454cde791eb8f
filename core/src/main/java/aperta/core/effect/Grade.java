package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/**
 * Slope, offset and power of each channel, then saturation, on values as the display is told them: the ASC Color Decision
 * List, version 1.2. {@code out = clamp(in · slope + offset) ^ power}; {@code luma + saturation · (out − luma)}, with the
 * weights of BT.709, clamped again.
 */
final class Grade implements Effect {
    private static final String[] CHANNELS = {"Red", "Green", "Blue"};

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>();
        for (String c : CHANNELS) {
            all.add(Parameter.number("slope" + c, c + " slope", "×", 0, 10, 1));
        }
        for (String c : CHANNELS) {
            all.add(Parameter.number("offset" + c, c + " offset", "", -1, 1, 0));
        }
        for (String c : CHANNELS) {
            all.add(Parameter.number("power" + c, c + " power", "", 0.05, 10, 1));
        }
        all.add(Parameter.number("saturation", "Saturation", "%", 0, 4, 1));
        return new Descriptor(
                "grade", "Grade", "Slope, offset and power of each channel, and saturation, as the ASC CDL says.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float[] slope = new float[3];
        float[] offset = new float[3];
        Powers[] power = new Powers[3];
        for (int i = 0; i < 3; i++) {
            slope[i] = (float) values.number("slope" + CHANNELS[i]);
            offset[i] = (float) values.number("offset" + CHANNELS[i]);
            power[i] = new Powers(values.number("power" + CHANNELS[i]));
        }
        float saturation = (float) values.number("saturation");
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                for (int i = 0; i < 3; i++) {
                    c[i] = power[i].of(clamped(c[i] * slope[i] + offset[i]));
                }
                float luma = luma(c);
                for (int i = 0; i < 3; i++) {
                    c[i] = clamped(luma + saturation * (c[i] - luma));
                }
            }
        };
    }
}
