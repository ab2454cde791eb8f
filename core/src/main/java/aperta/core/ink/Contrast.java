package aperta.core.ink;

import aperta.core.geometry.Point;
import aperta.core.ink.AxisGraph.Branch;
import aperta.core.ink.AxisGraph.Spot;
import java.util.ArrayList;
import java.util.List;

/**
 * Thick and thin of a pen that spreads under pressure: strokes that come down are thick, those that go up are hairlines (a rule of
 * pointed-pen writing; common practice, no source). Where all is about as wide it says nothing.
 *
 * @param thin the radius of the thinner parts
 * @param thick that of the thicker ones
 */
record Contrast(double thin, double thick) {
    private static final double CLEAR = 1.8;
    private static final double UPRIGHT = 0.35;

    static Contrast of(AxisGraph graph) {
        List<Double> radii = new ArrayList<>();
        for (Branch b : graph.branches()) {
            b.spots.forEach(s -> radii.add(s.radius()));
        }
        graph.rings().forEach(r -> r.forEach(s -> radii.add(s.radius())));
        if (radii.isEmpty()) {
            return new Contrast(1, 1);
        }
        radii.sort(Double::compare);
        return new Contrast(radii.get(radii.size() / 5), radii.get(radii.size() * 17 / 20));
    }

    boolean isClear() {
        return thick > CLEAR * thin;
    }

    /** From −1 for a hairline to 1 for a thick stroke. */
    private double weight(double radius) {
        double middle = Math.sqrt(thin * thick);
        return Math.max(-1, Math.min(1, 2 * (radius - middle) / (thick - thin)));
    }

    /** Whether the pen goes a way (1) or comes from it (−1); 0 where that can't be told. */
    int leaves(Point way, double radius) {
        if (!isClear() || Math.abs(way.y()) < UPRIGHT || Math.abs(weight(radius)) < 0.3) {
            return 0;
        }
        return weight(radius) * way.y() > 0 ? 1 : -1;
    }

    /** How much a line runs as such a pen does, in pixels; negative where it would run the other way. */
    double along(List<Spot> spots) {
        double sum = 0;
        for (int i = 1; i < spots.size() && isClear(); i++) {
            double down = spots.get(i).at().y() - spots.get(i - 1).at().y();
            sum += down * weight(spots.get(i).radius());
        }
        return sum;
    }
}
