package aperta.core.picture;

import java.util.Arrays;

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
        bands.run(frame.height(), 16, (from, to) -> {
            float[][] row = new float[4][frame.width()];
            for (int y = frame.y() + from; y < frame.y() + to; y++) {
                read(picture, frame, y, row);
                show(see, frame.x(), y, row);
                for (int c = 0; c < 4; c++) {
                    int at = (y - frame.y()) * frame.width() * 4 + c;
                    eight(row[c], Dither.start(y, number, c), out, at);
                }
            }
        });
        return out;
    }

    private static void eight(float[] row, int noise, byte[] out, int at) {
        for (int x = 0; x < row.length; x++) {
            float v = row[x];
            float kept = v < 0 ? 0 : v > 1 ? 1 : v;
            out[at + 4 * x] = (byte) (int) (kept * 255 + Dither.OFFSETS[noise + x]);
        }
    }

    private static void read(Picture picture, Region frame, int y, float[][] row) {
        Region part = picture.domain().intersect(new Region(frame.x(), y, frame.width(), 1));
        float[][] planes = picture.planes();
        for (int c = 0; c < 4; c++) {
            if (part.width() < frame.width()) {
                Arrays.fill(row[c], 0);
            }
            if (!part.isEmpty()) {
                System.arraycopy(planes[c], picture.index(part.x(), y), row[c], part.x() - frame.x(), part.width());
            }
        }
    }

    private static void show(See see, int x0, int y, float[][] row) {
        switch (see) {
            case PICTURE -> straight(row);
            case ON_BLACK -> Arrays.fill(row[3], 1);
            case ON_CHECKER -> checker(x0, y, row);
            case MATTE -> {
                System.arraycopy(row[3], 0, row[0], 0, row[3].length);
                System.arraycopy(row[3], 0, row[1], 0, row[3].length);
                System.arraycopy(row[3], 0, row[2], 0, row[3].length);
                Arrays.fill(row[3], 1);
            }
        }
    }

    private static void straight(float[][] row) {
        float[] alpha = row[3];
        for (int x = 0; x < alpha.length; x++) {
            float a = Math.min(1, alpha[x]);
            if (a < 1) {
                float by = a > 0 ? 1 / a : 0;
                row[0][x] *= by;
                row[1][x] *= by;
                row[2][x] *= by;
            }
        }
    }

    private static void checker(int x0, int y, float[][] row) {
        for (int x = 0; x < row[3].length; x++) {
            float under = ((x0 + x) / SQUARE + y / SQUARE) % 2 == 0 ? DARK : LIGHT;
            float through = under * (1 - Math.min(1, Math.max(0, row[3][x])));
            row[0][x] += through;
            row[1][x] += through;
            row[2][x] += through;
            row[3][x] = 1;
        }
    }
}
