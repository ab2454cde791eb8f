package aperta.core.effect;

import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.Optional;

/** An effect with its numbers on a raster: pixels in, pixels out. It holds no pixels and may be used by many threads. */
public sealed interface Worked {
    /** All that the result is made from beside the input. */
    double[] numbers();

    /** Each pixel changes by itself, and nothing stays nothing. */
    non-sealed interface ByPixel extends Worked {
        /** Changes every pixel of a picture, in place. */
        void change(Picture picture);
    }

    /** Pixels come from those around them. */
    non-sealed interface Around extends Worked {
        /** Outside it there is nothing, where the input has something in a region only. */
        Region domain(Region input);

        /** What of the input a part of the result comes from. */
        Region needs(Region wanted);

        /** Whether the amount, and where it works, are part of how it is computed; else its result is mixed with the input. */
        default boolean moves() {
            return false;
        }

        /**
         * The result on a region.
         *
         * @param input on {@link #needs} of the region, or the part of it where it has anything; nothing outside
         * @param where what weighs the amount on the region; only given to effects that move things
         */
        Picture made(Picture input, Optional<Matte> where, Region region, Bands bands, Scratch scratch);
    }
}
