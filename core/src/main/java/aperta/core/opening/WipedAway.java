package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opener;
import java.util.List;

/** What lies before an edge that travels over the layer. */
final class WipedAway implements Window {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "wipe",
                "Wipe",
                "An edge over it, as far as one likes.",
                List.of(
                        Parameter.number(AMOUNT, "Uncovered", "%", 0, 1, 1),
                        Parameter.number("angle", "Towards", "°", -3600, 3600, 0),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0)));
    }

    @Override
    public Opener.Window at(Recipe recipe, Opener.Subject subject) {
        double amount = recipe.number(AMOUNT);
        return amount == 1
                ? Opener.Window.OPEN
                : Opener.Window.of(Edges.wiped(
                        subject.box(), Edges.towards(recipe.number("angle")), recipe.number("feather"), amount));
    }
}
