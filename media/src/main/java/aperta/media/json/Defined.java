package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonObject;
import jakarta.json.JsonValue;

/** A codec whose schema is written once, under a name, and referred to elsewhere. */
record Defined<T>(String name, Codec<T> codec) implements Codec<T> {
    @Override
    public T read(JsonValue value, String where) {
        return codec.read(value, where);
    }

    @Override
    public JsonValue write(T value) {
        return codec.write(value);
    }

    @Override
    public JsonObject schema() {
        return JSON.createObjectBuilder().add("$ref", "#/$defs/" + name).build();
    }
}
