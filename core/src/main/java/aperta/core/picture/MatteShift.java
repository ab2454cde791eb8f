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
        MatteShift about = new MatteShift(here[0] - there[0], here[1] - there[1]);
        Region seen = seen(to).grown(COARSE * STEPS);
        return about.closer(from, to, seen, COARSE, STEPS).closer(from, to, seen, 1, COARSE - 1);
    }

    private MatteShift closer(Matte from, Matte to, Region seen, int step, int steps) {
        MatteShift best = this;
        double least = Double.MAX_VALUE;
        for (int v = -steps; v <= steps; v++) {
            for (int u = -steps; u <= steps; u++) {
                MatteShift one = new MatteShift(dx + u * step, dy + v * step);
                double different = one.different(from, to, seen, step);
                if (different < least || different == least && u == 0 && v == 0) {
                    least = different;
                    best = one;
                }
            }
        }
        return best;
    }

    private double different(Matte from, Matte to, Region seen, int step) {
        double sum = 0;
        for (int y = seen.y(); y < seen.bottom(); y += step) {
            for (int x = seen.x(); x < seen.right(); x += step) {
                sum += Math.abs(moved(from, x, y) - NONE.moved(to, x, y));
            }
        }
        return sum;
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
