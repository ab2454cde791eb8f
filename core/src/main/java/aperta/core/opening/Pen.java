package aperta.core.opening;

import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Writing;
import aperta.core.time.Ease;
import java.util.List;

/** How the pen of an ink moves: what the opening and the window have in common. */
final class Pen {
    static final List<Parameter> PARAMETERS = List.of(
            Parameter.number("soft", "Soft edge", "px", 0, 1000, 6),
            Parameter.choice("speed", "Speed", "even", "slower in bends"),
            Parameter.choice("each", "Each stroke", "linear", "ease", "ease-in", "ease-out", "ease-in-out"),
            Parameter.number("strokes", "Stroke pause", "px", 0, 10_000, 40),
            Parameter.number("letters", "Letter pause", "px", 0, 10_000, 60),
            Parameter.number("words", "Word pause", "px", 0, 10_000, 120));

    private Pen() {}

    /** @param share of the whole time, from 0 to 1; where an ease goes beyond, those */
    static Writing at(Recipe recipe, double share) {
        return new Writing(
                Math.min(1, Math.max(0, share)),
                recipe.number("soft"),
                recipe.text("speed").equals("slower in bends"),
                ease(recipe.text("each")),
                recipe.number("strokes"),
                recipe.number("letters"),
                recipe.number("words"));
    }

    private static Ease ease(String name) {
        return switch (name) {
            case "ease" -> Ease.EASE;
            case "ease-in" -> Ease.EASE_IN;
            case "ease-out" -> Ease.EASE_OUT;
            case "ease-in-out" -> Ease.EASE_IN_OUT;
            default -> Ease.LINEAR;
        };
    }
}
