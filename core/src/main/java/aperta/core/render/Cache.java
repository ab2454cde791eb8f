package aperta.core.render;

import aperta.core.picture.Region;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Results by content key and region, the least recently used dropped first, bounded in bytes. */
public final class Cache {
    private record Name(ContentKey key, Region region) {}

    private record Kept(Object result, long bytes) {}

    private final long limit;
    private final Map<Name, Kept> kept = new LinkedHashMap<>(64, 0.75f, true);
    private long bytes;

    /** @param limit in bytes; 0 keeps nothing */
    public Cache(long limit) {
        this.limit = limit;
    }

    synchronized Optional<Object> get(ContentKey key, Region region) {
        return Optional.ofNullable(kept.get(new Name(key, region))).map(Kept::result);
    }

    synchronized void put(ContentKey key, Region region, Object result, long size) {
        if (size > limit) {
            return;
        }
        Kept before = kept.put(new Name(key, region), new Kept(result, size));
        bytes += size - (before == null ? 0 : before.bytes);
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
