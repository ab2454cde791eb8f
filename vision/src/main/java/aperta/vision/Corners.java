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
    private static final double AGREEING = 0.25;

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
}
