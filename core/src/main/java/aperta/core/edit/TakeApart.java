package aperta.core.edit;

import aperta.core.geometry.Point;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Opened;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.List;

/**
 * Takes a text apart into a group of its letters, words or lines, each a layer with its anchor in its middle. The group has
 * all that the text had: its place, its masks, its cut, how it arrives and leaves.
 */
public record TakeApart(String layer, Opened.Unit unit) implements Edit {
    @Override
    public Shot apply(Shot shot, Extents extents) {
        Layer now = LayerEdits.demand(shot, layer);
        if (!(now.content() instanceof Content.Text text)) {
            throw new IllegalArgumentException("'" + now.name() + "' is not a text.");
        }
        demandStill(now, text);
        List<Extents.Piece> pieces = extents.pieces(text, unit);
        if (pieces.isEmpty()) {
            throw new IllegalArgumentException("'" + now.name() + "' has no letters that are seen.");
        }
        List<Layer> parts = new ArrayList<>();
        for (Extents.Piece piece : pieces) {
            parts.add(
                    part(now, text.part(piece.words(), piece.from()), piece, parts.size() + 1, shot.format(), extents));
        }
        return shot.changing(layer, l -> l.withContent(new Content.Group(parts)));
    }

    static void demandStill(Layer layer, Content.Text text) {
        if (!text.looks().stream().allMatch(LetterLook::standsStill)) {
            throw new IllegalArgumentException("The size, the tracking or the leading of '" + layer.name()
                    + "' changes over time, which its letters can't take over one by one.");
        }
    }

    /** The parts have the time of the group, so that keys of colours stay where they are. */
    private Layer part(Layer now, Content.Text text, Extents.Piece piece, int number, Format format, Extents extents) {
        Span s = now.span();
        Layer bare = Layer.of(
                layer + "-" + number,
                piece.words().replace('\n', ' '),
                text,
                new Span(s.offset(), s.length(), s.offset()),
                Place.at(piece.middle()));
        Point middle = extents.opener().box(bare, format).centre();
        return bare.withPlace(bare.place().withAnchor(Animated.of(middle))).withMotionBlur(now.motionBlur());
    }
}
