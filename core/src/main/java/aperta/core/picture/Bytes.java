package aperta.core.picture;

/** Pictures as 8-bit samples, dithered; what lies outside the picture's domain is transparent. */
public final class Bytes {
    /** What a picture is laid on, or which part of it is shown. */
    public enum See {
        /** Straight alpha; transparent where there is nothing. */
        PICTURE,
        ON_BLACK,
        ON_CHECKER,
        /** Alpha alone, as grey. */
        MATTE
    }

    private static final float DARK = 0.16f;
    private static final float LIGHT = 0.24f;
    private static final int SQUARE = 16;

    private Bytes() {}

    /** Rows of red, green, blue, alpha for all of {@code frame}. */
    public static byte[] rgba(Picture picture, Region frame, long number, See see, Bands bands) {
        byte[] out = new byte[Math.toIntExact(frame.area() * 4)];
        int[] seeds = {Dither.seed(number, 0), Dither.seed(number, 1), Dither.seed(number, 2), Dither.seed(number, 3)};
        bands.run(frame.height(), 16, (from, to) -> {
            float[] p = new float[4];
            for (int y = frame.y() + from; y < frame.y() + to; y++) {
                int o = (y - frame.y()) * frame.width() * 4;
                for (int x = frame.x(); x < frame.right(); x++, o += 4) {
                    read(picture, x, y, p);
                    show(see, x, y, p);
                    for (int c = 0; c < 4; c++) {
                        float steps = Math.min(1, Math.max(0, p[c])) * 255;
                        out[o + c] = (byte) Dither.round(steps, x, y, seeds[c]);
                    }
                }
            }
        });
        return out;
    }

    private static void read(Picture picture, int x, int y, float[] p) {
        Region d = picture.domain();
        if (x < d.x() || y < d.y() || x >= d.right() || y >= d.bottom()) {
            p[0] = 0;
            p[1] = 0;
            p[2] = 0;
            p[3] = 0;
            return;
        }
        int i = picture.index(x, y);
        p[0] = picture.red[i];
        p[1] = picture.green[i];
        p[2] = picture.blue[i];
        p[3] = picture.alpha[i];
    }

    private static void show(See see, int x, int y, float[] p) {
        float a = Math.min(1, Math.max(0, p[3]));
        switch (see) {
            case PICTURE -> {
                for (int c = 0; c < 3; c++) {
                    p[c] = a > 0 ? p[c] / a : 0;
                }
            }
            case ON_BLACK -> p[3] = 1;
            case ON_CHECKER -> {
                float under = ((x / SQUARE + y / SQUARE) % 2 == 0 ? DARK : LIGHT) * (1 - a);
                for (int c = 0; c < 3; c++) {
                    p[c] += under;
                }
                p[3] = 1;
            }
            case MATTE -> {
                p[0] = a;
                p[1] = a;
                p[2] = a;
                p[3] = 1;
            }
        }
    }
}
