package aperta.vision;

/**
 * Where the edge of a figure lies that is blurred by its own motion. While the shutter is open its edge passes over a stretch
 * of pixels, and the outermost of them already differ from the plate; so what looks different reaches half of that stretch
 * further than the figure does in the middle of the exposure. How far out a difference can be seen depends on how strong it
 * is: along a ramp of coverage, where it rises above the noise.
 */
final class MotionEdge {
    /** The least length of blur that is looked at, in pixels. */
    private static final double LEAST_LENGTH = 2;
    /** What stands out from the noise, in deviations. */
    private static final double CLEAR = 1;
    /** What a lens, sharpening or compression leaves beside an edge, as a share of its contrast, doesn't count. */
    private static final double RINGING = 0.05;
    /** The least deviation of brightness at full size. */
    private static final double NOISE = 3;
    /** Over how many pixels across the motion a difference is averaged. */
    private static final double ACROSS = 5;
    /** From so many times as much as what stands out a difference counts, and from how many times wholly. */
    private static final double FAINT = 2;

    private static final double STRONG = 4;
    /** How far along the edge what was found counts: the deviation of a Gaussian, in pixels. */
    private static final double ALONG = 5;
    /** What an edge that can't be seen counts: it stays. */
    private static final double UNSEEN = 0.1;

    private static final double NOTHING = 1e-6;

    private final Plane odds;
    private final Plane difference;
    private final double length;
    private final double ux;
    private final double uy;

    private MotionEdge(Plane odds, Plane difference, double length, double ux, double uy) {
        this.odds = odds;
        this.difference = difference;
        this.length = length;
        this.ux = ux;
        this.uy = uy;
    }

    /**
     * The odds with their edge moved along the motion to where it is in the middle of the exposure.
     *
     * @param odds above 0 where the figure is taken to be
     * @param dx and {@code dy}: how far the figure moves while the shutter is open, in pixels
     */
    static Plane found(Plane odds, Colours picture, CleanPlate.Part plate, double dx, double dy) {
        double length = Math.hypot(dx, dy);
        if (length < LEAST_LENGTH) {
            return odds;
        }
        double ux = dx / length;
        double uy = dy / length;
        return new MotionEdge(odds, difference(picture, plate, ux, uy), length, ux, uy).moved();
    }

    /**
     * How far the brightness of each pixel is from the plate's, in deviations, averaged across the motion. Colour is stored
     * less finely than brightness and runs over edges, so it doesn't tell where they are.
     */
    private static Plane difference(Colours picture, CleanPlate.Part plate, double ux, double uy) {
        Plane difference = new Plane(picture.width(), picture.height());
        for (int i = 0; i < difference.value().length; i++) {
            double far = 0;
            double deviation = 0;
            for (int c = 0; c < 3; c++) {
                far += (picture.channels()[c][i] - plate.colours().channels()[c][i]) / 3;
                deviation += plate.deviation().channels()[c][i] / 3;
            }
            difference.value()[i] = (float) (far / (NOISE + deviation));
        }
        difference = difference.meanAlong(-ACROSS * uy, ACROSS * ux);
        for (int i = 0; i < difference.value().length; i++) {
            difference.value()[i] = Math.abs(difference.value()[i]);
        }
        return difference;
    }

    private Plane moved() {
        int w = odds.width();
        int h = odds.height();
        Plane by = new Plane(w, h);
        Plane weight = new Plane(w, h);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                if (odds.value()[y * w + x] > 0) {
                    edge(x, y, 1, by, weight);
                    edge(x, y, -1, by, weight);
                }
            }
        }
        Plane byNear = by.blurred(ALONG);
        Plane weightNear = weight.blurred(ALONG);
        Plane to = new Plane(w, h);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                double m = weightNear.value()[i] < NOTHING
                        ? 0
                        : byNear.value()[i] / weightNear.value()[i];
                to.value()[i] = odds.near(x - m * ux, y - m * uy);
            }
        }
        return to;
    }

    /** Where a pixel is the figure's last, which way the edge has to go, and how surely. */
    private void edge(int x, int y, int way, Plane by, Plane weight) {
        double outX = way * ux;
        double outY = way * uy;
        double beyond = odds.near(x + outX, y + outY);
        if (beyond > 0) {
            return;
        }
        int i = y * odds.width() + x;
        double now = odds.value()[i] / (odds.value()[i] - beyond);
        int n = (int) Math.ceil(length);
        double[] d = new double[2 * n + 1];
        for (int t = -n; t <= n; t++) {
            d[t + n] = difference.near(x + t * outX, y + t * outY);
        }
        int top = 0;
        for (int t = 0; t <= n + n / 2; t++) {
            top = d[t] > d[top] ? t : top;
        }
        int last = top;
        double clear = Math.max(CLEAR, RINGING * d[top]);
        while (last < 2 * n && (d[last + 1] > clear || last + 2 <= 2 * n && d[last + 2] > clear)) {
            last++;
        }
        // What differs as far as can be looked is something else beside the figure.
        double seen = last == 2 * n ? 0 : (d[top] / CLEAR - FAINT) / (STRONG - FAINT);
        double sure = Math.max(0, Math.min(1, seen));
        double coveredThere = Math.min(0.5, clear / Math.max(NOTHING, d[top]));
        double out = last - n + 0.5 - (0.5 - coveredThere) * length - now;
        by.value()[i] += (float) (way * sure * Math.max(-length, Math.min(length, out)));
        weight.value()[i] += (float) (sure + UNSEEN * (1 - sure));
    }
}
