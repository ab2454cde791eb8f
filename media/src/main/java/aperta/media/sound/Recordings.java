package aperta.media.sound;

import aperta.core.sound.Samples;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.function.Function;

/** Sounds by the ids that a shot uses, from files of bare samples as {@link SoundFile} makes them. */
public final class Recordings implements Samples {
    private static final int BYTES = 8;

    private final Function<String, Path> files;

    /** @param files finds the file of samples; throws an IllegalArgumentException where there is none */
    public Recordings(Function<String, Path> files) {
        this.files = files;
    }

    /** No sound at all. */
    public static Recordings none() {
        return new Recordings(id -> {
            throw new IllegalArgumentException("There is no sound '" + id + "'.");
        });
    }

    @Override
    public long length(String media) {
        try {
            return Files.size(files.apply(media)) / BYTES;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void read(String media, long from, float[] into) {
        Path file = files.apply(media);
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            long length = channel.size() / BYTES;
            long first = Math.max(0, from);
            long last = Math.min(length, from + into.length / 2);
            Arrays.fill(into, 0);
            if (last <= first) {
                return;
            }
            ByteBuffer bytes = ByteBuffer.allocate((int) (last - first) * BYTES).order(ByteOrder.LITTLE_ENDIAN);
            long at = first * BYTES;
            while (bytes.hasRemaining()) {
                int n = channel.read(bytes, at + bytes.position());
                if (n < 0) {
                    break;
                }
            }
            bytes.flip();
            bytes.asFloatBuffer().get(into, (int) (first - from) * 2, bytes.limit() / 4);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
