package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Track;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Figures cut out of clips. Frames are the shot's, points its pixels, unless said. */
public final class CutOutEdits {
    private CutOutEdits() {}

    static CutOut demand(Shot shot, String layer) {
        return TrackEdits.demandClip(shot, layer)
                .cutOut()
                .orElseThrow(() -> new IllegalArgumentException("No figure is cut out of '"
                        + LayerEdits.demand(shot, layer).name() + "'."));
    }

    private static Shot with(Shot shot, String layer, CutOut next) {
        return shot.changing(layer, l -> l.withContent(((Content.Footage) l.content()).withCutOut(Optional.of(next))));
    }

    /** Puts a layer above a clip that shows a figure of it alone, and goes along with it; nothing is known of it yet. */
    public record Add(String layer, String newId) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Content.Footage clip = TrackEdits.demandClip(shot, layer);
            if (shot.layer(newId).isPresent()) {
                throw new IllegalArgumentException("There is a layer '" + newId + "' already.");
            }
            Layer of = LayerEdits.demand(shot, layer);
            Layer figure = Layer.of(
                            newId,
                            "Figure of " + of.name(),
                            new Content.Footage(clip.media())
                                    .with(clip.media(), clip.exposure(), clip.saturation())
                                    .withCutOut(Optional.of(CutOut.begun())),
                            of.span(),
                            Place.at(Point.ORIGIN))
                    .withPace(of.pace())
                    .withParent(Optional.of(layer));
            return LayerEdits.beside(shot, layer, figure);
        }
    }

    /** Brushes a figure on a frame. */
    public record Brush(String layer, boolean inside, double radius, List<Point> path, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            CutOut now = demand(shot, layer);
            Track.Clip clip = extents.clip(TrackEdits.demandClip(shot, layer));
            Moment moment = new Moment(shot, frame);
            Affine map = TrackEdits.toClip(moment, layer, clip);
            List<BrushStroke> strokes = new ArrayList<>(now.strokes());
            strokes.add(new BrushStroke(
                    TrackEdits.clipFrame(moment, layer, clip),
                    inside,
                    Math.max(BrushStroke.LEAST_RADIUS, Math.min(BrushStroke.MOST_RADIUS, radius * map.meanScale())),
                    path.stream().map(map::apply).toList()));
            return CutOutEdits.with(shot, layer, now.withStrokes(strokes));
        }
    }

    /** Takes the strokes of a frame of the clip away. */
    public record Unbrush(String layer, long clipFrame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            CutOut now = demand(shot, layer);
            return CutOutEdits.with(
                    shot,
                    layer,
                    now.withStrokes(now.strokes().stream()
                            .filter(s -> s.frame() != clipFrame)
                            .toList()));
        }
    }

    /** Puts in what was found of a figure. */
    public record SetCarried(String layer, CutOut.Carried carried) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return CutOutEdits.with(shot, layer, demand(shot, layer).withCarried(Optional.of(carried)));
        }
    }

    /** Puts a layer behind a figure: what the figure covers of it isn't seen; the figure's own layer need not show. */
    public record PutBehind(String layer, String figure) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            demand(shot, figure);
            if (layer.equals(figure)) {
                throw new IllegalArgumentException("A figure can't be put behind itself.");
            }
            return shot.changing(layer, l -> l.withCut(Optional.of(new Cut(figure, Cut.With.SHAPE, Cut.Keep.OUTSIDE))))
                    .changing(figure, l -> l.withHidden(true));
        }
    }
}
