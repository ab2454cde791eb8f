package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import java.util.ArrayList;
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
    /** How far a map may miss a corner that it explains, in pixels. */
    private static final double EXPLAINED = 0.5;
    /** A simpler map that explains this share of what another one explains is the better one. */
    private static final double AS_GOOD = 0.97;
    /** How far following forth and back may lie apart, in pixels. */
    private static final double APART = 0.5;
    /** Where half of the corners move less than this, none does: what moves is rain, leaves, grain. */
    private static final double STILL = 0.2;
    /** By which share brightness may differ without being evened out. */
    private static final double SAME_LIGHT = 0.03;
    /** A shift of less isn't told from none. */
    private static final double LEAST_SHIFT = 0.1;

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

    /** Stands still where too little is seen, and where what moves may be something else. */
    static Homography motion(int width, int height, byte[] from, byte[] to) {
        return motion(width, height, from, to, true);
    }

    /** The motion of a camera that is known to move: however small it is, it counts. */
    static Homography smallMotion(int width, int height, byte[] from, byte[] to) {
        return motion(width, height, from, to, false);
    }

    private static Homography motion(int width, int height, byte[] from, byte[] to, boolean mayStand) {
        try (Mats mats = new Mats()) {
            Mat one = mats.bytes(width, height, CvType.CV_8U, inLight(from, to));
            Mat other = mats.bytes(width, height, CvType.CV_8U, to);
            MatOfPoint corners = mats.noWholePoints();
            Imgproc.goodFeaturesToTrack(one, corners, MOST_CORNERS, QUALITY, 6, mats.empty(), 5, false, 0.04);
            if (corners.rows() < LEAST_CORNERS) {
                return STANDS;
            }
            Corners found = Corners.followed(mats, one, other, corners.toList(), APART);
            return found.from().size() < LEAST_CORNERS || mayStand && isStill(found)
                    ? STANDS
                    : simplest(mats, found, mayStand ? LEAST_SHIFT : 0);
        }
    }

    /**
     * The simplest map that explains nearly as many corners as any: a shift, a shift with turn and scale, a homography. One with
     * more freedom than the camera has follows noise, and misses the picture's corners by several pixels (choice of a model by
     * what it explains and by its degrees of freedom: Torr, "Geometric Motion Segmentation and Model Selection", Phil. Trans.
     * R. Soc. A 356, 1998).
     */
    private static Homography simplest(Mats mats, Corners found, double leastShift) {
        Homography shift = found.shift(EXPLAINED);
        List<Homography> maps = new ArrayList<>();
        maps.add(shift.apply(Point.ORIGIN).length() < leastShift ? STANDS : shift);
        found.similarity(mats, LEAST_CORNERS, EXPLAINED).ifPresent(maps::add);
        found.homography(mats, LEAST_CORNERS, EXPLAINED).ifPresent(maps::add);
        int[] explained =
                maps.stream().mapToInt(m -> found.explained(m, EXPLAINED)).toArray();
        int most = Arrays.stream(explained).max().orElseThrow();
        if (most < Math.max(LEAST_CORNERS, Corners.AGREEING * found.from().size())) {
            return STANDS;
        }
        int simplest = 0;
        while (explained[simplest] < AS_GOOD * most) {
            simplest++;
        }
        return maps.get(simplest);
    }

    /** As bright as another picture, where the light has changed: what lamps do isn't motion. */
    private static byte[] inLight(byte[] picture, byte[] other) {
        double light = middle(other) / Math.max(1, middle(picture));
        if (Math.abs(light - 1) < SAME_LIGHT) {
            return picture;
        }
        byte[] to = new byte[picture.length];
        for (int i = 0; i < to.length; i++) {
            to[i] = (byte) Math.min(255, Math.rint((picture[i] & 255) * light));
        }
        return to;
    }

    /** The median, finer than in whole steps: among equal values it lies where half of all are passed. */
    private static double middle(byte[] picture) {
        int[] counts = new int[256];
        for (byte b : picture) {
            counts[b & 255]++;
        }
        int left = picture.length / 2;
        int v = 0;
        while (left >= counts[v]) {
            left -= counts[v++];
        }
        return v + (double) left / counts[v];
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
