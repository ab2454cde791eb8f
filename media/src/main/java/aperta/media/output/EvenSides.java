package aperta.media.output;

import aperta.core.shot.Format;
import java.util.Optional;

/** What 4:2:0 demands of a picture. */
final class EvenSides {
    private EvenSides() {}

    static Optional<String> demanded(String who, Format format) {
        return format.width() % 2 == 0 && format.height() % 2 == 0
                ? Optional.empty()
                : Optional.of(who + " needs an even width and height, not " + format.width() + " × " + format.height()
                        + "; write PNG frames instead, or change the shot's size.");
    }
}
