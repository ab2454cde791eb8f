package aperta.core.render;

import aperta.core.picture.Gaussian;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/**
 * The light around a thin thing: the mean of Gaussians of several radii, each brought to one at the thing itself, so that it
 * is as bright around a thin line as around a wide one. What it adds up to beyond one is one.
 */
final class Halo extends Softened<Step.Shades, Matte> implements Step.Shades {
    /** Which share of how far it reaches the σ of each Gaussian is, and how much of the light it has. */
    private static final double[][] BELLS = {{0.4, 0.2}, {0.16, 0.3}, {0.064, 0.5}};

    /** A smaller σ, in raster pixels, is as none. */
    private static final double LEAST = 0.05;

    private final double reach;
    private final double[] gains;

    private Halo(Step.Shades source, double reach, double[] gains) {
        super("halo", source, BELLS[0][0] * reach, gains);
        this.reach = reach;
        this.gains = gains;
    }

    /**
     * Around a line.
     *
     * @param reach how far the light reaches, in raster pixels
     * @param width of the line, in raster pixels
     * @param light how bright it is at the line
     */
    static Step.Shades ofLine(Step.Shades source, double reach, double width, double light) {
        // A line of that width seen through a Gaussian is at most width/(σ√2π) where that is small, and 1 where it is
        // wide.
        return of(source, reach, light, sigma -> Math.max(1, sigma * Math.sqrt(2 * Math.PI) / width));
    }

    /** Around a dot. */
    static Step.Shades ofDot(Step.Shades source, double reach, double width, double light) {
        return of(source, reach, light, sigma -> 1 / -StrictMath.expm1(-width * width / (8 * sigma * sigma)));
    }

    /** What one Gaussian is brought to one with. */
    private interface Gain {
        double of(double sigma);
    }

    private static Step.Shades of(Step.Shades source, double reach, double light, Gain gain) {
        double[] gains = new double[BELLS.length];
        for (int i = 0; i < gains.length; i++) {
            double sigma = BELLS[i][0] * reach;
            gains[i] = light * BELLS[i][1] * (sigma < LEAST ? 1 : gain.of(sigma));
        }
        return new Halo(source, reach, gains);
    }

    @Override
    public Matte make(Region needed, Making making) {
        return making.shaded(source, reach(needed), m -> {
            Matte all = new Matte(needed);
            for (int i = 0; i < gains.length; i++) {
                Matte bell = Gaussian.roughly(BELLS[i][0] * reach).blur(m, needed, making.bands(), making.scratch());
                add(all, bell, (float) gains[i], making);
            }
            return all;
        });
    }

    private static void add(Matte into, Matte bell, float gain, Making making) {
        Region r = into.domain();
        float[] sum = into.values();
        float[] more = bell.values();
        making.bands().run(r.height(), 64, (from, to) -> {
            int at = into.index(r.x(), r.y() + from);
            int other = bell.index(r.x(), r.y() + from);
            for (int end = at + (to - from) * r.width(); at < end; at++, other++) {
                sum[at] = Math.min(1, sum[at] + gain * more[other]);
            }
        });
    }

    @Override
    public long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        MatteRows.copy(tile, this, into);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return MatteRows.cover(tile, this, part);
    }
}
