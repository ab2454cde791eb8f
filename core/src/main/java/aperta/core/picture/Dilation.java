package aperta.core.picture;

/**
 * Grey-scale dilation and erosion by a disc: each place becomes the greatest, or the least, of all within a radius (Serra
 * 1982), also between the middles of pixels ({@link BetweenPixels}), so that edges move by the radius itself in every
 * direction. The greatest of whole pixels is found first, in a disc that is a little too small and in one that is too large; where
 * the two differ, the circle itself is looked along. Along the rows the greatest of a window is found with three comparisons a pixel
 * whatever its width (van Herk 1992; Gil and Werman 1993).
 */
public final class Dilation {
    /** A place between pixels takes from those around it, up to this far away. */
    private static final double BETWEEN = 1.5;

    /** How far the places on the circle that are looked at are apart, in pixels, at most. */
    private static final double APART = 0.7;

    private static final int FEWEST = 24;

    private Dilation() {}

    /** How many pixels it looks away from each. */
    public static int reach(double by) {
        return by == 0 ? 0 : (int) Math.ceil(Math.abs(by)) + BetweenPixels.AROUND + 1;
    }

    /**
     * What a matte becomes on a part.
     *
     * @param by the radius in pixels; under 0 bright parts shrink
     * @param source must cover the part grown by {@link #reach}
     */
    public static Matte by(double by, Matte source, Region part, Bands bands) {
        double radius = Math.abs(by);
        Matte from = source;
        if (by < 0) {
            from = new Matte(source.domain());
            from.copyFrom(source);
            MatteMath.invert(from);
        }
        Matte result = greatest(from, radius, part, bands);
        if (radius > 0) {
            refine(result, greatest(from, radius + BETWEEN, part, bands), from, radius, bands);
        }
        if (by < 0) {
            MatteMath.invert(result);
        }
        return result;
    }

    /** Looks along the circle round each pixel that might be greater than it was found to be. */
    private static void refine(Matte found, Matte most, Matte source, double radius, Bands bands) {
        Region part = found.domain();
        int count = 8 * (int) Math.ceil(Math.max(FEWEST, 2 * Math.PI * radius / APART) / 8);
        double[] dx = new double[count];
        double[] dy = new double[count];
        for (int i = 0; i < count; i++) {
            dx[i] = radius * StrictMath.cos(2 * Math.PI * i / count);
            dy[i] = radius * StrictMath.sin(2 * Math.PI * i / count);
        }
        BetweenPixels between = new BetweenPixels(source, part.grown((int) Math.ceil(radius)), bands);
        bands.run(part.height(), 16, (from, to) -> {
            for (int y = part.y() + from; y < part.y() + to; y++) {
                int at = found.index(part.x(), y);
                int other = most.index(part.x(), y);
                for (int x = 0; x < part.width(); x++) {
                    float value = found.value[at + x];
                    if (value < most.value[other + x]) {
                        for (int i = 0; i < count; i++) {
                            float there = between.at(part.x() + x + dx[i], y + dy[i]);
                            value = there > value ? there : value;
                        }
                        found.value[at + x] = Math.min(value, most.value[other + x]);
                    }
                }
            }
        });
    }

    /** The greatest of the pixels whose middles lie within a radius. */
    private static Matte greatest(Matte source, double disc, Region part, Bands bands) {
        Matte result = new Matte(part);
        int radius = (int) Math.floor(disc);
        int[] half = new int[radius + 1];
        for (int dy = 0; dy <= radius; dy++) {
            half[dy] = (int) Math.floor(Math.sqrt(disc * disc - (double) dy * dy));
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
