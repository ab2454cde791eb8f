package aperta.core.trace;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Lines of equal value of a matte, between the middles of its pixels (marching squares, after W. E. Lorensen and H. E.
 * Cline, <i>Marching Cubes</i>, SIGGRAPH 1987; where two corners that lie across are inside, the saddle of the bilinear
 * surface decides, after G. M. Nielson and B. Hamann, <i>The Asymptotic Decider</i>, Visualization 1991). Beyond the matte
 * there is nothing. What is above the value lies to the right of each line, so that outer lines run clockwise on the screen
 * and those of holes the other way.
 */
final class MarchingSquares {
    private static final int TOP = 0;
    private static final int RIGHT = 1;
    private static final int BOTTOM = 2;
    private static final int LEFT = 3;

    /** For each set of corners inside (1 top left, 2 top right, 4 bottom right, 8 bottom left): from which side to which. */
    private static final int[][] SIDES = {
        {},
        {TOP, LEFT},
        {RIGHT, TOP},
        {RIGHT, LEFT},
        {BOTTOM, RIGHT},
        {TOP, LEFT, BOTTOM, RIGHT},
        {BOTTOM, TOP},
        {BOTTOM, LEFT},
        {LEFT, BOTTOM},
        {TOP, BOTTOM},
        {RIGHT, TOP, LEFT, BOTTOM},
        {RIGHT, BOTTOM},
        {LEFT, RIGHT},
        {TOP, RIGHT},
        {LEFT, TOP},
        {}
    };

    private static final int[] TOP_LEFT_JOINED = {TOP, RIGHT, BOTTOM, LEFT};
    private static final int[] TOP_RIGHT_JOINED = {LEFT, TOP, RIGHT, BOTTOM};

    private final Matte matte;
    private final float[] values;
    private final double level;
    private final int left;
    private final int top;
    /** Middles of pixels, with one more on each side. */
    private final int width;

    private final int height;
    /** For each side of a square that a line goes through, the next. Sides along rows are even, those along columns odd. */
    private final int[] next;

    private MarchingSquares(Matte matte, double level) {
        this.matte = matte;
        this.values = matte.values();
        this.level = level;
        Region r = matte.domain();
        left = r.x() - 1;
        top = r.y() - 1;
        width = r.width() + 2;
        height = r.height() + 2;
        next = new int[2 * width * height];
        Arrays.fill(next, -1);
    }

    /**
     * The closed lines, each as its points in turn.
     *
     * @param level what is inside is above it, over 0
     */
    static List<List<Point>> of(Matte matte, double level) {
        MarchingSquares m = new MarchingSquares(matte, level);
        for (int y = 0; y < m.height - 1; y++) {
            m.row(y);
        }
        return m.lines();
    }

    private double value(int x, int y) {
        boolean beyond = x < 1 || y < 1 || x > width - 2 || y > height - 2;
        return beyond ? 0 : values[matte.index(left + x, top + y)];
    }

    private void row(int y) {
        double a = value(0, y);
        double d = value(0, y + 1);
        for (int x = 0; x < width - 1; x++) {
            double b = value(x + 1, y);
            double c = value(x + 1, y + 1);
            int inside = (a > level ? 1 : 0) | (b > level ? 2 : 0) | (c > level ? 4 : 0) | (d > level ? 8 : 0);
            int[] sides = SIDES[inside];
            if (sides.length == 4 && (a * c - b * d) / (a + c - b - d) > level) {
                sides = inside == 5 ? TOP_LEFT_JOINED : TOP_RIGHT_JOINED;
            }
            for (int i = 0; i < sides.length; i += 2) {
                next[side(x, y, sides[i])] = side(x, y, sides[i + 1]);
            }
            a = b;
            d = c;
        }
    }

    private int side(int x, int y, int which) {
        return switch (which) {
            case TOP -> 2 * (y * width + x);
            case RIGHT -> 2 * (y * width + x + 1) + 1;
            case BOTTOM -> 2 * ((y + 1) * width + x);
            default -> 2 * (y * width + x) + 1;
        };
    }

    private List<List<Point>> lines() {
        List<List<Point>> all = new ArrayList<>();
        for (int start = 0; start < next.length; start++) {
            if (next[start] < 0) {
                continue;
            }
            List<Point> line = new ArrayList<>();
            int at = start;
            while (next[at] >= 0) {
                line.add(crossing(at));
                int to = next[at];
                next[at] = -1;
                at = to;
            }
            all.add(line);
        }
        return all;
    }

    /** Where the value is the level on a side between two middles of pixels. */
    private Point crossing(int side) {
        int x = side / 2 % width;
        int y = side / 2 / width;
        boolean along = side % 2 == 0;
        double from = value(x, y);
        double to = along ? value(x + 1, y) : value(x, y + 1);
        double share = (level - from) / (to - from);
        return new Point(left + x + 0.5 + (along ? share : 0), top + y + 0.5 + (along ? 0 : share));
    }
}
