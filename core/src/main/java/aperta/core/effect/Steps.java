package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * Each channel takes one of so many values, evenly apart: {@code feComponentTransfer} of the type {@code discrete} (W3C Filter
 * Effects Module Level 1).
 */
final class Steps implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "steps",
                "Steps",
                "Leaves only so many values of each channel.",
                List.of(Parameter.whole("count", "Steps", "", 2, 256, 5)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        int count = (int) values.number("count");
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                for (int i = 0; i < 3; i++) {
                    c[i] = Math.min(count - 1, (int) (clamped(c[i]) * count)) / (count - 1f);
                }
            }
        };
    }
}
