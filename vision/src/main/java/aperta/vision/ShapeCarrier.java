package aperta.vision;

import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Carries the shape of a figure from a frame to the next. It is moved by where its colours fit best; then each pixel is
 * decided from what the frame says ({@link Evidence}) and from what was remembered. Only what can be seen clearly is
 * remembered, so that a shape in front of what looks alike stays as it was.
 */
final class ShapeCarrier {
    /** How much what a frame says counts. */
    private static final double EVIDENCE = 2.5;
    /** How much a pixel of distance from the remembered edge counts, and up to which distance. */
    private static final double PER_PIXEL = 0.5;

    private static final double FURTHEST = 8;
    /** How much what is remembered of the pixel itself counts. */
    private static final double MEMORY = 0.8;
    /** Further out than this nothing changes, in pixels. */
    private static final double OUT = 14;

    /**
     * How quickly shape and colours are learnt, and shape is forgotten; the shape by the cube of clarity, or noise would wear
     * it away.
     */
    private static final double LEARNT = 0.25;

    private static final double FORGOTTEN = 0.4;

    private static final double COLOURS_LEARNT = 0.6;
    private static final double PACE_LEARNT = 0.4;
    /** What is certain, as a logarithm of odds. */
    private static final double CERTAIN = 9;
    /** How far a stroke speaks for what is around it, in pixels: on the first frame, and where a shape is known already. */
    private static final double STROKE_REACH = 3;

    private static final double CORRECTION_REACH = 1.5;
    /** Looking for where it has moved: how far across, how far down, by which steps, in pixels. */
    private static final double[][] UNPACED = {{16, 5, 1}, {0.75, 0.75, 0.25}};

    private static final double[][] PACED = {{4, 3, 1}, {0.75, 0.75, 0.25}};
    private static final int MOST_SAMPLES = 1500;
    /** What a changed pace costs, for each pixel. */
    private static final double CHANGE = 0.02;

    private static final double MOST_WORD = 12;

    private final EvenLight film;
    private final CleanPlate plate;
    private final Region frame;

    ShapeCarrier(EvenLight film, CleanPlate plate) {
        this.film = film;
        this.plate = plate;
        this.frame = film.reducedFrame();
    }

    /**
     * The figure on the frame after (or before) the one of a shape.
     *
     * @param way 1 forwards, -1 backwards
     * @return nothing where it has left the picture
     */
    Optional<Shape> step(Shape shape, long number, int way, Optional<Strokes> strokes) {
        Colours all = film.reduced(number);
        double[] moved = motion(shape, number, all, way);
        Region part = shape.next(moved[0], moved[1], (int) OUT + 9, frame);
        if (part.isEmpty() || part.width() < 4 || part.height() < 4) {
            return Optional.empty();
        }
        double learnt = shape.paced() ? PACE_LEARNT : 1;
        Shape expected = new Shape(
                part,
                shape.remembered().moved(shape.part(), part, moved[0], moved[1], 0),
                null,
                shape.own().moved(shape.part(), part, moved[0], moved[1]),
                shape.around().moved(shape.part(), part, moved[0], moved[1]),
                shape.paceX() * (1 - learnt) + way * moved[0] * learnt,
                shape.paceY() * (1 - learnt) + way * moved[1] * learnt,
                true,
                shape.palette(),
                shape.ground(),
                shape.earlier().moved(moved[0], moved[1]),
                0);
        Colours picture = cut(all, part);
        CleanPlate.Part empty = plate.small(number, all, part);
        Plane inside = expected.remembered().signedDistance();
        Plane evidence = Evidence.of(picture, empty, expected, inside, Optional.empty());
        Shape limbs = limbsMoved(expected, evidence);
        Optional<Recalled> recalled = expected.earlier().alike(number, part, limbs.remembered(), evidence);
        return Optional.of(decide(number, limbs, picture, empty, recalled, strokes));
    }

    private static Shape limbsMoved(Shape expected, Plane evidence) {
        LimbMotion motion = LimbMotion.of(expected.remembered(), evidence);
        return new Shape(
                expected.part(),
                motion.moved(expected.remembered()),
                null,
                motion.moved(expected.own()),
                motion.moved(expected.around()),
                expected.paceX(),
                expected.paceY(),
                true,
                expected.palette(),
                expected.ground(),
                expected.earlier(),
                0);
    }

    static Colours cut(Colours all, Region part) {
        return all.moved(new Region(0, 0, all.width(), all.height()), part, 0, 0);
    }

    /** Decides each pixel, and learns: from a frame that was brushed, all that it shows. */
    Shape decide(long number, Shape expected, Colours picture, CleanPlate.Part empty, Optional<Strokes> strokes) {
        return decide(number, expected, picture, empty, Optional.empty(), strokes);
    }

    private Shape decide(
            long number,
            Shape expected,
            Colours picture,
            CleanPlate.Part empty,
            Optional<Recalled> recalled,
            Optional<Strokes> strokes) {
        Region part = expected.part();
        Plane before = expected.remembered().signedDistance();
        Plane evidence = Evidence.of(picture, empty, expected, before, recalled);
        Plane clarity = clarity(evidence);
        Plane clear = clear(clarity, before);
        Plane known =
                recalled.map(r -> r.filledInto(expected.remembered(), clear)).orElse(expected.remembered());
        Plane inside = recalled.isPresent() ? known.signedDistance() : before;
        Plane decided = decided(evidence, known, inside);
        double reach = expected.paced() ? CORRECTION_REACH : STROKE_REACH;
        strokes.ifPresent(s -> s.tell(part, decided, reach, CERTAIN));
        Plane alpha = probability(decided);
        boolean brushed = strokes.isPresent();
        Plane remembered = new Plane(part.width(), part.height());
        for (int i = 0; i < remembered.value().length; i++) {
            double c = clarity.value()[i];
            boolean near = Math.abs(inside.value()[i]) <= OUT;
            float m = known.value()[i];
            double rate = evidence.value()[i] < 0 ? FORGOTTEN : LEARNT;
            rate = brushed ? 1 : near ? rate * c * c * c : 0;
            remembered.value()[i] = (float) (m + rate * (alpha.value()[i] - m));
        }
        double sure = sure(alpha, clarity);
        Colours own = Shape.own(picture, alpha);
        return new Shape(
                part,
                remembered,
                decided,
                expected.own().mixed(own, brushed ? 1 : COLOURS_LEARNT),
                Shape.around(picture, brushed ? alpha : figureOrAlike(alpha, evidence)),
                expected.paceX(),
                expected.paceY(),
                expected.paced(),
                brushed ? Palette.of(picture, alpha) : expected.palette(),
                brushed ? Shape.ground(picture, alpha) : expected.ground(),
                expected.earlier().with(number, part, alpha, clear, own, brushed ? 1 : sure),
                sure);
    }

    /** A shape that was decided before, with what it looked like before and on its own frame. */
    Shape learnt(long number, Shape shape, EarlierShapes before) {
        Region part = shape.part();
        Colours all = film.reduced(number);
        Colours picture = cut(all, part);
        Plane inside = shape.remembered().signedDistance();
        Plane clarity = clarity(Evidence.of(picture, plate.small(number, all, part), shape, inside, Optional.empty()));
        Plane clear = clear(clarity, inside);
        double sure = sure(shape.remembered(), clarity);
        return shape.with(before.with(number, part, shape.remembered(), clear, shape.own(), sure));
    }

    private static Plane decided(Plane evidence, Plane known, Plane inside) {
        Plane decided = new Plane(known.width(), known.height());
        for (int i = 0; i < decided.value().length; i++) {
            double d = inside.value()[i];
            double m = Math.max(0.02, Math.min(0.98, known.value()[i]));
            double prior = PER_PIXEL * Math.max(-FURTHEST, Math.min(FURTHEST, d)) + MEMORY * Math.log(m / (1 - m));
            double odds = EVIDENCE * evidence.value()[i] + prior;
            odds = d < -OUT ? -CERTAIN : odds;
            decided.value()[i] = (float) Math.max(-CERTAIN, Math.min(CERTAIN, odds));
        }
        return decided;
    }

    /** How far from even the odds are that a frame gives each pixel, 0 to 1. */
    private static Plane clarity(Plane evidence) {
        Plane clarity = new Plane(evidence.width(), evidence.height());
        for (int i = 0; i < clarity.value().length; i++) {
            double p = 1 / (1 + Math.exp(-EVIDENCE * evidence.value()[i]));
            clarity.value()[i] = (float) Math.abs(2 * p - 1);
        }
        return clarity;
    }

    /** How clear it is along the edge. */
    private static double sure(Plane alpha, Plane clarity) {
        double along = 0;
        int edge = 0;
        for (int i = 0; i < alpha.value().length; i++) {
            if (alpha.value()[i] > 0.05f && alpha.value()[i] < 0.95f) {
                edge++;
                along += clarity.value()[i];
            }
        }
        return edge == 0 ? 0 : along / edge;
    }

    /** How clearly each pixel can be told: far outside surely, elsewhere where the frame says much. */
    private static Plane clear(Plane clarity, Plane inside) {
        Plane clear = new Plane(clarity.width(), clarity.height());
        for (int i = 0; i < clear.value().length; i++) {
            double d = inside.value()[i];
            double c = clarity.value()[i];
            clear.value()[i] = d < -OUT ? 1 : (float) (c * c * c * c * c * c);
        }
        return clear.blurred(1);
    }

    /** What looks like the figure, though it wasn't taken for it, isn't learnt as what is around it: a lost limb may come back. */
    private static Plane figureOrAlike(Plane alpha, Plane evidence) {
        Plane to = new Plane(alpha.width(), alpha.height());
        for (int i = 0; i < to.value().length; i++) {
            to.value()[i] = evidence.value()[i] > 0 ? 1 : alpha.value()[i];
        }
        return to;
    }

    static Plane probability(Plane odds) {
        Plane to = new Plane(odds.width(), odds.height());
        for (int i = 0; i < to.value().length; i++) {
            to.value()[i] = (float) (1 / (1 + Math.exp(-odds.value()[i])));
        }
        return to.blurred(0.8);
    }

    /** Where the figure's colours fit better than the empty plate. */
    private double[] motion(Shape s, long number, Colours picture, int way) {
        Region seen = s.next(way * s.paceX(), way * s.paceY(), 26, frame);
        if (seen.isEmpty()) {
            return new double[] {way * s.paceX(), way * s.paceY()};
        }
        Search search = new Search(s, picture, plate.small(number, picture, seen), seen);
        double[] start = {way * s.paceX(), way * s.paceY()};
        double[] at = start;
        for (double[] look : s.paced() ? PACED : UNPACED) {
            at = search.best(at, look, start);
        }
        return at;
    }

    /** Pixels of a shape, in its own part: where they lie, and the figure's colours there. */
    private record Samples(int[] x, int[] y, float[][] colours) {
        static Samples of(Shape s) {
            Region part = s.part();
            float[] remembered = s.remembered().value();
            int count = 0;
            for (float m : remembered) {
                count += m > 0.5f ? 1 : 0;
            }
            int stride = Math.max(1, (int) Math.sqrt((double) count / MOST_SAMPLES));
            int[] at = IntStream.range(0, remembered.length)
                    .filter(i ->
                            remembered[i] > 0.5f && i % part.width() % stride == 0 && i / part.width() % stride == 0)
                    .toArray();
            float[][] colours = new float[3][at.length];
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < at.length; i++) {
                    colours[c][i] = s.own().channels()[c][at[i]];
                }
            }
            return new Samples(
                    Arrays.stream(at).map(i -> i % part.width()).toArray(),
                    Arrays.stream(at).map(i -> i / part.width()).toArray(),
                    colours);
        }

        int count() {
            return x.length;
        }
    }

    /** Looks for where a figure has moved to. */
    private static final class Search {
        private final Shape shape;
        private final Samples samples;
        private final Colours picture;
        private final Region seen;
        private final float[] toEmpty;
        private final float[][] precision;

        Search(Shape shape, Colours picture, CleanPlate.Part empty, Region seen) {
            this.shape = shape;
            this.samples = Samples.of(shape);
            this.picture = picture;
            this.seen = seen;
            this.toEmpty = Evidence.far(cut(picture, seen), empty);
            this.precision = Evidence.precision(empty);
        }

        /** The best place around another one: the first of the best, so that it's the same each time. */
        double[] best(double[] around, double[] look, double[] start) {
            int across = (int) Math.round(2 * look[0] / look[2]) + 1;
            int down = (int) Math.round(2 * look[1] / look[2]) + 1;
            double[] fits = new double[across * down];
            double[][] at = new double[across * down][];
            IntStream.range(0, fits.length).parallel().forEach(i -> {
                double x = around[0] - look[0] + i % across * look[2];
                double y = around[1] - look[1] + i / across * look[2];
                double change = Math.abs(x - start[0]) + Math.abs(y - start[1]);
                at[i] = new double[] {x, y};
                fits[i] = fit(x, y) - (shape.paced() ? CHANGE * samples.count() * change : 0);
            });
            int best = 0;
            for (int i = 1; i < fits.length; i++) {
                best = fits[i] > fits[best] ? i : best;
            }
            return at[best];
        }

        /** All pixels are moved by the same, so that all lie between four others in the same way. */
        private double fit(double dx, double dy) {
            int w = picture.width();
            int left = shape.part().x() + (int) Math.floor(dx);
            int top = shape.part().y() + (int) Math.floor(dy);
            float sx = (float) (dx - Math.floor(dx));
            float sy = (float) (dy - Math.floor(dy));
            int nearX = (sx < 0.5f ? 0 : 1) - seen.x();
            int nearY = (sy < 0.5f ? 0 : 1) - seen.y();
            double sum = 0;
            for (int i = 0; i < samples.count(); i++) {
                int x = samples.x[i] + left;
                int y = samples.y[i] + top;
                int px = x + nearX;
                int py = y + nearY;
                boolean inside = x >= 0 && y >= 0 && x < w - 1 && y < picture.height() - 1;
                if (!inside || px < 0 || py < 0 || px >= seen.width() || py >= seen.height()) {
                    continue;
                }
                int there = y * w + x;
                int here = py * seen.width() + px;
                double rare = 1;
                for (int c = 0; c < 3; c++) {
                    float[] v = picture.channels()[c];
                    float between = (v[there] * (1 - sx) + v[there + 1] * sx) * (1 - sy)
                            + (v[there + w] * (1 - sx) + v[there + w + 1] * sx) * sy;
                    float own = between - samples.colours[c][i];
                    rare *= Evidence.rareBy(own * own * precision[c][here]);
                }
                double better = toEmpty[here] - Evidence.far(rare);
                sum += Math.max(-MOST_WORD, Math.min(MOST_WORD, better));
            }
            return sum;
        }
    }
}
