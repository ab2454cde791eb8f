package aperta.core.ink;

import aperta.core.geometry.Affine;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** What of a shape is written at a moment, for each pixel of a raster. */
public final class Written {
    /** Two borders' distances differ by about this much from one pixel to the next, across a border. */
    private static final double ACROSS_BORDER = 1.5;

    private static final byte OPEN = 2;

    private final InkField field;
    private final Affine back;
    /** A pixel of the raster, in the layer's. */
    private final double pixel;

    private final double soft;
    /** By how much the place of a pixel may differ from that of its cell. */
    private final double slack;

    private final double[] reached;
    private final byte[] states;

    /** @param toRaster from the layer's pixels; has an inverse */
    public Written(InkField field, Schedule schedule, double soft, Affine toRaster) {
        this.field = field;
        this.back = toRaster.inverse().orElseThrow();
        this.pixel = 1 / toRaster.meanScale();
        this.soft = Math.max(soft, pixel);
        this.slack = field.cell() * 1.5 + pixel;
        this.reached = new double[schedule.strokes()];
        for (int i = 0; i < reached.length; i++) {
            reached[i] = schedule.reached(i, this.soft);
        }
        this.states = states();
    }

    /** Of each block of cells 0 or 1 where all of it has that; else {@link #OPEN}. */
    private byte[] states() {
        byte[] all = new byte[field.blocks()];
        for (int b = 0; b < all.length; b++) {
            float[] passes = field.passes(b);
            boolean none = true;
            boolean done = passes.length > 0;
            for (int i = 0; i < passes.length; i += 3) {
                none &= isAhead((int) passes[i], passes[i + 1]);
                done &= isBehind((int) passes[i], passes[i + 2]);
            }
            all[b] = done ? 1 : none ? 0 : OPEN;
        }
        return all;
    }

    /** Whether the pen comes to a place later, whatever the place of a pixel in its cell. */
    private boolean isAhead(int stroke, double s) {
        return reached[stroke] < s - slack;
    }

    private boolean isBehind(int stroke, double s) {
        return reached[stroke] >= s + slack + soft
                || reached[stroke] >= field.pen(stroke).length() + soft;
    }

    /** Writes every pixel of a matte: 1 where it is written. */
    public void shade(Matte into) {
        Region d = into.domain();
        float[] v = into.values();
        double cells = 1 / field.cell();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            double px = back.c() * (y + 0.5) + back.e();
            double py = back.d() * (y + 0.5) + back.f();
            for (int x = d.x(); x < d.right(); x++, at++) {
                double u = px + back.a() * (x + 0.5);
                double w = py + back.b() * (x + 0.5);
                int i = within(u * cells - field.left(), field.columns());
                int j = within(w * cells - field.top(), field.rows());
                byte state = states[j / InkField.BLOCK * field.blockColumns() + i / InkField.BLOCK];
                v[at] = state == OPEN ? inCell(j * field.columns() + i, u, w) : state;
            }
        }
    }

    private static int within(double v, int count) {
        return v <= 0 ? 0 : v >= count ? count - 1 : (int) v;
    }

    private float inCell(int cell, double px, double py) {
        boolean none = true;
        boolean done = true;
        for (int k = 0; k < InkField.MOST && field.stroke(cell, k) >= 0; k++) {
            none &= isAhead(field.stroke(cell, k), field.place(cell, k));
            done &= isBehind(field.stroke(cell, k), field.place(cell, k));
        }
        return done ? 1 : none ? 0 : at(cell, px, py);
    }

    private float at(int cell, double px, double py) {
        float lit = 0;
        float covered = 0;
        double nearest = 0;
        for (int k = 0; k < InkField.MOST && field.stroke(cell, k) >= 0; k++) {
            int stroke = field.stroke(cell, k);
            PenPath pen = field.pen(stroke);
            double s = pen.nearest(field.place(cell, k), px, py);
            double beyond = pen.beyond(s, px, py);
            float written = clamp((reached[stroke] - s) / soft);
            // The nearest owns a pixel; across a border both have their share.
            float share = k == 0 ? 1 : clamp(0.5 + (nearest - beyond) / (ACROSS_BORDER * pixel));
            lit += share * (written - lit);
            nearest = k == 0 ? beyond : Math.min(nearest, beyond);
            covered = Math.max(covered, written * clamp(0.5 - beyond / pixel));
        }
        return Math.max(lit, covered);
    }

    private static float clamp(double v) {
        return (float) Math.min(1, Math.max(0, v));
    }
}
