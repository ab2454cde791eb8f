package aperta.core.picture;

/** Mattes put together pixel by pixel; both must have the same domain. Shapes are taken as independent coverages. */
public final class MatteMath {
    private MatteMath() {}

    /** Whether every value of a part of the domain is {@code value}, within 10⁻⁶. */
    public static boolean all(Matte matte, Region part, float value) {
        for (int y = part.y(); y < part.bottom(); y++) {
            int at = matte.index(part.x(), y);
            for (int i = at; i < at + part.width(); i++) {
                float off = matte.value[i] - value;
                if (off > 1e-6f || off < -1e-6f) {
                    return false;
                }
            }
        }
        return true;
    }

    /** The sum of all values: an area in pixels. */
    public static double sum(Matte matte) {
        Region d = matte.domain();
        double sum = 0;
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = matte.index(d.x(), y);
            float row = 0;
            for (int i = at; i < at + d.width(); i++) {
                row += matte.value[i];
            }
            sum += row;
        }
        return sum;
    }

    public static void invert(Matte matte) {
        Region d = matte.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = matte.index(d.x(), y);
            for (int k = 0; k < d.width(); k++) {
                matte.value[at + k] = 1 - matte.value[at + k];
            }
        }
    }

    public static void scale(Matte matte, float by) {
        Region d = matte.domain();
        for (int y = d.y(); by != 1 && y < d.bottom(); y++) {
            int at = matte.index(d.x(), y);
            for (int k = 0; k < d.width(); k++) {
                matte.value[at + k] *= by;
            }
        }
    }

    /** What becomes of one value. */
    public interface Change {
        float of(float value);
    }

    public static void change(Matte matte, Change change) {
        Region d = matte.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = matte.index(d.x(), y);
            for (int k = at; k < at + d.width(); k++) {
                matte.value[k] = change.of(matte.value[k]);
            }
        }
    }

    /** a + m − a·m: the union. */
    public static void add(Matte into, Matte m, float opacity) {
        each(into, m, (a, b) -> a + b * opacity - a * b * opacity);
    }

    /** a·(1 − m): what of a lies outside m. */
    public static void subtract(Matte into, Matte m, float opacity) {
        each(into, m, (a, b) -> a * (1 - b * opacity));
    }

    /** a·m where opaque; with less opacity a itself shines through. */
    public static void intersect(Matte into, Matte m, float opacity) {
        each(into, m, (a, b) -> a * (1 - opacity + b * opacity));
    }

    /** a + m − 2·a·m: what lies in one of both. */
    public static void exclude(Matte into, Matte m, float opacity) {
        each(into, m, (a, b) -> a + b * opacity - 2 * a * b * opacity);
    }

    private interface Two {
        float of(float a, float b);
    }

    private static void each(Matte into, Matte m, Two f) {
        Region d = into.domain();
        if (!d.equals(m.domain())) {
            throw new IllegalArgumentException("Mattes that are put together must have the same domain.");
        }
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            int from = m.index(d.x(), y);
            for (int k = 0; k < d.width(); k++) {
                into.value[at + k] = f.of(into.value[at + k], m.value[from + k]);
            }
        }
    }
}
