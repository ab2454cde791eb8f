package aperta.core.picture;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.Paint;
import java.util.List;

/** Colours that follow a share of the way, along a line or outwards from a centre; premultiplied between stops. */
public final class Gradient {
    private final float[][] stops;
    private final Affine toUnit;
    private final boolean radial;

    private Gradient(List<Paint.Stop> stops, Affine toUnit, boolean radial) {
        this.stops = stops.stream().map(Gradient::stop).toArray(float[][]::new);
        this.toUnit = toUnit;
        this.radial = radial;
    }

    /** @param toRaster from the space of the two points to raster pixels; must have an inverse */
    public static Gradient linear(Point from, Point to, List<Paint.Stop> stops, Affine toRaster) {
        Point d = to.minus(from);
        double square = Math.max(1e-12, d.x() * d.x() + d.y() * d.y());
        Affine along = new Affine(d.x() / square, 0, d.y() / square, 0, 0, 0);
        return new Gradient(
                stops,
                toRaster.inverse()
                        .orElseThrow()
                        .then(Affine.translation(-from.x(), -from.y()))
                        .then(along),
                false);
    }

    /** @param toRaster from the space of the centre to raster pixels; must have an inverse */
    public static Gradient radial(Point centre, double radius, List<Paint.Stop> stops, Affine toRaster) {
        double scale = 1 / Math.max(1e-6, radius);
        return new Gradient(
                stops,
                toRaster.inverse()
                        .orElseThrow()
                        .then(Affine.translation(-centre.x(), -centre.y()))
                        .then(Affine.scale(scale, scale)),
                true);
    }

    private static float[] stop(Paint.Stop stop) {
        Colour c = stop.colour();
        float a = (float) c.alpha();
        return new float[] {(float) stop.at(), (float) c.red() * a, (float) c.green() * a, (float) c.blue() * a, a};
    }

    /** Writes every pixel of {@code into}, each by its centre. */
    public void paint(Picture into) {
        Region d = into.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int i = into.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, i++) {
                double u = toUnit.a() * (x + 0.5) + toUnit.c() * (y + 0.5) + toUnit.e();
                double v = toUnit.b() * (x + 0.5) + toUnit.d() * (y + 0.5) + toUnit.f();
                colour((float) (radial ? Math.sqrt(u * u + v * v) : u), into, i);
            }
        }
    }

    private void colour(float t, Picture into, int i) {
        int n = 0;
        while (n < stops.length && stops[n][0] <= t) {
            n++;
        }
        float[] from = stops[Math.max(0, n - 1)];
        float[] to = stops[Math.min(stops.length - 1, n)];
        float span = to[0] - from[0];
        float share = span > 0 ? Math.min(1, Math.max(0, (t - from[0]) / span)) : 0;
        into.red[i] = from[1] + (to[1] - from[1]) * share;
        into.green[i] = from[2] + (to[2] - from[2]) * share;
        into.blue[i] = from[3] + (to[3] - from[3]) * share;
        into.alpha[i] = from[4] + (to[4] - from[4]) * share;
    }
}
