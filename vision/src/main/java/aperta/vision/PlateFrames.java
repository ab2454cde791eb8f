package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.picture.Pixels;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/** Frames from all over a clip, at working size, laid over one another as the camera moves: what a clean plate is made of. */
final class PlateFrames {
    private static final int SAMPLES = 21;
    /** Up to here the camera is taken to stand still, in pixels at working size. */
    private static final double STILL = 0.4;
    /** What a smaller share of the frames' pictures reaches is unknown: a figure may be in front of it on most of them. */
    private static final double FEW = 0.3;
    /** What fewer frames show than this, since a figure that is known hides it on the others, is unknown, too. */
    private static final int FEWEST = 2;

    private static final byte BEYOND = 0;
    private static final byte SHOWN = 1;
    private static final byte HIDDEN = 2;

    private final ClipFilm film;
    private final int by;
    private final long[] numbers;
    private final List<Homography> motions;
    private final boolean still;
    private final List<Colours> smalls;
    /** At full size: red, green and blue of each pixel in turn. */
    private final List<byte[]> fulls;
    /** Of each frame, whether it shows each pixel of the plate. */
    private final byte[][] shown;

    /** A frame at working size and at full size: while one is worked on, the next one is decoded. */
    private record Read(Colours small, byte[] grey, byte[] full) {
        static Read of(Pixels pixels, int by) {
            Colours small = ClipFilm.reduced(pixels, by);
            return new Read(small, Camera.grey(small), ClipFilm.bytes(pixels));
        }
    }

    /** @param by how many times as long the sides of a frame are as at working size */
    PlateFrames(ClipFilm film, long from, long to, int by) {
        this.film = film;
        this.by = by;
        int n = (int) Math.min(SAMPLES, to - from + 1);
        numbers = new long[n];
        List<CompletableFuture<Read>> read = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            numbers[i] = from + Math.round((double) i * (to - from) / Math.max(1, n - 1));
            Pixels pixels = film.pixels(numbers[i]);
            read.add(CompletableFuture.supplyAsync(() -> Read.of(pixels, by)));
        }
        List<Read> all = read.stream().map(CompletableFuture::join).toList();
        smalls = new ArrayList<>(all.stream().map(Read::small).toList());
        fulls = all.stream().map(Read::full).toList();
        motions = toMiddle(width(), height(), all.stream().map(Read::grey).toList());
        still = motions.stream().allMatch(m -> Camera.furthest(m, width(), height()) < STILL);
        shown = new byte[n][width() * height()];
        for (int i = 0; i < n; i++) {
            Arrays.fill(shown[i], SHOWN);
            shown[i] = onPlate(i, shown[i]);
            if (!still) {
                try (Mats mats = new Mats()) {
                    smalls.set(i, Colours.of(laid(mats, mats.colours(smalls.get(i)), motions.get(i))));
                    Mat full = mats.bytes(film.width(), film.height(), CvType.CV_8UC3, fulls.get(i));
                    laid(mats, full, Camera.enlarged(motions.get(i), by)).get(0, 0, fulls.get(i));
                }
            }
        }
        evenLight();
    }

    /** From the middle frame on each is brought into the light of the one beside it. */
    private void evenLight() {
        int middle = numbers.length / 2;
        for (int way = -1; way <= 1; way += 2) {
            for (int i = middle + way; i >= 0 && i < numbers.length; i += way) {
                double light = EvenLight.of(smalls.get(i), smalls.get(i - way));
                if (light != 1) {
                    Colours beside = smalls.get(i - way).fromOpponent();
                    smalls.set(
                            i,
                            EvenLight.inLight(smalls.get(i).fromOpponent(), beside, light)
                                    .opponent());
                    byte[] full = fulls.get(i);
                    byte[] fullBeside = fulls.get(i - way);
                    for (int k = 0; k < full.length; k++) {
                        double even = EvenLight.inLight(full[k] & 255, fullBeside[k] & 255, light);
                        full[k] = (byte) Math.min(255, Math.rint(even));
                    }
                }
            }
        }
    }

    private PlateFrames(PlateFrames of, byte[][] shown) {
        this.film = of.film;
        this.by = of.by;
        this.numbers = of.numbers;
        this.motions = of.motions;
        this.still = of.still;
        this.smalls = of.smalls;
        this.fulls = of.fulls;
        this.shown = shown;
    }

    /**
     * The same frames, of which something hides a part.
     *
     * @param hidden of each frame, what isn't 0 is hidden of the plate
     */
    PlateFrames without(byte[][] hidden) {
        byte[][] left = new byte[shown.length][];
        for (int k = 0; k < left.length; k++) {
            left[k] = shown[k].clone();
            for (int i = 0; i < left[k].length; i++) {
                left[k][i] = left[k][i] == SHOWN && hidden[k][i] != 0 ? HIDDEN : left[k][i];
            }
        }
        return new PlateFrames(this, left);
    }

    int by() {
        return by;
    }

    int width() {
        return smalls.get(0).width();
    }

    int height() {
        return smalls.get(0).height();
    }

    int count() {
        return numbers.length;
    }

    /** Whether the camera stands still. */
    boolean still() {
        return still;
    }

    /** Which frame of the clip it is. */
    long number(int k) {
        return numbers[k];
    }

    /** Which of them lies nearest to a frame of the clip. */
    int nearest(long frame) {
        int nearest = 0;
        for (int k = 1; k < numbers.length; k++) {
            nearest = Math.abs(numbers[k] - frame) < Math.abs(numbers[nearest] - frame) ? k : nearest;
        }
        return nearest;
    }

    /** Laid on the plate, at working size. */
    Colours small(int k) {
        return smalls.get(k);
    }

    int fullWidth() {
        return film.width();
    }

    int fullHeight() {
        return film.height();
    }

    /** Laid on the plate, at full size: red, green and blue of each pixel in turn. */
    byte[] full(int k) {
        return fulls.get(k);
    }

    /** Whether a frame shows a pixel of the plate, at working size. */
    boolean shows(int k, int at) {
        return shown[k][at] == SHOWN;
    }

    /** Whether too few frames show it to know what is there. */
    boolean few(int at) {
        int reach = 0;
        int show = 0;
        for (byte[] frame : shown) {
            reach += frame[at] == BEYOND ? 0 : 1;
            show += frame[at] == SHOWN ? 1 : 0;
        }
        return reach < FEW * shown.length || show < Math.min(FEWEST, shown.length);
    }

    /** Marks of a frame's pixels, where these lie on the plate. */
    byte[] onPlate(int k, byte[] marks) {
        if (still) {
            return marks;
        }
        byte[] to = new byte[marks.length];
        try (Mats mats = new Mats()) {
            Mat all = mats.bytes(width(), height(), CvType.CV_8U, marks);
            Mat there = mats.empty();
            Imgproc.warpPerspective(all, there, mats.homography(motions.get(k)), all.size(), Imgproc.INTER_NEAREST);
            there.get(0, 0, to);
        }
        return to;
    }

    /** Moved; what it was before is let go. */
    static Mat laid(Mats mats, Mat picture, Homography motion) {
        Mat to = mats.empty();
        Size size = picture.size();
        Imgproc.warpPerspective(
                picture, to, mats.homography(motion), size, Imgproc.INTER_LINEAR, Core.BORDER_REPLICATE);
        picture.release();
        return to;
    }

    /** From each picture to the middle one. */
    private static List<Homography> toMiddle(int width, int height, List<byte[]> greys) {
        Homography[] all = new Homography[greys.size()];
        int middle = all.length / 2;
        all[middle] = Camera.STANDS;
        Homography[] towards = IntStream.range(0, all.length)
                .parallel()
                .mapToObj(i -> i == middle
                        ? Camera.STANDS
                        : Camera.motion(width, height, greys.get(i), greys.get(i + Integer.signum(middle - i))))
                .toArray(Homography[]::new);
        for (int way = -1; way <= 1; way += 2) {
            for (int i = middle + way; i >= 0 && i < all.length; i += way) {
                all[i] = towards[i].then(all[i - way]);
            }
        }
        return Arrays.asList(all);
    }
}
