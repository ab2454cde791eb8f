package aperta.vision;

/**
 * How a figure lies on one frame compared with another one, in pixels: as a whole, and around each point of a grid beside that.
 * Where it covers, both show the same; where it doesn't, each shows its own plate. So the other frame, its coverage and both
 * plates say what this frame should look like, and the motion is that by which it does (block matching, with a function of the
 * difference that is bounded, Geman and McClure 1985).
 *
 * @param dx how far it has come from the other frame to the right, at each point of the grid
 * @param dy and how far down
 */
record FigureMotion(Plane dx, Plane dy) {
    /** From one point of the grid to the next, in pixels. */
    static final int STEP = 16;
    /** Half a side of a block, in pixels at half the size. */
    private static final int HALF = 10;
    /** How far the figure may lie beside where it is taken to be, in pixels at half the size, and parts of it beside that. */
    private static final int[] WHOLE = {4, 3};

    private static final int[] PARTS = {4, 2};
    /** Parts are looked for by such steps first. */
    private static final int COARSE = 2;
    /** One of so many pixels, across and down, is looked at: for the whole, for parts by coarse steps, and finely. */
    private static final int EVERY_WHOLE = 5;

    private static final int EVERY_COARSE = 3;
    private static final int EVERY = 2;
    /** How far brightness is off without reason at half the size: the deviation. */
    private static final double NOISE = 4;
    /** The squared difference, in deviations, from which on it counts for less. */
    private static final double BOUND = 8;
    /** What it costs a part, for each pixel of its block, to move by a pixel otherwise than the whole. */
    private static final double OTHERWISE = 0.03;
    /** Neighbours move alike: the deviation of a Gaussian, in steps of the grid. */
    private static final double ALIKE = 1;
    /** Fewer pixels of a block than this share say nothing. */
    private static final double ENOUGH = 0.3;
    /** The mean squared difference, in deviations, at which a frame counts for half. */
    private static final double UNLIKE = 3;

    private static final int NEARBY = 5;

    /** @param x and {@code y}: about how far the figure has come from the other frame, in pixels */
    static FigureMotion between(FigureFrame from, FigureFrame to, double x, double y) {
        return new Search(from.half, to.half).found((int) Math.round(x / 2), (int) Math.round(y / 2));
    }

    /** How far to the right a pixel of this frame has come from the other one, in pixels. */
    float dx(int x, int y) {
        return dx.between((double) x / STEP, (double) y / STEP);
    }

    /** And how far down. */
    float dy(int x, int y) {
        return dy.between((double) x / STEP, (double) y / STEP);
    }

    /** How unlike a frame is to what another one says, if all of the figure has come so far, in pixels at half the size. */
    static double unlike(FigureFrame from, FigureFrame to, int dx, int dy, int every) {
        int[] all = {0, 0, to.half.width(), to.half.height()};
        return new Search(from.half, to.half).cost(all, dx, dy, every);
    }

    private record Search(FigureFrame.Half from, FigureFrame.Half to) {
        FigureMotion found(int aboutX, int aboutY) {
            int[] all = {0, 0, to.width(), to.height()};
            int[] whole = {aboutX, aboutY};
            double least = Double.MAX_VALUE;
            for (int v = aboutY - WHOLE[1]; v <= aboutY + WHOLE[1]; v++) {
                for (int u = aboutX - WHOLE[0]; u <= aboutX + WHOLE[0]; u++) {
                    double cost = cost(all, u, v, EVERY_WHOLE);
                    if (cost < least) {
                        least = cost;
                        whole = new int[] {u, v};
                    }
                }
            }
            double[] fine = fine(all, whole[0], whole[1], 0);
            return parts(whole, fine);
        }

        /** Where each part has moved beside the whole, and from there to pixels. */
        private FigureMotion parts(int[] whole, double[] fine) {
            int step = STEP / 2;
            int w = (to.width() + step - 1) / step + 2;
            int h = (to.height() + step - 1) / step + 2;
            Plane x = new Plane(w, h);
            Plane y = new Plane(w, h);
            Plane weight = new Plane(w, h);
            for (int i = 0; i < w * h; i++) {
                int[] block = {
                    i % w * step - HALF, i / w * step - HALF, i % w * step + HALF + 1, i / w * step + HALF + 1
                };
                if (edge(block)) {
                    part(block, whole, fine, i, x, y, weight);
                }
            }
            x = x.blurred(ALIKE);
            y = y.blurred(ALIKE);
            weight = weight.blurred(ALIKE);
            for (int i = 0; i < w * h; i++) {
                double by = weight.value()[i] + 1e-3;
                x.value()[i] = (float) (2 * (whole[0] + fine[0] + x.value()[i] / by));
                y.value()[i] = (float) (2 * (whole[1] + fine[1] + y.value()[i] / by));
            }
            return new FigureMotion(x, y);
        }

        private void part(int[] block, int[] whole, double[] fine, int i, Plane x, Plane y, Plane weight) {
            double least = Double.MAX_VALUE;
            double most = 0;
            int[] best = {0, 0};
            for (int step = COARSE; step >= 1; step--) {
                int[] around = best;
                int across = step == COARSE ? PARTS[0] : 1;
                int down = step == COARSE ? PARTS[1] : 1;
                for (int v = around[1] - down; v <= around[1] + down; v += step) {
                    for (int u = around[0] - across; u <= around[0] + across; u += step) {
                        double cost = cost(block, whole[0] + u, whole[1] + v, step == COARSE ? EVERY_COARSE : EVERY)
                                + OTHERWISE * ((u - fine[0]) * (u - fine[0]) + (v - fine[1]) * (v - fine[1]));
                        most = Math.max(most, cost);
                        if (cost < least) {
                            least = cost;
                            best = new int[] {u, v};
                        }
                    }
                }
                least = step == COARSE ? Double.MAX_VALUE : least;
            }
            double[] beside = fine(block, whole[0] + best[0], whole[1] + best[1], OTHERWISE);
            float by = (float) (HALF * HALF * (most - least));
            x.value()[i] = (float) (by * (best[0] + beside[0] - fine[0]));
            y.value()[i] = (float) (by * (best[1] + beside[1] - fine[1]));
            weight.value()[i] = by;
        }

        private boolean edge(int[] block) {
            boolean inside = false;
            boolean outside = false;
            for (int y = Math.max(0, block[1]); y < Math.min(to.height(), block[3]); y += 2) {
                for (int x = Math.max(0, block[0]); x < Math.min(to.width(), block[2]); x += 2) {
                    boolean in = to.coverage()[y * to.width() + x] > 0.5f;
                    inside |= in;
                    outside |= !in;
                }
            }
            return inside && outside;
        }

        /** Between pixels: the lowest point of the parabolas through the costs beside the lowest. */
        private double[] fine(int[] block, int u, int v, double otherwise) {
            double middle = cost(block, u, v, EVERY);
            return new double[] {
                lowest(cost(block, u - 1, v, EVERY) + otherwise, middle, cost(block, u + 1, v, EVERY) + otherwise),
                lowest(cost(block, u, v - 1, EVERY) + otherwise, middle, cost(block, u, v + 1, EVERY) + otherwise)
            };
        }

        private static double lowest(double before, double middle, double after) {
            double bend = before - 2 * middle + after;
            return bend < 1e-9 ? 0 : Math.max(-0.5, Math.min(0.5, 0.5 * (before - after) / bend));
        }

        /** The mean, over the known pixels of a block, of how unlike this frame is to what the other says. */
        private double cost(int[] block, int dx, int dy, int every) {
            int ox = to.x() - dx - from.x();
            int oy = to.y() - dy - from.y();
            int left = Math.max(Math.max(0, block[0]), -ox);
            int top = Math.max(Math.max(0, block[1]), -oy);
            int right = Math.min(Math.min(to.width(), block[2]), from.width() - ox);
            int bottom = Math.min(Math.min(to.height(), block[3]), from.height() - oy);
            float[] seen = to.seen();
            float[] empty = to.empty();
            float[] otherSeen = from.seen();
            float[] otherEmpty = from.empty();
            float[] covered = from.coverage();
            double sum = 0;
            int n = 0;
            for (int y = top; y < bottom; y += every) {
                int i = y * to.width() + left;
                int j = (y + oy) * from.width() + left + ox;
                for (int x = left; x < right; x += every, i += every, j += every) {
                    if (seen[i] < 0 || otherSeen[j] < 0) {
                        continue;
                    }
                    double e = (seen[i] - otherSeen[j] - (1 - covered[j]) * (empty[i] - otherEmpty[j])) / NOISE;
                    e *= e;
                    sum += e / (1 + e / BOUND);
                    n++;
                }
            }
            int all = (block[2] - block[0]) * (block[3] - block[1]) / (every * every);
            return n < ENOUGH * all ? BOUND : sum / n;
        }
    }

    /**
     * A frame laid where the figure is on another one.
     *
     * @param motion from it to the other one
     * @param alike how well it explains the other one so, 0 to 1, for each pixel at half the size
     * @param coverage at half the size; below 0 where it isn't known
     */
    record Laid(FigureFrame from, FigureMotion motion, Plane alike, Plane coverage) {}

    Laid laid(FigureFrame frame, FigureFrame onto) {
        FigureFrame.Half from = frame.half;
        FigureFrame.Half to = onto.half;
        Plane coverage = new Plane(to.width(), to.height());
        Plane apart = new Plane(to.width(), to.height());
        for (int y = 0; y < to.height(); y++) {
            for (int x = 0; x < to.width(); x++) {
                int i = y * to.width() + x;
                float u = to.x() + x - dx(2 * x, 2 * y) / 2 - from.x();
                float v = to.y() + y - dy(2 * x, 2 * y) / 2 - from.y();
                if (u < 0 || v < 0 || u >= from.width() - 1 || v >= from.height() - 1) {
                    coverage.value()[i] = -1;
                    continue;
                }
                int at = (int) v * from.width() + (int) u;
                float sx = u - (int) u;
                float sy = v - (int) v;
                float a = mixed(from.coverage(), at, from.width(), sx, sy);
                coverage.value()[i] = a;
                double e = (to.seen()[i]
                                - mixed(from.seen(), at, from.width(), sx, sy)
                                - (1 - a) * (to.empty()[i] - mixed(from.empty(), at, from.width(), sx, sy)))
                        / NOISE;
                apart.value()[i] = (float) Math.min(4 * BOUND, e * e);
            }
        }
        Plane alike = apart.mean(NEARBY, NEARBY);
        for (int i = 0; i < alike.value().length; i++) {
            float a = alike.value()[i];
            alike.value()[i] = coverage.value()[i] < 0 ? 0 : (float) (1 / (1 + a * a / (UNLIKE * UNLIKE)));
        }
        return new Laid(frame, this, alike, coverage);
    }

    private static float mixed(float[] of, int at, int wide, float sx, float sy) {
        return (of[at] * (1 - sx) + of[at + 1] * sx) * (1 - sy)
                + (of[at + wide] * (1 - sx) + of[at + wide + 1] * sx) * sy;
    }
}
