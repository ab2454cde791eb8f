package aperta.core.texture;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;

/** All that a texture is made from, as numbers, so that it is told from every other. */
final class Values {
    private Values() {}

    static double[] of(Recipe values, Texture.Setting setting, double... more) {
        List<Double> all = new ArrayList<>();
        values.descriptor().parameters().forEach(p -> {
            Object value = values.value(p.name());
            if (value instanceof Double d) {
                all.add(d);
            } else if (value instanceof Point point) {
                all.addAll(List.of(point.x(), point.y()));
            } else if (value instanceof Colour c) {
                all.addAll(List.of(c.red(), c.green(), c.blue(), c.alpha()));
            } else {
                all.add((double) p.choices().indexOf(value));
            }
        });
        Affine m = setting.toRaster();
        all.addAll(List.of(m.a(), m.b(), m.c(), m.d(), m.e(), m.f(), (double)
                setting.light().ordinal()));
        all.addAll(List.of(
                setting.box().x0(),
                setting.box().y0(),
                setting.box().x1(),
                setting.box().y1()));
        for (double d : more) {
            all.add(d);
        }
        return all.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
