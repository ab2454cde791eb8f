package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Recipes as objects with their {@code kind} and a field for each parameter; what is left out is the standard. */
final class RecipeCodec implements Codec<Recipe> {
    private final List<Descriptor> kinds;

    RecipeCodec(List<Descriptor> kinds) {
        this.kinds = kinds;
    }

    @Override
    public Recipe read(JsonValue value, String where) {
        JsonObject object = object(value, where);
        Descriptor descriptor = descriptor(kinds, object, where);
        Map<String, Object> given = new LinkedHashMap<>();
        object.forEach((field, v) -> {
            if (!field.equals("kind")) {
                given.put(field, plain(parameter(descriptor, field, where)).read(v, where + "." + field));
            }
        });
        return made(where, () -> Recipe.of(descriptor, given));
    }

    @Override
    public JsonValue write(Recipe recipe) {
        JsonObjectBuilder object = JSON.createObjectBuilder().add("kind", recipe.kind());
        for (Parameter p : recipe.descriptor().parameters()) {
            object.add(p.name(), plain(p).write(recipe.value(p.name())));
        }
        return object.build();
    }

    @Override
    public JsonObject schema() {
        return schema(kinds, RecipeCodec::plain);
    }

    static JsonObject object(JsonValue value, String where) {
        if (value instanceof JsonObject object) {
            return object;
        }
        throw new BadDocument(where, "expected an object with a kind, not " + Codecs.shown(value) + ".");
    }

    /** What an object's {@code kind} names. */
    static Descriptor descriptor(List<Descriptor> kinds, JsonObject object, String where) {
        JsonValue name = object.get("kind");
        return kinds.stream()
                .filter(d -> name instanceof JsonString s && d.kind().equals(s.getString()))
                .findFirst()
                .orElseThrow(() -> new BadDocument(
                        where,
                        "expected a kind out of "
                                + String.join(
                                        ", ",
                                        kinds.stream().map(Descriptor::kind).toList())
                                + ", not " + (name == null ? "none" : Codecs.shown(name)) + "."));
    }

    static Parameter parameter(Descriptor descriptor, String name, String where) {
        return descriptor
                .parameter(name)
                .orElseThrow(() -> new BadDocument(
                        where,
                        "'" + descriptor.kind() + "' has no '" + name + "'; it has "
                                + String.join(
                                        ", ",
                                        descriptor.parameters().stream()
                                                .map(Parameter::name)
                                                .toList())
                                + "."));
    }

    /** Something that is made of read values, which may not be possible. */
    interface Making<T> {
        T made();
    }

    static <T> T made(String where, Making<T> making) {
        try {
            return making.made();
        } catch (IllegalArgumentException e) {
            throw new BadDocument(where, e.getMessage());
        }
    }

    /** The value of a parameter, without keys. */
    static Codec<Object> plain(Parameter p) {
        return switch (p.kind()) {
            case NUMBER, ANGLE -> any(Codecs.NUMBER, number(p, "number"));
            case WHOLE -> any(Codecs.NUMBER, number(p, "integer"));
            case TRUTH -> any(Codecs.TRUTH);
            case CHOICE ->
                any(
                        Codecs.TEXT,
                        JSON.createObjectBuilder()
                                .add("enum", JSON.createArrayBuilder(p.choices()))
                                .build());
            case POINT -> any(TimeCodecs.POINT);
            case COLOUR -> any(TimeCodecs.COLOUR);
            case CURVE -> any(TimeCodecs.CURVE);
            case LAYER, PROPERTY, TRACK, FILE -> any(Codecs.TEXT);
        };
    }

    private static JsonObject number(Parameter p, String type) {
        return JSON.createObjectBuilder()
                .add("type", type)
                .add("minimum", Codecs.number(p.least()))
                .add("maximum", Codecs.number(p.most()))
                .build();
    }

    private static <T> Codec<Object> any(Codec<T> codec) {
        return any(codec, codec.schema());
    }

    /** A codec of values whose type only their parameter knows. */
    private static <T> Codec<Object> any(Codec<T> codec, JsonObject schema) {
        return Codecs.of(
                codec::read,
                v -> {
                    // A recipe's values have been checked to be of their parameters' types.
                    @SuppressWarnings("unchecked")
                    T typed = (T) v;
                    return codec.write(typed);
                },
                schema);
    }

    /** @param value how the value of a parameter is written */
    static JsonObject schema(List<Descriptor> kinds, Function<Parameter, Codec<?>> value) {
        return Codecs.anyOf(kinds.stream().map(d -> schema(d, value)).toList());
    }

    private static JsonObject schema(Descriptor d, Function<Parameter, Codec<?>> value) {
        JsonObjectBuilder properties = JSON.createObjectBuilder()
                .add("kind", JSON.createObjectBuilder().add("const", d.kind()));
        d.parameters().forEach(p -> properties.add(p.name(), value.apply(p).schema()));
        return JSON.createObjectBuilder()
                .add("type", "object")
                .add("description", d.summary())
                .add("properties", properties)
                .add("required", JSON.createArrayBuilder().add("kind"))
                .add("additionalProperties", false)
                .build();
    }
}
