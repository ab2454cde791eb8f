package aperta.core.picture;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.Paint;
import java.util.List;

/**
 * The colours of a gradient on a raster. Each pixel has the mean of the ramp over the stretch of it that the pixel spans, so
 * that stops at the same place, and the ray on which a conic gradient begins, have smooth edges. Forms and premultiplied
 * mixing as in CSS Images Level 4, section 3.
 */
public final class Gradient {
    private enum Form {
        LINEAR,
        RADIAL,
        CONIC
    }

    private final Form form;
    private final Ramp ramp;
    private final Affine toUnit;

    private Gradient(Form form, List<Paint.At> ramp, Affine toUnit) {
        this.form = form;
        this.ramp = new Ramp(ramp);
        this.toUnit = toUnit;
    }

    /** @param toRaster from the space of the two points to raster pixels; must have an inverse */
    public static Gradient linear(Point from, Point to, List<Paint.At> ramp, Affine toRaster) {
        Point d = to.minus(from);
        double square = Math.max(1e-12, d.x() * d.x() + d.y() * d.y());
        Affine along = new Affine(d.x() / square, 0, d.y() / square, 0, 0, 0);
        return new Gradient(
                Form.LINEAR,
                ramp,
                toRaster.inverse()
                        .orElseThrow()
                        .then(Affine.translation(-from.x(), -from.y()))
                        .then(along));
    }

    /** @param toRaster from the space of the centre to raster pixels; must have an inverse */
    public static Gradient radial(Point centre, double radius, List<Paint.At> ramp, Affine toRaster) {
        double scale = 1 / Math.max(1e-6, radius);
        return new Gradient(
                Form.RADIAL,
                ramp,
                toRaster.inverse()
                        .orElseThrow()
                        .then(Affine.translation(-centre.x(), -centre.y()))
                        .then(Affine.scale(scale, scale)));
    }

    /**
     * @param angle of the ray on which it begins, in degrees, clockwise from the right
     * @param toRaster from the space of the centre to raster pixels; must have an inverse
     */
    public static Gradient conic(Point centre, double angle, List<Paint.At> ramp, Affine toRaster) {
        return new Gradient(
                Form.CONIC,
                ramp,
                toRaster.inverse()
                        .orElseThrow()
                        .then(Affine.translation(-centre.x(), -centre.y()))
                        .then(Affine.rotation(-angle)));
    }

    /** Writes every pixel of {@code into}. */
    public void paint(Picture into) {
        Region d = into.domain();
        double straight = Math.hypot(toUnit.a(), toUnit.c());
        for (int y = d.y(); y < d.bottom(); y++) {
            int i = into.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, i++) {
                double u = toUnit.a() * (x + 0.5) + toUnit.c() * (y + 0.5) + toUnit.e();
                double v = toUnit.b() * (x + 0.5) + toUnit.d() * (y + 0.5) + toUnit.f();
                switch (form) {
                    case LINEAR -> ramp.mean(u, straight, into, i);
                    case RADIAL -> radial(u, v, into, i);
                    case CONIC -> conic(u, v, into, i);
                }
            }
        }
    }

    private void radial(double u, double v, Picture into, int i) {
        double r = Math.sqrt(u * u + v * v);
        double across = u * toUnit.a() + v * toUnit.b();
        double down = u * toUnit.c() + v * toUnit.d();
        double width = r > 0 ? Math.sqrt(across * across + down * down) / r : 0;
        ramp.mean(r, width, into, i);
    }

    private void conic(double u, double v, Picture into, int i) {
        double square = u * u + v * v;
        double turn = StrictMath.atan2(v, u) / (2 * Math.PI);
        double across = u * toUnit.b() - v * toUnit.a();
        double down = u * toUnit.d() - v * toUnit.c();
        double width = square > 0 ? Math.sqrt(across * across + down * down) / (2 * Math.PI * square) : 1;
        ramp.meanRound(turn < 0 ? turn + 1 : turn, Math.min(1, width), into, i);
    }

    /** Colours between 0 and 1, with what lies below their curves up to each stop. */
    private static final class Ramp {
        private static final int CHANNELS = 4;
        private final double[] at;
        private final double[][] colour;
        private final double[][] below;

        Ramp(List<Paint.At> stops) {
            int n = stops.size();
            at = new double[n];
            colour = new double[n][];
            below = new double[n][CHANNELS];
            for (int i = 0; i < n; i++) {
                Colour c = stops.get(i).colour();
                double a = c.alpha();
                at[i] = stops.get(i).at();
                colour[i] = new double[] {c.red() * a, c.green() * a, c.blue() * a, a};
                for (int k = 0; i > 0 && k < CHANNELS; k++) {
                    below[i][k] = below[i - 1][k] + (at[i] - at[i - 1]) * (colour[i][k] + colour[i - 1][k]) / 2;
                }
            }
        }

        /** How many stops lie at or before a place. */
        private int before(double t) {
            int n = 0;
            while (n < at.length && at[n] <= t) {
                n++;
            }
            return n;
        }

        private double value(double t, int n, int k) {
            if (n == 0) {
                return colour[0][k];
            }
            if (n == at.length) {
                return colour[n - 1][k];
            }
            double share = (t - at[n - 1]) / (at[n] - at[n - 1]);
            return colour[n - 1][k] + (colour[n][k] - colour[n - 1][k]) * share;
        }

        /** What lies below a channel's curve from the first stop to a place; negative before it. */
        private double below(double t, int n, int k) {
            if (n == 0) {
                return (t - at[0]) * colour[0][k];
            }
            return below[n - 1][k] + (t - at[n - 1]) * (colour[n - 1][k] + value(t, n, k)) / 2;
        }

        void mean(double t, double width, Picture into, int i) {
            double from = t - width / 2;
            double to = t + width / 2;
            int m = before(from);
            int n = before(to);
            if (m == n) {
                double[] one = colour[Math.max(0, n - 1)];
                double[] next = colour[Math.min(at.length - 1, n)];
                double share = n == 0 || n == at.length ? 0 : (t - at[n - 1]) / (at[n] - at[n - 1]);
                into.red[i] = (float) (one[0] + (next[0] - one[0]) * share);
                into.green[i] = (float) (one[1] + (next[1] - one[1]) * share);
                into.blue[i] = (float) (one[2] + (next[2] - one[2]) * share);
                into.alpha[i] = (float) (one[3] + (next[3] - one[3]) * share);
                return;
            }
            for (int k = 0; k < CHANNELS; k++) {
                plane(into, k)[i] = (float) ((below(to, n, k) - below(from, m, k)) / width);
            }
        }

        /** The same where 1 is 0 again. */
        void meanRound(double t, double width, Picture into, int i) {
            double from = t - width / 2;
            double to = t + width / 2;
            if (from >= 0 && to <= 1) {
                mean(t, width, into, i);
                return;
            }
            double low = from < 0 ? from + 1 : from;
            double high = to > 1 ? to - 1 : to;
            for (int k = 0; k < CHANNELS; k++) {
                double last = below(1, before(1), k) - below(low, before(low), k);
                double first = below(high, before(high), k) - below(0, before(0), k);
                plane(into, k)[i] = (float) ((last + first) / width);
            }
        }

        private static float[] plane(Picture into, int k) {
            return switch (k) {
                case 0 -> into.red;
                case 1 -> into.green;
                case 2 -> into.blue;
                default -> into.alpha;
            };
        }
    }
}
