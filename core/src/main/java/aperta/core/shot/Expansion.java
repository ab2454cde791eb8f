package aperta.core.shot;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Groups that are used again become groups of their own, whose layers have ids of their own. */
final class Expansion {
    private final Shot shot;

    private Expansion(Shot shot) {
        this.shot = shot;
    }

    /** The same shot without any use of a group but the group itself; the very same where there was none. */
    static Shot of(Shot shot) {
        boolean any = shot.everyLayer().stream().anyMatch(l -> l.content() instanceof Content.Again);
        return any ? shot.withLayers(new Expansion(shot).expanded(shot.layers(), "", Map.of())) : shot;
    }

    private List<Layer> expanded(List<Layer> layers, String prefix, Map<String, String> outer) {
        Map<String, String> names = new HashMap<>(outer);
        if (!prefix.isEmpty()) {
            named(layers, prefix, names);
        }
        return layers.stream().map(l -> expanded(l, prefix, names)).toList();
    }

    private static void named(List<Layer> layers, String prefix, Map<String, String> names) {
        for (Layer l : layers) {
            names.put(l.id(), prefix + l.id());
            if (l.content() instanceof Content.Group g) {
                named(g.layers(), prefix, names);
            }
        }
    }

    private Layer expanded(Layer l, String prefix, Map<String, String> names) {
        Layer named = prefix.isEmpty() ? l : References.renamed(l, names).withIdentity(names.get(l.id()), l.name());
        if (l.content() instanceof Content.Group g) {
            return named.withContent(new Content.Group(
                    g.layers().stream().map(i -> expanded(i, prefix, names)).toList()));
        }
        if (l.content() instanceof Content.Again again
                && shot.layer(again.group()).orElseThrow().content() instanceof Content.Group g) {
            return named.withContent(new Content.Group(expanded(g.layers(), named.id() + "/", Map.of())));
        }
        return named;
    }
}
