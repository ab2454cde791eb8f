package aperta.core.shot;

import aperta.core.geometry.Point;

/** A cubic Bézier curve by its four control points. */
public record Curve(Point p0, Point p1, Point p2, Point p3) {
    /** What of a curve lies nearest to a point. */
    public record Nearest(double t, double distance) {}

    /** The point at a parameter of 0 to 1. */
    public Point at(double t) {
        double u = 1 - t;
        double a = u * u * u;
        double b = 3 * u * u * t;
        double c = 3 * u * t * t;
        double d = t * t * t;
        return new Point(
                a * p0.x() + b * p1.x() + c * p2.x() + d * p3.x(), a * p0.y() + b * p1.y() + c * p2.y() + d * p3.y());
    }

    /** The part before a parameter (de Casteljau). */
    public Curve upTo(double t) {
        Point a = p0.mix(p1, t);
        Point b = a.mix(p1.mix(p2, t), t);
        return new Curve(p0, a, b, at(t));
    }

    /** The part after a parameter. */
    public Curve from(double t) {
        Point c = p2.mix(p3, t);
        Point b = p1.mix(p2, t).mix(c, t);
        return new Curve(at(t), b, c, p3);
    }

    /** Its length, by the chords of 32 equal steps of its parameter. */
    public double length() {
        return lengths()[STEPS];
    }

    private static final int STEPS = 32;

    private double[] lengths() {
        double[] sums = new double[STEPS + 1];
        Point before = p0;
        for (int i = 1; i <= STEPS; i++) {
            Point next = at(i / (double) STEPS);
            sums[i] = sums[i - 1] + next.minus(before).length();
            before = next;
        }
        return sums;
    }

    /** The parameter by which a share of the length has been run through. */
    public double atShare(double share) {
        double[] sums = lengths();
        double wanted = share * sums[STEPS];
        for (int i = 1; i <= STEPS; i++) {
            if (sums[i] >= wanted && sums[i] > sums[i - 1]) {
                return (i - 1 + (wanted - sums[i - 1]) / (sums[i] - sums[i - 1])) / STEPS;
            }
        }
        return share;
    }

    /** The parameter nearest to a point: the best of equal steps, narrowed by thirds. */
    public Nearest nearest(Point p) {
        int best = 0;
        for (int i = 1; i <= STEPS; i++) {
            if (distance(i / (double) STEPS, p) < distance(best / (double) STEPS, p)) {
                best = i;
            }
        }
        double low = Math.max(0, (best - 1) / (double) STEPS);
        double high = Math.min(1, (best + 1) / (double) STEPS);
        for (int i = 0; i < 48; i++) {
            double third = (high - low) / 3;
            if (distance(low + third, p) <= distance(high - third, p)) {
                high -= third;
            } else {
                low += third;
            }
        }
        double t = (low + high) / 2;
        return new Nearest(t, distance(t, p));
    }

    private double distance(double t, Point p) {
        return at(t).minus(p).length();
    }
}
