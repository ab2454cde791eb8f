package aperta.core.picture;

import java.util.Arrays;

/**
 * Rows of straight samples: red, green, blue and, with 4 channels, alpha.
 *
 * @param bits 8, or 16 with the low byte first
 */
public record Packed(int width, int height, int channels, int bits, byte[] data) implements Pixels {
    public Packed {
        if (channels != 3 && channels != 4 || bits != 8 && bits != 16) {
            throw new IllegalArgumentException("Packed pixels have 3 or 4 channels of 8 or 16 bits.");
        }
        if (data.length < (long) width * height * channels * (bits / 8)) {
            throw new IllegalArgumentException("There are fewer samples than pixels.");
        }
    }

    @Override
    public boolean hasAlpha() {
        return channels == 4;
    }

    @Override
    public long bytes() {
        return data.length;
    }

    @Override
    public Packed reduced(int by) {
        int w = (width + by - 1) / by;
        int h = (height + by - 1) / by;
        byte[] next = new byte[w * h * channels];
        int[] sums = new int[w * channels];
        float most = bits == 8 ? 255 : 65535;
        for (int y = 0; y < h; y++) {
            Arrays.fill(sums, 0);
            int bottom = Math.min(height, y * by + by);
            for (int v = y * by; v < bottom; v++) {
                add(v, by, sums);
            }
            for (int x = 0; x < w; x++) {
                int count = (Math.min(width, x * by + by) - x * by) * (bottom - y * by);
                for (int c = x * channels; c < (x + 1) * channels; c++) {
                    next[y * w * channels + c] = (byte) Math.round(sums[c] / (count * most) * 255);
                }
            }
        }
        return new Packed(w, h, channels, 8, next);
    }

    /** Adds the samples of a row, so many pixels each to one sum. */
    private void add(int row, int by, int[] sums) {
        int from = row * width * channels;
        for (int c = 0; c < channels; c++) {
            for (int x = 0, sum = c; x < width; x += by, sum += channels) {
                int end = from + Math.min(width, x + by) * channels;
                int all = 0;
                for (int k = from + x * channels + c; k < end; k += channels) {
                    all += whole(k);
                }
                sums[sum] += all;
            }
        }
    }

    @Override
    public void row(int y, int x, int count, Picture into, int at) {
        int j = (y * width + x) * channels;
        for (int i = at; i < at + count; i++, j += channels) {
            float a = channels == 4 ? sample(j + 3) : 1;
            into.red[i] = sample(j) * a;
            into.green[i] = sample(j + 1) * a;
            into.blue[i] = sample(j + 2) * a;
            into.alpha[i] = a;
        }
    }

    private float sample(int i) {
        return whole(i) * (bits == 8 ? 1 / 255f : 1 / 65535f);
    }

    private int whole(int i) {
        return bits == 8 ? data[i] & 0xff : (data[2 * i] & 0xff) | (data[2 * i + 1] & 0xff) << 8;
    }
}
