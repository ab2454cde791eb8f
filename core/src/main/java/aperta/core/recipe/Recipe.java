package aperta.core.recipe;

import java.util.LinkedHashMap;
import java.util.Map;

/** A kind of thing with a value for each of its parameters. */
public final class Recipe {
    private final String kind;
    private final Map<String, Object> values;

    private Recipe(String kind, Map<String, Object> values) {
        this.kind = kind;
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
        return new Recipe(descriptor.kind(), all);
    }

    public String kind() {
        return kind;
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

    public String text(String name) {
        return (String) values.get(name);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Recipe r && kind.equals(r.kind) && values.equals(r.values);
    }

    @Override
    public int hashCode() {
        return 31 * kind.hashCode() + values.hashCode();
    }

    @Override
    public String toString() {
        return kind + values;
    }
}
