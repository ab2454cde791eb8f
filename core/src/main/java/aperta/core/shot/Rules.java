package aperta.core.shot;

import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** What must hold in a shot as a whole, beyond what each record holds of itself. */
public final class Rules {
    public static final int MOST_LAYERS = 500;
    public static final int DEEPEST_GROUP = 16;

    private final List<String> broken = new ArrayList<>();
    private final Map<String, Layer> byId = new HashMap<>();
    private final Map<String, String> groupOf = new HashMap<>();

    private Rules() {}

    /** The rules that the shot breaks, a plain sentence each that names the layers; empty for a sound shot. */
    public static List<String> broken(Shot shot) {
        Rules rules = new Rules();
        rules.index(shot.layers(), null, 0);
        if (rules.broken.isEmpty()) {
            for (Layer layer : rules.byId.values()) {
                rules.check(layer);
            }
            rules.parents();
            rules.uses();
            rules.effects();
            rules.traces();
            rules.riders();
            rules.tracks();
            rules.cuts(shot.layers());
            if (rules.broken.isEmpty()) {
                rules.follows();
            }
            if (rules.broken.isEmpty()) {
                rules.names();
            }
        }
        return rules.broken;
    }

    /** @throws IllegalArgumentException with the first broken rule */
    public static Shot demand(Shot shot) {
        List<String> broken = broken(shot);
        if (!broken.isEmpty()) {
            throw new IllegalArgumentException(broken.get(0));
        }
        return shot;
    }

    private void index(List<Layer> layers, String group, int depth) {
        if (depth > DEEPEST_GROUP) {
            broken.add("Groups lie at most " + DEEPEST_GROUP + " deep in one another.");
            return;
        }
        for (Layer layer : layers) {
            if (layer.id().isBlank() || layer.id().length() > 64) {
                broken.add("The layer '" + layer.name() + "' needs an id of 1 to 64 letters.");
            }
            if (byId.put(layer.id(), layer) != null) {
                broken.add("Two layers have the id '" + layer.id() + "'.");
                return;
            }
            if (group != null) {
                groupOf.put(layer.id(), group);
            }
            if (layer.content() instanceof Content.Group inner) {
                index(inner.layers(), layer.id(), depth + 1);
            }
        }
        if (byId.size() > MOST_LAYERS) {
            broken.add("A shot has at most " + MOST_LAYERS + " layers.");
        }
    }

    private void check(Layer layer) {
        Set<String> masks = new HashSet<>();
        for (Mask mask : layer.masks()) {
            if (!masks.add(mask.id())) {
                broken.add("Two masks of '" + layer.name() + "' have the id '" + mask.id() + "'.");
                return;
            }
        }
        if (layer.windows().stream().map(AnimatedRecipe::kind).distinct().count()
                < layer.windows().size()) {
            broken.add("'" + layer.name() + "' has two windows of one kind.");
            return;
        }
        if (layer.content() instanceof Content.Coated coated && !idsDiffer(coated)) {
            broken.add("Two paths or two coats of paint of '" + layer.name() + "' have the same id.");
            return;
        }
        if (layer.content() instanceof Content.Drawings drawings && !isSound(drawings)) {
            broken.add(
                    "Two lines of '" + layer.name() + "' have the same id, or a drawing shows one that isn't there.");
            return;
        }
        for (Property<?> property : Property.of(layer)) {
            property.broken(layer).ifPresent(broken::add);
        }
    }

    private static boolean idsDiffer(Content.Coated coated) {
        List<Content.Shape.Path> paths = coated instanceof Content.Shape s ? s.paths() : List.of();
        return paths.stream().map(Content.Shape.Path::id).distinct().count() == paths.size()
                && coated.coats().stream().map(Coat::id).distinct().count()
                        == coated.coats().size();
    }

    private static boolean isSound(Content.Drawings drawings) {
        Set<String> ids = new HashSet<>();
        return drawings.lines().stream().allMatch(l -> ids.add(l.id()))
                && drawings.drawings().stream().flatMap(d -> d.parts().stream()).allMatch(p -> ids.contains(p.line()));
    }

    /** Whatever else names a layer, such as a parameter of an opening, names one of this shot. */
    private void names() {
        for (Layer layer : byId.values()) {
            for (String id : References.of(layer)) {
                if (!byId.containsKey(id)) {
                    broken.add("'" + layer.name() + "' names the layer '" + id + "', which is not in this shot.");
                }
            }
        }
    }

    /** What is used again must be a group, and not lie in itself. */
    private void uses() {
        for (Layer layer : byId.values()) {
            if (!(layer.content() instanceof Content.Again again)) {
                continue;
            }
            Layer group = byId.get(again.group());
            if (group == null || !(group.content() instanceof Content.Group)) {
                broken.add("'" + layer.name() + "' uses the group '" + again.group()
                        + "' again, which is not a group of this shot.");
                return;
            }
            if (uses(group, layer.id(), new HashSet<>())) {
                broken.add("'" + layer.name() + "' uses the group '" + group.name() + "', which would hold itself.");
                return;
            }
        }
    }

    private boolean uses(Layer group, String wanted, Set<String> seen) {
        if (!seen.add(group.id()) || !(group.content() instanceof Content.Group content)) {
            return false;
        }
        for (Layer inside : content.layers()) {
            if (inside.id().equals(wanted) || uses(inside, wanted, seen)) {
                return true;
            }
            if (inside.content() instanceof Content.Again again
                    && byId.containsKey(again.group())
                    && uses(byId.get(again.group()), wanted, seen)) {
                return true;
            }
        }
        return false;
    }

    private void parents() {
        for (Layer layer : byId.values()) {
            List<String> line = new ArrayList<>(List.of(layer.name()));
            Set<String> seen = new HashSet<>(Set.of(layer.id()));
            Optional<String> next = layer.parent();
            while (next.isPresent()) {
                Layer parent = byId.get(next.get());
                if (parent == null) {
                    broken.add("'" + line.get(line.size() - 1) + "' has the parent '" + next.get()
                            + "', which is not in this shot.");
                    break;
                }
                line.add(parent.name());
                if (!Objects.equals(groupOf.get(parent.id()), groupOf.get(layer.id()))) {
                    broken.add("'" + layer.name() + "' and its parent '" + parent.name()
                            + "' must lie in the same group.");
                    break;
                }
                if (!seen.add(parent.id())) {
                    broken.add("Parents go round in a circle: " + String.join(" → ", line) + ".");
                    return;
                }
                next = parent.parent();
            }
        }
    }

    /** Whom a property follows must be there, be made of numbers, and not follow back. */
    private void follows() {
        Map<String, List<String>> edges = new LinkedHashMap<>();
        for (Layer layer : byId.values()) {
            for (Property<?> property : Property.of(layer)) {
                for (Recipe signal : property.get().apply(layer).signals()) {
                    if (!property.kind().isNumeric()) {
                        broken.add("The " + property.title().toLowerCase(Locale.ROOT) + " of '" + layer.name()
                                + "' isn't a number and can't have signals.");
                    } else if (signal.kind().equals("follow")) {
                        follow(layer, property, signal, edges);
                    }
                }
            }
        }
        for (String start : edges.keySet()) {
            if (comesBack(start, start, edges, new HashSet<>())) {
                broken.add("Properties follow one another in a circle: " + start + ".");
                return;
            }
        }
    }

    private void follow(Layer layer, Property<?> property, Recipe signal, Map<String, List<String>> edges) {
        Layer other = byId.get(signal.text("layer"));
        String name = signal.text("property");
        if (other != null && isMark(other, name)) {
            // Where a mark lies depends on where its clip does.
            List<String> needs = edges.computeIfAbsent(said(layer, property), k -> new ArrayList<>());
            Property.of(other).stream()
                    .filter(p -> p.section() == Property.Section.PLACE)
                    .forEach(p -> needs.add(said(other, p)));
            return;
        }
        Optional<Property<?>> followed = other == null
                ? Optional.empty()
                : Property.of(other).stream().filter(p -> p.name().equals(name)).findFirst();
        if (followed.filter(p -> p.kind().isNumeric()).isEmpty()) {
            broken.add("The " + property.title().toLowerCase(Locale.ROOT) + " of '" + layer.name()
                    + "' follows something that isn't a number in this shot.");
            return;
        }
        edges.computeIfAbsent(said(layer, property), k -> new ArrayList<>()).add(said(other, followed.get()));
    }

    private static boolean isMark(Layer layer, String name) {
        return layer.content() instanceof Content.Footage clip
                && clip.tracks().stream()
                        .flatMap(t -> t.followables().stream())
                        .anyMatch(f -> f.name().equals(name));
    }

    private static String said(Layer layer, Property<?> property) {
        return "the " + property.title().toLowerCase(Locale.ROOT) + " of '" + layer.name() + "' (" + layer.id() + ")";
    }

    private static boolean comesBack(String start, String here, Map<String, List<String>> edges, Set<String> seen) {
        for (String next : edges.getOrDefault(here, List.of())) {
            if (next.equals(start) || seen.add(next) && comesBack(start, next, edges, seen)) {
                return true;
            }
        }
        return false;
    }

    private void cuts(List<Layer> top) {
        for (Layer layer : byId.values()) {
            if (layer.cut().isEmpty()) {
                continue;
            }
            String by = layer.cut().get().by();
            Layer cutter = byId.get(by);
            if (cutter == null) {
                broken.add("'" + layer.name() + "' is cut by '" + by + "', which is not in this shot.");
            } else if (by.equals(layer.id())) {
                broken.add("'" + layer.name() + "' can't be cut by itself.");
            } else if (holds(by, layer.id())) {
                broken.add("'" + layer.name() + "' can't be cut by '" + cutter.name() + "', the group that holds it.");
            }
        }
        if (broken.isEmpty()) {
            cycleOfContent(top);
        }
    }

    private boolean holds(String group, String layer) {
        for (String g = groupOf.get(layer); g != null; g = groupOf.get(g)) {
            if (g.equals(group)) {
                return true;
            }
        }
        return false;
    }

    /**
     * A cutter cuts with its picture before its own cut, so that cuts alone never make a circle; but the picture of a
     * group holds the finished pictures of its layers, and so may come back to itself.
     */
    private void cycleOfContent(List<Layer> top) {
        Map<String, Integer> state = new HashMap<>();
        for (Layer layer : top) {
            if (finished(layer, state, new ArrayList<>())) {
                return;
            }
        }
    }

    /** The layers whose pictures the effects of a layer use. */
    private static Set<String> usedByEffects(Layer layer) {
        Set<String> all = new HashSet<>();
        for (LayerEffect effect : layer.effects()) {
            effect.where().ifPresent(w -> all.add(w.by()));
            all.addAll(effect.recipe().rest().layers());
        }
        return all;
    }

    /** Those, and the layers whose pictures its openings use, that it traces, or that run at the ends of its strokes. */
    private static Set<String> usedPictures(Layer layer) {
        Set<String> all = usedByEffects(layer);
        if (layer.content() instanceof Content.Trace trace) {
            all.add(trace.of());
        }
        if (layer.content() instanceof Content.Coated coated) {
            all.addAll(coated.riders());
        }
        layer.passages()
                .forEach(p -> p.opening().ifPresent(o -> all.addAll(o.rest().layers())));
        return all;
    }

    /** What is traced must be something that has lines or a picture. */
    private void traces() {
        for (Layer layer : byId.values()) {
            if (!(layer.content() instanceof Content.Trace trace)) {
                continue;
            }
            Layer of = byId.get(trace.of());
            if (of == null) {
                broken.add("'" + layer.name() + "' traces the layer '" + trace.of() + "', which is not in this shot.");
            } else if (of == layer || holds(of.id(), layer.id())) {
                broken.add("'" + layer.name() + "' can't trace itself, nor a group that holds it.");
            } else if (of.content() instanceof Content.Trace
                    || of.content() instanceof Content.Adjustment
                    || !of.content().isSeen()) {
                broken.add("'" + layer.name() + "' can't trace '" + of.name() + "', which has no picture of its own.");
            }
        }
    }

    /** What runs at the end of a stroke must have a picture. */
    private void riders() {
        for (Layer layer : byId.values()) {
            if (!(layer.content() instanceof Content.Coated coated)) {
                continue;
            }
            for (String id : coated.riders()) {
                Layer rider = byId.get(id);
                if (rider == null) {
                    broken.add(
                            "A stroke of '" + layer.name() + "' has the head '" + id + "', which is not in this shot.");
                } else if (rider == layer || holds(id, layer.id())) {
                    broken.add("A stroke of '" + layer.name()
                            + "' can't have the layer itself as its head, nor a group that holds it.");
                } else if (rider.content() instanceof Content.Adjustment
                        || !rider.content().isSeen()) {
                    broken.add("A stroke of '" + layer.name() + "' can't have '" + rider.name()
                            + "' as its head, which has no picture of its own.");
                }
            }
        }
    }

    /** What goes with marks names a clip that has them. */
    private void tracks() {
        for (Layer layer : byId.values()) {
            if (layer.content() instanceof Content.Footage clip) {
                if (clip.tracks().stream().map(Track::id).distinct().count()
                        < clip.tracks().size()) {
                    broken.add("Two tracks of '" + layer.name() + "' have the same id.");
                }
                clip.steady().ifPresent(t -> demandTrack(layer.id(), t, "'" + layer.name() + "' holds still"));
            }
            layer.pinned()
                    .ifPresent(t -> demandTrack(layer.parent().orElse(""), t, "'" + layer.name() + "' goes with"));
            for (Mask mask : layer.masks()) {
                mask.pin()
                        .ifPresent(p -> demandTrack(
                                p.layer(),
                                p.track(),
                                "The mask '" + mask.name() + "' of '" + layer.name() + "' goes with"));
            }
            for (AnimatedRecipe window : layer.windows()) {
                Recipe rest = window.rest();
                for (Parameter p : rest.descriptor().parameters()) {
                    if (p.kind() == Parameter.Kind.TRACK && !rest.text("layer").isEmpty()) {
                        demandTrack(rest.text("layer"), rest.text(p.name()), "'" + layer.name() + "' is uncovered by");
                    }
                }
            }
        }
    }

    private void demandTrack(String clip, String track, String who) {
        Layer layer = byId.get(clip);
        boolean there = layer != null
                && layer.content() instanceof Content.Footage f
                && f.track(track).isPresent();
        if (!there) {
            broken.add(who + " the track '" + track + "', which is not "
                    + (layer == null ? "in this shot." : "one of '" + layer.name() + "'."));
        }
    }

    private void effects() {
        for (Layer layer : byId.values()) {
            if (layer.effects().stream().map(LayerEffect::id).distinct().count()
                    < layer.effects().size()) {
                broken.add("Two effects of '" + layer.name() + "' have the same id.");
            }
            for (String other : usedByEffects(layer)) {
                if (!byId.containsKey(other)) {
                    broken.add("An effect of '" + layer.name() + "' uses '" + other + "', which is not in this shot.");
                } else if (other.equals(layer.id()) || holds(other, layer.id())) {
                    broken.add("An effect of '" + layer.name()
                            + "' can't use the layer itself, nor a group that holds it.");
                }
            }
        }
    }

    private boolean finished(Layer layer, Map<String, Integer> state, List<String> line) {
        if (uncut(layer, state, line)) {
            return true;
        }
        return layer.cut().isPresent() && uncut(byId.get(layer.cut().get().by()), state, line);
    }

    private boolean uncut(Layer layer, Map<String, Integer> state, List<String> line) {
        Set<String> used = usedPictures(layer);
        List<Layer> inside = layer.content().inside();
        if (inside.isEmpty() && used.isEmpty() || state.getOrDefault(layer.id(), 0) == 2) {
            return false;
        }
        line.add(layer.name());
        if (state.getOrDefault(layer.id(), 0) == 1) {
            broken.add("Groups, cuts and effects go round in a circle: " + String.join(" → ", line) + ".");
            return true;
        }
        state.put(layer.id(), 1);
        for (Layer each : inside) {
            if (finished(each, state, line)) {
                return true;
            }
        }
        for (String other : used) {
            // That one is missing is said elsewhere.
            if (byId.containsKey(other) && uncut(byId.get(other), state, line)) {
                return true;
            }
        }
        state.put(layer.id(), 2);
        line.remove(line.size() - 1);
        return false;
    }
}
