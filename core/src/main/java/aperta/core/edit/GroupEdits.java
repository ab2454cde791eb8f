package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Pace;
import aperta.core.shot.Place;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Layers put into groups and out of them, and tied to parents, staying where they are on the Picture. */
public final class GroupEdits {
    private GroupEdits() {}

    /**
     * Dissolves a group. Where it has a motion or a place of its own, it stays as an empty group that is the parent of what
     * was in it, so that the picture is the same.
     *
     * @throws IllegalArgumentException where what the group does cannot be done by its layers one by one
     */
    public record Ungroup(String group) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer g = LayerEdits.demand(shot, group);
            if (!(g.content() instanceof Content.Group content)) {
                throw new IllegalArgumentException("'" + g.name() + "' is not a group.");
            }
            whole(shot, g).ifPresent(why -> {
                throw new IllegalArgumentException("'" + g.name() + "' " + why
                        + ", which its layers can't take over one by one. Remove that first.");
            });
            boolean plain = g.place()
                            .equals(Place.at(shot.format().centre())
                                    .withAnchor(Animated.of(shot.format().centre())))
                    && g.parent().isEmpty()
                    && shot.everyLayer().stream()
                            .noneMatch(l -> l.parent().filter(group::equals).isPresent());
            List<Layer> freed = new ArrayList<>();
            for (Layer inside : content.layers()) {
                moved(inside, g.span())
                        .ifPresent(
                                l -> freed.add(plain || l.parent().isPresent() ? l : l.withParent(Optional.of(group))));
            }
            Shot without = new LayerEdits.Delete(gone(content, freed)).apply(shot, extents);
            return without.withLayers(LayerEdits.among(without.layers(), group, beside -> {
                List<Layer> next = new ArrayList<>();
                for (Layer l : beside) {
                    if (!l.id().equals(group)) {
                        next.add(l);
                        continue;
                    }
                    next.addAll(freed);
                    if (!plain) {
                        next.add(l.withContent(new Content.Group(List.of())));
                    }
                }
                return next;
            }));
        }

        /** Layers that were never seen, because the group wasn't there. */
        private static List<String> gone(Content.Group content, List<Layer> freed) {
            return content.layers().stream()
                    .map(Layer::id)
                    .filter(id -> freed.stream().noneMatch(l -> l.id().equals(id)))
                    .toList();
        }

        private static Optional<String> whole(Shot shot, Layer g) {
            boolean cutter = shot.everyLayer().stream()
                    .anyMatch(l -> l.cut().filter(c -> c.by().equals(g.id())).isPresent());
            if (cutter || g.cut().isPresent()) {
                return Optional.of(cutter ? "cuts another layer" : "is cut as a whole");
            }
            if (!g.masks().isEmpty() || !g.windows().isEmpty()) {
                return Optional.of("has masks");
            }
            if (Property.of(g).stream().anyMatch(p -> p.section() == Property.Section.WHOLE && !p.isNeutral(g))) {
                return Optional.of("is faded or blurred as a whole");
            }
            if (!g.effects().isEmpty()) {
                return Optional.of("has effects that work on it as a whole");
            }
            if (g.arrive().isPresent() || g.leave().isPresent()) {
                return Optional.of("arrives or leaves as a whole");
            }
            if (!g.pace().equals(Pace.EVEN)) {
                return Optional.of("runs at a pace of its own");
            }
            return g.blend() == BlendMode.NORMAL ? Optional.empty() : Optional.of("is blended as a whole");
        }

        /** A layer as it stands beside its group, seen only where the group was. */
        private static Optional<Layer> moved(Layer l, Span g) {
            Span s = l.span();
            long in = s.in() + g.in() - g.offset();
            long from = Math.max(in, g.in());
            long to = Math.min(in + s.length(), g.out());
            return from >= to
                    ? Optional.empty()
                    : Optional.of(l.withSpan(new Span(from, to - from, s.offset() + from - in)));
        }
    }

    /**
     * Puts a layer into a group, or out of all.
     *
     * @param group nothing for the shot itself
     * @param to its place there; 0 is the top
     * @param frame of the shot on which it stays where it is on the Picture
     */
    public record MoveTo(String layer, Optional<String> group, int to, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            if (group.isPresent()) {
                Layer g = LayerEdits.demand(shot, group.get());
                if (!(g.content() instanceof Content.Group)) {
                    throw new IllegalArgumentException("'" + g.name() + "' is not a group.");
                }
                if (shot.withLayers(List.of(now)).layer(group.get()).isPresent()) {
                    throw new IllegalArgumentException("'" + now.name() + "' can't be put into itself.");
                }
            }
            Moment moment = new Moment(shot, frame);
            double holding = group.map(g -> moment.of(g).content()).orElse((double) frame);
            long by = Math.round(holding) - TimeEdits.bars(moment, layer);
            Affine groupToShot = group.map(g -> moment.of(g).toShot()).orElse(Affine.IDENTITY);
            Affine map = parentToShot(moment, layer).then(back(groupToShot));
            Layer moved = settled(now.withParent(Optional.empty()), map)
                    .withSpan(new Span(
                            now.span().in() + by,
                            now.span().length(),
                            now.span().offset()));
            Shot without = shot.withLayers(LayerEdits.among(
                    shot.layers(),
                    layer,
                    beside -> beside.stream()
                            .filter(l -> !l.id().equals(layer))
                            .map(l -> l.withParent(l.parent().filter(p -> !p.equals(layer))))
                            .toList()));
            return group.isEmpty()
                    ? without.withLayers(with(without.layers(), moved))
                    : without.changing(
                            group.get(),
                            g -> g.withContent(new Content.Group(with(((Content.Group) g.content()).layers(), moved))));
        }

        private List<Layer> with(List<Layer> layers, Layer moved) {
            List<Layer> next = new ArrayList<>(layers);
            next.add(Math.max(0, Math.min(next.size(), to)), moved);
            return next;
        }
    }

    /** Ties a layer to a parent, or frees it; on the frame it stays where it is on the Picture. */
    public record SetParent(String layer, Optional<String> parent, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return tied(shot, layer, parent, Optional.empty(), frame);
        }
    }

    /**
     * A layer tied to a parent, or freed, where it is on a frame.
     *
     * @param pinned the id of a track of the parent, with whose marks it goes
     */
    static Shot tied(Shot shot, String layer, Optional<String> parent, Optional<String> pinned, long frame) {
        Moment moment = new Moment(shot, frame);
        Layer now = LayerEdits.demand(shot, layer);
        Affine free = now.parent()
                .map(p -> back(moment.restToParent(p)).then(moment.of(p).toShot()))
                .orElseGet(() -> parentToShot(moment, layer));
        Affine next = parent.map(p -> {
                    LayerEdits.demand(shot, p);
                    return moment.asParentToShot(p, pinned);
                })
                .orElse(free);
        Affine map = parentToShot(moment, layer).then(back(next));
        return shot.changing(layer, l -> settled(l, map).withParent(parent).withPinned(pinned));
    }

    /** From the space that a layer's position counts in to pixels of the shot. */
    private static Affine parentToShot(Moment moment, String layer) {
        return back(PlaceEdits.toParent(moment, layer));
    }

    private static Affine back(Affine map) {
        return map.inverse()
                .orElseThrow(() -> new IllegalArgumentException(
                        "A parent or group has a scale of 0 on this frame; go to one on which it has a size."));
    }

    /** A layer whose position, scale and rotation count in another space. A space that is slanted is met as nearly as can be. */
    private static Layer settled(Layer layer, Affine map) {
        Place p = layer.place();
        double across = StrictMath.hypot(map.a(), map.b());
        double down = map.determinant() / across;
        double turn = StrictMath.toDegrees(StrictMath.atan2(map.b(), map.a()));
        Animated<Point> position = new Animated<>(
                map.apply(p.position().rest()),
                p.position().keys().stream()
                        .map(k -> new Key<>(
                                k.at(),
                                map.apply(k.value()),
                                k.ease(),
                                k.out().map(map::applyVector),
                                k.in().map(map::applyVector),
                                k.loose()))
                        .toList(),
                p.position().before(),
                p.position().after(),
                p.position().signals());
        return layer.withPlace(p.withPosition(position)
                .withScale(p.scale().map(s -> new Point(s.x() * across, s.y() * down)))
                .withRotation(p.rotation().map(r -> down < 0 ? turn - r : r + turn)));
    }
}
