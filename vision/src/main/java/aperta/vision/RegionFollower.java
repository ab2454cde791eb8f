package aperta.vision;

import aperta.core.geometry.Box;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import org.opencv.calib3d.Calib3d;
import org.opencv.core.Core;
import org.opencv.core.CvException;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.MatOfFloat;
import org.opencv.core.MatOfPoint;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.core.TermCriteria;
import org.opencv.imgproc.Imgproc;
import org.opencv.video.Video;

/**
 * Something flat, by its four corners. Each frame is drawn as it would look from where the marks were set, and compared with
 * that frame: corners in it are followed by pyramidal Lucas–Kanade, a homography is fitted to them by RANSAC, and the enhanced
 * correlation coefficient makes it exact.
 */
final class RegionFollower implements Follower {
    private static final int MOST_CORNERS = 300;
    private static final double QUALITY = 0.005;
    private static final int LEAST_CORNERS = 8;
    private static final double RANSAC_PIXELS = 1.2;
    /** What is compared is at most so many pixels wide or high. */
    private static final double MOST_SIDE = 480;
    /** How far two ways of following, forth and back, may lie apart. */
    private static final double APART = 0.7;
    /** From here on nothing better is looked for elsewhere. */
    private static final double SURE = 0.8;

    private static final TermCriteria ENOUGH = new TermCriteria(TermCriteria.COUNT | TermCriteria.EPS, 40, 1e-6);

    private final Film film;
    private final Point[] marks;
    /** From pixels of the film on the first frame to those of what is compared, whose centres lie on whole numbers. */
    private final Homography toCompared;

    private final int width;
    private final int height;
    private final Mat first;
    private final Mat inside;
    private final MatOfPoint2f corners;
    private final double reach;

    RegionFollower(Film film, long frame, List<Point> marks, double reach) {
        this.film = film;
        this.marks = marks.toArray(new Point[0]);
        this.reach = reach;
        Box box = Box.around(marks);
        double spare = 0.08 * Math.max(box.width(), box.height()) + 4;
        box = box.grown(spare);
        double scale = Math.min(1, MOST_SIDE / Math.max(box.width(), box.height()));
        this.width = (int) Math.ceil(box.width() * scale);
        this.height = (int) Math.ceil(box.height() * scale);
        this.toCompared = new Homography(
                new double[] {scale, 0, -box.x0() * scale - 0.5, 0, scale, -box.y0() * scale - 0.5, 0, 0, 1});
        this.first = seen(frame, new Homography(new double[] {1, 0, 0, 0, 1, 0, 0, 0, 1}));
        this.inside = inside();
        this.corners = cornersIn(first);
    }

    private Mat inside() {
        Mat mask = Mat.zeros(height, width, CvType.CV_8U);
        List<org.opencv.core.Point> points = new ArrayList<>();
        for (Point p : marks) {
            Point q = toCompared.apply(p);
            points.add(new org.opencv.core.Point(q.x(), q.y()));
        }
        MatOfPoint polygon = new MatOfPoint();
        polygon.fromList(points);
        Imgproc.fillConvexPoly(mask, polygon, new Scalar(255));
        return mask;
    }

    private MatOfPoint2f cornersIn(Mat picture) {
        MatOfPoint found = new MatOfPoint();
        Mat eight = eightBit(picture);
        Imgproc.goodFeaturesToTrack(eight, found, MOST_CORNERS, QUALITY, 5, inside, 5, false, 0.04);
        eight.release();
        MatOfPoint2f all = new MatOfPoint2f();
        all.fromList(found.empty() ? List.of() : found.toList());
        return all;
    }

    private Mat seen(long frame, Homography fromFirst) {
        return seen(frame, fromFirst, 0);
    }

    /**
     * A frame as it would look from where the marks were set.
     *
     * @param far so many pixels more on each side
     */
    private Mat seen(long frame, Homography fromFirst, int far) {
        int wide = width + 2 * far;
        int high = height + 2 * far;
        Homography back = new Homography(new double[] {1, 0, -far, 0, 1, -far, 0, 0, 1})
                .then(toCompared.inverse())
                .then(fromFirst);
        List<Point> around = List.of(
                back.apply(new Point(-1, -1)),
                back.apply(new Point(wide, -1)),
                back.apply(new Point(wide, high)),
                back.apply(new Point(-1, high)));
        Region part = Region.around(Box.around(around).grown(3))
                .intersect(new Region(-film.width(), -film.height(), 3 * film.width(), 3 * film.height()));
        Mat into = Mat.zeros(high, wide, CvType.CV_32F);
        if (part.isEmpty()) {
            return into;
        }
        Mat source = Patch.mat(film, frame, part);
        // Where what is compared has fewer pixels, each is a mean of several.
        double many = 1 / toCompared.m()[0];
        if (many > 1.5) {
            Imgproc.GaussianBlur(source, source, new Size(0, 0), 0.4 * many);
        }
        Mat map = mat(back.then(new Homography(new double[] {1, 0, -part.x() - 0.5, 0, 1, -part.y() - 0.5, 0, 0, 1})));
        Imgproc.warpPerspective(
                source,
                into,
                map,
                new Size(wide, high),
                Imgproc.INTER_CUBIC | Imgproc.WARP_INVERSE_MAP,
                Core.BORDER_REPLICATE,
                new Scalar(0));
        source.release();
        map.release();
        return into;
    }

    private static Mat mat(Homography h) {
        Mat m = new Mat(3, 3, CvType.CV_64F);
        for (int i = 0; i < 9; i++) {
            m.put(i / 3, i % 3, h.m()[i] / h.m()[8]);
        }
        return m;
    }

    private static Homography homography(Mat m) {
        double[] all = new double[9];
        for (int i = 0; i < 9; i++) {
            all[i] = m.get(i / 3, i % 3)[0];
        }
        return new Homography(all);
    }

    /** With the contrast of the whole stretched, since corners are followed in whole steps of brightness. */
    private static Mat eightBit(Mat picture) {
        Core.MinMaxLocResult range = Core.minMaxLoc(picture);
        double width = Math.max(1e-6, range.maxVal - range.minVal);
        Mat eight = new Mat();
        picture.convertTo(eight, CvType.CV_8U, 255 / width, -255 * range.minVal / width);
        return eight;
    }

    @Override
    public Look look(long frame, List<Point> expected, int wider) {
        Homography there =
                Homography.ofSquare(marks).inverse().then(Homography.ofSquare(expected.toArray(new Point[0])));
        Look near = exactly(frame, there, expected);
        if (near.sure() >= SURE || reach <= 0) {
            return near;
        }
        Look elsewhere = exactly(frame, moved(frame, there, wider), expected);
        return elsewhere.sure() > near.sure() ? elsewhere : near;
    }

    /** The exact place near one. */
    private Look exactly(long frame, Homography near, List<Point> expected) {
        Homography now = byCorners(frame, byCorners(frame, near));
        Mat seen = seen(frame, now);
        Mat warp = Mat.eye(3, 3, CvType.CV_32F);
        double sure;
        try {
            sure = Video.findTransformECC(first, seen, warp, Video.MOTION_HOMOGRAPHY, ENOUGH, inside, 5);
            // What is seen here lies there: the map goes from the first picture to the one compared with it.
            now = toCompared.then(homography(warp)).then(toCompared.inverse()).then(now);
        } catch (CvException e) {
            // What it throws where it doesn't come to an end: the region isn't there.
            sure = 0;
        } finally {
            seen.release();
            warp.release();
        }
        List<Point> at = new ArrayList<>();
        for (Point p : marks) {
            Point q = now.apply(p);
            if (!now.isBefore(p.x(), p.y()) || !Double.isFinite(q.x() + q.y())) {
                return new Look(expected, 0);
            }
            at.add(q);
        }
        return new Look(at, isSound(at) ? sure : 0);
    }

    /** Still convex, and not turned over. */
    private static boolean isSound(List<Point> quad) {
        double sign = 0;
        for (int i = 0; i < 4; i++) {
            Point a = quad.get((i + 1) % 4).minus(quad.get(i));
            Point b = quad.get((i + 2) % 4).minus(quad.get((i + 1) % 4));
            double turn = a.x() * b.y() - a.y() * b.x();
            if (sign * turn < 0 || turn == 0) {
                return false;
            }
            sign = turn;
        }
        return true;
    }

    /** Moved as a whole to where it fits best, in whole steps. */
    private Homography moved(long frame, Homography now, int wider) {
        double scale = toCompared.m()[0];
        int far = (int) Math.ceil(reach * scale * Math.min(3, 1 + 0.35 * wider));
        if (far < 1) {
            return now;
        }
        Mat seen = seen(frame, now, far);
        Mat scores = new Mat();
        Imgproc.matchTemplate(seen, first, scores, Imgproc.TM_CCOEFF_NORMED);
        Core.MinMaxLocResult best = Core.minMaxLoc(scores);
        double here = scores.get(far, far)[0];
        seen.release();
        scores.release();
        if (best.maxVal < here + 0.02) {
            return now;
        }
        double dx = (best.maxLoc.x - far) / scale;
        double dy = (best.maxLoc.y - far) / scale;
        return new Homography(new double[] {1, 0, dx, 0, 1, dy, 0, 0, 1}).then(now);
    }

    private Homography byCorners(long frame, Homography now) {
        if (corners.rows() < LEAST_CORNERS) {
            return now;
        }
        Mat seen = seen(frame, now);
        Mat a = eightBit(first);
        Mat b = eightBit(seen);
        MatOfPoint2f there = new MatOfPoint2f();
        MatOfPoint2f back = new MatOfPoint2f();
        MatOfByte forth = new MatOfByte();
        MatOfByte again = new MatOfByte();
        MatOfFloat error = new MatOfFloat();
        Video.calcOpticalFlowPyrLK(a, b, corners, there, forth, error, new Size(15, 15), 3);
        Video.calcOpticalFlowPyrLK(b, a, there, back, again, error, new Size(15, 15), 3);
        org.opencv.core.Point[] from = corners.toArray();
        org.opencv.core.Point[] to = there.toArray();
        org.opencv.core.Point[] returned = back.toArray();
        byte[] good = forth.toArray();
        byte[] goodAgain = again.toArray();
        List<org.opencv.core.Point> p = new ArrayList<>();
        List<org.opencv.core.Point> q = new ArrayList<>();
        for (int i = 0; i < from.length; i++) {
            double dx = from[i].x - returned[i].x;
            double dy = from[i].y - returned[i].y;
            if (good[i] == 1 && goodAgain[i] == 1 && dx * dx + dy * dy < APART * APART) {
                p.add(from[i]);
                q.add(to[i]);
            }
        }
        seen.release();
        a.release();
        b.release();
        if (p.size() < LEAST_CORNERS) {
            return now;
        }
        MatOfPoint2f src = new MatOfPoint2f();
        MatOfPoint2f dst = new MatOfPoint2f();
        src.fromList(p);
        dst.fromList(q);
        Mat found = Calib3d.findHomography(src, dst, Calib3d.RANSAC, RANSAC_PIXELS);
        if (found.empty()) {
            return now;
        }
        return toCompared.then(homography(found)).then(toCompared.inverse()).then(now);
    }

    @Override
    public void close() {
        first.release();
        inside.release();
    }
}
