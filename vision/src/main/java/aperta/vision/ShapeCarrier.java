package aperta.vision;

import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
    /** Beyond this distance from the edge nothing changes, in pixels; inside it's safer. */
    private static final double OUT = 7;

    private static final double IN = 10;
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
    /** How far a stroke's own word reaches, in pixels. */
    private static final double STROKE_REACH = 3;
    /** Looking for where it has moved: how far across, how far down, by which steps, in pixels. */
    private static final double[][] UNPACED = {{16, 5, 1}, {0.75, 0.75, 0.25}};

    private static final double[][] PACED = {{4, 3, 1}, {0.75, 0.75, 0.25}};
    private static final int MOST_SAMPLES = 1500;
    /** What a changed pace costs, for each pixel. */
    private static final double CHANGE = 0.02;

    private static final double MOST_WORD = 12;

    private final ClipFilm film;
    private final CleanPlate plate;
    private final int by;
    private final Region frame;

    ShapeCarrier(ClipFilm film, CleanPlate plate, int by) {
        this.film = film;
        this.plate = plate;
        this.by = by;
        this.frame = new Region(0, 0, (film.width() + by - 1) / by, (film.height() + by - 1) / by);
    }

    /**
     * The figure on the frame after (or before) the one of a shape.
     *
     * @param way 1 forwards, -1 backwards
     * @return nothing where it has left the picture
     */
    Optional<Shape> step(Shape shape, long number, int way, Optional<Strokes> strokes) {
        Colours all = film.reduced(number, by);
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
                0);
        Colours picture = cut(all, part);
        CleanPlate.Part empty = plate.small(number, all, part);
        return Optional.of(decide(limbsMoved(expected, picture, empty), picture, empty, strokes));
    }

    private static Shape limbsMoved(Shape expected, Colours picture, CleanPlate.Part empty) {
        Plane inside = expected.remembered().signedDistance();
        LimbMotion motion = LimbMotion.of(expected.remembered(), Evidence.of(picture, empty, expected, inside));
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
                0);
    }

    static Colours cut(Colours all, Region part) {
        return all.moved(new Region(0, 0, all.width(), all.height()), part, 0, 0);
    }

    /** Decides each pixel, and learns: from a frame that was brushed, all that it shows. */
    Shape decide(Shape expected, Colours picture, CleanPlate.Part empty, Optional<Strokes> strokes) {
        Region part = expected.part();
        Plane inside = expected.remembered().signedDistance();
        Plane evidence = Evidence.of(picture, empty, expected, inside);
        Plane decided = new Plane(part.width(), part.height());
        for (int i = 0; i < decided.value().length; i++) {
            double d = inside.value()[i];
            double m = Math.max(0.02, Math.min(0.98, expected.remembered().value()[i]));
            double prior = PER_PIXEL * Math.max(-FURTHEST, Math.min(FURTHEST, d)) + MEMORY * Math.log(m / (1 - m));
            double odds = EVIDENCE * evidence.value()[i] + prior;
            odds = d < -OUT ? -CERTAIN : d > IN ? CERTAIN : odds;
            decided.value()[i] = (float) Math.max(-CERTAIN, Math.min(CERTAIN, odds));
        }
        strokes.ifPresent(s -> s.tell(part, decided, STROKE_REACH, CERTAIN));
        Plane alpha = probability(decided);
        Plane remembered = new Plane(part.width(), part.height());
        boolean brushed = strokes.isPresent();
        double clear = 0;
        int edge = 0;
        for (int i = 0; i < remembered.value().length; i++) {
            double p = 1 / (1 + Math.exp(-EVIDENCE * evidence.value()[i]));
            double clarity = Math.abs(2 * p - 1);
            boolean near = Math.abs(inside.value()[i]) <= OUT;
            float m = expected.remembered().value()[i];
            double rate = evidence.value()[i] < 0 ? FORGOTTEN : LEARNT;
            rate = brushed ? 1 : near ? rate * clarity * clarity * clarity : 0;
            remembered.value()[i] = (float) (m + rate * (alpha.value()[i] - m));
            if (alpha.value()[i] > 0.05f && alpha.value()[i] < 0.95f) {
                edge++;
                clear += clarity;
            }
        }
        return new Shape(
                part,
                remembered,
                decided,
                expected.own().mixed(Shape.own(picture, alpha), brushed ? 1 : COLOURS_LEARNT),
                Shape.around(picture, brushed ? alpha : figureOrAlike(alpha, evidence)),
                expected.paceX(),
                expected.paceY(),
                expected.paced(),
                brushed ? Palette.of(picture, alpha) : expected.palette(),
                edge == 0 ? 0 : clear / edge);
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
        CleanPlate.Part empty = plate.small(number, picture, seen);
        List<int[]> samples = samples(s);
        double startX = way * s.paceX();
        double startY = way * s.paceY();
        double x = startX;
        double y = startY;
        for (double[] look : s.paced() ? PACED : UNPACED) {
            double best = Double.NEGATIVE_INFINITY;
            double fromX = x;
            double fromY = y;
            for (double dy = -look[1]; dy <= look[1]; dy += look[2]) {
                for (double dx = -look[0]; dx <= look[0]; dx += look[2]) {
                    double fit = fit(s, samples, picture, empty, seen, fromX + dx, fromY + dy);
                    double change = Math.abs(fromX + dx - startX) + Math.abs(fromY + dy - startY);
                    fit -= s.paced() ? CHANGE * samples.size() * change : 0;
                    if (fit > best) {
                        best = fit;
                        x = fromX + dx;
                        y = fromY + dy;
                    }
                }
            }
        }
        return new double[] {x, y};
    }

    private static List<int[]> samples(Shape s) {
        Region part = s.part();
        int count = 0;
        for (float m : s.remembered().value()) {
            count += m > 0.5f ? 1 : 0;
        }
        int stride = Math.max(1, (int) Math.sqrt((double) count / MOST_SAMPLES));
        List<int[]> all = new ArrayList<>();
        for (int y = 0; y < part.height(); y += stride) {
            for (int x = 0; x < part.width(); x += stride) {
                if (s.remembered().value()[y * part.width() + x] > 0.5f) {
                    all.add(new int[] {x, y});
                }
            }
        }
        return all;
    }

    private static double fit(
            Shape s, List<int[]> samples, Colours picture, CleanPlate.Part empty, Region seen, double dx, double dy) {
        Region part = s.part();
        double sum = 0;
        for (int[] at : samples) {
            double x = part.x() + at[0] + dx;
            double y = part.y() + at[1] + dy;
            int px = (int) Math.round(x);
            int py = (int) Math.round(y);
            if (x < 0 || y < 0 || x >= picture.width() - 1 || y >= picture.height() - 1 || !seen.contains(px, py)) {
                continue;
            }
            int here = (py - seen.y()) * seen.width() + px - seen.x();
            int there = at[1] * part.width() + at[0];
            double better = 0;
            for (int c = 0; c < 3; c++) {
                float v = picture.between(c, x, y);
                double deviation = Evidence.NOISE[c] + empty.deviation().channels()[c][here];
                better += Evidence.far(v - empty.colours().channels()[c][here], deviation)
                        - Evidence.far(v - s.own().channels()[c][there], deviation);
            }
            sum += Math.max(-MOST_WORD, Math.min(MOST_WORD, better));
        }
        return sum;
    }
}
