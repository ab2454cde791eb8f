package aperta.server.frame;

import aperta.core.picture.Region;
import aperta.core.render.Cache;
import aperta.core.render.ContentKey;
import aperta.core.render.Step;
import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.ForkJoinTask;
import java.util.function.Supplier;

/** Results of steps for all windows and jobs, bounded in bytes; two that ask for the same at once make it once. */
final class SharedCache implements Cache {
    /** Weights are whole numbers of these, so that results of gigabytes have one. */
    private static final int UNIT = 1024;

    /** What a step has on a region, and what keeping it costs. */
    private record Kept(Region region, Object result, long bytes) {}

    private final ConcurrentMap<ContentKey, CompletableFuture<Kept>> kept;

    SharedCache(long limitBytes) {
        AsyncCache<ContentKey, Kept> cache = Caffeine.newBuilder()
                .maximumWeight(limitBytes / UNIT)
                .weigher((ContentKey key, Kept k) -> (int) Math.min(Integer.MAX_VALUE, 1 + k.bytes / UNIT))
                .executor(Runnable::run)
                .buildAsync();
        kept = cache.asMap();
    }

    @Override
    public <T> Optional<T> find(Step.Made<T> step, Region needed) {
        CompletableFuture<Kept> there = kept.get(step.key());
        return there != null && there.isDone() && !there.isCompletedExceptionally()
                ? covering(there.join(), needed)
                : Optional.empty();
    }

    private static <T> Optional<T> covering(Kept found, Region needed) {
        if (!found.region.contains(needed)) {
            return Optional.empty();
        }
        // What is kept under a step's key came from a step with the same key, hence of the same kind.
        @SuppressWarnings("unchecked")
        T typed = (T) found.result;
        return Optional.of(typed);
    }

    @Override
    public <T> T make(Step.Made<T> step, Region needed, Supplier<T> making) {
        // A worker that waited would keep from work the one that it waits for.
        if (ForkJoinTask.inForkJoinPool()) {
            return this.<T>find(step, needed).orElseGet(making);
        }
        CompletableFuture<Kept> mine = new CompletableFuture<>();
        CompletableFuture<Kept> there = kept.putIfAbsent(step.key(), mine);
        while (there != null) {
            Optional<T> found = waitedFor(there).flatMap(k -> covering(k, needed));
            if (found.isPresent()) {
                return found.get();
            }
            // It failed for the other, or covers too little: ours takes its place.
            if (kept.replace(step.key(), there, mine)) {
                break;
            }
            there = kept.putIfAbsent(step.key(), mine);
        }
        try {
            T result = making.get();
            mine.complete(new Kept(needed, result, step.bytes(result)));
            return result;
        } catch (RuntimeException | Error e) {
            mine.completeExceptionally(e);
            throw e;
        }
    }

    /** Nothing where it failed. */
    private static Optional<Kept> waitedFor(CompletableFuture<Kept> there) {
        try {
            return Optional.of(there.join());
        } catch (CompletionException e) {
            return Optional.empty();
        }
    }
}
