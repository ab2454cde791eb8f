package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import java.util.Map;
import java.util.Optional;

/** The drawing of each kind of content. */
final class Drawings {
    private static final Map<Class<? extends Content>, Drawing<?>> ALL = Map.of(
            Content.Text.class, new TextDrawing(),
            Content.Fill.class, new FillDrawing(),
            Content.Shape.class, new ShapeDrawing(),
            Content.Footage.class, new FootageDrawing(),
            Content.Still.class, new StillDrawing(),
            Content.Group.class, new GroupDrawing(),
            Content.Again.class, new UnseenDrawing(),
            Content.Nested.class, new UnseenDrawing(),
            Content.Sound.class, new UnseenDrawing(),
            Content.Adjustment.class, new AdjustmentDrawing());

    private Drawings() {}

    static Optional<Step.Paints> picture(Content content, Drawing.Subject subject, Drawing.Canvas canvas) {
        return of(content).picture(content, subject, canvas);
    }

    static Box extent(Content content, Drawing.Measures measures) {
        return of(content).extent(content, measures);
    }

    static Box reach(Content content, Drawing.Measures measures) {
        return of(content).reach(content, measures);
    }

    private static <C extends Content> Drawing<C> of(C content) {
        Drawing<?> found = ALL.get(content.getClass());
        if (found == null) {
            throw new IllegalStateException(
                    "Nothing draws " + content.getClass().getSimpleName() + ".");
        }
        // Each drawing stands under the class of what it draws.
        @SuppressWarnings("unchecked")
        Drawing<C> drawing = (Drawing<C>) found;
        return drawing;
    }
}
