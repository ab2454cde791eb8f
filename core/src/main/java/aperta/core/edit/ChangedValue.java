package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says what a change has made of the one value that it changed, for the list of what can be undone. */
public final class ChangedValue {
    private ChangedValue() {}

    /**
     * The value with its unit, as people read it.
     *
     * @return nothing where more than one value has changed, or none, or one that can't be said in a word, such as a path
     */
    public static Optional<String> of(Shot before, Shot after) {
        List<Optional<String>> all = new ArrayList<>();
        for (Layer now : after.everyLayer()) {
            Optional<Layer> was = before.layer(now.id());
            if (was.isPresent() && was.get() != now && now.content().inside().isEmpty()) {
                for (Property<?> property : Property.of(now)) {
                    change(property, was.get(), now).ifPresent(c -> all.add(c.said()));
                }
            }
        }
        return all.size() == 1 ? all.get(0) : Optional.empty();
    }

    /** @param said nothing where it can't be */
    private record Change(Optional<String> said) {}

    private static <T> Optional<Change> change(Property<T> property, Layer was, Layer now) {
        Animated<T> to = property.get().apply(now);
        return Property.of(was).stream()
                .filter(p -> p.name().equals(property.name()) && p.kind() == property.kind())
                .findFirst()
                .map(p -> {
                    // Of the layer as it was: what bears this name there may lie elsewhere. Its kind says its type.
                    @SuppressWarnings("unchecked")
                    Animated<T> from = (Animated<T>) p.get().apply(was);
                    return from;
                })
                .filter(from -> !from.equals(to))
                .map(from -> new Change(value(from, to).flatMap(v -> said(property, v))));
    }

    /** The resting value, or that of the only key that is new or has another value. */
    private static <T> Optional<T> value(Animated<T> from, Animated<T> to) {
        if (!to.isKeyed()) {
            return from.rest().equals(to.rest()) ? Optional.empty() : Optional.of(to.rest());
        }
        List<Key<T>> changed = to.keys().stream()
                .filter(k -> from.keyAt(k.at())
                        .filter(old -> old.value().equals(k.value()))
                        .isEmpty())
                .toList();
        return changed.size() == 1 ? Optional.of(changed.get(0).value()) : Optional.empty();
    }

    private static Optional<String> said(Property<?> property, Object value) {
        if (value instanceof Colour colour) {
            return Optional.of(colour.hex());
        }
        double factor = property.unit().equals("%") ? 100 : 1;
        String unit = property.unit().isEmpty() ? "" : " " + property.unit();
        if (value instanceof Double d) {
            return Optional.of(number(d * factor, 2) + unit);
        }
        return value instanceof Point p
                ? Optional.of(number(p.x() * factor, 1) + ", " + number(p.y() * factor, 1) + unit)
                : Optional.empty();
    }

    private static String number(double value, int decimals) {
        return BigDecimal.valueOf(value)
                .setScale(decimals, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }
}
