package aperta.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A title shot.
 *
 * @param length in frames
 * @param layers the first lies on top
 */
public record Shot(String name, Format format, long length, List<Layer> layers) {
    /** Six hours at 30 frames a second. */
    public static final long LONGEST = 648_000;

    public Shot {
        if (length < 1 || length > LONGEST) {
            throw new IllegalArgumentException(
                    "A shot is between 1 and " + LONGEST + " frames long, not " + length + ".");
        }
        layers = List.copyOf(layers);
    }

    public Shot withLayers(List<Layer> other) {
        return new Shot(name, format, length, other);
    }

    /** Every layer, those inside groups too, from the top. */
    public List<Layer> everyLayer() {
        List<Layer> all = new ArrayList<>();
        collect(layers, all);
        return all;
    }

    private static void collect(List<Layer> layers, List<Layer> into) {
        for (Layer layer : layers) {
            into.add(layer);
            if (layer.content() instanceof Content.Group group) {
                collect(group.layers(), into);
            }
        }
    }

    public Optional<Layer> layer(String id) {
        return everyLayer().stream().filter(l -> l.id().equals(id)).findFirst();
    }

    /** The same with the layer of that id put through {@code change}, wherever it lies. */
    public Shot changing(String id, UnaryOperator<Layer> change) {
        return withLayers(changing(layers, id, change));
    }

    private static List<Layer> changing(List<Layer> layers, String id, UnaryOperator<Layer> change) {
        List<Layer> next = new ArrayList<>(layers.size());
        for (Layer layer : layers) {
            if (layer.id().equals(id)) {
                next.add(change.apply(layer));
            } else if (layer.content() instanceof Content.Group group) {
                List<Layer> inside = changing(group.layers(), id, change);
                next.add(inside.equals(group.layers()) ? layer : layer.withContent(new Content.Group(inside)));
            } else {
                next.add(layer);
            }
        }
        return next;
    }
}
