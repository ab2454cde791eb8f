package aperta.core.effect;

import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.List;
import java.util.Optional;

/** An effect with its numbers on a raster: pixels in, pixels out. It holds no pixels and may be used by many threads. */
public sealed interface Worked {
    /** All that the result is made from beside pictures. */
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

        /** What of the input a part of the result comes from, in pixels of the input. */
        Region needs(Region wanted);

        /** Whether the amount, and where it works, are part of how it is computed; else its result is mixed with the input. */
        default boolean moves() {
            return false;
        }

        /** The other pictures that it is made from. */
        default List<Ask> asks() {
            return List.of();
        }

        /** What of another picture a part of the result comes from. */
        default Region needs(int ask, Region wanted) {
            return wanted;
        }

        /** How many pixels of the input lie along one of the result: more than 1 where it magnifies. */
        default int finer() {
            return 1;
        }

        /** The result on a region. */
        Picture made(Given given);
    }

    /** Each pixel changes by itself, by its distance from the edge of the layer's opening; nothing stays nothing. */
    non-sealed interface ByFront extends Worked {
        /** Farther from the edge than this, in the layer's pixels, all distances are the same to it. */
        double reach();

        /**
         * Changes every pixel of a picture, in place.
         *
         * @param distances behind the edge, in the layer's pixels, on the picture's domain
         */
        void change(Picture picture, Matte distances);
    }

    /** Another picture that an effect is made from. */
    sealed interface Ask {
        /** A layer as it is before its own cut. */
        record Layer(String id) implements Ask {}

        /** The layer's own picture as many frames ago, as it comes to this effect. */
        record Ago(double frames) implements Ask {}
    }

    /**
     * What an effect is given.
     *
     * @param input on {@link Around#needs} of the region, or the part of it where it has anything
     * @param others what was asked for, in order
     * @param where what weighs the amount on the region; only for effects that move things
     */
    record Given(
            Picture input, List<Picture> others, Optional<Matte> where, Region region, Bands bands, Scratch scratch) {}
}
