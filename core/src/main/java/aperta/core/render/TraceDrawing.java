package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Optional;

/** Coats of paint along another layer. How large it is, that layer says. */
final class TraceDrawing implements Drawing<Content.Trace> {
    @Override
    public Optional<Step.Paints> picture(Content.Trace trace, Subject subject, Canvas canvas) {
        return canvas.lines(trace).flatMap(l -> Coats.of(trace.coats(), l, subject.toRaster(), canvas));
    }

    @Override
    public Box extent(Content.Trace trace, Measures measures) {
        return Box.EMPTY;
    }
}
