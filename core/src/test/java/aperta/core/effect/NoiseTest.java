package aperta.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class NoiseTest {
    /** The permutation that K. Perlin published with <i>Improving noise</i> (2002), from memory; its value below proves it. */
    private static final int[] TABLE = {
        151, 160, 137, 91, 90, 15, 131, 13, 201, 95, 96, 53, 194, 233, 7, 225, 140, 36, 103, 30, 69, 142, 8, 99, 37,
        240, 21, 10, 23, 190, 6, 148, 247, 120, 234, 75, 0, 26, 197, 62, 94, 252, 219, 203, 117, 35, 11, 32, 57, 177,
        33, 88, 237, 149, 56, 87, 174, 20, 125, 136, 171, 168, 68, 175, 74, 165, 71, 134, 139, 48, 27, 166, 77, 146,
        158, 231, 83, 111, 229, 122, 60, 211, 133, 230, 220, 105, 92, 41, 55, 46, 245, 40, 244, 102, 143, 54, 65, 25,
        63, 161, 1, 216, 80, 73, 209, 76, 132, 187, 208, 89, 18, 169, 200, 196, 135, 130, 116, 188, 159, 86, 164, 100,
        109, 198, 173, 186, 3, 64, 52, 217, 226, 250, 124, 123, 5, 202, 38, 147, 118, 126, 255, 82, 85, 212, 207, 206,
        59, 227, 47, 16, 58, 17, 182, 189, 28, 42, 223, 183, 170, 213, 119, 248, 152, 2, 44, 154, 163, 70, 221, 153,
        101, 155, 167, 43, 172, 9, 129, 22, 39, 253, 19, 98, 108, 110, 79, 113, 224, 232, 178, 185, 112, 104, 218, 246,
        97, 228, 251, 34, 242, 193, 238, 210, 144, 12, 191, 179, 162, 241, 81, 51, 145, 235, 249, 14, 239, 107, 49, 192,
        214, 31, 181, 199, 106, 157, 184, 84, 204, 176, 115, 121, 50, 45, 127, 4, 150, 254, 138, 236, 205, 93, 222, 114,
        67, 29, 24, 72, 243, 141, 128, 195, 78, 66, 215, 61, 156, 180
    };

    private static int p(int i) {
        return TABLE[i & 255];
    }

    /** Perlin's own program gives 0.13691995878400012 at (3.14, 42, 7), as Rosetta Code's page on it says. */
    @Test
    void withPerlinsTableItIsPerlinsNoise() {
        Noise noise = new Noise((i, j, k) -> p(p(p(i) + j) + k));
        assertThat(noise.at(3.14, 42, 7)).isCloseTo(0.13691995878400012, within(1e-15));
    }

    @Test
    void itsMeanIsNothingAndItsPowerOnEachPlaneIsAsComputed() {
        Random random = new Random(4);
        Noise noise = new Noise(7);
        for (double z : new double[] {12, 3.25, 100.5, 7.9}) {
            double sum = 0;
            double squares = 0;
            int n = 600_000;
            for (int i = 0; i < n; i++) {
                double v = noise.at(random.nextDouble() * 4000, random.nextDouble() * 4000, z);
                sum += v;
                squares += v * v;
            }
            assertThat(sum / n).as("%s", z).isCloseTo(0, within(0.003));
            assertThat(squares / n).as("%s", z).isCloseTo(Noise.power(z), within(Noise.power(z) * 0.02));
        }
    }

    @Test
    void nothingRepeatsAndSeedsDiffer() {
        Noise noise = new Noise(1);
        Noise other = new Noise(2);
        int same = 0;
        for (int i = 0; i < 200; i++) {
            double here = noise.at(i * 0.37 + 0.1, 0.4, 0.5);
            same += Math.abs(here - noise.at(i * 0.37 + 256.1, 0.4, 0.5)) < 1e-9 ? 1 : 0;
            same += Math.abs(here - other.at(i * 0.37 + 0.1, 0.4, 0.5)) < 1e-9 ? 1 : 0;
        }
        assertThat(same).isLessThan(4);
    }
}
