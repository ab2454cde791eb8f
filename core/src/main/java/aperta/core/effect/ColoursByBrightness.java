package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/** Each pixel takes the colour that stands at its brightness on a line of colours, mixed evenly between two. */
final class ColoursByBrightness implements Effect {
    private static final int STEPS = 1 << 10;
    static final int MOST = 8;
    private static final String[] STANDARD = {
        "#0b1620", "#2e4a56", "#d9793b", "#f4e3c1", "#ffffff", "#ffffff", "#ffffff", "#ffffff"
    };

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>();
        all.add(Parameter.whole("count", "Colours", "", 2, MOST, 4));
        for (int i = 0; i < MOST; i++) {
            all.add(Parameter.colour("colour" + (i + 1), "Colour " + (i + 1), Colour.parse(STANDARD[i])));
            all.add(Parameter.number("at" + (i + 1), "Stands at", "%", 0, 1, Math.min(1, i / 3.0)));
        }
        return new Descriptor(
                "colours-by-brightness",
                "Colours by brightness",
                "Each brightness takes its colour from a line of colours.",
                all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float[][] table = table(values);
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                float at = clamped(luma(c)) * STEPS;
                int i = (int) at;
                float t = at - i;
                for (int k = 0; k < 4; k++) {
                    float v = table[k][i] + (table[k][i + 1] - table[k][i]) * t;
                    c[k] = k == 3 ? c[3] * v : v;
                }
            }
        };
    }

    private static float[][] table(Recipe values) {
        int count = (int) values.number("count");
        List<Integer> order = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            order.add(i);
        }
        order.sort((a, b) -> Double.compare(values.number("at" + a), values.number("at" + b)));
        float[][] table = new float[4][STEPS + 2];
        for (int i = 0; i < STEPS + 2; i++) {
            double v = Math.min(1, (double) i / STEPS);
            int n = 0;
            while (n < count && values.number("at" + order.get(n)) <= v) {
                n++;
            }
            int from = order.get(Math.max(0, n - 1));
            int to = order.get(Math.min(count - 1, n));
            double start = values.number("at" + from);
            double span = values.number("at" + to) - start;
            double t = span > 0 ? Math.min(1, Math.max(0, (v - start) / span)) : 0;
            Colour c = values.colour("colour" + from).mix(values.colour("colour" + to), t);
            table[0][i] = (float) c.red();
            table[1][i] = (float) c.green();
            table[2][i] = (float) c.blue();
            table[3][i] = (float) c.alpha();
        }
        return table;
    }
}
