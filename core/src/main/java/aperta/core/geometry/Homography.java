package aperta.core.geometry;

/** A map of the plane in perspective: three rows of a matrix over homogeneous points. */
public record Homography(double[] m) {
    /** From the unit square, clockwise from its top left, to four points (P. Heckbert 1989, 2.2.3). */
    public static Homography ofSquare(Point[] to) {
        double sx = to[0].x() - to[1].x() + to[2].x() - to[3].x();
        double sy = to[0].y() - to[1].y() + to[2].y() - to[3].y();
        double dx1 = to[1].x() - to[2].x();
        double dx2 = to[3].x() - to[2].x();
        double dy1 = to[1].y() - to[2].y();
        double dy2 = to[3].y() - to[2].y();
        double det = dx1 * dy2 - dx2 * dy1;
        double g = det == 0 ? 0 : (sx * dy2 - dx2 * sy) / det;
        double h = det == 0 ? 0 : (dx1 * sy - sx * dy1) / det;
        return new Homography(new double[] {
            to[1].x() - to[0].x() + g * to[1].x(),
            to[3].x() - to[0].x() + h * to[3].x(),
            to[0].x(),
            to[1].y() - to[0].y() + g * to[1].y(),
            to[3].y() - to[0].y() + h * to[3].y(),
            to[0].y(),
            g,
            h,
            1
        });
    }

    /** The same from a box instead of the unit square. */
    public Homography after(Box box) {
        double sx = 1 / box.width();
        double sy = 1 / box.height();
        double[] n = new double[9];
        for (int row = 0; row < 3; row++) {
            double a = m[3 * row] * sx;
            double b = m[3 * row + 1] * sy;
            n[3 * row] = a;
            n[3 * row + 1] = b;
            n[3 * row + 2] = m[3 * row + 2] - a * box.x0() - b * box.y0();
        }
        return new Homography(n);
    }

    /** By the adjugate; of the same sign, so that what is before stays before. */
    public Homography inverse() {
        double[] n = {
            m[4] * m[8] - m[5] * m[7], m[2] * m[7] - m[1] * m[8], m[1] * m[5] - m[2] * m[4],
            m[5] * m[6] - m[3] * m[8], m[0] * m[8] - m[2] * m[6], m[2] * m[3] - m[0] * m[5],
            m[3] * m[7] - m[4] * m[6], m[1] * m[6] - m[0] * m[7], m[0] * m[4] - m[1] * m[3]
        };
        double det = m[0] * n[0] + m[1] * n[3] + m[2] * n[6];
        for (int i = 0; i < 9; i++) {
            n[i] /= det;
        }
        return new Homography(n);
    }

    /** Whether a point lies before the horizon. */
    public boolean isBefore(double x, double y) {
        return m[6] * x + m[7] * y + m[8] > 1e-9;
    }

    public void apply(double x, double y, double[] to) {
        double w = m[6] * x + m[7] * y + m[8];
        double px = (m[0] * x + m[1] * y + m[2]) / w;
        to[1] = (m[3] * x + m[4] * y + m[5]) / w;
        to[0] = px;
    }

    public Point apply(Point p) {
        double[] to = new double[2];
        apply(p.x(), p.y(), to);
        return new Point(to[0], to[1]);
    }

    /** First this map, then {@code next}. */
    public Homography then(Homography next) {
        double[] n = new double[9];
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                for (int k = 0; k < 3; k++) {
                    n[3 * row + column] += next.m[3 * row + k] * m[3 * k + column];
                }
            }
        }
        return new Homography(n);
    }

    public static Homography of(Affine a) {
        return new Homography(new double[] {a.a(), a.c(), a.e(), a.b(), a.d(), a.f(), 0, 0, 1});
    }
}
