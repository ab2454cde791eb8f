package aperta.core.ink;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;

/** The line of a pen at even distances, with half the width of what it writes at each; all in the layer's pixels. */
final class PenPath {
    private final double[] x;
    private final double[] y;
    private final double[] half;
    private final double step;

    /**
     * @param path whose knots have the pen's width as their feather
     * @param apart how far apart its points lie, at most
     */
    PenPath(BezierPath path, double apart) {
        int pieces = 0;
        double[] lengths = new double[path.segments()];
        double length = 0;
        for (int i = 0; i < path.segments(); i++) {
            lengths[i] = path.curve(i).length();
            length += lengths[i];
            pieces += (int) Math.ceil(lengths[i] / apart);
        }
        int n = Math.max(1, pieces);
        this.step = length / n;
        this.x = new double[n + 1];
        this.y = new double[n + 1];
        this.half = new double[n + 1];
        place(path, lengths, n);
    }

    private void place(BezierPath path, double[] lengths, int n) {
        int segment = 0;
        double before = 0;
        for (int i = 0; i <= n; i++) {
            double at = i * step;
            while (segment < path.segments() - 1 && at > before + lengths[segment]) {
                before += lengths[segment];
                segment++;
            }
            double share = lengths[segment] <= 0 ? 0 : Math.min(1, (at - before) / lengths[segment]);
            Curve curve = path.curve(segment);
            double t = i == n && segment == path.segments() - 1 ? 1 : curve.atShare(Math.max(0, share));
            Point p = curve.at(t);
            x[i] = p.x();
            y[i] = p.y();
            double from = path.knots().get(segment).feather();
            double to = path.knots().get((segment + 1) % path.knots().size()).feather();
            half[i] = (from + (to - from) * t) / 2;
        }
    }

    int last() {
        return x.length - 1;
    }

    double length() {
        return step * last();
    }

    double x(int i) {
        return x[i];
    }

    double y(int i) {
        return y[i];
    }

    /** Half the pen's width at a place along it. */
    double half(double s) {
        double at = step == 0 ? 0 : Math.max(0, Math.min(last(), s / step));
        int i = Math.min(last() - 1, (int) at);
        return half[i] + (half[i + 1] - half[i]) * (at - i);
    }

    /** The place along it that is nearest to a point, found from one near it downhill. */
    double nearest(double s, double px, double py) {
        if (step == 0) {
            return 0;
        }
        int i = (int) Math.max(0, Math.min(last(), Math.round(s / step)));
        double now = square(i, px, py);
        int by = i < last() && square(i + 1, px, py) < now ? 1 : -1;
        while (i + by >= 0 && i + by <= last()) {
            double next = square(i + by, px, py);
            if (next >= now) {
                break;
            }
            now = next;
            i += by;
        }
        double best = i * step;
        double least = now;
        for (int k = Math.max(0, i - 1); k < Math.min(last(), i + 1); k++) {
            double dx = x[k + 1] - x[k];
            double dy = y[k + 1] - y[k];
            double length = dx * dx + dy * dy;
            double t = length == 0 ? 0 : ((px - x[k]) * dx + (py - y[k]) * dy) / length;
            if (t > 0 && t < 1) {
                double ox = px - x[k] - t * dx;
                double oy = py - y[k] - t * dy;
                if (ox * ox + oy * oy < least) {
                    least = ox * ox + oy * oy;
                    best = (k + t) * step;
                }
            }
        }
        return best;
    }

    private double square(int i, double px, double py) {
        double dx = px - x[i];
        double dy = py - y[i];
        return dx * dx + dy * dy;
    }

    /** How far a point is from a place along it. */
    double distance(double s, double px, double py) {
        double at = step == 0 ? 0 : Math.max(0, Math.min(last(), s / step));
        int i = Math.min(last() - 1, (int) at);
        double t = at - i;
        double dx = px - x[i] - (x[i + 1] - x[i]) * t;
        double dy = py - y[i] - (y[i + 1] - y[i]) * t;
        return Math.sqrt(dx * dx + dy * dy);
    }

    /** How far a point lies beyond what the pen covers at a place along it; under 0 where it covers it. */
    double beyond(double s, double px, double py) {
        return distance(s, px, py) - half(s);
    }

    /** The radius of the circle through a place and those as far before and behind it as a length; large where it is straight. */
    double radius(double s, double around) {
        int k = (int) Math.max(1, Math.round(around / Math.max(1e-9, step)));
        int i = (int) Math.round(s / Math.max(1e-9, step));
        int a = Math.max(0, Math.min(last() - 2 * k, i - k));
        int c = Math.min(last(), a + 2 * k);
        int b = (a + c) / 2;
        double ab = Math.hypot(x[b] - x[a], y[b] - y[a]);
        double bc = Math.hypot(x[c] - x[b], y[c] - y[b]);
        double ca = Math.hypot(x[a] - x[c], y[a] - y[c]);
        double area = Math.abs((x[b] - x[a]) * (y[c] - y[a]) - (x[c] - x[a]) * (y[b] - y[a]));
        return area < 1e-9 ? 1e9 : ab * bc * ca / (2 * area);
    }
}
