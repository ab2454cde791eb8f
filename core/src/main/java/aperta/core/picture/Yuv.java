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
    /** The samples that are written. */
    private static final Planar.Coding CODING = new Planar.Coding(0.2126, 0.0722, false, false);

    private final Region frame;
    private final Transfer transfer;
    private final long number;
    private final byte[] out;
    private final int cbAt;
    private final int crAt;

    /**
     * @param transfer of the values that are converted
     * @param number of the frame, which seeds the dither
     * @param out where the planes Y′, Cb, Cr of the whole frame go
     */
    public Yuv(Region frame, Transfer transfer, long number, byte[] out) {
        if (out.length < size(frame.width(), frame.height())) {
            throw new IllegalArgumentException("The buffer must hold the frame.");
        }
        this.frame = frame;
        this.transfer = transfer;
        this.number = number;
        this.out = out;
        this.cbAt = frame.width() * frame.height();
        this.crAt = cbAt + cbAt / 4;
    }

    /** The bytes that one frame takes; odd sides are not possible. */
    public static int size(int width, int height) {
        if (width % 2 != 0 || height % 2 != 0) {
            throw new IllegalArgumentException("4:2:0 needs an even width and height.");
        }
        return width * height * 3 / 2;
    }

    /** What of the picture a part of the samples is made from: one more column on the left, for the chroma. */
    public Region needs(Region part) {
        return new Region(part.x() - 1, part.y(), part.width() + 1, part.height()).intersect(frame);
    }

    /** Writes the samples of a part with even edges from a picture of what it {@link #needs}. */
    public void convert(Picture picture, Region part) {
        if (!picture.domain().contains(needs(part)) || !isEven(part)) {
            throw new IllegalArgumentException("The picture must hold the part, whose edges must be even.");
        }
        int x0 = part.x() - frame.x();
        int w = part.width();
        Row row = new Row(w + 1);
        for (int y = part.y(); y < part.bottom(); y += 2) {
            Arrays.fill(row.cb, 0);
            Arrays.fill(row.cr, 0);
            for (int line = y; line < y + 2; line++) {
                luma(picture, line, part, row);
                int at = (line - frame.y()) * frame.width() + x0;
                int noise = Dither.start(line - frame.y(), number, 0) + x0;
                whole(row.luma, 1, w, 219, 16, noise, out, at);
            }
            chroma(row.cb, w / 2);
            chroma(row.cr, w / 2);
            int pair = (y - frame.y()) / 2;
            int at = pair * (frame.width() / 2) + x0 / 2;
            whole(row.cb, 0, w / 2, 224, 128, Dither.start(pair, number, 1) + x0 / 2, out, cbAt + at);
            whole(row.cr, 0, w / 2, 224, 128, Dither.start(pair, number, 2) + x0 / 2, out, crAt + at);
        }
    }

    /**
     * Writes the samples of a part as they are in a decoded frame, where they are of the kind that is written and lie
     * on the same raster; otherwise does nothing.
     *
     * @param dx and {@code dy}: what is added to a pixel of the picture to find that of the decoded frame
     * @return whether they were written
     */
    public boolean copy(Planar from, int dx, int dy, Region part) {
        int x = part.x() + dx;
        int y = part.y() + dy;
        if (!from.coding().equals(CODING) || !isEven(part) || !isEven(new Region(x, y, 0, 0))) {
            return false;
        }
        int at = (part.y() - frame.y()) * frame.width() + part.x() - frame.x();
        copy(from.data(), y * from.width() + x, from.width(), at, frame.width(), part.width(), part.height());
        int w = (from.width() + 1) / 2;
        int half = frame.width() / 2;
        int start = (part.y() - frame.y()) / 2 * half + (part.x() - frame.x()) / 2;
        int cb = from.width() * from.height() + y / 2 * w + x / 2;
        int cr = cb + w * ((from.height() + 1) / 2);
        copy(from.data(), cb, w, cbAt + start, half, part.width() / 2, part.height() / 2);
        copy(from.data(), cr, w, crAt + start, half, part.width() / 2, part.height() / 2);
        return true;
    }

    private void copy(byte[] from, int first, int stride, int at, int outStride, int width, int height) {
        for (int y = 0; y < height; y++) {
            System.arraycopy(from, first + y * stride, out, at + y * outStride, width);
        }
    }

    private static boolean isEven(Region r) {
        return ((r.x() | r.y() | r.width() | r.height()) & 1) == 0;
    }

    /** Values of one row on their way; the column left of it comes first. */
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
            cb = new float[w];
            cr = new float[w];
        }
    }

    /** Luma, 0 to 1, of one row; half its colour differences, −½ to ½, are added to cb and cr. */
    private void luma(Picture p, int y, Region part, Row row) {
        int w = part.width() + 1;
        // The frame's first column stands for the one beyond it.
        boolean edge = part.x() == frame.x();
        int at = p.index(part.x(), y);
        clamp(p.red, at, edge, w, row.red);
        clamp(p.green, at, edge, w, row.green);
        clamp(p.blue, at, edge, w, row.blue);
        weigh(row.red, row.green, row.blue, w, row.luma);
        difference(row.blue, row.luma, w, 0.25f / (1 - KB), row.cb);
        difference(row.red, row.luma, w, 0.25f / (1 - KR), row.cr);
    }

    // Loops that do one thing each are what the compiler turns into vector instructions.

    private void clamp(float[] from, int at, boolean edge, int count, float[] into) {
        int first = edge ? 1 : 0;
        for (int x = first; x < count; x++) {
            // Comparisons: the library's minimum and maximum cost three times as much here.
            float v = from[at + x - 1];
            into[x] = v < 0 ? 0 : v > 1 ? 1 : v;
        }
        if (edge) {
            into[0] = into[1];
        }
        transfer.toDisplay(into, count);
    }

    private static void weigh(float[] r, float[] g, float[] b, int count, float[] into) {
        for (int x = 0; x < count; x++) {
            into[x] = KR * r[x] + KG * g[x] + KB * b[x];
        }
    }

    private static void difference(float[] colour, float[] luma, int count, float scale, float[] into) {
        for (int x = 0; x < count; x++) {
            into[x] += (colour[x] - luma[x]) * scale;
        }
    }

    /** The mean around every other column, in place: the first {@code half} values are the result. */
    private static void chroma(float[] c, int half) {
        for (int x = 0; x < half; x++) {
            c[x] = (c[2 * x] + 2 * c[2 * x + 1] + c[2 * x + 2]) / 4;
        }
    }

    private static void whole(float[] v, int from, int count, float scale, float zero, int noise, byte[] out, int at) {
        for (int x = 0; x < count; x++) {
            out[at + x] = (byte) (int) (zero + scale * v[from + x] + Dither.OFFSETS[noise + x]);
        }
    }
}
