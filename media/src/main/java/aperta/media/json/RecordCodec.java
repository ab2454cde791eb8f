package aperta.media.json;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** Records whose fields in JSON have the names of their components, and the mappings of the components' types. */
final class RecordCodec {
    /** By the type of a component; whole numbers, numbers, truths, texts and enums need not be here. */
    private final Map<Type, Codec<?>> types;

    RecordCodec(Map<Type, Codec<?>> types) {
        this.types = types;
    }

    /** @param fallbacks the values of components that may be left out, besides those that are optional */
    <T extends Record> Codec<T> of(Class<T> type, Map<String, ?> fallbacks) {
        ObjectCodec<T> o = new ObjectCodec<>();
        List<ObjectCodec.Field<T, ?>> fields = new ArrayList<>();
        for (RecordComponent c : type.getRecordComponents()) {
            fields.add(field(o, c, fallbacks.get(c.getName()), codec(c.getGenericType())));
        }
        Constructor<T> constructor = constructor(type);
        return o.making(
                values -> make(constructor, fields.stream().map(values::get).toArray()));
    }

    private static <T, V> ObjectCodec.Field<T, V> field(
            ObjectCodec<T> o, RecordComponent c, Object fallback, Codec<V> codec) {
        // A component's value has the component's type, and so has the codec that was found by it.
        @SuppressWarnings("unchecked")
        Function<T, V> get = record -> (V) read(c, record);
        @SuppressWarnings("unchecked")
        V standard = (V) (fallback == null && c.getType() == Optional.class ? Optional.empty() : fallback);
        return standard == null ? o.field(c.getName(), codec, get) : o.field(c.getName(), codec, get, standard);
    }

    private Codec<?> codec(Type type) {
        Codec<?> known = types.get(type);
        if (known != null) {
            return known;
        }
        if (type instanceof ParameterizedType p) {
            Codec<?> inner = codec(p.getActualTypeArguments()[0]);
            return p.getRawType() == Optional.class ? Codecs.optional(inner) : Codecs.list(inner);
        }
        if (type == String.class) {
            return Codecs.TEXT;
        }
        if (type == long.class) {
            return Codecs.WHOLE;
        }
        if (type == int.class || type == Integer.class) {
            return Codecs.map(Codecs.WHOLE, v -> (int) Math.max(Integer.MIN_VALUE, Math.min(Integer.MAX_VALUE, v)), i ->
                    (long) i);
        }
        if (type == double.class || type == Double.class) {
            return Codecs.NUMBER;
        }
        if (type == boolean.class) {
            return Codecs.TRUTH;
        }
        if (type instanceof Class<?> c && c.isEnum()) {
            return choice(c.asSubclass(Enum.class));
        }
        throw new IllegalArgumentException("There is no mapping for " + type + ".");
    }

    // An enum's class is that of its own values, which cannot be said of a class that is only known when it runs.
    @SuppressWarnings({"unchecked", "rawtypes"})
    private static Codec<?> choice(Class type) {
        return Codecs.choice(type);
    }

    private static <T> Constructor<T> constructor(Class<T> type) {
        try {
            return type.getDeclaredConstructor(Stream.of(type.getRecordComponents())
                    .map(RecordComponent::getType)
                    .toArray(Class<?>[]::new));
        } catch (NoSuchMethodException e) {
            throw new IllegalArgumentException(type + " has no constructor of its components.", e);
        }
    }

    private static <T> T make(Constructor<T> constructor, Object[] values) {
        try {
            return constructor.newInstance(values);
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof RuntimeException cause) {
                throw cause;
            }
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Object read(RecordComponent component, Object record) {
        try {
            return component.getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
