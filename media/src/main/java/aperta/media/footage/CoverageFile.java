package aperta.media.footage;

import aperta.core.shot.Format;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.VideoWriter;
import java.nio.file.Path;
import java.util.List;

/** The coverage of a figure on consecutive frames, as a file: grey of 8 bits without loss, FFV1 (RFC 9043) in Matroska. */
public final class CoverageFile implements AutoCloseable {
    public static final String ENDING = ".mkv";

    private final VideoWriter writer;

    public CoverageFile(Path file, int width, int height, Rate rate) {
        writer = new VideoWriter(
                file,
                new Format(width, height, rate),
                new VideoWriter.Frames("gray", Math.multiplyExact(width, height), (shown, out) -> {
                    throw new IllegalStateException("Coverage isn't painted.");
                }),
                List.of(),
                List.of(
                        "-c:v",
                        "ffv1",
                        "-level",
                        "3",
                        "-g",
                        "1",
                        "-slices",
                        "4",
                        "-threads",
                        "1",
                        "-pix_fmt",
                        "gray",
                        // Otherwise the container is given numbers by chance.
                        "-fflags",
                        "+bitexact",
                        "-f",
                        "matroska"));
    }

    /** @param coverage of each pixel, row by row, 0 to 255 */
    public void write(byte[] coverage) {
        writer.write(coverage);
    }

    /** @throws aperta.media.ffmpeg.MediaException with a plain sentence where it can't be written whole */
    public void finish() {
        writer.finish();
    }

    @Override
    public void close() {
        writer.close();
    }
}
