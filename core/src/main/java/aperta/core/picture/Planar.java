package aperta.core.picture;

import java.util.Arrays;

/**
 * 8-bit planes Y′, Cb, Cr with half as many chroma samples in each direction (4:2:0), as most cameras and codecs give
 * them. Chroma is interpolated evenly between its samples.
 *
 * @param coding which of the standards' numbers the samples follow
 */
public record Planar(int width, int height, Coding coding, byte[] data) implements Pixels {
    /**
     * How samples stand for colours.
     *
     * @param kr and {@code kb}: the weights of red and blue in luma (BT.709: 0.2126 and 0.0722; BT.601: 0.299 and 0.114)
     * @param full whether samples use 0 to 255 rather than 16 to 235 and 240
     * @param centred whether chroma lies between two columns (JPEG, MPEG-1) rather than on the even ones (MPEG-2, H.264)
     */
    public record Coding(double kr, double kb, boolean full, boolean centred) {}

    private static final float[] FULL = values(0, 255);
    private static final float[] NARROW = values(16, 219);

    public Planar {
        if (data.length < size(width, height)) {
            throw new IllegalArgumentException("There are fewer samples than pixels.");
        }
    }

    private static float[] values(int black, int range) {
        float[] all = new float[256];
        for (int i = 0; i < 256; i++) {
            all[i] = (i - black) * (1f / range);
        }
        return all;
    }

    /** The bytes of a frame; odd sides have their chroma rounded up. */
    public static long size(int width, int height) {
        return (long) width * height + 2L * ((width + 1) / 2) * ((height + 1) / 2);
    }

    @Override
    public boolean hasAlpha() {
        return false;
    }

    @Override
    public long bytes() {
        return data.length;
    }

    @Override
    public Planar reduced(int by) {
        int w = (width + by - 1) / by;
        int h = (height + by - 1) / by;
        int cw = (width + 1) / 2;
        int ch = (height + 1) / 2;
        byte[] next = new byte[Math.toIntExact(size(w, h))];
        int less = ((w + 1) / 2) * ((h + 1) / 2);
        reduce(0, width, height, by, next, 0, w, h);
        reduce(width * height, cw, ch, by, next, w * h, (w + 1) / 2, (h + 1) / 2);
        reduce(width * height + cw * ch, cw, ch, by, next, w * h + less, (w + 1) / 2, (h + 1) / 2);
        return new Planar(w, h, coding, next);
    }

    /** Rows are summed first, pixel by pixel, which a processor does for many at once. */
    private void reduce(int plane, int w, int h, int by, byte[] into, int at, int nextW, int nextH) {
        int[] sums = new int[w];
        for (int y = 0; y < nextH; y++) {
            int y0 = Math.min(h - 1, y * by);
            int y1 = Math.max(y0 + 1, Math.min(h, y0 + by));
            Arrays.fill(sums, 0);
            for (int v = y0; v < y1; v++) {
                int row = plane + v * w;
                for (int x = 0; x < w; x++) {
                    sums[x] += data[row + x] & 0xff;
                }
            }
            for (int x = 0; x < nextW; x++) {
                int x0 = x * by;
                int x1 = Math.min(w, x0 + by);
                int sum = 0;
                for (int i = x0; i < x1; i++) {
                    sum += sums[i];
                }
                int count = (y1 - y0) * Math.max(1, x1 - x0);
                into[at + y * nextW + x] = (byte) ((sum + count / 2) / count);
            }
        }
    }

    @Override
    public void row(int y, int x, int count, Picture into, int at) {
        float[] cb = into.green;
        float[] cr = into.red;
        int plane = ((width + 1) / 2) * ((height + 1) / 2);
        chroma(width * height, y, x, count, cb, at);
        chroma(width * height + plane, y, x, count, cr, at);
        float chromaScale = coding.full ? 1 / 255f : 1 / 224f;
        float redPerCr = (float) (2 * (1 - coding.kr)) * chromaScale;
        float bluePerCb = (float) (2 * (1 - coding.kb)) * chromaScale;
        double kg = 1 - coding.kr - coding.kb;
        float greenPerCb = (float) (2 * (1 - coding.kb) * coding.kb / kg) * chromaScale;
        float greenPerCr = (float) (2 * (1 - coding.kr) * coding.kr / kg) * chromaScale;
        luma(y * width + x, count, coding.full ? FULL : NARROW, into.alpha, at);
        float[] red = into.red;
        float[] green = into.green;
        float[] blue = into.blue;
        float[] luma = into.alpha;
        for (int i = at; i < at + count; i++) {
            float l = luma[i];
            float b = green[i];
            float r = red[i];
            float nextRed = l + redPerCr * r;
            float nextGreen = l - greenPerCb * b - greenPerCr * r;
            float nextBlue = l + bluePerCb * b;
            // Comparisons: the library's minimum and maximum cost three times as much here.
            red[i] = nextRed < 0 ? 0 : nextRed > 1 ? 1 : nextRed;
            green[i] = nextGreen < 0 ? 0 : nextGreen > 1 ? 1 : nextGreen;
            blue[i] = nextBlue < 0 ? 0 : nextBlue > 1 ? 1 : nextBlue;
        }
        Arrays.fill(into.alpha, at, at + count, 1);
    }

    private void luma(int from, int count, float[] values, float[] into, int at) {
        for (int k = 0; k < count; k++) {
            into[at + k] = values[data[from + k] & 0xff];
        }
    }

    /** Chroma around 0, in steps, at full size: mixed first from two rows, then from two columns where between samples. */
    private void chroma(int plane, int y, int x, int count, float[] into, int at) {
        int w = (width + 1) / 2;
        int h = (height + 1) / 2;
        int near = y / 2;
        int other = Math.min(h - 1, Math.max(0, near + (y % 2 == 0 ? -1 : 1)));
        int first = Math.max(0, x / 2 - 1);
        int last = Math.min(w - 1, (x + count - 1) / 2 + 1);
        // One more on either side, so that the edge's own sample stands for the one beyond it.
        float[] mixed = new float[last - first + 3];
        for (int i = first; i <= last; i++) {
            mixed[i - first + 1] =
                    (3 * (data[plane + near * w + i] & 0xff) + (data[plane + other * w + i] & 0xff)) * 0.25f - 128;
        }
        mixed[0] = mixed[1];
        mixed[mixed.length - 1] = mixed[mixed.length - 2];
        if (coding.centred) {
            spread(mixed, first, x, count, 0.25f, 0.75f, into, at);
        } else {
            spread(mixed, first, x, count, 0, 0.5f, into, at);
        }
    }

    /** Even columns lie at a sample, pulled towards the one before; odd ones between it and the one after. */
    private static void spread(
            float[] mixed, int first, int x, int count, float before, float here, float[] into, int at) {
        int k = 0;
        int i = x / 2 - first + 1;
        if (x % 2 == 1) {
            into[at] = mixed[i] * here + mixed[i + 1] * (1 - here);
            k = 1;
            i++;
        }
        for (; k + 1 < count; k += 2, i++) {
            into[at + k] = mixed[i] + (mixed[i - 1] - mixed[i]) * before;
            into[at + k + 1] = mixed[i + 1] + (mixed[i] - mixed[i + 1]) * here;
        }
        if (k < count) {
            into[at + k] = mixed[i] + (mixed[i - 1] - mixed[i]) * before;
        }
    }
}
