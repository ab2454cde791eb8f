package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import java.nio.file.Path;
import java.util.Optional;

/** A kind of file that a shot can be rendered to: what it is for, what it can hold, how it is written and read back. */
public interface Output {
    /** The word that names it in jobs and requests. */
    String word();

    /** For people. */
    String label();

    /** One sentence that says what it is for and what it holds. */
    String summary();

    /** The ending of its files, with the dot. */
    String suffix();

    /** The media type of its files. */
    String mediaType();

    /** Whether its files hold sound. */
    boolean hasSound();

    /** Whether its files keep what is transparent. */
    boolean hasAlpha();

    /** Why it can't hold pictures of a format, as a plain sentence; nothing where it can. */
    default Optional<String> refusal(Format format) {
        return Optional.empty();
    }

    /**
     * What takes the frames in order. It reads the file back before it has finished.
     *
     * @param sound a WAV file that goes with the pictures
     */
    FrameWriter writer(Path file, Format format, Optional<Path> sound);
}
