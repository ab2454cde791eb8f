package aperta.core.picture;

import java.util.Arrays;

/** Pictures as 8-bit samples, dithered. */
public final class Bytes {
    /** What a picture is laid on, or which part of it is shown. */
    public enum See {
        /** Straight alpha; transparent where there is nothing. */
        PICTURE,
        ON_BLACK,
        ON_WHITE,
        ON_CHECKER,
        /** Alpha alone, as grey. */
        MATTE,
        /** Alpha alone, so that the slightest is told from none, and nearly all from all: only 0 is black, only 1 white. */
        HEAT
    }

    private static final float DARK = 0.16f;
    private static final float LIGHT = 0.24f;
    private static final int SQUARE = 16;

    private Bytes() {}

    /**
     * Writes the rows of a picture as red, green, blue, alpha into the bytes of the whole frame.
     *
     * @param rows as wide as the frame
     * @param transfer of the picture's values
     */
    public static void rgba(Picture rows, Region frame, Transfer transfer, long number, See see, byte[] out) {
        Region d = rows.domain();
        float[][] row = new float[4][frame.width()];
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int c = 0; c < 4; c++) {
                System.arraycopy(rows.planes()[c], rows.index(d.x(), y), row[c], 0, frame.width());
            }
            show(see, transfer, frame.x(), y, row);
            for (int c = 0; c < 4; c++) {
                int at = (y - frame.y()) * frame.width() * 4 + c;
                eight(row[c], Dither.start(y, number, c), out, at);
            }
        }
    }

    private static void eight(float[] row, int noise, byte[] out, int at) {
        for (int x = 0; x < row.length; x++) {
            float v = row[x];
            float kept = v < 0 ? 0 : v > 1 ? 1 : v;
            out[at + 4 * x] = (byte) (int) (kept * 255 + Dither.OFFSETS[noise + x]);
        }
    }

    private static void show(See see, Transfer transfer, int x0, int y, float[][] row) {
        switch (see) {
            case PICTURE -> straight(row);
            case ON_BLACK -> Arrays.fill(row[3], 1);
            case ON_WHITE -> over(row, x -> transfer.toLight(1));
            case ON_CHECKER -> checker(transfer, x0, y, row);
            case HEAT -> heat(row);
            case MATTE -> {
                System.arraycopy(row[3], 0, row[0], 0, row[3].length);
                System.arraycopy(row[3], 0, row[1], 0, row[3].length);
                System.arraycopy(row[3], 0, row[2], 0, row[3].length);
                Arrays.fill(row[3], 1);
            }
        }
        if (see != See.MATTE && see != See.HEAT) {
            for (int c = 0; c < 3; c++) {
                transfer.toDisplay(row[c], row[c].length);
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

    private static void checker(Transfer transfer, int x0, int y, float[][] row) {
        float dark = transfer.toLight(DARK);
        float light = transfer.toLight(LIGHT);
        over(row, x -> ((x0 + x) / SQUARE + y / SQUARE) % 2 == 0 ? dark : light);
    }

    private interface Under {
        float at(int x);
    }

    private static void over(float[][] row, Under under) {
        for (int x = 0; x < row[3].length; x++) {
            float through = under.at(x) * (1 - Math.min(1, Math.max(0, row[3][x])));
            row[0][x] += through;
            row[1][x] += through;
            row[2][x] += through;
            row[3][x] = 1;
        }
    }

    /** From the slightest alpha to nearly all, evenly between these colours. */
    private static final float[][] HEAT = {
        {0.10f, 0.12f, 0.55f},
        {0.45f, 0.10f, 0.55f},
        {0.80f, 0.20f, 0.25f},
        {0.95f, 0.62f, 0.20f},
        {0.95f, 0.92f, 0.45f}
    };

    /** Within half a step of 8 bits of 0 or 1, alpha counts as none or all. */
    private static final float NEAR = 0.5f / 255;

    private static void heat(float[][] row) {
        for (int x = 0; x < row[3].length; x++) {
            float a = row[3][x];
            float at = Math.min(1, Math.max(0, a)) * (HEAT.length - 1);
            int i = Math.min(HEAT.length - 2, (int) at);
            for (int c = 0; c < 3; c++) {
                float between = HEAT[i][c] + (HEAT[i + 1][c] - HEAT[i][c]) * (at - i);
                row[c][x] = a < NEAR ? 0 : a > 1 - NEAR ? 1 : between;
            }
            row[3][x] = 1;
        }
    }
}
