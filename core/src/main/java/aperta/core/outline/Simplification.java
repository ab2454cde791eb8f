package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.outline.Contour.Piece;
import java.util.ArrayList;
import java.util.List;

/**
 * Fewer pieces in the place of many short ones that go on from each other: as long as all ends between lie near to one
 * straight line, and their widths near to its own. Directions from the first end that pass near to what has been met are
 * kept as an interval, as in J. Sklansky and V. Gonzalez, “Fast polygonal approximation of digitized curves” (Pattern
 * Recognition 12, 1980; from memory); the time goes with the number of pieces.
 */
final class Simplification {
    /**
     * How far an end that is left out may lie off the line, as a share of the width there. An edge that falls off over σ,
     * half of the width, rises by at most 0.4 for each σ: that is less than half a step of 255.
     */
    static final double OFF = 0.0024;

    /** How far its width may be off the line's, as a share of it: less than a quarter of a step. */
    static final double WIDTH_OFF = 0.004;

    /** Widths count as this at least, in pixels: the fall of a sharp edge across the square of a pixel. */
    static final double SHARP = 0.5;

    private final List<Piece> kept = new ArrayList<>();
    private Piece first;
    private Piece last;
    private double ux;
    private double uy;
    private double along;
    private double leastSlope;
    private double mostSlope;
    private double leastRise;
    private double mostRise;

    private Simplification() {}

    /** @param pieces of some length, in the order of the path */
    static List<Piece> of(List<Piece> pieces) {
        Simplification s = new Simplification();
        for (Piece p : pieces) {
            if (s.first == null || !s.takes(p)) {
                s.end();
                s.begin(p);
            }
        }
        s.end();
        return s.kept;
    }

    private void begin(Piece p) {
        first = p;
        last = p;
        Point step = p.to().minus(p.from());
        along = step.length();
        ux = step.x() / along;
        uy = step.y() / along;
        leastSlope = Double.NEGATIVE_INFINITY;
        mostSlope = Double.POSITIVE_INFINITY;
        leastRise = Double.NEGATIVE_INFINITY;
        mostRise = Double.POSITIVE_INFINITY;
        narrow(0, p.toWidth() - p.fromWidth());
    }

    /** What comes must pass near to the end that has been reached. */
    private void narrow(double aside, double wider) {
        double width = Math.max(SHARP, first.fromWidth() + Math.min(0, wider));
        leastSlope = Math.max(leastSlope, (aside - OFF * width) / along);
        mostSlope = Math.min(mostSlope, (aside + OFF * width) / along);
        leastRise = Math.max(leastRise, (wider - WIDTH_OFF * width) / along);
        mostRise = Math.min(mostRise, (wider + WIDTH_OFF * width) / along);
    }

    /** Whether the line can go on to the end of one more piece, which then is its last. */
    private boolean takes(Piece p) {
        if (!p.from().equals(last.to())) {
            return false;
        }
        double x = p.to().x() - first.from().x();
        double y = p.to().y() - first.from().y();
        double t = x * ux + y * uy;
        double aside = y * ux - x * uy;
        double wider = p.toWidth() - first.fromWidth();
        if (t <= along
                || aside < leastSlope * t
                || aside > mostSlope * t
                || wider < leastRise * t
                || wider > mostRise * t) {
            return false;
        }
        last = p;
        along = t;
        narrow(aside, wider);
        return true;
    }

    private void end() {
        if (first != null) {
            kept.add(first == last ? first : new Piece(first.from(), last.to(), first.fromWidth(), last.toWidth()));
        }
    }
}
