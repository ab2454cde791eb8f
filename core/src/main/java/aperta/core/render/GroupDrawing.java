package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Optional;

/** Layers put together. How large they are together depends on where they are ({@link Planner#extent}). */
final class GroupDrawing implements Drawing<Content.Group> {
    @Override
    public Optional<Step.Paints> picture(Content.Group group, Subject subject, Canvas canvas) {
        return Optional.of(canvas.stack(group.layers()));
    }

    @Override
    public Box extent(Content.Group group, Measures measures) {
        throw new IllegalArgumentException("A group has no size of its own.");
    }
}
