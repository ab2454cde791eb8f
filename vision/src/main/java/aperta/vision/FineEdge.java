package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/**
 * The coverage of each pixel at full size, from the shape at working size: as it is blurred by its own motion once its edge
 * has been found ({@link MotionEdge}). Where a pixel along the edge is a mixture of the figure's colour and the plate's, the
 * share is the one that explains the pixel best, held towards the shape (least squares with a Gaussian prior). Where the
 * figure has no one colour along its edge a pixel that saw a stretch of it is no such mixture, and the shape counts.
 */
final class FineEdge {
    /** For how much of a frame the shutter is open: a half turn, common practice, no source. */
    private static final double SHUTTER = 0.5;
    /** How hard the shape's own edge is, for the logarithm of odds. */
    private static final double HARD = 3;
    /** From such a length of blur on, in pixels, something doesn't stand still. */
    private static final double FAST = 4;
    /** A pixel of what stands still counts as seen before half of it is covered: by so much, as odds, the edge lies further in. */
    private static final double FURTHER_IN = 1;
    /** How far coverage may differ from the shape's, of what stands still and of what moves. */
    private static final double FREE = 0.6;

    private static final double FREE_MOVING = 0.25;
    /** What a mixture leaves unexplained, as a squared distance for each channel, by which it counts for 1 / e. */
    private static final double UNEXPLAINED = 0.24;
    /** The least deviation of a colour at full size. */
    private static final double NOISE = 3;
    /** What is more covered than this lends its colour to the edge, from how far, in pixels. */
    private static final float WHOLE = 0.96f;

    private static final double FAR = 6;
    private static final double SURE = 0.002;
    private static final float SEEN = -1;
    private final EvenLight film;
    private final CleanPlate plate;
    private final int by;

    FineEdge(EvenLight film, CleanPlate plate, int by) {
        this.film = film;
        this.plate = plate;
        this.by = by;
    }

    /**
     * What a frame shows where a shape lies. It is read from the film at once, so that its coverage can be worked out while the
     * film goes on.
     *
     * @param small the part of the frame at working size
     * @param odds of the shape, above 0 where the figure is
     */
    record Seen(Shape shape, Plane odds, Region small, Region part, Colours picture, CleanPlate.Part empty, int by) {
        /** The coverage, where there is any. */
        Matte coverage() {
            if (part.isEmpty()) {
                return new Matte(Region.NOTHING);
            }
            int w = part.width();
            int h = part.height();
            double dx = SHUTTER * shape.paceX() * by;
            double dy = SHUTTER * shape.paceY() * by;
            double slow = Math.max(0, 1 - Math.hypot(dx, dy) / FAST);
            Plane near = odds.moved(shape.part(), small, 0, 0, -9).enlarged(by, w, h);
            Plane found = MotionEdge.found(near, picture, empty, dx, dy);
            Plane hard = new Plane(w, h);
            for (int i = 0; i < w * h; i++) {
                hard.value()[i] = (float) (1 / (1 + Math.exp(HARD * (slow * FURTHER_IN - found.value()[i]))));
            }
            Plane alpha = hard.meanAlong(dx, dy);
            Colours before = shape.own()
                    .moved(shape.part(), small, 0, 0)
                    .enlarged(by, w, h)
                    .fromOpponent();
            alpha = mixtures(alpha, picture, empty, before, slow, by);
            return new Matte(part, alpha.blurred(0.5).value());
        }
    }

    Seen seen(long frame, Shape shape) {
        Plane odds = shape.decided().blurred(0.6);
        Region small = small(odds, shape);
        Region part = new Region(small.x() * by, small.y() * by, small.width() * by, small.height() * by)
                .intersect(film.frame());
        return part.isEmpty()
                ? new Seen(shape, odds, small, Region.NOTHING, null, null, by)
                : new Seen(
                        shape,
                        odds,
                        small,
                        part,
                        film.colours(frame, part),
                        plate.full(frame, () -> film.reduced(frame), part),
                        by);
    }

    private static Plane mixtures(
            Plane shaped, Colours picture, CleanPlate.Part empty, Colours before, double slow, int by) {
        boolean[] whole = new boolean[shaped.value().length];
        for (int i = 0; i < whole.length; i++) {
            whole[i] = shaped.value()[i] > WHOLE;
        }
        Colours own = picture.spread(whole, FAR);
        double free = FREE * slow + FREE_MOVING * (1 - slow);
        Plane around = shaped.mean(2 * by + 1, 2 * by + 1);
        Plane alpha = new Plane(shaped.width(), shaped.height());
        for (int i = 0; i < whole.length; i++) {
            double t = around.value()[i];
            if (t < SURE || t > 1 - SURE) {
                alpha.value()[i] = t < 0.5 ? 0 : 1;
            } else {
                double there = free * Math.sqrt(Math.max(0.02, 4 * t * (1 - t)));
                alpha.value()[i] = (float) share(i, picture, empty, own, before, shaped.value()[i], there, slow);
            }
        }
        return alpha;
    }

    /**
     * The better of two shares: of the figure's colour nearby, and of its colour there in frames before. Of what
     * moves it counts as far as it explains the pixel: where a rim of light has passed over it, it is no mixture of these two.
     */
    private static double share(
            int i,
            Colours picture,
            CleanPlate.Part empty,
            Colours own,
            Colours before,
            double shaped,
            double free,
            double slow) {
        double best = shaped;
        double least = Double.MAX_VALUE;
        for (Colours figure : new Colours[] {own, before}) {
            double across = 0;
            double along = 0;
            double all = 0;
            for (int c = 0; c < 3; c++) {
                double deviation = NOISE + empty.deviation().channels()[c][i];
                double f = (figure.channels()[c][i] - empty.colours().channels()[c][i]) / deviation;
                double p = (picture.channels()[c][i] - empty.colours().channels()[c][i]) / deviation;
                across += f * p / 3;
                along += f * f / 3;
                all += p * p / 3;
            }
            double held = 1 / (free * free);
            double a = Math.max(0, Math.min(1, (across + shaped * held) / (along + held)));
            double cost = all - 2 * a * across + a * a * along + (a - shaped) * (a - shaped) * held;
            if (cost < least) {
                least = cost;
                double left = all - 2 * a * across + a * a * along;
                double mixture = slow + (1 - slow) * Math.exp(-left / UNEXPLAINED);
                best = shaped + mixture * (a - shaped);
            }
        }
        return best;
    }

    private Region small(Plane odds, Shape shape) {
        Region part = shape.part();
        int x0 = part.right();
        int y0 = part.bottom();
        int x1 = part.x();
        int y1 = part.y();
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                if (odds.value()[(y - part.y()) * part.width() + x - part.x()] > SEEN) {
                    x0 = Math.min(x0, x);
                    x1 = Math.max(x1, x + 1);
                    y0 = Math.min(y0, y);
                    y1 = Math.max(y1, y + 1);
                }
            }
        }
        int room = 4 + (int) Math.ceil(Math.max(Math.abs(shape.paceX()), Math.abs(shape.paceY())));
        Region frame = film.reducedFrame();
        return x1 <= x0
                ? Region.NOTHING
                : new Region(x0, y0, x1 - x0, y1 - y0).grown(room).intersect(frame);
    }
}
