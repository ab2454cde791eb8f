package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteShift;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Finds the coverage of a figure along its edge once it has been carried to all frames. On other frames on which it stands
 * alike it is in front of other parts of the plate, and one coverage has to explain all of them: what a pixel shows changes by
 * as much of what the plate changes as isn't covered (triangulation: Smith and Blinn, "Blue Screen Matting", SIGGRAPH 1996,
 * with the plates that the clip itself gives, by least squares). So neither the figure's colour nor its blur need to be known.
 * Where the plates hardly differ coverage stays what it is on the mean of these frames (as in non-local means, Buades, Coll,
 * Morel 2005).
 */
final class Refining {
    /** How many other frames are looked at together. */
    private static final int TOGETHER = 16;
    /** And those that lie as near as this in any case: what moves otherwise than ever before stands most alike there. */
    private static final int NEXT = 2;
    /** How many frames are worked on at once. */
    static final int AT_ONCE = 4;
    /** How much it counts, in choosing frames, how unlike the pictures are, and not the coverages. */
    private static final double PICTURES = 0.6;
    /** All frames that others are compared with are as many bytes at most; if they were more, every second one goes. */
    private static final long MOST_BYTES = 256L << 20;
    /** How much a frame's own coverage counts, beside that of each other one. */
    private static final double OWN = 10;
    /** How far a stroke speaks for what is around it, in pixels. */
    private static final double REACH = 2;
    /** How far colours are off without reason, of 255: the deviation. */
    private static final double NOISE = 6;
    /** How far off coverage may be where it is a half: the deviation; and the least variance, as a share of that. */
    private static final double FREE = 0.15;

    private static final double LEAST_FREE = 0.003;
    /** Within how many pixels, across and down, coverage has to change somewhere. */
    private static final int BESIDE = 9;

    private static final float SURE = 0.004f;
    /** What noise makes of nothing, or of all: coverage nearer to these than this is taken for them. */
    private static final float UNSURE = 0.075f;
    /** The squared difference from what is explained, in variances, at which a frame counts for half. */
    private static final double UNLIKE = 4;
    /** Of how many pixels at half the size, across and down, one is looked at to choose frames; how far around, by which steps. */
    private static final int EVERY = 4;

    private static final int[][] AROUND = {{2, 2}, {1, 1}};
    /** What is as far apart as 1 isn't comparable. */
    private static final double MOST_APART = 0.999;
    /** So much of the figure has to be in the picture on both frames. */
    private static final double LEAST_SHARED = 0.6;

    private final Region picture;
    private final Seen seen;
    private final Map<Long, Strokes> brushed;
    private NavigableMap<Long, FigureFrame> frames = new TreeMap<>();
    private final Map<Long, double[]> places = new TreeMap<>();
    private double x;
    private double y;
    private long bytes;
    private int every = 1;
    private int told;
    private Matte last;

    /** What a frame shows where a figure is. */
    interface Seen {
        FigureFrame frame(long frame, Matte coverage);
    }

    /**
     * @param picture a whole frame
     * @param brushed on some frames, at full size
     */
    Refining(Region picture, Seen seen, Map<Long, Strokes> brushed) {
        this.picture = picture;
        this.seen = seen;
        this.brushed = brushed;
    }

    /** Another frame, in their order, to compare with. */
    void add(long frame, Matte coverage) {
        if (FigureFrame.part(coverage, picture).isEmpty()) {
            return;
        }
        if (last != null) {
            MatteShift by = MatteShift.between(last, coverage, picture);
            x += by.dx();
            y += by.dy();
        }
        last = coverage;
        places.put(frame, new double[] {x, y});
        if (told++ % every == 0) {
            FigureFrame one = seen.frame(frame, coverage);
            frames.put(frame, one);
            bytes += (long) FigureFrame.BYTES * one.coverage.length;
            if (bytes > MOST_BYTES) {
                everySecond();
            }
        }
    }

    private void everySecond() {
        int i = 0;
        for (long f : List.copyOf(frames.keySet())) {
            if (i++ % 2 == 1) {
                bytes -= (long) FigureFrame.BYTES * frames.remove(f).coverage.length;
            }
        }
        every *= 2;
    }

    /**
     * Compares all frames with one another, so that each is compared with better ones the next time.
     *
     * @param goOn is asked after each frame
     */
    void compare(BooleanSupplier goOn) {
        NavigableMap<Long, FigureFrame> better = new TreeMap<>();
        List<FigureFrame> all = List.copyOf(frames.values());
        for (int from = 0; from < all.size(); from += AT_ONCE) {
            List<FigureFrame> some = all.subList(from, Math.min(all.size(), from + AT_ONCE));
            List<Matte> found = some.parallelStream().map(this::coverage).toList();
            for (int i = 0; i < some.size(); i++) {
                better.put(some.get(i).frame, some.get(i).with(found.get(i)));
                if (!goOn.getAsBoolean()) {
                    return;
                }
            }
        }
        frames = better;
    }

    private record Other(FigureFrame frame, double dx, double dy, double apart) {}

    /**
     * The coverage of some of the frames, which were added, as all of them explain it.
     *
     * @param carried to them
     */
    Map<Long, Matte> coverage(Map<Long, Matte> carried) {
        Map<Long, Matte> to = new TreeMap<>(carried);
        List<FigureFrame> here = new ArrayList<>();
        carried.forEach((frame, alpha) -> {
            if (places.containsKey(frame)) {
                here.add(frames.containsKey(frame) ? frames.get(frame) : seen.frame(frame, alpha));
            }
        });
        List<Matte> found = here.parallelStream().map(this::coverage).toList();
        for (int i = 0; i < here.size(); i++) {
            long frame = here.get(i).frame;
            if (brushed.containsKey(frame)) {
                brushed.get(frame).keep(found.get(i), carried.get(frame), REACH);
            }
            to.put(frame, found.get(i));
        }
        return to;
    }

    private Matte coverage(FigureFrame here) {
        Map<Long, FigureMotion> from = motions(here);
        List<FigureMotion.Laid> others = from.entrySet().parallelStream()
                .map(m -> m.getValue().laid(frames.get(m.getKey()), here))
                .toList();
        return new Pixels(here, others).coverage();
    }

    /** From the frames on which the figure stands most like on this one, by their numbers. */
    private Map<Long, FigureMotion> motions(FigureFrame here) {
        return alike(here, places.get(here.frame)).parallelStream()
                .collect(Collectors.toMap(
                        o -> o.frame.frame,
                        o -> FigureMotion.between(o.frame, here, o.dx, o.dy),
                        (one, same) -> one,
                        TreeMap::new));
    }

    /** The frames on which the figure stands most like on this one. */
    private List<Other> alike(FigureFrame here, double[] place) {
        List<Other> all = frames.values().parallelStream()
                .filter(f -> f.frame != here.frame)
                .map(f -> {
                    double[] there = places.get(f.frame);
                    return closest(f, here, place[0] - there[0], place[1] - there[1]);
                })
                .filter(o -> o.apart < 1)
                .sorted(Comparator.comparingDouble(Other::apart))
                .toList();
        List<Other> chosen = new ArrayList<>();
        for (Other o : all) {
            if (chosen.size() < TOGETHER || Math.abs(o.frame.frame - here.frame) <= NEXT) {
                chosen.add(o);
            }
        }
        return chosen;
    }

    private Other closest(FigureFrame from, FigureFrame to, double dx, double dy) {
        int bestX = (int) Math.round(dx / 2);
        int bestY = (int) Math.round(dy / 2);
        double least = Double.MAX_VALUE;
        for (int[] look : AROUND) {
            int x = bestX;
            int y = bestY;
            for (int v = y - look[0]; v <= y + look[0]; v += look[1]) {
                for (int u = x - look[0]; u <= x + look[0]; u += look[1]) {
                    double apart = apart(from.half, to.half, u, v);
                    if (apart < least) {
                        least = apart;
                        bestX = u;
                        bestY = v;
                    }
                }
            }
        }
        if (least == 1) {
            return new Other(from, 0, 0, 1);
        }
        int aroundX = bestX;
        int aroundY = bestY;
        double unlike = Double.MAX_VALUE;
        for (int v = aroundY - 1; v <= aroundY + 1; v++) {
            for (int u = aroundX - 1; u <= aroundX + 1; u++) {
                double one = FigureMotion.unlike(from, to, u, v, EVERY);
                if (one < unlike) {
                    unlike = one;
                    bestX = u;
                    bestY = v;
                }
            }
        }
        double apart = Math.min(MOST_APART, least + PICTURES * (unlike - least));
        return new Other(from, 2.0 * bestX, 2.0 * bestY, apart);
    }

    /** By how much two coverages differ, as a share of what either covers; 1 where too little is in the picture on both. */
    private double apart(FigureFrame.Half from, FigureFrame.Half to, int dx, int dy) {
        double differ = 0;
        double either = 0;
        double mine = 0;
        double shared = 0;
        for (int y = 0; y < to.height(); y += EVERY) {
            int v = to.y() + y - dy;
            boolean row = v >= picture.y() / 2 && v < picture.bottom() / 2;
            for (int x = 0; x < to.width(); x += EVERY) {
                float a = to.coverage()[y * to.width() + x];
                mine += a;
                int u = to.x() + x - dx;
                if (!row || u < picture.x() / 2 || u >= picture.right() / 2) {
                    continue;
                }
                shared += a;
                int fx = u - from.x();
                int fy = v - from.y();
                boolean there = fx >= 0 && fy >= 0 && fx < from.width() && fy < from.height();
                float b = there ? from.coverage()[fy * from.width() + fx] : 0;
                differ += Math.abs(a - b);
                either += Math.max(a, b);
            }
        }
        return either == 0 || shared < LEAST_SHARED * mine ? 1 : differ / either;
    }

    /** Works out each pixel along the edge. */
    private record Pixels(FigureFrame here, List<FigureMotion.Laid> others) {
        Matte coverage() {
            int w = here.part.width();
            int h = here.part.height();
            Plane mean = mean();
            Plane around = mean.mean(BESIDE / 2 | 1, BESIDE / 2 | 1).enlarged(2, w, h);
            Plane large = mean.enlarged(2, w, h);
            float[] to = new float[w * h];
            IntStream.range(0, h).parallel().forEach(row -> {
                Samples samples = new Samples(others.size() + 1);
                for (int i = row * w; i < (row + 1) * w; i++) {
                    float t = around.value()[i];
                    if (!here.known[i]) {
                        to[i] = (here.coverage[i] & 255) / 255f;
                    } else if (t < SURE || t > 1 - SURE) {
                        to[i] = clean(large.value()[i]);
                    } else {
                        to[i] = clean((float) samples.coverage(here, others, i % w, row, t));
                    }
                }
            });
            return new Matte(here.part, to);
        }

        private static float clean(float coverage) {
            return Math.max(0, Math.min(1, (coverage - UNSURE) / (1 - 2 * UNSURE)));
        }

        /** The mean coverage of all, at half the size, where they are explained. */
        private Plane mean() {
            FigureFrame.Half half = here.half;
            Plane to = new Plane(half.width(), half.height());
            for (int i = 0; i < to.value().length; i++) {
                double sum = OWN * half.coverage()[i];
                double all = OWN;
                for (FigureMotion.Laid o : others) {
                    double alike = o.alike().value()[i];
                    if (alike > 0) {
                        sum += alike * o.coverage().value()[i];
                        all += alike;
                    }
                }
                to.value()[i] = (float) (sum / all);
            }
            return to;
        }
    }

    /** What one place of the figure shows on several frames, red, green and blue, and the plate behind it. */
    private static final class Samples {
        private final double[][] seen;
        private final double[][] empty;
        private final double[] alike;
        private final double[] counts;

        Samples(int most) {
            seen = new double[3][most];
            empty = new double[3][most];
            alike = new double[most];
            counts = new double[most];
        }

        double coverage(FigureFrame here, List<FigureMotion.Laid> others, int x, int y, double around) {
            int w = here.part.width();
            int i = y * w + x;
            for (int c = 0; c < 3; c++) {
                seen[c][0] = here.picture[c][i] & 255;
                empty[c][0] = here.plate[c][i] & 255;
            }
            alike[0] = 1;
            double sum = OWN * (here.coverage[i] & 255) / 255;
            double all = OWN;
            int n = 1;
            for (FigureMotion.Laid o : others) {
                double by = o.alike().value()[y / 2 * (w / 2) + x / 2];
                double u =
                        here.part.x() + x - o.motion().dx(x, y) - o.from().part.x();
                double v =
                        here.part.y() + y - o.motion().dy(x, y) - o.from().part.y();
                int fw = o.from().part.width();
                if (by <= 0
                        || u < 0
                        || v < 0
                        || u >= fw - 1
                        || v >= o.from().part.height() - 1) {
                    continue;
                }
                int at = (int) v * fw + (int) u;
                if (!o.from().known[at]) {
                    continue;
                }
                double sx = u - (int) u;
                double sy = v - (int) v;
                for (int c = 0; c < 3; c++) {
                    seen[c][n] = mixed(o.from().picture[c], at, fw, sx, sy);
                    empty[c][n] = mixed(o.from().plate[c], at, fw, sx, sy);
                }
                alike[n] = by;
                sum += by * mixed(o.from().coverage, at, fw, sx, sy) / 255;
                all += by;
                n++;
            }
            return explained(n, sum / all, around);
        }

        /** @param about what coverage is on the mean */
        private double explained(int n, double about, double around) {
            double free = FREE * FREE * Math.max(LEAST_FREE, 4 * around * (1 - around)) / (NOISE * NOISE);
            Arrays.fill(counts, 0, n, 1);
            double open = slope(n, 1 - about, free);
            for (int k = 0; k < n; k++) {
                double left = 0;
                for (int c = 0; c < 3; c++) {
                    double e = seen[c][k] - seenMean[c] - open * (empty[c][k] - emptyMean[c]);
                    left += e * e / 3;
                }
                counts[k] = 1 / (1 + left / (UNLIKE * NOISE * NOISE));
            }
            return Math.max(0, Math.min(1, 1 - slope(n, 1 - about, free)));
        }

        private final double[] seenMean = new double[3];
        private final double[] emptyMean = new double[3];

        /** By how much of what the plate changes what is seen changes. */
        private double slope(int n, double about, double free) {
            double along = 1 / free;
            double across = about / free;
            for (int c = 0; c < 3; c++) {
                double weight = 0;
                double s = 0;
                double e = 0;
                for (int k = 0; k < n; k++) {
                    double w = alike[k] * counts[k];
                    weight += w;
                    s += w * seen[c][k];
                    e += w * empty[c][k];
                }
                seenMean[c] = s / weight;
                emptyMean[c] = e / weight;
                for (int k = 0; k < n; k++) {
                    double w = alike[k] * counts[k];
                    double plate = empty[c][k] - emptyMean[c];
                    along += w * plate * plate;
                    across += w * plate * (seen[c][k] - seenMean[c]);
                }
            }
            return across / along;
        }

        private static double mixed(byte[] of, int at, int wide, double sx, double sy) {
            return ((of[at] & 255) * (1 - sx) + (of[at + 1] & 255) * sx) * (1 - sy)
                    + ((of[at + wide] & 255) * (1 - sx) + (of[at + wide + 1] & 255) * sx) * sy;
        }
    }
}
