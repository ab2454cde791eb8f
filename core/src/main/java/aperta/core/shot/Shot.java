package aperta.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A title shot.
 *
 * @param length in frames
 * @param layers the first lies on top
 * @param markers in rising order
 * @param work the part that playback repeats and that may be rendered by itself
 * @param shutter for the layers with motion blur
 * @param accepted findings that someone has looked at and left as they are
 */
public record Shot(
        String name,
        Format format,
        long length,
        List<Layer> layers,
        List<Marker> markers,
        Optional<Range> work,
        Shutter shutter,
        List<Accepted> accepted) {
    /** Six hours at 30 frames a second. */
    public static final long LONGEST = 648_000;

    public static final int MOST_MARKERS = 10_000;
    public static final int MOST_ACCEPTED = 10_000;

    public Shot {
        if (length < 1 || length > LONGEST) {
            throw new IllegalArgumentException(
                    "A shot is between 1 and " + LONGEST + " frames long, not " + length + ".");
        }
        if (markers.size() > MOST_MARKERS) {
            throw new IllegalArgumentException(
                    "A shot has at most " + MOST_MARKERS + " markers, not " + markers.size() + ".");
        }
        if (accepted.size() > MOST_ACCEPTED) {
            throw new IllegalArgumentException("At most " + MOST_ACCEPTED + " findings can be accepted in a shot.");
        }
        layers = List.copyOf(layers);
        markers = markers.stream()
                .sorted(Comparator.comparingLong(Marker::at).thenComparing(Marker::name))
                .toList();
        accepted = List.copyOf(accepted);
    }

    /**
     * A finding that is meant to be so.
     *
     * @param check its kind
     * @param layer the id of the layer that it is about; empty where it is about the whole picture
     * @param note why
     */
    public record Accepted(String check, String layer, String note) {}

    /** Without markers and a work range. */
    public Shot(String name, Format format, long length, List<Layer> layers) {
        this(name, format, length, layers, List.of(), Optional.empty(), Shutter.HALF, List.of());
    }

    public Shot withName(String other) {
        return new Shot(other, format, length, layers, markers, work, shutter, accepted);
    }

    public Shot withLayers(List<Layer> other) {
        return new Shot(name, format, length, other, markers, work, shutter, accepted);
    }

    public Shot withLength(long other) {
        return new Shot(name, format, other, layers, markers, work, shutter, accepted);
    }

    public Shot withMarkers(List<Marker> other) {
        return new Shot(name, format, length, layers, other, work, shutter, accepted);
    }

    public Shot withWork(Optional<Range> other) {
        return new Shot(name, format, length, layers, markers, other, shutter, accepted);
    }

    public Shot withShutter(Shutter other) {
        return new Shot(name, format, length, layers, markers, work, other, accepted);
    }

    /** A part of the shot as a shot of its own: what it shows on its frame 0 is what this shows on {@code range.from()}. */
    public Shot only(Range range) {
        List<Layer> moved = layers.stream()
                .map(l -> l.withSpan(new Span(
                        l.span().in() - range.from(),
                        l.span().length(),
                        l.span().offset())))
                .toList();
        return new Shot(name, format, range.to() - range.from(), moved, List.of(), Optional.empty(), shutter, accepted);
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

    /** The groups that a layer lies in, the outermost first, and the layer itself; empty where there is no such layer. */
    public List<Layer> lineTo(String id) {
        List<Layer> line = new ArrayList<>();
        lineTo(layers, id, line);
        return line;
    }

    private static boolean lineTo(List<Layer> layers, String id, List<Layer> line) {
        for (Layer layer : layers) {
            line.add(layer);
            if (layer.id().equals(id)
                    || layer.content() instanceof Content.Group group && lineTo(group.layers(), id, line)) {
                return true;
            }
            line.remove(line.size() - 1);
        }
        return false;
    }

    /** The layer's own time at a frame of the shot. */
    public double ownFrame(String id, double frame) {
        double holding = frame;
        double own = frame;
        for (Layer layer : lineTo(id)) {
            own = layer.span().inside(holding);
            holding = layer.pace().at(own, layer.span());
        }
        return own;
    }

    /** Where the own time of every layer lies, by its id. */
    public Map<String, OwnTime> ownTimes() {
        Map<String, OwnTime> all = new HashMap<>();
        ownTimes(layers, OwnTime.SHOT, all);
        return all;
    }

    private static void ownTimes(List<Layer> layers, OwnTime holder, Map<String, OwnTime> into) {
        for (Layer layer : layers) {
            OwnTime own = holder.of(layer.span());
            into.put(layer.id(), own);
            if (layer.content() instanceof Content.Group group) {
                ownTimes(group.layers(), own.inside(layer.pace(), layer.span()), into);
            }
        }
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
