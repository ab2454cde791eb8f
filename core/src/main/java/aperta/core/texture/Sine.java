package aperta.core.texture;

/** The sine read from a table and mixed evenly, within 3·10⁻⁷. */
final class Sine {
    private static final int STEPS = 1 << 12;
    private static final double[] TABLE = new double[STEPS + 1];

    static {
        for (int i = 0; i <= STEPS; i++) {
            TABLE[i] = StrictMath.sin(2 * Math.PI * i / STEPS);
        }
    }

    private Sine() {}

    static double sin(double angle) {
        double turns = angle / (2 * Math.PI);
        double at = (turns - Math.floor(turns)) * STEPS;
        int i = Math.min(STEPS - 1, (int) at);
        return TABLE[i] + (TABLE[i + 1] - TABLE[i]) * (at - i);
    }
}
