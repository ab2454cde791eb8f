package aperta.vision;

import aperta.core.picture.Region;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * The frames of a clip in the light of its clean plate. Lamps that flicker, clouds and a camera that sets its exposure change
 * all of a frame by one factor; if that stayed, everything would look unlike the plate, and like no colour that was learnt on
 * other frames.
 */
final class EvenLight {
    /** What light may differ by without being evened out: where it doesn't change the median is off by less. */
    private static final double SAME = 0.03;
    /** What is darker tells nothing of light, and what is brighter is clipped, of 255. */
    private static final double DARK = 16;

    private static final double CLIPPED = 235;
    /** How many pixels lie between those that are looked at, and how many there have to be at least. */
    private static final int EVERY = 7;

    private static final int FEWEST = 400;
    /** Ratios further from the median than this share of it belong to what moves. */
    private static final double NEAR = 0.06;
    /** Where fewer than this share of the pixels agree it isn't the light that has changed. */
    private static final double AGREED = 0.3;

    private final ClipFilm film;
    private final CleanPlate plate;
    private final int by;
    private final Map<Long, Double> known = new HashMap<>();
    private long last = -1;
    private Colours small;

    /** @param by how many times as long the sides of a frame are as at working size */
    EvenLight(ClipFilm film, CleanPlate plate, int by) {
        this.film = film;
        this.plate = plate;
        this.by = by;
    }

    /** The opponent colours of all of a frame at working size. */
    Colours reduced(long frame) {
        if (frame != last) {
            Colours there = film.reduced(frame, by);
            double light = known.computeIfAbsent(frame, f -> of(there, plate.small(f, there)));
            small = light == 1
                    ? there
                    : inLight(there.fromOpponent(), plate.small(frame, there).fromOpponent(), light)
                            .opponent();
            last = frame;
        }
        return small;
    }

    /** Red, green and blue of a part of a frame, which lies inside the picture. */
    Colours colours(long frame, Region part) {
        Colours there = film.colours(frame, part);
        if (known.getOrDefault(frame, 0.0) == 1) {
            return there;
        }
        Colours all = reduced(frame);
        double light = known.get(frame);
        return light == 1
                ? there
                : inLight(there, plate.full(frame, () -> all, part).colours(), light);
    }

    /** All of a frame's pixels. */
    Region frame() {
        return new Region(0, 0, film.width(), film.height());
    }

    /** All of a frame's pixels at working size. */
    Region reducedFrame() {
        return new Region(0, 0, (film.width() + by - 1) / by, (film.height() + by - 1) / by);
    }

    /**
     * Red, green and blue in the light of another picture of the same place.
     *
     * @param light by which factor this one is brighter
     */
    static Colours inLight(Colours picture, Colours other, double light) {
        float[][] to = new float[3][picture.channels()[0].length];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < to[c].length; i++) {
                to[c][i] = (float) inLight(picture.channels()[c][i], other.channels()[c][i], light);
            }
        }
        return new Colours(picture.width(), picture.height(), to);
    }

    /** Where one of the two is clipped it isn't known how bright it was: as like the other as the light allows. */
    static double inLight(double value, double other, double light) {
        double even = value / light;
        return Math.max(value, other) < CLIPPED
                ? even
                : Math.max(Math.min(value, even), Math.min(Math.max(value, even), other));
    }

    /**
     * By which factor a picture is brighter than another one of the same place, display-encoded as they are: a factor of light
     * is a factor there, too, as far as the transfer curve is a power. It is the mean of the ratios near their median.
     *
     * @return 1 where too little is seen, where pixels disagree, and where they hardly differ
     */
    static double of(Colours picture, Colours other) {
        double[] ratios = new double[picture.channels()[0].length / EVERY + 1];
        int n = 0;
        for (int i = 0; i < picture.channels()[0].length; i += EVERY) {
            double one = picture.brightness(i);
            double two = other.brightness(i);
            if (two > DARK && two < CLIPPED && one < CLIPPED) {
                ratios[n++] = one / two;
            }
        }
        if (n < FEWEST) {
            return 1;
        }
        Arrays.sort(ratios, 0, n);
        double middle = ratios[n / 2];
        double sum = 0;
        int near = 0;
        for (int i = 0; i < n; i++) {
            if (Math.abs(ratios[i] - middle) < NEAR * middle) {
                sum += ratios[i];
                near++;
            }
        }
        double light = sum / near;
        return near < AGREED * n || Math.abs(light - 1) < SAME ? 1 : light;
    }
}
