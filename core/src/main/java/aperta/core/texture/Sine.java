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

    /** @param turns the angle, once round being 1; up to 500 000 times round */
    static double ofTurns(double turns) {
        double at = turns * STEPS;
        int floor = (int) at;
        floor = at < floor ? floor - 1 : floor;
        int i = floor & STEPS - 1;
        return TABLE[i] + (TABLE[i + 1] - TABLE[i]) * (at - floor);
    }
}
