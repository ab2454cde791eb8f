package aperta.server;

import java.util.Optional;
import java.util.UUID;

/** Ids as documents and requests name them. */
public final class Ids {
    private Ids() {}

    /** Nothing where the text isn't an id. */
    public static Optional<UUID> of(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
