package aperta.core.render;

import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * One step of a plan. It says first where it has anything and what it needs of its inputs, then computes exactly what
 * is asked. Steps hold no pixels and may be used by many threads.
 */
public interface Step {
    ContentKey key();

    /** Outside it there is nothing. */
    Region domain();

    default List<Step> inputs() {
        return List.of();
    }

    /**
     * The part of an input that is needed for {@code wanted}.
     *
     * @param input its place among {@link #inputs}
     */
    default Region needs(int input, Region wanted) {
        return wanted;
    }

    /** Computed anew for each tile: cheap, pixel by pixel. */
    interface Paints extends Step {
        /** Writes every pixel of {@code into}. */
        void paint(Picture into, Tile tile);

        /** What is known of its alpha on a part. */
        default Cover cover(Region part, Tile tile) {
            return domain().intersect(part).isEmpty() ? Cover.NONE : Cover.SOME;
        }

        /** The decoded samples that make up all of a part, where that is all it shows there. */
        default Optional<DecodedSamples> decodedSamples(Region part, Tile tile) {
            return Optional.empty();
        }
    }

    /** A matte, computed anew for each tile. */
    interface Shades extends Step {
        /** Writes every pixel of {@code into}. */
        void shade(Matte into, Tile tile);

        /** What is known of it on a part. */
        default Cover cover(Region part, Tile tile) {
            return domain().intersect(part).isEmpty() ? Cover.NONE : Cover.SOME;
        }
    }

    /** Computed once for all that is needed of it, and kept by its key. */
    interface Made<T> extends Step {
        /** The result; what {@link Making#made} gives for an input covers what {@link #needs} asked. */
        T make(Region needed, Making making);

        /** What keeping the result costs. */
        long bytes(T result);

        /**
         * Whether an input is used when it is painted or shaded, too, beside what was made.
         *
         * @param input its place among {@link #inputs}
         */
        default boolean paintsFrom(int input) {
            return false;
        }

        /** Whether the result is worth keeping for other frames. */
        default boolean lasts() {
            return true;
        }
    }

    /** What a step that is made once may use. */
    interface Making {
        <T> T made(Made<T> step);

        /** Nothing where nobody needs any of the step. */
        <T> Optional<T> ifMade(Made<T> step);

        /** All of a picture's region at once, on borrowed planes; what is outside its domain is empty. */
        <R> R painted(Paints step, Region region, Function<Picture, R> use);

        /** All of a matte's region at once, on a borrowed plane. */
        <R> R shaded(Shades step, Region region, Function<Matte, R> use);

        /** Planes for the while that one step is made; they are used again for the next. */
        Scratch scratch();

        /** Hands out a thread's way through the plan. */
        void tile(Consumer<Tile> use);

        Bands bands();
    }
}
