package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Knows what openings do, and how large things are. */
public interface Opener {
    /**
     * The layer that an opening is for.
     *
     * @param still with every value fixed
     * @param box around all that it shows, in its own space
     * @param toParent from its own space at rest to its parent's
     * @param parentToShot from its parent's space to pixels of the shot
     * @param marks where marks of clips are
     */
    record Subject(Layer still, Box box, Affine toParent, Affine parentToShot, Format format, Marks marks) {}

    /** Where marks of clips are at the moment. */
    interface Marks {
        /**
         * How far an edge has come that goes along with a mark in a direction, and never back: nothing before its first
         * frame; after its last it goes on at the pace that it had.
         *
         * @param layer the id of the layer that shows the clip
         * @param towards a vector of length 1
         * @return along that vector, in pixels of the shot
         */
        OptionalDouble edge(String layer, String track, Point towards);

        Marks NONE = (layer, track, towards) -> OptionalDouble.empty();
    }

    /** What an opening makes of a layer. */
    Opened opened(Recipe opening, Passage.Way way, Subject subject);

    /**
     * What lets a part of a layer be seen.
     *
     * @param masks of which one must hold what is seen, in the layer's own space; none where they let all of it be seen
     * @param writing how far it has been written, where a pen says what is seen
     */
    record Window(List<Mask> masks, Optional<Writing> writing) {
        public static final Window OPEN = new Window(List.of(), Optional.empty());

        public static Window of(Mask mask) {
            return new Window(List.of(mask), Optional.empty());
        }
    }

    /** What a window lets be seen of a layer. */
    Window window(Recipe window, Subject subject);

    /** The box around what a layer that isn't a group shows, in its own space, its values being fixed; in a shot of a format. */
    Box box(Layer still, Format format);

    /** No layer has a size, every opening leaves it at rest, and windows show all. */
    Opener AT_REST = new Opener() {
        @Override
        public Opened opened(Recipe opening, Passage.Way way, Subject subject) {
            return Opened.REST;
        }

        @Override
        public Window window(Recipe window, Subject subject) {
            return Window.OPEN;
        }

        @Override
        public Box box(Layer still, Format format) {
            return Box.EMPTY;
        }
    };
}
