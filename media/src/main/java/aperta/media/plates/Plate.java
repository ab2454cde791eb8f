package aperta.media.plates;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.shot.Format;
import aperta.core.time.Rate;
import aperta.media.output.H264;

/** A made clip of 1920 × 1080 at 24 frames a second. */
public interface Plate {
    Format FORMAT = new Format(1920, 1080, Rate.of(24));

    /** Short, for file names. */
    String id();

    /** For people. */
    String name();

    int frames();

    /** How it is encoded: as well as fits into four megabytes. */
    H264.Quality quality();

    /** One frame, opaque. */
    Picture frame(int number, Bands bands);
}
