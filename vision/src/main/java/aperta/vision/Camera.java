package aperta.vision;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.opencv.calib3d.Calib3d;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.MatOfFloat;
import org.opencv.core.MatOfPoint;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Point;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import org.opencv.video.Video;

/** How the background moves from one picture to another: corners by pyramidal Lucas–Kanade, a homography by RANSAC. */
final class Camera {
    private static final int MOST_CORNERS = 400;
    private static final double QUALITY = 0.01;
    private static final int LEAST_CORNERS = 12;
    private static final double RANSAC_PIXELS = 1;
    /** How far following forth and back may lie apart, in pixels. */
    private static final double APART = 0.5;
    /** Where half of the corners move less than this, none does: what moves is rain, leaves, grain. */
    private static final double STILL = 0.2;

    private static final Size WINDOW = new Size(15, 15);
    private static final int LEVELS = 3;

    private Camera() {}

    static Mat still() {
        return Mat.eye(3, 3, CvType.CV_64F);
    }

    /** Grey of eight bits, with dark parts lifted so that corners are found in them, too. */
    static Mat grey(Colours c) {
        byte[] grey = new byte[c.width() * c.height()];
        for (int i = 0; i < grey.length; i++) {
            double luma = 0.2126 * c.rgb()[0][i] + 0.7152 * c.rgb()[1][i] + 0.0722 * c.rgb()[2][i];
            grey[i] = (byte) Math.round(Math.sqrt(Math.max(0, Math.min(255, luma)) * 255));
        }
        Mat m = new Mat(c.height(), c.width(), CvType.CV_8U);
        m.put(0, 0, grey);
        return m;
    }

    /** The homography between pixels whose centres lie on whole numbers; nothing moves where too little is seen. */
    static Mat motion(Mat from, Mat to) {
        MatOfPoint corners = new MatOfPoint();
        Imgproc.goodFeaturesToTrack(from, corners, MOST_CORNERS, QUALITY, 6, new Mat(), 5, false, 0.04);
        if (corners.rows() < LEAST_CORNERS) {
            return still();
        }
        MatOfPoint2f there = new MatOfPoint2f(corners.toArray());
        MatOfPoint2f here = new MatOfPoint2f();
        MatOfPoint2f back = new MatOfPoint2f();
        MatOfByte forthFound = new MatOfByte();
        MatOfByte backFound = new MatOfByte();
        Video.calcOpticalFlowPyrLK(from, to, there, here, forthFound, new MatOfFloat(), WINDOW, LEVELS);
        Video.calcOpticalFlowPyrLK(to, from, here, back, backFound, new MatOfFloat(), WINDOW, LEVELS);
        List<Point> a = new ArrayList<>();
        List<Point> b = new ArrayList<>();
        for (int i = 0; i < there.rows(); i++) {
            Point p = new Point(there.get(i, 0));
            Point q = new Point(back.get(i, 0));
            boolean found = forthFound.get(i, 0)[0] != 0 && backFound.get(i, 0)[0] != 0;
            if (found && Math.hypot(p.x - q.x, p.y - q.y) < APART) {
                a.add(p);
                b.add(new Point(here.get(i, 0)));
            }
        }
        return a.size() < LEAST_CORNERS || isStill(a, b) ? still() : fitted(a, b);
    }

    private static boolean isStill(List<Point> a, List<Point> b) {
        double[] far = new double[a.size()];
        for (int i = 0; i < far.length; i++) {
            far[i] = Math.hypot(a.get(i).x - b.get(i).x, a.get(i).y - b.get(i).y);
        }
        Arrays.sort(far);
        return far[far.length / 2] < STILL;
    }

    private static Mat fitted(List<Point> a, List<Point> b) {
        MatOfPoint2f from = new MatOfPoint2f();
        from.fromList(a);
        MatOfPoint2f to = new MatOfPoint2f();
        to.fromList(b);
        Mat agreeing = new Mat();
        Mat m = Calib3d.findHomography(from, to, Calib3d.RANSAC, RANSAC_PIXELS, agreeing);
        boolean sure = !m.empty() && Core.countNonZero(agreeing) >= Math.max(LEAST_CORNERS, a.size() / 4);
        return sure ? m : still();
    }

    static Mat product(Mat a, Mat b) {
        Mat to = new Mat();
        Core.gemm(a, b, 1, new Mat(), 0, to);
        return to;
    }

    /** The same motion in pictures so many times as large. */
    static Mat enlarged(Mat motion, int by) {
        double middle = (by - 1) / 2.0;
        Mat up = new Mat(3, 3, CvType.CV_64F);
        up.put(0, 0, by, 0, middle, 0, by, middle, 0, 0, 1);
        return product(product(up, motion), up.inv());
    }

    /** How far a motion takes the corners of a picture at most. */
    static double furthest(Mat motion, int width, int height) {
        double most = 0;
        MatOfPoint2f to = new MatOfPoint2f();
        Point[] corners = {new Point(0, 0), new Point(width, 0), new Point(0, height), new Point(width, height)};
        Core.perspectiveTransform(new MatOfPoint2f(corners), to, motion);
        for (int i = 0; i < corners.length; i++) {
            Point q = new Point(to.get(i, 0));
            most = Math.max(most, Math.hypot(q.x - corners[i].x, q.y - corners[i].y));
        }
        return most;
    }
}
