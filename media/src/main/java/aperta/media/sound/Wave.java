package aperta.media.sound;

import aperta.core.sound.Mixdown;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** WAV files of 16 bits and two channels, after Multimedia Programming Interface and Data Specifications 1.0 (1991). */
public final class Wave {
    private static final int FRAME = 4;
    private static final int HEADER = 44;

    private Wave() {}

    /** A whole file. */
    public static byte[] of(float[] samples) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(header(samples.length / 2));
        out.writeBytes(Mixdown.sixteen(samples));
        return out.toByteArray();
    }

    /** What a shot sounds like, mixed {@code part} samples at a time. */
    public static void write(Mixdown mixdown, OutputStream out, int part) throws IOException {
        long length = mixdown.length();
        out.write(header(length));
        for (long at = 0; at < length; at += part) {
            out.write(Mixdown.sixteen(mixdown.read(at, (int) Math.min(part, length - at))));
        }
    }

    /** How many bytes that are. */
    public static long size(Mixdown mixdown) {
        return HEADER + mixdown.length() * FRAME;
    }

    private static byte[] header(long samples) {
        int bytes = (int) Math.min(Integer.MAX_VALUE - 64L, samples * FRAME);
        return ByteBuffer.allocate(HEADER)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(tag("RIFF"))
                .putInt(36 + bytes)
                .put(tag("WAVEfmt "))
                .putInt(16)
                .putShort((short) 1)
                .putShort((short) 2)
                .putInt(Mixdown.RATE)
                .putInt(Mixdown.RATE * FRAME)
                .putShort((short) FRAME)
                .putShort((short) 16)
                .put(tag("data"))
                .putInt(bytes)
                .array();
    }

    private static byte[] tag(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }
}
