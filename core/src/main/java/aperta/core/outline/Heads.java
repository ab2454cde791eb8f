package aperta.core.outline;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.PathLength;
import aperta.core.time.Animated;
import java.awt.geom.Ellipse2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The dots that run at the drawing ends of a stroke, each with its tail; they fade as they arrive. */
public final class Heads {
    /** Heads whose strengths differ by less than a step are as strong as one another. */
    private static final double STEPS = 1024;

    /**
     * Dots and tails of one strength.
     *
     * @param strength over 0, up to 1
     */
    public record Head(Outline outline, double strength) {}

    /**
     * A drawing end.
     *
     * @param along the direction in which the line is drawn, of any length
     * @param strength over 0, up to 1
     */
    public record End(Point at, Point along, double strength) {}

    private Heads() {}

    /** @param stroke whose values are fixed */
    public static List<Head> of(List<PathLength> paths, Coat.Stroke stroke) {
        double size = stroke.fixed(Measure.HEAD);
        if (size <= 0) {
            return List.of();
        }
        Map<Double, Outline> byStrength = new TreeMap<>();
        for (DrawnParts.Part part : DrawnParts.of(paths, stroke)) {
            double step = Math.ceil(strength(part, stroke) * STEPS) / STEPS;
            if (step > 0) {
                byStrength.merge(step, head(part, stroke, size), Outline::and);
            }
        }
        List<Head> all = new ArrayList<>();
        byStrength.forEach((strength, outline) -> all.add(new Head(outline, strength)));
        return all;
    }

    /**
     * Where the heads of a stroke are, those that have faded left out.
     *
     * @param stroke whose values are fixed
     */
    public static List<End> ends(List<PathLength> paths, Coat.Stroke stroke) {
        List<End> all = new ArrayList<>();
        for (DrawnParts.Part part : DrawnParts.of(paths, stroke)) {
            double strength = strength(part, stroke);
            if (strength > 0) {
                BezierPath.Knot last = endOf(part);
                Point along = last.in().equals(Point.ORIGIN)
                        ? last.at().minus(beforeLast(part).at())
                        : Point.ORIGIN.minus(last.in());
                all.add(new End(last.at(), along, strength));
            }
        }
        return all;
    }

    private static double strength(DrawnParts.Part part, Coat.Stroke stroke) {
        double fade = stroke.fixed(Measure.HEAD_FADE);
        return part.left() <= 0 ? 0 : fade <= 0 ? 1 : Math.min(1, part.left() / fade);
    }

    private static BezierPath.Knot endOf(DrawnParts.Part part) {
        List<BezierPath.Knot> knots = lastKnots(part);
        return knots.get(knots.size() - 1);
    }

    private static BezierPath.Knot beforeLast(DrawnParts.Part part) {
        List<BezierPath.Knot> knots = lastKnots(part);
        return knots.get(knots.size() - 2);
    }

    private static List<BezierPath.Knot> lastKnots(DrawnParts.Part part) {
        List<PathLength.Piece> pieces = part.pieces();
        return pieces.get(pieces.size() - 1).path().knots();
    }

    private static Outline head(DrawnParts.Part part, Coat.Stroke stroke, double size) {
        Point at = endOf(part).at();
        Outline dot = stroke.rider().isPresent()
                ? Outline.NOTHING
                : Outline.of(new Ellipse2D.Double(at.x() - size / 2, at.y() - size / 2, size, size));
        double tail = stroke.fixed(Measure.HEAD_TAIL) / part.path().length();
        if (tail <= 0) {
            return dot;
        }
        Coat.Stroke band = stroke.withDash(List.of())
                .withEnds(Coat.Cap.BUTT, Coat.Corner.ROUND)
                .with(Measure.WIDTH, Animated.of(size))
                .with(Measure.TAPER_START, Animated.of(1.0))
                .with(Measure.TAPER_END, Animated.of(0.0));
        double from = Math.max(part.start(), part.end() - tail);
        DrawnParts.Part behind = new DrawnParts.Part(part.path(), from, part.end(), part.offset(), part.left());
        return dot.and(Stroking.of(band, List.of(behind)));
    }
}
