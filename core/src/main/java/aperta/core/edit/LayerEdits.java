package aperta.core.edit;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.References;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Layers taken away, doubled, put in another order and grouped. */
public final class LayerEdits {
    private LayerEdits() {}

    static Layer demand(Shot shot, String id) {
        return shot.layer(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
    }

    /**
     * Takes layers away, and the traces of them; cuts by them end, what follows them stands still, and their children go on
     * without a parent.
     */
    public record Delete(List<String> layers) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Set<String> gone = new HashSet<>();
            for (String id : layers) {
                collect(demand(shot, id), gone);
            }
            for (Layer l : shot.everyLayer()) {
                if (l.content() instanceof Content.Trace trace && gone.contains(trace.of())) {
                    gone.add(l.id());
                }
            }
            return shot.withLayers(without(handedOn(shot, gone), gone));
        }

        /** A group that goes while it is used elsewhere leaves its layers to the first that uses it. */
        private static List<Layer> handedOn(Shot shot, Set<String> gone) {
            Shot next = shot;
            Map<String, String> heirs = new HashMap<>();
            for (Layer l : shot.everyLayer()) {
                if (gone.contains(l.id())
                        || !(l.content() instanceof Content.Again again)
                        || !gone.contains(again.group())) {
                    continue;
                }
                String heir = heirs.putIfAbsent(again.group(), l.id());
                if (heir == null) {
                    Content.Group group =
                            (Content.Group) demand(shot, again.group()).content();
                    next = next.changing(l.id(), k -> k.withContent(Duplicate.copied(group, l.id())));
                } else {
                    next = next.changing(l.id(), k -> k.withContent(new Content.Again(heir)));
                }
            }
            return next.layers();
        }

        private static void collect(Layer layer, Set<String> gone) {
            gone.add(layer.id());
            if (layer.content() instanceof Content.Group group) {
                group.layers().forEach(l -> collect(l, gone));
            }
        }

        private static List<Layer> without(List<Layer> layers, Set<String> gone) {
            List<Layer> next = new ArrayList<>();
            for (Layer layer : layers) {
                if (gone.contains(layer.id())) {
                    continue;
                }
                Layer kept = References.without(layer, gone);
                if (layer.content() instanceof Content.Group group) {
                    kept = kept.withContent(new Content.Group(without(group.layers(), gone)));
                }
                next.add(kept);
            }
            return next;
        }
    }

    /** Puts a copy of a layer above it; what lies inside a group gets new ids too. */
    public record Duplicate(String layer, String newId) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer original = demand(shot, layer);
            Map<String, String> names = new HashMap<>();
            name(original, newId, names);
            Layer copy = renamed(original, names);
            return beside(shot, layer, copy.withIdentity(newId, original.name() + " copy"));
        }

        static void name(Layer layer, String id, Map<String, String> names) {
            names.put(layer.id(), id);
            if (layer.content() instanceof Content.Group group) {
                int n = 1;
                for (Layer inside : group.layers()) {
                    name(inside, id + "-" + n++, names);
                }
            }
        }

        /** The layers of a group with ids of their own. */
        static Content.Group copied(Content.Group group, String id) {
            Map<String, String> names = new HashMap<>();
            int n = 1;
            for (Layer inside : group.layers()) {
                name(inside, id + "-" + n++, names);
            }
            return new Content.Group(
                    group.layers().stream().map(l -> renamed(l, names)).toList());
        }

        static Layer renamed(Layer layer, Map<String, String> names) {
            Layer next = References.renamed(layer, names).withIdentity(names.get(layer.id()), layer.name());
            return layer.content() instanceof Content.Group group
                    ? next.withContent(new Content.Group(
                            group.layers().stream().map(l -> renamed(l, names)).toList()))
                    : next;
        }
    }

    /**
     * Layers as they are copied: the chosen ones, and all that they name, in the order of the shot. What lies inside of one of
     * them comes with it.
     */
    public static List<Layer> withNamed(Shot shot, List<String> chosen) {
        Set<String> wanted = new LinkedHashSet<>(chosen);
        Set<String> inside = new HashSet<>();
        List<String> open = new ArrayList<>(chosen);
        while (!open.isEmpty()) {
            Layer layer = demand(shot, open.remove(0));
            for (Layer each : new Shot(shot.name(), shot.format(), 1, List.of(layer)).everyLayer()) {
                inside.add(each.id());
                for (String named : References.of(each)) {
                    if (!inside.contains(named) && wanted.add(named)) {
                        open.add(named);
                    }
                }
            }
        }
        return shot.everyLayer().stream()
                .filter(l -> wanted.contains(l.id()))
                .filter(l ->
                        shot.lineTo(l.id()).stream().noneMatch(g -> !g.id().equals(l.id()) && wanted.contains(g.id())))
                .toList();
    }

    /**
     * Puts copied layers above another one, or on top of all. The chosen ones are new; of those that came along because they
     * are named, only what the shot hasn't.
     *
     * @param newId what the new ids begin with
     */
    public record Paste(List<Layer> layers, List<String> chosen, String newId, Optional<String> above) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (layers.isEmpty()) {
                throw new IllegalArgumentException("There are no layers to be pasted.");
            }
            Map<String, String> names = new HashMap<>();
            List<Layer> fresh = layers.stream()
                    .filter(l -> chosen.contains(l.id()) || shot.layer(l.id()).isEmpty())
                    .toList();
            for (int i = 0; i < fresh.size(); i++) {
                Duplicate.name(fresh.get(i), newId + "-" + (i + 1), names);
            }
            Set<String> gone = new HashSet<>();
            fresh.forEach(l -> gone.addAll(References.of(l)));
            gone.removeIf(id -> names.containsKey(id) || shot.layer(id).isPresent());
            Shot next = shot;
            for (int i = fresh.size() - 1; i >= 0; i--) {
                Layer pasted = Duplicate.renamed(References.without(fresh.get(i), gone), names);
                Optional<String> below = i == fresh.size() - 1
                        ? above
                        : Optional.of(names.get(fresh.get(i + 1).id()));
                next = new Add(pasted, below).apply(next, extents);
            }
            return next;
        }
    }

    /** Puts a layer at another place among its neighbours; 0 is the top. */
    public record Reorder(String layer, int to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            demand(shot, layer);
            return shot.withLayers(among(shot.layers(), layer, beside -> {
                List<Layer> next = new ArrayList<>(beside);
                Layer moved = next.stream()
                        .filter(l -> l.id().equals(layer))
                        .findFirst()
                        .orElseThrow();
                next.remove(moved);
                next.add(Math.min(next.size(), Math.max(0, to)), moved);
                return next;
            }));
        }
    }

    /** Puts neighbouring layers into a new group, at the place of the uppermost. */
    public record Group(List<String> layers, String newId, String name) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (layers.isEmpty()) {
                throw new IllegalArgumentException("A group needs at least one layer.");
            }
            layers.forEach(id -> demand(shot, id));
            return shot.withLayers(among(shot.layers(), layers.get(0), beside -> {
                List<Layer> inside =
                        beside.stream().filter(l -> layers.contains(l.id())).toList();
                if (inside.size() != layers.size()) {
                    throw new IllegalArgumentException("Only layers that lie in the same group can be grouped.");
                }
                Place place = Place.at(shot.format().centre());
                Layer group = Layer.of(
                        newId,
                        name,
                        new Content.Group(inside),
                        Span.of(0, shot.length()),
                        place.withAnchor(place.position()));
                List<Layer> next = new ArrayList<>(beside);
                next.set(beside.indexOf(inside.get(0)), group);
                next.removeAll(inside);
                return next;
            }));
        }
    }

    /** Shows what lies in a group once more, above it; what is changed in the group is changed there too. */
    public record UseAgain(String group, String newId) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = demand(shot, group);
            String source = now.content() instanceof Content.Again again ? again.group() : group;
            if (!(demand(shot, source).content() instanceof Content.Group)) {
                throw new IllegalArgumentException("'" + now.name() + "' is not a group.");
            }
            return beside(
                    shot, group, now.withIdentity(newId, now.name() + " again").withContent(new Content.Again(source)));
        }
    }

    /** Puts a new layer above another one, or on top of all. */
    public record Add(Layer layer, Optional<String> above) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (above.isPresent()) {
                demand(shot, above.get());
                return beside(shot, above.get(), layer);
            }
            List<Layer> next = new ArrayList<>(shot.layers());
            next.add(0, layer);
            return shot.withLayers(next);
        }
    }

    static Shot beside(Shot shot, String id, Layer added) {
        return shot.withLayers(among(shot.layers(), id, beside -> {
            List<Layer> next = new ArrayList<>(beside);
            int at = 0;
            while (!next.get(at).id().equals(id)) {
                at++;
            }
            next.add(at, added);
            return next;
        }));
    }

    /** Changes the list of layers that a layer lies in. */
    static List<Layer> among(List<Layer> layers, String id, UnaryOperator<List<Layer>> change) {
        if (layers.stream().anyMatch(l -> l.id().equals(id))) {
            return change.apply(layers);
        }
        List<Layer> next = new ArrayList<>();
        for (Layer layer : layers) {
            next.add(
                    layer.content() instanceof Content.Group group
                            ? layer.withContent(new Content.Group(among(group.layers(), id, change)))
                            : layer);
        }
        return next;
    }
}
