package aperta.media.plates;

/** Light to display code through a film-like curve: a toe that keeps the night dark, a shoulder instead of clipping. */
final class FilmCurve {
    private static final int STEPS = 8192;
    private static final float MOST = 4;
    private static final float[] CURVE = new float[STEPS + 2];

    static {
        for (int i = 0; i < CURVE.length; i++) {
            double light = (double) i / STEPS * MOST;
            CURVE[i] = (float) StrictMath.pow(1 - StrictMath.exp(-2.0 * light), 0.80);
        }
    }

    private FilmCurve() {}

    /** @param grain around 0, weighed by how bright the place is */
    static float tone(float light, float grain) {
        float at = Math.min(MOST - 0.001f, Math.max(0, light)) * (STEPS / MOST);
        int i = (int) at;
        float display = CURVE[i] + (CURVE[i + 1] - CURVE[i]) * (at - i);
        return Math.min(1, Math.max(0, display + grain * (0.4f + display)));
    }
}
