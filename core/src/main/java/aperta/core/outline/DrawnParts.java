package aperta.core.outline;

import aperta.core.geometry.Box;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.PathLength;
import aperta.core.time.Chance;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/** Which part of each of several paths a stroke draws, by its start, its end, their offset and its pacing. */
public final class DrawnParts {
    /**
     * A part of one path.
     *
     * @param start from where to where, in shares of the path's length, both moved by the offset
     * @param left how many pixels are left until the pen arrives at the end of the path: 0 where it has arrived; without
     *     end where it goes round and round
     */
    public record Part(PathLength path, double start, double end, double offset, double left) {
        /** The pieces of the path: two where an open one begins again. */
        List<PathLength.Piece> pieces() {
            return path.between(start, end, offset);
        }
    }

    private final List<PathLength> paths = new ArrayList<>();
    private final double start;
    private final double end;
    private final double offset;
    private final List<Part> parts = new ArrayList<>();

    private DrawnParts(List<PathLength> all, Coat.Stroke stroke) {
        for (int i : turns(all, stroke.pacing())) {
            paths.add(all.get(i));
        }
        start = stroke.fixed(Measure.START);
        end = stroke.fixed(Measure.END);
        offset = stroke.fixed(Measure.OFFSET);
    }

    /**
     * The parts in the order in which they take their turns; what isn't drawn is left out.
     *
     * @param stroke whose values are fixed
     */
    public static List<Part> of(List<PathLength> paths, Coat.Stroke stroke) {
        DrawnParts d = new DrawnParts(paths, stroke);
        if (d.end > d.start) {
            switch (stroke.pacing().turns()) {
                case TOGETHER -> d.paths.forEach(p -> d.add(p, d.start, d.end, d.offset));
                case EVEN -> d.even();
                case IN_TURN -> d.inTurn();
                case ON_ONE -> d.onOne();
            }
        }
        return d.parts;
    }

    private static int[] turns(List<PathLength> paths, Coat.Pacing pacing) {
        Comparator<Integer> order = switch (pacing.order()) {
            case DRAWN -> Comparator.naturalOrder();
            case ACROSS -> by(i -> box(paths.get(i).path()).x0());
            case DOWN -> by(i -> box(paths.get(i).path()).y0());
            case SHORTEST -> by(i -> paths.get(i).length());
            case LONGEST -> by(i -> -paths.get(i).length());
            case RANDOM -> by(i -> Chance.unit(pacing.seed(), i, 0));
        };
        return IntStream.range(0, paths.size())
                .boxed()
                .sorted(order)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private static Comparator<Integer> by(ToDoubleFunction<Integer> what) {
        return Comparator.comparingDouble(what);
    }

    private static Box box(BezierPath path) {
        return Outline.of(path).bounds();
    }

    private void add(PathLength path, double from, double to, double moved) {
        if (to > from && path.length() > 0) {
            boolean round = moved != 0 && path.path().closed() && to - from < 1;
            double left = round ? Double.POSITIVE_INFINITY : Math.max(0, 1 - to) * path.length();
            parts.add(new Part(path, from, to, moved, left));
        }
    }

    private double whole() {
        return paths.stream().mapToDouble(PathLength::length).sum();
    }

    /** Shares are of the longest path; on the others the same length is drawn, as far as there is so much. */
    private void even() {
        double longest = paths.stream().mapToDouble(PathLength::length).max().orElse(0);
        for (PathLength p : paths) {
            if (p.length() > 0) {
                double times = longest / p.length();
                add(p, Math.min(1, start * times), Math.min(1, end * times), offset * times);
            }
        }
    }

    /** Shares are of the length of all, laid end to end; the end of the last is followed by the start of the first. */
    private void inTurn() {
        double whole = whole();
        if (end - start >= 1) {
            paths.forEach(p -> add(p, 0, 1, 0));
            return;
        }
        double first = start + offset - Math.floor(start + offset);
        double from = first * whole;
        double to = from + (end - start) * whole;
        double before = 0;
        for (PathLength p : paths) {
            for (double lap : new double[] {0, whole}) {
                double a = Math.max(from, before + lap) - before - lap;
                double b = Math.min(to, before + lap + p.length()) - before - lap;
                add(p, a / p.length(), b / p.length(), 0);
            }
            before += p.length();
        }
    }

    /** On the path where it starts, which a closed one goes on round; on an open one it stays within. */
    private void onOne() {
        double whole = whole();
        double from = (start + offset - Math.floor(start + offset)) * whole;
        for (PathLength p : paths) {
            if (from < p.length()) {
                double share = Math.min(1, (end - start) * whole / p.length());
                double at = from / p.length();
                if (p.path().closed()) {
                    add(p, 0, share, at);
                } else {
                    double begin = Math.min(at, 1 - share);
                    add(p, begin, begin + share, 0);
                }
                return;
            }
            from -= p.length();
        }
    }
}
