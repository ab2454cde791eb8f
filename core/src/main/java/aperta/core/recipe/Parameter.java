package aperta.core.recipe;

import java.util.List;

/**
 * One parameter of something that is described.
 *
 * @param name unique within its descriptor
 * @param label for people
 * @param unit {@code px}, {@code °}, {@code %} (the value 1 is 100 %), {@code frames}, {@code a second} or nothing
 * @param least and {@code most}: the range of a number
 * @param standard the value where none is given: a Double, a Boolean or a String, by the kind
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

    /** What a value is. */
    public enum Kind {
        NUMBER,
        WHOLE,
        TRUTH,
        CHOICE,
        /** The id of a layer of the shot. */
        LAYER,
        /** The name of a property of the layer that the parameter {@code layer} names. */
        PROPERTY
    }

    public static Parameter number(String name, String label, String unit, double least, double most, double standard) {
        return new Parameter(name, label, Kind.NUMBER, unit, least, most, standard, List.of());
    }

    public static Parameter whole(String name, String label, String unit, double least, double most, double standard) {
        return new Parameter(name, label, Kind.WHOLE, unit, least, most, standard, List.of());
    }

    public static Parameter truth(String name, String label, boolean standard) {
        return new Parameter(name, label, Kind.TRUTH, "", 0, 1, standard, List.of());
    }

    /** The first choice is the standard one. */
    public static Parameter choice(String name, String label, String... choices) {
        return new Parameter(name, label, Kind.CHOICE, "", 0, 0, choices[0], List.of(choices));
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
        switch (kind) {
            case NUMBER, WHOLE -> {
                if (!(value instanceof Double d) || !(d >= least && d <= most)) {
                    throw new IllegalArgumentException("'" + name + "' lies between " + shown(least) + " and "
                            + shown(most) + ", not at " + value + ".");
                }
                if (kind == Kind.WHOLE && d != Math.rint(d)) {
                    throw new IllegalArgumentException("'" + name + "' is a whole number, not " + d + ".");
                }
            }
            case TRUTH -> {
                if (!(value instanceof Boolean)) {
                    throw new IllegalArgumentException("'" + name + "' is true or false, not " + value + ".");
                }
            }
            case CHOICE -> {
                if (!choices.contains(value)) {
                    throw new IllegalArgumentException(
                            "'" + name + "' is one of " + String.join(", ", choices) + ", not " + value + ".");
                }
            }
            default -> {
                if (!(value instanceof String)) {
                    throw new IllegalArgumentException("'" + name + "' is a name, not " + value + ".");
                }
            }
        }
        return value;
    }

    private static String shown(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }
}
