package aperta.core.effect;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BlendMode;
import java.util.ArrayList;
import java.util.List;

/** The layer as it was some frames ago, several times, each weaker by the same share, below what it is now. */
final class Afterimage implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "afterimage",
                "Afterimage",
                "What it was some frames ago, fading.",
                List.of(
                        Parameter.whole("count", "Images", "", 1, 16, 5),
                        Parameter.number("apart", "Frames apart", "frames", 0.25, 240, 2),
                        Parameter.number("fade", "Each is left", "%", 0, 1, 0.6)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.TIME;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        int count = (int) values.number("count");
        double apart = values.number("apart");
        double fade = values.number("fade");
        List<Worked.Ask> asks = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            asks.add(new Worked.Ask.Ago(i * apart));
        }
        return new Reaching(0, Numbers.of(values).array()) {
            @Override
            public List<Ask> asks() {
                return asks;
            }

            @Override
            public Picture made(Given g) {
                Picture result = new Picture(g.region());
                for (int i = count; i >= 1; i--) {
                    Picture old = new Picture(
                            g.region().intersect(g.others().get(i - 1).domain()));
                    Compose.copy(old, g.others().get(i - 1));
                    Compose.fade(old, (float) StrictMath.pow(fade, i));
                    Compose.over(result, old, BlendMode.NORMAL);
                }
                Compose.over(result, g.input(), BlendMode.NORMAL);
                return result;
            }
        };
    }
}
