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

    public Planar {
        if (data.length < size(width, height)) {
            throw new IllegalArgumentException("There are fewer samples than pixels.");
        }
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
    public void row(int y, int x, int count, Picture into, int at) {
        float[] cb = into.green;
        float[] cr = into.red;
        int plane = ((width + 1) / 2) * ((height + 1) / 2);
        chroma(width * height, y, x, count, cb, at);
        chroma(width * height + plane, y, x, count, cr, at);
        float lumaScale = coding.full ? 1 / 255f : 1 / 219f;
        float black = coding.full ? 0 : 16;
        float chromaScale = coding.full ? 1 / 255f : 1 / 224f;
        float redPerCr = (float) (2 * (1 - coding.kr)) * chromaScale;
        float bluePerCb = (float) (2 * (1 - coding.kb)) * chromaScale;
        double kg = 1 - coding.kr - coding.kb;
        float greenPerCb = (float) (2 * (1 - coding.kb) * coding.kb / kg) * chromaScale;
        float greenPerCr = (float) (2 * (1 - coding.kr) * coding.kr / kg) * chromaScale;
        luma(y * width + x, count, black, lumaScale, into.alpha, at);
        float[] red = into.red;
        float[] green = into.green;
        float[] blue = into.blue;
        float[] luma = into.alpha;
        for (int i = at; i < at + count; i++) {
            float b = green[i];
            float r = red[i];
            float l = luma[i];
            red[i] = Math.min(1, Math.max(0, l + redPerCr * r));
            green[i] = Math.min(1, Math.max(0, l - greenPerCb * b - greenPerCr * r));
            blue[i] = Math.min(1, Math.max(0, l + bluePerCb * b));
        }
        Arrays.fill(into.alpha, at, at + count, 1);
    }

    private void luma(int from, int count, float black, float scale, float[] into, int at) {
        for (int k = 0; k < count; k++) {
            into[at + k] = ((data[from + k] & 0xff) - black) * scale;
        }
    }

    /** Chroma around 0, in steps, at full size: mixed from two rows, and from two columns where between samples. */
    private void chroma(int plane, int y, int x, int count, float[] into, int at) {
        int w = (width + 1) / 2;
        int h = (height + 1) / 2;
        int near = y / 2;
        int other = Math.min(h - 1, Math.max(0, near + (y % 2 == 0 ? -1 : 1)));
        int rowA = plane + near * w;
        int rowB = plane + other * w;
        for (int k = 0; k < count; k++) {
            int column = x + k;
            int left = column / 2;
            int right;
            int weightLeft;
            if (coding.centred) {
                right = Math.min(w - 1, Math.max(0, left + (column % 2 == 0 ? -1 : 1)));
                weightLeft = 3;
            } else {
                right = Math.min(w - 1, left + 1);
                weightLeft = column % 2 == 0 ? 4 : 2;
            }
            int a = (data[rowA + left] & 0xff) * weightLeft + (data[rowA + right] & 0xff) * (4 - weightLeft);
            int b = (data[rowB + left] & 0xff) * weightLeft + (data[rowB + right] & 0xff) * (4 - weightLeft);
            into[at + k] = (3 * a + b) * (1 / 16f) - 128;
        }
    }
}
