package aperta.core.ink;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.ink.AxisGraph.Spot;
import aperta.core.outline.CurveFitting;
import aperta.core.outline.Flattening;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Stroke;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.function.DoubleConsumer;

/**
 * Finds how letters are written: the medial axis of what hangs together, without spurs, its branches joined where they go straight on.
 * What hangs together is written from left to right, and the dots and bars that stand over or under it after it; strokes go down and
 * to the right.
 */
public final class StrokeFinder {
    /** How many cells lie across a stroke of mean width. */
    private static final double ACROSS = 36;

    private static final double MOST_CELLS_A_PIXEL = 4;
    private static final double MOST_CELLS = 6e6;
    /** Lines of the axis are smoothed over about so many radii. */
    private static final double SMOOTH = 0.5;

    /** Where a line grows thin faster than this towards its end, it leads into a corner. */
    private static final double CORNER = 0.45;

    /** How much of a line must be thick or thin for that to say its direction. */
    private static final double CLEARLY = 0.5;

    private static final double FIT = 0.08;
    private static final double LEAST_FIT = 0.2;

    private StrokeFinder() {}

    /**
     * The strokes of some words, in the order in which they are written.
     *
     * @param words one outline for each, in reading order
     * @return open paths whose knots have the width of the stroke as their feather, numbered from 1
     */
    public static List<Stroke> of(List<Outline> words) {
        return of(words, share -> {});
    }

    /** @param progress is told which share has been found, from time to time */
    public static List<Stroke> of(List<Outline> words, DoubleConsumer progress) {
        List<Stroke> all = new ArrayList<>();
        double whole = words.stream().mapToDouble(w -> w.bounds().width()).sum();
        double before = 0;
        for (Outline word : words) {
            Stroke.Begins begins = Stroke.Begins.WORD;
            double left = before;
            before += word.bounds().width();
            for (Piece piece : piecesOf(word, wide -> progress.accept((left + wide) / whole))) {
                for (BezierPath path : piece.strokes()) {
                    all.add(Stroke.of(Integer.toString(all.size() + 1), path, begins));
                    begins = Stroke.Begins.STROKE;
                }
                begins = begins == Stroke.Begins.WORD ? begins : Stroke.Begins.LETTER;
            }
        }
        return all;
    }

    /** @param progress is told how wide what has been found is */
    private static List<Piece> piecesOf(Outline word, DoubleConsumer progress) {
        Box box = word.bounds();
        if (box.isEmpty() || !(box.width() * box.height() > 0)) {
            return List.of();
        }
        return inOrder(pieces(Grid.of(word, box, cell(word, box), 2), box.width(), progress));
    }

    /** So that strokes of mean width (twice the area over the length of the outline) are so many cells wide. */
    private static double cell(Outline word, Box box) {
        double[] edges = Flattening.edges(word, box.grown(1), 0.05);
        double length = 0;
        double area = 0;
        for (int i = 0; i < edges.length; i += 4) {
            length += Math.hypot(edges[i + 2] - edges[i], edges[i + 3] - edges[i + 1]);
            area += (edges[i] * edges[i + 3] - edges[i + 2] * edges[i + 1]) / 2;
        }
        double mean = length == 0 ? 1 : 2 * Math.abs(area) / length;
        double fine = Math.min(MOST_CELLS_A_PIXEL, ACROSS / Math.max(1e-6, mean));
        return Math.max(1 / fine, Math.sqrt(box.width() * box.height() / MOST_CELLS));
    }

    /** What hangs together, and the lines that its pen follows. */
    private record Piece(Box box, double area, List<BezierPath> strokes) {
        boolean standsOver(Piece other) {
            double middle = box.centre().x();
            double slack = 0.25 * Math.max(box.width(), 0.2 * other.box.height());
            return area < 0.5 * other.area && middle > other.box.x0() - slack && middle < other.box.x1() + slack;
        }
    }

    private static List<Piece> pieces(Grid grid, double width, DoubleConsumer progress) {
        List<Piece> all = new ArrayList<>();
        double found = 0;
        boolean[] done = new boolean[grid.inside().length];
        for (int i = 0; i < done.length; i++) {
            if (grid.inside()[i] && !done[i]) {
                Piece piece = piece(grid, flood(grid, i, done));
                all.add(piece);
                found += piece.box().width();
                progress.accept(Math.min(width, found));
            }
        }
        return all;
    }

    /** The cells that hang together with one, over corners too. */
    private static int[] flood(Grid grid, int start, boolean[] done) {
        int[] cells = new int[256];
        int n = 0;
        Deque<Integer> open = new ArrayDeque<>(List.of(start));
        done[start] = true;
        while (!open.isEmpty()) {
            int i = open.pop();
            if (n == cells.length) {
                cells = Arrays.copyOf(cells, 2 * n);
            }
            cells[n++] = i;
            for (int k = 0; k < 8; k++) {
                int j = i + Skeleton.DY[k] * grid.width() + Skeleton.DX[k];
                if (grid.inside()[j] && !done[j]) {
                    done[j] = true;
                    open.push(j);
                }
            }
        }
        return Arrays.copyOf(cells, n);
    }

    private static Piece piece(Grid whole, int[] cells) {
        int w = whole.width();
        int x0 = Integer.MAX_VALUE;
        int x1 = 0;
        int y0 = Integer.MAX_VALUE;
        int y1 = 0;
        for (int i : cells) {
            x0 = Math.min(x0, i % w);
            x1 = Math.max(x1, i % w);
            y0 = Math.min(y0, i / w);
            y1 = Math.max(y1, i / w);
        }
        Grid own = new Grid(
                whole.cell(),
                whole.left() + x0 - 2,
                whole.top() + y0 - 2,
                x1 - x0 + 5,
                y1 - y0 + 5,
                new boolean[(x1 - x0 + 5) * (y1 - y0 + 5)]);
        for (int i : cells) {
            own.inside()[(i / w - y0 + 2) * own.width() + i % w - x0 + 2] = true;
        }
        double cell = whole.cell();
        Box box = new Box(
                (whole.left() + x0) * cell,
                (whole.top() + y0) * cell,
                (whole.left() + x1 + 1) * cell,
                (whole.top() + y1 + 1) * cell);
        return new Piece(box, cells.length * cell * cell, strokes(own));
    }

    private static List<BezierPath> strokes(Grid grid) {
        float[] depth = grid.depths();
        boolean[] on = Skeleton.of(grid, depth);
        List<Integer> axis = new ArrayList<>();
        for (int i = 0; i < on.length; i++) {
            if (on[i]) {
                axis.add(i);
            }
        }
        AxisGraph graph = AxisGraph.of(grid, depth, on, axis);
        Contrast contrast = Contrast.of(graph);
        List<Pen> pens = new ArrayList<>();
        for (Chains.Line line : Chains.of(graph, contrast)) {
            pens.add(pen(grid, line, contrast));
        }
        List<Pen> bars = pens.stream().filter(Pen::isBar).sorted(Pen.FROM_LEFT).toList();
        pens.removeAll(bars);
        List<Pen> ordered = new ArrayList<>(PenOrder.of(pens));
        ordered.addAll(bars);
        return runOn(ordered).stream().map(p -> path(p.spots())).toList();
    }

    /** Where the pen ends on what it writes next, it goes on without being lifted. */
    private static List<Pen> runOn(List<Pen> pens) {
        List<Pen> all = new ArrayList<>();
        for (Pen next : pens) {
            Pen last = all.isEmpty() ? null : all.get(all.size() - 1);
            if (last != null && last.leadsInto(next)) {
                List<Spot> spots = new ArrayList<>(last.spots());
                spots.addAll(next.spots());
                all.set(
                        all.size() - 1,
                        new Pen(new Chains.Line(
                                spots,
                                false,
                                last.line().startFree(),
                                next.line().endFree())));
            } else {
                all.add(next);
            }
        }
        return all;
    }

    private static Pen pen(Grid grid, Chains.Line found, Contrast contrast) {
        Chains.Line line = found;
        if (isDot(line)) {
            line = line.with(dot(line.spots().get(line.spots().size() / 2)));
        } else if (line.closed()) {
            line = line.with(round(line.spots()));
        } else {
            line = trimmed(trimmed(line).reversed());
            line = isForward(line.spots(), contrast) ? line : line.reversed();
        }
        line = line.with(smooth(line.spots(), line.closed()));
        if (!line.closed()) {
            line = prolonged(grid, prolonged(grid, line).reversed()).reversed();
        }
        return new Pen(line);
    }

    /** Whether it stands alone and is no longer than half as wide as it is. */
    private static boolean isDot(Chains.Line line) {
        List<Spot> spots = line.spots();
        Point way = spots.get(spots.size() - 1).at().minus(spots.get(0).at());
        return !line.closed()
                && line.startFree()
                && line.endFree()
                && way.length() < spots.get(spots.size() / 2).radius();
    }

    /** A dot is written downwards. */
    private static List<Spot> dot(Spot s) {
        Point half = new Point(0, s.radius() * 0.25);
        return List.of(new Spot(s.at().minus(half), s.radius()), s, new Spot(s.at().plus(half), s.radius()));
    }

    /** Without the part before its end that leads into a corner, which the axis does at half a right angle, growing thin. */
    private static Chains.Line trimmed(Chains.Line line) {
        if (!line.endFree()) {
            return line;
        }
        List<Spot> spots = line.spots();
        int last = spots.size() - 1;
        int cut = last;
        for (int k = last - 1; k >= 1; k--) {
            double along = spots.get(k).at().minus(spots.get(last).at()).length();
            double thinner = spots.get(k).radius() - spots.get(last).radius();
            if (thinner > CORNER * along) {
                cut = k;
            } else if (along > 3 * spots.get(k).radius()) {
                break;
            }
        }
        return line.with(spots.subList(0, cut + 1));
    }

    /** Whether it goes down and to the right; with a pen that spreads, whether what goes down is thick. */
    private static boolean isForward(List<Spot> spots, Contrast contrast) {
        Point way = spots.get(spots.size() - 1).at().minus(spots.get(0).at());
        double along = contrast.along(spots);
        return Math.abs(along) > CLEARLY * way.length() ? along > 0 : way.x() + 1.15 * way.y() >= 0;
    }

    /** A ring begins at its top, a little to the right, and goes to the left and down first. */
    private static List<Spot> round(List<Spot> closed) {
        List<Spot> ring = closed.subList(0, closed.size() - 1);
        int n = ring.size();
        double area = 0;
        int first = 0;
        for (int i = 0; i < n; i++) {
            Point a = ring.get(i).at();
            Point b = ring.get((i + 1) % n).at();
            area += a.x() * b.y() - b.x() * a.y();
            Point best = ring.get(first).at();
            first = a.y() - 0.3 * a.x() < best.y() - 0.3 * best.x() ? i : first;
        }
        List<Spot> turned = new ArrayList<>();
        for (int i = 0; i <= n; i++) {
            turned.add(ring.get(Math.floorMod(first + (area > 0 ? -i : i), n)));
        }
        return turned;
    }

    /** Takes the steps of the cells out of a line: each spot becomes the mean of those around it, over about half a radius. */
    private static List<Spot> smooth(List<Spot> spots, boolean closed) {
        int n = spots.size();
        List<Spot> all = new ArrayList<>(n);
        double step = n < 2 ? 1 : spots.get(1).at().minus(spots.get(0).at()).length();
        for (int i = 0; i < n; i++) {
            Spot own = spots.get(i);
            int reach = (int) Math.min(24, Math.ceil(SMOOTH * own.radius() / Math.max(1e-9, step)));
            int side = closed ? Math.min(reach, (n - 1) / 4) : Math.min(reach, Math.min(i, n - 1 - i));
            double x = 0;
            double y = 0;
            double r = 0;
            double sum = 0;
            for (int k = -side; k <= side; k++) {
                Spot s = spots.get(closed ? Math.floorMod(i + k, n - 1) : i + k);
                double weight = side + 1 - Math.abs(k);
                x += weight * s.at().x();
                y += weight * s.at().y();
                r += weight * s.radius();
                sum += weight;
            }
            all.add(new Spot(new Point(x / sum, y / sum), r / sum));
        }
        return all;
    }

    /** Leads an end that is free straight on to the outline. */
    private static Chains.Line prolonged(Grid grid, Chains.Line line) {
        if (!line.endFree()) {
            return line;
        }
        List<Spot> all = new ArrayList<>(line.spots());
        all.add(beyond(grid, all));
        return line.with(all);
    }

    private static Spot beyond(Grid grid, List<Spot> spots) {
        Spot end = spots.get(spots.size() - 1);
        int k = spots.size() - 1;
        while (k > 0 && spots.get(k).at().minus(end.at()).length() < Math.max(end.radius(), 3 * grid.cell())) {
            k--;
        }
        Point way = end.at().minus(spots.get(k).at());
        Point unit = way.length() == 0 ? new Point(0, 1) : way.times(1 / way.length());
        double far = 0;
        double step = grid.cell() / 2;
        while (far < 3 * end.radius() + step) {
            Point next = end.at().plus(unit.times(far + step));
            if (!grid.inside()[grid.at(next.x(), next.y())]) {
                break;
            }
            far += step;
        }
        return new Spot(end.at().plus(unit.times(Math.max(far, step))), end.radius());
    }

    /** Curves through the spots; corners stay. */
    private static BezierPath path(List<Spot> spots) {
        List<Point> points = new ArrayList<>();
        List<Double> widths = new ArrayList<>();
        for (Spot s : spots) {
            if (points.isEmpty() || points.get(points.size() - 1).minus(s.at()).length() > 1e-6) {
                points.add(s.at());
                widths.add(2 * s.radius());
            }
        }
        double radius = spots.stream().mapToDouble(Spot::radius).average().orElse(1);
        return CurveFitting.path(points, widths, Math.max(LEAST_FIT, FIT * radius));
    }

    /** What stands by itself from left to right; smaller things over or under another after it. */
    private static List<Piece> inOrder(List<Piece> pieces) {
        List<Piece> large = new ArrayList<>();
        List<Piece> small = new ArrayList<>();
        for (Piece p : pieces) {
            (pieces.stream().anyMatch(p::standsOver) ? small : large).add(p);
        }
        Comparator<Piece> fromLeft = Comparator.comparingDouble(p -> p.box().x0());
        large.sort(fromLeft);
        small.sort(fromLeft);
        List<Piece> all = new ArrayList<>();
        for (Piece p : large) {
            all.add(p);
            for (Piece s : List.copyOf(small)) {
                if (s.standsOver(p)) {
                    all.add(s);
                    small.remove(s);
                }
            }
        }
        all.addAll(small);
        return all;
    }
}
