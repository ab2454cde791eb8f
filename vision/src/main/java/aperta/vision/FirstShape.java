package aperta.vision;

import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.Optional;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/**
 * The shape of a figure from brush strokes alone, by GrabCut (Rother, Kolmogorov, Blake, SIGGRAPH 2004) on three things: how
 * bright a pixel is, how far it is from the clean plate, and how warm.
 */
final class FirstShape {
    private static final int ITERATIONS = 4;
    /** A deviation from the plate counts as much as so many steps of brightness. */
    private static final double DIFFERENCE = 40;
    /** How much room is left around strokes, as a share of their size: where they lie all around, and where they don't. */
    private static final double ENCLOSED = 0.05;

    private static final double OPEN = 0.6;
    private static final double SMOOTH = 0.8;
    /** The least deviation of brightness and of the other two opponent colours, and how much wider than the plate's it is. */
    private static final double[] NOISE = {2.6, 1, 1};

    private static final double WIDER = 1.2;
    /** Of red against blue, what their difference is. */
    private static final double WARM = Math.sqrt(2);

    /** A larger share of what was brushed inside that differs from the plate, and the figure is told from it. */
    private static final double DIFFERS = 0.7;

    /** How often the outcome is decided anew from the colours found. */
    private static final int DECISIONS = 2;

    private final EvenLight film;
    private final CleanPlate plate;
    private final ShapeCarrier carrier;

    FirstShape(EvenLight film, CleanPlate plate, ShapeCarrier carrier) {
        this.film = film;
        this.plate = plate;
        this.carrier = carrier;
    }

    Shape find(long frame, Strokes strokes) {
        Colours all = film.reduced(frame);
        Region drawn = strokes.part();
        int room = (int) Math.ceil((enclosed(strokes) ? ENCLOSED : OPEN) * Math.max(drawn.width(), drawn.height()) + 3);
        Region part = drawn.grown(room).intersect(new Region(0, 0, all.width(), all.height()));
        Colours picture = ShapeCarrier.cut(all, part);
        CleanPlate.Part empty = plate.small(frame, all, part);
        Plane shape = grabCut(picture, empty, strokes, part, drawn).blurred(SMOOTH);
        Shape found = new Shape(
                part,
                shape,
                null,
                Shape.own(picture, shape),
                Shape.around(picture, shape),
                0,
                0,
                false,
                Palette.NONE,
                Palette.NONE,
                EarlierShapes.NONE,
                0);
        for (int i = 0; i < DECISIONS; i++) {
            found = carrier.decide(frame, found, picture, empty, Optional.of(strokes));
        }
        return found.with(Palette.of(picture, Evidence.unexplained(found.remembered(), picture, empty)));
    }

    /** Whether what was brushed outside lies all around what was brushed inside. */
    private static boolean enclosed(Strokes strokes) {
        Region all = strokes.part();
        boolean left = false;
        boolean right = false;
        boolean top = false;
        boolean bottom = false;
        for (int y = all.y(); y < all.bottom(); y++) {
            left |= strokes.outside(all.x(), y);
            right |= strokes.outside(all.right() - 1, y);
        }
        for (int x = all.x(); x < all.right(); x++) {
            top |= strokes.outside(x, all.y());
            bottom |= strokes.outside(x, all.bottom() - 1);
        }
        return left && right && top && bottom;
    }

    /**
     * Where the figure may be, to begin with. Where the plate hardly explains what was brushed inside, it isn't where the plate
     * explains what is seen: else wall that lies nearer to those strokes than to the ones outside counts as its colours. Where
     * the plate isn't known, it may be.
     */
    private static boolean[] possible(Colours picture, CleanPlate.Part empty, Strokes strokes, Region part) {
        boolean[] unexplained = Evidence.unexplained(picture, empty);
        int all = 0;
        int differ = 0;
        for (int i = 0; i < unexplained.length; i++) {
            if (!empty.known(i)) {
                unexplained[i] = true;
            } else if (strokes.inside(part.x() + i % part.width(), part.y() + i / part.width())) {
                all++;
                differ += unexplained[i] ? 1 : 0;
            }
        }
        if (differ < DIFFERS * all) {
            Arrays.fill(unexplained, true);
        }
        return unexplained;
    }

    private static Plane grabCut(Colours picture, CleanPlate.Part empty, Strokes strokes, Region part, Region drawn) {
        float[] in = strokes.fromInside().value();
        float[] out = strokes.fromOutside().value();
        int across = drawn.x() + drawn.width();
        boolean around = enclosed(strokes);
        boolean[] possible = possible(picture, empty, strokes, part);
        byte[] label = new byte[part.width() * part.height()];
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                int there = y * strokes.width() + x;
                int at = (y - part.y()) * part.width() + x - part.x();
                boolean beyond = around && (x < drawn.x() || x >= across || y < drawn.y() || y >= drawn.bottom());
                int l;
                if (strokes.inside(x, y)) {
                    l = Imgproc.GC_FGD;
                } else if (strokes.outside(x, y) || beyond) {
                    l = Imgproc.GC_BGD;
                } else {
                    l = possible[at] && in[there] < out[there] ? Imgproc.GC_PR_FGD : Imgproc.GC_PR_BGD;
                }
                label[at] = (byte) l;
            }
        }
        try (Mats mats = new Mats()) {
            Mat seen = mats.bytes(part.width(), part.height(), CvType.CV_8UC3, seen(picture, empty));
            Imgproc.GaussianBlur(seen, seen, new Size(0, 0), SMOOTH);
            Mat mask = mats.bytes(part.width(), part.height(), CvType.CV_8U, label);
            Core.setRNGSeed(1);
            Imgproc.grabCut(seen, mask, new Rect(), mats.empty(), mats.empty(), ITERATIONS, Imgproc.GC_INIT_WITH_MASK);
            mask.get(0, 0, label);
        }
        Plane shape = new Plane(part.width(), part.height());
        for (int i = 0; i < label.length; i++) {
            shape.value()[i] = label[i] == Imgproc.GC_FGD || label[i] == Imgproc.GC_PR_FGD ? 1 : 0;
        }
        return shape;
    }

    private static byte[] seen(Colours picture, CleanPlate.Part empty) {
        int n = picture.width() * picture.height();
        byte[] bytes = new byte[3 * n];
        for (int i = 0; i < n; i++) {
            double far = 0;
            for (int c = 0; c < 3; c++) {
                double deviation = NOISE[c] + WIDER * empty.deviation().channels()[c][i];
                far = Math.max(
                        far, Math.abs(picture.channels()[c][i] - empty.colours().channels()[c][i]) / deviation);
            }
            bytes[3 * i] = (byte) Math.round(Math.sqrt(Math.max(0, Math.min(255, picture.brightness(i))) * 255));
            bytes[3 * i + 1] = (byte) Math.min(255, far * DIFFERENCE);
            bytes[3 * i + 2] = (byte) Math.max(0, Math.min(255, 128 + WARM * picture.channels()[1][i]));
        }
        return bytes;
    }
}
