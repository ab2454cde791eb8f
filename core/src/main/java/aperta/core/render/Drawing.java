package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Light;
import aperta.core.shot.Moment;
import aperta.core.shot.Opened;
import java.util.List;
import java.util.Optional;

/** How one kind of content is drawn, and how large it is. Contents are given with every value fixed. */
interface Drawing<C extends Content> {
    /** What a layer shows before its masks; nothing where it shows nothing. */
    Optional<Step.Paints> picture(C content, Subject subject, Canvas canvas);

    /** What the layer's handles go round, in its own space. */
    Box extent(C content, Measures measures);

    /** The box around all that it shows, in its own space. */
    default Box reach(C content, Measures measures) {
        return extent(content, measures);
    }

    /** The outlines that a pen writes, word by word in reading order, in its own space; nothing where it has none but its box. */
    default List<Outline> written(C content, Measures measures) {
        return List.of();
    }

    /**
     * The layer that is drawn.
     *
     * @param pieces the poses of its letters, where they are on their way
     * @param toRaster from its own space to pixels of the raster
     */
    record Subject(Moment.Seen seen, Optional<Opened.Pieces> pieces, Affine toRaster) {}

    /** What sizes depend on beside the content. */
    record Measures(Sources sources, SetType type, Format format) {}

    /** Where is drawn. */
    interface Canvas {
        Sources sources();

        SetType type();

        Format format();

        /** The values that are painted with. */
        default Light light() {
            return format().light();
        }

        /** Whether only what is covered matters, so that nothing needs to be decoded that hasn't alpha. */
        boolean coverageOnly();

        /** The layer on the frame that is shown, also where this is one of the times that motion blur looks at. */
        Moment.Seen onItsFrame(Layer layer);

        /** What a trace runs along; nothing where there is nothing. */
        Optional<Lines> lines(Content.Trace trace);

        /**
         * A layer as it runs at the end of a stroke: its middle at the origin, in a raster {@link Riders#FINER} times as
         * fine; nothing where it isn't there.
         *
         * @param size of its longer side, in raster pixels
         */
        Optional<Step.Paints> rider(String layer, double size);

        /** The layers of a group, put together. */
        Step.Paints stack(List<Layer> layers);
    }
}
