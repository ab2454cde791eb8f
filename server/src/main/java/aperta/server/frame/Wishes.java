package aperta.server.frame;

import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;

/** Reads the fields of what a window says; what isn't as it must be is a plain sentence. */
final class Wishes {
    private Wishes() {}

    static double number(JsonObject wish, String name) {
        if (wish.get(name) instanceof JsonNumber n && Double.isFinite(n.doubleValue())) {
            return n.doubleValue();
        }
        throw new IllegalArgumentException("A wish needs '" + name + "', a number.");
    }

    static long whole(JsonObject wish, String name) {
        double number = number(wish, name);
        if (number != Math.rint(number) || Math.abs(number) > 1e12) {
            throw new IllegalArgumentException("A wish needs '" + name + "', a whole number.");
        }
        return (long) number;
    }

    /** @param usual where nothing is said */
    static long whole(JsonObject wish, String name, long usual) {
        return wish.containsKey(name) ? whole(wish, name) : usual;
    }
}
