package aperta.core.opening;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Letters, words, lines, or the layers of a group, one after another. */
public final class Cascade implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "cascade",
                "Cascade",
                "Letters, words or lines come one after another.",
                List.of(
                        Parameter.choice("by", "By", "letters", "words", "lines"),
                        Stagger.ORDER,
                        Stagger.OVERLAP,
                        Parameter.number("x", "From, across", "px", -1e5, 1e5, 0),
                        Parameter.number("y", "From, down", "px", -1e5, 1e5, 80),
                        Parameter.number("turn", "Turned", "°", -3600, 3600, 0),
                        Parameter.number("scale", "Scaled", "%", 0, 100, 1),
                        Parameter.number("blur", "Blurred", "px", 0, 200, 0),
                        Parameter.truth("fade", "Fades", true),
                        Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        return new Opened(Pose.REST, List.of(), List.of(), Optional.of(new Row(recipe, way)));
    }

    private record Row(Recipe recipe, Passage.Way way) implements Opened.Pieces {
        @Override
        public Opened.Unit unit() {
            return Opened.Unit.valueOf(recipe.text("by").toUpperCase(Locale.ROOT));
        }

        @Override
        public Pose of(int index, int count) {
            double scale = recipe.number("scale");
            Pose away = new Pose(
                    new Point(recipe.number("x"), recipe.number("y")),
                    new Point(scale, scale),
                    recipe.number("turn"),
                    recipe.truth("fade") ? 0 : 1,
                    recipe.number("blur"),
                    0);
            return away.towardsRest(Stagger.of(recipe).share(way, index, count));
        }
    }
}
