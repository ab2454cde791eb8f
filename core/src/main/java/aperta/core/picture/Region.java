package aperta.core.picture;

import aperta.core.geometry.Box;

/** A rectangle of whole pixels; empty where a side is 0. */
public record Region(int x, int y, int width, int height) {
    public static final Region NOTHING = new Region(0, 0, 0, 0);
    private static final int FAR = 1 << 28;
    /** Stands for the whole plane. */
    public static final Region EVERYWHERE = new Region(-FAR, -FAR, 2 * FAR, 2 * FAR);

    public Region {
        if (width <= 0 || height <= 0) {
            width = 0;
            height = 0;
        }
    }

    /** Every pixel that the box touches. */
    public static Region around(Box box) {
        if (box.isEmpty()) {
            return NOTHING;
        }
        int x0 = clamp(Math.floor(box.x0()));
        int y0 = clamp(Math.floor(box.y0()));
        return new Region(x0, y0, clamp(Math.ceil(box.x1())) - x0, clamp(Math.ceil(box.y1())) - y0);
    }

    private static int clamp(double v) {
        return (int) Math.max(-FAR, Math.min(FAR, v));
    }

    public boolean isEmpty() {
        return width == 0;
    }

    public int right() {
        return x + width;
    }

    public int bottom() {
        return y + height;
    }

    public long area() {
        return (long) width * height;
    }

    public Region intersect(Region other) {
        int x0 = Math.max(x, other.x);
        int y0 = Math.max(y, other.y);
        return new Region(x0, y0, Math.min(right(), other.right()) - x0, Math.min(bottom(), other.bottom()) - y0);
    }

    public Region union(Region other) {
        if (isEmpty()) {
            return other;
        }
        if (other.isEmpty()) {
            return this;
        }
        int x0 = Math.min(x, other.x);
        int y0 = Math.min(y, other.y);
        return new Region(x0, y0, Math.max(right(), other.right()) - x0, Math.max(bottom(), other.bottom()) - y0);
    }

    public Region grown(int by) {
        return isEmpty() ? this : new Region(x - by, y - by, width + 2 * by, height + 2 * by);
    }

    public boolean contains(int px, int py) {
        return px >= x && py >= y && px < right() && py < bottom();
    }

    public boolean contains(Region other) {
        return other.isEmpty()
                || other.x >= x && other.y >= y && other.right() <= right() && other.bottom() <= bottom();
    }
}
