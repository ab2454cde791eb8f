package aperta.vision;

import java.util.Optional;

/**
 * What a frame itself says about which pixels belong to a figure: the likelihood of each colour under what the figure looked
 * like there or under the colours it is made of, against its likelihood under the clean plate, under what moves along around
 * the figure, under the plate into which colour has run from nearby ({@link Bleeding}), and under the plate in shadow (its
 * colours made darker, Prati et al., "Detecting Moving Shadows", IEEE PAMI 25, 2003).
 */
final class Evidence {
    /** The least deviation of brightness and of the other two opponent colours, at working size. */
    static final double[] NOISE = {1.04, 0.3, 0.3};
    /** What is seen is seldom further off, but when it is, by much: the degrees of freedom of Student's t. */
    private static final double FREEDOM = 4;
    /** How far one channel may count. */
    private static final double RAREST = Math.exp(25 / (FREEDOM + 1));
    /** Pixels along an edge are mixtures: by this share of their difference figure and plate are told apart less surely. */
    private static final double MIXED = 0.05;
    /**
     * Where figure and plate have nearly the same colour, compression often leaves the plate's: how unlikely that is, and by
     * which difference of colour more so.
     */
    private static final double COLOUR_LOST = 3;

    private static final double COARSE = 1.3;
    /** The same where the figure's shape is recalled from earlier frames. */
    private static final double COLOUR_LOST_EARLIER = 0;
    /** By how much light and colour of other frames may differ: a share of the brightness, and a deviation. */
    private static final double RELIT = 0.05;

    private static final double RECOLOURED = 0.5;
    /** A colour that the figure never had is as unlikely as this, not more: it may turn, or be lit. */
    private static final double NOVEL = 20;
    /** How dark a shadow may be, and by how much less likely it is than the plate. */
    private static final double DARKEST = 0.6;

    private static final double SHADOW = 3;
    /** The same inside of the figure, which may be dark itself. */
    private static final double SHADOW_INSIDE = 10;
    /** How much less likely than the plate something is that moves along. */
    private static final double ALONG = 1;
    /** How unevenly a shadow lies, as a share of the plate. */
    private static final double UNEVEN = 0.02;
    /** How much less likely a colour of the figure is where it wasn't before. */
    private static final double ELSEWHERE = 3;
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
     * @param recalled what it looked like on earlier frames like this one
     */
    static Plane of(Colours picture, CleanPlate.Part plate, Shape expected, Plane inside, Optional<Recalled> recalled) {
        CleanPlate.Part wide = mixed(plate, expected.own());
        double[] unlikely = expected.palette().unlikely(picture);
        Bleeding bleeding = Bleeding.of(picture, wide);
        Plane odds = new Plane(picture.width(), picture.height());
        UnknownGround unknown = new UnknownGround(picture, expected, unlikely);
        for (int i = 0; i < odds.value().length; i++) {
            if (!plate.known(i)) {
                odds.value()[i] = unknown.odds(i);
                continue;
            }
            double toOwn = Math.min(toOwn(picture, wide, expected.own(), i), ELSEWHERE + unlikely[i] - width(wide, i));
            boolean covered = recalled.isPresent() && recalled.get().covers(i);
            if (covered) {
                toOwn = Math.min(toOwn, toEarlier(picture, wide, recalled.get().own(), i));
            }
            boolean outside = inside.value()[i] < 0.5f;
            double background = Math.min(
                    far(picture, wide.colours(), wide, i),
                    toShadow(picture, wide, i) + (outside ? SHADOW : SHADOW_INSIDE));
            if (!covered) {
                background = Math.min(background, bleeding.far(i));
            }
            if (outside) {
                background = Math.min(background, far(picture, expected.around(), wide, i) + ALONG);
            }
            double l = 0.5 * (background - Math.min(NOVEL, toOwn));
            odds.value()[i] = (float) Math.max(-MOST_AGAINST, Math.min(MOST_FOR, l));
        }
        return new GuidedFilter(picture, RADIUS, ALIKE).filtered(odds.blurred(NEARBY));
    }

    /** The plate, as surely as it is told from a figure's own colours. */
    private static CleanPlate.Part mixed(CleanPlate.Part plate, Colours own) {
        int n = own.channels()[0].length;
        float[][] wider = new float[3][n];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < n; i++) {
                double apart = Math.abs(own.channels()[c][i] - plate.colours().channels()[c][i]);
                wider[c][i] = (float) (plate.deviation().channels()[c][i] + MIXED * apart);
            }
        }
        return new CleanPlate.Part(plate.colours(), new Colours(own.width(), own.height(), wider));
    }

    /** How far each pixel is from the plate's colour. */
    static float[] far(Colours picture, CleanPlate.Part plate) {
        float[] far = new float[picture.width() * picture.height()];
        for (int i = 0; i < far.length; i++) {
            far[i] = (float) far(picture, plate.colours(), plate, i);
        }
        return far;
    }

    /** How far a pixel is from the colour of something else there. */
    private static double far(Colours picture, Colours other, CleanPlate.Part plate, int i) {
        double rare = 1;
        for (int c = 0; c < 3; c++) {
            double difference = picture.channels()[c][i] - other.channels()[c][i];
            rare *= rare(difference, NOISE[c] + plate.deviation().channels()[c][i]);
        }
        return far(rare);
    }

    private static double toOwn(Colours picture, CleanPlate.Part plate, Colours own, int i) {
        return toOwn(picture, plate, own, i, NOISE, COLOUR_LOST);
    }

    /** How far a pixel is from what the figure looked like on another frame, where the light was another. */
    private static double toEarlier(Colours picture, CleanPlate.Part plate, Colours own, int i) {
        double light = RELIT * Math.abs(own.channels()[Colours.BRIGHTNESS][i]);
        double[] noise = {NOISE[0] + light, NOISE[1] + RECOLOURED, NOISE[2] + RECOLOURED};
        return toOwn(picture, plate, own, i, noise, COLOUR_LOST_EARLIER);
    }

    private static double toOwn(
            Colours picture, CleanPlate.Part plate, Colours own, int i, double[] noise, double colourLost) {
        double brightness = 1;
        double colour = 1;
        double lost = colourLost;
        for (int c = 0; c < 3; c++) {
            double difference = picture.channels()[c][i] - own.channels()[c][i];
            double rare = rare(difference, noise[c] + plate.deviation().channels()[c][i]);
            if (c == Colours.BRIGHTNESS) {
                brightness = rare;
            } else {
                colour *= rare;
                lost += difference * difference / (COARSE * COARSE);
            }
        }
        return far(brightness) + Math.min(far(colour), lost);
    }

    /** Minus twice the logarithm of the density in the middle of where the plate's colours lie, without the constant. */
    private static double width(CleanPlate.Part plate, int i) {
        double wide = 0;
        for (int c = 0; c < 3; c++) {
            wide += 2 * Math.log(NOISE[c] + plate.deviation().channels()[c][i]);
        }
        return wide;
    }

    /** A squared distance from the plate made darker in the way that explains a pixel best. */
    private static double toShadow(Colours picture, CleanPlate.Part plate, int i) {
        double across = 0;
        double along = 1e-6;
        for (int c = 0; c < 3; c++) {
            double deviation = NOISE[c] + plate.deviation().channels()[c][i];
            double empty = plate.colours().channels()[c][i];
            across += empty * picture.channels()[c][i] / (deviation * deviation);
            along += empty * empty / (deviation * deviation);
        }
        double dark = Math.max(DARKEST, Math.min(1, across / along));
        double rare = 1;
        for (int c = 0; c < 3; c++) {
            double empty = plate.colours().channels()[c][i];
            double deviation = NOISE[c] + plate.deviation().channels()[c][i] + UNEVEN * empty;
            rare *= rare(picture.channels()[c][i] - dark * empty, deviation);
        }
        return far(rare);
    }

    /**
     * The coverage where neither the plate nor its shadow explains what is seen: ground between a figure's legs that was taken
     * for the figure doesn't lend it its colour. Where hardly any is left, all of it.
     */
    static Plane unexplained(Plane alpha, Colours picture, CleanPlate.Part plate) {
        boolean[] unexplained = unexplained(picture, plate);
        Plane left = new Plane(alpha.width(), alpha.height());
        double all = 0;
        double sum = 0;
        for (int i = 0; i < unexplained.length; i++) {
            left.value()[i] = unexplained[i] ? alpha.value()[i] : 0;
            all += alpha.value()[i];
            sum += left.value()[i];
        }
        return sum < LEAST_LEFT * all ? alpha : left;
    }

    /** Where neither the plate nor its shadow explains what is seen. */
    static boolean[] unexplained(Colours picture, CleanPlate.Part plate) {
        Plane far = new Plane(picture.width(), picture.height());
        for (int i = 0; i < far.value().length; i++) {
            far.value()[i] =
                    (float) (Math.min(far(picture, plate.colours(), plate, i), toShadow(picture, plate, i)) / 3);
        }
        far = far.blurred(1);
        boolean[] unexplained = new boolean[far.value().length];
        for (int i = 0; i < unexplained.length; i++) {
            unexplained[i] = far.value()[i] > UNEXPLAINED;
        }
        return unexplained;
    }

    /**
     * By what a difference makes a colour rarer: the density of Student's t is this to the power of -(n + 1) / 2, without the
     * constant. For several channels these are multiplied, since one logarithm of all costs a third of three.
     */
    static double rare(double difference, double deviation) {
        double z = difference / deviation;
        return rareBy(z * z / FREEDOM);
    }

    /** The same by a squared distance in deviations, of which each of freedom's degrees has a share. */
    static double rareBy(double share) {
        return Math.min(RAREST, 1 + share);
    }

    /** By what squared differences from the plate are multiplied for that: one over the variance and the degrees of freedom. */
    static float[][] precision(CleanPlate.Part plate) {
        float[][] deviation = plate.deviation().channels();
        float[][] to = new float[3][deviation[0].length];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < to[c].length; i++) {
                double wide = NOISE[c] + deviation[c][i];
                to[c][i] = (float) (1 / (wide * wide * FREEDOM));
            }
        }
        return to;
    }

    /** Minus twice the logarithm of that density: for little, a squared distance. */
    static double far(double rare) {
        return (FREEDOM + 1) * Math.log(rare);
    }
}
