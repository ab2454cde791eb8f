package aperta.core.effect;

import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Light;
import java.util.List;

/** Each stop doubles the amount of light; what was brighter than white may stay so. */
final class Exposure implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "exposure",
                "Exposure",
                "Doubles the light for each stop.",
                List.of(Parameter.number("stops", "Stops", "", -20, 20, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public boolean isLight() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float by = (float) StrictMath.pow(2, values.number("stops"));
        // A shot that is mixed in display values means those of sRGB.
        Transfer curve = Transfer.of(setting.light() == Light.DISPLAY ? Light.LINEAR_SRGB : setting.light());
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                for (int i = 0; i < 3; i++) {
                    c[i] = curve.toDisplay(curve.toLight(c[i]) * by);
                }
            }
        };
    }
}
