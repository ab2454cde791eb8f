package aperta.core.edit;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Format;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.ToDoubleFunction;

/**
 * Where a moved box clings to: the middle and the edges of the frame, the title-safe frame, and the middles and edges
 * of the other layers that show; where it has gaps as wide as others in its row or column; and guides.
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

    /** An edit whose layers cling to lines where that is asked for. */
    public interface Clinging extends Edit {
        boolean snap();

        /** The lines that the moved layers cling to. */
        Snap snapped(Shot shot, Extents extents);
    }

    /**
     * @param selves the layers that are moved; they and what they carry are no lines to cling to
     * @param reach how near, in pixels of the shot, a line must be to hold
     */
    public static Snap of(
            Box moved,
            Guides guides,
            Shot shot,
            Moment moment,
            Set<String> selves,
            Edit.Extents extents,
            double reach) {
        List<Double> xs = new ArrayList<>(guides.upright());
        List<Double> ys = new ArrayList<>(guides.level());
        Format format = shot.format();
        List<Box> others = new ArrayList<>();
        lines(format.frame(), xs, ys);
        lines(format.titleSafe(), xs, ys);
        for (var layer : shot.everyLayer()) {
            boolean moves = selves.contains(layer.id()) || TogetherEdits.isCarried(shot, layer, selves);
            if (!moves && moment.shows(layer)) {
                Moment.Seen seen = moment.of(layer.id());
                Box box = seen.toShot().apply(extents.extent(moment, layer.id()));
                lines(box, xs, ys);
                others.add(box);
            }
        }
        double[] x = nearer(
                nearest(new double[] {moved.centre().x(), moved.x0(), moved.x1()}, xs, reach),
                gap(moved, others, ACROSS, reach));
        double[] y = nearer(
                nearest(new double[] {moved.centre().y(), moved.y0(), moved.y1()}, ys, reach),
                gap(moved, others, DOWN, reach));
        return new Snap(
                new Point(x == null ? 0 : x[0], y == null ? 0 : y[0]),
                x == null ? OptionalDouble.empty() : OptionalDouble.of(x[1]),
                y == null ? OptionalDouble.empty() : OptionalDouble.of(y[1]));
    }

    private static void lines(Box box, List<Double> xs, List<Double> ys) {
        xs.addAll(List.of(box.centre().x(), box.x0(), box.x1()));
        ys.addAll(List.of(box.centre().y(), box.y0(), box.y1()));
    }

    /** Along one direction: where boxes begin and end, and whether two stand beside each other. */
    private record Way(ToDoubleFunction<Box> start, ToDoubleFunction<Box> end, BiPredicate<Box, Box> beside) {}

    private static final Way ACROSS = new Way(Box::x0, Box::x1, (a, b) -> a.y0() < b.y1() && b.y0() < a.y1());
    private static final Way DOWN = new Way(Box::y0, Box::y1, (a, b) -> a.x0() < b.x1() && b.x0() < a.x1());

    /** How far it is to a place between two others, or beside them, at which the gaps are equal; and the edge there. */
    private static double[] gap(Box moved, List<Box> others, Way way, double reach) {
        List<Box> row = others.stream()
                .filter(o -> !o.isEmpty() && way.beside.test(o, moved))
                .sorted(Comparator.comparingDouble(way.start))
                .toList();
        double from = way.start.applyAsDouble(moved);
        double size = way.end.applyAsDouble(moved) - from;
        double[] best = null;
        for (int i = 1; i < row.size(); i++) {
            double left = way.end.applyAsDouble(row.get(i - 1));
            double right = way.start.applyAsDouble(row.get(i));
            double gap = right - left;
            if (gap <= 0) {
                continue;
            }
            double after = way.end.applyAsDouble(row.get(i)) + gap;
            double before = way.start.applyAsDouble(row.get(i - 1)) - gap - size;
            best = nearer(best, held(after - from, after, reach));
            best = nearer(best, held(before - from, before + size, reach));
            if (gap > size) {
                double between = left + (gap - size) / 2;
                best = nearer(best, held(between - from, between, reach));
            }
        }
        return best;
    }

    private static double[] held(double by, double line, double reach) {
        return Math.abs(by) <= reach ? new double[] {by, line} : null;
    }

    private static double[] nearer(double[] a, double[] b) {
        return b == null || a != null && Math.abs(a[0]) <= Math.abs(b[0]) ? a : b;
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
