package aperta.vision;

import aperta.core.geometry.Box;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import org.opencv.core.Core;
import org.opencv.core.CvException;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint;
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
    /** What is compared, on the first frame. */
    private final float[] first;
    /** 255 between the marks, 0 elsewhere. */
    private final byte[] inside;

    private final List<org.opencv.core.Point> corners;
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
        this.first = new float[width * height];
        this.inside = new byte[width * height];
        try (Mats mats = new Mats()) {
            Mat seen = seen(mats, frame, new Homography(new double[] {1, 0, 0, 0, 1, 0, 0, 0, 1}), 0);
            seen.get(0, 0, first);
            Mat mask = mask(mats);
            mask.get(0, 0, inside);
            this.corners = cornersIn(mats, seen, mask);
        }
    }

    private Mat mask(Mats mats) {
        Mat mask = mats.zeros(width, height, CvType.CV_8U);
        List<org.opencv.core.Point> points = new ArrayList<>();
        for (Point p : marks) {
            Point q = toCompared.apply(p);
            points.add(new org.opencv.core.Point(q.x(), q.y()));
        }
        MatOfPoint polygon = mats.noWholePoints();
        polygon.fromList(points);
        Imgproc.fillConvexPoly(mask, polygon, new Scalar(255));
        return mask;
    }

    private static List<org.opencv.core.Point> cornersIn(Mats mats, Mat picture, Mat mask) {
        MatOfPoint found = mats.noWholePoints();
        Mat eight = eightBit(mats, picture);
        Imgproc.goodFeaturesToTrack(eight, found, MOST_CORNERS, QUALITY, 5, mask, 5, false, 0.04);
        return found.empty() ? List.of() : found.toList();
    }

    /**
     * A frame as it would look from where the marks were set.
     *
     * @param far so many pixels more on each side
     */
    private Mat seen(Mats mats, long frame, Homography fromFirst, int far) {
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
        Mat into = mats.zeros(wide, high, CvType.CV_32F);
        if (part.isEmpty()) {
            return into;
        }
        Mat source = mats.floats(part.width(), part.height(), film.grey(frame, part));
        // Where what is compared has fewer pixels, each is a mean of several.
        double many = 1 / toCompared.m()[0];
        if (many > 1.5) {
            Imgproc.GaussianBlur(source, source, new Size(0, 0), 0.4 * many);
        }
        Homography toSource =
                back.then(new Homography(new double[] {1, 0, -part.x() - 0.5, 0, 1, -part.y() - 0.5, 0, 0, 1}));
        Imgproc.warpPerspective(
                source,
                into,
                mats.homography(toSource),
                new Size(wide, high),
                Imgproc.INTER_CUBIC | Imgproc.WARP_INVERSE_MAP,
                Core.BORDER_REPLICATE,
                new Scalar(0));
        return into;
    }

    /** With the contrast of the whole stretched, since corners are followed in whole steps of brightness. */
    private static Mat eightBit(Mats mats, Mat picture) {
        Core.MinMaxLocResult range = Core.minMaxLoc(picture);
        double width = Math.max(1e-6, range.maxVal - range.minVal);
        Mat eight = mats.empty();
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
        double sure;
        try (Mats mats = new Mats()) {
            Mat warp = mats.floats(3, 3, new float[] {1, 0, 0, 0, 1, 0, 0, 0, 1});
            Mat before = mats.floats(width, height, first);
            Mat mask = mats.bytes(width, height, CvType.CV_8U, inside);
            Mat seen = seen(mats, frame, now, 0);
            sure = Video.findTransformECC(before, seen, warp, Video.MOTION_HOMOGRAPHY, ENOUGH, mask, 5);
            // What is seen here lies there: the map goes from the first picture to the one compared with it.
            now = toCompared
                    .then(Mats.homography(warp))
                    .then(toCompared.inverse())
                    .then(now);
        } catch (CvException e) {
            // What it throws where it doesn't come to an end: the region isn't there.
            sure = 0;
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
        Core.MinMaxLocResult best;
        double here;
        try (Mats mats = new Mats()) {
            Mat scores = mats.empty();
            Mat before = mats.floats(width, height, first);
            Imgproc.matchTemplate(seen(mats, frame, now, far), before, scores, Imgproc.TM_CCOEFF_NORMED);
            best = Core.minMaxLoc(scores);
            here = scores.get(far, far)[0];
        }
        if (best.maxVal < here + 0.02) {
            return now;
        }
        double dx = (best.maxLoc.x - far) / scale;
        double dy = (best.maxLoc.y - far) / scale;
        return new Homography(new double[] {1, 0, dx, 0, 1, dy, 0, 0, 1}).then(now);
    }

    private Homography byCorners(long frame, Homography now) {
        if (corners.size() < LEAST_CORNERS) {
            return now;
        }
        try (Mats mats = new Mats()) {
            Mat a = eightBit(mats, mats.floats(width, height, first));
            Mat b = eightBit(mats, seen(mats, frame, now, 0));
            return Corners.followed(mats, a, b, corners, APART)
                    .homography(mats, LEAST_CORNERS, RANSAC_PIXELS)
                    .map(found ->
                            toCompared.then(found).then(toCompared.inverse()).then(now))
                    .orElse(now);
        }
    }
}
