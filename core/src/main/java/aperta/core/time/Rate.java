package aperta.core.time;

import java.math.BigInteger;

/**
 * A frame rate as an exact fraction of frames a second, in lowest terms: 24, 25, 30000/1001 …
 *
 * @throws IllegalArgumentException where a part is not positive or the rate lies outside 1 to 240
 */
public record Rate(long numerator, long denominator) {
    /** Of a time in frames, far below what anyone can mean. */
    private static final double ROUNDING = 1e-9;

    public Rate {
        if (numerator <= 0 || denominator <= 0) {
            throw new IllegalArgumentException("A frame rate needs two positive numbers.");
        }
        long common = BigInteger.valueOf(numerator)
                .gcd(BigInteger.valueOf(denominator))
                .longValueExact();
        numerator /= common;
        denominator /= common;
        if (numerator < denominator || numerator > 240 * denominator) {
            throw new IllegalArgumentException("A frame rate lies between 1 and 240 frames a second.");
        }
    }

    public static Rate of(long framesPerSecond) {
        return new Rate(framesPerSecond, 1);
    }

    /** Reads {@code "24"} or {@code "30000/1001"}. */
    public static Rate parse(String text) {
        String[] parts = text.trim().split("/", -1);
        try {
            if (parts.length == 1) {
                return of(Long.parseLong(parts[0]));
            }
            if (parts.length == 2) {
                return new Rate(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
            }
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is not a frame rate such as 24 or 30000/1001.", e);
        }
        throw new IllegalArgumentException("'" + text + "' is not a frame rate such as 24 or 30000/1001.");
    }

    public double framesPerSecond() {
        return (double) numerator / denominator;
    }

    /** The whole number of frames that timecode counts in a second: 30 for 30000/1001. */
    public int nominal() {
        return (int) ((numerator + denominator - 1) / denominator);
    }

    public double seconds(double frames) {
        return frames * denominator / numerator;
    }

    /**
     * The frame of a clip of rate {@code clip} that is seen in the middle of frame {@code frame} of this rate: {@code
     * ⌊(frame + ½) · clip / this⌋}, in whole numbers, so that it never drifts. Equal rates give {@code frame} itself.
     */
    public long frameOf(Rate clip, long frame) {
        BigInteger up = BigInteger.valueOf(2 * frame + 1)
                .multiply(BigInteger.valueOf(clip.numerator))
                .multiply(BigInteger.valueOf(denominator));
        BigInteger down = BigInteger.valueOf(2)
                .multiply(BigInteger.valueOf(clip.denominator))
                .multiply(BigInteger.valueOf(numerator));
        BigInteger[] parts = up.divideAndRemainder(down);
        long floor = parts[0].longValueExact();
        return parts[1].signum() < 0 ? floor - 1 : floor;
    }

    /**
     * The frame of a clip that is seen at a time of this rate that a slowed or hastened layer shows: the last one that has begun, so
     * that slow motion shows every frame that the clip has.
     */
    public long frameOf(Rate clip, double time) {
        return (long) Math.floor(positionOf(clip, time) + ROUNDING);
    }

    /** Between which frames of a clip a time lies, for mixing them: {@code frame · clip / this}. */
    public double positionOf(Rate clip, double frame) {
        return frame * (double) (clip.numerator * denominator) / (double) (clip.denominator * numerator);
    }

    @Override
    public String toString() {
        return denominator == 1 ? Long.toString(numerator) : numerator + "/" + denominator;
    }
}
