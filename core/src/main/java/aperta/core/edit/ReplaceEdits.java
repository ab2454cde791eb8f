package aperta.core.edit;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.References;
import aperta.core.shot.Shot;
import java.util.List;

/** What a layer shows is replaced; its place, its keys, its cut and masks, how it arrives and leaves all stay. */
public final class ReplaceEdits {
    private ReplaceEdits() {}

    /** By other content. */
    public record ByContent(String layer, Content content, String name) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            if (now.content().isSeen() != content.isSeen()) {
                throw new IllegalArgumentException(
                        "What is seen can't be replaced by what is heard, nor the other way round.");
            }
            return shot.changing(layer, l -> l.withContent(content).withIdentity(l.id(), name));
        }
    }

    /** By what another layer shows, which goes. */
    public record ByLayer(String layer, String by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Layer other = LayerEdits.demand(shot, by);
            boolean within = shot.lineTo(by).stream().anyMatch(l -> l.id().equals(layer))
                    || shot.lineTo(layer).stream().anyMatch(l -> l.id().equals(by));
            if (within) {
                throw new IllegalArgumentException("'" + now.name() + "' and '" + other.name()
                        + "' are the same layer, or one lies in the other.");
            }
            if (other.content() instanceof Content.Group && isShownAgain(shot, by)) {
                throw new IllegalArgumentException(
                        "'" + other.name() + "' is used again elsewhere; use it again here, too, or copy it first.");
            }
            Shot without = new LayerEdits.Delete(List.of(by)).apply(shot, extents);
            Layer kept = without.layer(layer).orElseThrow();
            Shot next =
                    without.changing(layer, l -> l.withContent(other.content()).withIdentity(l.id(), other.name()));
            return References.of(next.layer(layer).orElseThrow()).contains(kept.id()) ? refused(now, other) : next;
        }

        private static boolean isShownAgain(Shot shot, String group) {
            return shot.everyLayer().stream()
                    .anyMatch(l -> l.content() instanceof Content.Again again
                            && again.group().equals(group));
        }

        private static Shot refused(Layer now, Layer other) {
            throw new IllegalArgumentException(
                    "'" + other.name() + "' refers to '" + now.name() + "', and can't take its place.");
        }
    }
}
