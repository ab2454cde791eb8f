package aperta.core.picture;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;

/** Planes lent out for a while and taken back, so that tiles don't keep the garbage collector busy. One thread's. */
public final class Scratch {
    /** By {@link #step}. */
    private final List<ArrayDeque<float[]>> free = new ArrayList<>();

    /** A picture that may hold anything; give it back with {@link #give(Picture)}. */
    public Picture picture(Region domain) {
        int size = rounded(Picture.size(domain));
        return Picture.on(domain, new float[][] {plane(size), plane(size), plane(size), plane(size)});
    }

    /** A matte that may hold anything; give it back with {@link #give(Matte)}. */
    public Matte matte(Region domain) {
        return new Matte(domain, plane(rounded(Picture.size(domain))));
    }

    public void give(Picture picture) {
        for (float[] plane : picture.planes()) {
            give(plane);
        }
    }

    public void give(Matte matte) {
        give(matte.value);
    }

    private void give(float[] plane) {
        free(plane.length).push(plane);
    }

    private float[] plane(int size) {
        ArrayDeque<float[]> some = free(size);
        return some.isEmpty() ? new float[size] : some.pop();
    }

    private ArrayDeque<float[]> free(int size) {
        int step = step(size);
        while (free.size() <= step) {
            free.add(new ArrayDeque<>());
        }
        return free.get(step);
    }

    /** Sizes are rounded up to four steps an octave, so that planes find another use. */
    private static int rounded(int size) {
        int some = Math.max(1, size);
        int step = Math.max(1024, Integer.highestOneBit(some) / 4);
        return (some + step - 1) / step * step;
    }

    /** Numbers the sizes that {@link #rounded} gives. */
    private static int step(int size) {
        int octave = 31 - Integer.numberOfLeadingZeros(size);
        return 4 * octave + ((size >> (octave - 2)) & 3);
    }
}
