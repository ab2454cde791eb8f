package aperta.vision;

import java.util.stream.IntStream;

/**
 * How parts of a figure move beside the figure as a whole, in pixels: around each point of a grid the remembered shape is
 * moved to where it fits best what the frame says (block matching on the evidence, not on brightness, which in the dark is
 * noise).
 *
 * @param dx how far to the right each pixel has come
 * @param dy and how far down
 */
record LimbMotion(Plane dx, Plane dy) {
    private static final int STEP = 6;
    /** Half a side of a block, and how far it may have moved. */
    private static final int HALF = 8;

    private static final int ACROSS = 8;
    private static final int DOWN = 6;
    /** At first one of so many pixels, across and down, is looked at, and of so many places. */
    private static final int COARSE = 2;
    /** What it costs, for each pixel of the block, to move at all, and by the square of the distance. */
    private static final double TO_MOVE = 0.1;

    private static final double DISTANCE = 0.02;
    /** Neighbours move alike: the deviation of a Gaussian, in steps of the grid. */
    private static final double ALIKE = 0.7;

    /** @param evidence the logarithm of the odds, by the frame alone */
    static LimbMotion of(Plane remembered, Plane evidence) {
        int w = remembered.width();
        int h = remembered.height();
        Plane gridX = new Plane((w + STEP - 1) / STEP + 1, (h + STEP - 1) / STEP + 1);
        Plane gridY = new Plane(gridX.width(), gridX.height());
        Plane shape = new Plane(w, h);
        for (int i = 0; i < w * h; i++) {
            shape.value()[i] = Math.max(-1, Math.min(1, 4 * remembered.value()[i] - 2));
        }
        IntStream.range(0, gridX.value().length).parallel().forEach(i -> {
            int[] best = best(shape, evidence, i % gridX.width() * STEP, i / gridX.width() * STEP);
            gridX.value()[i] = best[0];
            gridY.value()[i] = best[1];
        });
        return new LimbMotion(between(gridX.blurred(ALIKE), w, h), between(gridY.blurred(ALIKE), w, h));
    }

    private static int[] best(Plane shape, Plane evidence, int x, int y) {
        int[] to = {0, 0};
        if (!edge(shape, x, y)) {
            return to;
        }
        int[] rough = best(shape, evidence, x, y, to, ACROSS, DOWN, COARSE);
        return best(shape, evidence, x, y, rough, COARSE - 1, COARSE - 1, 1);
    }

    private static int[] best(Plane shape, Plane evidence, int x, int y, int[] around, int across, int down, int step) {
        double most = Double.NEGATIVE_INFINITY;
        int[] to = around;
        for (int dy = around[1] - down; dy <= around[1] + down; dy += step) {
            for (int dx = around[0] - across; dx <= around[0] + across; dx += step) {
                double fit = fit(shape, evidence, x, y, dx, dy, step);
                if (fit > most) {
                    most = fit;
                    to = new int[] {dx, dy};
                }
            }
        }
        return to;
    }

    private static boolean edge(Plane shape, int cx, int cy) {
        boolean inside = false;
        boolean outside = false;
        for (int y = Math.max(0, cy - HALF); y <= Math.min(shape.height() - 1, cy + HALF); y++) {
            for (int x = Math.max(0, cx - HALF); x <= Math.min(shape.width() - 1, cx + HALF); x++) {
                inside |= shape.value()[y * shape.width() + x] > 0;
                outside |= shape.value()[y * shape.width() + x] <= 0;
            }
        }
        return inside && outside;
    }

    /** @param step of how many pixels, across and down, one is looked at */
    private static double fit(Plane shape, Plane evidence, int cx, int cy, int dx, int dy, int step) {
        int w = shape.width();
        int h = shape.height();
        double fit = 0;
        int n = 0;
        for (int y = Math.max(0, cy - HALF); y <= Math.min(h - 1, cy + HALF); y += step) {
            int from = y - dy;
            if (from < 0 || from >= h) {
                continue;
            }
            for (int x = Math.max(0, cx - HALF); x <= Math.min(w - 1, cx + HALF); x += step) {
                boolean there = x - dx >= 0 && x - dx < w;
                fit += (there ? shape.value()[from * w + x - dx] : -1) * evidence.value()[y * w + x];
                n++;
            }
        }
        return fit - n * (DISTANCE * (dx * dx + dy * dy) + (dx == 0 && dy == 0 ? 0 : TO_MOVE));
    }

    /** From the grid to each pixel. */
    private static Plane between(Plane grid, int w, int h) {
        Plane to = new Plane(w, h);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                to.value()[y * w + x] = grid.between((double) x / STEP, (double) y / STEP);
            }
        }
        return to;
    }

    Plane moved(Plane plane) {
        Plane to = new Plane(plane.width(), plane.height());
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                int i = y * plane.width() + x;
                to.value()[i] = plane.near(x - dx.value()[i], y - dy.value()[i]);
            }
        }
        return to;
    }

    Colours moved(Colours colours) {
        float[][] to = new float[3][];
        for (int c = 0; c < 3; c++) {
            to[c] = moved(colours.plane(c)).value();
        }
        return new Colours(colours.width(), colours.height(), to);
    }
}
