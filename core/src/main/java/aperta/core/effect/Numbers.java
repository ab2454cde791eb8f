package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/** All that an effect or a texture is made from, as numbers, so that it is told from every other. */
public final class Numbers {
    private final List<Double> all = new ArrayList<>();

    private Numbers() {}

    /** The values of a recipe; layers and files speak for themselves by what they hold. */
    public static Numbers of(Recipe values) {
        Numbers n = new Numbers();
        for (Parameter p : values.descriptor().parameters()) {
            n.add(p, values.value(p.name()));
        }
        return n;
    }

    private void add(Parameter parameter, Object value) {
        if (value instanceof Double d) {
            all.add(d);
        } else if (value instanceof Boolean b) {
            all.add(b ? 1.0 : 0.0);
        } else if (value instanceof Point p) {
            all.addAll(List.of(p.x(), p.y()));
        } else if (value instanceof Colour c) {
            all.addAll(List.of(c.red(), c.green(), c.blue(), c.alpha()));
        } else if (value instanceof ToneCurve curve) {
            all.add((double) curve.points().size());
            curve.points().forEach(p -> all.addAll(List.of(p.x(), p.y())));
        } else if (parameter.kind() == Parameter.Kind.CHOICE) {
            all.add((double) parameter.choices().indexOf(value));
        }
    }

    public Numbers and(double... more) {
        for (double d : more) {
            all.add(d);
        }
        return this;
    }

    public Numbers and(Affine map) {
        return and(map.a(), map.b(), map.c(), map.d(), map.e(), map.f());
    }

    public double[] array() {
        return all.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
