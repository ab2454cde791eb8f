package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Optional;

/** Colours by a table from a {@code .cube} file, on values as the display is told them. */
final class ColourTable implements Effect {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "colour-table",
                "Colour table",
                "Colours by a table from a .cube file.",
                List.of(
                        Parameter.reference("file", "Table", Parameter.Kind.FILE),
                        Parameter.choice("between", "Between its entries", "tetrahedral", "trilinear")));
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Optional<CubeTable> table = setting.tables().table(values.text("file"));
        boolean tetrahedral = values.text("between").equals("tetrahedral");
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                table.ifPresent(t -> t.apply(c, tetrahedral));
            }

            @Override
            public double[] numbers() {
                return Numbers.of(values)
                        .and(setting.light().ordinal())
                        .and(table.map(CubeTable::numbers).orElse(new double[0]))
                        .array();
            }
        };
    }
}
