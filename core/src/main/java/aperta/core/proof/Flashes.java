package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Format;
import java.util.ArrayList;
import java.util.List;

/**
 * Nothing flashes more than three times in a second: WCAG 2.2, success criterion 2.3.1, with its general flash threshold. A
 * flash is a pair of opposing changes of a tenth or more of the relative luminance, the darker state below 0.8; it counts
 * where it fills a quarter or more of any field of 10°, for which WCAG takes a rectangle of 341 × 256 in 1024 × 768: a third
 * of the width and of the height. Saturated red is not looked for by itself.
 */
public final class Flashes implements Check {
    private static final int COLUMNS = 24;
    private static final int ROWS = 24;
    private static final double CHANGE = 0.1;
    private static final double DARKER = 0.8;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "flashes",
                "No more than three flashes a second",
                "Nothing large flashes more than three times in a second.",
                List.of(
                        Parameter.whole("flashes", "Flashes", "a second", 1, 60, 3),
                        Parameter.number("field", "Part of a field", "%", 0, 1, 0.25)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final int most = (int) recipe.number("flashes");
            private final Cell[] cells = new Cell[COLUMNS * ROWS];
            private final List<Turn> turns = new ArrayList<>();
            private double rate;
            private Box frame = Box.EMPTY;

            @Override
            public void see(Look look) {
                Format format = look.moment().shot().format();
                rate = format.rate().framesPerSecond();
                frame = format.frame();
                double[] now = cells(look.glance(), format);
                int[] change = new int[now.length];
                for (int i = 0; i < now.length; i++) {
                    if (cells[i] == null) {
                        cells[i] = new Cell(now[i]);
                    } else {
                        change[i] = cells[i].change(now[i]);
                    }
                }
                for (int way : new int[] {1, -1}) {
                    boolean turned = turns.isEmpty() || turns.get(turns.size() - 1).way != way;
                    if (turned && fills(change, way, recipe.number("field"))) {
                        turns.add(new Turn(look.frame(), way));
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                List<Finding> all = new ArrayList<>();
                int many = 2 * most + 1;
                for (int i = 0; i + many <= turns.size(); i++) {
                    long from = turns.get(i).frame;
                    int last = i;
                    while (last + 1 < turns.size() && turns.get(last + 1).frame - from < rate) {
                        last++;
                    }
                    int count = last - i + 1;
                    if (count >= many) {
                        all.add(new Finding(
                                "flashes",
                                List.of(),
                                from,
                                turns.get(last).frame,
                                frame,
                                "It flashes " + (count / 2.0) + " times within a second; " + most
                                        + " are the most that is safe for everyone."));
                        i = last;
                    }
                }
                return all;
            }
        };
    }

    /** A change of the picture from dark to bright (1) or back (−1). */
    private record Turn(long frame, int way) {}

    /** Follows the luminance of one part of the picture from one turn to the next. */
    private static final class Cell {
        private double low;
        private double high;
        private int way;

        Cell(double first) {
            low = first;
            high = first;
        }

        /** 1 where it has risen far enough since it last fell, −1 the other way, else 0. */
        int change(double now) {
            if (way <= 0 && now - low >= CHANGE && low < DARKER) {
                way = 1;
                high = now;
                low = now;
                return 1;
            }
            if (way >= 0 && high - now >= CHANGE && now < DARKER) {
                way = -1;
                low = now;
                high = now;
                return -1;
            }
            low = Math.min(low, now);
            high = Math.max(high, now);
            return 0;
        }
    }

    private static boolean fills(int[] change, int way, double part) {
        int wide = COLUMNS / 3;
        int high = ROWS / 3;
        for (int top = 0; top + high <= ROWS; top++) {
            for (int left = 0; left + wide <= COLUMNS; left++) {
                int count = 0;
                for (int y = top; y < top + high; y++) {
                    for (int x = left; x < left + wide; x++) {
                        count += change[y * COLUMNS + x] == way ? 1 : 0;
                    }
                }
                if (count >= part * wide * high) {
                    return true;
                }
            }
        }
        return false;
    }

    /** The mean luminance of each part. */
    private static double[] cells(Picture picture, Format format) {
        Region f = picture.domain();
        Luminance luminance = new Luminance(format);
        double[] sum = new double[COLUMNS * ROWS];
        int[] count = new int[sum.length];
        for (int y = f.y(); y < f.bottom(); y++) {
            for (int x = f.x(); x < f.right(); x++) {
                int cell = (y - f.y()) * ROWS / f.height() * COLUMNS + (x - f.x()) * COLUMNS / f.width();
                float[] p = picture.at(x, y);
                sum[cell] += luminance.of(p[0], p[1], p[2]);
                count[cell]++;
            }
        }
        for (int i = 0; i < sum.length; i++) {
            sum[i] = count[i] == 0 ? 0 : sum[i] / count[i];
        }
        return sum;
    }
}
