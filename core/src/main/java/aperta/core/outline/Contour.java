package aperta.core.outline;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What divides the inside of a closed path from its outside, in short straight pieces, each with a width at both ends.
 * Where a path crosses itself, what lies within (winding not zero on both sides) divides nothing and is left out.
 */
public final class Contour {
    /** How far a piece may lie off its curve, in pixels. */
    private static final double TOLERANCE = 0.02;

    private static final int DEEPEST = 16;

    /** A straight piece from one point to another, and the widths that its ends have. */
    public record Piece(Point from, Point to, double fromWidth, double toWidth) {
        Point at(double t) {
            return from.mix(to, t);
        }

        Piece between(double a, double b) {
            double more = toWidth - fromWidth;
            return new Piece(at(a), at(b), fromWidth + a * more, fromWidth + b * more);
        }

        public double top() {
            return Math.min(from.y(), to.y());
        }

        public double bottom() {
            return Math.max(from.y(), to.y());
        }
    }

    private final List<Piece> pieces;
    private final List<Piece> boundary;

    private Contour(List<Piece> pieces) {
        this.pieces = pieces;
        this.boundary = bounding(pieces);
    }

    /** @param map from the path's pixels to those of the raster; the widths of its knots are scaled with it */
    public static Contour of(BezierPath path, Affine map) {
        BezierPath there = path.joined().transformed(map);
        double scale = map.meanScale();
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < there.segments(); i++) {
            double from = there.knots().get(i).feather() * scale;
            double to = there.knots().get((i + 1) % there.knots().size()).feather() * scale;
            flatten(there.curve(i), from, to, DEEPEST, pieces);
        }
        return new Contour(Simplification.of(pieces));
    }

    /** The pieces of the path itself, in order: a point has as many windings as they go round it. */
    public List<Piece> pieces() {
        return pieces;
    }

    /** Those that have the inside on one side and the outside on the other. */
    public List<Piece> boundary() {
        return boundary;
    }

    /** Where each piece of the path begins and ends: four numbers. */
    public double[] places() {
        double[] all = new double[4 * pieces.size()];
        int at = 0;
        for (Piece p : pieces) {
            all[at++] = p.from.x();
            all[at++] = p.from.y();
            all[at++] = p.to.x();
            all[at++] = p.to.y();
        }
        return all;
    }

    /** The widths at both ends of each piece. */
    public double[] widths() {
        double[] all = new double[2 * pieces.size()];
        int at = 0;
        for (Piece p : pieces) {
            all[at++] = p.fromWidth;
            all[at++] = p.toWidth;
        }
        return all;
    }

    /** The largest width of a piece, at least 0. */
    public double widest() {
        return pieces.stream()
                .mapToDouble(p -> Math.max(p.fromWidth, p.toWidth))
                .max()
                .orElse(0);
    }

    public Box bounds() {
        return Box.around(pieces.stream().map(Piece::from).toList());
    }

    private static void flatten(Curve c, double from, double to, int deep, List<Piece> into) {
        boolean straight = c.p1().equals(c.p0()) && c.p2().equals(c.p3());
        if (deep == 0 || straight || isFlat(c)) {
            if (!c.p0().equals(c.p3())) {
                into.add(new Piece(c.p0(), c.p3(), from, to));
            }
            return;
        }
        flatten(c.upTo(0.5), from, (from + to) / 2, deep - 1, into);
        flatten(c.from(0.5), (from + to) / 2, to, deep - 1, into);
    }

    /**
     * Whether a curve lies so near to its chord that the chord can stand for it: three quarters of the distance of the
     * control points bound that of the curve, where they lie above the chord and not beyond its ends.
     */
    private static boolean isFlat(Curve c) {
        Point chord = c.p3().minus(c.p0());
        double length = chord.length();
        Point first = c.p1().minus(c.p0());
        Point last = c.p2().minus(c.p0());
        if (length < TOLERANCE) {
            return Math.max(first.length(), last.length()) < TOLERANCE;
        }
        double along = dot(first, chord) / length;
        double back = dot(last, chord) / length;
        double off = Math.max(Math.abs(cross(first, chord)), Math.abs(cross(last, chord))) / length;
        return off * 0.75 <= TOLERANCE && along >= -off && back <= length + off && along <= back + off;
    }

    private static double dot(Point a, Point b) {
        return a.x() * b.x() + a.y() * b.y();
    }

    private static List<Piece> bounding(List<Piece> pieces) {
        Map<Integer, List<Double>> cuts = crossings(pieces);
        if (cuts.isEmpty()) {
            return pieces;
        }
        List<Piece> all = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            double before = 0;
            List<Double> own = new ArrayList<>(cuts.getOrDefault(i, List.of()));
            own.add(1.0);
            own.sort(Comparator.naturalOrder());
            for (double t : own) {
                if (t > before) {
                    all.add(pieces.get(i).between(before, t));
                }
                before = t;
            }
        }
        return all.stream().filter(p -> divides(p, pieces)).toList();
    }

    /** Of pieces that others cross, the parameters at which they do. Pieces are met from the top down. */
    private static Map<Integer, List<Double>> crossings(List<Piece> pieces) {
        int n = pieces.size();
        double[] tops = pieces.stream().mapToDouble(Piece::top).toArray();
        double[] bottoms = pieces.stream().mapToDouble(Piece::bottom).toArray();
        Integer[] order = new Integer[n];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, Comparator.comparingDouble(i -> tops[i]));
        Map<Integer, List<Double>> cuts = new HashMap<>();
        int[] open = new int[n];
        int many = 0;
        for (int i : order) {
            Piece p = pieces.get(i);
            double left = Math.min(p.from.x(), p.to.x());
            double right = Math.max(p.from.x(), p.to.x());
            int kept = 0;
            for (int k = 0; k < many; k++) {
                int o = open[k];
                if (bottoms[o] >= tops[i]) {
                    open[kept++] = o;
                    Piece other = pieces.get(o);
                    if (Math.max(other.from.x(), other.to.x()) >= left
                            && Math.min(other.from.x(), other.to.x()) <= right) {
                        cross(pieces, i, o, cuts);
                    }
                }
            }
            open[kept++] = i;
            many = kept;
        }
        return cuts;
    }

    private static void cross(List<Piece> pieces, int i, int o, Map<Integer, List<Double>> cuts) {
        Piece a = pieces.get(i);
        Piece b = pieces.get(o);
        Point u = a.to.minus(a.from);
        Point v = b.to.minus(b.from);
        double det = cross(u, v);
        if (det == 0) {
            return;
        }
        Point w = b.from.minus(a.from);
        double s = cross(w, v) / det;
        double t = cross(w, u) / det;
        // Neighbours meet at their ends, which is no crossing.
        double slack = 1e-9;
        if (s > slack && s < 1 - slack && t >= 0 && t <= 1 || t > slack && t < 1 - slack && s >= 0 && s <= 1) {
            cuts.computeIfAbsent(i, none -> new ArrayList<>()).add(Math.min(1, Math.max(0, s)));
            cuts.computeIfAbsent(o, none -> new ArrayList<>()).add(Math.min(1, Math.max(0, t)));
        }
    }

    private static double cross(Point a, Point b) {
        return a.x() * b.y() - a.y() * b.x();
    }

    private static boolean divides(Piece p, List<Piece> pieces) {
        Point along = p.to.minus(p.from);
        double length = along.length();
        Point aside = new Point(-along.y(), along.x()).times(1e-4 / Math.max(1e-12, length));
        Point middle = p.at(0.5);
        return winding(middle.plus(aside), pieces) != 0 ^ winding(middle.minus(aside), pieces) != 0;
    }

    /** How often the pieces go round a point. */
    private static int winding(Point p, List<Piece> pieces) {
        int sum = 0;
        for (Piece e : pieces) {
            boolean down = e.from.y() <= p.y() && e.to.y() > p.y();
            boolean up = e.to.y() <= p.y() && e.from.y() > p.y();
            if (down || up) {
                double t = (p.y() - e.from.y()) / (e.to.y() - e.from.y());
                if (e.from.x() + t * (e.to.x() - e.from.x()) > p.x()) {
                    sum += down ? 1 : -1;
                }
            }
        }
        return sum;
    }
}
