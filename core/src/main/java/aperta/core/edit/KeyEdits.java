package aperta.core.edit;

import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Values and keys of properties. Frames of {@code SetValue} and {@code AddKey} are the shot's; others the layer's own. */
public final class KeyEdits {
    private KeyEdits() {}

    /** Sets a property as seen at a frame: its resting value, or a key there where it has keys. */
    public record SetValue(String layer, String property, long frame, Object value) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            return change(shot, layer, property, new Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    // The mapping reads the value by the property's kind, so that it has the property's type.
                    @SuppressWarnings("unchecked")
                    T typed = (T) value;
                    return now.set(own, typed);
                }
            });
        }
    }

    /** Puts a key with the present value on a frame. */
    public record AddKey(String layer, String property, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            return change(shot, layer, property, new Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    return now.withKey(own, now.at(own, p.mix()), Ease.EASE);
                }
            });
        }
    }

    /** Takes keys away. */
    public record RemoveKeys(List<KeyName> keys) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (KeyName name : keys) {
                next = change(next, name.layer, name.property, new Change() {
                    @Override
                    public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                        return now.withoutKey(name.at);
                    }
                });
            }
            return next;
        }
    }

    /** Moves keys in time; a key that comes to lie on another replaces it. */
    public record MoveKeys(List<KeyName> keys, long by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (KeyName one : keys) {
                List<Long> together = keys.stream()
                        .filter(k -> k.layer.equals(one.layer) && k.property.equals(one.property))
                        .map(KeyName::at)
                        .toList();
                if (together.get(0) == one.at) {
                    next = move(next, one, together);
                }
            }
            return next;
        }

        private Shot move(Shot shot, KeyName name, List<Long> moved) {
            return change(shot, name.layer, name.property, new Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    Map<Long, Key<T>> next = new TreeMap<>();
                    now.keys().stream().filter(k -> !moved.contains(k.at())).forEach(k -> next.put(k.at(), k));
                    now.keys().stream()
                            .filter(k -> moved.contains(k.at()))
                            .forEach(k -> next.put(k.at() + by, k.movedTo(k.at() + by)));
                    return new Animated<>(now.rest(), List.copyOf(next.values()));
                }
            });
        }
    }

    /** Sets how keys go on to the next one. */
    public record SetEase(List<KeyName> keys, Ease ease) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (KeyName name : keys) {
                next = change(next, name.layer, name.property, new Change() {
                    @Override
                    public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                        return eased(now, name.at, ease);
                    }
                });
            }
            return next;
        }

        private static <T> Animated<T> eased(Animated<T> now, long at, Ease ease) {
            List<Key<T>> next = new ArrayList<>(now.keys());
            next.replaceAll(k -> k.at() == at ? new Key<>(k.at(), k.value(), ease, k.out(), k.in()) : k);
            next.sort(Comparator.comparingLong(Key::at));
            return new Animated<>(now.rest(), next);
        }
    }

    /** A key by its layer, its property and its frame in the layer's own time. */
    public record KeyName(String layer, String property, long at) {}

    private interface Change {
        <T> Animated<T> of(Property<T> property, Animated<T> now);
    }

    private static Shot change(Shot shot, String layer, String property, Change change) {
        LayerEdits.demand(shot, layer);
        return shot.changing(layer, changed(property, change));
    }

    private static UnaryOperator<Layer> changed(String property, Change change) {
        return l -> changed(l, Property.named(l, property), change);
    }

    private static <T> Layer changed(Layer layer, Property<T> property, Change change) {
        return property.set().apply(layer, change.of(property, property.get().apply(layer)));
    }
}
