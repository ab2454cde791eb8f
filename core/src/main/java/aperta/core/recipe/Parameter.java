package aperta.core.recipe;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import java.util.List;

/**
 * One parameter of something that is described.
 *
 * @param name unique within its descriptor
 * @param label for people
 * @param unit {@code px}, {@code °}, {@code %} (the value 1 is 100 %), {@code frames}, {@code a second} or nothing
 * @param least and {@code most}: the range of a number, or of both numbers of a point
 * @param standard the value where none is given, of the kind's type
 * @param choices the words that a choice is made from
 */
public record Parameter(
        String name,
        String label,
        Kind kind,
        String unit,
        double least,
        double most,
        Object standard,
        List<String> choices) {

    /** The name of points that are no places but ways: by how much a pattern is moved. */
    public static final String DRIFT = "drift";

    /** What a value is. */
    public enum Kind {
        NUMBER(Double.class, true),
        /** A whole number; between two keys it goes in steps. */
        WHOLE(Double.class, true),
        /** In degrees; whole turns count. */
        ANGLE(Double.class, true),
        TRUTH(Boolean.class, false),
        CHOICE(String.class, false),
        /** A point of the layer's own space. */
        POINT(Point.class, true),
        COLOUR(Colour.class, true),
        /** Values over values, both 0 to 1. */
        CURVE(ToneCurve.class, true),
        /** The id of a layer of the shot; empty for none. */
        LAYER(String.class, false),
        /** The name of a property of the layer that the parameter {@code layer} names. */
        PROPERTY(String.class, false),
        /** The id of a track of the clip that the parameter {@code layer} names. */
        TRACK(String.class, false),
        /** The id of a file of the project; empty for none. */
        FILE(String.class, false);

        private final Class<?> type;
        private final boolean moves;

        Kind(Class<?> type, boolean moves) {
            this.type = type;
            this.moves = moves;
        }

        /** Whether there is a middle between two values, so that it can be keyed. */
        public boolean moves() {
            return moves;
        }
    }

    public static Parameter number(String name, String label, String unit, double least, double most, double standard) {
        return new Parameter(name, label, Kind.NUMBER, unit, least, most, standard, List.of());
    }

    public static Parameter whole(String name, String label, String unit, double least, double most, double standard) {
        return new Parameter(name, label, Kind.WHOLE, unit, least, most, standard, List.of());
    }

    /** Turns of up to a hundred times round. */
    public static Parameter angle(String name, String label, double standard) {
        return new Parameter(name, label, Kind.ANGLE, "°", -36_000, 36_000, standard, List.of());
    }

    public static Parameter truth(String name, String label, boolean standard) {
        return new Parameter(name, label, Kind.TRUTH, "", 0, 1, standard, List.of());
    }

    /** The first choice is the standard one. */
    public static Parameter choice(String name, String label, String... choices) {
        return new Parameter(name, label, Kind.CHOICE, "", 0, 0, choices[0], List.of(choices));
    }

    public static Parameter point(String name, String label, Point standard) {
        return new Parameter(name, label, Kind.POINT, "px", -1e6, 1e6, standard, List.of());
    }

    public static Parameter colour(String name, String label, Colour standard) {
        return new Parameter(name, label, Kind.COLOUR, "", 0, 1, standard, List.of());
    }

    public static Parameter curve(String name, String label) {
        return new Parameter(name, label, Kind.CURVE, "", 0, 1, ToneCurve.STRAIGHT, List.of());
    }

    public static Parameter reference(String name, String label, Kind kind) {
        return new Parameter(name, label, kind, "", 0, 0, "", List.of());
    }

    /**
     * The value, checked.
     *
     * @throws IllegalArgumentException with a plain sentence where it isn't one of this parameter
     */
    Object checked(Object value) {
        if (!kind.type.isInstance(value)) {
            throw new IllegalArgumentException("'" + name + "' is " + said() + ", not " + value + ".");
        }
        if (value instanceof Double d) {
            inRange(d);
            if (kind == Kind.WHOLE && d != Math.rint(d)) {
                throw new IllegalArgumentException("'" + name + "' is a whole number, not " + d + ".");
            }
        } else if (value instanceof Point p) {
            inRange(p.x());
            inRange(p.y());
        } else if (kind == Kind.CHOICE && !choices.contains(value)) {
            throw new IllegalArgumentException(
                    "'" + name + "' is one of " + String.join(", ", choices) + ", not " + value + ".");
        }
        return value;
    }

    private void inRange(double d) {
        if (!(d >= least && d <= most)) {
            throw new IllegalArgumentException(
                    "'" + name + "' lies between " + shown(least) + " and " + shown(most) + ", not at " + d + ".");
        }
    }

    private String said() {
        return switch (kind) {
            case NUMBER, ANGLE -> "a number";
            case WHOLE -> "a whole number";
            case TRUTH -> "true or false";
            case POINT -> "a point";
            case COLOUR -> "a colour";
            case CURVE -> "a curve of values";
            case CHOICE, LAYER, PROPERTY, TRACK, FILE -> "a name";
        };
    }

    private static String shown(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }
}
