package aperta.core.proof;

import aperta.core.geometry.Box;

/**
 * Something that was measured wrong.
 *
 * @param check the kind of the check that found it
 * @param layer the id of the layer that it is about; empty where it is about the whole picture
 * @param from the first frame on which it is so
 * @param to the last one
 * @param place where, in pixels of the shot; empty where it is everywhere
 * @param says one plain sentence with the measure
 */
public record Finding(String check, String layer, long from, long to, Box place, String says) {}
