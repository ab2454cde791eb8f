package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ScratchTest {
    private final Scratch scratch = new Scratch();

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 1023, 1024, 1025, 4096, 5121, 1920 * 32, 1920 * 1080})
    void aPlaneHoldsWhatIsAskedForAndIsLentAgain(int width) {
        Region domain = new Region(3, 4, width, 1);

        Matte first = scratch.matte(domain);
        assertThat(first.value.length).isGreaterThanOrEqualTo(width);
        scratch.give(first);

        assertThat(scratch.matte(domain).value).isSameAs(first.value);
    }

    @Test
    void whatIsLentIsNotLentTwice() {
        Region domain = new Region(0, 0, 100, 10);

        assertThat(scratch.matte(domain).value).isNotSameAs(scratch.matte(domain).value);
    }

    @Test
    void aPlaneOfAnotherSizeIsNotTooSmall() {
        scratch.give(scratch.matte(new Region(0, 0, 1300, 1)));

        assertThat(scratch.matte(new Region(0, 0, 2500, 1)).value).hasSizeGreaterThanOrEqualTo(2500);
    }
}
