package aperta.core.ink;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which place along which stroke each place of a shape belongs to: the one whose pen comes nearest to it through the shape, so that
 * nothing leaks over a gap. Where several pens pass over a place, all of them are kept; the first to pass shows it. What no pen reaches, and what
 * lies outside, belongs to the nearest that is.
 *
 * <p>Places along strokes spread from cell to cell through the shape, the nearest first (E. W. Dijkstra 1959); in each cell the
 * distance is measured anew to the rim of what the pen covers.
 */
public final class InkField {
    /** How many cells a block has across and down. */
    static final int BLOCK = 8;

    /** How many strokes may pass over a cell. */
    static final int MOST = 4;

    private static final double MOST_CELLS = 6e6;
    /** Where pens meet, cells so near the border know both sides; in cells. */
    private static final double BORDER = 1.6;
    /** Places of one stroke that are farther apart along it than so many half widths are two passes. */
    private static final double PASS = 3.2;
    /** Cells so far outside know all that the rim knows. */
    private static final int RIM = 2;

    private final Grid grid;
    private final List<PenPath> pens;
    /** The stroke of each label of each cell, under 0 for none; the nearest first. */
    private final short[] stroke;
    /** The place along it. */
    private final float[] place;

    private float[][] passes = new float[0][];

    private InkField(Grid grid, List<PenPath> pens) {
        this.grid = grid;
        this.pens = pens;
        this.stroke = new short[grid.inside().length * MOST];
        this.place = new float[grid.inside().length * MOST];
        Arrays.fill(stroke, (short) -1);
    }

    /**
     * @param shape what is written, in the layer's pixels
     * @param strokes in order; at least one
     * @param cell how large cells are, in the layer's pixels; larger where there would be too many
     */
    public static InkField of(Outline shape, List<BezierPath> strokes, double cell) {
        Box box = shape.bounds();
        double side = Math.max(cell, Math.sqrt(box.width() * box.height() / MOST_CELLS));
        Grid grid = Grid.of(shape, box, side, RIM + 2);
        List<PenPath> pens = new ArrayList<>();
        for (BezierPath path : strokes) {
            pens.add(new PenPath(path, side / 2));
        }
        InkField field = new InkField(grid, pens);
        field.new Spreading().run();
        field.passes = field.summed();
        return field;
    }

    public double cell() {
        return grid.cell();
    }

    PenPath pen(int i) {
        return pens.get(i);
    }

    List<PenPath> pens() {
        return pens;
    }

    /** Which stroke a place inside the shape belongs to, by its number from 0; under 0 outside. In the layer's pixels. */
    public int owner(double x, double y) {
        int cell = grid.at(x, y);
        return grid.inside()[cell] ? stroke[cell * MOST] : -1;
    }

    int stroke(int cell, int label) {
        return stroke[cell * MOST + label];
    }

    double place(int cell, int label) {
        return place[cell * MOST + label];
    }

    /** How many cells there are in a row, and in a column. */
    int columns() {
        return grid.width();
    }

    int rows() {
        return grid.height();
    }

    /** Where the first cell begins, in cells. */
    int left() {
        return grid.left();
    }

    int top() {
        return grid.top();
    }

    /** The passes of strokes over a block of cells: three numbers each, the stroke and its first and last place there. */
    float[] passes(int block) {
        return passes[block];
    }

    int blockColumns() {
        return (grid.width() + BLOCK - 1) / BLOCK;
    }

    int blocks() {
        return passes.length;
    }

    private float[][] summed() {
        int across = blockColumns();
        float[][] all = new float[across * ((grid.height() + BLOCK - 1) / BLOCK)][];
        float[] open = new float[3 * BLOCK * BLOCK * MOST];
        for (int b = 0; b < all.length; b++) {
            int count = 0;
            int x0 = b % across * BLOCK;
            int y0 = b / across * BLOCK;
            for (int y = y0; y < Math.min(grid.height(), y0 + BLOCK); y++) {
                for (int x = x0; x < Math.min(grid.width(), x0 + BLOCK); x++) {
                    int k = (y * grid.width() + x) * MOST;
                    for (int n = 0; n < MOST && stroke[k + n] >= 0; n++) {
                        count = extended(open, count, stroke[k + n], place[k + n]);
                    }
                }
            }
            all[b] = Arrays.copyOf(open, count);
        }
        return all;
    }

    private static int extended(float[] open, int count, short stroke, float s) {
        for (int i = 0; i < count; i += 3) {
            if (open[i] == stroke) {
                open[i + 1] = Math.min(open[i + 1], s);
                open[i + 2] = Math.max(open[i + 2], s);
                return count;
            }
        }
        open[count] = stroke;
        open[count + 1] = s;
        open[count + 2] = s;
        return count + 3;
    }

    /** The memory that it takes, in bytes. */
    public long bytes() {
        return (6L * MOST + 1) * grid.inside().length;
    }

    /** Labels on their way, the nearest first: a binary heap. */
    private static final class Queue {
        private float[] key = new float[1024];
        private int[] cell = new int[1024];
        private int[] pen = new int[1024];
        private float[] at = new float[1024];
        private int count;

        void add(float k, int c, int p, float s) {
            if (count == key.length) {
                key = Arrays.copyOf(key, 2 * count);
                cell = Arrays.copyOf(cell, 2 * count);
                pen = Arrays.copyOf(pen, 2 * count);
                at = Arrays.copyOf(at, 2 * count);
            }
            int i = count++;
            while (i > 0 && key[(i - 1) / 2] > k) {
                move((i - 1) / 2, i);
                i = (i - 1) / 2;
            }
            set(i, k, c, p, s);
        }

        /** Takes the first one away, which is then at {@code count}. */
        boolean next() {
            if (count == 0) {
                return false;
            }
            float k = key[0];
            int c = cell[0];
            int p = pen[0];
            float s = at[0];
            count--;
            if (count > 0) {
                sink();
            }
            set(count, k, c, p, s);
            return true;
        }

        private void sink() {
            float k = key[count];
            int c = cell[count];
            int p = pen[count];
            float s = at[count];
            int i = 0;
            while (2 * i + 1 < count) {
                int child = 2 * i + 1;
                child += child + 1 < count && key[child + 1] < key[child] ? 1 : 0;
                if (key[child] >= k) {
                    break;
                }
                move(child, i);
                i = child;
            }
            set(i, k, c, p, s);
        }

        private void move(int from, int to) {
            set(to, key[from], cell[from], pen[from], at[from]);
        }

        private void set(int i, float k, int c, int p, float s) {
            key[i] = k;
            cell[i] = c;
            pen[i] = p;
            at[i] = s;
        }
    }

    private final class Spreading {
        private final double side = grid.cell();
        private final int width = grid.width();
        private final Queue queue = new Queue();
        /** How many cells it is from the shape. */
        private final int[] ring = new int[grid.inside().length];

        void run() {
            if (!sow(true)) {
                sow(false);
            }
            while (queue.next()) {
                take();
            }
            outwards();
        }

        /** Every place of every stroke, in the cell that it lies in; whether there was any. */
        private boolean sow(boolean insideOnly) {
            for (int p = 0; p < pens.size(); p++) {
                PenPath pen = pens.get(p);
                int before = -1;
                for (int i = 0; i <= pen.last(); i++) {
                    int c = grid.at(pen.x(i), pen.y(i));
                    if (c != before && (grid.inside()[c] || !insideOnly)) {
                        offer(c, p, i * pen.length() / pen.last());
                    }
                    before = c;
                }
            }
            return queue.count > 0;
        }

        private void offer(int c, int p, double near) {
            double x = (grid.left() + c % width + 0.5) * side;
            double y = (grid.top() + c / width + 0.5) * side;
            PenPath pen = pens.get(p);
            double s = pen.nearest(near, x, y);
            if (!knows(c, p, s)) {
                queue.add((float) pen.beyond(s, x, y), c, p, (float) s);
            }
        }

        /** Whether a cell has this pass of a stroke already. */
        private boolean knows(int c, int p, double s) {
            double gap = Math.max(PASS * pens.get(p).half(s), 4 * side);
            for (int k = c * MOST; k < (c + 1) * MOST && stroke[k] >= 0; k++) {
                if (stroke[k] == p && Math.abs(place[k] - s) < gap) {
                    return true;
                }
            }
            return false;
        }

        /** Gives a cell the label that has come to it, if it is the nearest there, or its pen passes over it. */
        private void take() {
            int q = queue.count;
            int c = queue.cell[q];
            int p = queue.pen[q];
            float s = queue.at[q];
            if (knows(c, p, s)) {
                return;
            }
            int k = c * MOST;
            while (k < (c + 1) * MOST && stroke[k] >= 0) {
                k++;
            }
            boolean first = k == c * MOST;
            if (k == (c + 1) * MOST || !first && !belongs(c, p, s)) {
                return;
            }
            stroke[k] = (short) p;
            place[k] = s;
            for (int n = 0; n < 8; n++) {
                int x = c % width + Skeleton.DX[n];
                int y = c / width + Skeleton.DY[n];
                if (x >= 0 && y >= 0 && x < width && y < grid.height()) {
                    int next = y * width + x;
                    if (grid.inside()[next]) {
                        offer(next, p, s);
                    }
                }
            }
        }

        private boolean belongs(int c, int p, double s) {
            double x = (grid.left() + c % width + 0.5) * side;
            double y = (grid.top() + c / width + 0.5) * side;
            double own = pens.get(p).beyond(s, x, y);
            double nearest = pens.get(stroke[c * MOST]).beyond(place[c * MOST], x, y);
            return own < side || own < nearest + BORDER * side;
        }

        /** From the rim on each cell takes what its neighbour nearer to the shape has, farther out the nearest alone. */
        private void outwards() {
            int[] open = new int[grid.inside().length];
            int count = 0;
            for (int c = 0; c < ring.length; c++) {
                if (stroke[c * MOST] >= 0) {
                    open[count++] = c;
                }
            }
            if (count == 0) {
                return;
            }
            // A cell is taken once all that lie nearer are done: breadth first.
            boolean[] seen = new boolean[ring.length];
            for (int i = 0; i < count; i++) {
                seen[open[i]] = true;
            }
            for (int i = 0; i < count; i++) {
                int c = open[i];
                for (int n = 0; n < 8; n++) {
                    int x = c % width + Skeleton.DX[n];
                    int y = c / width + Skeleton.DY[n];
                    if (x < 0 || y < 0 || x >= width || y >= grid.height()) {
                        continue;
                    }
                    int next = y * width + x;
                    if (!seen[next]) {
                        seen[next] = true;
                        ring[next] = ring[c] + 1;
                        open[count++] = next;
                        inherit(next);
                    }
                }
            }
        }

        /** What those around a cell have that lie nearer to the shape: what its pens pass beyond least comes first. */
        private void inherit(int c) {
            double x = (grid.left() + c % width + 0.5) * side;
            double y = (grid.top() + c / width + 0.5) * side;
            int most = ring[c] <= RIM ? MOST : 1;
            double[] beyond = new double[MOST];
            int count = 0;
            for (int n = 0; n < 8; n++) {
                int i = c % width + Skeleton.DX[n];
                int j = c / width + Skeleton.DY[n];
                int from = j * width + i;
                if (i < 0 || j < 0 || i >= width || j >= grid.height() || ring[from] >= ring[c]) {
                    continue;
                }
                for (int k = from * MOST; k < (from + 1) * MOST && stroke[k] >= 0; k++) {
                    count = insert(c, stroke[k], place[k], x, y, beyond, count, most);
                }
            }
        }

        private int insert(int c, int p, double near, double x, double y, double[] beyond, int count, int most) {
            PenPath pen = pens.get(p);
            double s = pen.nearest(near, x, y);
            if (knows(c, p, s)) {
                return count;
            }
            double own = pen.beyond(s, x, y);
            int at = count;
            while (at > 0 && beyond[at - 1] > own) {
                at--;
            }
            if (at >= most) {
                return count;
            }
            for (int k = Math.min(count, most - 1); k > at; k--) {
                beyond[k] = beyond[k - 1];
                stroke[c * MOST + k] = stroke[c * MOST + k - 1];
                place[c * MOST + k] = place[c * MOST + k - 1];
            }
            beyond[at] = own;
            stroke[c * MOST + at] = (short) p;
            place[c * MOST + at] = (float) s;
            return Math.min(most, count + 1);
        }
    }
}
