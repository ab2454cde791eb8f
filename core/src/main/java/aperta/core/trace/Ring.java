package aperta.core.trace;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;

/** A closed line of points, measured along itself. */
final class Ring {
    /** Points that are nearer to one another are one. */
    private static final double SAME = 0.1;

    private final List<Point> points;
    /** How far along each point lies. */
    private final double[] along;

    private final double length;

    private Ring(List<Point> points) {
        this.points = points;
        along = new double[points.size()];
        for (int i = 1; i < along.length; i++) {
            along[i] = along[i - 1] + points.get(i).minus(points.get(i - 1)).length();
        }
        length = along[along.length - 1]
                + points.get(0).minus(points.get(along.length - 1)).length();
    }

    static Ring of(List<Point> line) {
        List<Point> apart = new ArrayList<>();
        for (Point p : line) {
            if (apart.isEmpty() || p.minus(apart.get(apart.size() - 1)).length() >= SAME) {
                apart.add(p);
            }
        }
        while (apart.size() > 1
                && apart.get(0).minus(apart.get(apart.size() - 1)).length() < SAME) {
            apart.remove(apart.size() - 1);
        }
        return new Ring(apart);
    }

    int size() {
        return points.size();
    }

    List<Point> points() {
        return points;
    }

    Point point(int i) {
        return points.get(i);
    }

    double along(int i) {
        return along[i];
    }

    double length() {
        return length;
    }

    /** Signed: positive where it runs clockwise on the screen. */
    double area() {
        double twice = 0;
        Point last = points.get(points.size() - 1);
        for (Point p : points) {
            twice += last.x() * p.y() - p.x() * last.y();
            last = p;
        }
        return twice / 2;
    }

    /** The point so far along, round and round. */
    Point at(double where) {
        double s = where - length * Math.floor(where / length);
        int low = 0;
        int high = along.length - 1;
        while (low < high) {
            int mid = (low + high + 1) / 2;
            if (along[mid] <= s) {
                low = mid;
            } else {
                high = mid - 1;
            }
        }
        double until = low + 1 < along.length ? along[low + 1] : length;
        Point a = points.get(low);
        Point b = points.get((low + 1) % points.size());
        double share = until > along[low] ? (s - along[low]) / (until - along[low]) : 0;
        return a.plus(b.minus(a).times(share));
    }

    /** The points strictly between two places, the second beyond the first. */
    List<Point> between(double from, double to) {
        List<Point> all = new ArrayList<>();
        for (double turn = Math.floor(from / length); turn * length < to; turn++) {
            for (int i = 0; i < along.length; i++) {
                double s = turn * length + along[i];
                if (s > from && s < to) {
                    all.add(points.get(i));
                }
            }
        }
        return all;
    }
}
