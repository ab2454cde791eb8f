package aperta.vision;

import aperta.core.geometry.Homography;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opencv.calib3d.Calib3d;
import org.opencv.core.Core;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.MatOfFloat;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Point;
import org.opencv.core.Size;
import org.opencv.video.Video;

/**
 * Corners of one picture that were found again in another, in pixels whose centres lie on whole numbers.
 *
 * @param from where they are in the one
 * @param to where each is in the other
 */
record Corners(List<Point> from, List<Point> to) {
    private static final Size WINDOW = new Size(15, 15);
    private static final int LEVELS = 3;
    /** What share of them a map has to explain. */
    static final double AGREEING = 0.25;

    private static final int ITERATIONS = 2000;
    private static final double SURE = 0.99;
    private static final int REFINED = 10;

    /**
     * By pyramidal Lucas–Kanade (Bouguet, 2000), there and back.
     *
     * @param apart how far a corner may be from where it was once it has been followed there and back
     */
    static Corners followed(Mats mats, Mat one, Mat other, List<Point> corners, double apart) {
        MatOfPoint2f start = mats.points(corners);
        MatOfPoint2f there = mats.noPoints();
        MatOfPoint2f back = mats.noPoints();
        MatOfByte forth = mats.noBytes();
        MatOfByte again = mats.noBytes();
        MatOfFloat error = mats.noFloats();
        Video.calcOpticalFlowPyrLK(one, other, start, there, forth, error, WINDOW, LEVELS);
        Video.calcOpticalFlowPyrLK(other, one, there, back, again, error, WINDOW, LEVELS);
        Point[] arrived = there.toArray();
        Point[] returned = back.toArray();
        byte[] found = forth.toArray();
        byte[] foundAgain = again.toArray();
        Corners all = new Corners(new ArrayList<>(), new ArrayList<>());
        for (int i = 0; i < arrived.length; i++) {
            Point p = corners.get(i);
            boolean same = Math.hypot(p.x - returned[i].x, p.y - returned[i].y) < apart;
            if (found[i] != 0 && foundAgain[i] != 0 && same) {
                all.from.add(p);
                all.to.add(arrived[i]);
            }
        }
        return all;
    }

    /**
     * The map that explains most of them, by RANSAC; nothing where there is none.
     *
     * @param least how many it has to explain
     * @param pixels how far it may miss one that it explains
     */
    Optional<Homography> homography(Mats mats, int least, double pixels) {
        if (from.size() < least) {
            return Optional.empty();
        }
        Mat agreeing = mats.empty();
        Mat map =
                mats.hold(Calib3d.findHomography(mats.points(from), mats.points(to), Calib3d.RANSAC, pixels, agreeing));
        boolean sure = !map.empty() && Core.countNonZero(agreeing) >= Math.max(least, AGREEING * from.size());
        return sure ? Optional.of(Mats.homography(map)) : Optional.empty();
    }

    /** Turn, scale and shift that explain most of them, in the same way. */
    Optional<Homography> similarity(Mats mats, int least, double pixels) {
        if (from.size() < least) {
            return Optional.empty();
        }
        Mat agreeing = mats.empty();
        Mat map = mats.hold(Calib3d.estimateAffinePartial2D(
                mats.points(from), mats.points(to), agreeing, Calib3d.RANSAC, pixels, ITERATIONS, SURE, REFINED));
        if (map.empty() || Core.countNonZero(agreeing) < Math.max(least, AGREEING * from.size())) {
            return Optional.empty();
        }
        double[] m = {0, 0, 0, 0, 0, 0, 0, 0, 1};
        map.get(0, 0, m);
        return Optional.of(new Homography(m));
    }

    /**
     * The shift on which most of them agree: of all that one of them makes, the one that explains most, then the mean of what it
     * explains.
     */
    Homography shift(double pixels) {
        Point best = new Point();
        int most = -1;
        for (int i = 0; i < from.size(); i++) {
            Point one = moved(i);
            int agree = 0;
            for (int k = 0; k < from.size(); k++) {
                agree += near(k, one, pixels) ? 1 : 0;
            }
            if (agree > most) {
                most = agree;
                best = one;
            }
        }
        double x = 0;
        double y = 0;
        for (int i = 0; i < from.size(); i++) {
            if (near(i, best, pixels)) {
                x += moved(i).x / most;
                y += moved(i).y / most;
            }
        }
        return new Homography(new double[] {1, 0, x, 0, 1, y, 0, 0, 1});
    }

    private Point moved(int i) {
        return new Point(to.get(i).x - from.get(i).x, to.get(i).y - from.get(i).y);
    }

    private boolean near(int i, Point shift, double pixels) {
        return Math.hypot(moved(i).x - shift.x, moved(i).y - shift.y) < pixels;
    }

    /** How many of them a map takes to within so many pixels of where they are. */
    int explained(Homography map, double pixels) {
        int n = 0;
        for (int i = 0; i < from.size(); i++) {
            aperta.core.geometry.Point there = map.apply(new aperta.core.geometry.Point(from.get(i).x, from.get(i).y));
            n += Math.hypot(there.x() - to.get(i).x, there.y() - to.get(i).y) < pixels ? 1 : 0;
        }
        return n;
    }
}
