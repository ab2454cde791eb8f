package aperta.core.edit;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Moment;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Shot;
import aperta.core.shot.Stroke;
import aperta.core.shot.Track;
import aperta.core.time.Rate;
import java.util.List;

/** One change of a shot that follows rules of its own. */
public interface Edit {
    /**
     * The changed shot.
     *
     * @throws IllegalArgumentException with a plain sentence where the change isn't possible
     */
    Shot apply(Shot shot, Extents extents);

    /** How large layers are, which needs fonts and media. */
    interface Extents {
        /** A layer's box in its own space. */
        Box extent(Moment moment, String layer);

        /**
         * A part of a text.
         *
         * @param from its first letter, counted from the start of the text
         * @param middle of its outline, in the text's own space
         */
        record Piece(String words, int from, Point middle) {}

        /** What a text whose values are fixed is taken apart into. */
        List<Piece> pieces(Content.Text text, Opened.Unit unit);

        /** The outline of a text whose values are fixed, in its own space. */
        Outline outline(Content.Text text);

        /** The strokes in which a layer is written, in its own space: those set by hand where there are such, else found in it. */
        List<Stroke> strokes(Moment moment, String layer);

        /** The paths that a trace runs along, in the space of the layer that it traces. */
        List<BezierPath> traced(Moment moment, String layer);

        /** How many frames of a rate a clip lasts. */
        long frames(Content.Footage clip, Rate rate);

        /** How large a clip's pictures are, and how many of them make a second. */
        Track.Clip clip(Content.Footage clip);

        /** What openings do. */
        Opener opener();
    }
}
