package aperta.media.plates;

import aperta.media.sound.Wave;

/** A sound that is made, the same on every machine. */
public interface Tone extends MadeFile {
    /** 48 000 samples a second, left and right in turn, within ±1. */
    float[] samples();

    @Override
    default String ending() {
        return ".wav";
    }

    @Override
    default byte[] file() {
        return Wave.of(samples());
    }
}
