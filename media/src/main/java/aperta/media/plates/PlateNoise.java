package aperta.media.plates;

/** Numbers that look random and are always the same: hashes of what they are for. */
final class PlateNoise {
    private PlateNoise() {}

    /** 0 to under 1. */
    static float of(int seed, int a, int b) {
        int h = seed * 0x9E3779B1 ^ a * 0x85EBCA6B ^ b * 0xC2B2AE35;
        h ^= h >>> 16;
        h *= 0x7FEB352D;
        h ^= h >>> 15;
        h *= 0x846CA68B;
        h ^= h >>> 16;
        return (h >>> 8) * (1f / (1 << 24));
    }

    static float between(float low, float high, int seed, int a) {
        return low + (high - low) * of(seed, a, 0);
    }

    /** Smooth noise of one variable, −1 to 1, one wave or so for each unit. */
    static float drift(int seed, float t) {
        int i = (int) Math.floor(t);
        float f = t - i;
        float s = f * f * (3 - 2 * f);
        float a = of(seed, i, 1);
        return (a + (of(seed, i + 1, 1) - a) * s) * 2 - 1;
    }

    /** Film grain around 0: the sum of two even chances, so that small values are the usual ones. */
    static float grain(int frame, int x, int y) {
        return of(frame + 7919, x, y) + of(frame + 104729, y, x) - 1;
    }
}
