package aperta.core.proof;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Optional;

/**
 * A figure that is cut out of a clip changes its area steadily: where it is larger or smaller on one frame than on the ones
 * beside it, its edge jumps.
 */
public final class FigureJumps implements Check {
    private static final String KIND = "figure-jumps";
    private static final String MOST = "most";
    /** What covers less of the picture may change as it will. */
    private static final double SMALL = 0.0005;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                KIND,
                "A figure's edge is steady",
                "The area of a figure that is cut out doesn't change suddenly from frame to frame.",
                List.of(Parameter.number(MOST, "Most change", "%", 0.01, 1, 0.12)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        double most = recipe.number(MOST);
        return new Watch() {
            private final Spells<String> spells = new Spells<>(KIND);

            @Override
            public void see(Look look) {
                SeenFigures.seen(look, (layer, carried) -> {
                    long frame = SeenFigures.frame(look, layer, carried);
                    Optional<Double> before = carried.area(frame - 1);
                    Optional<Double> now = carried.area(frame);
                    Optional<Double> after = carried.area(frame + 1);
                    if (before.isEmpty() || now.isEmpty() || after.isEmpty()) {
                        return;
                    }
                    double between = (before.get() + after.get()) / 2;
                    double jump = Math.abs(now.get() - between) / Math.max(now.get(), between);
                    boolean there = Math.min(before.get(), after.get()) > SMALL;
                    if (there && jump > most) {
                        spells.note(
                                List.of(layer.id()),
                                look.frame(),
                                layer.name(),
                                jump,
                                SeenFigures.place(look, layer, carried));
                    }
                });
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(name ->
                        "The area of '" + name + "' jumps here: brush it on one of these frames, and carry it.");
            }
        };
    }
}
