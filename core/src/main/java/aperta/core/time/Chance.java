package aperta.core.time;

/** Numbers that look random and are a hash of where they are asked for; the same on every machine. */
public final class Chance {
    private Chance() {}

    /** Between −1 and 1, evenly. */
    public static double signed(long seed, long index, long channel) {
        return 2 * unit(seed, index, channel) - 1;
    }

    /** From 0 up to 1, evenly. */
    public static double unit(long seed, long index, long channel) {
        long h = mix(mix(mix(seed) + index) + channel);
        return (h >>> 11) * 0x1.0p-53;
    }

    /** The finaliser of SplitMix64 (Steele, Lea and Flood 2014). */
    private static long mix(long v) {
        long z = v + 0x9E3779B97F4A7C15L;
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return z ^ z >>> 31;
    }
}
