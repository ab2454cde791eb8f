package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Join;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Place;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Beyond;
import java.util.List;
import java.util.Optional;

/** Parts of a layer put on others, or taken away. */
public final class LookEdits {
    private LookEdits() {}

    /** What of a layer. */
    public enum Part {
        TRANSFORM,
        /** The keys, signals and what lies beyond them of every property that both layers have. */
        KEYS,
        MASKS,
        CUT,
        ARRIVAL,
        DEPARTURE,
        /** How letters look; the words stay. */
        TEXT_STYLE,
        /** The fills and strokes of a shape; letters give theirs, too. */
        COATS,
        /** The blend mode and motion blur. */
        BLEND
    }

    /** Puts parts of a layer on others. */
    public record CopyParts(String from, List<String> to, List<Part> parts) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer source = LayerEdits.demand(shot, from);
            Shot next = shot;
            for (String id : to) {
                LayerEdits.demand(shot, id);
                for (Part part : parts) {
                    next = next.changing(id, l -> copied(source, l, part));
                }
            }
            return next;
        }
    }

    /** Takes parts off layers: they are as on a new layer, and what had keys keeps its resting value. */
    public record RemoveParts(List<String> layers, List<Part> parts) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (String id : layers) {
                LayerEdits.demand(shot, id);
                for (Part part : parts) {
                    next = next.changing(id, l -> removed(shot, l, part));
                }
            }
            return next;
        }
    }

    private static Layer copied(Layer from, Layer to, Part part) {
        return switch (part) {
            case TRANSFORM -> to.withPlace(from.place());
            case KEYS -> keyed(from, to);
            case MASKS -> to.withMasks(from.masks()).withWindows(from.windows());
            case CUT -> {
                Layer joined = to.withJoin(from.join());
                boolean itself = from.cut().filter(c -> c.by().equals(to.id())).isPresent();
                yield itself ? joined : joined.withCut(from.cut());
            }
            case ARRIVAL -> to.withArrive(from.arrive().map(p -> p.withPass(Optional.empty())));
            case DEPARTURE -> to.withLeave(from.leave());
            case TEXT_STYLE -> styled(from, to);
            case COATS -> coated(from, to);
            case BLEND -> to.withBlend(from.blend()).withMotionBlur(from.motionBlur());
        };
    }

    private static Layer removed(Shot shot, Layer l, Part part) {
        return switch (part) {
            case TRANSFORM -> l.withPlace(placeOfNew(shot, l));
            case KEYS ->
                Keys.changedAll(l, new Keys.Change() {
                    @Override
                    public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                        return Animated.of(
                                now.isKeyed()
                                        ? now.keys().get(now.keys().size() - 1).value()
                                        : now.rest());
                    }
                });
            case MASKS -> l.withMasks(List.of());
            case CUT -> l.withCut(Optional.empty()).withJoin(Join.OVER);
            case ARRIVAL -> l.withArrive(Optional.empty());
            case DEPARTURE -> l.withLeave(Optional.empty());
            case TEXT_STYLE ->
                l.content() instanceof Content.Text t
                        ? l.withContent(t.styledAs(Content.Text.of(
                                "", t.font(), t.measure(LetterLook.Measure.SIZE).rest())))
                        : l;
            case COATS ->
                l.content() instanceof Content.Coated c
                        ? l.withContent(c.withCoats(List.of(Coat.Fill.of("fill", Colour.WHITE))))
                        : l;
            case BLEND -> l.withBlend(BlendMode.NORMAL).withMotionBlur(false);
        };
    }

    /** A group's anchor lies in the middle of the shot, that of any other layer in its own middle. */
    private static Place placeOfNew(Shot shot, Layer l) {
        Place place = Place.at(shot.format().centre());
        return l.content() instanceof Content.Group ? place.withAnchor(place.position()) : place;
    }

    private static Layer keyed(Layer from, Layer to) {
        return Keys.changedAll(to, new Keys.Change() {
            @Override
            public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                return Property.of(from).stream()
                        .filter(q -> q.name().equals(p.name()) && q.kind() == p.kind())
                        .findFirst()
                        .map(q -> {
                            // Properties of the same name and kind have values of the same type.
                            @SuppressWarnings("unchecked")
                            Animated<T> other = (Animated<T>) q.get().apply(from);
                            return other.isStill() && other.before() == Beyond.HOLD ? now : other.withRest(now.rest());
                        })
                        .orElse(now);
            }
        });
    }

    private static Layer styled(Layer from, Layer to) {
        return from.content() instanceof Content.Text a && to.content() instanceof Content.Text b
                ? to.withContent(b.styledAs(a))
                : to;
    }

    private static Layer coated(Layer from, Layer to) {
        if (!(to.content() instanceof Content.Coated coated)) {
            return to;
        }
        if (from.content() instanceof Content.Coated other) {
            return to.withContent(coated.withCoats(other.coats()));
        }
        return from.content() instanceof Content.Text text
                ? to.withContent(coated.withCoats(ShapeEdits.coats(text)))
                : to;
    }
}
