package aperta.core.proof;

import aperta.core.picture.Bands;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongFunction;
import java.util.function.Supplier;

/** Goes through the frames of a shot several at once: each lane looks at some that follow one another. */
final class Lanes<T> {
    private static final int LANES = 2;
    private static final int STRETCH = 3;

    private final List<LongFunction<T>> lanes = new ArrayList<>();

    /** @param lane makes what looks at frames on one thread */
    Lanes(Supplier<LongFunction<T>> lane) {
        for (int i = 0; i < LANES; i++) {
            lanes.add(lane.get());
        }
    }

    /**
     * Looks at all frames.
     *
     * @param seen is handed what was seen, frame by frame in their order
     * @param goOn asked every few frames
     * @return whether it went on to the end
     */
    boolean look(long length, Bands bands, BooleanSupplier goOn, Consumer<T> seen) {
        int most = LANES * STRETCH;
        List<T> found = new ArrayList<>();
        for (long start = 0; start < length; start += most) {
            if (!goOn.getAsBoolean()) {
                return false;
            }
            long first = start;
            int count = (int) Math.min(most, length - first);
            found.clear();
            for (int i = 0; i < count; i++) {
                found.add(null);
            }
            bands.run(count, STRETCH, (from, to) -> {
                for (int i = from; i < to; i++) {
                    found.set(i, lanes.get(from / STRETCH).apply(first + i));
                }
            });
            found.forEach(seen);
        }
        return true;
    }
}
