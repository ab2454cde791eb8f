package aperta.media.plates;

/**
 * A sine, sample by sample, that may die away: a complex number that is turned and shortened by the same each time, so
 * that no sine has to be worked out for each of a film's hundreds of thousands of samples.
 */
final class Partial {
    private final double turnReal;
    private final double turnImaginary;
    private double real;
    private double imaginary;

    /**
     * @param pitch in hertz
     * @param phase of the first sample, in radians
     * @param decay the seconds in which it falls to 1/e; infinite for one that stays
     */
    Partial(double loudness, double pitch, double phase, double decay, double samplesPerSecond) {
        double turn = 2 * Math.PI * pitch / samplesPerSecond;
        double shorter = StrictMath.exp(-1 / (decay * samplesPerSecond));
        turnReal = shorter * StrictMath.cos(turn);
        turnImaginary = shorter * StrictMath.sin(turn);
        real = loudness * StrictMath.cos(phase);
        imaginary = loudness * StrictMath.sin(phase);
    }

    double next() {
        double now = imaginary;
        double nextReal = real * turnReal - imaginary * turnImaginary;
        imaginary = real * turnImaginary + imaginary * turnReal;
        real = nextReal;
        return now;
    }
}
