package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opener;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a pen has written of it so far. */
final class WrittenSoFar implements Window {
    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>();
        all.add(Parameter.number(AMOUNT, "Written", "%", 0, 1, 1));
        all.addAll(Pen.PARAMETERS);
        return new Descriptor("ink", "Ink", "Written by a pen, as far as one likes.", all);
    }

    @Override
    public Opener.Window at(Recipe recipe, Opener.Subject subject) {
        double amount = recipe.number(AMOUNT);
        return amount == 1 ? Opener.Window.OPEN : new Opener.Window(List.of(), Optional.of(Pen.at(recipe, amount)));
    }
}
