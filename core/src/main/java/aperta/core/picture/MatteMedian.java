package aperta.core.picture;

/**
 * Of three mattes of something that moves, one of them and those of the frames before and after, moved to where it is on this
 * one: the value in the middle of each pixel's three. What is there on one frame only goes, and an edge that goes on moving the
 * same way stays, which a mean would blur. Common practice, no source.
 */
public final class MatteMedian {
    private MatteMedian() {}

    /**
     * @param part of the picture that is wanted
     * @param picture the frame: what of the other two lies beyond it isn't known, and two values are taken at their mean
     * @param fromBefore by how far it has moved since the one before
     * @param fromAfter by how far it has to move back from the one after
     */
    public static Matte of(
            Region part,
            Region picture,
            Matte before,
            MatteShift fromBefore,
            Matte now,
            Matte after,
            MatteShift fromAfter) {
        Matte to = new Matte(part);
        to.copyFrom(now);
        float[] one = moved(before, fromBefore, picture, part).value;
        float[] other = moved(after, fromAfter, picture, part).value;
        for (int i = 0; i < to.value.length; i++) {
            to.value[i] = median(one[i], to.value[i], other[i]);
        }
        return to;
    }

    private static float median(float a, float own, float b) {
        if (Float.isNaN(a)) {
            return Float.isNaN(b) ? own : (own + b) / 2;
        }
        return Float.isNaN(b) ? (own + a) / 2 : Math.max(Math.min(a, own), Math.min(Math.max(a, own), b));
    }

    private static Matte moved(Matte m, MatteShift by, Region picture, Region part) {
        Region known = by.moved(picture).intersect(part);
        Region there = by.moved(m.domain()).intersect(known);
        Matte to = new Matte(part);
        to.fill(Float.NaN);
        if (!known.isEmpty()) {
            to.view(known).fill(0);
        }
        for (int y = there.y(); y < there.bottom() && !there.isEmpty(); y++) {
            int from = m.index(there.x() - by.dx(), y - by.dy());
            System.arraycopy(m.value, from, to.value, to.index(there.x(), y), there.width());
        }
        return to;
    }
}
