package aperta.core.render;

import aperta.core.picture.Region;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** Results by content key, the least recently used dropped first, bounded in bytes. */
public final class RecentCache implements Cache {
    private record Kept(Region region, Object result, long bytes) {}

    private final long limit;
    private final Map<ContentKey, Kept> kept = new LinkedHashMap<>(64, 0.75f, true);
    private long bytes;

    /** @param limit in bytes; 0 keeps nothing */
    public RecentCache(long limit) {
        this.limit = limit;
    }

    @Override
    public synchronized <T> Optional<T> find(Step.Made<T> step, Region needed) {
        Kept found = kept.get(step.key());
        if (found == null || !found.region.contains(needed)) {
            return Optional.empty();
        }
        // What is kept under a step's key came from a step with the same key, hence of the same kind.
        @SuppressWarnings("unchecked")
        T typed = (T) found.result;
        return Optional.of(typed);
    }

    @Override
    public <T> T make(Step.Made<T> step, Region needed, Supplier<T> making) {
        Optional<T> found = find(step, needed);
        if (found.isPresent()) {
            return found.get();
        }
        T result = making.get();
        keep(step.key(), new Kept(needed, result, step.bytes(result)));
        return result;
    }

    private synchronized void keep(ContentKey key, Kept result) {
        if (result.bytes > limit) {
            return;
        }
        Kept before = kept.put(key, result);
        bytes += result.bytes - (before == null ? 0 : before.bytes);
        Iterator<Kept> oldest = kept.values().iterator();
        while (bytes > limit) {
            bytes -= oldest.next().bytes;
            oldest.remove();
        }
    }

    public synchronized long bytes() {
        return bytes;
    }
}
