package aperta.core.effect;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** Holds the layer's picture, with its place and all that moves in it, for so many frames. */
final class EveryNthFrame implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "every-nth-frame",
                "Every nth frame",
                "Holds each picture for some frames.",
                List.of(Parameter.whole("frames", "Holds", "frames", 1, 240, 3)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.TIME;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        double frames = values.number("frames");
        double held = Math.floor(setting.frame() / frames + 1e-9) * frames;
        double ago = setting.frame() - held;
        return new Reaching(0, new double[] {ago}) {
            @Override
            public List<Ask> asks() {
                return ago < 1e-9 ? List.of() : List.of(new Ask.Ago(ago));
            }

            @Override
            public Picture made(Given g) {
                Picture result = new Picture(g.region());
                Compose.copy(
                        result, g.others().isEmpty() ? g.input() : g.others().get(0));
                return result;
            }
        };
    }
}
