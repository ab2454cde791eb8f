package aperta.media.output;

import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.VideoWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** ProRes 4444 in MOV: 4:4:4 with straight alpha, 10 bits each, tagged BT.709, and PCM. */
final class ProRes4444 implements Output {
    @Override
    public Description description() {
        return new Description(
                "PRORES",
                "ProRes 4444",
                "For the edit and for other artists: MOV with straight alpha and sound.",
                ".mov",
                "video/quicktime",
                true);
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        return new VideoWriter(
                file,
                format,
                VideoWriter.Frames.rgba(format),
                VideoWriter.with(sound, "-c:a", "pcm_s24le"),
                List.of(
                        "-vf",
                        Bt709.FILTER,
                        "-c:v",
                        "prores_ks",
                        "-profile:v",
                        "4444",
                        "-alpha_bits",
                        "16",
                        "-vendor",
                        "apl0",
                        "-pix_fmt",
                        "yuva444p10le",
                        "-f",
                        "mov"));
    }
}
