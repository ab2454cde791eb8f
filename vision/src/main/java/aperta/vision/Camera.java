package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import java.util.Arrays;
import java.util.List;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint;
import org.opencv.imgproc.Imgproc;

/** How the background moves from one picture to another, between pixels whose centres lie on whole numbers. */
final class Camera {
    private static final int MOST_CORNERS = 400;
    private static final double QUALITY = 0.01;
    private static final int LEAST_CORNERS = 12;
    private static final double RANSAC_PIXELS = 1;
    /** How far following forth and back may lie apart, in pixels. */
    private static final double APART = 0.5;
    /** Where half of the corners move less than this, none does: what moves is rain, leaves, grain. */
    private static final double STILL = 0.2;

    static final Homography STANDS = new Homography(new double[] {1, 0, 0, 0, 1, 0, 0, 0, 1});

    private Camera() {}

    /** Grey of eight bits, with dark parts lifted so that corners are found in them, too. */
    static byte[] grey(Colours c) {
        byte[] grey = new byte[c.width() * c.height()];
        for (int i = 0; i < grey.length; i++) {
            grey[i] = (byte) Math.round(Math.sqrt(Math.max(0, Math.min(255, c.brightness(i))) * 255));
        }
        return grey;
    }

    /** Stands still where too little is seen. */
    static Homography motion(int width, int height, byte[] from, byte[] to) {
        try (Mats mats = new Mats()) {
            Mat one = mats.bytes(width, height, CvType.CV_8U, from);
            Mat other = mats.bytes(width, height, CvType.CV_8U, to);
            MatOfPoint corners = mats.noWholePoints();
            Imgproc.goodFeaturesToTrack(one, corners, MOST_CORNERS, QUALITY, 6, mats.empty(), 5, false, 0.04);
            if (corners.rows() < LEAST_CORNERS) {
                return STANDS;
            }
            Corners found = Corners.followed(mats, one, other, corners.toList(), APART);
            return found.from().size() < LEAST_CORNERS || isStill(found)
                    ? STANDS
                    : found.homography(mats, LEAST_CORNERS, RANSAC_PIXELS).orElse(STANDS);
        }
    }

    private static boolean isStill(Corners found) {
        double[] far = new double[found.from().size()];
        for (int i = 0; i < far.length; i++) {
            far[i] = Math.hypot(
                    found.from().get(i).x - found.to().get(i).x,
                    found.from().get(i).y - found.to().get(i).y);
        }
        Arrays.sort(far);
        return far[far.length / 2] < STILL;
    }

    /** The same motion in pictures so many times as large. */
    static Homography enlarged(Homography motion, int by) {
        double middle = (by - 1) / 2.0;
        Homography up = new Homography(new double[] {by, 0, middle, 0, by, middle, 0, 0, 1});
        return up.inverse().then(motion).then(up);
    }

    /** How far a motion takes the corners of a picture at most. */
    static double furthest(Homography motion, int width, int height) {
        double most = 0;
        for (Point p : List.of(new Point(0, 0), new Point(width, 0), new Point(0, height), new Point(width, height))) {
            most = Math.max(most, motion.apply(p).minus(p).length());
        }
        return most;
    }
}
