package aperta.vision;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ByteMedianTest {
    @Test
    void isWhatLiesInTheMiddleOfTheSortedValues() {
        Random random = new Random(4);
        for (int many = 1; many <= 21; many++) {
            int[][] rows = new int[many][40];
            int[] expected = new int[40];
            for (int i = 0; i < 40; i++) {
                int[] values = random.ints(many, 0, 256).toArray();
                for (int k = 0; k < many; k++) {
                    rows[k][i] = values[k];
                }
                Arrays.sort(values);
                expected[i] = values[many / 2];
            }
            assertArrayEquals(expected, ByteMedian.of(rows));
        }
    }

    @Test
    void takesNoNoticeOfWhatIsHidden() {
        int hidden = ByteMedian.HIDDEN;
        int[][] rows = {{7, hidden, hidden}, {hidden, 0, 255}, {9, hidden, 3}, {200, 255, hidden}, {hidden, 4, 90}};
        assertArrayEquals(new int[] {9, 4, 90}, ByteMedian.of(rows));
        assertEquals(255, ByteMedian.of(new int[][] {{255}, {hidden}})[0]);
    }
}
