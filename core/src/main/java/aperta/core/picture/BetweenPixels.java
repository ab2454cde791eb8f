package aperta.core.picture;

/**
 * A matte at places between the middles of its pixels. Where it is soft it runs evenly from middle to middle. Where it has a
 * sharp edge, a pixel's value is the share of it that lies inside: from that and from the direction in which values rise follows
 * where the edge runs (Gustavson and Strand 2011), and from it the share of a pixel that lay elsewhere.
 */
final class BetweenPixels {
    /** Pixels around a place that say something about it: itself, its neighbours, and those two away. */
    static final int AROUND = 3;

    private static final int STRIDE = 7;
    /** How the direction is found: the slope of a bell over five by five pixels, of which the middle one counts for nothing. */
    private static final float[] SLOPE = new float[25];

    static {
        for (int i = 0; i < 25; i++) {
            int x = i % 5 - 2;
            int y = i / 5 - 2;
            SLOPE[i] = (float) (x * StrictMath.exp(-(x * x + y * y) / 2.0));
        }
    }

    private static final float FLAT = 1e-4f;

    private final Matte matte;
    private final Region part;
    /** For each pixel: how far inside its middle is, the direction inwards, least and greatest, sharpness, and how telling it is. */
    private final float[] edges;

    /** @param part where it is asked for; the matte must reach {@link #AROUND} pixels further, or end */
    BetweenPixels(Matte matte, Region part, Bands bands) {
        this.matte = matte;
        this.part = part.grown(1);
        this.edges = new float[Math.toIntExact(this.part.area()) * STRIDE];
        bands.run(this.part.height(), 32, (from, to) -> {
            for (int y = this.part.y() + from; y < this.part.y() + to; y++) {
                for (int x = this.part.x(); x < this.part.right(); x++) {
                    edge(x, y);
                }
            }
        });
    }

    private int index(int x, int y) {
        return ((y - part.y()) * part.width() + x - part.x()) * STRIDE;
    }

    private void edge(int x, int y) {
        int at = index(x, y);
        float low = 1;
        float high = 0;
        for (int i = 0; i < 9; i++) {
            float v = matte.at(x + i % 3 - 1, y + i / 3 - 1);
            low = Math.min(low, v);
            high = Math.max(high, v);
        }
        if (high - low < FLAT) {
            return;
        }
        float nx = 0;
        float ny = 0;
        for (int i = 0; i < 25; i++) {
            float v = matte.at(x + i % 5 - 2, y + i / 5 - 2);
            nx += v * SLOPE[i];
            ny += v * SLOPE[i % 5 * 5 + i / 5];
        }
        float length = (float) Math.sqrt(nx * nx + ny * ny);
        if (length < FLAT) {
            return;
        }
        nx /= length;
        ny /= length;
        float share = (matte.at(x, y) - low) / (high - low);
        int fx = Math.round(2 * nx);
        int fy = Math.round(2 * ny);
        float rising = Math.max(0, matte.at(x + fx, y + fy) - high) + Math.max(0, low - matte.at(x - fx, y - fy));
        edges[at] = (float) PixelShare.distance(share, nx, ny);
        edges[at + 1] = nx;
        edges[at + 2] = ny;
        edges[at + 3] = low;
        edges[at + 4] = high;
        edges[at + 5] = Math.max(0, 1 - 2 * rising / (high - low));
        edges[at + 6] = FLAT + share * (1 - share);
    }

    /** The value of a pixel whose middle is (x, y), in pixels with their middles at whole numbers; it must lie in the part. */
    float at(double x, double y) {
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        float fx = (float) (x - left);
        float fy = (float) (y - top);
        float upper = matte.at(left, top) * (1 - fx) + matte.at(left + 1, top) * fx;
        float lower = matte.at(left, top + 1) * (1 - fx) + matte.at(left + 1, top + 1) * fx;
        float even = upper * (1 - fy) + lower * fy;
        float weights = 0;
        float sum = 0;
        for (int i = 0; i < 4; i++) {
            int k = index(left + i % 2, top + i / 2);
            float near = (i % 2 == 0 ? 1 - fx : fx) * (i < 2 ? 1 - fy : fy);
            float weight = edges[k + 6] * near;
            if (weight > 0) {
                float nx = edges[k + 1];
                float ny = edges[k + 2];
                double inside = edges[k] + (fx - i % 2) * nx + (fy - i / 2) * ny;
                float share = (float) PixelShare.inside(inside, nx, ny);
                float sharp = edges[k + 3] + share * (edges[k + 4] - edges[k + 3]);
                sum += weight * (even + edges[k + 5] * (sharp - even));
                weights += weight;
            }
        }
        return weights > 0 ? sum / weights : even;
    }
}
