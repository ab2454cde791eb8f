package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/**
 * What a clip shows where nothing passes in front: the median of frames from all over it, laid over one another as the camera
 * moves, and how far frames differ from it. At working size these are opponent colours in floats, at
 * full size red, green and blue in bytes.
 */
final class CleanPlate {
    private static final int SAMPLES = 21;
    /** The deviation of what was never seen. */
    static final float UNKNOWN = 90;
    /** Up to here the camera is taken to stand still, in pixels at working size. */
    private static final double STILL = 1.5;
    /** How often a frame's own motion is looked for: each time closer. */
    private static final int LOOKS = 2;

    private static final byte SEEN = 1;
    /** What a smaller share of the frames show is unknown: a figure may be in front of it on most of them. */
    private static final double FEW = 0.3;

    /** @param deviation the median distance of frames from it */
    record Part(Colours colours, Colours deviation) {}

    /** At full size, red, green and blue of each pixel in turn. */
    private record Bytes(int width, int height, byte[] middle, byte[] deviation) {
        Part part(Region part) {
            return new Part(part(part, middle), part(part, deviation));
        }

        private Colours part(Region part, byte[] of) {
            float[][] rgb = new float[3][part.width() * part.height()];
            for (int y = 0; y < part.height(); y++) {
                for (int x = 0; x < part.width(); x++) {
                    int at = 3 * ((part.y() + y) * width + part.x() + x);
                    for (int c = 0; c < 3; c++) {
                        rgb[c][y * part.width() + x] = of[at + c] & 255;
                    }
                }
            }
            return new Colours(part.width(), part.height(), rgb);
        }
    }

    private final int by;
    private final boolean still;
    private final Part small;
    private final Bytes full;
    private final byte[] grey;
    private Homography motion = Camera.STANDS;
    private long seen = -1;

    /** @param by how many times as long the sides of a frame are as at working size */
    CleanPlate(ClipFilm film, long from, long to, int by) {
        this.by = by;
        int n = (int) Math.min(SAMPLES, to - from + 1);
        try (Mats mats = new Mats()) {
            List<Mat> smalls = new ArrayList<>();
            List<Mat> fulls = new ArrayList<>();
            List<byte[]> greys = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                long frame = from + Math.round((double) i * (to - from) / Math.max(1, n - 1));
                Colours reduced = film.reduced(frame, by);
                smalls.add(mats.colours(reduced));
                greys.add(Camera.grey(reduced));
                fulls.add(bytes(mats, film.colours(frame)));
            }
            int width = smalls.get(0).cols();
            int height = smalls.get(0).rows();
            List<Homography> motions = toMiddle(width, height, greys);
            still = motions.stream().allMatch(m -> Camera.furthest(m, width, height) < STILL);
            byte[][] seen = new byte[n][width * height];
            for (int i = 0; i < n; i++) {
                Arrays.fill(seen[i], SEEN);
                if (!still) {
                    seenFrom(width, height, motions.get(i), seen[i]);
                    smalls.set(i, laid(mats, smalls.get(i), motions.get(i)));
                    fulls.set(i, laid(mats, fulls.get(i), Camera.enlarged(motions.get(i), by)));
                }
            }
            small = median(smalls, seen);
            full = medianOfBytes(fulls, seen, width);
        }
        grey = Camera.grey(small.colours);
    }

    /** From each picture to the middle one. */
    private static List<Homography> toMiddle(int width, int height, List<byte[]> greys) {
        Homography[] all = new Homography[greys.size()];
        int middle = all.length / 2;
        all[middle] = Camera.STANDS;
        for (int way = -1; way <= 1; way += 2) {
            for (int i = middle + way; i >= 0 && i < all.length; i += way) {
                all[i] = Camera.motion(width, height, greys.get(i), greys.get(i - way))
                        .then(all[i - way]);
            }
        }
        return Arrays.asList(all);
    }

    /** Moved; what it was before is let go. */
    private static Mat laid(Mats mats, Mat picture, Homography motion) {
        Mat to = mats.empty();
        Size size = picture.size();
        Imgproc.warpPerspective(
                picture, to, mats.homography(motion), size, Imgproc.INTER_LINEAR, Core.BORDER_REPLICATE);
        picture.release();
        return to;
    }

    /** Which pixels of the plate a frame shows. */
    private static void seenFrom(int width, int height, Homography motion, byte[] seen) {
        try (Mats mats = new Mats()) {
            Mat all = mats.bytes(width, height, CvType.CV_8U, seen);
            Mat to = mats.empty();
            Imgproc.warpPerspective(all, to, mats.homography(motion), all.size(), Imgproc.INTER_NEAREST);
            to.get(0, 0, seen);
        }
    }

    private static Mat bytes(Mats mats, Colours c) {
        byte[] bytes = new byte[3 * c.width() * c.height()];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) Math.max(0, Math.min(255, Math.rint(c.channels()[i % 3][i / 3])));
        }
        return mats.bytes(c.width(), c.height(), CvType.CV_8UC3, bytes);
    }

    /** What of it lies in a part of a frame at working size. */
    Part small(long frame, Colours picture, Region part) {
        Homography there = toFrame(frame, picture);
        if (still) {
            return new Part(ShapeCarrier.cut(small.colours, part), ShapeCarrier.cut(small.deviation, part));
        }
        try (Mats mats = new Mats()) {
            return seenIn(mats, mats.colours(small.colours), mats.colours(small.deviation), there, part);
        }
    }

    /** The same at full size. */
    Part full(long frame, Colours picture, Region part) {
        Homography there = toFrame(frame, picture);
        if (still) {
            return full.part(part);
        }
        try (Mats mats = new Mats()) {
            Mat middle = mats.bytes(full.width, full.height, CvType.CV_8UC3, full.middle);
            Mat deviation = mats.bytes(full.width, full.height, CvType.CV_8UC3, full.deviation);
            return seenIn(mats, middle, deviation, Camera.enlarged(there, by), part);
        }
    }

    /** From the plate to a frame, starting from where the last one was. */
    private Homography toFrame(long frame, Colours picture) {
        if (!still && frame != seen) {
            byte[] now = Camera.grey(picture);
            byte[] expected = new byte[grey.length];
            for (int i = 0; i < LOOKS; i++) {
                try (Mats mats = new Mats()) {
                    Mat plate = mats.bytes(picture.width(), picture.height(), CvType.CV_8U, grey);
                    laid(mats, plate, motion).get(0, 0, expected);
                }
                motion = motion.then(Camera.motion(picture.width(), picture.height(), expected, now));
            }
            seen = frame;
        }
        return motion;
    }

    private static Part seenIn(Mats mats, Mat middle, Mat deviation, Homography toFrame, Region part) {
        Homography toPart = new Homography(new double[] {1, 0, -part.x(), 0, 1, -part.y(), 0, 0, 1});
        Mat map = mats.homography(toFrame.then(toPart));
        Size size = new Size(part.width(), part.height());
        Mat colours = mats.empty();
        Mat far = mats.empty();
        Imgproc.warpPerspective(middle, colours, map, size, Imgproc.INTER_LINEAR, Core.BORDER_REPLICATE);
        Scalar unknown = new Scalar(UNKNOWN, UNKNOWN, UNKNOWN);
        Imgproc.warpPerspective(deviation, far, map, size, Imgproc.INTER_LINEAR, Core.BORDER_CONSTANT, unknown);
        return new Part(Colours.of(colours), Colours.of(far));
    }

    private static Part median(List<Mat> all, byte[][] seen) {
        int w = all.get(0).cols();
        int h = all.get(0).rows();
        float[][] middle = new float[3][w * h];
        float[][] deviation = new float[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            float[][] rows = new float[all.size()][3 * w];
            for (int k = 0; k < rows.length; k++) {
                all.get(k).get(y, 0, rows[k]);
            }
            float[][] found = medians(rows, seen, y * w);
            for (int i = 0; i < 3 * w; i++) {
                middle[i % 3][y * w + i / 3] = found[0][i];
                deviation[i % 3][y * w + i / 3] = found[1][i];
            }
        });
        return new Part(new Colours(w, h, middle), new Colours(w, h, deviation));
    }

    private Bytes medianOfBytes(List<Mat> all, byte[][] seen, int width) {
        int w = all.get(0).cols();
        int h = all.get(0).rows();
        Bytes to = new Bytes(w, h, new byte[3 * w * h], new byte[3 * w * h]);
        IntStream.range(0, h).parallel().forEach(y -> {
            boolean[] few = new boolean[3 * w];
            for (int i = 0; i < few.length; i++) {
                few[i] = few(seen, y / by * width + i / 3 / by);
            }
            int[][] rows = new int[all.size()][3 * w];
            byte[] row = new byte[3 * w];
            for (int k = 0; k < rows.length; k++) {
                all.get(k).get(y, 0, row);
                for (int i = 0; i < few.length; i++) {
                    boolean counts = few[i] || seen[k][y / by * width + i / 3 / by] == SEEN;
                    rows[k][i] = counts ? row[i] & 255 : ByteMedian.HIDDEN;
                }
            }
            int[] middle = ByteMedian.of(rows);
            for (int[] one : rows) {
                for (int i = 0; i < few.length; i++) {
                    one[i] = one[i] == ByteMedian.HIDDEN ? one[i] : Math.abs(one[i] - middle[i]);
                }
            }
            int[] deviation = ByteMedian.of(rows);
            for (int i = 0; i < few.length; i++) {
                to.middle[3 * w * y + i] = (byte) middle[i];
                to.deviation[3 * w * y + i] = (byte) (few[i] ? UNKNOWN : deviation[i]);
            }
        });
        return to;
    }

    /** Whether too few frames show a pixel at working size. */
    private static boolean few(byte[][] seen, int at) {
        int all = 0;
        for (byte[] frame : seen) {
            all += frame[at];
        }
        return all < FEW * seen.length;
    }

    /**
     * Of each number over several rows of pixels at working size, the median, and the median distance from it; what too few
     * frames show is unknown.
     *
     * @param seen for each row, what of the plate its frame shows
     * @param from which of its pixels is the rows' first
     */
    private static float[][] medians(float[][] rows, byte[][] seen, int from) {
        float[][] found = new float[2][rows[0].length];
        float[] v = new float[rows.length];
        for (int i = 0; i < found[0].length; i++) {
            int there = from + i / 3;
            boolean few = few(seen, there);
            int n = 0;
            for (int k = 0; k < rows.length; k++) {
                if (few || seen[k][there] == SEEN) {
                    v[n++] = rows[k][i];
                }
            }
            found[0][i] = medianOf(v, n);
            for (int k = 0; k < n; k++) {
                v[k] = Math.abs(v[k] - found[0][i]);
            }
            found[1][i] = few ? UNKNOWN : medianOf(v, n);
        }
        return found;
    }

    private static float medianOf(float[] v, int n) {
        Arrays.sort(v, 0, n);
        return v[n / 2];
    }
}
