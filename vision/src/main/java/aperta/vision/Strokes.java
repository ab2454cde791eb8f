package aperta.vision;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BrushStroke;
import java.util.List;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Scalar;
import org.opencv.imgproc.Imgproc;

/** What was brushed on one frame, as pixels at working size. */
final class Strokes {
    private final int width;
    private final int height;
    private final boolean[] inside;
    private final boolean[] outside;

    Strokes(List<BrushStroke> strokes, int by, int width, int height) {
        this.width = width;
        this.height = height;
        this.inside = drawn(strokes, true, by);
        this.outside = drawn(strokes, false, by);
    }

    private boolean[] drawn(List<BrushStroke> strokes, boolean in, int by) {
        byte[] bytes = new byte[width * height];
        try (Mats mats = new Mats()) {
            Mat m = mats.zeros(width, height, CvType.CV_8U);
            for (BrushStroke s : strokes) {
                if (s.inside() == in) {
                    int thick = Math.max(1, (int) Math.round(2 * s.radius() / by));
                    Point last = s.path().get(0);
                    for (Point p : s.path()) {
                        Imgproc.line(m, pixel(last, by), pixel(p, by), new Scalar(255), thick);
                        last = p;
                    }
                }
            }
            m.get(0, 0, bytes);
        }
        boolean[] to = new boolean[bytes.length];
        for (int i = 0; i < to.length; i++) {
            to[i] = bytes[i] != 0;
        }
        return to;
    }

    private static org.opencv.core.Point pixel(Point p, int by) {
        return new org.opencv.core.Point(p.x() / by - 0.5, p.y() / by - 0.5);
    }

    int width() {
        return width;
    }

    boolean inside(int x, int y) {
        return inside[y * width + x];
    }

    boolean outside(int x, int y) {
        return outside[y * width + x];
    }

    Plane fromInside() {
        return Plane.distance(width, height, inside);
    }

    Plane fromOutside() {
        return Plane.distance(width, height, outside);
    }

    /** The part in which anything was brushed. */
    Region part() {
        int x0 = width;
        int y0 = height;
        int x1 = 0;
        int y1 = 0;
        for (int i = 0; i < inside.length; i++) {
            if (inside[i] || outside[i]) {
                x0 = Math.min(x0, i % width);
                x1 = Math.max(x1, i % width + 1);
                y0 = Math.min(y0, i / width);
                y1 = Math.max(y1, i / width + 1);
            }
        }
        return x1 <= x0 ? Region.NOTHING : new Region(x0, y0, x1 - x0, y1 - y0);
    }

    /** Changes odds of a part to what was brushed, less and less towards beyond the brush. */
    void tell(Region part, Plane odds, double reach, double certain) {
        float[] in = fromInside().value();
        float[] out = fromOutside().value();
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                int all = y * width + x;
                int i = (y - part.y()) * part.width() + x - part.x();
                double told = near(in[all], reach) - near(out[all], reach);
                double now = odds.value()[i] + certain * told;
                now = inside[all] ? certain : outside[all] ? -certain : now;
                odds.value()[i] = (float) Math.max(-certain, Math.min(certain, now));
            }
        }
    }

    /**
     * Keeps what was brushed: inside coverage is at least what it was when that was obeyed, outside at most, less and less
     * towards beyond the brush.
     */
    void keep(Matte coverage, Matte obeyed, double reach) {
        float[] in = fromInside().value();
        float[] out = fromOutside().value();
        Region part = coverage.domain();
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                int all = y * width + x;
                float now = coverage.at(x, y);
                float to = obeyed.at(x, y);
                if (in[all] < out[all] ? to > now : to < now) {
                    double told = near(Math.min(in[all], out[all]), reach);
                    coverage.set(x, y, (float) (now + told * (to - now)));
                }
            }
        }
    }

    private static double near(double distance, double reach) {
        return Math.exp(-distance * distance / (2 * reach * reach));
    }
}
