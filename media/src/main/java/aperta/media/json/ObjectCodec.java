package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A record as an object with named fields. Unknown fields are refused; fields with a default may be left out. */
final class ObjectCodec<T> implements Codec<T> {
    /** A field of an object of type T. */
    record Field<T, V>(String name, Codec<V> codec, Function<T, V> get, Optional<V> fallback) {
        JsonValue write(T object) {
            return codec.write(get.apply(object));
        }
    }

    /** The values of an object that is being read. */
    static final class Values {
        private final JsonObject object;
        private final String where;

        private Values(JsonObject object, String where) {
            this.object = object;
            this.where = where;
        }

        <V> V get(Field<?, V> field) {
            JsonValue value = object.get(field.name);
            if (value == null) {
                return field.fallback.orElseThrow(
                        () -> new BadDocument(where, "the field '" + field.name + "' is missing."));
            }
            return field.codec.read(value, where.isEmpty() ? field.name : where + "." + field.name);
        }
    }

    private final List<Field<T, ?>> fields = new ArrayList<>();
    private Function<Values, T> make = v -> {
        throw new IllegalStateException("This codec has not been finished.");
    };

    <V> Field<T, V> field(String name, Codec<V> codec, Function<T, V> get) {
        return add(new Field<>(name, codec, get, Optional.empty()));
    }

    /** A field that may be left out. */
    <V> Field<T, V> field(String name, Codec<V> codec, Function<T, V> get, V fallback) {
        return add(new Field<>(name, codec, get, Optional.of(fallback)));
    }

    private <V> Field<T, V> add(Field<T, V> field) {
        fields.add(field);
        return field;
    }

    ObjectCodec<T> making(Function<Values, T> how) {
        make = how;
        return this;
    }

    @Override
    public T read(JsonValue value, String where) {
        if (!(value instanceof JsonObject object)) {
            throw new BadDocument(where, "expected an object, not " + Codecs.shown(value) + ".");
        }
        for (String name : object.keySet()) {
            if (fields.stream().noneMatch(f -> f.name.equals(name))) {
                throw new BadDocument(
                        where,
                        "there is no field '" + name + "' here; the fields are "
                                + fields.stream().map(Field::name).collect(Collectors.joining(", ")) + ".");
            }
        }
        try {
            return make.apply(new Values(object, where));
        } catch (BadDocument e) {
            throw e;
        } catch (IllegalArgumentException e) {
            throw new BadDocument(where, e.getMessage());
        }
    }

    @Override
    public JsonValue write(T value) {
        JsonObjectBuilder object = JSON.createObjectBuilder();
        fields.forEach(f -> object.add(f.name, f.write(value)));
        return object.build();
    }

    @Override
    public JsonObject schema() {
        JsonObjectBuilder properties = JSON.createObjectBuilder();
        JsonArrayBuilder required = JSON.createArrayBuilder();
        for (Field<T, ?> f : fields) {
            properties.add(f.name, f.codec.schema());
            if (f.fallback.isEmpty()) {
                required.add(f.name);
            }
        }
        return JSON.createObjectBuilder()
                .add("type", "object")
                .add("properties", properties)
                .add("required", required)
                .add("additionalProperties", false)
                .build();
    }
}
