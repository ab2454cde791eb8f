package aperta.vision;

import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/**
 * What a clip shows where nothing passes in front: the median of frames from all over it, laid over one another as the camera
 * moves, and how far frames differ from it. At working size in floats, at full size in bytes.
 */
final class CleanPlate {
    private static final int SAMPLES = 21;
    /** The deviation of what was never seen. */
    private static final double UNKNOWN = 90;
    /** Up to here the camera is taken to stand still, in pixels at working size. */
    private static final double STILL = 1.5;
    /** How often a frame's own motion is looked for: each time closer. */
    private static final int LOOKS = 2;

    /** @param deviation the median distance of frames from it */
    record Part(Colours colours, Colours deviation) {}

    private record Median(Mat middle, Mat deviation) {}

    private final int by;
    private final boolean still;
    private final Median small;
    private final Median full;
    private final Mat grey;
    private Mat motion = Camera.still();
    private long seen = -1;

    /** @param by how many times as long the sides of a frame are as at working size */
    CleanPlate(ClipFilm film, long from, long to, int by) {
        this.by = by;
        int n = (int) Math.min(SAMPLES, to - from + 1);
        List<Mat> smalls = new ArrayList<>();
        List<Mat> fulls = new ArrayList<>();
        List<Mat> greys = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            long frame = from + Math.round((double) i * (to - from) / Math.max(1, n - 1));
            Colours reduced = film.reduced(frame, by);
            smalls.add(reduced.mat());
            greys.add(Camera.grey(reduced));
            fulls.add(bytes(film.reduced(frame, 1)));
        }
        List<Mat> motions = toMiddle(greys);
        double furthest = 0;
        for (Mat m : motions) {
            furthest = Math.max(
                    furthest,
                    Camera.furthest(m, smalls.get(0).cols(), smalls.get(0).rows()));
        }
        still = furthest < STILL;
        if (!still) {
            for (int i = 0; i < n; i++) {
                smalls.set(i, laid(smalls.get(i), motions.get(i)));
                fulls.set(i, laid(fulls.get(i), Camera.enlarged(motions.get(i), by)));
            }
        }
        small = median(smalls);
        full = median(fulls);
        grey = Camera.grey(Colours.of(small.middle));
        smalls.forEach(Mat::release);
        fulls.forEach(Mat::release);
        greys.forEach(Mat::release);
    }

    /** From each picture to the middle one. */
    private static List<Mat> toMiddle(List<Mat> greys) {
        Mat[] all = new Mat[greys.size()];
        int middle = all.length / 2;
        all[middle] = Camera.still();
        for (int way = -1; way <= 1; way += 2) {
            for (int i = middle + way; i >= 0 && i < all.length; i += way) {
                all[i] = Camera.product(all[i - way], Camera.motion(greys.get(i), greys.get(i - way)));
            }
        }
        return Arrays.asList(all);
    }

    private static Mat laid(Mat picture, Mat motion) {
        Mat to = new Mat();
        Imgproc.warpPerspective(picture, to, motion, picture.size(), Imgproc.INTER_LINEAR, Core.BORDER_REPLICATE);
        picture.release();
        return to;
    }

    private static Mat bytes(Colours c) {
        Mat floats = c.mat();
        Mat to = new Mat();
        floats.convertTo(to, CvType.CV_8UC3);
        floats.release();
        return to;
    }

    /** What of it lies in a part of a frame at working size. */
    Part small(long frame, Colours picture, Region part) {
        return seenIn(small, toFrame(frame, picture), part);
    }

    /** The same at full size. */
    Part full(long frame, Colours picture, Region part) {
        Mat there = toFrame(frame, picture);
        return seenIn(full, still ? there : Camera.enlarged(there, by), part);
    }

    /** From the plate to a frame, starting from where the last one was. */
    private Mat toFrame(long frame, Colours picture) {
        if (!still && frame != seen) {
            Mat now = Camera.grey(picture);
            for (int i = 0; i < LOOKS; i++) {
                Mat expected = laid(grey.clone(), motion);
                motion = Camera.product(Camera.motion(expected, now), motion);
                expected.release();
            }
            now.release();
            seen = frame;
        }
        return motion;
    }

    private Part seenIn(Median of, Mat toFrame, Region part) {
        if (still) {
            Rect r = new Rect(part.x(), part.y(), part.width(), part.height());
            return new Part(Colours.of(of.middle.submat(r)), Colours.of(of.deviation.submat(r)));
        }
        Mat toPart = Camera.still();
        toPart.put(0, 2, -part.x());
        toPart.put(1, 2, -part.y());
        Mat map = Camera.product(toPart, toFrame);
        Size size = new Size(part.width(), part.height());
        Mat middle = new Mat();
        Mat deviation = new Mat();
        Imgproc.warpPerspective(of.middle, middle, map, size, Imgproc.INTER_LINEAR, Core.BORDER_REPLICATE);
        Scalar unknown = new Scalar(UNKNOWN, UNKNOWN, UNKNOWN);
        Imgproc.warpPerspective(
                of.deviation, deviation, map, size, Imgproc.INTER_LINEAR, Core.BORDER_CONSTANT, unknown);
        Part to = new Part(Colours.of(middle), Colours.of(deviation));
        middle.release();
        deviation.release();
        return to;
    }

    private static Median median(List<Mat> all) {
        Mat first = all.get(0);
        Median to = new Median(first.clone(), first.clone());
        IntStream.range(0, first.rows()).parallel().forEach(y -> medianOfRow(all, y, to));
        return to;
    }

    private static void medianOfRow(List<Mat> all, int y, Median to) {
        int n = all.size();
        float[][] of = new float[n][];
        for (int k = 0; k < n; k++) {
            of[k] = row(all.get(k), y);
        }
        float[] middle = new float[of[0].length];
        float[] deviation = new float[middle.length];
        float[] v = new float[n];
        for (int i = 0; i < middle.length; i++) {
            for (int k = 0; k < n; k++) {
                v[k] = of[k][i];
            }
            Arrays.sort(v);
            middle[i] = v[n / 2];
            for (int k = 0; k < n; k++) {
                v[k] = Math.abs(v[k] - middle[i]);
            }
            Arrays.sort(v);
            deviation[i] = v[n / 2];
        }
        put(middle, to.middle, y);
        put(deviation, to.deviation, y);
    }

    private static float[] row(Mat m, int y) {
        Mat floats = new Mat();
        m.row(y).convertTo(floats, CvType.CV_32FC3);
        float[] v = new float[3 * m.cols()];
        floats.get(0, 0, v);
        floats.release();
        return v;
    }

    private static void put(float[] v, Mat m, int y) {
        Mat floats = new Mat(1, m.cols(), CvType.CV_32FC3);
        floats.put(0, 0, v);
        floats.convertTo(m.row(y), m.type());
        floats.release();
    }
}
