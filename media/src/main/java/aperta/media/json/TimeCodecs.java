package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BezierPath;
import aperta.core.time.Animated;
import aperta.core.time.Beyond;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Rates, eases and values that change over time. */
final class TimeCodecs {
    static final Codec<Rate> RATE = Codecs.map(Codecs.TEXT, Rate::parse, Rate::toString);

    static final Codec<Point> POINT = Codecs.of(
            (v, where) -> {
                double[] n = Codecs.numbers(v, 2, where);
                return new Point(n[0], n[1]);
            },
            p -> Codecs.numbers(p.x(), p.y()),
            Codecs.tuple(2));

    /** {@code #rrggbb[aa]}, or four numbers where eight bits are not enough. */
    static final Codec<Colour> COLOUR = Codecs.of(
            (v, where) -> {
                try {
                    if (v instanceof JsonString s) {
                        return Colour.parse(s.getString());
                    }
                    double[] n = Codecs.numbers(v, 4, where);
                    return new Colour(n[0], n[1], n[2], n[3]);
                } catch (BadDocument e) {
                    throw e;
                } catch (IllegalArgumentException e) {
                    throw new BadDocument(where, e.getMessage());
                }
            },
            c -> c.isEightBit() ? JSON.createValue(c.hex()) : Codecs.numbers(c.red(), c.green(), c.blue(), c.alpha()),
            Codecs.anyOf(List.of(
                    JSON.createObjectBuilder()
                            .add("type", "string")
                            .add("pattern", "^#([0-9a-fA-F]{6}|[0-9a-fA-F]{8})$")
                            .build(),
                    Codecs.tuple(4))));

    /** The points of a curve of values; none for the straight line. */
    static final Codec<ToneCurve> CURVE = Codecs.map(Codecs.list(POINT), ToneCurve::new, ToneCurve::points);

    static final Defined<List<BezierPath.Knot>> KNOTS = new Defined<>(
            "knots",
            Codecs.list(Codecs.of(
                    TimeCodecs::readKnot,
                    TimeCodecs::writeKnot,
                    Codecs.anyOf(List.of(Codecs.tuple(6), Codecs.tuple(7))))));

    /**
     * A list of knots, which is a closed path, or {@code {"open": [knots]}}. A knot is six numbers: the point, the handle
     * that arrives, the handle that leaves; and a seventh where the feather is wider there.
     */
    static final Codec<BezierPath> PATH = Codecs.of(
            (v, where) -> {
                boolean open = v instanceof JsonObject o && o.keySet().equals(Set.of("open"));
                List<BezierPath.Knot> knots = KNOTS.read(open ? v.asJsonObject().get("open") : v, where);
                try {
                    return new BezierPath(knots, !open);
                } catch (IllegalArgumentException e) {
                    throw new BadDocument(where, e.getMessage());
                }
            },
            p -> p.closed()
                    ? KNOTS.write(p.knots())
                    : JSON.createObjectBuilder()
                            .add("open", KNOTS.write(p.knots()))
                            .build(),
            Codecs.anyOf(List.of(KNOTS.schema(), openPath())));

    private static JsonObject openPath() {
        return JSON.createObjectBuilder()
                .add("type", "object")
                .add("properties", JSON.createObjectBuilder().add("open", KNOTS.schema()))
                .add("required", JSON.createArrayBuilder().add("open"))
                .add("additionalProperties", false)
                .build();
    }

    private static BezierPath.Knot readKnot(JsonValue v, String where) {
        boolean feathered = v instanceof JsonArray a && a.size() == 7;
        double[] n = Codecs.numbers(v, feathered ? 7 : 6, where);
        return new BezierPath.Knot(
                new Point(n[0], n[1]), new Point(n[2], n[3]), new Point(n[4], n[5]), feathered ? n[6] : 0);
    }

    private static JsonValue writeKnot(BezierPath.Knot k) {
        double[] six = {
            k.at().x(), k.at().y(), k.in().x(), k.in().y(), k.out().x(), k.out().y()
        };
        if (k.feather() == 0) {
            return Codecs.numbers(six);
        }
        double[] seven = Arrays.copyOf(six, 7);
        seven[6] = k.feather();
        return Codecs.numbers(seven);
    }

    private static final Map<String, Ease> NAMED = named();
    private static final Codec<Ease.Spring> SPRING = spring();

    /** {@code hold}, {@code linear}, a CSS keyword, the four numbers of a cubic-bezier, or {@code {"spring": swings}}. */
    static final Defined<Ease> EASE = new Defined<>(
            "ease",
            Codecs.of(
                    TimeCodecs::readEase,
                    TimeCodecs::writeEase,
                    Codecs.anyOf(List.of(
                            JSON.createObjectBuilder()
                                    .add("enum", JSON.createArrayBuilder(NAMED.keySet()))
                                    .build(),
                            Codecs.tuple(4),
                            SPRING.schema()))));

    static final Defined<Recipe> SIGNAL = new Defined<>(
            "signal",
            new RecipeCodec(Signal.all().stream().map(Signal::descriptor).toList()));

    private TimeCodecs() {}

    private static Codec<Ease.Spring> spring() {
        ObjectCodec<Ease.Spring> o = new ObjectCodec<>();
        var swings = o.field("spring", Codecs.WHOLE, s -> (long) s.swings());
        return o.making(r -> new Ease.Spring((int) Math.max(0, Math.min(1000, r.get(swings)))));
    }

    private static Map<String, Ease> named() {
        Map<String, Ease> all = new LinkedHashMap<>();
        all.put("hold", Ease.HOLD);
        all.put("linear", Ease.LINEAR);
        all.put("ease", Ease.EASE);
        all.put("ease-in", Ease.EASE_IN);
        all.put("ease-out", Ease.EASE_OUT);
        all.put("ease-in-out", Ease.EASE_IN_OUT);
        return all;
    }

    private static Ease readEase(JsonValue v, String where) {
        if (v instanceof JsonObject) {
            return SPRING.read(v, where);
        }
        if (v instanceof JsonString s && NAMED.containsKey(s.getString())) {
            return NAMED.get(s.getString());
        }
        if (v instanceof JsonString) {
            throw new BadDocument(
                    where,
                    "expected an ease out of " + String.join(", ", NAMED.keySet()) + " or four numbers, not "
                            + Codecs.shown(v) + ".");
        }
        double[] n = Codecs.numbers(v, 4, where);
        try {
            return new Ease.CubicBezier(n[0], n[1], n[2], n[3]);
        } catch (IllegalArgumentException e) {
            throw new BadDocument(where, e.getMessage());
        }
    }

    private static JsonValue writeEase(Ease ease) {
        for (Map.Entry<String, Ease> e : NAMED.entrySet()) {
            if (e.getValue().equals(ease)) {
                return JSON.createValue(e.getKey());
            }
        }
        if (ease instanceof Ease.Spring spring) {
            return SPRING.write(spring);
        }
        Ease.CubicBezier c = (Ease.CubicBezier) ease;
        return Codecs.numbers(c.x1(), c.y1(), c.x2(), c.y2());
    }

    static <T> Codec<Key<T>> key(Codec<T> value) {
        ObjectCodec<Key<T>> o = new ObjectCodec<>();
        var at = o.field("at", Codecs.WHOLE, Key::at);
        var v = o.field("value", value, Key::value);
        var ease = o.field("ease", EASE, Key::ease, Ease.EASE);
        var out = o.field("out", Codecs.optional(value), Key::out, Optional.empty());
        var in = o.field("in", Codecs.optional(value), Key::in, Optional.empty());
        var loose = o.field("loose", Codecs.TRUTH, Key::loose, false);
        return o.making(r -> new Key<>(r.get(at), r.get(v), r.get(ease), r.get(out), r.get(in), r.get(loose)));
    }

    /**
     * The bare value where it never changes; an object with {@code rest}, {@code keys} and {@code signals} where it does. A
     * value may be an object itself, of one field ({@link #PATH}).
     */
    static <T> Codec<Animated<T>> animated(Codec<T> value) {
        ObjectCodec<Animated<T>> o = new ObjectCodec<>();
        var rest = o.field("rest", value, Animated::rest);
        var keys = o.field("keys", Codecs.list(key(value)), Animated::keys, List.of());
        var before = o.field("before", Codecs.choice(Beyond.class), Animated::before, Beyond.HOLD);
        var after = o.field("after", Codecs.choice(Beyond.class), Animated::after, Beyond.HOLD);
        var signals = o.field("signals", Codecs.list(SIGNAL), Animated::signals, List.of());
        o.making(r -> new Animated<>(r.get(rest), r.get(keys), r.get(before), r.get(after), r.get(signals)));
        JsonObject schema = Codecs.anyOf(List.of(value.schema(), o.schema()));
        return Codecs.of(
                (v, where) -> v instanceof JsonObject object && !object.keySet().equals(Set.of("open"))
                        ? o.read(v, where)
                        : Animated.of(value.read(v, where)),
                a -> a.isStill() ? value.write(a.rest()) : o.write(a),
                schema);
    }
}
