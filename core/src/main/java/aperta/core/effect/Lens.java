package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/**
 * A lens over a point. With an angle of view φ across the diagonal 2R of the layer's box, a place at the distance r shows what lies at
 * R · tan(φ r / 2R) / tan(φ / 2): its middle bulges, its rim stays where it is, and beyond 90° there is nothing. A pinch is the inverse.
 */
final class Lens implements Effect {
    /** Smaller angles, in radians, make no difference to a pixel. */
    private static final double NONE = 1e-5;
    /** How many times as fine as the result what it is made from is drawn, at most. */
    private static final int FINEST = 4;
    /** More pixels than this are not drawn for it. */
    private static final double MOST_PIXELS = 12e6;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "lens",
                "Lens",
                "Bulges or pinches about a point.",
                List.of(
                        Parameter.point("centre", "Centre", Point.ORIGIN),
                        Parameter.number("angle", "Angle of view", "°", -170, 170, 90)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BEND;
    }

    @Override
    public Station station() {
        return Station.BEFORE_MASKS;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    /** How far from the centre is read what is seen at a distance from it; infinite where nothing is. */
    static double source(double r, double radius, double angle) {
        double half = Math.abs(angle) / 2;
        if (half < NONE) {
            return r;
        }
        if (angle < 0) {
            return radius / half * StrictMath.atan(r / radius * StrictMath.tan(half));
        }
        double at = half * r / radius;
        return at >= Math.PI / 2 ? Double.POSITIVE_INFINITY : radius * StrictMath.tan(at) / StrictMath.tan(half);
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Point c = values.point("centre");
        double angle = Math.toRadians(values.number("angle"));
        Box box = setting.box();
        double radius = Math.max(1e-3, Math.hypot(box.width(), box.height()) / 2);
        int finer = finer(angle, box, setting.toRaster());
        Times times = new Times(radius, angle);
        return new Warp(setting, Numbers.of(values).and(radius, finer)) {
            @Override
            void from(double x, double y, double[] to) {
                double dx = x - c.x();
                double dy = y - c.y();
                double r = Math.sqrt(dx * dx + dy * dy);
                double far = times.at(r);
                to[0] = c.x() + dx * far;
                to[1] = c.y() + dy * far;
            }

            @Override
            public int finer() {
                return finer;
            }

            @Override
            public Region domain(Region input) {
                return input.isEmpty() ? input : input.union(raster(about(c, source(farthest(input), radius, -angle))));
            }

            @Override
            public Region needs(Region wanted) {
                double r = source(farthest(wanted), radius, angle);
                Box all = about(c, Math.min(1e8, r));
                Region region = raster(all).union(wanted);
                return finer == 1
                        ? region
                        : new Region(
                                        region.x() * finer,
                                        region.y() * finer,
                                        region.width() * finer,
                                        region.height() * finer)
                                .grown(finer);
            }

            private double farthest(Region region) {
                double most = 0;
                for (Point p : own(region).corners()) {
                    most = Math.max(most, p.minus(c).length());
                }
                return most;
            }
        };
    }

    private static int finer(double angle, Box box, Affine map) {
        double half = angle / 2;
        if (half < NONE) {
            return 1;
        }
        double pixels = Math.max(1, box.width() * box.height() * Math.abs(map.determinant()));
        double most = Math.min(FINEST, Math.sqrt(MOST_PIXELS / pixels));
        return (int) Math.max(1, Math.min(Math.round(StrictMath.tan(half) / half), Math.floor(most)));
    }

    /** By how many times a distance changes: read evenly from a table, within 10⁻⁶ of the formula, up to where that grows steep. */
    static final class Times {
        private static final int STEPS = 4096;
        /** Up to this angle the tangent's table is near enough. */
        private static final double STEEP = 1.2;

        private final double radius;
        private final double angle;
        private final double perStep;
        private final double[] table = new double[STEPS + 1];

        Times(double radius, double angle) {
            this.radius = radius;
            this.angle = angle;
            double half = Math.abs(angle) / 2;
            double most = angle > 0 && half > NONE ? Math.min(2, STEEP / half) : 2;
            this.perStep = STEPS / (most * radius);
            for (int i = 0; i <= STEPS; i++) {
                table[i] = exact(i / perStep);
            }
        }

        /** Not a number where there is nothing. */
        double at(double r) {
            double at = r * perStep;
            if (at < STEPS) {
                int i = (int) at;
                return table[i] + (table[i + 1] - table[i]) * (at - i);
            }
            return exact(r);
        }

        double exact(double r) {
            if (r < 1e-6 * radius) {
                double half = Math.abs(angle) / 2;
                double middle = half < NONE ? 1 : half / StrictMath.tan(half);
                return angle < 0 ? 1 / middle : middle;
            }
            double s = source(r, radius, angle);
            return Double.isInfinite(s) ? Double.NaN : s / r;
        }
    }
}
