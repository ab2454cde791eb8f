package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import aperta.core.shot.PathLength;
import aperta.core.shot.PenLine;
import java.awt.geom.Path2D;

/**
 * What a pen leaves of a line: a round tip a band as wide as it was pressed, a broad one what an edge of that length sweeps that
 * is held at an angle.
 */
public final class PenBand {
    /** How thick the edge of a broad nib is, as a share of its length. */
    private static final double THICK = 0.12;

    private static final double SHORT = 2;

    private PenBand() {}

    /** The part of a line between two shares of its length. */
    public static Outline of(PenLine line, double from, double to) {
        Path2D.Double band = new Path2D.Double(Path2D.WIND_NON_ZERO);
        BezierPath path = line.path();
        PathLength length = new PathLength(path);
        double whole = length.length();
        if (whole <= 0 || to <= from) {
            return Outline.of(band);
        }
        double start = from * whole;
        BezierPath part =
                to - from >= 1 ? path : length.piece(start, to * whole).path();
        double[] at = length.untilKnots();
        VaryingBand round = new VaryingBand(band, true);
        if (line.nib() == PenLine.Nib.ROUND) {
            round.along(part, s -> width(path, at, start + s) / 2);
        } else {
            round.along(part, s -> width(path, at, start + s) / 2 * THICK);
            swept(band, part, path, at, start, Math.toRadians(line.angle()));
        }
        return Outline.of(band);
    }

    /** Between knots the width changes evenly along the line. */
    private static double width(BezierPath path, double[] at, double along) {
        int i = 0;
        while (i < path.segments() - 1 && at[i + 1] < along) {
            i++;
        }
        double own = at[i + 1] - at[i];
        double share = own <= 0 ? 0 : Math.min(1, Math.max(0, (along - at[i]) / own));
        double from = path.knots().get(i).feather();
        return from + (path.knots().get(i + 1).feather() - from) * share;
    }

    private static void swept(
            Path2D.Double band, BezierPath part, BezierPath path, double[] at, double start, double angle) {
        Point edge = new Point(StrictMath.cos(angle), StrictMath.sin(angle));
        double along = start;
        Point last = part.knots().get(0).at();
        double lastHalf = width(path, at, along) / 2;
        for (int i = 0; i < part.segments(); i++) {
            Curve c = part.curve(i);
            double length = c.length();
            int steps = (int) Math.max(1, Math.ceil(length / SHORT));
            for (int k = 1; k <= steps; k++) {
                Point p = c.at(c.atShare(k / (double) steps));
                double half = width(path, at, along + length * k / steps) / 2;
                quad(band, last, lastHalf, p, half, edge);
                last = p;
                lastHalf = half;
            }
            along += length;
        }
    }

    /** All run the same way round, so that where they overlap they don't cancel. */
    private static void quad(Path2D.Double band, Point a, double halfA, Point b, double halfB, Point edge) {
        Point[] corners = {
            a.minus(edge.times(halfA)), b.minus(edge.times(halfB)), b.plus(edge.times(halfB)), a.plus(edge.times(halfA))
        };
        Point d = b.minus(a);
        boolean turned = d.x() * edge.y() - d.y() * edge.x() < 0;
        for (int i = 0; i < 4; i++) {
            Point p = corners[turned ? 3 - i : i];
            if (i == 0) {
                band.moveTo(p.x(), p.y());
            } else {
                band.lineTo(p.x(), p.y());
            }
        }
        band.closePath();
    }
}
