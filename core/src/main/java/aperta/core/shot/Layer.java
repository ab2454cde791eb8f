package aperta.core.shot;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * One layer of a shot.
 *
 * @param pace how its content runs
 * @param parent the id of the layer whose place this one's place is relative to
 * @param pinned the id of a track of its parent, a clip, with whose marks it goes
 * @param windows parts of it that are seen, each kind at most once
 * @param ink the strokes in which it is written, where they were set by hand
 * @param effects what changes its picture, in the order of the chain at each station
 * @param join what it does with what lies below it in its group
 * @param alsoShown whether it shows by itself although another layer is cut by it
 * @param motionBlur whether it is blurred by what moves while the shutter is open
 * @param hidden doesn't show; still cuts what is cut by it
 * @param solo when any layer has it, only those show
 * @param locked the desk refuses to change it
 */
public record Layer(
        String id,
        String name,
        Content content,
        Span span,
        Pace pace,
        Place place,
        Optional<String> parent,
        Optional<String> pinned,
        List<Mask> masks,
        List<AnimatedRecipe> windows,
        Optional<Ink> ink,
        List<LayerEffect> effects,
        Optional<Cut> cut,
        Join join,
        boolean alsoShown,
        Optional<Passage> arrive,
        Optional<Passage> leave,
        BlendMode blend,
        boolean motionBlur,
        boolean hidden,
        boolean solo,
        boolean locked) {

    /** As many as a text has letters. */
    public static final int MOST_MASKS = Content.Text.MOST_LETTERS;

    public static final int MOST_EFFECTS = 64;

    public Layer {
        masks = List.copyOf(masks);
        windows = List.copyOf(windows);
        effects = List.copyOf(effects);
        if (effects.size() > MOST_EFFECTS) {
            throw new IllegalArgumentException("A layer has at most " + MOST_EFFECTS + " effects.");
        }
        if (masks.size() > MOST_MASKS) {
            throw new IllegalArgumentException("A layer has at most " + MOST_MASKS + " masks.");
        }
    }

    public static Layer of(String id, String name, Content content, Span span, Place place) {
        return new Layer(
                id,
                name,
                content,
                span,
                Pace.EVEN,
                place,
                Optional.empty(),
                Optional.empty(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Join.OVER,
                false,
                Optional.empty(),
                Optional.empty(),
                BlendMode.NORMAL,
                false,
                false,
                false,
                false);
    }

    public Layer withIdentity(String otherId, String otherName) {
        return with(d -> {
            d.id = otherId;
            d.name = otherName;
        });
    }

    public Layer withContent(Content other) {
        return with(d -> d.content = other);
    }

    public Layer withSpan(Span other) {
        return with(d -> d.span = other);
    }

    public Layer withPace(Pace other) {
        return with(d -> d.pace = other);
    }

    public Layer withPlace(Place other) {
        return with(d -> d.place = other);
    }

    public Layer withParent(Optional<String> other) {
        return with(d -> {
            d.pinned = other.equals(d.parent) ? d.pinned : Optional.empty();
            d.parent = other;
        });
    }

    public Layer withPinned(Optional<String> other) {
        return with(d -> d.pinned = other);
    }

    public Layer withMasks(List<Mask> other) {
        return with(d -> d.masks = other);
    }

    public Layer withWindows(List<AnimatedRecipe> other) {
        return with(d -> d.windows = other);
    }

    public Layer withInk(Optional<Ink> other) {
        return with(d -> d.ink = other);
    }

    /** Its window of a kind. */
    public Optional<AnimatedRecipe> window(String kind) {
        return windows.stream().filter(w -> w.kind().equals(kind)).findFirst();
    }

    /** The same with another window in the place of the one of its kind. */
    Layer withWindow(AnimatedRecipe other) {
        return withWindows(windows.stream()
                .map(w -> w.kind().equals(other.kind()) ? other : w)
                .toList());
    }

    public Layer withEffects(List<LayerEffect> other) {
        return with(d -> d.effects = other);
    }

    /** @throws IllegalArgumentException where there is no such effect */
    public LayerEffect effect(String wanted) {
        return effects.stream()
                .filter(e -> e.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + name + "' has no effect '" + wanted + "'."));
    }

    /** The same with another effect in the place of the one of its id. */
    Layer withEffect(LayerEffect other) {
        return withEffects(
                effects.stream().map(e -> e.id().equals(other.id()) ? other : e).toList());
    }

    public Layer withCut(Optional<Cut> other) {
        return with(d -> d.cut = other);
    }

    public Layer withJoin(Join other) {
        return with(d -> d.join = other);
    }

    public Layer withAlsoShown(boolean other) {
        return with(d -> d.alsoShown = other);
    }

    public Layer withArrive(Optional<Passage> other) {
        return with(d -> d.arrive = other);
    }

    public Layer withLeave(Optional<Passage> other) {
        return with(d -> d.leave = other);
    }

    public Layer withBlend(BlendMode other) {
        return with(d -> d.blend = other);
    }

    public Layer withMotionBlur(boolean other) {
        return with(d -> d.motionBlur = other);
    }

    public Layer withHidden(boolean other) {
        return with(d -> d.hidden = other);
    }

    public Layer withSolo(boolean other) {
        return with(d -> d.solo = other);
    }

    /** How it arrives and how it leaves, where it does. */
    public List<Passage> passages() {
        return Stream.of(arrive, leave).flatMap(Optional::stream).toList();
    }

    private Layer with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.layer();
    }

    /** A layer in the making. */
    private static final class Draft {
        private String id;
        private String name;
        private Content content;
        private Span span;
        private Pace pace;
        private Place place;
        private Optional<String> parent;
        private Optional<String> pinned;
        private List<Mask> masks;
        private List<AnimatedRecipe> windows;
        private Optional<Ink> ink;
        private List<LayerEffect> effects;
        private Optional<Cut> cut;
        private Join join;
        private boolean alsoShown;
        private Optional<Passage> arrive;
        private Optional<Passage> leave;
        private BlendMode blend;
        private boolean motionBlur;
        private boolean hidden;
        private boolean solo;
        private boolean locked;

        private Draft(Layer l) {
            id = l.id;
            name = l.name;
            content = l.content;
            span = l.span;
            pace = l.pace;
            place = l.place;
            parent = l.parent;
            pinned = l.pinned;
            masks = l.masks;
            windows = l.windows;
            ink = l.ink;
            effects = l.effects;
            cut = l.cut;
            join = l.join;
            alsoShown = l.alsoShown;
            arrive = l.arrive;
            leave = l.leave;
            blend = l.blend;
            motionBlur = l.motionBlur;
            hidden = l.hidden;
            solo = l.solo;
            locked = l.locked;
        }

        private Layer layer() {
            return new Layer(
                    id,
                    name,
                    content,
                    span,
                    pace,
                    place,
                    parent,
                    pinned,
                    masks,
                    windows,
                    ink,
                    effects,
                    cut,
                    join,
                    alsoShown,
                    arrive,
                    leave,
                    blend,
                    motionBlur,
                    hidden,
                    solo,
                    locked);
        }
    }
}
