package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/**
 * Takes away what is as in a clean plate, a layer that shows the same without what is to stay: by the largest difference of the
 * three channels. The plate is taken out of what is half in front of it.
 */
final class DifferenceKey implements Effect {
    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>(List.of(
                Parameter.reference("plate", "Clean plate", Parameter.Kind.LAYER), Keying.TOLERANCE, Keying.SOFTNESS));
        all.addAll(Keying.ends());
        return new Descriptor("difference-key", "Difference key", "Takes away what is as in a clean plate.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.KEY;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        String plate = values.text("plate");
        Keying keying = Keying.of(values);
        Transfer transfer = Transfer.of(setting.light());
        double[] numbers = Numbers.of(values)
                .and(map.a(), map.b(), map.c(), map.d(), setting.light().ordinal())
                .array();
        return new Worked.Around() {
            @Override
            public double[] numbers() {
                return numbers;
            }

            @Override
            public Region domain(Region input) {
                return input;
            }

            @Override
            public Region needs(Region wanted) {
                return wanted;
            }

            @Override
            public List<Ask> asks() {
                return plate.isEmpty() ? List.of() : List.of(new Ask.Layer(plate));
            }

            @Override
            public Picture made(Given g) {
                Picture result = new Picture(g.region());
                Compose.copy(result, g.input());
                if (g.others().isEmpty()) {
                    return result;
                }
                Picture clean = new Picture(g.region());
                Compose.copy(clean, g.others().get(0));
                g.bands().run(g.region().height(), 16, (from, to) -> {
                    for (int y = g.region().y() + from; y < g.region().y() + to; y++) {
                        row(result, clean, y);
                    }
                });
                return result;
            }

            private void row(Picture result, Picture clean, int y) {
                Region r = result.domain();
                float[][] p = result.planes();
                float[][] q = clean.planes();
                float[] c = new float[4];
                float[] back = new float[3];
                int at = result.index(r.x(), y);
                for (int i = at; i < at + r.width(); i++) {
                    float a = p[3][i];
                    if (a <= 0) {
                        continue;
                    }
                    double distance = 0;
                    for (int k = 0; k < 3; k++) {
                        c[k] = transfer.toDisplay(p[k][i] / a);
                        back[k] = q[3][i] > 0 ? transfer.toDisplay(q[k][i] / q[3][i]) : 0;
                        distance = Math.max(distance, Math.abs(c[k] - back[k]));
                    }
                    c[3] = a;
                    // Where the plate has nothing, all stays.
                    keying.weigh(c, q[3][i] > 0 ? keying.share(distance) : 1, back);
                    for (int k = 0; k < 3; k++) {
                        p[k][i] = transfer.toLight(c[k]) * c[3];
                    }
                    p[3][i] = c[3];
                }
            }
        };
    }
}
