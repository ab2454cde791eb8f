package aperta.core.time;

import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A value over time: {@code rest} where there are no keys; otherwise between two keys the way that the earlier one's
 * ease describes, and beyond them as {@code before} and {@code after} say. Signals are added by whoever knows the rest
 * of the shot ({@link aperta.core.shot.Moment}).
 *
 * @param keys in rising order of frames, no two on the same frame
 */
public record Animated<T>(T rest, List<Key<T>> keys, Beyond before, Beyond after, List<Recipe> signals) {
    public static final int MOST_KEYS = 100_000;
    public static final int MOST_SIGNALS = 32;

    public Animated {
        Objects.requireNonNull(rest);
        Objects.requireNonNull(before);
        Objects.requireNonNull(after);
        keys = List.copyOf(keys);
        signals = List.copyOf(signals);
        if (keys.size() > MOST_KEYS || signals.size() > MOST_SIGNALS) {
            throw new IllegalArgumentException(
                    "A value has at most " + MOST_KEYS + " keys and " + MOST_SIGNALS + " signals.");
        }
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).at() <= keys.get(i - 1).at()) {
                throw new IllegalArgumentException("Keys must follow one another in time; frame "
                        + keys.get(i).at() + " comes after frame "
                        + keys.get(i - 1).at() + ".");
            }
        }
    }

    public Animated(T rest, List<Key<T>> keys) {
        this(rest, keys, Beyond.HOLD, Beyond.HOLD, List.of());
    }

    public static <T> Animated<T> of(T rest) {
        return new Animated<>(rest, List.of());
    }

    public boolean isKeyed() {
        return !keys.isEmpty();
    }

    /** Whether it ever changes. */
    public boolean isStill() {
        return keys.isEmpty() && signals.isEmpty();
    }

    public Animated<T> withKeys(List<Key<T>> other) {
        return new Animated<>(rest, other, before, after, signals);
    }

    public Animated<T> withRest(T other) {
        return new Animated<>(other, keys, before, after, signals);
    }

    public Animated<T> withBeyond(Beyond otherBefore, Beyond otherAfter) {
        return new Animated<>(rest, keys, otherBefore, otherAfter, signals);
    }

    public Animated<T> withSignals(List<Recipe> other) {
        return new Animated<>(rest, keys, before, after, other);
    }

    /** The value at {@code frame}, which need not be whole, without its signals. */
    public T at(double frame, Mix<T> mix) {
        if (keys.isEmpty()) {
            return rest;
        }
        Key<T> first = keys.get(0);
        Key<T> last = keys.get(keys.size() - 1);
        if (keys.size() == 1) {
            return first.value();
        }
        if (frame < first.at()) {
            return beyond(before, frame, first, last, mix);
        }
        if (frame > last.at()) {
            return beyond(after, frame, first, last, mix);
        }
        return within(frame, mix);
    }

    private T beyond(Beyond how, double frame, Key<T> first, Key<T> last, Mix<T> mix) {
        boolean early = frame < first.at();
        double length = last.at() - first.at();
        double away = frame - first.at();
        return switch (how) {
            case HOLD -> early ? first.value() : last.value();
            case LOOP -> within(first.at() + away - length * Math.floor(away / length), mix);
            case THERE_AND_BACK -> {
                double turn = away - 2 * length * Math.floor(away / (2 * length));
                yield within(first.at() + (turn <= length ? turn : 2 * length - turn), mix);
            }
            case CONTINUE -> {
                Key<T> from = keys.get(early ? 0 : keys.size() - 2);
                Key<T> to = keys.get(early ? 1 : keys.size() - 1);
                double t = (frame - (early ? from.at() : to.at())) / (to.at() - from.at());
                double way = early
                        ? t * from.ease().speedAtStart()
                        : 1 + t * from.ease().speedAtEnd();
                yield mix.beyond(from, to, way);
            }
        };
    }

    /** At a frame from the first to the last of at least two keys. */
    private T within(double frame, Mix<T> mix) {
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
        while (low > 0 && keys.get(low).loose()) {
            low--;
        }
        while (high < keys.size() - 1 && keys.get(high).loose()) {
            high++;
        }
        Key<T> from = keys.get(low);
        Key<T> to = keys.get(high);
        double way = from.ease().at((frame - from.at()) / (to.at() - from.at()));
        if (high - low > 1) {
            return along(low, high, way, mix);
        }
        return way == 0 ? from.value() : mix.between(from, to, way);
    }

    /** A share of the whole way through several keys, by its length. */
    private T along(int low, int high, double way, Mix<T> mix) {
        double[] until = lengths(low, high, mix);
        double wanted = way * until[high - low];
        int i = 1;
        while (i < high - low && until[i] < wanted) {
            i++;
        }
        double piece = until[i] - until[i - 1];
        double share = piece > 0 ? (wanted - until[i - 1]) / piece : 0;
        return mix.between(keys.get(low + i - 1), keys.get(low + i), share);
    }

    private double[] lengths(int low, int high, Mix<T> mix) {
        double[] until = new double[high - low + 1];
        for (int i = 1; i < until.length; i++) {
            until[i] = until[i - 1] + mix.length(keys.get(low + i - 1), keys.get(low + i));
        }
        return until;
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
                return withKeys(next);
            }
            if (next.get(i).at() > frame) {
                next.add(i, new Key<>(frame, value, ease));
                return withKeys(next);
            }
        }
        next.add(new Key<>(frame, value, ease));
        return withKeys(next);
    }

    /** The same without the key on {@code frame}; when the last one goes, its value stays as the resting value. */
    public Animated<T> withoutKey(long frame) {
        List<Key<T>> next = keys.stream().filter(k -> k.at() != frame).toList();
        if (next.isEmpty() && !keys.isEmpty()) {
            return new Animated<>(keys.get(0).value(), next, Beyond.HOLD, Beyond.HOLD, signals);
        }
        return withKeys(next);
    }

    /** Sets the value as seen at {@code frame}: the resting value, or a key on that frame where there are keys. */
    public Animated<T> set(long frame, T value) {
        return isKeyed() ? withKey(frame, value, Ease.EASE) : withRest(value);
    }

    /** Every value, resting and keyed, put through {@code change}. */
    public Animated<T> map(UnaryOperator<T> change) {
        return withRest(change.apply(rest))
                .withKeys(keys.stream()
                        .map(k -> k.withValue(change.apply(k.value())))
                        .toList());
    }
}
