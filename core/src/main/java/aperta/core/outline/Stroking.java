package aperta.core.outline;

import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.PathLength;
import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;

/**
 * The band that a stroke covers. Caps, joins, the mitre's limit and dashes are those of {@link BasicStroke}; which part of a
 * path is drawn goes by its length. Dashes stand still on their path while start and end move. Where the width tapers, the
 * line is a row of short pieces with round joins; it ends round, or straight for every other cap.
 */
public final class Stroking {
    private final Coat.Stroke stroke;
    private final Path2D.Double band = new Path2D.Double(Path2D.WIND_NON_ZERO);

    private Stroking(Coat.Stroke stroke) {
        this.stroke = stroke;
    }

    /** @param stroke whose values are fixed */
    public static Outline of(List<PathLength> paths, Coat.Stroke stroke) {
        return of(stroke, DrawnParts.of(paths, stroke));
    }

    /** The band over some parts of paths. */
    static Outline of(Coat.Stroke stroke, List<DrawnParts.Part> parts) {
        Stroking s = new Stroking(stroke);
        if (stroke.fixed(Measure.WIDTH) > 0) {
            parts.forEach(p -> s.add(p.pieces()));
        }
        return Outline.of(s.band);
    }

    /** How far a stroke's band reaches out from its path, at most, in pixels. */
    public static double reach(Coat.Stroke stroke) {
        double corner = stroke.corner() == Coat.Corner.MITRE ? stroke.fixed(Measure.MITRE_LIMIT) : 1;
        double cap = stroke.cap() == Coat.Cap.SQUARE ? Math.sqrt(2) : 1;
        return stroke.fixed(Measure.WIDTH) / 2 * Math.max(corner, cap);
    }

    private void add(List<PathLength.Piece> seen) {
        boolean tapers = stroke.fixed(Measure.TAPER_START) > 0 || stroke.fixed(Measure.TAPER_END) > 0;
        if (!tapers) {
            seen.forEach(piece -> band.append(even(piece), false));
            return;
        }
        double whole = seen.stream()
                .mapToDouble(p -> new PathLength(p.path()).length())
                .sum();
        double before = 0;
        for (PathLength.Piece piece : seen) {
            PathLength length = new PathLength(piece.path());
            for (double[] d : dashes(length.length(), piece.from())) {
                taper(length.piece(d[0], d[1]).path(), before + d[0], whole);
            }
            before += length.length();
        }
    }

    private Shape even(PathLength.Piece piece) {
        int cap = switch (stroke.cap()) {
            case BUTT -> BasicStroke.CAP_BUTT;
            case ROUND -> BasicStroke.CAP_ROUND;
            case SQUARE -> BasicStroke.CAP_SQUARE;
        };
        int corner = switch (stroke.corner()) {
            case MITRE -> BasicStroke.JOIN_MITER;
            case ROUND -> BasicStroke.JOIN_ROUND;
            case BEVEL -> BasicStroke.JOIN_BEVEL;
        };
        float[] dash = null;
        if (!stroke.dash().isEmpty()) {
            dash = new float[stroke.dash().size()];
            for (int i = 0; i < dash.length; i++) {
                dash[i] = stroke.dash().get(i).floatValue();
            }
        }
        float limit = (float) stroke.fixed(Measure.MITRE_LIMIT);
        float width = (float) stroke.fixed(Measure.WIDTH);
        return new BasicStroke(width, cap, corner, limit, dash, (float) phase(piece.from()))
                .createStrokedShape(Strokable.of(Outline.line(piece.path()), width));
    }

    /** How far into the pattern a place of the path lies. */
    private double phase(double along) {
        double pattern =
                2 * stroke.dash().stream().mapToDouble(Double::doubleValue).sum();
        double at = along + stroke.fixed(Measure.DASH_OFFSET);
        return pattern == 0 ? 0 : at - pattern * Math.floor(at / pattern);
    }

    /** The lines of a dash along a piece of a path: from and to, in pixels of the piece. */
    private List<double[]> dashes(double length, double from) {
        List<Double> dash = stroke.dash();
        if (dash.isEmpty()) {
            return List.of(new double[] {0, length});
        }
        List<double[]> lines = new ArrayList<>();
        double at = -phase(from);
        for (int i = 0; at < length; i++) {
            double next = at + dash.get(i % dash.size());
            if (i % 2 == 0 && next > 0 && Math.min(length, next) > Math.max(0, at)) {
                lines.add(new double[] {Math.max(0, at), Math.min(length, next)});
            }
            at = next;
        }
        return lines;
    }

    private void taper(BezierPath path, double from, double whole) {
        new VaryingBand(band, stroke.cap() == Coat.Cap.ROUND).along(path, s -> half((from + s) / whole));
    }

    private double half(double share) {
        double in = stroke.fixed(Measure.TAPER_START);
        double out = stroke.fixed(Measure.TAPER_END);
        double factor = Math.min(in > 0 ? share / in : 1, out > 0 ? (1 - share) / out : 1);
        return stroke.fixed(Measure.WIDTH) / 2 * Math.max(0, Math.min(1, factor));
    }
}
