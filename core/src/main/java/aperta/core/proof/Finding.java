package aperta.core.proof;

import aperta.core.geometry.Box;
import java.util.List;

/**
 * Something that was measured wrong.
 *
 * @param check the kind of the check that found it
 * @param layers the ids of the layers that it is about, the foremost first; none where it is about the whole picture
 * @param from the first frame on which it is so
 * @param to the last one
 * @param place where, in pixels of the shot; empty where it is everywhere
 * @param says one plain sentence with the measure
 */
public record Finding(String check, List<String> layers, long from, long to, Box place, String says) {
    public Finding {
        layers = List.copyOf(layers);
    }
}
