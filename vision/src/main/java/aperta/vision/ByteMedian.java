package aperta.vision;

import java.util.Arrays;

/**
 * The median over several rows of bytes, at each place of the row. It is found bit by bit, from the highest, by counting how
 * many are as large: without branches, so that many places are done at once, where sorting takes each by itself.
 */
final class ByteMedian {
    /** Stands for a value that doesn't count. */
    static final int HIDDEN = -1;

    private static final int HIGHEST_BIT = 128;
    private static final int SIGN = 31;

    private ByteMedian() {}

    /**
     * Of an even number of values, the upper of the two in the middle.
     *
     * @param rows values from 0 to 255, or hidden, at least one at each place that isn't
     */
    static int[] of(int[][] rows) {
        int n = rows[0].length;
        int[] least = new int[n];
        for (int[] row : rows) {
            for (int i = 0; i < n; i++) {
                least[i] += 1 + (row[i] >> SIGN);
            }
        }
        for (int i = 0; i < n; i++) {
            least[i] -= least[i] / 2;
        }
        int[] median = new int[n];
        int[] asLarge = new int[n];
        for (int bit = HIGHEST_BIT; bit > 0; bit >>= 1) {
            Arrays.fill(asLarge, 0);
            for (int[] row : rows) {
                count(row, median, bit, asLarge);
            }
            for (int i = 0; i < n; i++) {
                median[i] += asLarge[i] >= least[i] ? bit : 0;
            }
        }
        return median;
    }

    /** Counts where a value is at least the median's known bits with one more set. */
    private static void count(int[] row, int[] median, int bit, int[] asLarge) {
        for (int i = 0; i < row.length; i++) {
            asLarge[i] += (median[i] + bit - 1 - row[i]) >>> SIGN;
        }
    }
}
