package aperta.core.time;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A value over time: {@code rest} where there are no keys; otherwise before the first key the first value, after the
 * last key the last one, and between two keys the way that the earlier one's ease describes.
 *
 * @param keys in rising order of frames, no two on the same frame
 */
public record Animated<T>(T rest, List<Key<T>> keys) {
    public Animated {
        Objects.requireNonNull(rest);
        keys = List.copyOf(keys);
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).at() <= keys.get(i - 1).at()) {
                throw new IllegalArgumentException("Keys must follow one another in time; frame "
                        + keys.get(i).at() + " comes after frame "
                        + keys.get(i - 1).at() + ".");
            }
        }
    }

    public static <T> Animated<T> of(T rest) {
        return new Animated<>(rest, List.of());
    }

    public boolean isKeyed() {
        return !keys.isEmpty();
    }

    /** The value at {@code frame}, which need not be whole. */
    public T at(double frame, Mix<T> mix) {
        if (keys.isEmpty()) {
            return rest;
        }
        if (frame <= keys.get(0).at()) {
            return keys.get(0).value();
        }
        int low = 0;
        int high = keys.size() - 1;
        if (frame >= keys.get(high).at()) {
            return keys.get(high).value();
        }
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            if (keys.get(middle).at() <= frame) {
                low = middle;
            } else {
                high = middle;
            }
        }
        Key<T> from = keys.get(low);
        Key<T> to = keys.get(high);
        double t = (frame - from.at()) / (to.at() - from.at());
        double way = from.ease().at(t);
        return way == 0 ? from.value() : mix.between(from, to, way);
    }

    /** The key on exactly this frame. */
    public Optional<Key<T>> keyAt(long frame) {
        return keys.stream().filter(k -> k.at() == frame).findFirst();
    }

    /** The same with a key on {@code frame}; a key that is already there keeps its ease and takes the value. */
    public Animated<T> withKey(long frame, T value, Ease ease) {
        List<Key<T>> next = new ArrayList<>(keys);
        for (int i = 0; i < next.size(); i++) {
            if (next.get(i).at() == frame) {
                next.set(i, next.get(i).withValue(value));
                return new Animated<>(rest, next);
            }
            if (next.get(i).at() > frame) {
                next.add(i, new Key<>(frame, value, ease));
                return new Animated<>(rest, next);
            }
        }
        next.add(new Key<>(frame, value, ease));
        return new Animated<>(rest, next);
    }

    /** The same without the key on {@code frame}; when the last one goes, its value stays as the resting value. */
    public Animated<T> withoutKey(long frame) {
        List<Key<T>> next = keys.stream().filter(k -> k.at() != frame).toList();
        if (next.isEmpty() && !keys.isEmpty()) {
            return of(keys.get(0).value());
        }
        return new Animated<>(rest, next);
    }

    /** Sets the value as seen at {@code frame}: the resting value, or a key on that frame where there are keys. */
    public Animated<T> set(long frame, T value) {
        return isKeyed() ? withKey(frame, value, Ease.EASE) : of(value);
    }

    /** Every value, resting and keyed, put through {@code change}. */
    public Animated<T> map(UnaryOperator<T> change) {
        return new Animated<>(
                change.apply(rest),
                keys.stream().map(k -> k.withValue(change.apply(k.value()))).toList());
    }
}
