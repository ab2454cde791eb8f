package aperta.core.sound;

/** Recorded sound, at {@link Mixdown#RATE} samples a second, in two channels. */
public interface Samples {
    /** How many samples a channel has. */
    long length(String media);

    /**
     * Reads samples, left and right in turn; silence before the first and after the last.
     *
     * @param from the first sample, which may lie outside
     */
    void read(String media, long from, float[] into);
}
