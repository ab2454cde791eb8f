package aperta.core.recipe;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** A kind of thing with a value for each of its parameters. */
public final class Recipe {
    private final Descriptor descriptor;
    private final Map<String, Object> values;

    private Recipe(Descriptor descriptor, Map<String, Object> values) {
        this.descriptor = descriptor;
        this.values = values;
    }

    /**
     * @param given some of the values; the others are the standard ones
     * @throws IllegalArgumentException with a plain sentence for a value that isn't possible or not known
     */
    public static Recipe of(Descriptor descriptor, Map<String, ?> given) {
        for (String name : given.keySet()) {
            if (descriptor.parameter(name).isEmpty()) {
                throw new IllegalArgumentException("'" + descriptor.kind() + "' has no '" + name + "'; it has "
                        + String.join(
                                ", ",
                                descriptor.parameters().stream()
                                        .map(Parameter::name)
                                        .toList())
                        + ".");
            }
        }
        Map<String, Object> all = new LinkedHashMap<>();
        for (Parameter p : descriptor.parameters()) {
            Object value = given.get(p.name());
            all.put(p.name(), value == null ? p.standard() : p.checked(value));
        }
        return new Recipe(descriptor, all);
    }

    public Descriptor descriptor() {
        return descriptor;
    }

    public String kind() {
        return descriptor.kind();
    }

    public Object value(String name) {
        return values.get(name);
    }

    /**
     * The same with another value.
     *
     * @throws IllegalArgumentException with a plain sentence where it isn't possible
     */
    public Recipe with(String name, Object value) {
        Map<String, Object> all = new LinkedHashMap<>(values);
        all.put(name, value);
        return of(descriptor, all);
    }

    /** The ids of the layers that its parameters name. */
    public Set<String> layers() {
        Set<String> all = new LinkedHashSet<>();
        for (Parameter p : descriptor.parameters()) {
            if (p.kind() == Parameter.Kind.LAYER && !text(p.name()).isEmpty()) {
                all.add(text(p.name()));
            }
        }
        return all;
    }

    /** The ids of the files of the project that its parameters name. */
    public Set<String> files() {
        Set<String> all = new LinkedHashSet<>();
        for (Parameter p : descriptor.parameters()) {
            if (p.kind() == Parameter.Kind.FILE
                    && !descriptor.isUnknown()
                    && !text(p.name()).isEmpty()) {
                all.add(text(p.name()));
            }
        }
        return all;
    }

    /** The same with other ids for the files that it names. */
    public Recipe withFiles(UnaryOperator<String> other) {
        Recipe next = this;
        for (Parameter p : descriptor.parameters()) {
            if (p.kind() == Parameter.Kind.FILE
                    && !descriptor.isUnknown()
                    && !text(p.name()).isEmpty()) {
                next = next.with(p.name(), other.apply(text(p.name())));
            }
        }
        return next;
    }

    /** The same with other layers in place of those that it names; nothing where one of them has no other. */
    public Optional<Recipe> withLayers(Function<String, Optional<String>> other) {
        Recipe next = this;
        for (Parameter p : descriptor.parameters()) {
            if (p.kind() == Parameter.Kind.LAYER && !text(p.name()).isEmpty()) {
                Optional<String> named = other.apply(text(p.name()));
                if (named.isEmpty()) {
                    return Optional.empty();
                }
                next = next.with(p.name(), named.get());
            }
        }
        return Optional.of(next);
    }

    public Map<String, Object> values() {
        return java.util.Collections.unmodifiableMap(values);
    }

    public double number(String name) {
        return (Double) values.get(name);
    }

    public boolean truth(String name) {
        return (Boolean) values.get(name);
    }

    public Point point(String name) {
        return (Point) values.get(name);
    }

    public Colour colour(String name) {
        return (Colour) values.get(name);
    }

    public ToneCurve curve(String name) {
        return (ToneCurve) values.get(name);
    }

    public String text(String name) {
        return (String) values.get(name);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Recipe r && kind().equals(r.kind()) && values.equals(r.values);
    }

    @Override
    public int hashCode() {
        return 31 * kind().hashCode() + values.hashCode();
    }

    @Override
    public String toString() {
        return kind() + values;
    }
}
