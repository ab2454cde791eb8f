package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.PathLength;
import aperta.core.shot.Stroke;
import aperta.core.time.Mix;
import java.util.List;
import java.util.Optional;

/** What a trace runs along, in the space of the layer that it traces. */
final class TracedLines {
    /** Pictures are looked at in their own pixels, unless they have more. */
    private static final double MOST_PIXELS = 8e6;

    private TracedLines() {}

    static Optional<Lines> of(Content.Trace trace, Layout layout) {
        Moment now = layout.moment();
        Moment moment =
                trace.frame().map(f -> layout.planner().moment(now.shot(), f)).orElse(now);
        Moment.Seen seen = moment.of(trace.of());
        Content content = seen.still().content();
        return switch (trace.along()) {
            case INK ->
                measured(layout.planner().strokes(moment, trace.of()).stream()
                        .map(Stroke::line)
                        .toList());
            case MASKS ->
                measured(seen.still().masks().stream().map(m -> path(m, seen)).toList());
            case SHAPE -> {
                if (content instanceof Content.Text text) {
                    yield known(layout.planner().contours(text));
                }
                yield content instanceof Content.Shape shape
                        ? known(ShapeDrawing.paths(shape))
                        : found(trace, seen, Cut.With.SHAPE, layout, moment);
            }
            case BRIGHTNESS -> found(trace, seen, Cut.With.BRIGHTNESS, layout, moment);
        };
    }

    private static Optional<Lines> measured(List<BezierPath> paths) {
        return known(PathLength.ofEach(paths));
    }

    private static Optional<Lines> known(List<PathLength> paths) {
        return paths.isEmpty() ? Optional.empty() : Optional.of(new Lines.Known(paths));
    }

    private static BezierPath path(Mask mask, Moment.Seen seen) {
        BezierPath path = mask.path().at(0, BezierPath.MIX);
        return mask.lock() == Mask.Lock.FRAME
                ? path.transformed(
                        seen.frameToShot().then(seen.toShot().inverse().orElse(Affine.IDENTITY)))
                : path;
    }

    private static Optional<Lines> found(
            Content.Trace trace, Moment.Seen seen, Cut.With with, Layout layout, Moment moment) {
        Box box = layout.planner().extent(moment, trace.of());
        Optional<Affine> back = seen.toShot().inverse();
        if (box.isEmpty() || back.isEmpty()) {
            return Optional.empty();
        }
        double scale = Math.min(1, Math.sqrt(MOST_PIXELS / (box.width() * box.height())));
        Affine toRaster = Affine.translation(-box.x0(), -box.y0()).then(Affine.scale(scale, scale));
        Affine fromRaster = toRaster.inverse().orElseThrow();
        Layout own = layout.on(moment, back.get().then(toRaster));
        return own.chain().plain(seen, toRaster).map(picture -> {
            Region region = Region.around(toRaster.apply(box));
            Step.Shades matte = new PictureMatte(
                    new Framed(picture, region), with, moment.shot().format().light());
            Traced traced = new Traced(
                    matte,
                    fromRaster,
                    trace.threshold().at(0, Mix.NUMBER),
                    trace.least().at(0, Mix.NUMBER) * scale * scale);
            return new Lines.Found(traced, box.grown(1));
        });
    }
}
