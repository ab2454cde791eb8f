package aperta.core.geometry;

/** A point or a vector of the plane, in pixels unless said otherwise; y points down. */
public record Point(double x, double y) {
    public static final Point ORIGIN = new Point(0, 0);

    public Point plus(Point other) {
        return new Point(x + other.x, y + other.y);
    }

    public Point minus(Point other) {
        return new Point(x - other.x, y - other.y);
    }

    public Point times(double factor) {
        return new Point(x * factor, y * factor);
    }

    /** The point at {@code t} on the straight line from here (0) to {@code to} (1); t may lie outside. */
    public Point mix(Point to, double t) {
        return new Point(x + (to.x - x) * t, y + (to.y - y) * t);
    }

    public double length() {
        return Math.sqrt(x * x + y * y);
    }
}
