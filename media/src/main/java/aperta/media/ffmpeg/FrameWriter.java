package aperta.media.ffmpeg;

import aperta.core.render.PreparedFrame;

/** Takes the frames of a shot in order and makes a file of them. */
public interface FrameWriter extends AutoCloseable {
    /**
     * @param shown the whole frame, to be painted
     * @param number of the frame in the shot
     * @throws MediaException where it can't be written
     */
    void write(PreparedFrame shown, long number);

    /** Completes the file; without it {@link #close} leaves an unfinished one. */
    void finish();

    @Override
    void close();
}
