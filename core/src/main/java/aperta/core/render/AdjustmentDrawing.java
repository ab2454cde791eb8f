package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Optional;

/** An adjustment has no picture of its own: what lies below passes through it. It is as large as the frame. */
final class AdjustmentDrawing implements Drawing<Content.Adjustment> {
    @Override
    public Optional<Step.Paints> picture(Content.Adjustment content, Subject subject, Canvas canvas) {
        return Optional.empty();
    }

    @Override
    public Box extent(Content.Adjustment content, Measures measures) {
        return Box.centred(measures.format().width(), measures.format().height());
    }
}
