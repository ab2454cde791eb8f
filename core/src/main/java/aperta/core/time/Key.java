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
 * @param loose gives up its own time, so that the speed between the keys before and after that keep theirs is even
 *     along the path, but for their ease; without effect at the first and the last key
 */
public record Key<T>(long at, T value, Ease ease, Optional<T> out, Optional<T> in, boolean loose) {
    public Key {
        Objects.requireNonNull(value);
        Objects.requireNonNull(ease);
    }

    public Key(long at, T value, Ease ease) {
        this(at, value, ease, Optional.empty(), Optional.empty(), false);
    }

    public Key<T> withValue(T other) {
        return new Key<>(at, other, ease, out, in, loose);
    }

    public Key<T> movedTo(long frame) {
        return new Key<>(frame, value, ease, out, in, loose);
    }

    public Key<T> withEase(Ease other) {
        return new Key<>(at, value, other, out, in, loose);
    }

    /** The same with other handles of its path. */
    public Key<T> withHandles(Optional<T> otherOut, Optional<T> otherIn) {
        return new Key<>(at, value, ease, otherOut, otherIn, loose);
    }

    public Key<T> withLoose(boolean other) {
        return new Key<>(at, value, ease, out, in, other);
    }
}
