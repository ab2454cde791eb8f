package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Optional;

/** A picture that doesn't move. */
final class StillDrawing implements Drawing<Content.Still> {
    @Override
    public Optional<Step.Paints> picture(Content.Still still, Subject subject, Canvas canvas) {
        return Optional.of(ClipFrame.of(still, 0, subject.toRaster(), canvas));
    }

    @Override
    public Box extent(Content.Still still, Measures measures) {
        return ClipFrame.box(measures.sources().info(still.media()));
    }
}
