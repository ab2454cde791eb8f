package aperta.core.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.time.Chance;
import org.junit.jupiter.api.Test;

class GridTest {
    /** Against the definition: the nearest of all cells outside. */
    @Test
    void depthsAreThoseOfTheNearestCellOutside() {
        int width = 37;
        int height = 29;
        for (int seed = 0; seed < 8; seed++) {
            boolean[] inside = new boolean[width * height];
            for (int i = 0; i < inside.length; i++) {
                boolean rim = i % width == 0 || i % width == width - 1 || i < width || i >= width * (height - 1);
                inside[i] = !rim && Chance.unit(seed, i, 1) > 0.02 * seed;
            }
            float[] depths = new Grid(1, 0, 0, width, height, inside).depths();
            for (int i = 0; i < inside.length; i++) {
                double least = Double.POSITIVE_INFINITY;
                for (int k = 0; k < inside.length; k++) {
                    if (!inside[k]) {
                        least = Math.min(least, Math.hypot(i % width - k % width, i / width - k / width));
                    }
                }
                assertThat((double) depths[i]).isCloseTo(inside[i] ? least - 0.5 : 0, within(1e-5));
            }
        }
    }
}
