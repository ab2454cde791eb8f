package aperta.media.footage;

import aperta.media.ffmpeg.Probe;
import java.nio.file.Path;
import java.util.Optional;

/**
 * A file of pictures that a shot may show.
 *
 * @param content names what the file holds, the hash of its bytes
 * @param proxy half-size frames, one after the other
 */
public record Clip(String content, Path file, Probe probe, Optional<Path> proxy) {
    /** The same, read through since: with the frames that there are, and a proxy. */
    public Clip imported(long frames, Optional<Path> madeProxy) {
        return new Clip(content, file, probe.withFrames(frames), madeProxy);
    }
}
