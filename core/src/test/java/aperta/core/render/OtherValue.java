package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import aperta.core.recipe.Parameter;
import java.util.List;

/** Another value of a parameter than its standard one. */
final class OtherValue {
    private OtherValue() {}

    static Object of(Parameter p) {
        return switch (p.kind()) {
            case NUMBER -> number(p, 1);
            case WHOLE -> Math.rint(number(p, 10));
            case ANGLE -> (Double) p.standard() + 25;
            case TRUTH -> !(Boolean) p.standard();
            case CHOICE -> p.choices().get(1);
            case POINT -> ((Point) p.standard()).plus(new Point(9, 6));
            case COLOUR -> new Colour(0.2, 0.7, 0.4, 0.9);
            case CURVE -> new ToneCurve(List.of(new Point(0, 0.3), new Point(1, 0.6)));
            case LAYER, PROPERTY, TRACK, FILE -> throw new IllegalArgumentException(p.name() + " names something.");
        };
    }

    private static double number(Parameter p, double by) {
        double standard = (Double) p.standard();
        boolean counts = p.unit().isEmpty() && p.most() >= 10 && p.least() == 0;
        double more = standard == 0 && p.unit().equals("px")
                ? 5.7
                : standard == 0 ? 0.3 * by : counts && standard < 2 ? standard + 5 : standard * 1.5;
        return more <= p.most() ? more : (standard + p.least()) / 2;
    }
}
