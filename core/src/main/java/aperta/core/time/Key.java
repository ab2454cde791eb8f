package aperta.core.time;

import java.util.Objects;
import java.util.Optional;

/**
 * A value at a frame, and how it goes on from there to the next key.
 *
 * @param at the frame, counted from the start of the layer's own time
 * @param ease the way from this key to the next; that of the last key is kept but has no effect
 * @param out where it is a point: the handle of the path that leaves this key, relative to the value
 * @param in where it is a point: the handle of the path that arrives at this key, relative to the value
 */
public record Key<T>(long at, T value, Ease ease, Optional<T> out, Optional<T> in) {
    public Key {
        Objects.requireNonNull(value);
        Objects.requireNonNull(ease);
    }

    public Key(long at, T value, Ease ease) {
        this(at, value, ease, Optional.empty(), Optional.empty());
    }

    public Key<T> withValue(T other) {
        return new Key<>(at, other, ease, out, in);
    }

    public Key<T> movedTo(long frame) {
        return new Key<>(frame, value, ease, out, in);
    }
}
