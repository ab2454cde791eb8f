package aperta.core.outline;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** An immutable set of closed contours of lines and curves; inside is where the winding number is not zero. */
public final class Outline {
    public static final Outline NOTHING = new Outline(new Path2D.Double());
    private final Path2D.Double path;

    private Outline(Path2D.Double path) {
        this.path = path;
    }

    public static Outline of(Shape shape) {
        Path2D.Double copy = new Path2D.Double(Path2D.WIND_NON_ZERO);
        copy.append(shape.getPathIterator(null), false);
        return new Outline(copy);
    }

    /** What lies inside of a path; an open one is closed by a line. */
    public static Outline of(BezierPath path) {
        Path2D.Double p = drawn(path);
        p.closePath();
        return new Outline(p);
    }

    /** A path as a pen follows it: closed only where the path is. */
    static Path2D.Double line(BezierPath path) {
        Path2D.Double p = drawn(path);
        if (path.closed()) {
            p.closePath();
        }
        return p;
    }

    private static Path2D.Double drawn(BezierPath path) {
        Path2D.Double p = new Path2D.Double(Path2D.WIND_NON_ZERO);
        Point first = path.knots().get(0).at();
        p.moveTo(first.x(), first.y());
        for (int i = 0; i < path.segments(); i++) {
            Curve c = path.curve(i);
            if (c.isStraight()) {
                p.lineTo(c.p3().x(), c.p3().y());
            } else {
                p.curveTo(c.p1().x(), c.p1().y(), c.p2().x(), c.p2().y(), c.p3().x(), c.p3().y());
            }
        }
        return p;
    }

    /** Its contours as closed paths; quadratic curves become cubic ones of the same shape. */
    public List<BezierPath> paths() {
        return Paths.of(path.getPathIterator(null));
    }

    /** The paths of a shape, each open or closed as it is there. */
    public static List<BezierPath> pathsOf(Shape shape) {
        return Paths.of(shape.getPathIterator(null), true);
    }

    public static Outline of(Box box) {
        return of(new Rectangle2D.Double(box.x0(), box.y0(), box.width(), box.height()));
    }

    public Outline transformed(Affine map) {
        Path2D.Double copy = new Path2D.Double(path);
        copy.transform(new AffineTransform(map.a(), map.b(), map.c(), map.d(), map.e(), map.f()));
        return new Outline(copy);
    }

    /** Both outlines together; where they overlap in opposite directions they would cancel: see {@link #merged}. */
    public Outline and(Outline other) {
        Path2D.Double copy = new Path2D.Double(path);
        copy.append(other.path, false);
        return new Outline(copy);
    }

    /** The same inside, with contours that don't overlap. */
    public Outline merged() {
        return of(new Area(path));
    }

    /** The band that a round-joined pen of {@code width} pixels leaves when it follows the outline. */
    public Outline stroked(double width) {
        return of(new BasicStroke((float) width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND)
                .createStrokedShape(Strokable.of(path, width)));
    }

    /** The box around all points and handles; not smaller than the outline itself. */
    public Box bounds() {
        Rectangle2D r = path.getBounds2D();
        return r.isEmpty() ? Box.EMPTY : new Box(r.getMinX(), r.getMinY(), r.getMaxX(), r.getMaxY());
    }

    public boolean isEmpty() {
        return path.getCurrentPoint() == null;
    }

    public boolean contains(Point p) {
        return path.contains(p.x(), p.y());
    }

    PathIterator segments() {
        return path.getPathIterator(null);
    }

    /** The outline's commands as numbers, for content keys: the kind of each segment, then its coordinates. */
    public double[] numbers() {
        double[] all = new double[64];
        int n = 0;
        double[] c = new double[6];
        for (PathIterator it = path.getPathIterator(null); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            int count = new int[] {2, 2, 4, 6, 0}[kind];
            if (n + 7 > all.length) {
                all = java.util.Arrays.copyOf(all, all.length * 2);
            }
            all[n++] = kind;
            System.arraycopy(c, 0, all, n, count);
            n += count;
        }
        return java.util.Arrays.copyOf(all, n);
    }
}
