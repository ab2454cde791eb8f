package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.PngFrames;
import java.nio.file.Path;
import java.util.Optional;

/** Numbered PNG frames with alpha in a zip file. */
final class PngSequence implements Output {
    @Override
    public String word() {
        return "PNG";
    }

    @Override
    public String label() {
        return "PNG frames";
    }

    @Override
    public String summary() {
        return "For another artist: numbered frames with alpha, 8 bits, in a zip file.";
    }

    @Override
    public String suffix() {
        return ".zip";
    }

    @Override
    public String mediaType() {
        return "application/zip";
    }

    @Override
    public boolean hasSound() {
        return false;
    }

    @Override
    public boolean hasAlpha() {
        return true;
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        return new PngFrames(file);
    }
}
