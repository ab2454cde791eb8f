package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Lines along other layers: laid over them, drawn before them, and taken from them as shapes. */
public final class TraceEdits {
    /** Lines are so many times as thin as the shot is high. */
    private static final double THIN = 270;
    /** In how many frames what was drawn fades up. */
    private static final long FADES_UP = 10;

    private TraceEdits() {}

    /**
     * Lays a trace over a layer, which goes where the layer goes.
     *
     * @param newId of the trace
     */
    public record Add(String layer, String newId, Content.Along along) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return over(shot, layer, newId, along, List.of(line(shot)), extents);
        }
    }

    /**
     * Draws the outlines of a layer from its start on, all of them with one pen speed, a dot at each end; when they stand, the
     * layer fades up where they are, and they fade away.
     *
     * @param length of the drawing in frames, 1 or more
     */
    public record DrawOn(String layer, String newId, Content.Along along, long length) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            long stands = length + FADES_UP;
            if (length < 1 || stands + FADES_UP > now.span().length()) {
                throw new IllegalArgumentException("'" + now.name() + "' is there for "
                        + now.span().length() + " frames; drawing its outline in " + length
                        + " and letting it fade up takes " + (stands + FADES_UP) + ".");
            }
            Animated<Double> opacity = now.place().opacity();
            if (!opacity.isStill()) {
                throw new IllegalArgumentException("The opacity of '" + now.name()
                        + "' moves already; remove its keys and signals first, since the layer will fade up by them.");
            }
            Coat.Stroke pen = line(shot);
            double width = pen.fixed(Coat.Measure.WIDTH);
            Coat drawn = pen.withPacing(new Coat.Pacing(Coat.Turns.EVEN, Coat.Order.DRAWN, 1))
                    .with(Coat.Measure.END, between(0, 0, length, 1))
                    .with(Coat.Measure.HEAD, Animated.of(2.5 * width))
                    .with(Coat.Measure.HEAD_GLOW, Animated.of(10 * width))
                    .with(Coat.Measure.HEAD_TAIL, Animated.of(20 * width));
            Shot next = over(shot, layer, newId, along, List.of(drawn), extents);
            return next.changing(
                            layer, l -> l.withPlace(l.place().withOpacity(between(length, 0, stands, opacity.rest()))))
                    .changing(newId, l -> l.withPlace(l.place().withOpacity(between(stands, 1, stands + FADES_UP, 0))));
        }
    }

    private static Animated<Double> between(long from, double first, long to, double last) {
        return Animated.of(last)
                .withKeys(List.of(new Key<>(from, first, Ease.LINEAR), new Key<>(to, last, Ease.LINEAR)));
    }

    private static Coat.Stroke line(Shot shot) {
        double width = Math.max(1, Math.round(shot.format().height() / THIN));
        return Coat.Stroke.of("stroke", Colour.WHITE, width).withEnds(Coat.Cap.ROUND, Coat.Corner.ROUND);
    }

    private static Shot over(
            Shot shot, String layer, String newId, Content.Along along, List<Coat> coats, Edit.Extents extents) {
        Layer now = LayerEdits.demand(shot, layer);
        String name = along == Content.Along.MASKS || along == Content.Along.INK
                ? "Line along " + now.name()
                : "Outline of " + now.name();
        Layer trace = Layer.of(newId, name, Content.Trace.of(layer, along, coats), now.span(), Place.at(Point.ORIGIN))
                .withParent(Optional.of(layer));
        return new LayerEdits.Add(trace, Optional.of(layer)).apply(shot, extents);
    }

    /**
     * Makes the paths that a trace runs along on a frame its own: it becomes a shape, whose points can be moved. Where it runs
     * along a picture, they are what was found in it.
     */
    public record ToShape(String layer, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            if (!(now.content() instanceof Content.Trace trace)) {
                throw new IllegalArgumentException("'" + now.name() + "' is not a trace.");
            }
            List<BezierPath> found = extents.traced(new Moment(shot, frame, extents.opener()), layer);
            if (found.isEmpty() || found.size() > Content.Shape.MOST_PATHS) {
                throw new IllegalArgumentException("On this frame '" + now.name() + "' runs along " + found.size()
                        + " lines; a shape has 1 to " + Content.Shape.MOST_PATHS + " paths.");
            }
            List<Content.Shape.Path> paths = new ArrayList<>();
            for (BezierPath path : found) {
                int n = paths.size() + 1;
                paths.add(new Content.Shape.Path("p" + n, "Path " + n, Animated.of(path)));
            }
            return shot.changing(layer, l -> l.withContent(new Content.Shape(paths, trace.coats())));
        }
    }
}
