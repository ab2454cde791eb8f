package aperta.core.picture;

import java.util.Arrays;

/**
 * Rows of straight samples: red, green, blue and, with 4 channels, alpha.
 *
 * @param bits 8, or 16 with the low byte first
 * @param white the samples that stand for 1
 */
public record Packed(int width, int height, int channels, int bits, White white, byte[] data) implements Pixels {
    /** The sample that stands for a colour of 1, and the one that stands for an alpha of 1; more than that is 1 too. */
    public record White(int colour, int alpha) {
        public static final White OF_8_BITS = new White(255, 255);
        public static final White OF_16_BITS = new White(65535, 65535);
    }

    public Packed {
        if (channels != 3 && channels != 4 || bits != 8 && bits != 16) {
            throw new IllegalArgumentException("Packed pixels have 3 or 4 channels of 8 or 16 bits.");
        }
        if (data.length < (long) width * height * channels * (bits / 8)) {
            throw new IllegalArgumentException("There are fewer samples than pixels.");
        }
    }

    /** Samples of which the largest stands for 1. */
    public Packed(int width, int height, int channels, int bits, byte[] data) {
        this(width, height, channels, bits, bits == 8 ? White.OF_8_BITS : White.OF_16_BITS, data);
    }

    @Override
    public boolean hasAlpha() {
        return channels == 4;
    }

    @Override
    public long bytes() {
        return data.length;
    }

    /** Colours are averaged as they are seen: each weighed by its alpha. */
    @Override
    public Packed reduced(int by) {
        int w = (width + by - 1) / by;
        int h = (height + by - 1) / by;
        byte[] next = new byte[w * h * channels * (bits / 8)];
        long[] sums = new long[w * channels];
        for (int y = 0; y < h; y++) {
            Arrays.fill(sums, 0);
            int bottom = Math.min(height, y * by + by);
            for (int v = y * by; v < bottom; v++) {
                if (hasAlpha()) {
                    addWeighed(v, by, sums);
                } else {
                    add(v, by, sums);
                }
            }
            for (int x = 0; x < w; x++) {
                int count = (Math.min(width, x * by + by) - x * by) * (bottom - y * by);
                long alpha = hasAlpha() ? sums[x * channels + 3] : 0;
                for (int c = 0; c < channels; c++) {
                    long all = hasAlpha() && c < 3 ? alpha : count;
                    long sum = sums[x * channels + c];
                    put(next, (y * w + x) * channels + c, all == 0 ? 0 : (int) ((sum + all / 2) / all));
                }
            }
        }
        return new Packed(w, h, channels, bits, white, next);
    }

    /** Adds the samples of a row, so many pixels each to one sum. */
    private void add(int row, int by, long[] sums) {
        int from = row * width * channels;
        for (int c = 0; c < channels; c++) {
            for (int x = 0, sum = c; x < width; x += by, sum += channels) {
                int end = from + Math.min(width, x + by) * channels;
                long all = 0;
                for (int k = from + x * channels + c; k < end; k += channels) {
                    all += whole(k);
                }
                sums[sum] += all;
            }
        }
    }

    /** The same, colours times alpha. */
    private void addWeighed(int row, int by, long[] sums) {
        int k = row * width * channels;
        for (int x = 0; x < width; x++, k += channels) {
            int sum = x / by * channels;
            long alpha = whole(k + 3);
            sums[sum] += whole(k) * alpha;
            sums[sum + 1] += whole(k + 1) * alpha;
            sums[sum + 2] += whole(k + 2) * alpha;
            sums[sum + 3] += alpha;
        }
    }

    @Override
    public void row(int y, int x, int count, Picture into, int at) {
        int j = (y * width + x) * channels;
        float colour = 1f / white.colour;
        float opaque = 1f / white.alpha;
        for (int i = at; i < at + count; i++, j += channels) {
            float a = channels == 4 ? sample(j + 3, opaque) : 1;
            into.red[i] = sample(j, colour) * a;
            into.green[i] = sample(j + 1, colour) * a;
            into.blue[i] = sample(j + 2, colour) * a;
            into.alpha[i] = a;
        }
    }

    private float sample(int i, float unit) {
        float value = whole(i) * unit;
        return value > 1 ? 1 : value;
    }

    private int whole(int i) {
        return bits == 8 ? data[i] & 0xff : (data[2 * i] & 0xff) | (data[2 * i + 1] & 0xff) << 8;
    }

    private void put(byte[] into, int i, int value) {
        if (bits == 8) {
            into[i] = (byte) value;
        } else {
            into[2 * i] = (byte) value;
            into[2 * i + 1] = (byte) (value >> 8);
        }
    }
}
