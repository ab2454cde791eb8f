package aperta.core.shot;

import java.util.Arrays;
import java.util.List;

/**
 * Knots of two paths brought together, in order, first with first. Of all ways to give each knot of the poorer path one
 * of the richer, that with the least sum of squared distances is taken (dynamic programming, as in dynamic time warping);
 * the knots that are left over are put onto the curves between them, each as far along as it is in the richer path.
 * Shapes don't change by it, so that the first and the last picture of a change are the paths themselves.
 */
final class Matching {
    private Matching() {}

    /** The path with as many knots as the other one has, where it has fewer. */
    static BezierPath enriched(BezierPath path, BezierPath like) {
        int few = path.knots().size();
        int many = like.knots().size();
        if (few >= many) {
            return path;
        }
        int[] partner = partners(path.knots(), like.knots(), path.closed());
        BezierPath next = path;
        // From the end backwards, so that the numbers of the curves before stay as they are.
        for (int i = path.segments() - 1; i >= 0; i--) {
            int from = partner[i];
            int to = i + 1 < few ? partner[i + 1] : many;
            next = put(next, i, shares(like, from, to));
        }
        return next;
    }

    /** How far along the way from one knot to a later one the knots between lie, 0 to 1. */
    private static double[] shares(BezierPath path, int from, int to) {
        double[] sums = new double[to - from];
        for (int i = 1; i < sums.length; i++) {
            sums[i] = sums[i - 1] + path.curve(from + i - 1).length();
        }
        double whole = sums[sums.length - 1] + path.curve(to - 1).length();
        double[] shares = new double[sums.length - 1];
        for (int i = 0; i < shares.length; i++) {
            shares[i] = whole > 0 ? sums[i + 1] / whole : (i + 1.0) / (shares.length + 1);
        }
        return shares;
    }

    private static BezierPath put(BezierPath path, int segment, double[] shares) {
        BezierPath next = path;
        Curve whole = path.curve(segment);
        double[] at = Arrays.stream(shares).map(whole::atShare).toArray();
        double end = 1;
        for (int i = at.length - 1; i >= 0; i--) {
            double t = Math.min(at[i], end);
            next = next.split(segment, end > 0 ? t / end : 0);
            end = t;
        }
        return next;
    }

    /** For each knot of the poorer path the number of its partner; open paths end together too. */
    private static int[] partners(List<BezierPath.Knot> few, List<BezierPath.Knot> many, boolean closed) {
        int room = many.size() - few.size();
        double[] cost = new double[room + 1];
        boolean[][] later = new boolean[few.size()][room + 1];
        Arrays.fill(cost, Double.POSITIVE_INFINITY);
        cost[0] = apart(few.get(0), many.get(0));
        for (int i = 1; i < few.size(); i++) {
            double[] next = new double[room + 1];
            double least = Double.POSITIVE_INFINITY;
            for (int skip = 0; skip <= room; skip++) {
                later[i][skip] = cost[skip] < least;
                least = Math.min(least, cost[skip]);
                next[skip] = least + apart(few.get(i), many.get(i + skip));
            }
            cost = next;
        }
        int skip = closed ? 0 : room;
        for (int s = 1; closed && s <= room; s++) {
            skip = cost[s] < cost[skip] ? s : skip;
        }
        int[] partner = new int[few.size()];
        for (int i = few.size() - 1; i > 0; i--) {
            partner[i] = i + skip;
            while (!later[i][skip]) {
                skip--;
            }
        }
        return partner;
    }

    private static double apart(BezierPath.Knot a, BezierPath.Knot b) {
        double x = a.at().x() - b.at().x();
        double y = a.at().y() - b.at().y();
        return x * x + y * y;
    }
}
