package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Codecs of plain values, lists, choices and of what is made from them. */
final class Codecs {
    static final Codec<String> TEXT = of(
            (v, where) -> {
                if (v instanceof JsonString s) {
                    if (!Characters.canBeKept(s.getString())) {
                        throw new BadDocument(where, Characters.WHY_NOT);
                    }
                    return s.getString();
                }
                throw new BadDocument(where, "expected text, not " + shown(v) + ".");
            },
            JSON::createValue,
            type("string"));

    static final Codec<Boolean> TRUTH = of(
            (v, where) -> {
                if (v.getValueType() == JsonValue.ValueType.TRUE || v.getValueType() == JsonValue.ValueType.FALSE) {
                    return v.getValueType() == JsonValue.ValueType.TRUE;
                }
                throw new BadDocument(where, "expected true or false, not " + shown(v) + ".");
            },
            b -> b ? JsonValue.TRUE : JsonValue.FALSE,
            type("boolean"));

    static final Codec<Double> NUMBER =
            of((v, where) -> number(v, where).doubleValue(), Codecs::number, type("number"));

    static final Codec<Long> WHOLE = of(
            (v, where) -> {
                JsonNumber n = number(v, where);
                try {
                    return n.bigDecimalValue().longValueExact();
                } catch (ArithmeticException e) {
                    throw new BadDocument(where, "expected a whole number, not " + shown(v) + ".");
                }
            },
            JSON::createValue,
            type("integer"));

    private Codecs() {}

    static JsonObject type(String name) {
        return JSON.createObjectBuilder().add("type", name).build();
    }

    /** Whole numbers without a fraction, as people write them. */
    static JsonValue number(double d) {
        return d == Math.rint(d) && Math.abs(d) < 1e15 ? JSON.createValue((long) d) : JSON.createValue(d);
    }

    private static JsonNumber number(JsonValue v, String where) {
        if (v instanceof JsonNumber n && Double.isFinite(n.doubleValue())) {
            return n;
        }
        throw new BadDocument(where, "expected a number, not " + shown(v) + ".");
    }

    static JsonObject object(JsonValue v, String where) {
        if (v instanceof JsonObject object) {
            return object;
        }
        throw new BadDocument(where, "expected an object, not " + shown(v) + ".");
    }

    static String shown(JsonValue v) {
        String text = v.toString();
        return text.length() > 60 ? text.substring(0, 57) + "…" : text;
    }

    interface Reader<T> {
        T read(JsonValue value, String where);
    }

    static <T> Codec<T> of(Reader<T> read, Function<T, JsonValue> write, JsonObject schema) {
        return new Codec<>() {
            @Override
            public T read(JsonValue value, String where) {
                return read.read(value, where);
            }

            @Override
            public JsonValue write(T value) {
                return write.apply(value);
            }

            @Override
            public JsonObject schema() {
                return schema;
            }
        };
    }

    /** Another type that is written as a known one; what {@code there} refuses is said with the place. */
    static <A, B> Codec<B> map(Codec<A> codec, Function<A, B> there, Function<B, A> back) {
        return of(
                (v, where) -> {
                    A a = codec.read(v, where);
                    try {
                        return there.apply(a);
                    } catch (BadDocument e) {
                        throw e;
                    } catch (IllegalArgumentException e) {
                        throw new BadDocument(where, e.getMessage());
                    }
                },
                b -> codec.write(back.apply(b)),
                codec.schema());
    }

    static <T> Codec<List<T>> list(Codec<T> each) {
        return of(
                (v, where) -> {
                    if (!(v instanceof JsonArray array)) {
                        throw new BadDocument(where, "expected a list, not " + shown(v) + ".");
                    }
                    List<T> all = new ArrayList<>(array.size());
                    for (int i = 0; i < array.size(); i++) {
                        all.add(each.read(array.get(i), where + "[" + i + "]"));
                    }
                    return all;
                },
                all -> {
                    JsonArrayBuilder array = JSON.createArrayBuilder();
                    all.forEach(t -> array.add(each.write(t)));
                    return array.build();
                },
                JSON.createObjectBuilder()
                        .add("type", "array")
                        .add("items", each.schema())
                        .build());
    }

    /** {@code null} for none. */
    static <T> Codec<Optional<T>> optional(Codec<T> codec) {
        return of(
                (v, where) -> v.equals(JsonValue.NULL) ? Optional.empty() : Optional.of(codec.read(v, where)),
                o -> o.map(codec::write).orElse(JsonValue.NULL),
                anyOf(List.of(type("null"), codec.schema())));
    }

    static JsonObject anyOf(List<JsonObject> schemas) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        schemas.forEach(all::add);
        return JSON.createObjectBuilder().add("anyOf", all).build();
    }

    /** The constants of an enum in lower case, words parted by hyphens. */
    static <E extends Enum<E>> Codec<E> choice(Class<E> type) {
        Map<String, E> names = new LinkedHashMap<>();
        for (E e : type.getEnumConstants()) {
            names.put(word(e), e);
        }
        JsonArrayBuilder all = JSON.createArrayBuilder();
        names.keySet().forEach(all::add);
        return of(
                (v, where) -> {
                    E found = v instanceof JsonString s ? names.get(s.getString()) : null;
                    if (found == null) {
                        throw new BadDocument(
                                where,
                                "expected one of " + String.join(", ", names.keySet()) + ", not " + shown(v) + ".");
                    }
                    return found;
                },
                e -> JSON.createValue(word(e)),
                JSON.createObjectBuilder().add("enum", all).build());
    }

    static String word(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** One of several kinds, told apart by the text in the field {@code kind}. */
    static <T> Codec<T> union(Map<String, Kind<? extends T>> kinds) {
        JsonArrayBuilder any = JSON.createArrayBuilder();
        kinds.forEach((name, kind) -> any.add(withKind(kind.codec.schema(), name)));
        return of(
                (v, where) -> {
                    if (!(v instanceof JsonObject object)) {
                        throw new BadDocument(where, "expected an object with a kind, not " + shown(v) + ".");
                    }
                    JsonValue name = object.get("kind");
                    Kind<? extends T> kind = name instanceof JsonString s ? kinds.get(s.getString()) : null;
                    if (kind == null) {
                        throw new BadDocument(
                                where,
                                "expected a kind out of " + String.join(", ", kinds.keySet()) + ", not "
                                        + (name == null ? "none" : shown(name)) + ".");
                    }
                    return kind.codec.read(
                            JSON.createObjectBuilder(object).remove("kind").build(), where);
                },
                t -> kinds.entrySet().stream()
                        .filter(e -> e.getValue().type.isInstance(t))
                        .findFirst()
                        .map(e -> e.getValue().write(e.getKey(), t))
                        .orElseThrow(),
                JSON.createObjectBuilder().add("anyOf", any).build());
    }

    private static JsonObject withKind(JsonObject schema, String name) {
        JsonObjectBuilder properties = JSON.createObjectBuilder()
                .add("kind", JSON.createObjectBuilder().add("const", name));
        schema.getJsonObject("properties").forEach(properties::add);
        JsonArrayBuilder required = JSON.createArrayBuilder(schema.getJsonArray("required"));
        return JSON.createObjectBuilder(schema)
                .add("properties", properties)
                .add("required", required.add("kind"))
                .build();
    }

    record Kind<T>(Class<T> type, Codec<T> codec) {
        JsonObject write(String name, Object value) {
            JsonObjectBuilder all = JSON.createObjectBuilder().add("kind", name);
            codec.write(type.cast(value)).asJsonObject().forEach(all::add);
            return all.build();
        }
    }

    static JsonObject tuple(int size) {
        return JSON.createObjectBuilder()
                .add("type", "array")
                .add("items", type("number"))
                .add("minItems", size)
                .add("maxItems", size)
                .build();
    }

    /** As many numbers as there are. */
    static double[] numbers(JsonValue v, String where) {
        if (v instanceof JsonArray a) {
            return numbers(v, a.size(), where);
        }
        throw new BadDocument(where, "expected a list of numbers, not " + shown(v) + ".");
    }

    static double[] numbers(JsonValue v, int size, String where) {
        if (!(v instanceof JsonArray array) || array.size() != size) {
            throw new BadDocument(where, "expected " + size + " numbers in a list, not " + shown(v) + ".");
        }
        double[] all = new double[size];
        Arrays.setAll(all, i -> NUMBER.read(array.get(i), where + "[" + i + "]"));
        return all;
    }

    static JsonValue numbers(double... all) {
        JsonArrayBuilder array = JSON.createArrayBuilder();
        Arrays.stream(all).forEach(d -> array.add(number(d)));
        return array.build();
    }
}
