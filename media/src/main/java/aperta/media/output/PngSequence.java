package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.PngFrames;
import java.nio.file.Path;
import java.util.Optional;

/** Numbered PNG frames with alpha in a zip file. */
final class PngSequence implements Output {
    @Override
    public Description description() {
        return new Description(
                "PNG",
                "PNG frames",
                "For another artist: numbered frames with alpha, 8 bits, in a zip file.",
                ".zip",
                "application/zip",
                false);
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        return new PngFrames(file);
    }
}
