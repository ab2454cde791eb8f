package aperta.core.ink;

import java.util.Arrays;
import java.util.function.IntPredicate;

/**
 * The medial axis of the cells of a grid, one cell wide: cells are taken away from the rim inwards, nearest first, as long as what is left
 * stays as connected as it was (C. Pudney, <i>Distance-Ordered Homotopic Thinning</i>, 1998); ends stay where they lie on a ridge of
 * the distance.
 */
final class Skeleton {
    /** How steeply the distance may rise from an end on a ridge, where 1 is straight inwards from an edge. */
    private static final float STEEPEST = 0.88f;

    private static final float LEVEL = 0.15f;

    /** The eight neighbours, in turn: across and down. */
    static final int[] DX = {1, 1, 0, -1, -1, -1, 0, 1};

    static final int[] DY = {0, 1, 1, 1, 0, -1, -1, -1};

    /** Whether a cell may go, by which of its neighbours are there. */
    private static final boolean[] SIMPLE = simple();

    private final Grid grid;
    private final float[] depth;
    private final boolean[] on;
    private final int[] offsets = new int[8];

    private Skeleton(Grid grid, float[] depth) {
        this.grid = grid;
        this.depth = depth;
        this.on = grid.inside().clone();
        for (int k = 0; k < 8; k++) {
            offsets[k] = DY[k] * grid.width() + DX[k];
        }
    }

    /** @param depth of each cell: {@link Grid#depths} */
    static boolean[] of(Grid grid, float[] depth) {
        Skeleton s = new Skeleton(grid, depth);
        s.thin();
        return s.on;
    }

    private void thin() {
        int[] cells = new int[on.length];
        int n = 0;
        for (int i = 0; i < on.length; i++) {
            if (on[i]) {
                cells[n++] = i;
            }
        }
        int[] left = byDepth(Arrays.copyOf(cells, n));
        int before;
        do {
            before = left.length;
            left = without(left, i -> !isEnd(i));
        } while (left.length < before);
    }

    /** Takes away those that join nothing and may go; gives those that stay. */
    private int[] without(int[] cells, IntPredicate mayGo) {
        int[] kept = new int[cells.length];
        int n = 0;
        for (int i : cells) {
            if (SIMPLE[around(i)] && mayGo.test(i)) {
                on[i] = false;
            } else {
                kept[n++] = i;
            }
        }
        return Arrays.copyOf(kept, n);
    }

    /** Cells in the order of their depths, those of the same depth from the top left on. */
    private int[] byDepth(int[] cells) {
        long[] keys = new long[cells.length];
        for (int k = 0; k < cells.length; k++) {
            keys[k] = (long) Float.floatToIntBits(depth[cells[k]]) << 32 | cells[k];
        }
        Arrays.sort(keys);
        for (int k = 0; k < cells.length; k++) {
            cells[k] = (int) keys[k];
        }
        return cells;
    }

    private int around(int i) {
        int bits = 0;
        for (int k = 0; k < 8; k++) {
            if (on[i + offsets[k]]) {
                bits |= 1 << k;
            }
        }
        return bits;
    }

    /** The end of a line on a ridge: of one cell's width, or of two where the ridge runs level. */
    private boolean isEnd(int i) {
        int around = around(i);
        int count = Integer.bitCount(around);
        return count <= 1 && isRidge(i, STEEPEST)
                || count == 2 && (around & (around << 1 | around >> 7)) != 0 && isRidge(i, LEVEL);
    }

    private boolean isRidge(int i, float steepest) {
        for (int k = 0; k < 8; k++) {
            float step = k % 2 == 0 ? 1 : 1.4142135f;
            if (depth[i + offsets[k]] - depth[i] > steepest * step) {
                return false;
            }
        }
        return true;
    }

    /**
     * For each set of neighbours, whether the cell between them joins nothing and parts nothing: those that are there hang together by
     * themselves (over corners too), and so do those that are not, seen along the sides.
     */
    private static boolean[] simple() {
        boolean[] all = new boolean[256];
        for (int bits = 0; bits < 256; bits++) {
            all[bits] = pieces(bits) == 1 && gaps(bits) == 1;
        }
        return all;
    }

    /** How many pieces the neighbours that are there form. */
    private static int pieces(int bits) {
        int left = bits;
        int count = 0;
        while (left != 0) {
            int piece = Integer.lowestOneBit(left);
            int grown = 0;
            while (grown != piece) {
                grown = piece;
                for (int a = 0; a < 8; a++) {
                    for (int b = 0; b < 8; b++) {
                        boolean touch = Math.abs(DX[a] - DX[b]) <= 1 && Math.abs(DY[a] - DY[b]) <= 1;
                        if ((piece >> a & 1) == 1 && (left >> b & 1) == 1 && touch) {
                            piece |= 1 << b;
                        }
                    }
                }
            }
            left &= ~piece;
            count++;
        }
        return count;
    }

    /** How many pieces those that are not there form, counting pieces that lie at a side of the cell only. */
    private static int gaps(int bits) {
        int count = 0;
        for (int k = 0; k < 8; k += 2) {
            boolean free = (bits >> k & 1) == 0;
            boolean before = (bits >> (k + 7) % 8 & 1) == 0 && (bits >> (k + 6) % 8 & 1) == 0;
            count += free && !before ? 1 : 0;
        }
        return count;
    }
}
