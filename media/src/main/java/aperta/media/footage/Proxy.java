package aperta.media.footage;

import aperta.media.ffmpeg.FrameReader;
import aperta.media.ffmpeg.MediaException;
import aperta.media.ffmpeg.Probe;
import aperta.media.file.Unfinished;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;

/**
 * Half-size frames as raw samples, one after the other, so that any of them is there at once. They are the very samples
 * that a reader of the original gives at that size; a frame looks the same with and without its proxy.
 */
public final class Proxy {
    /** Longer clips are read from their originals instead. */
    static final long MOST_BYTES = 12L << 30;

    private Proxy() {}

    /**
     * Reads the whole clip once, and writes its proxy unless that would be too large.
     *
     * @return how many frames there really are
     * @throws MediaException where the clip is damaged
     */
    public static long make(Path file, Probe probe, Path proxy, LongConsumer progress, BooleanSupplier cancelled) {
        boolean keep = FrameReader.size(probe, 2) * probe.frames() <= MOST_BYTES;
        long frames;
        try (Unfinished half = new Unfinished(proxy)) {
            frames = read(file, probe, keep ? Optional.of(half.part()) : Optional.empty(), progress, cancelled);
            if (frames < probe.frames() * 0.98 - 2) {
                throw new MediaException("The video breaks off after frame " + frames + " of " + probe.frames()
                        + ": it is cut off or damaged.");
            }
            if (keep) {
                half.finish();
            }
        } catch (IOException e) {
            throw new MediaException("The proxy couldn't be written: " + Unfinished.why(e) + ".", e);
        }
        return frames;
    }

    private static long read(
            Path file, Probe probe, Optional<Path> into, LongConsumer progress, BooleanSupplier cancelled)
            throws IOException {
        long frames = 0;
        try (FrameReader reader = FrameReader.inBackground(file, probe, 2);
                OutputStream out = into.isPresent()
                        ? new BufferedOutputStream(Files.newOutputStream(into.get()))
                        : OutputStream.nullOutputStream()) {
            for (Optional<byte[]> f = reader.next(); f.isPresent(); f = reader.next()) {
                out.write(f.get());
                progress.accept(++frames);
                if (cancelled.getAsBoolean()) {
                    throw new MediaException("The import was cancelled.");
                }
            }
        }
        return frames;
    }

    static byte[] frame(Path proxy, Probe probe, long number) throws IOException {
        int size = FrameReader.size(probe, 2);
        ByteBuffer buffer = ByteBuffer.allocate(size);
        try (FileChannel channel = FileChannel.open(proxy, StandardOpenOption.READ)) {
            long at = number * size;
            int got = 1;
            while (buffer.hasRemaining() && got > 0) {
                got = channel.read(buffer, at + buffer.position());
            }
        }
        if (buffer.hasRemaining()) {
            throw new IOException("The proxy ends before frame " + number + ".");
        }
        return buffer.array();
    }
}
