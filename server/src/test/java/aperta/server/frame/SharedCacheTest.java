package aperta.server.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.picture.Region;
import aperta.core.render.ContentKey;
import aperta.core.render.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class SharedCacheTest {
    private static final Region WHOLE = new Region(0, 0, 160, 90);
    private static final Region PART = new Region(10, 10, 20, 20);

    private final SharedCache cache = new SharedCache(100 * 1024);

    private record Words(String name, long size) implements Step.Made<String> {
        @Override
        public ContentKey key() {
            return ContentKey.of(name).key();
        }

        @Override
        public Region domain() {
            return WHOLE;
        }

        @Override
        public String make(Region needed, Making making) {
            return name;
        }

        @Override
        public long bytes(String result) {
            return size;
        }
    }

    @Test
    void whoAsksWhileAnotherMakesIsGivenTheOthers() throws Exception {
        Words step = new Words("a", 1024);
        AtomicInteger made = new AtomicInteger();
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        ExecutorService pool = Executors.newFixedThreadPool(4);
        try {
            List<Future<String>> all = new ArrayList<>();
            all.add(pool.submit(() -> cache.make(step, WHOLE, () -> {
                begun.countDown();
                awaited(go);
                return "made " + made.incrementAndGet();
            })));
            assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
            for (int i = 0; i < 3; i++) {
                all.add(pool.submit(() -> cache.make(step, PART, () -> "made " + made.incrementAndGet())));
            }
            go.countDown();
            for (Future<String> f : all) {
                assertThat(f.get(10, TimeUnit.SECONDS)).isEqualTo("made 1");
            }
        } finally {
            pool.shutdownNow();
        }
        assertThat(cache.find(step, PART)).contains("made 1");
    }

    private static void awaited(CountDownLatch latch) {
        try {
            assertThat(latch.await(10, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void whatFailedIsTriedAgainAndNotKept() {
        Words step = new Words("a", 1024);

        assertThatThrownBy(() -> cache.make(step, WHOLE, () -> {
                    throw new IllegalStateException("The file is gone.");
                }))
                .hasMessage("The file is gone.");
        assertThat(cache.find(step, WHOLE)).isEmpty();
        assertThat(cache.make(step, WHOLE, () -> "made")).isEqualTo("made");
        assertThat(cache.find(step, WHOLE)).contains("made");
    }

    @Test
    void aLargerWishTakesThePlaceOfASmallerResult() {
        Words step = new Words("a", 1024);
        cache.make(step, PART, () -> "small");

        assertThat(cache.find(step, WHOLE)).isEmpty();
        assertThat(cache.make(step, WHOLE, () -> "large")).isEqualTo("large");
        assertThat(cache.make(step, PART, () -> "small again")).isEqualTo("large");
    }

    @Test
    void itIsBounded() {
        for (int i = 0; i < 50; i++) {
            Words step = new Words("w" + i, 10 * 1024);
            cache.make(step, WHOLE, () -> "made");
        }
        long there = 0;
        for (int i = 0; i < 50; i++) {
            there += cache.find(new Words("w" + i, 0), WHOLE).isPresent() ? 1 : 0;
        }
        assertThat(there).isBetween(1L, 10L);
    }
}
