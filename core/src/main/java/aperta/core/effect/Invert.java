package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** One minus each chosen channel; {@code feComponentTransfer} with a table of 1, 0 (W3C Filter Effects Module Level 1). */
final class Invert implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "invert",
                "Invert",
                "Turns bright into dark, channel by channel.",
                List.of(
                        Parameter.truth("red", "Red", true),
                        Parameter.truth("green", "Green", true),
                        Parameter.truth("blue", "Blue", true)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        boolean[] which = {values.truth("red"), values.truth("green"), values.truth("blue")};
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                for (int i = 0; i < 3; i++) {
                    c[i] = which[i] ? 1 - clamped(c[i]) : c[i];
                }
            }
        };
    }
}
