package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Optional;

/** What is heard, not seen; and what has become something else before a moment is worked out. */
final class UnseenDrawing implements Drawing<Content> {
    @Override
    public Optional<Step.Paints> picture(Content content, Subject subject, Canvas canvas) {
        return Optional.empty();
    }

    @Override
    public Box extent(Content content, Measures measures) {
        return Box.EMPTY;
    }
}
