package aperta.core.edit;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Format;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Where a moved box clings to: the middle and the edges of the frame, the title-safe frame, and the middles and edges
 * of the other layers that show; and guides.
 *
 * @param by how far the box is to move further
 * @param upright the x of the line it clings to, for showing
 * @param level the y of the line it clings to
 */
public record Snap(Point by, OptionalDouble upright, OptionalDouble level) {

    /** Lines that belong to nobody's layer, in pixels of the shot: {@code upright} by their x, {@code level} by their y. */
    public record Guides(List<Double> upright, List<Double> level) {
        public static final Guides NONE = new Guides(List.of(), List.of());

        public Guides {
            upright = List.copyOf(upright);
            level = List.copyOf(level);
        }
    }

    /** @param reach how near, in pixels of the shot, a line must be to hold */
    public static Snap of(
            Box moved, Guides guides, Shot shot, Moment moment, String self, Edit.Extents extents, double reach) {
        List<Double> xs = new ArrayList<>(guides.upright());
        List<Double> ys = new ArrayList<>(guides.level());
        Format format = shot.format();
        lines(format.frame(), xs, ys);
        lines(format.titleSafe(), xs, ys);
        for (var layer : shot.everyLayer()) {
            if (!layer.id().equals(self) && moment.shows(layer)) {
                Moment.Seen seen = moment.of(layer.id());
                lines(seen.toShot().apply(extents.extent(moment, layer.id())), xs, ys);
            }
        }
        double[] x = nearest(new double[] {moved.centre().x(), moved.x0(), moved.x1()}, xs, reach);
        double[] y = nearest(new double[] {moved.centre().y(), moved.y0(), moved.y1()}, ys, reach);
        return new Snap(
                new Point(x == null ? 0 : x[0], y == null ? 0 : y[0]),
                x == null ? OptionalDouble.empty() : OptionalDouble.of(x[1]),
                y == null ? OptionalDouble.empty() : OptionalDouble.of(y[1]));
    }

    private static void lines(Box box, List<Double> xs, List<Double> ys) {
        xs.addAll(List.of(box.centre().x(), box.x0(), box.x1()));
        ys.addAll(List.of(box.centre().y(), box.y0(), box.y1()));
    }

    private static double[] nearest(double[] own, List<Double> lines, double reach) {
        double[] best = null;
        for (double line : lines) {
            for (double o : own) {
                double by = line - o;
                if (Math.abs(by) <= reach && (best == null || Math.abs(by) < Math.abs(best[0]))) {
                    best = new double[] {by, line};
                }
            }
        }
        return best;
    }
}
