package aperta.core.proof;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import java.util.List;

/** A figure that is cut out of a clip matters only where it is known: elsewhere nothing of it is seen, and it hides nothing. */
public final class BeyondFigure implements Check {
    private static final String KIND = "beyond-figure";

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                KIND,
                "Only where the figure is known",
                "What is put behind a figure isn't seen where the figure wasn't carried as far as that.",
                List.of());
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<String> spells = new Spells<>(KIND);

            @Override
            public void see(Look look) {
                SeenFigures.seen(look, (layer, carried) -> {
                    if (!carried.covers(SeenFigures.frame(look, layer, carried))) {
                        spells.note(
                                List.of(layer.id()),
                                look.frame(),
                                layer.name(),
                                0,
                                SeenFigures.place(look, layer, carried));
                    }
                });
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(name -> "'" + name + "' wasn't carried as far as these frames.");
            }
        };
    }
}
