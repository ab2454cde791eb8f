package aperta.vision;

import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A figure as it was seen on earlier frames. Shapes come back, as a walker's do with each step: what can't be seen now is
 * recalled from the frames on which the figure looked as much like now as it can be seen (exemplars, as in Toyama and Blake,
 * "Probabilistic Tracking in a Metric Space", ICCV 2001). Where the figure was is counted from the frame it was brushed on.
 *
 * @param x how far it has come since, in pixels
 * @param y the same down
 * @param every of how many frames one is kept
 * @param told how many frames were offered
 * @param all those that were kept, in the order in which they were seen
 */
record EarlierShapes(double x, double y, int every, long told, List<Exemplar> all) {
    static final EarlierShapes NONE = new EarlierShapes(0, 0, 1, 0, List.of());

    /** When there are more, every second one goes. */
    private static final int MOST = 96;
    /** A frame on which less can be told along the edge isn't kept. */
    private static final double CLEAR_ENOUGH = 0.6;
    /** Frames that lie nearer than this look alike in any case, and have the same faults. */
    private static final int TOO_NEAR = 8;
    /** How many are recalled together. */
    private static final int TOGETHER = 3;
    /** One that fits worse than this share of how what is remembered fits, is something else. */
    private static final double LEAST_FIT = 0.9;
    /** Of a figure of which less than this share is in the picture too little can be seen to tell how it stands. */
    private static final double LEAST_IN_PICTURE = 0.5;
    /** What a frame says against the figure counts at most this, since a limb that can't be seen looks as if it weren't there. */
    private static final double AGAINST = 0.3;
    /** How far the figure may lie beside where it is taken to be, in pixels. */
    private static final int ACROSS = 4;

    private static final int DOWN = 2;

    /**
     * @param frame its number
     * @param part of the frame in which it lies; all planes are as large
     * @param x where the figure was, and {@code y}
     * @param coverage of the figure
     * @param clear how clearly each pixel could be told, 0 to 1
     * @param own the figure's colours
     */
    record Exemplar(long frame, Region part, double x, double y, Plane coverage, Plane clear, Colours own) {}

    private record Fit(Exemplar exemplar, double dx, double dy, double fit) {
        Plane coverage(Region part) {
            return exemplar.coverage.moved(exemplar.part, part, dx, dy, 0);
        }

        Plane clear(Region part) {
            return exemplar.clear.moved(exemplar.part, part, dx, dy, 1);
        }
    }

    EarlierShapes moved(double dx, double dy) {
        return new EarlierShapes(x + dx, y + dy, every, told, all);
    }

    /**
     * With one more frame, if enough can be told there.
     *
     * @param sure how much can be told along the edge, 0 to 1
     */
    EarlierShapes with(long frame, Region part, Plane coverage, Plane clear, Colours own, double sure) {
        if (sure < CLEAR_ENOUGH) {
            return this;
        }
        List<Exemplar> more = new ArrayList<>(all);
        more.removeIf(e -> e.frame == frame);
        if (told % every == 0) {
            more.add(new Exemplar(frame, part, x, y, coverage, clear, own));
        }
        int wider = every;
        if (more.size() > MOST) {
            List<Exemplar> thinned = new ArrayList<>();
            for (int i = 0; i < more.size(); i += 2) {
                thinned.add(more.get(i));
            }
            more = thinned;
            wider *= 2;
        }
        return new EarlierShapes(x, y, wider, told + 1, List.copyOf(more));
    }

    /** With those that another one knows, too. */
    EarlierShapes and(EarlierShapes other) {
        List<Exemplar> more = new ArrayList<>(all);
        for (Exemplar e : other.all) {
            if (all.stream().noneMatch(a -> a.frame == e.frame)) {
                more.add(e);
            }
        }
        return new EarlierShapes(x, y, Math.max(every, other.every), told, List.copyOf(more));
    }

    /**
     * The figure as it was on the frames that fit best what this one says.
     *
     * @param part of the frame
     * @param remembered the figure's shape as it is remembered there
     * @param evidence the logarithm of the odds, by the frame alone
     * @return nothing where none fits
     */
    Optional<Recalled> alike(long frame, Region part, Plane remembered, Plane evidence) {
        Said said = new Said(part, evidence);
        List<Fit> fits = all.parallelStream()
                .filter(e -> Math.abs(e.frame - frame) >= TOO_NEAR)
                .map(e -> best(e, said))
                .sorted(Comparator.comparingDouble(Fit::fit).reversed())
                .toList();
        if (fits.isEmpty() || fits.get(0).fit < LEAST_FIT * said.fit(remembered, part, 0, 0, 1)) {
            return Optional.empty();
        }
        Fit first = fits.get(0);
        if (first.coverage(part).sum() < LEAST_IN_PICTURE * first.exemplar.coverage.sum()) {
            return Optional.empty();
        }
        Plane coverage = new Plane(part.width(), part.height());
        Plane clear = new Plane(part.width(), part.height());
        List<Fit> best = fits.subList(0, Math.min(TOGETHER, fits.size()));
        for (Fit f : best) {
            Plane seen = f.coverage(part);
            Plane surely = f.clear(part);
            for (int i = 0; i < seen.value().length; i++) {
                coverage.value()[i] += surely.value()[i] * seen.value()[i];
                clear.value()[i] += surely.value()[i];
            }
        }
        for (int i = 0; i < coverage.value().length; i++) {
            coverage.value()[i] /= Math.max(1e-6f, clear.value()[i]);
            clear.value()[i] /= best.size();
        }
        Colours own = first.exemplar.own.moved(first.exemplar.part, part, first.dx, first.dy);
        return Optional.of(new Recalled(coverage, clear, own));
    }

    /** Looked for roughly first, then beside what was found. */
    private Fit best(Exemplar e, Said said) {
        int[] rough = best(e, said, new int[] {0, 0}, ACROSS, DOWN, 2, 3);
        int[] fine = best(e, said, rough, 1, 1, 1, 2);
        double dx = x - e.x + fine[0];
        double dy = y - e.y + fine[1];
        return new Fit(e, dx, dy, said.fit(e.coverage, e.part, dx, dy, 1));
    }

    private int[] best(Exemplar e, Said said, int[] from, int across, int down, int by, int step) {
        double most = Double.NEGATIVE_INFINITY;
        int[] to = from;
        for (int dy = from[1] - down; dy <= from[1] + down; dy += by) {
            for (int dx = from[0] - across; dx <= from[0] + across; dx += by) {
                double fit = said.fit(e.coverage, e.part, x - e.x + dx, y - e.y + dy, step);
                if (fit > most) {
                    most = fit;
                    to = new int[] {dx, dy};
                }
            }
        }
        return to;
    }

    /** What a frame says of each pixel of a part of it. */
    private static final class Said {
        private final Region part;
        private final float[] odds;
        /** Of every pixel, of one in two across and down, and of one in three. */
        private final double[] all = new double[4];

        Said(Region part, Plane evidence) {
            this.part = part;
            odds = new float[evidence.value().length];
            for (int i = 0; i < odds.length; i++) {
                odds[i] = (float) Math.max(-AGAINST, evidence.value()[i]);
                for (int step = 1; step < all.length; step++) {
                    all[step] += i % part.width() % step == 0 && i / part.width() % step == 0 ? odds[i] : 0;
                }
            }
        }

        /**
         * How well a shape, moved by whole pixels, goes with it: for the figure inside of it, against it outside. Where it covers
         * hardly anything it adds nothing to what counts if the figure is nowhere.
         *
         * @param step of how many pixels, across and down, one is looked at, at most three
         */
        double fit(Plane coverage, Region from, double dx, double dy, int step) {
            int w = part.width();
            int left = (int) Math.round(part.x() - from.x() - dx);
            int top = (int) Math.round(part.y() - from.y() - dy);
            int x1 = Math.min(w, coverage.width() - left);
            int y1 = Math.min(part.height(), coverage.height() - top);
            double more = 0;
            for (int y = first(top, step); y < y1; y += step) {
                int there = (y + top) * coverage.width() + left;
                for (int x = first(left, step); x < x1; x += step) {
                    float inside = 4 * coverage.value()[there + x] - 1;
                    more += inside <= 0 ? 0 : Math.min(2, inside) * odds[y * w + x];
                }
            }
            return (more - all[step]) * step * step;
        }

        /** The first place that is looked at and doesn't lie before where a shape begins. */
        private static int first(int begins, int step) {
            return begins >= 0 ? 0 : (-begins + step - 1) / step * step;
        }
    }
}
