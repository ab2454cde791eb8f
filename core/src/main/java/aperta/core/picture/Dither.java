package aperta.core.picture;

/**
 * Even (rectangular) noise, −½ to ½ of a step, that is added before a value is rounded to whole steps. A value that is
 * a whole step already stays exactly itself. Every row reads the same shuffled list of evenly spaced offsets from a
 * place of its own, which is a hash of row, frame and channel; that is as good to the eye as a hash a pixel, and costs a
 * tenth of it.
 */
final class Dither {
    private static final int SIZE = 1 << 14;
    private static final int LONGEST_ROW = 1 << 14;
    /** What is added, with the half that turns cutting off into rounding. */
    static final float[] OFFSETS = offsets();

    private Dither() {}

    private static float[] offsets() {
        float[] all = new float[SIZE];
        for (int i = 0; i < SIZE; i++) {
            // A little short of ±½, so that the float's own rounding never tips a whole step over.
            all[i] = 0.5f + ((i + 0.5f) / SIZE - 0.5f) * 0.999f;
        }
        for (int i = SIZE - 1; i > 0; i--) {
            int other = Math.floorMod(mix(i * 0x9E3779B1), i + 1);
            float swap = all[i];
            all[i] = all[other];
            all[other] = swap;
        }
        float[] twice = new float[SIZE + LONGEST_ROW];
        for (int i = 0; i < twice.length; i++) {
            twice[i] = all[i % SIZE];
        }
        return twice;
    }

    private static int mix(int h) {
        int m = h;
        m ^= m >>> 16;
        m *= 0x7FEB352D;
        m ^= m >>> 15;
        m *= 0x846CA68B;
        return m ^ m >>> 16;
    }

    /** Where a row begins to read {@link #OFFSETS}. */
    static int start(int y, long frame, int channel) {
        return mix(y * 0x165667B1 + (int) (frame * 0x27D4EB2D) + channel * 0x85EBCA6B) & SIZE - 1;
    }
}
