package aperta.core.ink;

import aperta.core.geometry.Point;
import aperta.core.ink.AxisGraph.Branch;
import aperta.core.ink.AxisGraph.Node;
import aperta.core.ink.AxisGraph.Spot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Branches put together to the lines of a pen: at junctions those are joined that go straight on. */
final class Chains {
    /** A pen turns by no more than this at a junction, as the cosine between ways out. */
    private static final double STRAIGHT = -0.42;

    /** How far beyond a junction's disc a branch's direction is taken, in radii. */
    private static final double LOOK = 0.9;

    /** One end of a branch. */
    private record End(Branch branch, boolean first) {
        Node node() {
            return first ? branch.from : branch.to;
        }

        End other() {
            return new End(branch, !first);
        }

        /** From this end on. */
        List<Spot> spots() {
            return first ? branch.spots : AxisGraph.reversed(branch.spots);
        }

        /** The way out of the junction. */
        Point way() {
            Node node = node();
            List<Spot> spots = spots();
            double r = node.spot.radius();
            int from = 0;
            while (from < spots.size() - 1 && away(spots.get(from), node) < r) {
                from++;
            }
            int to = from;
            while (to < spots.size() - 1 && away(spots.get(to), node) < (1 + LOOK) * r) {
                to++;
            }
            Point start = to - from < 3 ? node.spot.at() : spots.get(from).at();
            Point v = spots.get(to).at().minus(start);
            return v.length() == 0 ? v : v.times(1 / v.length());
        }

        /** How wide it is where it has left the junction. */
        double radius() {
            Node node = node();
            List<Spot> spots = spots();
            int from = 0;
            while (from < spots.size() - 1 && away(spots.get(from), node) < (1 + LOOK) * node.spot.radius()) {
                from++;
            }
            return spots.get(from).radius();
        }

        private static double away(Spot s, Node n) {
            return s.at().minus(n.spot.at()).length();
        }
    }

    private record Pair(End a, End b, double cosine) {}

    private final Contrast contrast;
    private final Map<End, End> joined = new HashMap<>();

    private Chains(Contrast contrast) {
        this.contrast = contrast;
    }

    /**
     * A line.
     *
     * @param closed whether it comes back to where it began
     * @param startFree whether nothing else meets it at its start
     * @param endFree the same of its end
     */
    record Line(List<Spot> spots, boolean closed, boolean startFree, boolean endFree) {
        Line reversed() {
            return new Line(AxisGraph.reversed(spots), closed, endFree, startFree);
        }

        Line with(List<Spot> other) {
            return new Line(other, closed, startFree, endFree);
        }

        /** Whether it is hidden in what it joins: no longer between them than they are wide. */
        boolean isHidden(Contrast contrast) {
            double length = 0;
            for (int i = 1; i < spots.size(); i++) {
                length += spots.get(i).at().minus(spots.get(i - 1).at()).length();
            }
            double discs = (startFree ? 0 : spots.get(0).radius())
                    + (endFree ? 0 : spots.get(spots.size() - 1).radius());
            double own = spots.get(spots.size() / 2).radius();
            return !closed && !(startFree && endFree) && length < discs + (contrast.isClear() ? contrast.thick() : own);
        }
    }

    static List<Line> of(AxisGraph graph, Contrast contrast) {
        Chains chains = new Chains(contrast);
        graph.nodes().forEach(chains::pair);
        List<Line> all = new ArrayList<>();
        Set<Branch> done = new HashSet<>();
        for (boolean ends : new boolean[] {true, false}) {
            for (Branch b : graph.branches()) {
                for (boolean first : new boolean[] {true, false}) {
                    End start = new End(b, first);
                    if (!done.contains(b) && (!ends || !chains.joined.containsKey(start))) {
                        all.add(chains.line(start, done, !ends));
                    }
                }
            }
        }
        for (List<Spot> ring : graph.rings()) {
            List<Spot> round = new ArrayList<>(ring);
            round.add(ring.get(0));
            all.add(new Line(round, true, true, true));
        }
        for (Node n : graph.nodes()) {
            if (n.branches.isEmpty()) {
                all.add(new Line(List.of(n.spot), false, true, true));
            }
        }
        List<Line> seen = all.stream().filter(l -> !l.isHidden(contrast)).toList();
        return seen.isEmpty() ? all : seen;
    }

    /** Joins those ends of a node that go on most nearly straight. */
    private void pair(Node node) {
        List<End> ends = new ArrayList<>();
        for (Branch b : node.branches) {
            if (b.from == node) {
                ends.add(new End(b, true));
            }
            if (b.to == node) {
                ends.add(new End(b, false));
            }
        }
        if (ends.size() < 2) {
            return;
        }
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < ends.size(); i++) {
            for (int k = i + 1; k < ends.size(); k++) {
                Point a = ends.get(i).way();
                Point b = ends.get(k).way();
                pairs.add(new Pair(ends.get(i), ends.get(k), a.x() * b.x() + a.y() * b.y()));
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::cosine));
        for (Pair p : pairs) {
            if (p.cosine < STRAIGHT && !against(p) && !joined.containsKey(p.a) && !joined.containsKey(p.b)) {
                joined.put(p.a, p.b);
                joined.put(p.b, p.a);
            }
        }
    }

    /** Whether the pen would come from both or go to both. */
    private boolean against(Pair p) {
        int a = contrast.leaves(p.a.way(), p.a.radius());
        return a != 0 && a == contrast.leaves(p.b.way(), p.b.radius());
    }

    private Line line(End start, Set<Branch> done, boolean closed) {
        List<Spot> spots = new ArrayList<>();
        End at = start;
        while (true) {
            done.add(at.branch);
            List<Spot> more = at.spots();
            append(spots, more, at.node());
            End next = joined.get(at.other());
            if (next == null || done.contains(next.branch)) {
                boolean round = closed && next != null;
                return new Line(
                        spots,
                        round,
                        start.node().degree() == 1,
                        at.other().node().degree() == 1);
            }
            at = next;
        }
    }

    /**
     * Goes on through a junction by a curve from where one branch enters its disc to where the next leaves it, so that the pen doesn't
     * follow the bend that the axis makes there.
     */
    private static void append(List<Spot> line, List<Spot> more, Node node) {
        if (line.isEmpty()) {
            line.addAll(more);
            return;
        }
        double r = node.spot.radius();
        int keep = line.size();
        while (keep > 2 && line.get(keep - 1).at().minus(node.spot.at()).length() < r) {
            keep--;
        }
        int from = 0;
        while (from < more.size() - 2
                && more.get(from).at().minus(node.spot.at()).length() < r) {
            from++;
        }
        Spot a = line.get(keep - 1);
        Spot b = more.get(from);
        Point out = direction(line, keep - 1, -1, r).times(-1);
        Point in = direction(more, from, 1, r);
        line.subList(keep, line.size()).clear();
        double gap = b.at().minus(a.at()).length();
        int pieces = Math.max(2, (int) Math.ceil(gap / Math.max(1e-6, r / 4)));
        for (int i = 1; i < pieces; i++) {
            double t = (double) i / pieces;
            double h = t * t * (3 - 2 * t);
            Point p = a.at().mix(b.at(), h)
                    .plus(out.times(gap * t * (1 - t) * (1 - t)))
                    .plus(in.times(-gap * t * t * (1 - t)));
            double own = a.radius() + (b.radius() - a.radius()) * t;
            line.add(new Spot(p, own));
        }
        line.addAll(more.subList(from, more.size()));
    }

    /** Whither a line leads from one of its spots, over about a length. */
    private static Point direction(List<Spot> spots, int at, int by, double length) {
        Point from = spots.get(at).at();
        int k = at;
        while (k + by >= 0
                && k + by < spots.size()
                && spots.get(k).at().minus(from).length() < length) {
            k += by;
        }
        Point v = spots.get(k).at().minus(from);
        return v.length() == 0 ? v : v.times(1 / v.length());
    }
}
