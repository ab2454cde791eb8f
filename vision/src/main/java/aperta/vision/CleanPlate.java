package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.function.Supplier;
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
    /** The deviation of what was never seen. */
    static final float UNKNOWN = 90;
    /** How often a frame's own motion is looked for: each time closer. */
    private static final int LOOKS = 2;

    /** @param deviation the median distance of frames from it */
    record Part(Colours colours, Colours deviation) {
        /** Whether it is known what is there. */
        boolean known(int i) {
            return deviation.channels()[0][i] < UNKNOWN / 2;
        }
    }

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
    private final byte[] grey;
    /** What the plate at full size is made of when it is wanted first. */
    private PlateFrames frames;

    private Bytes full;
    private Homography motion = Camera.STANDS;
    private long seen = -1;

    CleanPlate(PlateFrames frames) {
        this.by = frames.by();
        this.still = frames.still();
        this.frames = frames;
        small = median(frames);
        grey = Camera.grey(small.colours);
    }

    private Bytes full() {
        if (full == null) {
            full = medianOfBytes(frames);
            frames = null;
        }
        return full;
    }

    /** Makes what is needed for edges at full size, so that the first of them doesn't wait for it. */
    void prepareFullSize() {
        full();
    }

    /** The colours of all of it, as they lie in a frame at working size. */
    Colours small(long frame, Colours picture) {
        Region all = new Region(0, 0, picture.width(), picture.height());
        return still ? small.colours : small(frame, picture, all).colours;
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

    /** The same at full size; at working size the picture is only wanted where the camera moves. */
    Part full(long frame, Supplier<Colours> picture, Region part) {
        Bytes all = full();
        if (still) {
            return all.part(part);
        }
        Homography there = toFrame(frame, picture.get());
        try (Mats mats = new Mats()) {
            Mat middle = mats.bytes(all.width, all.height, CvType.CV_8UC3, all.middle);
            Mat deviation = mats.bytes(all.width, all.height, CvType.CV_8UC3, all.deviation);
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
                    PlateFrames.laid(mats, plate, motion).get(0, 0, expected);
                }
                motion = motion.then(Camera.smallMotion(picture.width(), picture.height(), expected, now));
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

    private static Part median(PlateFrames frames) {
        int w = frames.width();
        int h = frames.height();
        float[][] middle = new float[3][w * h];
        float[][] deviation = new float[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            float[] v = new float[frames.count()];
            for (int at = y * w; at < (y + 1) * w; at++) {
                boolean few = frames.few(at);
                for (int c = 0; c < 3; c++) {
                    int n = 0;
                    for (int k = 0; k < v.length; k++) {
                        if (few || frames.shows(k, at)) {
                            v[n++] = frames.small(k).channels()[c][at];
                        }
                    }
                    middle[c][at] = medianOf(v, n);
                    for (int k = 0; k < n; k++) {
                        v[k] = Math.abs(v[k] - middle[c][at]);
                    }
                    deviation[c][at] = few ? UNKNOWN : medianOf(v, n);
                }
            }
        });
        return new Part(new Colours(w, h, middle), new Colours(w, h, deviation));
    }

    private static Bytes medianOfBytes(PlateFrames frames) {
        int by = frames.by();
        int width = frames.width();
        int w = frames.fullWidth();
        int h = frames.fullHeight();
        Bytes to = new Bytes(w, h, new byte[3 * w * h], new byte[3 * w * h]);
        IntStream.range(0, h).parallel().forEach(y -> {
            boolean[] few = new boolean[width];
            for (int x = 0; x < width; x++) {
                few[x] = frames.few(y / by * width + x);
            }
            int[][] rows = new int[frames.count()][3 * w];
            boolean[] counts = new boolean[width];
            for (int k = 0; k < rows.length; k++) {
                byte[] frame = frames.full(k);
                for (int x = 0; x < width; x++) {
                    counts[x] = few[x] || frames.shows(k, y / by * width + x);
                }
                for (int i = 0; i < 3 * w; i++) {
                    rows[k][i] = counts[i / 3 / by] ? frame[3 * w * y + i] & 255 : ByteMedian.HIDDEN;
                }
            }
            int[] middle = ByteMedian.of(rows);
            for (int[] one : rows) {
                for (int i = 0; i < 3 * w; i++) {
                    one[i] = one[i] == ByteMedian.HIDDEN ? one[i] : Math.abs(one[i] - middle[i]);
                }
            }
            int[] deviation = ByteMedian.of(rows);
            for (int i = 0; i < 3 * w; i++) {
                to.middle[3 * w * y + i] = (byte) middle[i];
                to.deviation[3 * w * y + i] = (byte) (few[i / 3 / by] ? UNKNOWN : deviation[i]);
            }
        });
        return to;
    }

    private static float medianOf(float[] v, int n) {
        Arrays.sort(v, 0, n);
        return v[n / 2];
    }
}
