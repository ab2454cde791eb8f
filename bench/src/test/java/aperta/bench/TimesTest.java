package aperta.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class TimesTest {
    @Test
    void theMedianIsQuotedBetweenLeastAndMost() {
        assertThat(new Times(new double[] {3, 1, 2}).median()).isEqualTo(2);
        assertThat(new Times(new double[] {3, 1, 2}).shown()).isEqualTo("2.00 s (1.00 to 3.00)");
    }

    @Test
    void twoKindsOfWorkTakeTurns() throws Exception {
        List<String> order = new ArrayList<>();
        Times.inTurn(2, () -> order.add("a"), () -> order.add("b"));
        assertThat(order).containsExactly("a", "b", "a", "b");
    }
}
