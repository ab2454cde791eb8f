package aperta.core.edit;

import aperta.core.shot.Layer;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.LongUnaryOperator;

/** How edits reach the keys of properties whose types they don't know. */
final class Keys {
    private Keys() {}

    /** What becomes of a property's values. */
    interface Change {
        <T> Animated<T> of(Property<T> property, Animated<T> now);
    }

    /** What becomes of the chosen keys of one property; the others stay unless a changed one comes to lie on them. */
    interface ChosenChange {
        /** @param start the frame of the bars on which the layer's own time is 0 */
        <T> List<Key<T>> of(List<Key<T>> chosen, long start);
    }

    /** The frame of the bars on which a layer's own time is 0. */
    static long start(Shot shot, String layer) {
        Span span = LayerEdits.demand(shot, layer).span();
        return span.in() - span.offset();
    }

    static Shot change(Shot shot, String layer, String property, Change change) {
        LayerEdits.demand(shot, layer);
        return shot.changing(layer, l -> changed(l, Property.named(l, property), change));
    }

    static <T> Layer changed(Layer layer, Property<T> property, Change change) {
        return property.set().apply(layer, change.of(property, property.get().apply(layer)));
    }

    /** Every property of a layer put through a change. */
    static Layer changedAll(Layer layer, Change change) {
        Layer next = layer;
        for (Property<?> p : Property.of(layer)) {
            next = changed(next, p, change);
        }
        return next;
    }

    static Shot changeChosen(Shot shot, List<KeyEdits.KeyName> names, ChosenChange change) {
        Map<List<String>, Set<Long>> tracks = new LinkedHashMap<>();
        for (KeyEdits.KeyName n : names) {
            tracks.computeIfAbsent(List.of(n.layer(), n.property()), k -> new TreeSet<>())
                    .add(n.at());
        }
        Shot next = shot;
        for (Map.Entry<List<String>, Set<Long>> track : tracks.entrySet()) {
            long start = start(shot, track.getKey().get(0));
            next = change(next, track.getKey().get(0), track.getKey().get(1), new Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    List<Key<T>> kept = new ArrayList<>();
                    List<Key<T>> chosen = new ArrayList<>();
                    now.keys().forEach(k -> (track.getValue().contains(k.at()) ? chosen : kept).add(k));
                    return now.withKeys(together(kept, chosen.isEmpty() ? chosen : change.of(chosen, start)));
                }
            });
        }
        return next;
    }

    /** Keys in the order of time; where two lie on one frame, the one of {@code over} stays. */
    static <T> List<Key<T>> together(List<Key<T>> under, List<Key<T>> over) {
        Map<Long, Key<T>> all = new TreeMap<>();
        under.forEach(k -> all.put(k.at(), k));
        over.forEach(k -> all.put(k.at(), k));
        return List.copyOf(all.values());
    }

    /** Moves all keys of a layer in its own time, each to where {@code to} says. */
    static Layer retimed(Layer layer, LongUnaryOperator to) {
        return changedAll(layer, new Change() {
            @Override
            public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                return now.withKeys(together(
                        List.of(),
                        now.keys().stream()
                                .map(k -> k.movedTo(to.applyAsLong(k.at())))
                                .toList()));
            }
        });
    }
}
