package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.VideoWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** VP9 in WebM: 4:2:0 with alpha, 8 bits, and Opus. */
final class Vp9Alpha implements Output {
    @Override
    public Description description() {
        return new Description(
                "VP9", "VP9 with alpha", "For the web: WebM with alpha and sound.", ".webm", "video/webm", true);
    }

    @Override
    public Optional<String> refusal(Format format) {
        return EvenSides.demanded("VP9", format);
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        return new VideoWriter(
                file,
                format,
                VideoWriter.Frames.rgba(format),
                VideoWriter.with(sound, "-c:a", "libopus", "-b:a", "160k"),
                List.of(
                        "-vf",
                        Bt709.FILTER,
                        "-c:v",
                        "libvpx-vp9",
                        // Frames that are shown later have no alpha of their own.
                        "-auto-alt-ref",
                        "0",
                        "-crf",
                        "18",
                        "-b:v",
                        "0",
                        "-deadline",
                        "good",
                        "-cpu-used",
                        "4",
                        "-threads",
                        "2",
                        "-pix_fmt",
                        "yuva420p",
                        // Otherwise the container is given numbers by chance.
                        "-fflags",
                        "+bitexact",
                        "-f",
                        "webm"));
    }
}
