package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.time.Mix;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A sound shot at one frame: which layers are there, where, and how opaque. Not safe for use by several threads at
 * once.
 */
public final class Moment {
    private final Shot shot;
    private final Map<String, Seen> seen = new HashMap<>();
    private final Set<String> cutters = new HashSet<>();
    private final boolean soloed;

    /**
     * A layer at this moment.
     *
     * @param frame of the layer's own time
     * @param toShot from its own space to the pixels of the shot
     * @param exists whether its span, and those of the groups that hold it, contain the moment
     */
    public record Seen(Layer layer, double frame, Affine toShot, double opacity, boolean exists) {}

    /** @param frame need not be whole: motion blur looks between frames */
    public Moment(Shot shot, double frame) {
        this.shot = shot;
        List<Layer> every = shot.everyLayer();
        every.forEach(l -> l.cut().ifPresent(c -> cutters.add(c.by())));
        soloed = every.stream().anyMatch(Layer::solo);
        resolve(shot.layers(), frame, Affine.IDENTITY, true);
    }

    public Shot shot() {
        return shot;
    }

    public Seen of(String id) {
        Seen found = seen.get(id);
        if (found == null) {
            throw new IllegalArgumentException("There is no layer '" + id + "'.");
        }
        return found;
    }

    /** Whether the layer shows by itself: there, not hidden, not merely a cutter, not silenced by another's solo. */
    public boolean shows(Layer layer) {
        return of(layer.id()).exists()
                && !layer.hidden()
                && (layer.alsoShown() || !cutters.contains(layer.id()))
                && (!soloed || soloed(layer));
    }

    private boolean soloed(Layer layer) {
        if (layer.solo()) {
            return true;
        }
        return layer.content() instanceof Content.Group group
                        && group.layers().stream().anyMatch(this::soloed)
                || inSoloedGroup(shot.layers(), layer.id(), false);
    }

    private static boolean inSoloedGroup(List<Layer> layers, String id, boolean inside) {
        for (Layer layer : layers) {
            if (layer.id().equals(id)) {
                return inside;
            }
            if (layer.content() instanceof Content.Group group
                    && inSoloedGroup(group.layers(), id, inside || layer.solo())) {
                return true;
            }
        }
        return false;
    }

    private void resolve(List<Layer> layers, double frame, Affine groupToShot, boolean groupExists) {
        Map<String, Layer> beside = new HashMap<>();
        layers.forEach(l -> beside.put(l.id(), l));
        for (Layer layer : layers) {
            double inside = layer.span().inside(frame);
            Affine toShot = toGroup(layer, beside, frame).then(groupToShot);
            boolean exists = groupExists && layer.span().contains(frame);
            double opacity = layer.place().opacity().at(inside, Mix.NUMBER);
            seen.put(layer.id(), new Seen(layer, inside, toShot, Math.min(1, Math.max(0, opacity)), exists));
            if (layer.content() instanceof Content.Group group) {
                resolve(group.layers(), inside, toShot, exists);
            }
        }
    }

    private static Affine toGroup(Layer layer, Map<String, Layer> beside, double frame) {
        Affine map = Affine.IDENTITY;
        for (Optional<Layer> l = Optional.of(layer);
                l.isPresent();
                l = l.get().parent().map(beside::get)) {
            map = map.then(l.get().place().toParent(l.get().span().inside(frame)));
        }
        return map;
    }
}
