package aperta.core.trace;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/**
 * Mattes whose pixels are all or nothing tell less about where an edge runs: it may lie anywhere between two middles. Taken
 * as it is, every edge would be a staircase.
 */
final class HardEdges {
    /** What lies between says where an edge runs. */
    private static final float LEAST = 0.04f;

    private static final float MOST = 0.96f;
    /** Where fewer of the pixels at edges lie between, edges are hard. */
    private static final double FEW = 0.05;

    /** Weights of a pixel and of its neighbours: soft enough for the stairs, and a line of one pixel stays one. */
    private static final float OWN = 0.6875f;

    private static final float NEXT = 0.15625f;

    private HardEdges() {}

    static boolean has(Matte matte, double level) {
        Region r = matte.domain();
        long edges = 0;
        long between = 0;
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right() - 1; x++) {
                float a = matte.at(x, y);
                float b = matte.at(x + 1, y);
                if (a > level != b > level) {
                    edges++;
                    between += isBetween(a) || isBetween(b) ? 1 : 0;
                }
            }
        }
        return edges > 0 && between < FEW * edges;
    }

    private static boolean isBetween(float v) {
        return v > LEAST && v < MOST;
    }

    /** What is above a level as 1, all else as 0, softened. */
    static Matte softened(Matte matte, double level) {
        Region r = matte.domain().grown(1);
        Matte across = new Matte(r);
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                across.set(
                        x,
                        y,
                        OWN * bit(matte, x, y, level)
                                + NEXT * (bit(matte, x - 1, y, level) + bit(matte, x + 1, y, level)));
            }
        }
        Matte both = new Matte(r);
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                both.set(x, y, OWN * across.at(x, y) + NEXT * (across.at(x, y - 1) + across.at(x, y + 1)));
            }
        }
        return both;
    }

    private static float bit(Matte matte, int x, int y, double level) {
        return matte.at(x, y) > level ? 1 : 0;
    }
}
