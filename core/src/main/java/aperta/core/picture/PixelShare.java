package aperta.core.picture;

/**
 * The share of a pixel that lies on one side of a straight line, by the line's distance from the pixel's middle, and back. Seen
 * along the line's normal a pixel is a trapezium: it rises over b, the lesser part of the normal, and lasts as wide as a − b.
 */
final class PixelShare {
    private PixelShare() {}

    /**
     * @param s how far inside the pixel's middle lies
     * @param nx and {@code ny}: the line's normal, of any length over 0
     */
    static double inside(double s, double nx, double ny) {
        double length = Math.sqrt(nx * nx + ny * ny);
        double x = Math.abs(nx) / length;
        double y = Math.abs(ny) / length;
        double a = x > y ? x : y;
        double b = x > y ? y : x;
        double outer = (a + b) / 2;
        double inner = (a - b) / 2;
        double d = Math.abs(s);
        double beyond = d >= outer ? 0 : d >= inner ? (outer - d) * (outer - d) / (2 * a * b) : 0.5 - d / a;
        return s > 0 ? 1 - beyond : beyond;
    }

    /** How far inside the middle lies of a pixel of which a share of 0 to 1 is inside. */
    static double distance(double share, double nx, double ny) {
        double length = Math.sqrt(nx * nx + ny * ny);
        double x = Math.abs(nx) / length;
        double y = Math.abs(ny) / length;
        double a = x > y ? x : y;
        double b = x > y ? y : x;
        double least = share > 0.5 ? 1 - share : share;
        double corner = b / (2 * a);
        double d = least < corner ? (a + b) / 2 - Math.sqrt(2 * a * b * least) : (0.5 - least) * a;
        return share > 0.5 ? d : -d;
    }
}
