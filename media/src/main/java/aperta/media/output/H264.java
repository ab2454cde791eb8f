package aperta.media.output;

import aperta.core.picture.Yuv;
import aperta.core.shot.Format;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.VideoWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** H.264 in MP4: 4:2:0, 8 bits, tagged BT.709, with its index in front, and AAC. */
public final class H264 implements Output {
    /**
     * How hard x264 tries.
     *
     * @param preset of x264, such as {@code medium}
     * @param crf the rate factor; 16 is hard to tell from the original
     * @param tune what the pictures are like, such as {@code grain}
     */
    public record Quality(String preset, int crf, Optional<String> tune) {
        public static final Quality FINE = new Quality("medium", 16, Optional.empty());
    }

    /** Of the encoder: what it writes depends on how many there are, so they are the same on every machine. */
    private static final String THREADS = "4";

    private final Quality quality;

    H264() {
        this(Quality.FINE);
    }

    public H264(Quality quality) {
        this.quality = quality;
    }

    @Override
    public Description description() {
        return new Description(
                "H264",
                "H.264",
                "For the edit and for channels: MP4 on black, 8 bits, with sound.",
                ".mp4",
                "video/mp4",
                true);
    }

    @Override
    public Optional<String> refusal(Format format) {
        return EvenSides.demanded("H.264", format);
    }

    @Override
    public FrameWriter writer(Path file, Format format, Optional<Path> sound) {
        VideoWriter.Frames frames = new VideoWriter.Frames(
                "yuv420p", Yuv.size(format.width(), format.height()), (shown, out) -> shown.planar420(out));
        return new VideoWriter(
                file, format, frames, VideoWriter.with(sound, "-c:a", "aac", "-b:a", "256k"), encoding());
    }

    private List<String> encoding() {
        List<String> all = new ArrayList<>(List.of(
                "-c:v",
                "libx264",
                "-threads",
                THREADS,
                "-x264-params",
                "cpu-independent=1",
                "-preset",
                quality.preset,
                "-crf",
                Integer.toString(quality.crf)));
        quality.tune.ifPresent(tune -> all.addAll(List.of("-tune", tune)));
        all.addAll(List.of("-pix_fmt", "yuv420p", "-movflags", "+faststart", "-f", "mp4"));
        return all;
    }
}
