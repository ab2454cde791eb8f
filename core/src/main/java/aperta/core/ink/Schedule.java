package aperta.core.ink;

import aperta.core.shot.PathLength;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import java.util.List;

/**
 * When the pen is where: every stroke has its part of the whole time, by its length and by how long the pen is lifted before it, or by a
 * time of its own. A pen that slows in bends follows the two-thirds power law (F. Lacquaniti, C. Terzuolo and P. Viviani 1983), kept
 * finite on straight lines: its speed goes with (R / (1 + αR))^⅓ of the radius R, and never falls below a share of the fastest.
 */
public final class Schedule {
    /** Slower than this share of its greatest speed the pen never gets. */
    private static final double SLOWEST = 0.25;

    private final double[] from;
    private final double[] to;
    private final double[] lengths;
    /** Of each stroke: which share of its time the pen takes up to each point of it. */
    private final double[][] times;

    private final Writing writing;

    /** @param strokes as many as the field has, in order */
    public Schedule(InkField field, List<Stroke> strokes, Writing writing) {
        this(field.pens(), strokes, writing);
    }

    /** When strokes are written, to within a thousandth of their length. */
    public static Schedule of(List<Stroke> strokes, Writing writing) {
        List<PenPath> pens = strokes.stream()
                .map(s -> new PenPath(s.line(), Math.max(0.1, new PathLength(s.line()).length() / 1000)))
                .toList();
        return new Schedule(pens, strokes, writing);
    }

    private Schedule(List<PenPath> pens, List<Stroke> strokes, Writing writing) {
        int n = strokes.size();
        this.writing = writing;
        this.from = new double[n];
        this.to = new double[n];
        this.lengths = new double[n];
        this.times = new double[n][];
        double largest = 0;
        for (int i = 0; i < n; i++) {
            lengths[i] = pens.get(i).length();
            largest = Math.max(largest, reach(pens.get(i)));
        }
        double[] takes = new double[n];
        double all = 0;
        for (int i = 0; i < n; i++) {
            times[i] = times(pens.get(i), largest / 4);
            takes[i] = Math.max(1e-9, times[i][times[i].length - 1]);
            all += takes[i] + (i == 0 ? 0 : pause(strokes.get(i)));
        }
        double now = 0;
        for (int i = 0; i < n; i++) {
            now += i == 0 ? 0 : pause(strokes.get(i));
            from[i] = now / all;
            now += takes[i];
            to[i] = now / all;
            for (int k = 0; k < times[i].length; k++) {
                times[i][k] /= takes[i];
            }
            if (strokes.get(i).time().isPresent()) {
                from[i] = strokes.get(i).time().get().from();
                to[i] = strokes.get(i).time().get().to();
            }
        }
    }

    private double pause(Stroke s) {
        return switch (s.begins()) {
            case STROKE -> writing.betweenStrokes();
            case LETTER -> writing.betweenLetters();
            case WORD -> writing.betweenWords();
        };
    }

    private static double reach(PenPath pen) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i <= pen.last(); i++) {
            least = Math.min(least, pen.y(i));
            most = Math.max(most, pen.y(i));
        }
        return most - least;
    }

    /** How long the pen takes up to each point, as the pixels that an even pen makes in that time. */
    private double[] times(PenPath pen, double large) {
        int n = pen.last();
        double step = pen.length() / n;
        double[] all = new double[n + 1];
        for (int i = 1; i <= n; i++) {
            double s = (i - 0.5) * step;
            all[i] = all[i - 1] + step / (writing.bends() ? speed(pen.radius(s, 2 * pen.half(s) + step), large) : 1);
        }
        return all;
    }

    /** Of a radius, as a share of the speed on a straight line; α is 1 over a large radius. */
    static double speed(double radius, double large) {
        double r = radius / Math.max(1e-9, large);
        return Math.max(SLOWEST, StrictMath.cbrt(r / (1 + r)));
    }

    /** From when on a stroke is written, as a share of the whole time. */
    public double from(int stroke) {
        return from[stroke];
    }

    public double to(int stroke) {
        return to[stroke];
    }

    /** How far a pen has come along its stroke; under 0 before it has begun, and by {@code beyond} past its end once it has done. */
    public double reached(int stroke, double beyond) {
        if (writing.share() <= 0 || writing.share() <= from[stroke] && from[stroke] > 0) {
            return -1;
        }
        if (writing.share() >= to[stroke]) {
            return lengths[stroke] + beyond;
        }
        double t = writing.each().at((writing.share() - from[stroke]) / (to[stroke] - from[stroke]));
        double[] own = times[stroke];
        int low = 0;
        int high = own.length - 1;
        while (high - low > 1) {
            int middle = (low + high) / 2;
            if (own[middle] <= t) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double part = own[high] == own[low] ? 1 : (t - own[low]) / (own[high] - own[low]);
        double whole = lengths[stroke] * (low + Math.min(1, part)) / (own.length - 1);
        // The soft edge has passed the end when the time is over.
        return whole * (lengths[stroke] + beyond) / Math.max(1e-9, lengths[stroke]);
    }

    public int strokes() {
        return lengths.length;
    }
}
