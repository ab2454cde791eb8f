package aperta.core.geometry;

import java.util.List;

/** An axis-aligned box {@code [x0, x1] × [y0, y1]}; empty where {@code x1 <= x0} or {@code y1 <= y0}. */
public record Box(double x0, double y0, double x1, double y1) {
    public static final Box EMPTY = new Box(0, 0, 0, 0);

    /** A box of the given size whose centre is the origin: the space in which footage and fills lie. */
    public static Box centred(double width, double height) {
        return new Box(-width / 2, -height / 2, width / 2, height / 2);
    }

    /** The smallest box around the points; {@link #EMPTY} for none. */
    public static Box around(List<Point> points) {
        if (points.isEmpty()) {
            return EMPTY;
        }
        double x0 = Double.POSITIVE_INFINITY;
        double y0 = Double.POSITIVE_INFINITY;
        double x1 = Double.NEGATIVE_INFINITY;
        double y1 = Double.NEGATIVE_INFINITY;
        for (Point p : points) {
            x0 = Math.min(x0, p.x());
            y0 = Math.min(y0, p.y());
            x1 = Math.max(x1, p.x());
            y1 = Math.max(y1, p.y());
        }
        return new Box(x0, y0, x1, y1);
    }

    public boolean isEmpty() {
        return !(x1 > x0 && y1 > y0);
    }

    public double width() {
        return x1 - x0;
    }

    public double height() {
        return y1 - y0;
    }

    public Point centre() {
        return new Point((x0 + x1) / 2, (y0 + y1) / 2);
    }

    /** The corners in order: left top, right top, right bottom, left bottom. */
    public List<Point> corners() {
        return List.of(new Point(x0, y0), new Point(x1, y0), new Point(x1, y1), new Point(x0, y1));
    }

    public Box union(Box other) {
        if (isEmpty()) {
            return other;
        }
        if (other.isEmpty()) {
            return this;
        }
        return new Box(Math.min(x0, other.x0), Math.min(y0, other.y0), Math.max(x1, other.x1), Math.max(y1, other.y1));
    }

    /** Whether the two have some area in common. */
    public boolean meets(Box other) {
        return x0 < other.x1 && other.x0 < x1 && y0 < other.y1 && other.y0 < y1;
    }

    public Box grown(double by) {
        return new Box(x0 - by, y0 - by, x1 + by, y1 + by);
    }

    public boolean contains(Point p) {
        return p.x() >= x0 && p.x() <= x1 && p.y() >= y0 && p.y() <= y1;
    }
}
