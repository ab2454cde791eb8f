package aperta.core.colour;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * A curve of values over values, both 0 to 1, that rises and falls only where its points do: piecewise cubic with the
 * slopes of F. N. Fritsch and J. Butland, "A Method for Constructing Local Monotone Piecewise Cubic Interpolants", SIAM
 * J. Sci. Stat. Comput. 5 (1984), and three-point slopes at its ends, held back so that nothing overshoots there. Before the
 * first point and after the last it goes on level.
 *
 * @param points x and y, with x rising by at least 1/1000 from point to point; none for the straight line from 0 to 1
 */
public record ToneCurve(List<Point> points) {
    public static final int MOST_POINTS = 16;
    public static final ToneCurve STRAIGHT = new ToneCurve(List.of());

    private static final double LEAST_APART = 0.001;

    /** @throws IllegalArgumentException where there is a single point, or points are too near or too many, or outside 0 to 1 */
    public ToneCurve {
        points = List.copyOf(points);
        if (points.size() == 1 || points.size() > MOST_POINTS) {
            throw new IllegalArgumentException("A curve of values has two to " + MOST_POINTS + " points.");
        }
        for (int i = 0; i < points.size(); i++) {
            Point p = points.get(i);
            if (!(p.x() >= 0 && p.x() <= 1 && p.y() >= 0 && p.y() <= 1)) {
                throw new IllegalArgumentException("The points of a curve of values lie between 0 and 1.");
            }
            if (i > 0 && p.x() - points.get(i - 1).x() < LEAST_APART - 1e-9) {
                throw new IllegalArgumentException(
                        "The points of a curve of values lie at least " + LEAST_APART + " apart, from left to right.");
            }
        }
    }

    public boolean isStraight() {
        return equals(STRAIGHT);
    }

    /** The value at x. */
    public double at(double x) {
        int n = points.size();
        if (n == 0) {
            return x;
        }
        if (x <= points.get(0).x()) {
            return points.get(0).y();
        }
        int i = 1;
        while (i < n && x > points.get(i).x()) {
            i++;
        }
        if (i == n) {
            return points.get(n - 1).y();
        }
        Point a = points.get(i - 1);
        Point b = points.get(i);
        double h = b.x() - a.x();
        double t = (x - a.x()) / h;
        double s = 1 - t;
        // Hermite's cubic between two points with the slopes there.
        return s * s * (1 + 2 * t) * a.y()
                + t * t * (1 + 2 * s) * b.y()
                + h * t * s * (s * slope(i - 1) - t * slope(i));
    }

    /** The slope at a point. */
    private double slope(int i) {
        int n = points.size();
        if (n == 2) {
            return chord(0);
        }
        if (i == 0) {
            return end(width(0), width(1), chord(0), chord(1));
        }
        if (i == n - 1) {
            return end(width(n - 2), width(n - 3), chord(n - 2), chord(n - 3));
        }
        double before = chord(i - 1);
        double after = chord(i);
        if (before * after <= 0) {
            return 0;
        }
        double w1 = 2 * width(i) + width(i - 1);
        double w2 = width(i) + 2 * width(i - 1);
        return (w1 + w2) / (w1 / before + w2 / after);
    }

    private static double end(double h, double next, double chord, double nextChord) {
        double slope = ((2 * h + next) * chord - h * nextChord) / (h + next);
        if (slope * chord <= 0) {
            return 0;
        }
        return chord * nextChord <= 0 && Math.abs(slope) > 3 * Math.abs(chord) ? 3 * chord : slope;
    }

    private double width(int i) {
        return points.get(i + 1).x() - points.get(i).x();
    }

    private double chord(int i) {
        return (points.get(i + 1).y() - points.get(i).y()) / width(i);
    }

    /**
     * Between this curve and another: point by point where they have as many, otherwise the curve through the mixed values
     * at every point of either, or at even steps where those would be too many. {@code t} outside 0 to 1 counts as 0 or 1.
     */
    public ToneCurve mix(ToneCurve other, double t) {
        double share = Math.min(1, Math.max(0, t));
        if (share == 0 || equals(other)) {
            return this;
        }
        if (share == 1) {
            return other;
        }
        if (points.size() == other.points.size()) {
            List<Point> mixed = new ArrayList<>();
            for (int i = 0; i < points.size(); i++) {
                mixed.add(points.get(i).mix(other.points.get(i), share));
            }
            return new ToneCurve(mixed);
        }
        TreeSet<Double> places = new TreeSet<>(List.of(0.0, 1.0));
        points.forEach(p -> places.add(p.x()));
        other.points.forEach(p -> places.add(p.x()));
        if (places.size() > MOST_POINTS) {
            places.clear();
            for (int i = 0; i < MOST_POINTS; i++) {
                places.add((double) i / (MOST_POINTS - 1));
            }
        }
        List<Point> mixed = new ArrayList<>();
        for (double x : places) {
            if (mixed.isEmpty() || x - mixed.get(mixed.size() - 1).x() >= LEAST_APART) {
                mixed.add(new Point(x, at(x) + (other.at(x) - at(x)) * share));
            }
        }
        return new ToneCurve(mixed);
    }
}
