package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.recipe.Recipe;
import aperta.core.render.Planner;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Signal;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.util.ArrayList;
import java.util.List;

/** Values and speeds of properties on every frame of a shot, for the curves. */
final class Curves {
    private final Planner planner;

    Curves(Planner planner) {
        this.planner = planner;
    }

    /**
     * For each property a list of channels: one of a number, two of a point. A channel has the values by its keys, the
     * speed of those in units a second, the values with signals where there are any, and what each signal adds.
     *
     * @param wanted objects with {@code layer} and {@code property}
     */
    JsonArrayBuilder of(Shot shot, List<JsonObject> wanted) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (JsonObject w : wanted) {
            String id = w.getString("layer");
            Layer layer = shot.layer(id)
                    .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
            all.add(curve(shot, layer, Property.named(layer, w.getString("property"))));
        }
        return all;
    }

    private <T> JsonObjectBuilder curve(Shot shot, Layer layer, Property<T> p) {
        if (!p.kind().isNumeric()) {
            throw new IllegalArgumentException("The " + p.title() + " of '" + layer.name() + "' has no curve.");
        }
        Animated<T> value = p.get().apply(layer);
        int length = (int) shot.length();
        int channels = p.kind() == Property.Kind.POINT ? 2 : 1;
        List<Moment> moments = new ArrayList<>();
        for (int f = 0; f < length && !value.signals().isEmpty(); f++) {
            moments.add(planner.moment(shot, f));
        }
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (int c = 0; c < channels; c++) {
            double[] keyed = new double[length + 1];
            for (int f = 0; f <= length; f++) {
                keyed[f] = Property.part(p.at(layer, shot.ownFrame(layer.id(), f)), c);
            }
            JsonObjectBuilder channel = JSON.createObjectBuilder()
                    .add("values", numbers(keyed, length))
                    .add("speeds", speeds(keyed, length, shot.format().rate().framesPerSecond()));
            if (!moments.isEmpty()) {
                signals(channel, moments, layer, p, value, c);
            }
            all.add(channel);
        }
        return JSON.createObjectBuilder()
                .add("layer", layer.id())
                .add("property", p.name())
                .add("channels", all);
    }

    private static <T> void signals(
            JsonObjectBuilder channel, List<Moment> moments, Layer layer, Property<T> p, Animated<T> value, int c) {
        double[] moved = new double[moments.size()];
        for (int f = 0; f < moved.length; f++) {
            moved[f] = moments.get(f).value(layer.id(), p.name(), c, 0);
        }
        channel.add("moved", numbers(moved, moved.length));
        JsonArrayBuilder added = JSON.createArrayBuilder();
        for (Recipe signal : value.signals()) {
            double[] sum = new double[moments.size()];
            for (int f = 0; f < sum.length; f++) {
                Moment m = moments.get(f);
                sum[f] = Signal.sum(
                        List.of(signal),
                        new Signal.Now(
                                m.of(layer.id()).frame(), m.shot().format().rate(), c, m::value));
            }
            added.add(numbers(sum, sum.length));
        }
        channel.add("signals", added);
    }

    private static JsonArrayBuilder numbers(double[] values, int count) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (int i = 0; i < count; i++) {
            all.add(values[i]);
        }
        return all;
    }

    /** From each frame to the next. */
    private static JsonArrayBuilder speeds(double[] values, int count, double rate) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (int i = 0; i < count; i++) {
            all.add((values[i + 1] - values[i]) * rate);
        }
        return all;
    }
}
