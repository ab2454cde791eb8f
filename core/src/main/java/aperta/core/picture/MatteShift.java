package aperta.core.picture;

/**
 * By how many whole pixels a matte has moved to another one: from where their middles lie, the shift by which they differ
 * least, looked for on every fourth pixel first. What one of them lacks moves the middle, but hardly this.
 */
public record MatteShift(int dx, int dy) {
    public static final MatteShift NONE = new MatteShift(0, 0);

    private static final int COARSE = 4;
    /** How far around it is looked for, in steps, coarsely. */
    private static final int STEPS = 5;

    public static MatteShift between(Matte from, Matte to) {
        int[] there = middle(from);
        int[] here = middle(to);
        if (there.length == 0 || here.length == 0) {
            return NONE;
        }
        Region seen = seen(to).grown(COARSE * STEPS);
        int room = COARSE * STEPS + COARSE;
        Region before =
                new Region(seen.x() + there[0] - here[0], seen.y() + there[1] - here[1], seen.width(), seen.height());
        Pair pair = new Pair(laid(from, before.grown(room)), laid(to, seen), room);
        int[] coarsely = pair.closest(0, 0, COARSE, STEPS);
        int[] best = pair.closest(coarsely[0], coarsely[1], 1, COARSE - 1);
        return new MatteShift(here[0] - there[0] + best[0], here[1] - there[1] + best[1]);
    }

    /** A part of a matte, row by row, with nothing where it has no domain. */
    private static Matte laid(Matte m, Region part) {
        Matte to = new Matte(part);
        to.copyFrom(m);
        return to;
    }

    /**
     * Two mattes whose middles are laid over one another.
     *
     * @param from reaches so many pixels further on each side than the other
     */
    private record Pair(Matte from, Matte to, int room) {
        int[] closest(int aboutX, int aboutY, int step, int steps) {
            int[] best = {aboutX, aboutY};
            double least = different(aboutX, aboutY, step, Double.MAX_VALUE);
            for (int v = -steps; v <= steps; v++) {
                for (int u = -steps; u <= steps; u++) {
                    double different = different(aboutX + u * step, aboutY + v * step, step, least);
                    if (different < least) {
                        least = different;
                        best = new int[] {aboutX + u * step, aboutY + v * step};
                    }
                }
            }
            return best;
        }

        /** How much they differ, or some number above {@code enough} as soon as it is more. */
        private double different(int dx, int dy, int step, double enough) {
            int w = to.domain().width();
            int h = to.domain().height();
            int wide = from.domain().width();
            double sum = 0;
            for (int y = 0; y < h && sum <= enough; y += step) {
                int there = (y + room - dy) * wide + room - dx;
                for (int x = 0; x < w; x += step) {
                    sum += Math.abs(from.value[there + x] - to.value[y * w + x]);
                }
            }
            return sum;
        }
    }

    /** What lies at a place of a matte once it has moved. */
    public float moved(Matte m, int x, int y) {
        return m.domain().contains(x - dx, y - dy) ? m.at(x - dx, y - dy) : 0;
    }

    /** The mean of the places it covers; empty where it covers nothing. */
    private static int[] middle(Matte m) {
        Region d = m.domain();
        double all = 0;
        double across = 0;
        double down = 0;
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                double v = m.at(x, y);
                all += v;
                across += v * x;
                down += v * y;
            }
        }
        return all == 0 ? new int[0] : new int[] {(int) Math.rint(across / all), (int) Math.rint(down / all)};
    }

    private static Region seen(Matte m) {
        Region d = m.domain();
        int left = d.right();
        int top = d.bottom();
        int right = d.x();
        int bottom = d.y();
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                if (m.at(x, y) > 0) {
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        return new Region(left, top, right - left, bottom - top);
    }
}
