package aperta.core.picture;

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
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int x1 = Math.min(width, x * by + by);
                int y1 = Math.min(height, y * by + by);
                for (int c = 0; c < channels; c++) {
                    float sum = 0;
                    for (int v = y * by; v < y1; v++) {
                        for (int u = x * by; u < x1; u++) {
                            sum += sample((v * width + u) * channels + c);
                        }
                    }
                    int count = (x1 - x * by) * (y1 - y * by);
                    next[(y * w + x) * channels + c] = (byte) Math.round(sum / count * 255);
                }
            }
        }
        return new Packed(w, h, channels, 8, next);
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
        return bits == 8
                ? (data[i] & 0xff) * (1 / 255f)
                : ((data[2 * i] & 0xff) | (data[2 * i + 1] & 0xff) << 8) * (1 / 65535f);
    }
}
