package aperta.core.ink;

import aperta.core.geometry.Point;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The medial axis of one connected piece as branches between ends and junctions, without spurs. */
final class AxisGraph {
    /** A spur that is shorter than so many times its own width is no stroke. */
    private static final double SPUR = 0.7;

    /** Junctions lie together where they are nearer than this share of their radius. */
    private static final double TOGETHER = 1.1;

    /** A point of the axis, and how far it is from the outline there; in the outline's pixels. */
    record Spot(Point at, double radius) {}

    /** Where branches end or meet. */
    static final class Node {
        final List<Branch> branches = new ArrayList<>();
        Spot spot;

        Node(Spot spot) {
            this.spot = spot;
        }

        /** How many ends of branches lie here. */
        int degree() {
            int count = 0;
            for (Branch b : branches) {
                count += (b.from == this ? 1 : 0) + (b.to == this ? 1 : 0);
            }
            return count;
        }
    }

    /** A line of spots, from one node to another or back to the same. */
    static final class Branch {
        Node from;
        Node to;
        final List<Spot> spots;

        Branch(Node from, Node to, List<Spot> spots) {
            this.from = from;
            this.to = to;
            this.spots = spots;
        }

        double length() {
            double sum = 0;
            for (int i = 1; i < spots.size(); i++) {
                sum += spots.get(i).at.minus(spots.get(i - 1).at).length();
            }
            return sum;
        }
    }

    private final List<Node> nodes = new ArrayList<>();
    private final List<Branch> branches = new ArrayList<>();
    /** Rings without a node. */
    private final List<List<Spot>> rings = new ArrayList<>();

    private AxisGraph() {}

    List<Node> nodes() {
        return nodes;
    }

    List<Branch> branches() {
        return branches;
    }

    List<List<Spot>> rings() {
        return rings;
    }

    /**
     * @param axis the cells of one connected medial axis
     * @param on all cells of axes
     */
    static AxisGraph of(Grid grid, float[] depth, boolean[] on, List<Integer> axis) {
        AxisGraph graph = new AxisGraph();
        new Tracing(graph, grid, depth, on).trace(axis);
        graph.join();
        graph.prune();
        return graph;
    }

    private static final class Tracing {
        private final AxisGraph graph;
        private final Grid grid;
        private final float[] depth;
        private final boolean[] on;
        private final Map<Integer, Node> nodeOf = new HashMap<>();
        private final Map<Integer, Boolean> seen = new HashMap<>();

        Tracing(AxisGraph graph, Grid grid, float[] depth, boolean[] on) {
            this.graph = graph;
            this.grid = grid;
            this.depth = depth;
            this.on = on;
        }

        void trace(List<Integer> axis) {
            for (int i : axis) {
                int degree = links(i).size();
                if (degree >= 3 && !nodeOf.containsKey(i)) {
                    cluster(i);
                } else if (degree < 2) {
                    nodeOf.put(i, node(spot(i)));
                }
            }
            for (int i : axis) {
                if (nodeOf.containsKey(i)) {
                    for (int next : links(i)) {
                        follow(i, next);
                    }
                }
            }
            for (int i : axis) {
                if (!nodeOf.containsKey(i) && !seen.containsKey(i)) {
                    ring(i);
                }
            }
        }

        private Node node(Spot spot) {
            Node n = new Node(spot);
            graph.nodes.add(n);
            return n;
        }

        private Spot spot(int i) {
            return new Spot(grid.middle(i), depth[i] * grid.cell());
        }

        /** Cells that are linked: along sides, and over corners where no side leads there. */
        private List<Integer> links(int i) {
            List<Integer> all = new ArrayList<>(4);
            for (int k = 0; k < 8; k++) {
                int j = i + Skeleton.DY[k] * grid.width() + Skeleton.DX[k];
                boolean corner = k % 2 == 1;
                if (on[j] && !(corner && (on[i + Skeleton.DX[k]] || on[i + Skeleton.DY[k] * grid.width()]))) {
                    all.add(j);
                }
            }
            return all;
        }

        /** Neighbours with three links or more are one junction, at the deepest of them. */
        private void cluster(int start) {
            Deque<Integer> open = new ArrayDeque<>(List.of(start));
            Node node = node(spot(start));
            nodeOf.put(start, node);
            while (!open.isEmpty()) {
                int i = open.pop();
                if (spot(i).radius > node.spot.radius) {
                    node.spot = spot(i);
                }
                for (int j : links(i)) {
                    if (links(j).size() >= 3 && !nodeOf.containsKey(j)) {
                        nodeOf.put(j, node);
                        open.push(j);
                    }
                }
            }
        }

        private void follow(int start, int first) {
            Node from = nodeOf.get(start);
            if (nodeOf.containsKey(first)) {
                Node to = nodeOf.get(first);
                if (from != to && start < first) {
                    add(new Branch(from, to, new ArrayList<>(List.of(from.spot, to.spot))));
                }
                return;
            }
            if (seen.containsKey(first)) {
                return;
            }
            List<Spot> spots = new ArrayList<>(List.of(from.spot));
            int before = start;
            int now = first;
            while (!nodeOf.containsKey(now)) {
                seen.put(now, true);
                spots.add(spot(now));
                int next = -1;
                for (int j : links(now)) {
                    if (j != before && (next < 0 || nodeOf.containsKey(j))) {
                        next = j;
                    }
                }
                before = now;
                now = next;
            }
            Node to = nodeOf.get(now);
            spots.add(to.spot);
            add(new Branch(from, to, spots));
        }

        private void add(Branch b) {
            graph.branches.add(b);
            b.from.branches.add(b);
            if (b.to != b.from) {
                b.to.branches.add(b);
            }
        }

        private void ring(int start) {
            List<Spot> spots = new ArrayList<>();
            int before = -1;
            int now = start;
            while (!seen.containsKey(now)) {
                seen.put(now, true);
                spots.add(spot(now));
                int next = start;
                for (int j : links(now)) {
                    if (j != before && !seen.containsKey(j)) {
                        next = j;
                    }
                }
                before = now;
                now = next;
            }
            if (spots.size() > 2) {
                graph.rings.add(spots);
            }
        }
    }

    /** Where a branch leaves the disc of one of its ends: what is left of it, from there on. */
    private static List<Spot> outside(Branch b, Node end) {
        List<Spot> spots = b.from == end ? b.spots : reversed(b.spots);
        int k = 1;
        while (k < spots.size() && spots.get(k).at.minus(end.spot.at).length() <= end.spot.radius) {
            k++;
        }
        return spots.subList(k, spots.size());
    }

    static List<Spot> reversed(List<Spot> spots) {
        List<Spot> other = new ArrayList<>(spots);
        java.util.Collections.reverse(other);
        return other;
    }

    /** Junctions so near each other that they are one crossing become one. */
    private void join() {
        while (true) {
            Optional<Branch> shortest = branches.stream()
                    .filter(b -> b.from != b.to && b.from.degree() > 2 && b.to.degree() > 2)
                    .filter(b -> b.length() < TOGETHER * Math.max(b.from.spot.radius, b.to.spot.radius))
                    .min(Comparator.comparingDouble(Branch::length));
            if (shortest.isEmpty()) {
                return;
            }
            Branch b = shortest.get();
            Node kept = b.from.spot.radius >= b.to.spot.radius ? b.from : b.to;
            Node gone = kept == b.from ? b.to : b.from;
            remove(b);
            for (Branch other : List.copyOf(gone.branches)) {
                other.from = other.from == gone ? kept : other.from;
                other.to = other.to == gone ? kept : other.to;
                if (!kept.branches.contains(other)) {
                    kept.branches.add(other);
                }
            }
            nodes.remove(gone);
        }
    }

    private void remove(Branch b) {
        branches.remove(b);
        b.from.branches.remove(b);
        b.to.branches.remove(b);
    }

    /**
     * Takes spurs away round by round, all of a round at once, so that an end with two corners keeps neither; then joins what meets by
     * twos.
     */
    private void prune() {
        while (true) {
            List<Branch> spurs = branches.stream().filter(AxisGraph::isSpur).toList();
            if (spurs.isEmpty()) {
                return;
            }
            List<Node> ends = spurs.stream()
                    .map(b -> b.from.degree() == 1 ? b.from : b.to)
                    .toList();
            spurs.forEach(this::remove);
            nodes.removeAll(ends);
            for (Node node : List.copyOf(nodes)) {
                if (node.degree() == 2) {
                    through(node);
                }
            }
            join();
        }
    }

    /** Whether what sticks out of its junction's disc, up to the outline, is shorter than it is wide. */
    private static boolean isSpur(Branch b) {
        boolean first = b.from.degree() == 1 && b.to.degree() > 2;
        boolean last = b.to.degree() == 1 && b.from.degree() > 2;
        if (!first && !last) {
            return false;
        }
        Node junction = first ? b.to : b.from;
        Node end = first ? b.from : b.to;
        List<Spot> out = outside(b, junction);
        double sticksOut = end.spot.at.minus(junction.spot.at).length() + end.spot.radius - junction.spot.radius;
        double along = end.spot.radius;
        double widest = 0;
        for (int i = 0; i < out.size(); i++) {
            along += i > 0 ? out.get(i).at.minus(out.get(i - 1).at).length() : 0;
            widest = Math.max(widest, out.get(i).radius);
        }
        double length = out.isEmpty() ? sticksOut : Math.max(along, sticksOut);
        return length < SPUR * Math.max(2 * widest, 0.75 * junction.spot.radius);
    }

    /** A junction of two branches is none. */
    private void through(Node node) {
        if (node.branches.size() == 1) {
            Branch b = node.branches.get(0);
            branches.remove(b);
            nodes.remove(node);
            rings.add(new ArrayList<>(b.spots.subList(0, b.spots.size() - 1)));
            return;
        }
        Branch a = node.branches.get(0);
        Branch b = node.branches.get(1);
        List<Spot> spots = new ArrayList<>(a.to == node ? a.spots : reversed(a.spots));
        List<Spot> more = b.from == node ? b.spots : reversed(b.spots);
        spots.addAll(more.subList(1, more.size()));
        Branch whole = new Branch(a.to == node ? a.from : a.to, b.from == node ? b.to : b.from, spots);
        remove(a);
        remove(b);
        nodes.remove(node);
        branches.add(whole);
        whole.from.branches.add(whole);
        if (whole.to != whole.from) {
            whole.to.branches.add(whole);
        }
    }
}
