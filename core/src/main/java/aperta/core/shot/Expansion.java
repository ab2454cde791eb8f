package aperta.core.shot;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Groups that are used again, and other shots, become groups of their own, whose layers have ids of their own. */
final class Expansion {
    private final Shot shot;

    private Expansion(Shot shot) {
        this.shot = shot;
    }

    /** The same shot with everything that it shows in it; the very same where it shows nothing from elsewhere. */
    static Shot of(Shot shot) {
        boolean any = shot.everyLayer().stream()
                .anyMatch(l -> l.content() instanceof Content.Again || l.content() instanceof Content.Nested);
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
        if (l.content() instanceof Content.Nested nested) {
            return named.withContent(new Content.Group(
                    nested.found().map(s -> List.of(frame(s, named))).orElse(List.of())));
        }
        return named;
    }

    /** The frame of a shot that a layer shows: its middle lies on the layer's origin, and nothing beyond it is seen. */
    private Layer frame(Shot inner, Layer holder) {
        String prefix = holder.id() + "/";
        List<Layer> layers = new Expansion(inner)
                .expanded(inner.layers(), prefix, Map.of()).stream()
                        .map(Expansion::withoutSolo)
                        .toList();
        Format format = inner.format();
        Rate own = format.rate();
        double speed = own.framesPerSecond() / shot.format().rate().framesPerSecond();
        boolean alike = own.equals(shot.format().rate());
        long length = alike ? inner.length() : (long) Math.ceil(inner.length() / speed - 1e-9);
        Box box = new Box(0, 0, format.width(), format.height());
        Mask edge = Mask.of("frame", "Frame", Figures.rounded(box, 0));
        return Layer.of(
                        Content.frameOf(holder.id()),
                        inner.name(),
                        new Content.Group(layers, Optional.of(format)),
                        new Span(0, length, 0),
                        Place.at(Point.ORIGIN).withAnchor(Animated.of(format.centre())))
                .withPace(
                        alike
                                ? Pace.EVEN
                                : new Pace(
                                        speed,
                                        false,
                                        1,
                                        Optional.empty(),
                                        holder.pace().mixed()))
                .withMasks(List.of(edge));
    }

    /** A shot that is worked on may show some layers only; where it is shown, all are. */
    private static Layer withoutSolo(Layer layer) {
        Layer next = layer.withSolo(false);
        return layer.content() instanceof Content.Group g
                ? next.withContent(new Content.Group(
                        g.layers().stream().map(Expansion::withoutSolo).toList(), g.format()))
                : next;
    }
}
