package aperta.core.shot;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * A kind of thing whose parameters may change over time: those that have a middle between two values may have keys and
 * signals.
 *
 * @param rest with the resting value of each parameter
 * @param moving the values, by the name of the parameter, that have keys or signals; their resting values are those of
 *     {@code rest}
 */
public record AnimatedRecipe(Recipe rest, Map<String, Animated<?>> moving) {
    public AnimatedRecipe {
        moving = Map.copyOf(moving);
    }

    /** One that never changes. */
    public static AnimatedRecipe of(Recipe recipe) {
        return new AnimatedRecipe(recipe, Map.of());
    }

    public String kind() {
        return rest.kind();
    }

    public Descriptor descriptor() {
        return rest.descriptor();
    }

    /** The value of a parameter that may be keyed, whether it is or not. */
    public Animated<?> value(String parameter) {
        Animated<?> moves = moving.get(parameter);
        return moves == null ? Animated.of(rest.value(parameter)) : moves;
    }

    /**
     * The same with another value of a parameter.
     *
     * @throws IllegalArgumentException with a plain sentence where the resting value isn't possible, or the parameter can't
     *     be keyed
     */
    public AnimatedRecipe with(String name, Animated<?> value) {
        Parameter parameter = rest.descriptor().parameter(name).orElseThrow();
        Map<String, Animated<?>> next = new HashMap<>(moving);
        next.remove(name);
        if (!value.isStill()) {
            if (!parameter.kind().moves()) {
                throw new IllegalArgumentException("'" + name + "' can't have keys.");
            }
            next.put(name, value);
        }
        // Between two keys a whole number goes in steps.
        Object resting = value.rest();
        boolean whole = parameter.kind() == Parameter.Kind.WHOLE;
        return new AnimatedRecipe(rest.with(name, whole ? (Object) Math.rint((Double) resting) : resting), next);
    }

    /**
     * The parameters that can be keyed, as properties of the layer that has this.
     *
     * @param prefix of their names, with its dot
     * @param part of the layer that they belong to; empty for none
     */
    List<Property<?>> properties(
            String prefix,
            String part,
            Property.Section section,
            Function<Layer, AnimatedRecipe> get,
            BiFunction<Layer, AnimatedRecipe, Layer> set) {
        List<Property<?>> all = new ArrayList<>();
        for (Parameter p : rest.descriptor().parameters()) {
            Made made = new Made(prefix + p.name(), part, section, p, get, set);
            switch (p.kind()) {
                case NUMBER, WHOLE, ANGLE -> all.add(made.of(Property.Kind.NUMBER, Mix.NUMBER));
                case POINT -> all.add(made.of(Property.Kind.POINT, Mix.POINT));
                case COLOUR -> all.add(made.of(Property.Kind.COLOUR, Mix.COLOUR));
                case CURVE -> all.add(made.of(Property.Kind.CURVE, Mix.CURVE));
                case TRUTH, CHOICE, LAYER, PROPERTY, TRACK, FILE -> {
                    // There is no middle between two of these.
                }
            }
        }
        return all;
    }

    /** A parameter on its way to a property. */
    private record Made(
            String name,
            String part,
            Property.Section section,
            Parameter parameter,
            Function<Layer, AnimatedRecipe> get,
            BiFunction<Layer, AnimatedRecipe, Layer> set) {

        <T> Property<T> of(Property.Kind kind, Mix<T> mix) {
            return new Property<>(
                    name,
                    part,
                    parameter.label(),
                    section,
                    kind,
                    parameter.unit(),
                    Property.Space.OWN,
                    parameter.least(),
                    parameter.most(),
                    Optional.empty(),
                    mix,
                    this::read,
                    (l, v) -> set.apply(l, get.apply(l).with(parameter.name(), v)));
        }

        private <T> Animated<T> read(Layer layer) {
            // What lies under a parameter's name is of its kind's type.
            @SuppressWarnings("unchecked")
            Animated<T> value = (Animated<T>) get.apply(layer).value(parameter.name());
            return value;
        }
    }

    /** The same with other ids for the files that it names. */
    public AnimatedRecipe withFiles(UnaryOperator<String> other) {
        return new AnimatedRecipe(rest.withFiles(other), moving);
    }

    /** The same with other layers in place of those that it names; nothing where one of them has no other. */
    Optional<AnimatedRecipe> withLayers(Function<String, Optional<String>> other) {
        return rest.withLayers(other).map(r -> new AnimatedRecipe(r, moving));
    }
}
