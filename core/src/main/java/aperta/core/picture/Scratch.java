package aperta.core.picture;

import java.util.ArrayDeque;
import java.util.HashMap;
import java.util.Map;

/** Planes lent out for a while and taken back, so that tiles don't keep the garbage collector busy. One thread's. */
public final class Scratch {
    private final Map<Integer, ArrayDeque<float[]>> free = new HashMap<>();

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
        free.computeIfAbsent(plane.length, n -> new ArrayDeque<>()).push(plane);
    }

    private float[] plane(int size) {
        ArrayDeque<float[]> some = free.get(size);
        return some == null || some.isEmpty() ? new float[size] : some.pop();
    }

    /** Sizes are rounded up to a few steps, so that planes find another use. */
    private static int rounded(int size) {
        int step = Math.max(1024, Integer.highestOneBit(Math.max(1, size)) / 4);
        return (size + step - 1) / step * step;
    }
}
