package aperta.core.picture;

import aperta.core.colour.Colour;
import aperta.core.shot.Light;

/**
 * Between display-encoded values and those in which a shot is put together. Every curve leaves 0 and 1 where they are,
 * rises throughout, goes on beyond 1 by its own formula, and is mirrored below 0. Values between 0 and 1 are read from
 * a table and mixed evenly, within 2·10⁻⁶ of the formula.
 */
public final class Transfer {
    private static final int STEPS = 1 << 14;
    private static final Transfer DISPLAY = new Transfer(v -> v, v -> v, true);
    /** IEC 61966-2-1:1999, 5.2. */
    private static final Transfer SRGB = new Transfer(
            v -> v <= 0.04045 ? v / 12.92 : StrictMath.pow((v + 0.055) / 1.055, 2.4),
            l -> l <= 0.0031308 ? 12.92 * l : 1.055 * StrictMath.pow(l, 1 / 2.4) - 0.055,
            false);
    /** ITU-R BT.709-6, item 1.2, whose 1.099 and 0.018 are these numbers rounded (ITU-R BT.2020-2, table 4). */
    private static final double ALPHA = 1.09929682680944;

    private static final double BETA = 0.018053968510807;
    private static final Transfer BT709 = new Transfer(
            v -> v < 4.5 * BETA ? v / 4.5 : StrictMath.pow((v + ALPHA - 1) / ALPHA, 1 / 0.45),
            l -> l < BETA ? 4.5 * l : ALPHA * StrictMath.pow(l, 0.45) - (ALPHA - 1),
            false);

    private interface Curve {
        double at(double v);
    }

    private final Curve toLight;
    private final Curve toDisplay;
    private final float[] lightTable;
    private final float[] displayTable;
    private final boolean same;

    private Transfer(Curve toLight, Curve toDisplay, boolean same) {
        this.toLight = toLight;
        this.toDisplay = toDisplay;
        this.same = same;
        this.lightTable = same ? new float[0] : table(toLight);
        this.displayTable = same ? new float[0] : table(toDisplay);
    }

    public static Transfer of(Light light) {
        return switch (light) {
            case DISPLAY -> DISPLAY;
            case LINEAR_SRGB -> SRGB;
            case LINEAR_BT709 -> BT709;
        };
    }

    private static float[] table(Curve curve) {
        float[] all = new float[STEPS + 2];
        for (int i = 0; i < all.length; i++) {
            all[i] = (float) curve.at((double) i / STEPS);
        }
        return all;
    }

    /** Whether both kinds of values are the same. */
    public boolean isSame() {
        return same;
    }

    /** The amount of light of a display-encoded value. */
    public float toLight(float v) {
        return same ? v : read(lightTable, toLight, v);
    }

    /** The display-encoded value of an amount of light. */
    public float toDisplay(float l) {
        return same ? l : read(displayTable, toDisplay, l);
    }

    /** A display-encoded colour, as an amount of light. */
    public Colour toLight(Colour c) {
        return same
                ? c
                : new Colour(
                        toLight((float) c.red()), toLight((float) c.green()), toLight((float) c.blue()), c.alpha());
    }

    private static float read(float[] table, Curve curve, float v) {
        if (v >= 0 && v <= 1) {
            float at = v * STEPS;
            int i = (int) at;
            return table[i] + (table[i + 1] - table[i]) * (at - i);
        }
        return (float) (v < 0 ? -curve.at(-v) : curve.at(v));
    }

    /** Turns {@code count} premultiplied display-encoded pixels, from an index of the planes, into amounts of light. */
    void toLight(Picture p, int at, int count) {
        if (same) {
            return;
        }
        for (int i = at; i < at + count; i++) {
            float a = p.alpha[i];
            float by = a > 0 ? 1 / a : 0;
            p.red[i] = toLight(p.red[i] * by) * a;
            p.green[i] = toLight(p.green[i] * by) * a;
            p.blue[i] = toLight(p.blue[i] * by) * a;
        }
    }

    /** Turns amounts of light on black, in place, into display-encoded values. */
    void toDisplay(float[] values, int count) {
        if (same) {
            return;
        }
        for (int i = 0; i < count; i++) {
            values[i] = toDisplay(values[i]);
        }
    }
}
