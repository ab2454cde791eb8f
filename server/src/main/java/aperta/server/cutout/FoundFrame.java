package aperta.server.cutout;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.media.ffmpeg.MediaException;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/**
 * The coverage of a figure on one frame, in bytes: where it lies, how sure it is, and 0 to 255 for each pixel, deflated
 * (RFC 1950).
 */
record FoundFrame(Region part, double sure, byte[] coverage) {
    private static final int WHOLE = 255;

    static FoundFrame of(Matte alpha, double sure) {
        Region part = alpha.domain();
        byte[] coverage = new byte[part.width() * part.height()];
        for (int y = 0; y < part.height(); y++) {
            for (int x = 0; x < part.width(); x++) {
                float a = alpha.at(part.x() + x, part.y() + y);
                coverage[y * part.width() + x] = (byte) Math.round(Math.max(0, Math.min(1, a)) * WHOLE);
            }
        }
        return new FoundFrame(part, sure, coverage);
    }

    Matte matte() {
        float[] v = new float[coverage.length];
        for (int i = 0; i < v.length; i++) {
            v[i] = (coverage[i] & 0xff) / (float) WHOLE;
        }
        return new Matte(part, v);
    }

    /** How many pixels it covers, partly covered ones in part. */
    double area() {
        long sum = 0;
        for (byte c : coverage) {
            sum += c & 0xff;
        }
        return (double) sum / WHOLE;
    }

    /** All of a frame, 0 where nothing is known of the figure. */
    byte[] frame(int width, int height) {
        byte[] all = new byte[Math.multiplyExact(width, height)];
        for (int y = 0; y < part.height(); y++) {
            System.arraycopy(coverage, y * part.width(), all, (part.y() + y) * width + part.x(), part.width());
        }
        return all;
    }

    /** The same in pixels of half the size, rounded up. */
    FoundFrame half() {
        int x = part.x() / 2;
        int y = part.y() / 2;
        Region small = new Region(x, y, (part.right() + 1) / 2 - x, (part.bottom() + 1) / 2 - y);
        int[] sums = new int[small.width() * small.height()];
        for (int v = 0; v < part.height(); v++) {
            for (int u = 0; u < part.width(); u++) {
                int at = ((part.y() + v) / 2 - y) * small.width() + (part.x() + u) / 2 - x;
                sums[at] += coverage[v * part.width() + u] & 0xff;
            }
        }
        byte[] means = new byte[sums.length];
        for (int i = 0; i < means.length; i++) {
            means[i] = (byte) ((sums[i] + 2) / 4);
        }
        return new FoundFrame(small, sure, means);
    }

    byte[] write() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(new DeflaterOutputStream(bytes))) {
            out.writeInt(part.x());
            out.writeInt(part.y());
            out.writeInt(part.width());
            out.writeInt(part.height());
            out.writeDouble(sure);
            out.write(coverage);
        } catch (IOException e) {
            throw new IllegalStateException("Memory can be written to.", e);
        }
        return bytes.toByteArray();
    }

    static FoundFrame read(byte[] bytes) {
        try (DataInputStream in = new DataInputStream(new InflaterInputStream(new ByteArrayInputStream(bytes)))) {
            Region part = new Region(in.readInt(), in.readInt(), in.readInt(), in.readInt());
            double sure = in.readDouble();
            return new FoundFrame(part, sure, in.readAllBytes());
        } catch (IOException e) {
            throw new MediaException("What was found of a figure can't be read.", e);
        }
    }
}
