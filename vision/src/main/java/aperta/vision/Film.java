package aperta.vision;

import aperta.core.picture.Region;

/** The pictures of a clip in grey, as whoever follows something through it wants them. */
public interface Film {
    int width();

    int height();

    long frames();

    /** How many pixels of the clip lie along one of these pictures: 1, or 2 where they are of half its size. */
    int level();

    /**
     * The display-encoded luma of a part of a frame, row by row, 0 for black and 1 for white. Beyond the picture's edge its
     * last pixels go on.
     *
     * @param part in pixels of these pictures
     */
    float[] grey(long frame, Region part);
}
