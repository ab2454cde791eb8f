package aperta.core.effect;

/** A power of values between 0 and 1, read from a table and mixed evenly; the smallest ones are computed. */
final class Powers {
    private static final int STEPS = 1 << 13;
    private static final float SMALL = 1f / 64;

    private final double power;
    private final float[] table;

    Powers(double power) {
        this.power = power;
        this.table = power == 1 ? new float[0] : new float[STEPS + 2];
        for (int i = 0; i < table.length; i++) {
            table[i] = (float) StrictMath.pow((double) i / STEPS, power);
        }
    }

    float of(float v) {
        if (power == 1) {
            return v;
        }
        if (v < SMALL) {
            return (float) StrictMath.pow(v, power);
        }
        float at = v * STEPS;
        int i = (int) at;
        return table[i] + (table[i + 1] - table[i]) * (at - i);
    }
}
