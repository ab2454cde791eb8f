package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.BrushStroke;
import aperta.core.shot.Content;
import aperta.core.shot.CutOut;
import aperta.core.shot.Layer;
import aperta.core.shot.OwnTime;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.time.Animated;
import aperta.core.time.Beyond;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What moves in a shot, layer by layer, for those who show it over time. */
public final class AnimationJson {
    /** What a figure that is cut out is called among tracks. */
    private static final String FIGURE = "figure";

    /** The name of a key. */
    public record KeyOf(String layer, String property, long at) {}

    private AnimationJson() {}

    /**
     * For each layer by its id, those inside groups too: {@code start} and {@code step} of its own time, and its
     * {@code properties} that have keys or signals, and how sure its {@code tracks} are. The values of paths are left out.
     */
    public static JsonObject of(Shot shot) {
        JsonObjectBuilder all = JSON.createObjectBuilder();
        Map<String, OwnTime> times = shot.ownTimes();
        for (Layer layer : shot.everyLayer()) {
            JsonArrayBuilder properties = JSON.createArrayBuilder();
            for (Property<?> property : Property.of(layer)) {
                if (!property.get().apply(layer).isStill()) {
                    properties.add(moving(property, layer));
                }
            }
            OwnTime time = times.get(layer.id());
            JsonObjectBuilder told = JSON.createObjectBuilder()
                    .add("start", time.start())
                    .add("step", time.step())
                    .add("properties", properties);
            if (layer.content() instanceof Content.Footage clip) {
                JsonArray sure = sureness(shot, layer, clip);
                if (!sure.isEmpty()) {
                    told.add("tracks", sure);
                }
            }
            all.add(layer.id(), told);
        }
        return all.build();
    }

    /**
     * How sure each track, and the figure that is cut out, is on each frame of its layer, in thousandths; −1 where nothing is
     * known. Also the frames that were set by hand.
     */
    private static JsonArray sureness(Shot shot, Layer layer, Content.Footage clip) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (Track t : clip.tracks()) {
            all.add(sureness(
                    shot,
                    layer,
                    t.clip(),
                    t.id(),
                    t.name(),
                    f -> t.path().step(f).map(TrackPath.Step::sure),
                    f -> t.path()
                            .step(f)
                            .filter(s -> s.by() == TrackPath.By.HAND)
                            .isPresent()));
        }
        clip.cutOut().flatMap(CutOut::carried).ifPresent(c -> {
            Set<Long> brushed = clip.cutOut().get().strokes().stream()
                    .map(BrushStroke::frame)
                    .collect(Collectors.toSet());
            all.add(sureness(shot, layer, c.clip(), FIGURE, layer.name(), c::sure, brushed::contains));
        });
        return all.build();
    }

    private static JsonObjectBuilder sureness(
            Shot shot,
            Layer layer,
            Track.Clip clip,
            String id,
            String name,
            LongFunction<Optional<Double>> sure,
            LongPredicate byHand) {
        JsonArrayBuilder each = JSON.createArrayBuilder();
        JsonArrayBuilder fixed = JSON.createArrayBuilder();
        Rate rate = shot.format().rate();
        for (long f = 0; f < layer.span().length(); f++) {
            double content = layer.pace().at(layer.span().inside(layer.span().in() + f), layer.span());
            long on = (long) Math.floor(clip.frame(content, rate, layer.pace()) + 1e-9);
            each.add(sure.apply(on).map(s -> Math.round(s * 1000)).orElse(-1L));
            if (byHand.test(on)) {
                fixed.add(f);
            }
        }
        return JSON.createObjectBuilder()
                .add("id", id)
                .add("name", name)
                .add("sure", each)
                .add("fixed", fixed);
    }

    private static <T> JsonObjectBuilder moving(Property<T> property, Layer layer) {
        Animated<T> value = property.get().apply(layer);
        boolean whole = property.kind() != Property.Kind.PATH;
        JsonArrayBuilder keys = JSON.createArrayBuilder();
        for (Key<T> key : value.keys()) {
            JsonObjectBuilder k = JSON.createObjectBuilder()
                    .add("at", key.at())
                    .add("ease", TimeCodecs.EASE.write(key.ease()))
                    .add("loose", key.loose());
            if (whole) {
                k.add("value", EditJson.write(property, key.value()));
                key.in().ifPresent(v -> k.add("in", EditJson.write(property, v)));
                key.out().ifPresent(v -> k.add("out", EditJson.write(property, v)));
            }
            keys.add(k);
        }
        JsonArrayBuilder signals = JSON.createArrayBuilder();
        value.signals().forEach(s -> signals.add(TimeCodecs.SIGNAL.write(s)));
        return JSON.createObjectBuilder()
                .add("name", property.name())
                .add("label", property.title())
                .add("kind", property.kind().name().toLowerCase(Locale.ROOT))
                .add("keys", keys)
                .add("before", Codecs.choice(Beyond.class).write(value.before()))
                .add("after", Codecs.choice(Beyond.class).write(value.after()))
                .add("signals", signals);
    }

    /**
     * Keys with their values as {@code paste-keys} takes them: one track for each property, its times in frames of the
     * shot.
     *
     * @param named keys that aren't there are left out
     */
    public static JsonObject copied(Shot shot, List<KeyOf> named) {
        Map<String, OwnTime> times = shot.ownTimes();
        Map<String, Map<String, Set<Long>>> wanted = new LinkedHashMap<>();
        for (KeyOf k : named) {
            wanted.computeIfAbsent(k.layer, l -> new LinkedHashMap<>())
                    .merge(k.property, Set.of(k.at), AnimationJson::union);
        }
        JsonArrayBuilder tracks = JSON.createArrayBuilder();
        int source = 0;
        for (var ofLayer : wanted.entrySet()) {
            Layer layer = shot.layer(ofLayer.getKey())
                    .orElseThrow(() ->
                            new IllegalArgumentException("There is no layer '" + ofLayer.getKey() + "' in this shot."));
            for (var of : ofLayer.getValue().entrySet()) {
                Property<?> property = Property.named(layer, of.getKey());
                tracks.add(JSON.createObjectBuilder()
                        .add("source", source)
                        .add("property", property.name())
                        .add("keys", copied(property, layer, of.getValue(), times.get(layer.id()))));
            }
            source++;
        }
        return JSON.createObjectBuilder().add("tracks", tracks).build();
    }

    private static Set<Long> union(Set<Long> a, Set<Long> b) {
        return Stream.concat(a.stream(), b.stream()).collect(Collectors.toSet());
    }

    private static <T> JsonArrayBuilder copied(Property<T> property, Layer layer, Set<Long> at, OwnTime time) {
        JsonArrayBuilder keys = JSON.createArrayBuilder();
        Codec<Key<T>> codec = TimeCodecs.key(EditJson.codec(property));
        for (Key<T> key : property.get().apply(layer).keys()) {
            if (at.contains(key.at())) {
                keys.add(codec.write(key.movedTo(Math.round(time.start() + time.step() * key.at()))));
            }
        }
        return keys;
    }
}
