package aperta.core.shot;

import aperta.core.recipe.Recipe;
import aperta.core.time.Animated;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * The layers that a layer names: its parent, what it is cut by, what its masks go with, the one that gives way to it, the group that it shows
 * again, the layer that it traces, those that run at the ends of its strokes, and those that its signals and its described things name. What the layers of a group name is theirs.
 */
public final class References {
    private References() {}

    /** The ids that a layer names. */
    public static Set<String> of(Layer layer) {
        Set<String> all = new LinkedHashSet<>();
        layer.parent().ifPresent(all::add);
        layer.cut().ifPresent(c -> all.add(c.by()));
        layer.masks().forEach(m -> m.pin().ifPresent(p -> all.add(p.layer())));
        if (layer.content() instanceof Content.Again again) {
            all.add(again.group());
        }
        if (layer.content() instanceof Content.Trace trace) {
            all.add(trace.of());
        }
        if (layer.content() instanceof Content.Coated coated) {
            all.addAll(coated.riders());
        }
        layer.windows().forEach(w -> all.addAll(w.rest().layers()));
        for (LayerEffect effect : layer.effects()) {
            effect.where().ifPresent(w -> all.add(w.by()));
            all.addAll(effect.recipe().rest().layers());
        }
        for (Passage passage : layer.passages()) {
            passage.opening().ifPresent(o -> all.addAll(o.rest().layers()));
            passage.pass().ifPresent(p -> all.add(p.from()));
        }
        for (Property<?> property : Property.of(layer)) {
            property.get().apply(layer).signals().forEach(s -> all.addAll(s.layers()));
        }
        return all;
    }

    /** The same layer, which names others by these names; those without one keep theirs. */
    public static Layer renamed(Layer layer, Map<String, String> names) {
        return changed(layer, id -> Optional.of(names.getOrDefault(id, id)));
    }

    /**
     * The same layer without what names these: it has no such parent, cut, signal or opening any more, and its effects name nothing in their place. A group that is
     * shown again, and a layer that is traced, stay named, since nothing would show without them.
     */
    public static Layer without(Layer layer, Set<String> gone) {
        return changed(layer, id -> Optional.of(id).filter(i -> !gone.contains(i)));
    }

    private static Layer changed(Layer layer, Function<String, Optional<String>> other) {
        Optional<String> parent = layer.parent().flatMap(other);
        Layer next = layer.withParent(parent)
                .withPinned(layer.pinned().filter(p -> parent.isPresent()))
                .withMasks(layer.masks().stream()
                        .map(m -> m.withPin(
                                m.pin().flatMap(p -> other.apply(p.layer()).map(p::withLayer))))
                        .toList())
                .withCut(layer.cut().flatMap(c -> other.apply(c.by()).map(c::withBy)))
                .withWindows(layer.windows().stream()
                        .flatMap(w -> w.withLayers(other).stream())
                        .toList())
                .withEffects(
                        layer.effects().stream().map(e -> changed(e, other)).toList())
                .withArrive(layer.arrive().map(p -> changed(p, other)))
                .withLeave(layer.leave().map(p -> changed(p, other)));
        if (layer.content() instanceof Content.Again again) {
            next = next.withContent(new Content.Again(other.apply(again.group()).orElse(again.group())));
        }
        if (layer.content() instanceof Content.Trace trace) {
            next = next.withContent(trace.withOf(other.apply(trace.of()).orElse(trace.of())));
        }
        if (next.content() instanceof Content.Coated coated) {
            next = next.withContent(coated.withCoats(
                    coated.coats().stream().map(c -> changed(c, other)).toList()));
        }
        for (Property<?> property : Property.of(next)) {
            next = changed(next, property, other);
        }
        return next;
    }

    /** The same layer without some of its signals. */
    public static Layer withoutSignals(Layer layer, Predicate<Recipe> gone) {
        Layer next = layer;
        for (Property<?> property : Property.of(layer)) {
            next = withoutSignals(next, property, gone);
        }
        return next;
    }

    private static <T> Layer withoutSignals(Layer layer, Property<T> property, Predicate<Recipe> gone) {
        Animated<T> value = property.get().apply(layer);
        List<Recipe> signals = value.signals().stream().filter(gone.negate()).toList();
        return signals.equals(value.signals()) ? layer : property.set().apply(layer, value.withSignals(signals));
    }

    private static Coat changed(Coat coat, Function<String, Optional<String>> other) {
        return coat instanceof Coat.Stroke s
                ? s.withRider(s.rider().flatMap(r -> other.apply(r.layer()).map(r::withLayer)))
                : coat;
    }

    private static LayerEffect changed(LayerEffect effect, Function<String, Optional<String>> other) {
        LayerEffect next =
                effect.withWhere(effect.where().flatMap(w -> other.apply(w.by()).map(w::withBy)));
        // What it was made from is gone, and named by nothing now: the effect stays, and does nothing by that.
        return next.withRecipe(effect.recipe()
                .withLayers(id -> Optional.of(other.apply(id).orElse("")))
                .orElseThrow());
    }

    private static Passage changed(Passage passage, Function<String, Optional<String>> other) {
        return passage.withOpening(passage.opening().flatMap(o -> o.withLayers(other)))
                .withPass(passage.pass()
                        .flatMap(p -> other.apply(p.from()).map(id -> new Passage.Pass(id, p.before()))));
    }

    private static <T> Layer changed(Layer layer, Property<T> property, Function<String, Optional<String>> other) {
        Animated<T> value = property.get().apply(layer);
        List<Recipe> signals = value.signals().stream()
                .flatMap(s -> s.withLayers(other).stream())
                .toList();
        return signals.equals(value.signals()) ? layer : property.set().apply(layer, value.withSignals(signals));
    }
}
