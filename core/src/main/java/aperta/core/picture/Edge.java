package aperta.core.picture;

import aperta.core.shot.LayerEffect.Border;

/** What stands for a pixel beyond a border. */
public final class Edge {
    private Edge() {}

    /**
     * The place within a stretch that stands for one outside it; outside where nothing does.
     *
     * @param from of the stretch, inclusive
     * @param to exclusive
     */
    public static int within(int at, int from, int to, Border border) {
        if (at >= from && at < to || border == Border.EMPTY) {
            return at;
        }
        if (border == Border.REPEAT) {
            return at < from ? from : to - 1;
        }
        int count = to - from;
        int k = Math.floorMod(at - from, 2 * count);
        return from + (k < count ? k : 2 * count - 1 - k);
    }
}
