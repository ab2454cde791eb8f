package aperta.media.ffmpeg;

import aperta.core.picture.Picture;

/** Takes the frames of a shot in order and makes a file of them. */
public interface FrameWriter extends AutoCloseable {
    /**
     * @param picture whose domain is the whole frame
     * @param number of the frame in the shot, which seeds the dither
     * @throws MediaException where it can't be written
     */
    void write(Picture picture, long number);

    /** Completes the file; without it {@link #close} leaves an unfinished one. */
    void finish();

    @Override
    void close();
}
