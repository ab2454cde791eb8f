package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Recipes as objects with their {@code kind} and a field for each parameter; what is left out is the standard. */
public final class RecipeCodec implements Codec<Recipe> {
    private final List<Descriptor> kinds;

    RecipeCodec(List<Descriptor> kinds) {
        this.kinds = kinds;
    }

    @Override
    public Recipe read(JsonValue value, String where) {
        if (!(value instanceof JsonObject object)) {
            throw new BadDocument(where, "expected an object with a kind, not " + Codecs.shown(value) + ".");
        }
        JsonValue name = object.get("kind");
        Descriptor descriptor = kinds.stream()
                .filter(d -> name instanceof JsonString s && d.kind().equals(s.getString()))
                .findFirst()
                .orElseThrow(() -> new BadDocument(
                        where,
                        "expected a kind out of "
                                + String.join(
                                        ", ",
                                        kinds.stream().map(Descriptor::kind).toList())
                                + ", not " + (name == null ? "none" : Codecs.shown(name)) + "."));
        Map<String, Object> given = new LinkedHashMap<>();
        object.forEach((field, v) -> {
            if (!field.equals("kind")) {
                given.put(field, plain(v, where + "." + field));
            }
        });
        try {
            return Recipe.of(descriptor, given);
        } catch (IllegalArgumentException e) {
            throw new BadDocument(where, e.getMessage());
        }
    }

    private static Object plain(JsonValue v, String where) {
        return switch (v.getValueType()) {
            case NUMBER -> ((JsonNumber) v).doubleValue();
            case STRING -> ((JsonString) v).getString();
            case TRUE -> true;
            case FALSE -> false;
            default -> throw new BadDocument(where, "expected a number, a text or a truth, not " + Codecs.shown(v));
        };
    }

    @Override
    public JsonValue write(Recipe recipe) {
        JsonObjectBuilder object = JSON.createObjectBuilder().add("kind", recipe.kind());
        recipe.values().forEach((name, value) -> object.add(name, json(value)));
        return object.build();
    }

    private static JsonValue json(Object value) {
        if (value instanceof Double d) {
            return Codecs.number(d);
        }
        if (value instanceof Boolean b) {
            return b ? JsonValue.TRUE : JsonValue.FALSE;
        }
        return JSON.createValue((String) value);
    }

    @Override
    public JsonObject schema() {
        return Codecs.anyOf(kinds.stream().map(RecipeCodec::schema).toList());
    }

    private static JsonObject schema(Descriptor d) {
        JsonObjectBuilder properties = JSON.createObjectBuilder()
                .add("kind", JSON.createObjectBuilder().add("const", d.kind()));
        d.parameters().forEach(p -> properties.add(p.name(), schema(p)));
        return JSON.createObjectBuilder()
                .add("type", "object")
                .add("description", d.summary())
                .add("properties", properties)
                .add("required", JSON.createArrayBuilder().add("kind"))
                .add("additionalProperties", false)
                .build();
    }

    private static JsonObject schema(Parameter p) {
        return switch (p.kind()) {
            case NUMBER, WHOLE ->
                JSON.createObjectBuilder()
                        .add("type", p.kind() == Parameter.Kind.WHOLE ? "integer" : "number")
                        .add("minimum", Codecs.number(p.least()))
                        .add("maximum", Codecs.number(p.most()))
                        .build();
            case TRUTH -> Codecs.type("boolean");
            case CHOICE ->
                JSON.createObjectBuilder()
                        .add("enum", JSON.createArrayBuilder(p.choices()))
                        .build();
            default -> Codecs.type("string");
        };
    }
}
