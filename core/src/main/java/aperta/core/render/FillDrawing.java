package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.time.Mix;
import java.util.Optional;

/** A rectangle with a colour or a gradient. */
final class FillDrawing implements Drawing<Content.Fill> {
    @Override
    public Optional<Step.Paints> picture(Content.Fill fill, Subject subject, Canvas canvas) {
        Point size = fill.size().at(0, Mix.POINT);
        Box box = Box.centred(size.x(), size.y());
        if (box.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Filled.of(Outline.of(box), subject.toRaster(), fill.paint(), 1, canvas.light()));
    }

    @Override
    public Box extent(Content.Fill fill, Measures measures) {
        Point size = fill.size().at(0, Mix.POINT);
        return Box.centred(size.x(), size.y());
    }
}
