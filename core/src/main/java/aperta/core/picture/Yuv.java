package aperta.core.picture;

import java.util.Arrays;

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
        int cbAt = w * h;
        int crAt = cbAt + cbAt / 4;
        bands.run(h / 2, 8, (from, to) -> {
            Row row = new Row(w);
            for (int pair = from; pair < to; pair++) {
                Arrays.fill(row.cb, 0);
                Arrays.fill(row.cr, 0);
                for (int y = 2 * pair; y < 2 * pair + 2; y++) {
                    luma(picture, picture.index(frame.x(), frame.y() + y), w, row);
                    whole(row.luma, w, 219, 16, Dither.start(y, number, 0), out, y * w);
                }
                row.cb[0] = row.cb[1];
                row.cr[0] = row.cr[1];
                chroma(row.cb, w / 2);
                chroma(row.cr, w / 2);
                whole(row.cb, w / 2, 224, 128, Dither.start(pair, number, 1), out, cbAt + pair * (w / 2));
                whole(row.cr, w / 2, 224, 128, Dither.start(pair, number, 2), out, crAt + pair * (w / 2));
            }
        });
    }

    /** Values of one row on their way; cb and cr begin one place to the right. */
    private static final class Row {
        private final float[] red;
        private final float[] green;
        private final float[] blue;
        private final float[] luma;
        private final float[] cb;
        private final float[] cr;

        Row(int w) {
            red = new float[w];
            green = new float[w];
            blue = new float[w];
            luma = new float[w];
            cb = new float[w + 1];
            cr = new float[w + 1];
        }
    }

    /** Luma, 0 to 1, of one row; half its colour differences, −½ to ½, are added to cb[1…] and cr[1…]. */
    private static void luma(Picture p, int at, int w, Row row) {
        clamp(p.red, at, w, row.red);
        clamp(p.green, at, w, row.green);
        clamp(p.blue, at, w, row.blue);
        weigh(row.red, row.green, row.blue, w, row.luma);
        difference(row.blue, row.luma, w, 0.25f / (1 - KB), row.cb);
        difference(row.red, row.luma, w, 0.25f / (1 - KR), row.cr);
    }

    // Loops that do one thing each are what the compiler turns into vector instructions.

    private static void clamp(float[] from, int at, int count, float[] into) {
        for (int x = 0; x < count; x++) {
            // Comparisons: the library's minimum and maximum cost three times as much here.
            float v = from[at + x];
            into[x] = v < 0 ? 0 : v > 1 ? 1 : v;
        }
    }

    private static void weigh(float[] r, float[] g, float[] b, int count, float[] into) {
        for (int x = 0; x < count; x++) {
            into[x] = KR * r[x] + KG * g[x] + KB * b[x];
        }
    }

    private static void difference(float[] colour, float[] luma, int count, float scale, float[] into) {
        for (int x = 0; x < count; x++) {
            into[x + 1] += (colour[x] - luma[x]) * scale;
        }
    }

    /** The mean around every other column, in place: the first {@code half} values are the result. */
    private static void chroma(float[] c, int half) {
        for (int x = 0; x < half; x++) {
            c[x] = (c[2 * x] + 2 * c[2 * x + 1] + c[2 * x + 2]) / 4;
        }
    }

    private static void whole(float[] v, int count, float scale, float zero, int noise, byte[] out, int at) {
        for (int x = 0; x < count; x++) {
            out[at + x] = (byte) (int) (zero + scale * v[x] + Dither.OFFSETS[noise + x]);
        }
    }
}
