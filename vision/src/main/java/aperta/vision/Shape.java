package aperta.vision;

import aperta.core.picture.Region;

/**
 * What is known of a figure on one frame, at working size.
 *
 * @param part of the frame in which it lies; all planes are as large
 * @param remembered how surely each pixel belonged to it while that could be seen, moved along with it
 * @param decided the logarithm of the odds that a pixel of this frame belongs to it
 * @param own its own colours, gone on beyond its edge
 * @param around the colours around it, moved along with it: what moves with it but is not it (shadow, mirror image)
 * @param paceX and {@code paceY}: pixels from a frame to the next
 * @param paced whether its pace is known
 * @param palette the colours it is made of
 * @param ground the colours of what is around it
 * @param earlier what it looked like before
 * @param sure how clearly figure and background are told apart along its edge, 0 to 1
 */
record Shape(
        Region part,
        Plane remembered,
        Plane decided,
        Colours own,
        Colours around,
        double paceX,
        double paceY,
        boolean paced,
        Palette palette,
        Palette ground,
        EarlierShapes earlier,
        double sure) {
    /** How far colours go on, in pixels. */
    private static final double ON = 2;
    /** What is covered by more than this lends the figure its colours: less is a mixture with what is behind it. */
    private static final float SURELY_OWN = 0.9f;
    /** What is covered by less than this lends the surroundings theirs. */
    private static final float SURELY_NOT = 0.4f;

    /** What is as near to the edge as this, in pixels, may be a mixture. */
    private static final double BESIDE = 2;

    static Colours own(Colours picture, Plane alpha) {
        boolean[] there = new boolean[alpha.value().length];
        for (int i = 0; i < there.length; i++) {
            there[i] = alpha.value()[i] > SURELY_OWN;
        }
        return picture.spread(there, ON);
    }

    /** The colours of what surely isn't covered. */
    static Palette ground(Colours picture, Plane alpha) {
        Plane inside = alpha.signedDistance();
        Plane not = new Plane(alpha.width(), alpha.height());
        for (int i = 0; i < not.value().length; i++) {
            not.value()[i] = inside.value()[i] < -BESIDE ? 1 : 0;
        }
        return Palette.of(picture, not);
    }

    static Colours around(Colours picture, Plane alpha) {
        boolean[] there = new boolean[alpha.value().length];
        for (int i = 0; i < there.length; i++) {
            there[i] = alpha.value()[i] < SURELY_NOT;
        }
        return picture.spread(there, ON);
    }

    Shape at(double x, double y) {
        return new Shape(part, remembered, decided, own, around, x, y, true, palette, ground, earlier, sure);
    }

    /** Whose pace isn't known. */
    Shape unpaced() {
        return new Shape(part, remembered, decided, own, around, 0, 0, false, palette, ground, earlier, sure);
    }

    Shape with(Palette colours) {
        return new Shape(part, remembered, decided, own, around, paceX, paceY, paced, colours, ground, earlier, sure);
    }

    Shape with(EarlierShapes shapes) {
        return new Shape(part, remembered, decided, own, around, paceX, paceY, paced, palette, ground, shapes, sure);
    }

    /** The same frame as it was carried there the other way, by a share of that one. */
    Shape with(Shape other, double share) {
        Plane there = other.decided.moved(other.part, part, 0, 0, -9);
        Plane mixed = new Plane(part.width(), part.height());
        for (int i = 0; i < mixed.value().length; i++) {
            mixed.value()[i] = (float) ((1 - share) * decided.value()[i] + share * there.value()[i]);
        }
        return new Shape(
                part,
                remembered,
                mixed,
                own,
                around,
                paceX,
                paceY,
                paced,
                palette,
                ground,
                earlier,
                Math.max(sure, other.sure));
    }

    /** The part of a frame where it will be, and room around it. */
    Region next(double dx, double dy, int room, Region frame) {
        int x0 = part.right();
        int y0 = part.bottom();
        int x1 = part.x();
        int y1 = part.y();
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                if (remembered.value()[(y - part.y()) * part.width() + x - part.x()] > 0.2f) {
                    x0 = Math.min(x0, x);
                    x1 = Math.max(x1, x + 1);
                    y0 = Math.min(y0, y);
                    y1 = Math.max(y1, y + 1);
                }
            }
        }
        if (x1 <= x0) {
            return Region.NOTHING;
        }
        int mx = (int) Math.round(dx);
        int my = (int) Math.round(dy);
        return new Region(x0 + mx, y0 + my, x1 - x0, y1 - y0).grown(room).intersect(frame);
    }
}
