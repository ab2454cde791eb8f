package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.time.Animated;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Recipes whose parameters may have keys and signals: objects with their {@code kind} and a field for each parameter, the
 * bare value where it never changes.
 */
final class AnimatedRecipeCodec implements Codec<AnimatedRecipe> {
    private final List<Descriptor> kinds;
    private final boolean keepsUnknown;

    AnimatedRecipeCodec(List<Descriptor> kinds) {
        this(kinds, false);
    }

    /** @param keepsUnknown whether what is of a kind that isn't known, from a newer version, is kept as it is written */
    AnimatedRecipeCodec(List<Descriptor> kinds, boolean keepsUnknown) {
        this.kinds = kinds;
        this.keepsUnknown = keepsUnknown;
    }

    @Override
    public AnimatedRecipe read(JsonValue value, String where) {
        JsonObject object = RecipeCodec.object(value, where);
        if (keepsUnknown
                && object.get("kind") instanceof JsonString kind
                && kinds.stream().noneMatch(d -> d.kind().equals(kind.getString()))) {
            Descriptor unknown = Descriptor.unknown(kind.getString());
            return AnimatedRecipe.of(Recipe.of(unknown, Map.of(Descriptor.WRITTEN, object.toString())));
        }
        Descriptor descriptor = RecipeCodec.descriptor(kinds, object, where);
        Map<String, Object> rest = new LinkedHashMap<>();
        Map<String, Animated<?>> moving = new LinkedHashMap<>();
        object.forEach((field, v) -> {
            if (field.equals("kind")) {
                return;
            }
            Parameter p = RecipeCodec.parameter(descriptor, field, where);
            Animated<?> read = animated(p).read(v, where + "." + field);
            rest.put(field, read.rest());
            if (!read.isStill()) {
                moving.put(field, read);
            }
        });
        return RecipeCodec.made(where, () -> new AnimatedRecipe(Recipe.of(descriptor, rest), moving));
    }

    @Override
    public JsonValue write(AnimatedRecipe recipe) {
        if (recipe.descriptor().isUnknown()) {
            return ShotJson.parse(recipe.rest().text(Descriptor.WRITTEN));
        }
        JsonObjectBuilder object = JSON.createObjectBuilder().add("kind", recipe.kind());
        for (Parameter p : recipe.descriptor().parameters()) {
            object.add(p.name(), write(p, recipe.value(p.name())));
        }
        return object.build();
    }

    private static <T> JsonValue write(Parameter p, Animated<T> value) {
        // What lies under a parameter's name is of its kind's type.
        @SuppressWarnings("unchecked")
        Animated<Object> any = (Animated<Object>) value;
        return animated(p).write(any);
    }

    /** Keys only for what has a middle between two values. */
    private static Codec<Animated<Object>> animated(Parameter p) {
        Codec<Object> plain = RecipeCodec.plain(p);
        return p.kind().moves() ? TimeCodecs.animated(plain) : Codecs.map(plain, Animated::of, Animated::rest);
    }

    @Override
    public JsonObject schema() {
        return RecipeCodec.schema(kinds, p -> switch (p.kind()) {
            case NUMBER, WHOLE, ANGLE -> keyable(p, ShotJson.NUMBERS);
            case POINT -> keyable(p, ShotJson.POINTS);
            case COLOUR -> keyable(p, ShotJson.COLOURS);
            case CURVE -> keyable(p, ShotJson.CURVES);
            case TRUTH, CHOICE, LAYER, PROPERTY, TRACK, FILE -> RecipeCodec.plain(p);
        });
    }

    /** A value in the parameter's range, or one with keys. */
    private static Codec<?> keyable(Parameter p, Defined<?> moving) {
        Codec<Object> plain = RecipeCodec.plain(p);
        return Codecs.of(plain::read, plain::write, Codecs.anyOf(List.of(plain.schema(), moving.schema())));
    }
}
