package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import java.nio.file.Path;
import java.util.Optional;

/** A kind of file that a shot can be rendered to: what it is for, what it can hold, how it is written and read back. */
public interface Output {
    /** What is known of it. */
    Description description();

    /**
     * What is known of an output.
     *
     * @param word that names it in jobs and requests
     * @param label for people
     * @param summary one sentence that says what it is for and what it holds
     * @param suffix the ending of its files, with the dot
     * @param mediaType of its files
     * @param sound whether its files hold sound
     */
    record Description(String word, String label, String summary, String suffix, String mediaType, boolean sound) {}

    default String word() {
        return description().word();
    }

    default String label() {
        return description().label();
    }

    default String suffix() {
        return description().suffix();
    }

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
