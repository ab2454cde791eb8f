package aperta.core.picture;

/**
 * Takes away what is small in a matte: specks of coverage, and holes in it, whose larger side is shorter than a length.
 * Neighbours across corners belong together.
 */
public final class Specks {
    /** What is covered by more than this belongs to a speck, its soft rim, too; a hole likewise the other way round. */
    private static final float RIM = 0.02f;

    private Specks() {}

    /**
     * @param size of the shortest that stays, in pixels
     * @param whole reaches {@code size} pixels further than what is wanted to each side
     * @param holes whether holes are filled; else specks are taken away
     */
    public static Matte without(int size, Matte whole, Region wanted, boolean holes) {
        Region d = whole.domain();
        Matte to = new Matte(wanted);
        to.copyFrom(whole);
        boolean[] open = new boolean[d.width() * d.height()];
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                float v = whole.at(x, y);
                open[(y - d.y()) * d.width() + x - d.x()] = (holes ? 1 - v : v) > RIM;
            }
        }
        int[] part = new int[open.length];
        for (int i = 0; i < open.length; i++) {
            if (open[i]) {
                int n = taken(open, part, i, d);
                if (small(part, n, d, size)) {
                    fill(to, part, n, d, holes ? 1 : 0);
                }
            }
        }
        return to;
    }

    /** Collects all that hangs together with a pixel, and takes it away from what is open. */
    private static int taken(boolean[] open, int[] part, int start, Region d) {
        int n = 0;
        part[n++] = start;
        open[start] = false;
        for (int k = 0; k < n; k++) {
            int x = part[k] % d.width();
            int y = part[k] / d.width();
            for (int v = Math.max(0, y - 1); v <= Math.min(d.height() - 1, y + 1); v++) {
                for (int u = Math.max(0, x - 1); u <= Math.min(d.width() - 1, x + 1); u++) {
                    int i = v * d.width() + u;
                    if (open[i]) {
                        open[i] = false;
                        part[n++] = i;
                    }
                }
            }
        }
        return n;
    }

    private static boolean small(int[] part, int n, Region d, int size) {
        int left = d.width();
        int top = d.height();
        int right = 0;
        int bottom = 0;
        for (int k = 0; k < n; k++) {
            int x = part[k] % d.width();
            int y = part[k] / d.width();
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
        }
        // What reaches out of what is known may go on there.
        boolean whole = left > 0 && top > 0 && right < d.width() - 1 && bottom < d.height() - 1;
        return whole && right - left + 1 < size && bottom - top + 1 < size;
    }

    private static void fill(Matte to, int[] part, int n, Region d, float v) {
        for (int k = 0; k < n; k++) {
            int x = d.x() + part[k] % d.width();
            int y = d.y() + part[k] / d.width();
            if (to.domain().contains(x, y)) {
                to.set(x, y, v);
            }
        }
    }
}
