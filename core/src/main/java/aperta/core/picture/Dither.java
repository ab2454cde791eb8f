package aperta.core.picture;

/**
 * The offset, −½ to under ½ of a step, that is added before a value is rounded to whole steps: even (rectangular)
 * noise from a hash of place, frame and channel. A value that is a whole step already stays exactly itself.
 */
final class Dither {
    private Dither() {}

    static int seed(long frame, int channel) {
        return (int) (frame * 0x9E3779B1L + channel * 0x85EBCA6BL);
    }

    /** Rounds {@code steps} (≥ 0) up or down, by chance weighed by how near each is. */
    static int round(float steps, int x, int y, int seed) {
        int h = (x * 0x27D4EB2D) ^ (y * 0x165667B1) ^ seed;
        h ^= h >>> 15;
        h *= 0x2C1B3C6D;
        h ^= h >>> 12;
        h *= 0x297A2D39;
        h ^= h >>> 15;
        // 1/65536 short of ±½, so that rounding noise of the float never tips a whole step over.
        float offset = ((h >>> 8) * (1f / (1 << 24)) - 0.5f) * 0.9998f;
        return (int) (steps + 0.5f + offset);
    }
}
