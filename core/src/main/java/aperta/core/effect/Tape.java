package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Compose;
import aperta.core.picture.Displacement;
import aperta.core.picture.LineMean;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.time.Chance;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A worn tape: lines jitter sideways, most in a band that wanders; colour lags behind brightness and bleeds to the side (the mean of Cb and
 * Cr of BT.709 along a line); noise, and dropouts that flash for a frame.
 */
final class Tape implements Effect {
    /** How much farther lines are moved within the band. */
    private static final double BAND = 7;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "tape",
                "Tape",
                "A worn tape: lines that jitter, colour that bleeds, noise, a band, dropouts.",
                List.of(
                        Parameter.number("jitter", "Jitter", "px", 0, 200, 1.5),
                        Parameter.number("line", "Height of a line", "px", 1, 100, 2),
                        Parameter.number("lag", "Colour lags", "px", -200, 200, 5),
                        Parameter.number("bleed", "Colour bleeds", "px", 0, 400, 18),
                        Parameter.number("noise", "Noise", "%", 0, 1, 0.1),
                        Parameter.number("band", "Height of the band", "px", 0, 2000, 70),
                        Parameter.number("dropouts", "Dropouts", "", 0, 100, 1),
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

    @Override
    public Worked on(Recipe values, Setting setting) {
        Lines lines = new Lines(values, setting);
        Affine map = setting.toRaster();
        Point lag = map.applyVector(new Point(values.number("lag") * setting.amount(), 0));
        Point bleed = map.applyVector(new Point(values.number("bleed") * setting.amount(), 0));
        Point most = map.applyVector(new Point(lines.most(), 0));
        int colour = (int) Math.ceil(lag.length() + bleed.length() / 2) + 3;
        int jitter = (int) Math.ceil(most.length()) + 2;
        double[] numbers = Numbers.of(values)
                .and(map)
                .and(
                        lines.frame,
                        setting.amount(),
                        setting.border().ordinal(),
                        setting.light().ordinal())
                .and(
                        setting.box().x0(),
                        setting.box().y0(),
                        setting.box().x1(),
                        setting.box().y1())
                .array();
        Transfer transfer = Transfer.of(setting.light());
        return new Reaching(colour + jitter, numbers) {
            @Override
            public boolean moves() {
                return true;
            }

            @Override
            public Picture made(Given g) {
                Region wide = g.region().grown(colour);
                Picture moved = Displacement.of(
                        g.input(),
                        1,
                        wide,
                        lines,
                        // Beyond the region nothing is weighed: colour that bleeds in from there may be moved wholly.
                        Optional.empty(),
                        jitter - 1f,
                        setting.border(),
                        g.bands());
                display(moved, transfer, true, g.bands());
                Picture soft = new LineMean(bleed)
                        .of(moved, g.region().grown((int) Math.ceil(lag.length()) + 1), Border.REPEAT, g.bands());
                Displacement.Ways behind = (x, y, count, across, down) -> {
                    Arrays.fill(across, 0, count, (float) -lag.x());
                    Arrays.fill(down, 0, count, (float) -lag.y());
                };
                Picture chroma = Displacement.of(
                        soft,
                        1,
                        g.region(),
                        behind,
                        Optional.empty(),
                        Float.POSITIVE_INFINITY,
                        Border.REPEAT,
                        g.bands());
                Picture result = new Picture(g.region());
                Compose.copy(result, moved);
                mixed(result, chroma, g);
                display(result, transfer, false, g.bands());
                if (g.where().isPresent()) {
                    Picture plain = new Picture(g.region());
                    Compose.copy(plain, g.input());
                    Compose.towards(plain, result, 1, g.where());
                    return plain;
                }
                return result;
            }

            /** Brightness of its own, colour of what lags; noise and dropouts. */
            private void mixed(Picture p, Picture chroma, Given g) {
                Region d = p.domain();
                float[][] own = p.planes();
                float[][] other = chroma.planes();
                g.bands().run(d.height(), 16, (from, to) -> {
                    for (int y = d.y() + from; y < d.y() + to; y++) {
                        int at = p.index(d.x(), y);
                        int k = chroma.index(d.x(), y);
                        for (int x = d.x(); x < d.right(); x++, at++, k++) {
                            float a = own[3][at];
                            if (a <= 0) {
                                continue;
                            }
                            float luma = OnColours.LUMA[0] * own[0][at]
                                    + OnColours.LUMA[1] * own[1][at]
                                    + OnColours.LUMA[2] * own[2][at];
                            float grey = OnColours.LUMA[0] * other[0][k]
                                    + OnColours.LUMA[1] * other[1][k]
                                    + OnColours.LUMA[2] * other[2][k];
                            float bright = luma + a * lines.disturbance(x + 0.5, y + 0.5);
                            for (int c = 0; c < 3; c++) {
                                own[c][at] = Math.min(a, Math.max(0, bright + other[c][k] - grey));
                            }
                        }
                    }
                });
            }
        };
    }

    private static void display(Picture p, Transfer transfer, boolean to, Bands bands) {
        if (transfer.isSame()) {
            return;
        }
        Region d = p.domain();
        float[][] planes = p.planes();
        bands.run(d.height(), 16, (first, last) -> {
            for (int y = d.y() + first; y < d.y() + last; y++) {
                int at = p.index(d.x(), y);
                for (int i = at; i < at + d.width(); i++) {
                    float a = planes[3][i];
                    for (int c = 0; c < 3 && a > 0; c++) {
                        float v = planes[c][i] / a;
                        planes[c][i] = (to ? transfer.toDisplay(v) : transfer.toLight(v)) * a;
                    }
                }
            }
        });
    }

    /** What the lines of one frame do. */
    private static final class Lines implements Displacement.Ways {
        private final Affine back;
        private final Point right;
        private final Box box;
        private final long frame;
        private final long seed;
        private final double jitter;
        private final double line;
        private final double amount;
        private final double noise;
        private final double band;
        private final double middle;
        /** Of each dropout: its line, where it starts and how long it is. */
        private final double[] dropouts;

        private final Noise slow;

        Lines(Recipe values, Effect.Setting setting) {
            this.back = setting.toRaster().inverse().orElseThrow();
            this.right = setting.toRaster().applyVector(new Point(1, 0));
            this.box = setting.box();
            this.frame = (long) Math.floor(setting.frame() + 1e-9);
            this.seed = (long) values.number("seed");
            this.amount = setting.amount();
            this.jitter = values.number("jitter") * amount;
            this.line = values.number("line");
            this.noise = values.number("noise") * amount;
            this.band = values.number("band");
            this.slow = new Noise((int) seed);
            this.middle = box.centre().y() + 0.75 * box.height() * slow.at(frame * 0.023, 3.5, 0.5) * 1.6;
            this.dropouts = dropouts((int) (values.number("dropouts") + Chance.unit(seed, frame, 700)));
        }

        private double[] dropouts(int count) {
            double[] all = new double[3 * count];
            for (int i = 0; i < count; i++) {
                long k = frame * 100 + i;
                all[3 * i] = lineAt(box.y0() + Chance.unit(seed, k, 703) * box.height());
                all[3 * i + 1] = box.x0() + (Chance.unit(seed, k, 704) * 1.2 - 0.2) * box.width();
                all[3 * i + 2] = box.width() * (0.04 + 0.2 * Chance.unit(seed, k, 705));
            }
            return all;
        }

        /** The farthest that a line is moved, in the layer's pixels. */
        double most() {
            return jitter * (band > 0 ? 2 + BAND : 2);
        }

        private long lineAt(double v) {
            return (long) Math.floor(v / line);
        }

        /** How near the middle of the band, 0 to 1. */
        private double inBand(double v) {
            return band <= 0 ? 0 : Math.max(0, 1 - Math.abs(v - middle) / (band / 2));
        }

        private double way(double v) {
            long l = lineAt(v);
            double own = Chance.signed(seed, frame * 100_003 + l, 701);
            double together = 1.6 * slow.at(l * 0.07, frame * 0.9, 11.5);
            return jitter
                    * (0.5 * own + together + BAND * inBand(v) * Chance.signed(seed, frame * 7 + l / 3, 702) * 0.8);
        }

        @Override
        public void row(int x, int y, int count, float[] across, float[] down) {
            double v0 = back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f();
            double way = way(v0);
            for (int i = 0; i < count; i++) {
                if (back.b() != 0) {
                    way = way(v0 + i * back.b());
                }
                across[i] = (float) (way * right.x());
                down[i] = (float) (way * right.y());
            }
        }

        /** What is added to the brightness of a place of the raster. */
        float disturbance(double x, double y) {
            double u = back.a() * x + back.c() * y + back.e();
            double v = back.b() * x + back.d() * y + back.f();
            long l = lineAt(v);
            double near = inBand(v);
            double sum = noise * (1 + 3 * near) * Grain.value(u / 3, l, (int) frame, (int) seed, 0) * 0.5;
            for (int i = 0; i < dropouts.length; i += 3) {
                double along = u - dropouts[i + 1];
                if (l == dropouts[i] && along >= 0 && along < dropouts[i + 2]) {
                    sum += amount * (1 - along / dropouts[i + 2]);
                }
            }
            return (float) sum;
        }
    }
}
