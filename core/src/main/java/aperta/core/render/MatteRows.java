package aperta.core.render;

import aperta.core.picture.Matte;

/** Hands out parts of mattes that were made before. */
final class MatteRows {
    private MatteRows() {}

    static void copy(Matte made, Matte into) {
        if (!made.domain().contains(into.domain())) {
            into.fill(0);
        }
        into.copyFrom(made);
    }
}
