package aperta.core.picture;

/**
 * Pictures on black as 8-bit planar Y′CbCr 4:2:0 after ITU-R BT.709: Y′ 16 to 235, Cb and Cr 16 to 240, dithered.
 * Chroma lies where H.264 expects it by default (left): a [1 2 1]/4 mean across, the mean of two rows down.
 */
public final class Yuv {
    private static final float KR = 0.2126f;
    private static final float KB = 0.0722f;
    private static final float KG = 1 - KR - KB;

    private Yuv() {}

    /** The bytes that one frame takes; odd sides are not possible. */
    public static int size(int width, int height) {
        if (width % 2 != 0 || height % 2 != 0) {
            throw new IllegalArgumentException("4:2:0 needs an even width and height.");
        }
        return width * height * 3 / 2;
    }

    /** Fills {@code out} with the planes Y′, Cb, Cr of a picture whose domain is {@code frame}. */
    public static void planar420(Picture picture, Region frame, long number, byte[] out, Bands bands) {
        int w = frame.width();
        int h = frame.height();
        if (out.length < size(w, h) || !picture.domain().equals(frame)) {
            throw new IllegalArgumentException("The picture and the buffer must fit the frame.");
        }
        int seedY = Dither.seed(number, 0);
        int seedB = Dither.seed(number, 1);
        int seedR = Dither.seed(number, 2);
        int cbAt = w * h;
        int crAt = cbAt + cbAt / 4;
        bands.run(h / 2, 8, (from, to) -> {
            float[] cb = new float[w + 1];
            float[] cr = new float[w + 1];
            for (int row = from; row < to; row++) {
                java.util.Arrays.fill(cb, 0);
                java.util.Arrays.fill(cr, 0);
                for (int y = 2 * row; y < 2 * row + 2; y++) {
                    luma(picture, picture.index(frame.x(), frame.y() + y), w, y, seedY, out, cb, cr);
                }
                cb[0] = cb[1];
                cr[0] = cr[1];
                chroma(cb, row, w, seedB, out, cbAt + row * (w / 2));
                chroma(cr, row, w, seedR, out, crAt + row * (w / 2));
            }
        });
    }

    /** Writes one row of luma and adds half its colour differences, −½ to ½, to cb[1…] and cr[1…]. */
    private static void luma(Picture p, int at, int w, int y, int seed, byte[] out, float[] cb, float[] cr) {
        float[] red = p.red;
        float[] green = p.green;
        float[] blue = p.blue;
        for (int x = 0; x < w; x++) {
            float r = Math.min(1, Math.max(0, red[at + x]));
            float g = Math.min(1, Math.max(0, green[at + x]));
            float b = Math.min(1, Math.max(0, blue[at + x]));
            float luma = KR * r + KG * g + KB * b;
            out[y * w + x] = (byte) Dither.round(16 + 219 * luma, x, y, seed);
            cb[x + 1] += (b - luma) * (0.25f / (1 - KB));
            cr[x + 1] += (r - luma) * (0.25f / (1 - KR));
        }
    }

    private static void chroma(float[] c, int row, int w, int seed, byte[] out, int at) {
        for (int x = 0; x < w / 2; x++) {
            float mean = (c[2 * x] + 2 * c[2 * x + 1] + c[2 * x + 2]) / 4;
            out[at + x] = (byte) Dither.round(128 + 224 * mean, x, row, seed);
        }
    }
}
