package aperta.core.picture;

import java.util.Arrays;

/** One value a pixel, 0 to 1, on a domain; 0 outside it. A view shares the values of a larger matte. */
public final class Matte {
    private final Region domain;
    private final int base;
    private final int stride;
    final float[] value;

    Matte(Region domain, int base, int stride, float[] value) {
        this.domain = domain;
        this.base = base;
        this.stride = stride;
        this.value = value;
    }

    public Matte(Region domain) {
        this(domain, new float[Picture.size(domain)]);
    }

    /** Row by row, the domain's width apart; the array may be longer. */
    public Matte(Region domain, float[] value) {
        this(domain, 0, domain.width(), value);
    }

    public Region domain() {
        return domain;
    }

    public Matte view(Region part) {
        Region inside = domain.intersect(part);
        return new Matte(inside, inside.isEmpty() ? 0 : index(inside.x(), inside.y()), stride, value);
    }

    public int index(int x, int y) {
        return base + (y - domain.y()) * stride + (x - domain.x());
    }

    public float at(int x, int y) {
        return domain.contains(new Region(x, y, 1, 1)) ? value[index(x, y)] : 0;
    }

    public void set(int x, int y, float v) {
        value[index(x, y)] = v;
    }

    public void fill(float v) {
        for (int y = domain.y(); y < domain.bottom(); y++) {
            int from = index(domain.x(), y);
            Arrays.fill(value, from, from + domain.width(), v);
        }
    }

    /** Takes over the values of {@code other} where both have a domain. */
    public void copyFrom(Matte other) {
        Region both = domain.intersect(other.domain);
        for (int y = both.y(); y < both.bottom(); y++) {
            System.arraycopy(other.value, other.index(both.x(), y), value, index(both.x(), y), both.width());
        }
    }

    /** The smallest region outside of which nothing is more than this. */
    public Region where(float more) {
        int left = domain.right();
        int top = domain.bottom();
        int right = domain.x();
        int bottom = domain.y();
        for (int y = domain.y(); y < domain.bottom(); y++) {
            int at = index(domain.x(), y);
            for (int x = domain.x(); x < domain.right(); x++, at++) {
                if (value[at] > more) {
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = y + 1;
                }
            }
        }
        return right <= left ? Region.NOTHING : new Region(left, top, right - left, bottom - top);
    }

    /** Its values themselves, read and written at {@link #index}. */
    public float[] values() {
        return value;
    }

    public long bytes() {
        return 4L * value.length;
    }
}
