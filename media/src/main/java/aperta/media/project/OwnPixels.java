package aperta.media.project;

import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.OwnTime;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * Brings the documents before version 3 forward: they counted the blur of a layer, of a pose and of a cut, and the spread of
 * a cut, in pixels of the shot; since then lengths are the layer's own pixels. Each value is divided by the scale that its
 * layer has on the value's frame: a key's, the first or last of a pose, the middle of the layer for what has no keys. So the
 * look is the same on those frames.
 */
public final class OwnPixels {
    private static final double MOST_BLUR = 1000;
    private static final double MOST_SPREAD = 200;

    private final Shot old;
    private final Map<String, OwnTime> times;
    private final Map<Double, Moment> moments = new HashMap<>();

    private OwnPixels(Shot old) {
        this.old = old;
        this.times = old.ownTimes();
    }

    /** The same shot with its lengths in the layers' own pixels. */
    public static Shot of(Shot old) {
        OwnPixels pixels = new OwnPixels(old);
        Shot next = old;
        for (Layer layer : old.everyLayer()) {
            if (hasLengths(layer)) {
                next = next.changing(layer.id(), pixels::changed);
            }
        }
        return next;
    }

    private static boolean hasLengths(Layer layer) {
        return counts(layer.place().blur())
                || layer.cut()
                        .filter(c -> counts(c.tone().blur()) || counts(c.tone().spread()))
                        .isPresent()
                || layer.arrive().filter(p -> p.pose().blur() != 0).isPresent()
                || layer.leave().filter(p -> p.pose().blur() != 0).isPresent();
    }

    private static boolean counts(Animated<Double> value) {
        return value.rest() != 0 || value.keys().stream().anyMatch(k -> k.value() != 0);
    }

    private Layer changed(Layer layer) {
        long first = layer.span().offset();
        long last = first + layer.span().length() - 1;
        return layer.withPlace(layer.place().withBlur(own(layer, layer.place().blur(), MOST_BLUR)))
                .withCut(layer.cut().map(c -> own(layer, c)))
                .withArrive(layer.arrive().map(p -> own(layer, p, first + p.delay())))
                .withLeave(layer.leave().map(p -> own(layer, p, last - p.delay())));
    }

    private Cut own(Layer layer, Cut cut) {
        Cut.Tone tone = cut.tone();
        return cut.withTone(
                tone.withBlur(own(layer, tone.blur(), MOST_BLUR)).withSpread(own(layer, tone.spread(), MOST_SPREAD)));
    }

    private Passage own(Layer layer, Passage passage, long frame) {
        Pose pose = passage.pose();
        return passage.withPose(
                pose.withBlur(over(scale(layer, frame), MOST_BLUR).applyAsDouble(pose.blur())));
    }

    private Animated<Double> own(Layer layer, Animated<Double> value, double most) {
        double middle = layer.span().offset() + layer.span().length() / 2.0;
        DoubleUnaryOperator resting = over(scale(layer, middle), most);
        List<Key<Double>> keys = value.keys().stream()
                .map(k -> {
                    DoubleUnaryOperator change = over(scale(layer, k.at()), most);
                    Optional<Double> out = k.out().map(change::applyAsDouble);
                    Optional<Double> in = k.in().map(change::applyAsDouble);
                    return k.withValue(change.applyAsDouble(k.value())).withHandles(out, in);
                })
                .toList();
        return new Animated<>(
                resting.applyAsDouble(value.rest()), keys, value.before(), value.after(), value.signals());
    }

    /** Raster pixels of the shot for one of the layer's own, at a frame of its own time. */
    private double scale(Layer layer, double own) {
        OwnTime time = times.get(layer.id());
        double frame = Math.rint(time.start() + time.step() * own);
        return moments.computeIfAbsent(frame, f -> new Moment(old, f))
                .of(layer.id())
                .toShot()
                .meanScale();
    }

    /** What has no size can't be measured, and stays. */
    private static DoubleUnaryOperator over(double scale, double most) {
        return scale < 1e-6 || Math.abs(scale - 1) < 1e-12 ? v -> v : v -> Math.max(-most, Math.min(most, v / scale));
    }
}
