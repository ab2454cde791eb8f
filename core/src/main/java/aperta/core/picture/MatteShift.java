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
    /** So many pixels are looked at where it is looked for finely: of larger mattes, one of several. */
    private static final int ENOUGH = 60_000;
    /** How much what has come from beyond the picture counts as different: a little, or all of a figure might have. */
    private static final float FROM_BEYOND = 0.25f;

    /** @param picture the frame: what has gone beyond it says nothing, and what has come from beyond it hardly anything */
    public static MatteShift between(Matte from, Matte to, Region picture) {
        int[] there = middle(from);
        int[] here = middle(to);
        if (there.length == 0 || here.length == 0) {
            return NONE;
        }
        MatteShift about = new MatteShift(here[0] - there[0], here[1] - there[1]);
        Region part = to.where(0).grown(COARSE * STEPS);
        Region before = about.back().moved(part).grown(COARSE * STEPS + COARSE);
        Pair pair = new Pair(laid(from, before), laid(to, part), picture);
        MatteShift coarse = pair.closest(about, COARSE, STEPS, COARSE);
        int every = (int) Math.max(1, Math.sqrt((double) part.width() * part.height() / ENOUGH));
        return pair.closest(coarse, 1, COARSE - 1, every);
    }

    /** The way back. */
    public MatteShift back() {
        return new MatteShift(-dx, -dy);
    }

    public Region moved(Region r) {
        return new Region(r.x() + dx, r.y() + dy, r.width(), r.height());
    }

    /** A part of a matte, row by row, with nothing where it has no domain. */
    private static Matte laid(Matte m, Region part) {
        Matte to = new Matte(part);
        to.copyFrom(m);
        return to;
    }

    private record Pair(Matte from, Matte to, Region picture) {
        /** @param every of how many pixels, across and down, one is looked at */
        MatteShift closest(MatteShift about, int step, int steps, int every) {
            MatteShift best = about;
            double least = different(about, every, Double.MAX_VALUE);
            for (int v = -steps; v <= steps; v++) {
                for (int u = -steps; u <= steps; u++) {
                    MatteShift one = new MatteShift(about.dx + u * step, about.dy + v * step);
                    double different = different(one, every, least);
                    if (different < least) {
                        least = different;
                        best = one;
                    }
                }
            }
            return best;
        }

        /** How much they differ, or some number above {@code enough} as soon as it is more. */
        private double different(MatteShift by, int step, double enough) {
            Region all = to.domain().intersect(picture);
            Region known = by.moved(picture);
            double sum = 0;
            for (int y = all.y(); y < all.bottom() && sum <= enough; y += step) {
                int here = to.index(0, y);
                int there = from.index(-by.dx, y - by.dy);
                boolean row = y >= known.y() && y < known.bottom();
                int left = row ? known.x() : all.right();
                int right = known.right();
                for (int x = all.x(); x < all.right(); x += step) {
                    float v = to.value[here + x];
                    sum += x >= left && x < right ? Math.abs(from.value[there + x] - v) : FROM_BEYOND * v;
                }
            }
            return sum;
        }
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
}
