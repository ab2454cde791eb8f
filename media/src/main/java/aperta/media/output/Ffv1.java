package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.VideoWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** FFV1 in Matroska (RFC 9043): red, green, blue and alpha of 8 bits without loss, and FLAC. */
final class Ffv1 implements Output {
    @Override
    public Description description() {
        return new Description(
                "FFV1",
                "Lossless FFV1",
                "For the archive: Matroska in which every value of 8 bits comes back, with alpha and sound.",
                ".mkv",
                "video/x-matroska",
                true);
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        return new VideoWriter(
                file,
                format,
                VideoWriter.Frames.rgba(format),
                VideoWriter.with(sound, "-c:a", "flac"),
                List.of(
                        "-c:v",
                        "ffv1",
                        "-level",
                        "3",
                        "-slicecrc",
                        "1",
                        "-slices",
                        "4",
                        "-threads",
                        "1",
                        "-pix_fmt",
                        "bgra",
                        // Otherwise the container is given numbers by chance.
                        "-fflags",
                        "+bitexact",
                        "-f",
                        "matroska"));
    }
}
