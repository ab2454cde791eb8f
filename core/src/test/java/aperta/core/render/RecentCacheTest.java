package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Region;
import org.junit.jupiter.api.Test;

class RecentCacheTest {
    private static final Region WHOLE = new Region(0, 0, 160, 90);
    private static final Region PART = new Region(10, 10, 20, 20);

    private final RecentCache cache = new RecentCache(100);

    /** A step whose results are words of a size. */
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
            return name + " " + needed.width();
        }

        @Override
        public long bytes(String result) {
            return size;
        }
    }

    private String made(Words step, Region needed) {
        return cache.make(step, needed, () -> step.make(needed, null));
    }

    @Test
    void itIsBoundedAndDropsTheLeastRecentlyUsed() {
        Words a = new Words("a", 40);
        Words b = new Words("b", 40);
        made(a, WHOLE);
        made(b, WHOLE);
        assertThat(cache.find(a, WHOLE)).contains("a 160");

        made(new Words("c", 40), WHOLE);

        assertThat(cache.find(b, WHOLE)).isEmpty();
        assertThat(cache.find(a, WHOLE)).contains("a 160");
        assertThat(cache.bytes()).isEqualTo(80);
    }

    @Test
    void whatIsLargerThanAllOfItIsNotKept() {
        assertThat(made(new Words("huge", 101), WHOLE)).isEqualTo("huge 160");
        assertThat(cache.bytes()).isZero();
    }

    @Test
    void aSmallerWishIsServedFromALargerResult() {
        Words a = new Words("a", 10);
        made(a, WHOLE);

        assertThat(made(a, PART)).isEqualTo("a 160");
        assertThat(cache.find(a, PART)).contains("a 160");
    }

    @Test
    void aLargerWishIsMadeAndTakesThePlaceOfTheSmaller() {
        Words a = new Words("a", 10);
        made(a, PART);

        assertThat(cache.find(a, WHOLE)).isEmpty();
        assertThat(made(a, WHOLE)).isEqualTo("a 160");
        assertThat(made(a, PART)).isEqualTo("a 160");
        assertThat(cache.bytes()).isEqualTo(10);
    }

    @Test
    void thatWhichKeepsNothingMakesEachTime() {
        Words a = new Words("a", 10);

        assertThat(Cache.NONE.make(a, WHOLE, () -> "made")).isEqualTo("made");
        assertThat(Cache.NONE.find(a, WHOLE)).isEmpty();
    }
}
