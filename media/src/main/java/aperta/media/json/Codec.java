package aperta.media.json;

import jakarta.json.JsonObject;
import jakarta.json.JsonValue;

/** One kind of value in JSON: how it is read, written and described. */
public interface Codec<T> {
    /**
     * @param where the place in the document, such as {@code layers[2].span}
     * @throws BadDocument where the value isn't of this kind
     */
    T read(JsonValue value, String where);

    JsonValue write(T value);

    /** A JSON Schema (draft 2020-12) of the values that are read. */
    JsonObject schema();
}
