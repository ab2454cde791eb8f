package aperta.media.json;

import aperta.core.edit.Edit;
import aperta.core.edit.KeyEdits;
import aperta.core.edit.LayerEdits;
import aperta.core.edit.MaskEdits;
import aperta.core.edit.PlaceEdits;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Colour;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import jakarta.json.Json;
import jakarta.json.JsonObject;
import jakarta.json.JsonValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Edits with rules of their own as JSON, told apart by their {@code kind}. */
public final class EditJson {
    /** A value whose type depends on the property that it is for. */
    private record Raw(String layer, String property, long frame, JsonValue value) {}

    private static final Codec<KeyEdits.KeyName> KEY = key();
    private static final Codec<Edit> EDIT = edits();
    private static final Codec<Raw> SET = raw();

    private EditJson() {}

    /**
     * Reads an edit of a shot.
     *
     * @throws BadDocument where it isn't one, or isn't one of this shot
     */
    public static Edit read(JsonObject json, Shot shot) {
        if (!json.containsKey("kind") || !json.get("kind").toString().equals("\"set-value\"")) {
            return EDIT.read(json, "");
        }
        Raw raw = SET.read(Json.createObjectBuilder(json).remove("kind").build(), "");
        var layer = shot.layer(raw.layer)
                .orElseThrow(() -> new BadDocument("layer", "there is no layer '" + raw.layer + "' in this shot."));
        Property<?> property = Property.named(layer, raw.property);
        return new KeyEdits.SetValue(raw.layer, raw.property, raw.frame, value(property.kind(), raw.value));
    }

    private static Object value(Property.Kind kind, JsonValue value) {
        return (switch (kind) {
                    case NUMBER -> Codecs.NUMBER;
                    case POINT -> TimeCodecs.POINT;
                    case COLOUR -> TimeCodecs.COLOUR;
                    case PATH -> TimeCodecs.PATH;
                })
                .read(value, "value");
    }

    /** A property's value at a frame of the layer's own time, as JSON. */
    public static <T> JsonValue write(Property<T> property, T value) {
        return switch (property.kind()) {
            case NUMBER -> Codecs.number((Double) value);
            case POINT -> TimeCodecs.POINT.write((Point) value);
            case COLOUR -> TimeCodecs.COLOUR.write((Colour) value);
            case PATH -> TimeCodecs.PATH.write((BezierPath) value);
        };
    }

    private static Codec<Raw> raw() {
        ObjectCodec<Raw> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, Raw::layer);
        var property = o.field("property", Codecs.TEXT, Raw::property);
        var frame = o.field("frame", Codecs.WHOLE, Raw::frame);
        var value = o.field("value", Codecs.of((v, where) -> v, v -> v, JsonValue.EMPTY_JSON_OBJECT), Raw::value);
        return o.making(r -> new Raw(r.get(layer), r.get(property), r.get(frame), r.get(value)));
    }

    private static Codec<KeyEdits.KeyName> key() {
        ObjectCodec<KeyEdits.KeyName> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, KeyEdits.KeyName::layer);
        var property = o.field("property", Codecs.TEXT, KeyEdits.KeyName::property);
        var at = o.field("at", Codecs.WHOLE, KeyEdits.KeyName::at);
        return o.making(r -> new KeyEdits.KeyName(r.get(layer), r.get(property), r.get(at)));
    }

    private static Codec<Edit> edits() {
        Map<String, Codecs.Kind<? extends Edit>> kinds = new LinkedHashMap<>();
        kinds.put("move", new Codecs.Kind<>(PlaceEdits.Move.class, move()));
        kinds.put("scale", new Codecs.Kind<>(PlaceEdits.Scale.class, scale()));
        kinds.put("turn", new Codecs.Kind<>(PlaceEdits.Turn.class, turn()));
        kinds.put("move-anchor", new Codecs.Kind<>(PlaceEdits.MoveAnchor.class, anchor()));
        kinds.put("fit", new Codecs.Kind<>(PlaceEdits.Fit.class, fit()));
        kinds.put("add-key", new Codecs.Kind<>(KeyEdits.AddKey.class, addKey()));
        kinds.put("remove-keys", new Codecs.Kind<>(KeyEdits.RemoveKeys.class, removeKeys()));
        kinds.put("move-keys", new Codecs.Kind<>(KeyEdits.MoveKeys.class, moveKeys()));
        kinds.put("set-ease", new Codecs.Kind<>(KeyEdits.SetEase.class, setEase()));
        kinds.put("add", new Codecs.Kind<>(LayerEdits.Add.class, add()));
        kinds.put("delete", new Codecs.Kind<>(LayerEdits.Delete.class, delete()));
        kinds.put("duplicate", new Codecs.Kind<>(LayerEdits.Duplicate.class, duplicate()));
        kinds.put("reorder", new Codecs.Kind<>(LayerEdits.Reorder.class, reorder()));
        kinds.put("group", new Codecs.Kind<>(LayerEdits.Group.class, group()));
        kinds.put("add-mask", new Codecs.Kind<>(MaskEdits.Add.class, addMask()));
        kinds.put("move-mask-point", new Codecs.Kind<>(MaskEdits.MovePoint.class, maskPoint()));
        kinds.put("move-mask", new Codecs.Kind<>(MaskEdits.Move.class, moveMask()));
        return Codecs.union(kinds);
    }

    private static Codec<PlaceEdits.Move> move() {
        ObjectCodec<PlaceEdits.Move> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, PlaceEdits.Move::layer);
        var frame = o.field("frame", Codecs.WHOLE, PlaceEdits.Move::frame);
        var by = o.field("by", TimeCodecs.POINT, PlaceEdits.Move::by);
        var snap = o.field("snap", Codecs.TRUTH, PlaceEdits.Move::snap, false);
        return o.making(r -> new PlaceEdits.Move(r.get(layer), r.get(frame), r.get(by), r.get(snap)));
    }

    private static Codec<PlaceEdits.Scale> scale() {
        ObjectCodec<PlaceEdits.Scale> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, PlaceEdits.Scale::layer);
        var frame = o.field("frame", Codecs.WHOLE, PlaceEdits.Scale::frame);
        var from = o.field("from", TimeCodecs.POINT, PlaceEdits.Scale::from);
        var to = o.field("to", TimeCodecs.POINT, PlaceEdits.Scale::to);
        var even = o.field("even", Codecs.TRUTH, PlaceEdits.Scale::even, true);
        return o.making(r -> new PlaceEdits.Scale(r.get(layer), r.get(frame), r.get(from), r.get(to), r.get(even)));
    }

    private static Codec<PlaceEdits.Turn> turn() {
        ObjectCodec<PlaceEdits.Turn> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, PlaceEdits.Turn::layer);
        var frame = o.field("frame", Codecs.WHOLE, PlaceEdits.Turn::frame);
        var from = o.field("from", TimeCodecs.POINT, PlaceEdits.Turn::from);
        var to = o.field("to", TimeCodecs.POINT, PlaceEdits.Turn::to);
        var steps = o.field("steps", Codecs.TRUTH, PlaceEdits.Turn::steps, false);
        return o.making(r -> new PlaceEdits.Turn(r.get(layer), r.get(frame), r.get(from), r.get(to), r.get(steps)));
    }

    private static Codec<PlaceEdits.MoveAnchor> anchor() {
        ObjectCodec<PlaceEdits.MoveAnchor> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, PlaceEdits.MoveAnchor::layer);
        var frame = o.field("frame", Codecs.WHOLE, PlaceEdits.MoveAnchor::frame);
        var to = o.field("to", TimeCodecs.POINT, PlaceEdits.MoveAnchor::to);
        return o.making(r -> new PlaceEdits.MoveAnchor(r.get(layer), r.get(frame), r.get(to)));
    }

    private static Codec<PlaceEdits.Fit> fit() {
        ObjectCodec<PlaceEdits.Fit> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, PlaceEdits.Fit::layer);
        var frame = o.field("frame", Codecs.WHOLE, PlaceEdits.Fit::frame);
        var cover = o.field("cover", Codecs.TRUTH, PlaceEdits.Fit::cover, false);
        return o.making(r -> new PlaceEdits.Fit(r.get(layer), r.get(frame), r.get(cover)));
    }

    private static Codec<KeyEdits.AddKey> addKey() {
        ObjectCodec<KeyEdits.AddKey> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, KeyEdits.AddKey::layer);
        var property = o.field("property", Codecs.TEXT, KeyEdits.AddKey::property);
        var frame = o.field("frame", Codecs.WHOLE, KeyEdits.AddKey::frame);
        return o.making(r -> new KeyEdits.AddKey(r.get(layer), r.get(property), r.get(frame)));
    }

    private static Codec<KeyEdits.RemoveKeys> removeKeys() {
        ObjectCodec<KeyEdits.RemoveKeys> o = new ObjectCodec<>();
        var keys = o.field("keys", Codecs.list(KEY), KeyEdits.RemoveKeys::keys);
        return o.making(r -> new KeyEdits.RemoveKeys(r.get(keys)));
    }

    private static Codec<KeyEdits.MoveKeys> moveKeys() {
        ObjectCodec<KeyEdits.MoveKeys> o = new ObjectCodec<>();
        var keys = o.field("keys", Codecs.list(KEY), KeyEdits.MoveKeys::keys);
        var by = o.field("by", Codecs.WHOLE, KeyEdits.MoveKeys::by);
        return o.making(r -> new KeyEdits.MoveKeys(r.get(keys), r.get(by)));
    }

    private static Codec<KeyEdits.SetEase> setEase() {
        ObjectCodec<KeyEdits.SetEase> o = new ObjectCodec<>();
        var keys = o.field("keys", Codecs.list(KEY), KeyEdits.SetEase::keys);
        var ease = o.field("ease", TimeCodecs.EASE, KeyEdits.SetEase::ease);
        return o.making(r -> new KeyEdits.SetEase(r.get(keys), r.get(ease)));
    }

    private static Codec<LayerEdits.Add> add() {
        ObjectCodec<LayerEdits.Add> o = new ObjectCodec<>();
        var added = o.field("layer", ShotJson.LAYER, LayerEdits.Add::added);
        var above = o.field("above", Codecs.optional(Codecs.TEXT), LayerEdits.Add::above, Optional.empty());
        return o.making(r -> new LayerEdits.Add(r.get(added), r.get(above)));
    }

    private static Codec<LayerEdits.Delete> delete() {
        ObjectCodec<LayerEdits.Delete> o = new ObjectCodec<>();
        var layers = o.field("layers", Codecs.list(Codecs.TEXT), LayerEdits.Delete::layers);
        return o.making(r -> new LayerEdits.Delete(r.get(layers)));
    }

    private static Codec<LayerEdits.Duplicate> duplicate() {
        ObjectCodec<LayerEdits.Duplicate> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, LayerEdits.Duplicate::layer);
        var newId = o.field("newId", Codecs.TEXT, LayerEdits.Duplicate::newId);
        return o.making(r -> new LayerEdits.Duplicate(r.get(layer), r.get(newId)));
    }

    private static Codec<LayerEdits.Reorder> reorder() {
        ObjectCodec<LayerEdits.Reorder> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, LayerEdits.Reorder::layer);
        var to = o.field("to", Codecs.WHOLE, e -> (long) e.to());
        return o.making(r ->
                new LayerEdits.Reorder(r.get(layer), (int) Math.max(0, Math.min(Integer.MAX_VALUE, r.get(to)))));
    }

    private static Codec<LayerEdits.Group> group() {
        ObjectCodec<LayerEdits.Group> o = new ObjectCodec<>();
        var layers = o.field("layers", Codecs.list(Codecs.TEXT), LayerEdits.Group::layers);
        var newId = o.field("newId", Codecs.TEXT, LayerEdits.Group::newId);
        var name = o.field("name", Codecs.TEXT, LayerEdits.Group::name);
        return o.making(r -> new LayerEdits.Group(List.copyOf(r.get(layers)), r.get(newId), r.get(name)));
    }

    private static Codec<MaskEdits.Add> addMask() {
        ObjectCodec<MaskEdits.Add> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, MaskEdits.Add::layer);
        var newId = o.field("newId", Codecs.TEXT, MaskEdits.Add::newId);
        var frame = o.field("frame", Codecs.WHOLE, MaskEdits.Add::frame);
        var shape =
                o.field("shape", Codecs.choice(MaskEdits.Shape.class), MaskEdits.Add::shape, MaskEdits.Shape.RECTANGLE);
        var from = o.field("from", TimeCodecs.POINT, MaskEdits.Add::from);
        var to = o.field("to", TimeCodecs.POINT, MaskEdits.Add::to);
        return o.making(
                r -> new MaskEdits.Add(r.get(layer), r.get(newId), r.get(frame), r.get(shape), r.get(from), r.get(to)));
    }

    private static Codec<MaskEdits.MovePoint> maskPoint() {
        ObjectCodec<MaskEdits.MovePoint> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, MaskEdits.MovePoint::layer);
        var mask = o.field("mask", Codecs.TEXT, MaskEdits.MovePoint::mask);
        var frame = o.field("frame", Codecs.WHOLE, MaskEdits.MovePoint::frame);
        var index = o.field("index", Codecs.WHOLE, e -> (long) e.index());
        var part = o.field("part", Codecs.choice(MaskEdits.Part.class), MaskEdits.MovePoint::part, MaskEdits.Part.AT);
        var to = o.field("to", TimeCodecs.POINT, MaskEdits.MovePoint::to);
        return o.making(r -> new MaskEdits.MovePoint(
                r.get(layer),
                r.get(mask),
                r.get(frame),
                (int) Math.max(-1, Math.min(Integer.MAX_VALUE, r.get(index))),
                r.get(part),
                r.get(to)));
    }

    private static Codec<MaskEdits.Move> moveMask() {
        ObjectCodec<MaskEdits.Move> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, MaskEdits.Move::layer);
        var mask = o.field("mask", Codecs.TEXT, MaskEdits.Move::mask);
        var frame = o.field("frame", Codecs.WHOLE, MaskEdits.Move::frame);
        var by = o.field("by", TimeCodecs.POINT, MaskEdits.Move::by);
        return o.making(r -> new MaskEdits.Move(r.get(layer), r.get(mask), r.get(frame), r.get(by)));
    }
}
