package aperta.core.picture;

/**
 * A decoded frame as it comes from a file: rows of straight, display-encoded samples, 3 (opaque) or 4 channels, 8 or
 * 16 bits each.
 *
 * @param data 8-bit samples, or 16-bit samples with the low byte first
 */
public record Pixels(int width, int height, int channels, int bits, byte[] data) {
    public Pixels {
        if (channels != 3 && channels != 4 || bits != 8 && bits != 16) {
            throw new IllegalArgumentException("Pixels have 3 or 4 channels of 8 or 16 bits.");
        }
        if (data.length < (long) width * height * channels * (bits / 8)) {
            throw new IllegalArgumentException("There are fewer samples than pixels.");
        }
    }

    public boolean hasAlpha() {
        return channels == 4;
    }

    /** A sample as 0 to 1. */
    float sample(int x, int y, int channel) {
        int i = (y * width + x) * channels + channel;
        return bits == 8
                ? (data[i] & 0xff) * (1 / 255f)
                : ((data[2 * i] & 0xff) | (data[2 * i + 1] & 0xff) << 8) * (1 / 65535f);
    }
}
