package aperta.core.picture;

/**
 * Of three mattes of something that moves, one of them and those of the frames before and after, moved to where it is on this
 * one: the value in the middle of each pixel's three. What is there on one frame only goes, and an edge that goes on moving the
 * same way stays, which a mean would blur. Common practice, no source.
 */
public final class MatteMedian {
    private MatteMedian() {}

    /**
     * @param part of the frame that is wanted
     * @param fromBefore by how far it has moved since the one before
     * @param fromAfter by how far it has to move back from the one after
     */
    public static Matte of(
            Region part, Matte before, MatteShift fromBefore, Matte now, Matte after, MatteShift fromAfter) {
        Matte to = moved(before, fromBefore, part);
        Matte own = moved(now, MatteShift.NONE, part);
        Matte next = moved(after, fromAfter, part);
        for (int i = 0; i < to.value.length; i++) {
            float a = to.value[i];
            float b = own.value[i];
            to.value[i] = Math.max(Math.min(a, b), Math.min(Math.max(a, b), next.value[i]));
        }
        return to;
    }

    private static Matte moved(Matte m, MatteShift by, Region part) {
        Region d = m.domain();
        Matte to = new Matte(part);
        for (int y = Math.max(part.y(), d.y() + by.dy()); y < Math.min(part.bottom(), d.bottom() + by.dy()); y++) {
            int from = Math.max(part.x(), d.x() + by.dx());
            int wide = Math.min(part.right(), d.right() + by.dx()) - from;
            if (wide > 0) {
                System.arraycopy(m.value, m.index(from - by.dx(), y - by.dy()), to.value, to.index(from, y), wide);
            }
        }
        return to;
    }
}
