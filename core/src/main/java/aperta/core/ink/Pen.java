package aperta.core.ink;

import aperta.core.geometry.Point;
import aperta.core.ink.AxisGraph.Spot;
import java.util.Comparator;
import java.util.List;

/** A line in the direction in which it is written. */
record Pen(Chains.Line line) {
    /** From the left on, and from the top on. */
    static final Comparator<Pen> FROM_LEFT =
            Comparator.comparingDouble(p -> p.start().x() + 0.35 * p.start().y());

    /** How near the next stroke begins, in radii, where the pen isn't lifted. */
    private static final double RUN_ON = 3;

    private static final double LEVEL = 0.3;
    private static final double STRAIGHT = 1.12;
    /** So near a line, in its radii, a point lies on it. */
    private static final double ON = 1.3;

    List<Spot> spots() {
        return line.spots();
    }

    Point start() {
        return spots().get(0).at();
    }

    Point end() {
        return spots().get(spots().size() - 1).at();
    }

    /** Whether the next one begins where it ends. */
    boolean leadsInto(Pen next) {
        double near = RUN_ON
                * Math.max(
                        spots().get(spots().size() - 1).radius(),
                        next.spots().get(0).radius());
        return !line.closed()
                && !line.endFree()
                && !next.line.closed()
                && !next.line.startFree()
                && next.start().minus(end()).length() < near;
    }

    /** Whether it is a short level line, which is written after what it stands on. */
    boolean isBar() {
        Point way = end().minus(start());
        return (line.startFree() || line.endFree())
                && Math.abs(way.y()) < LEVEL * Math.abs(way.x())
                && length() < STRAIGHT * way.length();
    }

    private double length() {
        double sum = 0;
        for (int i = 1; i < spots().size(); i++) {
            sum += spots().get(i).at().minus(spots().get(i - 1).at()).length();
        }
        return sum;
    }

    /** How far along the line, 0 to 1, a point lies on it; under 0 where it doesn't. */
    double shareOf(Spot p) {
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < spots().size(); i++) {
            double d = spots().get(i).at().minus(p.at()).length();
            if (d < ON * Math.max(p.radius(), spots().get(i).radius()) && d < least) {
                least = d;
                best = i;
            }
        }
        return best < 0 ? -1 : best / Math.max(1.0, spots().size() - 1);
    }
}
