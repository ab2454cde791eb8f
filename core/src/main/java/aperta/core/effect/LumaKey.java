package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/** Takes the dark away, or the bright: the luma of BT.709 along a ramp is how much stays. */
final class LumaKey implements Effect {
    private static final String DARK = "the dark";

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>(List.of(
                Parameter.choice("away", "Takes away", DARK, "the bright"),
                Parameter.number("level", "Level", "%", 0, 1, 0.2),
                Parameter.number("softness", "Softness", "%", 0.001, 1, 0.2)));
        all.addAll(Keying.ends());
        return new Descriptor("luma-key", "Luma key", "Takes the dark away, or the bright.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.KEY;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        boolean dark = values.text("away").equals(DARK);
        double level = values.number("level");
        double softness = values.number("softness");
        // The ramp's middle is the level.
        double from = (dark ? level : 1 - level) - softness / 2;
        Keying keying = Keying.of(from, softness, values);
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                float luma = luma(c);
                keying.weigh(c, keying.share(dark ? luma : 1 - luma), null);
            }
        };
    }
}
