package aperta.vision;

import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import org.opencv.core.CvException;
import org.opencv.core.Mat;
import org.opencv.core.TermCriteria;
import org.opencv.video.Video;

/**
 * What is around a mark on a frame. It is found again by the enhanced correlation coefficient (G. D. Evangelidis and E. Z.
 * Psarakis, <i>Parametric Image Alignment Using Enhanced Correlation Coefficient Maximization</i>, 2008), which brightness and
 * contrast leave as it is.
 */
final class Patch {
    private static final TermCriteria ENOUGH = new TermCriteria(TermCriteria.COUNT | TermCriteria.EPS, 40, 1e-5);
    /** Both pictures are seen through a Gaussian of so many pixels, so that grain counts less. */
    private static final int SMOOTHED = 5;

    /** How much a patch may have been sheared or stretched for a map to be believed. */
    private static final double MOST_CHANGE = 2;

    /** How wide and high. */
    private final int side;

    private final float[] grey;
    /** The mark, in pixels of the patch, whose centres lie on whole numbers. */
    private final Point mark;

    private Patch(int side, float[] grey, Point mark) {
        this.side = side;
        this.grey = grey;
        this.mark = mark;
    }

    /** @param size how wide and high, in pixels of the film */
    static Patch around(Film film, long frame, Point at, double size) {
        int n = Math.max(5, (int) Math.rint(size));
        int x = (int) Math.rint(at.x() - n / 2.0);
        int y = (int) Math.rint(at.y() - n / 2.0);
        Region part = new Region(x, y, n, n);
        return new Patch(n, film.grey(frame, part), new Point(at.x() - x - 0.5, at.y() - y - 0.5));
    }

    Mat picture(Mats mats) {
        return mats.floats(side, side, grey);
    }

    /** Where the mark is when the patch's first pixel lies on one of a picture. */
    Point from(double x, double y) {
        return new Point(x + mark.x() + 0.5, y + mark.y() + 0.5);
    }

    /** Where the patch's first pixel is when the mark lies somewhere. */
    Point corner(Point at) {
        return new Point(at.x() - mark.x() - 0.5, at.y() - mark.y() - 0.5);
    }

    /**
     * A place of the patch in a picture.
     *
     * @param at the mark, in pixels from the picture's corner
     * @param shape the linear part of the map, by rows
     */
    record Found(Point at, double sure, double[] shape) {}

    static final double[] UPRIGHT = {1, 0, 0, 1};

    /**
     * Finds the exact place near one.
     *
     * @param near the mark, in pixels from the picture's corner
     * @param motion one of the library's
     */
    Found align(Mat in, Point near, double[] shape, int motion) {
        double tx = near.x() - 0.5 - shape[0] * mark.x() - shape[1] * mark.y();
        double ty = near.y() - 0.5 - shape[2] * mark.x() - shape[3] * mark.y();
        float[] m = {(float) shape[0], (float) shape[1], (float) tx, (float) shape[2], (float) shape[3], (float) ty};
        try (Mats mats = new Mats()) {
            Mat warp = mats.floats(3, 2, m);
            double sure = Video.findTransformECC(picture(mats), in, warp, motion, ENOUGH, mats.empty(), SMOOTHED);
            warp.get(0, 0, m);
            Point at = new Point(
                    m[0] * mark.x() + m[1] * mark.y() + m[2] + 0.5, m[3] * mark.x() + m[4] * mark.y() + m[5] + 0.5);
            double[] found = {m[0], m[1], m[3], m[4]};
            double det = found[0] * found[3] - found[1] * found[2];
            boolean sound = det > 1 / MOST_CHANGE && det < MOST_CHANGE && Double.isFinite(at.x() + at.y());
            return new Found(at, sound ? sure : 0, found);
        } catch (CvException e) {
            // What it throws where it doesn't come to an end: the patch isn't there.
            return new Found(near, 0, UPRIGHT);
        }
    }
}
