package aperta.core.shot;

import java.util.List;
import java.util.Optional;

/**
 * One layer of a shot.
 *
 * @param parent the id of the layer whose place this one's place is relative to
 * @param alsoShown whether it shows by itself although another layer is cut by it
 * @param hidden doesn't show; still cuts what is cut by it
 * @param solo when any layer has it, only those show
 * @param locked the desk refuses to change it
 */
public record Layer(
        String id,
        String name,
        Content content,
        Span span,
        Place place,
        Optional<String> parent,
        List<Mask> masks,
        Optional<Cut> cut,
        boolean alsoShown,
        BlendMode blend,
        boolean hidden,
        boolean solo,
        boolean locked) {

    public Layer {
        masks = List.copyOf(masks);
    }

    public static Layer of(String id, String name, Content content, Span span, Place place) {
        return new Layer(
                id,
                name,
                content,
                span,
                place,
                Optional.empty(),
                List.of(),
                Optional.empty(),
                false,
                BlendMode.NORMAL,
                false,
                false,
                false);
    }

    public Layer withIdentity(String otherId, String otherName) {
        return new Layer(
                otherId, otherName, content, span, place, parent, masks, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withContent(Content other) {
        return new Layer(id, name, other, span, place, parent, masks, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withPlace(Place other) {
        return new Layer(id, name, content, span, other, parent, masks, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withSpan(Span other) {
        return new Layer(id, name, content, other, place, parent, masks, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withMasks(List<Mask> other) {
        return new Layer(id, name, content, span, place, parent, other, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withCut(Optional<Cut> other) {
        return new Layer(id, name, content, span, place, parent, masks, other, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withParent(Optional<String> other) {
        return new Layer(id, name, content, span, place, other, masks, cut, alsoShown, blend, hidden, solo, locked);
    }

    public Layer withBlend(BlendMode other) {
        return new Layer(id, name, content, span, place, parent, masks, cut, alsoShown, other, hidden, solo, locked);
    }
}
