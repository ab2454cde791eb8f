package aperta.vision;

import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import java.util.Random;
import java.util.function.LongFunction;

/** A film of a smooth made surface that moves as it is told, with light that changes, grain, and an occluder. */
final class MadeFilm implements Film {
    private static final int WAVES = 24;

    final int width = 320;
    final int height = 200;
    private final double[][] waves = new double[WAVES][];
    private final LongFunction<Homography> motion;
    private final double flicker;
    private final double grain;
    private final long hiddenFrom;
    private final long hiddenTo;

    /** @param motion from the first frame's places to those of a frame */
    MadeFilm(LongFunction<Homography> motion, double flicker, double grain, long hiddenFrom, long hiddenTo) {
        this.motion = motion;
        this.flicker = flicker;
        this.grain = grain;
        this.hiddenFrom = hiddenFrom;
        this.hiddenTo = hiddenTo;
        Random random = new Random(11);
        for (int i = 0; i < WAVES; i++) {
            double length = 9 + 50 * random.nextDouble();
            double angle = 2 * Math.PI * random.nextDouble();
            waves[i] = new double[] {
                2 * Math.PI / length * Math.cos(angle),
                2 * Math.PI / length * Math.sin(angle),
                2 * Math.PI * random.nextDouble(),
                0.02 + 0.025 * random.nextDouble()
            };
        }
    }

    static MadeFilm of(LongFunction<Homography> motion) {
        return new MadeFilm(motion, 0, 0, -1, -1);
    }

    Point at(Point first, long frame) {
        return motion.apply(frame).apply(first);
    }

    @Override
    public int width() {
        return width;
    }

    @Override
    public int height() {
        return height;
    }

    @Override
    public long frames() {
        return 120;
    }

    @Override
    public int level() {
        return 1;
    }

    private double surface(double x, double y) {
        double v = 0.45;
        for (double[] w : waves) {
            v += w[3] * Math.sin(w[0] * x + w[1] * y + w[2]);
        }
        return v;
    }

    /** Of deviation 1: the sum of twelve even numbers. */
    private static double noise(long seed) {
        long h = seed;
        double sum = -6;
        for (int i = 0; i < 12; i++) {
            h = (h ^ (h >>> 31)) * 0x9E3779B97F4A7C15L + i;
            sum += (h >>> 11) * 0x1p-53;
        }
        return sum;
    }

    @Override
    public float[] grey(long frame, Region part) {
        Homography back = motion.apply(frame).inverse();
        float[] all = new float[part.width() * part.height()];
        double light = 1 + flicker * Math.sin(frame * 0.9);
        double[] to = new double[2];
        for (int i = 0; i < all.length; i++) {
            int x = Math.min(width - 1, Math.max(0, part.x() + i % part.width()));
            int y = Math.min(height - 1, Math.max(0, part.y() + i / part.width()));
            back.apply(x + 0.5, y + 0.5, to);
            double v = light * surface(to[0], to[1]) + 0.05 * flicker * frame / 100;
            if (frame >= hiddenFrom && frame <= hiddenTo) {
                v = 0.2 + 0.1 * Math.sin(x * 0.2) * Math.cos(y * 0.15);
            }
            v += grain == 0 ? 0 : grain * noise((frame * 7919 + y) * 65_537L + x);
            all[i] = (float) (Math.rint(255 * Math.min(1, Math.max(0, v))) / 255);
        }
        return all;
    }
}
