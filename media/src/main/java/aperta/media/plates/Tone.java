package aperta.media.plates;

/** A sound that is made, the same on every machine. */
public interface Tone {
    /** Short, for file names. */
    String id();

    /** For people. */
    String name();

    /** 48 000 samples a second, left and right in turn, within ±1. */
    float[] samples();
}
