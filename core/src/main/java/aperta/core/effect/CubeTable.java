package aperta.core.effect;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A table of colours as {@code .cube} files hold them: one for each channel by itself, or a cube of all three, red fastest.
 * Values between two entries are mixed; what lies outside the table's range is taken as its nearest end.
 */
public final class CubeTable {
    /** The largest cube, and the longest single table, that are read. */
    static final int MOST_CUBE = 129;

    static final int MOST_LINE = 65_536;

    private final int size;
    private final boolean cube;
    private final float[] low;
    private final float[] high;
    private final float[] entries;

    private CubeTable(int size, boolean cube, float[] low, float[] high, float[] entries) {
        this.size = size;
        this.cube = cube;
        this.low = low;
        this.high = high;
        this.entries = entries;
    }

    /** @throws IllegalArgumentException with a plain sentence where the text isn't such a table */
    public static CubeTable parse(String text) {
        Reading reading = new Reading();
        int number = 0;
        for (String line : (Iterable<String>) text.lines()::iterator) {
            number++;
            String bare = line.strip();
            if (!bare.isEmpty() && !bare.startsWith("#")) {
                reading.line(bare.split("\\s+", 8), number);
            }
        }
        return reading.table();
    }

    /** The lines that were read. */
    private static final class Reading {
        private int size;
        private boolean cube;
        private final float[] low = {0, 0, 0};
        private final float[] high = {1, 1, 1};
        private final List<float[]> entries = new ArrayList<>();

        void line(String[] words, int number) {
            switch (words[0]) {
                case "TITLE" -> {}
                case "LUT_1D_SIZE" -> size(words, number, false, MOST_LINE);
                case "LUT_3D_SIZE" -> size(words, number, true, MOST_CUBE);
                case "DOMAIN_MIN" -> System.arraycopy(three(words, 1, number), 0, low, 0, 3);
                case "DOMAIN_MAX" -> System.arraycopy(three(words, 1, number), 0, high, 0, 3);
                case "LUT_1D_INPUT_RANGE", "LUT_3D_INPUT_RANGE" -> {
                    Arrays.fill(low, value(words, 1, number));
                    Arrays.fill(high, value(words, 2, number));
                }
                default -> entry(words, number);
            }
        }

        private void size(String[] words, int number, boolean three, int most) {
            float given = value(words, 1, number);
            if (size != 0) {
                throw new IllegalArgumentException("Line " + number + " of the colour table says its size again.");
            }
            if (!(given >= 2 && given <= most && given == Math.rint(given))) {
                throw new IllegalArgumentException("A colour table has between 2 and " + most
                        + " entries along a side; line " + number + " says " + words[1] + ".");
            }
            size = (int) given;
            cube = three;
        }

        private void entry(String[] words, int number) {
            if (size == 0) {
                throw new IllegalArgumentException(
                        "This is not a colour table: line " + number + " comes before a size is said.");
            }
            if (entries.size() == count()) {
                throw new IllegalArgumentException(
                        "The colour table has more than the " + count() + " entries that it says.");
            }
            entries.add(three(words, 0, number));
        }

        private int count() {
            return cube ? size * size * size : size;
        }

        private static float[] three(String[] words, int from, int number) {
            return new float[] {
                value(words, from, number), value(words, from + 1, number), value(words, from + 2, number)
            };
        }

        private static float value(String[] words, int at, int number) {
            try {
                float v = Float.parseFloat(words[at]);
                if (Float.isFinite(v)) {
                    return v;
                }
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
                // Said below.
            }
            throw new IllegalArgumentException("Line " + number + " of the colour table should have numbers, not '"
                    + String.join(" ", words) + "'.");
        }

        CubeTable table() {
            if (size == 0) {
                throw new IllegalArgumentException("This is not a colour table: it says no size.");
            }
            if (entries.size() < count()) {
                throw new IllegalArgumentException(
                        "The colour table breaks off: it says " + count() + " entries and has " + entries.size() + ".");
            }
            for (int i = 0; i < 3; i++) {
                if (!(high[i] > low[i])) {
                    throw new IllegalArgumentException("The colour table's range ends before it begins.");
                }
            }
            float[] all = new float[3 * entries.size()];
            for (int i = 0; i < entries.size(); i++) {
                System.arraycopy(entries.get(i), 0, all, 3 * i, 3);
            }
            return new CubeTable(size, cube, low, high, all);
        }
    }

    /** What tells it from others. */
    double[] numbers() {
        return new double[] {
            size, cube ? 1 : 0, Arrays.hashCode(entries), sum(), Arrays.hashCode(low), Arrays.hashCode(high)
        };
    }

    private double sum() {
        double sum = 0;
        for (int i = 0; i < entries.length; i++) {
            sum += entries[i] * (1 + i % 97);
        }
        return sum;
    }

    void apply(float[] c, boolean tetrahedral) {
        float[] at = new float[3];
        for (int i = 0; i < 3; i++) {
            float v = (c[i] - low[i]) / (high[i] - low[i]) * (size - 1);
            at[i] = v > 0 ? Math.min(size - 1, v) : 0;
        }
        if (!cube) {
            for (int i = 0; i < 3; i++) {
                int k = Math.min(size - 2, (int) at[i]);
                float a = entries[3 * k + i];
                c[i] = a + (entries[3 * k + 3 + i] - a) * (at[i] - k);
            }
            return;
        }
        int r = Math.min(size - 2, (int) at[0]);
        int g = Math.min(size - 2, (int) at[1]);
        int b = Math.min(size - 2, (int) at[2]);
        int corner = 3 * ((b * size + g) * size + r);
        if (tetrahedral) {
            tetrahedral(c, corner, at[0] - r, at[1] - g, at[2] - b);
        } else {
            trilinear(c, corner, at[0] - r, at[1] - g, at[2] - b);
        }
    }

    private void trilinear(float[] c, int corner, float fr, float fg, float fb) {
        int dg = 3 * size;
        int db = 3 * size * size;
        for (int i = 0; i < 3; i++) {
            int k = corner + i;
            float near = mix(mix(entries[k], entries[k + 3], fr), mix(entries[k + dg], entries[k + dg + 3], fr), fg);
            k += db;
            float far = mix(mix(entries[k], entries[k + 3], fr), mix(entries[k + dg], entries[k + dg + 3], fr), fg);
            c[i] = mix(near, far, fb);
        }
    }

    private static float mix(float a, float b, float t) {
        return a + (b - a) * t;
    }

    /** Along the edges of the one of six tetrahedra that holds the place: the greatest share first. */
    private void tetrahedral(float[] c, int corner, float fr, float fg, float fb) {
        int dr = 3;
        int dg = 3 * size;
        int db = 3 * size * size;
        int first = fr >= fg ? (fr >= fb ? dr : db) : fg >= fb ? dg : db;
        int last = fr < fg ? (fr < fb ? dr : db) : fg < fb ? dg : db;
        float most = Math.max(fr, Math.max(fg, fb));
        float least = Math.min(fr, Math.min(fg, fb));
        float middle = fr + fg + fb - most - least;
        int far = corner + dr + dg + db;
        for (int i = 0; i < 3; i++) {
            float a = entries[corner + i];
            float b = entries[corner + first + i];
            float d = entries[far - last + i];
            float e = entries[far + i];
            c[i] = a * (1 - most) + b * (most - middle) + d * (middle - least) + e * least;
        }
    }
}
