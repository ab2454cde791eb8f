package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** What is brighter than a level takes one colour, the rest another; a softness lets the one pass into the other evenly. */
final class Threshold implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "threshold",
                "Threshold",
                "Two colours: one for what is brighter than a level, one for the rest.",
                List.of(
                        Parameter.number("level", "Level", "%", 0, 1, 0.5),
                        Parameter.number("softness", "Softness", "%", 0, 1, 0),
                        Parameter.colour("bright", "Bright", Colour.WHITE),
                        Parameter.colour("dark", "Dark", Colour.BLACK)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float level = (float) values.number("level");
        float softness = (float) values.number("softness");
        float[] bright = parts(values.colour("bright"));
        float[] dark = parts(values.colour("dark"));
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                float luma = luma(c);
                float t = softness == 0 ? (luma >= level ? 1 : 0) : clamped((luma - level) / softness + 0.5f);
                float a = c[3];
                for (int i = 0; i < 4; i++) {
                    c[i] = dark[i] + (bright[i] - dark[i]) * t;
                }
                c[3] *= a;
            }
        };
    }

    private static float[] parts(Colour c) {
        return new float[] {(float) c.red(), (float) c.green(), (float) c.blue(), (float) c.alpha()};
    }
}
