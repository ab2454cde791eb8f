package aperta.core.picture;

import aperta.core.geometry.Point;
import aperta.core.shot.LayerEffect.Border;
import java.util.Arrays;

/**
 * The mean along a straight line about each pixel, of what is read linearly across it. The picture is read once along slanted
 * rows and once back, linearly each, which softens a pixel across the line by less than half a pixel's σ. The sums of 1, 2, 4, 8 …
 * neighbours are made from one another, so that the time goes with the logarithm of the length.
 */
public final class LineMean {
    private final boolean steep;
    private final double slope;
    private final double taps;

    /** @param line as long as the mean goes, in pixels */
    public LineMean(Point line) {
        this.steep = Math.abs(line.y()) > Math.abs(line.x());
        double major = steep ? line.y() : line.x();
        double minor = steep ? line.x() : line.y();
        this.slope = major == 0 ? 0 : minor / major;
        this.taps = Math.max(1, Math.abs(major));
    }

    /** @param source must cover what the line reaches from the region, or end */
    public Picture of(Picture source, Region region, Border border, Bands bands) {
        Picture result = new Picture(region);
        if (source.domain().isEmpty() || region.isEmpty()) {
            return result;
        }
        for (int c = 0; c < 4; c++) {
            plane(source.plane(c), result.plane(c), border, bands);
        }
        return result;
    }

    private void plane(Matte source, Matte into, Border border, Bands bands) {
        Region d = into.domain();
        int from = steep ? d.y() : d.x();
        int count = steep ? d.height() : d.width();
        int least = steep ? d.x() : d.y();
        int wide = steep ? d.width() : d.height();
        int side = (int) Math.floor((taps - 1) / 2);
        float part = (float) ((taps - 1) / 2 - side);
        int reach = side + 1;
        // A slanted row r holds, at the place m along it, what lies across at r + slope · m.
        double lean = slope * from;
        double leanEnd = slope * (from + count - 1);
        int first = least - (int) Math.ceil(Math.max(lean, leanEnd)) - 1;
        int last = least + wide - (int) Math.floor(Math.min(lean, leanEnd)) + 1;
        float[][] rows = new float[last - first + 1][];
        bands.run(rows.length, 8, (a, b) -> {
            Sums sums = new Sums(count + 2 * reach);
            for (int k = a; k < b; k++) {
                rows[k] = new float[count];
                read(source, first + k, from - reach, sums.line, border);
                sums.mean(side, part, reach, (float) taps, rows[k]);
            }
        });
        bands.run(wide, 8, (a, b) -> {
            for (int w = a; w < b; w++) {
                int start = steep ? into.index(least + w, from) : into.index(from, least + w);
                int stride = d.width();
                for (int m = 0; m < count; m++) {
                    double row = least + w - slope * (from + m) - first;
                    int k = (int) row;
                    float t = (float) (row - k);
                    into.value[steep ? start + m * stride : start + m] = rows[k][m] + (rows[k + 1][m] - rows[k][m]) * t;
                }
            }
        });
    }

    private void read(Matte s, int row, int from, float[] line, Border border) {
        Region d = s.domain();
        int low = steep ? d.y() : d.x();
        int high = steep ? d.bottom() : d.right();
        int least = steep ? d.x() : d.y();
        int most = steep ? d.right() : d.bottom();
        int stride = d.height() > 1 ? s.index(d.x(), d.y() + 1) - s.index(d.x(), d.y()) : 0;
        int side = steep ? 1 : stride;
        int on = steep ? stride : 1;
        int base = s.index(d.x(), d.y()) - least * side - low * on;
        for (int i = 0; i < line.length; i++) {
            double across = row + slope * (from + i);
            int k = (int) across;
            k = across < k ? k - 1 : k;
            float t = (float) (across - k);
            int along = from + i;
            if (along >= low && along < high && k >= least && k + 1 < most) {
                int n = base + along * on + k * side;
                line[i] = s.value[n] + (s.value[n + side] - s.value[n]) * t;
            } else {
                line[i] = at(s, d, along, k, border) * (1 - t);
                if (t > 0) {
                    line[i] += at(s, d, along, k + 1, border) * t;
                }
            }
        }
    }

    private float at(Matte s, Region d, int along, int across, Border border) {
        int x = Edge.within(steep ? across : along, d.x(), d.right(), border);
        int y = Edge.within(steep ? along : across, d.y(), d.bottom(), border);
        return d.contains(x, y) ? s.value[s.index(x, y)] : 0;
    }

    /** A row, and the sums of so many neighbours from each place of it on. */
    private static final class Sums {
        private final float[] line;
        private final float[] doubled;
        private final float[] sum;

        Sums(int length) {
            this.line = new float[length];
            this.doubled = new float[length];
            this.sum = new float[length];
        }

        /** The mean of the places from {@code side} before to {@code side} behind, and a part of one more on both sides. */
        void mean(int side, float part, int reach, float taps, float[] into) {
            int n = 2 * side + 1;
            System.arraycopy(line, 0, doubled, 0, line.length);
            Arrays.fill(sum, 0);
            int done = 0;
            for (int size = 1; size <= n; size *= 2) {
                if ((n & size) != 0) {
                    for (int i = 0; i + done + size <= line.length; i++) {
                        sum[i] += doubled[i + done];
                    }
                    done += size;
                }
                for (int i = 0; i + 2 * size <= line.length; i++) {
                    doubled[i] += doubled[i + size];
                }
            }
            for (int i = 0; i < into.length; i++) {
                int middle = i + reach;
                into[i] = (sum[middle - side] + part * (line[middle - side - 1] + line[middle + side + 1])) / taps;
            }
        }
    }
}
