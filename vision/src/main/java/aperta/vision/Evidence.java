package aperta.vision;

/**
 * What a frame itself says about which pixels belong to a figure: the likelihood of each colour under what the figure looked
 * like there or under the colours it is made of, against its likelihood under the clean plate, under what moves along around
 * the figure, and under the plate in shadow (its colours made darker, Prati et al., "Detecting Moving Shadows", IEEE PAMI 25, 2003).
 */
final class Evidence {
    /** The least deviation of a colour at working size, of 255. */
    static final double NOISE = 0.6;
    /** How far one colour may count, as a squared distance in deviations. */
    private static final double MOST = 25;
    /** A colour that the figure never had is as unlikely as this, not more: it may turn, or be lit. */
    private static final double NOVEL = 20;
    /** How dark a shadow may be, and by how much less likely it is than the plate. */
    private static final double DARKEST = 0.6;

    private static final double SHADOW = 3;
    /** The same inside of the figure, which may be dark itself. */
    private static final double SHADOW_INSIDE = 10;
    /** How unevenly a shadow lies, as a share of the plate. */
    private static final double UNEVEN = 0.02;
    /** How much less likely a colour of the figure is where it wasn't before. */
    private static final double ELSEWHERE = 2;
    /** What a pixel may say at most: for the figure, and against it, since little but the plate looks like the plate. */
    private static final double MOST_FOR = 3;

    private static final double MOST_AGAINST = 4;
    /** From which squared distance on, for each channel, neither the plate nor its shadow explains a pixel. */
    private static final double UNEXPLAINED = 3;

    /** A smaller share of the figure that can't be explained tells nothing of its colours. */
    private static final double LEAST_LEFT = 0.1;
    /** What pixels say is averaged over those nearby that look alike: within which radius, and how alike. */
    private static final double NEARBY = 0.4;

    private static final int RADIUS = 2;
    private static final double ALIKE = 8;

    private Evidence() {}

    /**
     * The logarithm of the odds, from about -4 to 3, averaged over neighbours that look alike.
     *
     * @param expected what is known of the figure, moved to where it is expected
     * @param inside how far each pixel lies inside of where it is expected, below 0 outside
     */
    static Plane of(Colours picture, CleanPlate.Part plate, Shape expected, Plane inside) {
        Colours own = expected.own();
        Colours around = expected.around();
        double[] unlikely = expected.palette().unlikely(picture);
        Plane odds = new Plane(picture.width(), picture.height());
        float[][] now = picture.rgb();
        for (int i = 0; i < odds.value().length; i++) {
            double toOwn = 0;
            double toPlate = toPlate(picture, plate, i);
            double toAround = 0;
            double wide = 0;
            for (int c = 0; c < 3; c++) {
                double deviation = NOISE + plate.deviation().rgb()[c][i];
                toOwn += far(now[c][i] - own.rgb()[c][i], deviation);
                toAround += far(now[c][i] - around.rgb()[c][i], deviation);
                wide += 2 * Math.log(deviation);
            }
            toOwn = Math.min(toOwn, ELSEWHERE + unlikely[i] - wide);
            boolean outside = inside.value()[i] < 0.5f;
            double background = Math.min(toPlate, toShadow(picture, plate, i) + (outside ? SHADOW : SHADOW_INSIDE));
            background = outside ? Math.min(background, toAround) : background;
            double l = 0.5 * (background - Math.min(NOVEL, toOwn));
            boolean known = plate.deviation().rgb()[0][i] < CleanPlate.UNKNOWN / 2;
            odds.value()[i] = known ? (float) Math.max(-MOST_AGAINST, Math.min(MOST_FOR, l)) : 0;
        }
        return new GuidedFilter(picture, RADIUS, ALIKE).filtered(odds.blurred(NEARBY));
    }

    private static double toPlate(Colours picture, CleanPlate.Part plate, int i) {
        double far = 0;
        for (int c = 0; c < 3; c++) {
            double deviation = NOISE + plate.deviation().rgb()[c][i];
            far += far(picture.rgb()[c][i] - plate.colours().rgb()[c][i], deviation);
        }
        return far;
    }

    /** A squared distance from the plate made darker in the way that explains a pixel best. */
    private static double toShadow(Colours picture, CleanPlate.Part plate, int i) {
        double across = 0;
        double along = 1e-6;
        for (int c = 0; c < 3; c++) {
            double deviation = NOISE + plate.deviation().rgb()[c][i];
            double empty = plate.colours().rgb()[c][i];
            across += empty * picture.rgb()[c][i] / (deviation * deviation);
            along += empty * empty / (deviation * deviation);
        }
        double dark = Math.max(DARKEST, Math.min(1, across / along));
        double far = 0;
        for (int c = 0; c < 3; c++) {
            double empty = plate.colours().rgb()[c][i];
            double deviation = NOISE + plate.deviation().rgb()[c][i] + UNEVEN * empty;
            far += far(picture.rgb()[c][i] - dark * empty, deviation);
        }
        return far;
    }

    /**
     * The coverage where neither the plate nor its shadow explains what is seen: ground between a figure's legs that was taken
     * for the figure doesn't lend it its colour. Where hardly any is left, all of it.
     */
    static Plane unexplained(Plane alpha, Colours picture, CleanPlate.Part plate) {
        Plane far = new Plane(alpha.width(), alpha.height());
        for (int i = 0; i < far.value().length; i++) {
            far.value()[i] = (float) (Math.min(toPlate(picture, plate, i), toShadow(picture, plate, i)) / 3);
        }
        far = far.blurred(1);
        Plane left = new Plane(alpha.width(), alpha.height());
        double all = 0;
        double sum = 0;
        for (int i = 0; i < far.value().length; i++) {
            left.value()[i] = far.value()[i] > UNEXPLAINED ? alpha.value()[i] : 0;
            all += alpha.value()[i];
            sum += left.value()[i];
        }
        return sum < LEAST_LEFT * all ? alpha : left;
    }

    /** A squared distance in deviations. */
    static double far(double difference, double deviation) {
        return Math.min(MOST, difference * difference / (deviation * deviation));
    }
}
