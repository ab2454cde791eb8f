package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The drawing of each kind of content. */
final class Drawings {
    private static final Map<Class<? extends Content>, Drawing<?>> ALL = Map.ofEntries(
            Map.entry(Content.Text.class, new TextDrawing()),
            Map.entry(Content.Fill.class, new FillDrawing()),
            Map.entry(Content.Texture.class, new TextureDrawing()),
            Map.entry(Content.Shape.class, new ShapeDrawing()),
            Map.entry(Content.Trace.class, new TraceDrawing()),
            Map.entry(Content.Drawings.class, new DrawnFrames()),
            Map.entry(Content.Footage.class, new FootageDrawing()),
            Map.entry(Content.Still.class, new StillDrawing()),
            Map.entry(Content.Group.class, new GroupDrawing()),
            Map.entry(Content.Again.class, new UnseenDrawing()),
            Map.entry(Content.Nested.class, new UnseenDrawing()),
            Map.entry(Content.Sound.class, new UnseenDrawing()),
            Map.entry(Content.Adjustment.class, new AdjustmentDrawing()));

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

    static List<Outline> written(Content content, Drawing.Measures measures) {
        return of(content).written(content, measures);
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
