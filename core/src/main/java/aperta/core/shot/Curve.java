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

    /** Whether both handles lie on their ends. */
    public boolean isStraight() {
        return p0.equals(p1) && p2.equals(p3);
    }

    /** Its length: the speed, integrated over 32 equal steps of the parameter by Gauss and Legendre's rule of 3 points. */
    public double length() {
        return lengths()[STEPS];
    }

    private static final int STEPS = 32;

    private double[] lengths() {
        double[] sums = new double[STEPS + 1];
        for (int i = 1; i <= STEPS; i++) {
            sums[i] = sums[i - 1] + length((i - 1) / (double) STEPS, i / (double) STEPS);
        }
        return sums;
    }

    private double length(double from, double to) {
        double half = (to - from) / 2;
        double middle = from + half;
        double off = half * Math.sqrt(0.6);
        return half * (5 * speed(middle - off) + 8 * speed(middle) + 5 * speed(middle + off)) / 9;
    }

    /** How fast the point moves as the parameter grows. */
    private double speed(double t) {
        double u = 1 - t;
        double a = 3 * u * u;
        double b = 6 * u * t;
        double c = 3 * t * t;
        double dx = a * (p1.x() - p0.x()) + b * (p2.x() - p1.x()) + c * (p3.x() - p2.x());
        double dy = a * (p1.y() - p0.y()) + b * (p2.y() - p1.y()) + c * (p3.y() - p2.y());
        return Math.sqrt(dx * dx + dy * dy);
    }

    /** The parameter by which a share of the length has been run through: the step by the sums, in it by Newton. */
    public double atShare(double share) {
        double[] sums = lengths();
        double wanted = share * sums[STEPS];
        for (int i = 1; i <= STEPS; i++) {
            if (sums[i] >= wanted && sums[i] > sums[i - 1]) {
                double from = (i - 1) / (double) STEPS;
                double t = from + (wanted - sums[i - 1]) / (sums[i] - sums[i - 1]) / STEPS;
                for (int n = 0; n < 4 && speed(t) > 1e-9; n++) {
                    double next = t - (sums[i - 1] + length(from, t) - wanted) / speed(t);
                    t = Math.min(i / (double) STEPS, Math.max(from, next));
                }
                return t;
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
