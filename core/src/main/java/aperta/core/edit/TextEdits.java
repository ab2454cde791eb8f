package aperta.core.edit;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.shot.Shot;
import java.util.List;
import java.util.function.UnaryOperator;

/** The words of a text, and letters that look different. Letters count from 0 in the whole text, line breaks too. */
public final class TextEdits {
    private TextEdits() {}

    /** Other words; letters that look different keep their look, and a layer that was called by its words is again. */
    public record SetWords(String layer, String words) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Content.Text text = demand(now);
            boolean calledByThem = now.name().equals(inOneLine(text.words())) && !words.isBlank();
            String name = calledByThem ? inOneLine(words) : now.name();
            return shot.changing(
                    layer, l -> l.withContent(text.withWords(words)).withIdentity(l.id(), name));
        }
    }

    private static String inOneLine(String words) {
        return words.replace('\n', ' ');
    }

    /** Some letters look different in the parts that {@code look} says. */
    public record StyleLetters(String layer, int from, int to, LetterLook look) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, from, to, was -> was.and(look));
        }
    }

    /**
     * Some letters look like the others again.
     *
     * @param parts the names of the parts of their look, as in documents
     */
    public record PlainLetters(String layer, int from, int to, List<String> parts) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, from, to, was -> was.without(parts));
        }
    }

    private static Shot changed(Shot shot, String layer, int from, int to, UnaryOperator<LetterLook> change) {
        Layer now = LayerEdits.demand(shot, layer);
        Content.Text text = demand(now);
        if (from < 0 || to > text.words().length() || from >= to) {
            throw new IllegalArgumentException("Choose some letters of '" + now.name() + "' first.");
        }
        return shot.changing(
                layer, l -> l.withContent(text.withRuns(LetterRun.changed(text.runs(), from, to, change))));
    }

    static Content.Text demand(Layer layer) {
        if (layer.content() instanceof Content.Text text) {
            return text;
        }
        throw new IllegalArgumentException("'" + layer.name() + "' is not a text.");
    }
}
