package aperta.core.picture;

import aperta.core.geometry.Affine;

/** A rectangle that lies somewhere on the raster, turned and skewed: how much of each pixel it covers, exactly. */
final class PlacedFrame {
    /** Of a pixel's area: less is a rounding error of the map. */
    private static final double NOTHING = 1e-9;

    private final double width;
    private final double height;
    private final Affine toFrame;
    private final double area;
    private final double left;
    private final double right;
    private final double above;
    private final double below;
    /** Corners of a pixel that is being cut by the rectangle's sides, by turns. */
    private double[] corners = new double[16];

    private double[] cut = new double[16];

    /** @param toFrame from raster pixels to the rectangle's own, which run from (0, 0) to its width and height */
    PlacedFrame(double width, double height, Affine toFrame) {
        this.width = width;
        this.height = height;
        this.toFrame = toFrame;
        this.area = Math.abs(toFrame.a() * toFrame.d() - toFrame.b() * toFrame.c());
        this.left = Math.min(0, toFrame.a()) + Math.min(0, toFrame.c());
        this.right = Math.max(0, toFrame.a()) + Math.max(0, toFrame.c());
        this.above = Math.min(0, toFrame.b()) + Math.min(0, toFrame.d());
        this.below = Math.max(0, toFrame.b()) + Math.max(0, toFrame.d());
    }

    /** The share of a pixel, 0 to 1. */
    double share(int x, int y) {
        double px = toFrame.a() * x + toFrame.c() * y + toFrame.e();
        double py = toFrame.b() * x + toFrame.d() * y + toFrame.f();
        if (px + left >= 0 && px + right <= width && py + above >= 0 && py + below <= height) {
            return 1;
        }
        if (px + right <= 0 || px + left >= width || py + below <= 0 || py + above >= height) {
            return 0;
        }
        double share = cut(px, py) / area;
        return share > 1 - NOTHING ? 1 : share < NOTHING ? 0 : share;
    }

    /** The pixel as it lies on the frame, cut by the four sides in turn (Sutherland and Hodgman 1974): what is left. */
    private double cut(double px, double py) {
        corners[0] = px;
        corners[1] = py;
        corners[2] = px + toFrame.a();
        corners[3] = py + toFrame.b();
        corners[4] = px + toFrame.a() + toFrame.c();
        corners[5] = py + toFrame.b() + toFrame.d();
        corners[6] = px + toFrame.c();
        corners[7] = py + toFrame.d();
        int count = side(4, 0, 1, 0);
        count = side(count, 0, -1, width);
        count = side(count, 1, 1, 0);
        count = side(count, 1, -1, height);
        double twice = 0;
        for (int i = 0; i < count; i++) {
            int next = (i + 1) % count;
            twice += corners[2 * i] * corners[2 * next + 1] - corners[2 * next] * corners[2 * i + 1];
        }
        return Math.abs(twice) / 2;
    }

    /** Keeps what has {@code sign · coordinate + offset ≥ 0}. */
    private int side(int count, int axis, int sign, double offset) {
        int kept = 0;
        for (int i = 0; i < count; i++) {
            int next = (i + 1) % count;
            double here = sign * corners[2 * i + axis] + offset;
            double there = sign * corners[2 * next + axis] + offset;
            if (here >= 0) {
                cut[2 * kept] = corners[2 * i];
                cut[2 * kept++ + 1] = corners[2 * i + 1];
            }
            if (here < 0 != there < 0) {
                double t = here / (here - there);
                cut[2 * kept] = corners[2 * i] + t * (corners[2 * next] - corners[2 * i]);
                cut[2 * kept++ + 1] = corners[2 * i + 1] + t * (corners[2 * next + 1] - corners[2 * i + 1]);
            }
        }
        double[] before = corners;
        corners = cut;
        cut = before;
        return kept;
    }
}
