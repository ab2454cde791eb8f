package aperta.core.picture;

import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;

/**
 * The share of single pixels of one row in which the winding number is not zero: for pixels in which several contours
 * meet, where its mean doesn't tell. Between two heights at which edges begin, end, cross each other or cross the pixel's
 * sides, what is covered changes evenly, so that the line in the middle has the mean: exact for polygons.
 */
final class PixelAreas {
    /** Pixels with more edges are looked at on evenly spaced lines instead. */
    private static final int MANY = 32;

    private static final int LINES = 64;

    private record Edge(double top, double bottom, double atTop, double atBottom, int sign) {
        double left() {
            return Math.min(atTop, atBottom);
        }

        double right() {
            return Math.max(atTop, atBottom);
        }

        double slope() {
            return (atBottom - atTop) / (bottom - top);
        }

        double at(double y) {
            return atTop + (y - top) * slope();
        }
    }

    private final int row;
    private final Edge[] edges;
    private int entered;
    private final Edge[] active;
    private int count;
    /** By how much the winding number left of the pixel changes, from the top of the row downwards. */
    private final TreeMap<Double, Integer> left = new TreeMap<>();

    private double[] heights = new double[64];
    private int heightCount;
    private final double[] places;
    private final int[] signs;

    /**
     * @param edges four numbers each: x0, y0, x1, y1
     * @param some where the edges begin that may touch the row; the first {@code many} of the list
     * @param row the pixels' top
     */
    PixelAreas(double[] edges, int[] some, int many, int row) {
        this.row = row;
        Edge[] all = new Edge[many];
        int n = 0;
        for (int k = 0; k < many; k++) {
            int i = some[k];
            boolean down = edges[i + 3] > edges[i + 1];
            double y0 = down ? edges[i + 1] : edges[i + 3];
            double y1 = down ? edges[i + 3] : edges[i + 1];
            if (y1 > y0 && y1 > row && y0 < row + 1) {
                double x0 = down ? edges[i] : edges[i + 2];
                double x1 = down ? edges[i + 2] : edges[i];
                double top = Math.max(y0, row);
                double bottom = Math.min(y1, row + 1);
                double slope = (x1 - x0) / (y1 - y0);
                double atTop = top == y0 ? x0 : x0 + (top - y0) * slope;
                double atBottom = bottom == y1 ? x1 : x0 + (bottom - y0) * slope;
                all[n++] = new Edge(top, bottom, atTop, atBottom, down ? 1 : -1);
            }
        }
        this.edges = Arrays.copyOf(all, n);
        Arrays.sort(this.edges, (a, b) -> Double.compare(a.left(), b.left()));
        this.active = new Edge[n];
        this.places = new double[n];
        this.signs = new int[n];
    }

    /** The share of a pixel; they are asked for from left to right. */
    double of(int x) {
        enter(x);
        heights(x);
        double area = 0;
        int winding = 0;
        var changes = left.entrySet().iterator();
        Map.Entry<Double, Integer> next = changes.hasNext() ? changes.next() : null;
        for (int i = 1; i < heightCount; i++) {
            double high = heights[i] - heights[i - 1];
            if (high > 0) {
                double y = heights[i - 1] + high / 2;
                while (next != null && next.getKey() <= y) {
                    winding += next.getValue();
                    next = changes.hasNext() ? changes.next() : null;
                }
                area += high * covered(x, y, winding);
            }
        }
        return Math.min(1, area);
    }

    /** Takes in the edges that begin left of a pixel's right side; those wholly left of it only count. */
    private void enter(int x) {
        while (entered < edges.length && edges[entered].left() < x + 1) {
            active[count++] = edges[entered++];
        }
        int kept = 0;
        for (int i = 0; i < count; i++) {
            Edge e = active[i];
            if (e.right() <= x) {
                change(e.top, e.sign);
                change(e.bottom, -e.sign);
            } else {
                active[kept++] = e;
            }
        }
        count = kept;
    }

    private void change(double y, int by) {
        if (left.merge(y, by, Integer::sum) == 0) {
            left.remove(y);
        }
    }

    private void heights(int x) {
        heightCount = 0;
        height(row);
        height(row + 1);
        if (count > MANY) {
            for (int i = 1; i < LINES; i++) {
                height(row + (double) i / LINES);
            }
        } else {
            left.keySet().forEach(this::height);
            for (int i = 0; i < count; i++) {
                Edge e = active[i];
                height(e.top);
                height(e.bottom);
                crossing(e, x);
                crossing(e, x + 1);
                for (int k = 0; k < i; k++) {
                    crossing(e, active[k]);
                }
            }
        }
        Arrays.sort(heights, 0, heightCount);
    }

    private void height(double y) {
        if (heightCount == heights.length) {
            heights = Arrays.copyOf(heights, 2 * heightCount);
        }
        heights[heightCount++] = y;
    }

    private void crossing(Edge e, int x) {
        if (e.left() < x && e.right() > x) {
            inside(e, e.top + (x - e.atTop) / e.slope());
        }
    }

    private void crossing(Edge a, Edge b) {
        double together = a.slope() - b.slope();
        if (together != 0) {
            double y = a.top + (b.at(a.top) - a.atTop) / together;
            if (y > b.top && y < b.bottom) {
                inside(a, y);
            }
        }
    }

    private void inside(Edge e, double y) {
        if (y > e.top && y < e.bottom) {
            height(y);
        }
    }

    /** How much of a line across the pixel is covered. */
    private double covered(int x, double y, int before) {
        int n = 0;
        for (int i = 0; i < count; i++) {
            Edge e = active[i];
            if (y > e.top && y < e.bottom) {
                double at = Math.min(x + 1.0, Math.max(x, e.at(y)));
                int k = n++;
                for (; k > 0 && places[k - 1] > at; k--) {
                    places[k] = places[k - 1];
                    signs[k] = signs[k - 1];
                }
                places[k] = at;
                signs[k] = e.sign;
            }
        }
        double covered = 0;
        int winding = before;
        double from = x;
        for (int i = 0; i < n; i++) {
            covered += winding != 0 ? places[i] - from : 0;
            winding += signs[i];
            from = places[i];
        }
        return covered + (winding != 0 ? x + 1 - from : 0);
    }
}
