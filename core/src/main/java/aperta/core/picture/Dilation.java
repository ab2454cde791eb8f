package aperta.core.picture;

/**
 * Grey-scale dilation and erosion by a disc: each pixel becomes the greatest, or the least, of all within a radius (Serra
 * 1982). A radius between two whole ones mixes their results. Along the rows the greatest of a window is found with three comparisons
 * a pixel whatever its width (van Herk 1992; Gil and Werman 1993).
 */
public final class Dilation {
    private Dilation() {}

    /** How many pixels it looks away from each. */
    public static int reach(double by) {
        return (int) Math.ceil(Math.abs(by));
    }

    /**
     * What a matte becomes on a part.
     *
     * @param by the radius in pixels; under 0 bright parts shrink
     * @param source must cover the part grown by {@link #reach}
     */
    public static Matte by(double by, Matte source, Region part, Bands bands) {
        double radius = Math.abs(by);
        int whole = (int) Math.floor(radius);
        float share = (float) (radius - whole);
        Matte from = source;
        if (by < 0) {
            from = new Matte(source.domain());
            from.copyFrom(source);
            MatteMath.invert(from);
        }
        Matte result = greatest(from, whole, part, bands);
        if (share > 0) {
            Matte wider = greatest(from, whole + 1, part, bands);
            for (int y = part.y(); y < part.bottom(); y++) {
                int at = result.index(part.x(), y);
                int other = wider.index(part.x(), y);
                for (int k = 0; k < part.width(); k++) {
                    result.value[at + k] += share * (wider.value[other + k] - result.value[at + k]);
                }
            }
        }
        if (by < 0) {
            MatteMath.invert(result);
        }
        return result;
    }

    private static Matte greatest(Matte source, int radius, Region part, Bands bands) {
        Matte result = new Matte(part);
        int[] half = new int[radius + 1];
        for (int dy = 0; dy <= radius; dy++) {
            half[dy] = (int) Math.round(Math.sqrt((double) radius * radius - (double) dy * dy));
        }
        bands.run(part.height(), 64, (from, to) -> {
            int top = part.y() + from;
            int bottom = part.y() + to;
            Row row = new Row(part.width(), radius);
            for (int y = top - radius; y < bottom + radius; y++) {
                row.read(source, part.x() - radius, y);
                for (int dy = 0; dy <= radius; dy++) {
                    boolean above = y - dy >= top && y - dy < bottom;
                    boolean below = y + dy >= top && y + dy < bottom;
                    if (above || below) {
                        row.greatest(half[dy]);
                    }
                    if (above) {
                        row.into(result, y - dy);
                    }
                    if (below && dy > 0) {
                        row.into(result, y + dy);
                    }
                }
            }
        });
        return result;
    }

    /** A row of the source, wider by the radius on both sides, and the greatest of a window round each of its pixels. */
    private static final class Row {
        private final int width;
        private final int radius;
        private final float[] values;
        private final float[] ahead;
        private final float[] behind;
        private final float[] found;
        private int half = -1;

        Row(int width, int radius) {
            this.width = width;
            this.radius = radius;
            int all = width + 4 * radius + 2;
            this.values = new float[all];
            this.ahead = new float[all];
            this.behind = new float[all];
            this.found = new float[width];
        }

        void read(Matte source, int x, int y) {
            int count = width + 2 * radius;
            boolean there = source.domain().contains(new Region(x, y, count, 1));
            for (int k = 0; k < count; k++) {
                values[k] = there ? source.value[source.index(x, y) + k] : source.at(x + k, y);
            }
            half = -1;
        }

        void greatest(int wanted) {
            if (wanted == half) {
                return;
            }
            half = wanted;
            int window = 2 * half + 1;
            int count = width + 2 * radius;
            for (int k = 0; k < count; k++) {
                ahead[k] = k % window == 0 ? values[k] : Math.max(ahead[k - 1], values[k]);
            }
            for (int k = count - 1; k >= 0; k--) {
                boolean last = k == count - 1 || k % window == window - 1;
                behind[k] = last ? values[k] : Math.max(behind[k + 1], values[k]);
            }
            for (int k = 0; k < width; k++) {
                int middle = k + radius;
                found[k] = Math.max(behind[middle - half], ahead[middle + half]);
            }
        }

        void into(Matte result, int y) {
            int at = result.index(result.domain().x(), y);
            for (int k = 0; k < width; k++) {
                if (found[k] > result.value[at + k]) {
                    result.value[at + k] = found[k];
                }
            }
        }
    }
}
