package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Displacement;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.time.Chance;
import java.util.Arrays;
import java.util.List;

/**
 * A worn print: the whole weaves in its gate, its brightness flickers in pieces of one and two frames (a rule of the trade; common
 * practice, no source), dust and hairs come and go, scratches stay for several frames, colours fade. Each can be off.
 */
final class OldFilm implements Effect {
    /** The channels of chance. */
    private static final int WEAVE = 1;

    private static final int FLICKER = 2;
    private static final int DUST = 3;
    private static final int HAIRS = 4;
    private static final int SCRATCHES = 5;
    /** The longest that a scratch stays, in frames. */
    private static final int LONGEST = 24;
    /** What white becomes when all colour has faded: a print gone yellow. */
    private static final float[] YELLOWED = {0.96f, 0.87f, 0.68f};

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "old-film",
                "Old film",
                "A worn print: weave, flicker, dust, hairs, scratches, fading.",
                List.of(
                        Parameter.number("weave", "Weave", "px", 0, 100, 2),
                        Parameter.number("flicker", "Flicker", "%", 0, 1, 0.08),
                        Parameter.number("dust", "Dust", "", 0, 400, 9),
                        Parameter.number("hairs", "Hairs", "", 0, 40, 0.5),
                        Parameter.number("scratches", "Scratches", "", 0, 40, 1.5),
                        Parameter.number("size", "Size of marks", "px", 0.2, 60, 2.4),
                        Parameter.number("fading", "Fading", "%", 0, 1, 0.45),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.AGE;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    /** A number between −1 and 1 that stays for one frame or for two: three frames hold one of each. */
    static double flicker(long frame, long seed) {
        long three = Math.floorDiv(frame, 3);
        int within = (int) Math.floorMod(frame, 3L);
        boolean longFirst = Chance.unit(seed, three, 10L * FLICKER + 1) < 0.5;
        int piece = longFirst ? (within < 2 ? 0 : 1) : within < 1 ? 0 : 1;
        return Chance.signed(seed, 2 * three + piece, 10L * FLICKER);
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Affine map = setting.toRaster();
        long seed = (long) values.number("seed");
        long frame = (long) Math.floor(setting.frame() + 1e-9);
        Noise noise = new Noise((int) seed);
        double weave = values.number("weave") * setting.amount() * 1.6;
        Point shift = map.applyVector(new Point(
                weave * noise.at(frame * 0.31, 0.5, WEAVE + 0.5), weave * noise.at(frame * 0.31, 7.5, WEAVE + 0.5)));
        int reach = (int) Math.ceil(Math.max(Math.abs(shift.x()), Math.abs(shift.y()))) + 1;
        double[] numbers = Numbers.of(values)
                .and(map)
                .and(
                        frame,
                        setting.amount(),
                        setting.border().ordinal(),
                        setting.light().ordinal())
                .and(
                        setting.box().x0(),
                        setting.box().y0(),
                        setting.box().x1(),
                        setting.box().y1())
                .array();
        return new Reaching(reach, numbers) {
            @Override
            public boolean moves() {
                return true;
            }

            @Override
            public Picture made(Given g) {
                Displacement.Ways ways = (x, y, count, across, down) -> {
                    Arrays.fill(across, 0, count, (float) shift.x());
                    Arrays.fill(down, 0, count, (float) shift.y());
                };
                Picture moved =
                        Displacement.of(g.input(), 1, g.region(), ways, g.where(), reach, setting.border(), g.bands());
                Matte marks = new Matte(g.region());
                new Marks(values, setting, frame, marks).all();
                wear(moved, marks, g);
                return moved;
            }

            private void wear(Picture picture, Matte marks, Given g) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                Transfer transfer = Transfer.of(setting.light());
                float light = (float) (values.number("flicker") * flicker(frame, seed));
                float fading = (float) values.number("fading");
                g.bands().run(d.height(), 16, (from, to) -> {
                    float[] c = new float[4];
                    for (int y = d.y() + from; y < d.y() + to; y++) {
                        int at = picture.index(d.x(), y);
                        for (int x = d.x(); x < d.right(); x++, at++) {
                            float a = p[3][at];
                            if (a > 0) {
                                float share = (float) setting.amount()
                                        * (g.where().isPresent()
                                                ? g.where().get().at(x, y)
                                                : 1);
                                float by = a == 1 ? 1 : 1 / a;
                                for (int k = 0; k < 3; k++) {
                                    c[k] = transfer.toDisplay(p[k][at] * by);
                                }
                                float luma = OnColours.luma(c);
                                float mark = marks.values()[marks.index(x, y)];
                                for (int k = 0; k < 3; k++) {
                                    float faded = luma * YELLOWED[k] * 0.86f + 0.07f;
                                    float v = (c[k] + fading * (faded - c[k])) * (1 + light);
                                    v += Math.abs(mark) * ((mark > 0 ? 1 : 0) - v);
                                    v = OnColours.clamped(v);
                                    p[k][at] = transfer.toLight(c[k] + share * (v - c[k])) * a;
                                }
                            }
                        }
                    }
                });
            }
        };
    }

    /** What lies on the print on one frame: over 0 bright, under 0 dark. */
    private static final class Marks {
        private final Recipe values;
        private final Affine map;
        private final Box box;
        private final long frame;
        private final long seed;
        private final double size;
        private final Matte into;

        Marks(Recipe values, Effect.Setting setting, long frame, Matte into) {
            this.values = values;
            this.map = setting.toRaster();
            this.box = setting.box();
            this.frame = frame;
            this.seed = (long) values.number("seed");
            this.size = values.number("size") * setting.scale();
            this.into = into;
        }

        private double unit(long index, int channel) {
            return Chance.unit(seed, index, channel);
        }

        /** How many there are on average, as a whole number for this frame. */
        private int count(String name, int channel) {
            double mean = values.number(name);
            return (int) (mean + unit(frame, 100 * channel));
        }

        void all() {
            int dust = count("dust", DUST);
            for (int i = 0; i < dust; i++) {
                speck(frame * 1000 + i);
            }
            int hairs = count("hairs", HAIRS);
            for (int i = 0; i < hairs; i++) {
                hair(Math.floorDiv(frame, 2) * 1000 + i);
            }
            int scratches = (int) Math.ceil(values.number("scratches") * 2);
            for (int i = 0; i < scratches; i++) {
                scratch(i);
            }
        }

        private Point place(long index, int channel) {
            return map.apply(new Point(
                    box.x0() + unit(index, 100 * channel + 1) * box.width(),
                    box.y0() + unit(index, 100 * channel + 2) * box.height()));
        }

        /** A blob with three lobes, mostly dark. */
        private void speck(long i) {
            Point p = place(i, DUST);
            double r = size * (0.4 + 1.6 * unit(i, 303) * unit(i, 304));
            double lobes = 2 * Math.PI * unit(i, 305);
            float strength = unit(i, 306) < 0.7 ? -0.85f : 0.8f;
            int reach = (int) Math.ceil(1.6 * r) + 1;
            Region part = new Region((int) p.x() - reach, (int) p.y() - reach, 2 * reach + 1, 2 * reach + 1)
                    .intersect(into.domain());
            for (int y = part.y(); y < part.bottom(); y++) {
                for (int x = part.x(); x < part.right(); x++) {
                    double dx = x + 0.5 - p.x();
                    double dy = y + 0.5 - p.y();
                    double angle = Math.atan2(dy, dx);
                    double edge = r
                            * (1
                                    + 0.35 * StrictMath.sin(3 * angle + lobes)
                                    + 0.2 * StrictMath.sin(5 * angle - 2 * lobes));
                    mark(x, y, strength, edge - Math.sqrt(dx * dx + dy * dy));
                }
            }
        }

        /** A thin curve through three points. */
        private void hair(long i) {
            Point from = place(i, HAIRS);
            double length = size * (20 + 50 * unit(i, 403));
            double angle = 2 * Math.PI * unit(i, 404);
            double bend = 2.4 * (unit(i, 405) - 0.5);
            Point middle = along(from, length / 2, angle);
            Point to = along(middle, length / 2, angle + bend);
            int pieces = (int) Math.ceil(length) + 2;
            double r = Math.max(0.5, 0.3 * size);
            for (int k = 0; k <= pieces; k++) {
                double t = (double) k / pieces;
                Point p = from.mix(middle, t).mix(middle.mix(to, t), t);
                int reach = (int) Math.ceil(r) + 1;
                Region part = new Region((int) p.x() - reach, (int) p.y() - reach, 2 * reach + 1, 2 * reach + 1)
                        .intersect(into.domain());
                for (int y = part.y(); y < part.bottom(); y++) {
                    for (int x = part.x(); x < part.right(); x++) {
                        mark(x, y, -0.7f, r - Math.hypot(x + 0.5 - p.x(), y + 0.5 - p.y()));
                    }
                }
            }
        }

        private static Point along(Point p, double length, double angle) {
            return p.plus(new Point(length * StrictMath.cos(angle), length * StrictMath.sin(angle)));
        }

        /** A line down the print that stays for some frames, wanders a little, and then is another. */
        private void scratch(int slot) {
            long life = LONGEST;
            long index = Math.floorDiv(frame + slot * 7L, life) * 64 + slot;
            long since = Math.floorMod(frame + slot * 7L, life);
            if (unit(index, 501) < 0.5 || since >= 4 + unit(index, 502) * (LONGEST - 4)) {
                return;
            }
            double wander = 3 * (Chance.unit(seed, index * 64 + since, 503) - 0.5);
            double x0 = box.x0() + unit(index, 504) * box.width() + wander;
            float strength = unit(index, 505) < 0.6 ? 0.45f : -0.5f;
            double r = Math.max(0.4, 0.22 * size);
            Region d = into.domain();
            Affine back = map.inverse().orElseThrow();
            double scale = map.meanScale();
            for (int y = d.y(); y < d.bottom(); y++) {
                int from = d.x();
                int to = d.right();
                if (back.a() != 0) {
                    double middle = (x0 - back.c() * (y + 0.5) - back.e()) / back.a();
                    double reach = (r + 1) / (scale * Math.abs(back.a())) + 1;
                    from = (int) Math.max(from, Math.floor(middle - reach));
                    to = (int) Math.min(to, Math.ceil(middle + reach));
                }
                for (int x = from; x < to; x++) {
                    double u = back.a() * (x + 0.5) + back.c() * (y + 0.5) + back.e();
                    double away = Math.abs(u - x0) * scale;
                    if (away < r + 1) {
                        mark(x, y, strength, r - away);
                    }
                }
            }
        }

        private void mark(int x, int y, float strength, double inside) {
            float share = (float) Math.min(1, Math.max(0, inside + 0.5));
            if (share > 0) {
                int at = into.index(x, y);
                float now = into.values()[at];
                float v = strength * share;
                into.values()[at] = Math.abs(v) > Math.abs(now) ? v : now;
            }
        }
    }
}
