package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Shapes drawn on the Picture, put round layers, and made from words; points in pixels of the shot. */
public final class ShapeEdits {
    private static final double LINE = 6;

    private ShapeEdits() {}

    /**
     * Draws a figure as a shape of its own on top of all, or as one more path of a shape.
     *
     * @param newId of the layer, or of the path
     * @param onto the shape that gets one more path
     */
    public record Add(
            String newId,
            Optional<String> onto,
            long frame,
            Figure shape,
            Point from,
            Point to,
            int points,
            double inner,
            double roundness,
            double innerRoundness)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return drawn(shot, newId, onto, frame, shape.in(from, to, points, inner, roundness, innerRoundness));
        }
    }

    /** The same along a path that was drawn point by point, open or closed. */
    public record Draw(String newId, Optional<String> onto, long frame, BezierPath path) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return drawn(shot, newId, onto, frame, path);
        }
    }

    private static Shot drawn(Shot shot, String newId, Optional<String> onto, long frame, BezierPath inShot) {
        if (onto.isEmpty()) {
            Coat coat =
                    inShot.closed() ? Coat.Fill.of("fill", Colour.WHITE) : Coat.Stroke.of("stroke", Colour.WHITE, LINE);
            List<Layer> next = new ArrayList<>(shot.layers());
            next.add(0, layer(shot, newId, "Shape", inShot, coat));
            return shot.withLayers(next);
        }
        Layer layer = LayerEdits.demand(shot, onto.get());
        Content.Shape shape = demand(layer);
        Affine toOwn = PlaceEdits.toOwn(new Moment(shot, frame), layer.id());
        BezierPath there = inShot.transformed(toOwn);
        // On a mirrored layer it would run the other way round, and cut holes where it lies over others.
        BezierPath path = toOwn.mirrors() ? there.reversed() : there;
        List<Content.Shape.Path> paths = new ArrayList<>(shape.paths());
        paths.add(new Content.Shape.Path(newId, "Path " + (paths.size() + 1), Animated.of(path)));
        return shot.changing(layer.id(), l -> l.withContent(shape.withPaths(paths)));
    }

    /** A layer as long as the shot, with its own space in the middle of the path. */
    private static Layer layer(Shot shot, String id, String name, BezierPath inShot, Coat coat) {
        Point middle = Box.around(
                        inShot.knots().stream().map(BezierPath.Knot::at).toList())
                .centre();
        BezierPath own = inShot.translated(middle.times(-1));
        Content.Shape.Path path = new Content.Shape.Path("path", "Path 1", Animated.of(own));
        Content.Shape shape = new Content.Shape(List.of(path), List.of(coat));
        return Layer.of(id, name, shape, new Span(0, shot.length(), 0), Place.at(middle));
    }

    /**
     * Puts a line round a layer, above it, with a margin on all sides; it goes where the layer goes.
     *
     * @param margin in pixels of the layer
     * @param radius of its corners
     */
    public record FrameRound(String layer, String newId, long frame, double margin, double radius) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Box box = extents.extent(new Moment(shot, frame), layer).grown(margin);
            if (box.isEmpty()) {
                throw new IllegalArgumentException(
                        "'" + now.name() + "' shows nothing on this frame that a line could go round.");
            }
            BezierPath path = Figures.rounded(box, radius);
            Content.Shape shape = new Content.Shape(
                    List.of(new Content.Shape.Path("path", "Path 1", Animated.of(path))),
                    List.of(Coat.Stroke.of("stroke", Colour.WHITE, LINE)));
            Layer line = Layer.of(newId, "Line round " + now.name(), shape, now.span(), Place.at(Point.ORIGIN))
                    .withParent(Optional.of(layer));
            return new LayerEdits.Add(line, Optional.of(layer)).apply(shot, extents);
        }
    }

    /** Makes the letters of a text into a shape: each contour becomes a path; its looks and its place stay. */
    public record TextToShape(String layer) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            if (!(now.content() instanceof Content.Text text)) {
                throw new IllegalArgumentException("'" + now.name() + "' is not a text.");
            }
            TakeApart.demandStill(now, text);
            if (text.looks().size() > 1) {
                throw new IllegalArgumentException("Some letters of '" + now.name()
                        + "' look different; take it apart first, and make shapes of its parts.");
            }
            List<BezierPath> contours = extents.outline(text).paths();
            if (contours.isEmpty() || contours.size() > Content.Shape.MOST_PATHS) {
                throw new IllegalArgumentException("'" + now.name() + "' has " + contours.size()
                        + " contours; a shape has 1 to " + Content.Shape.MOST_PATHS + ".");
            }
            List<Content.Shape.Path> paths = new ArrayList<>();
            for (BezierPath contour : contours) {
                int n = paths.size() + 1;
                paths.add(new Content.Shape.Path("p" + n, "Contour " + n, Animated.of(contour)));
            }
            return shot.changing(layer, l -> l.withContent(new Content.Shape(paths, coats(text))));
        }
    }

    /** The fill and the edge of letters as coats of a shape. */
    static List<Coat> coats(Content.Text text) {
        LetterLook look = text.looks().get(0);
        Animated<Double> width = look.measures().get(LetterLook.Measure.EDGE_WIDTH);
        Coat fill =
                new Coat.Fill("fill", look.fill().orElseThrow(), look.measures().get(LetterLook.Measure.FILL_OPACITY));
        if (width.isStill() && width.rest() <= 0) {
            return List.of(fill);
        }
        Coat edge = Coat.Stroke.of("edge", new Paint.Solid(look.edge().orElseThrow()))
                .withOpacity(look.measures().get(LetterLook.Measure.EDGE_OPACITY))
                .withEnds(Coat.Cap.ROUND, Coat.Corner.ROUND)
                .with(Coat.Measure.WIDTH, width);
        return List.of(edge, fill);
    }

    static Content.Shape demand(Layer layer) {
        if (layer.content() instanceof Content.Shape shape) {
            return shape;
        }
        throw new IllegalArgumentException("'" + layer.name() + "' is not a shape.");
    }
}
