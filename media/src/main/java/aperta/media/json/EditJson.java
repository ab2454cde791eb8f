package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.colour.Colour;
import aperta.core.edit.CutOutEdits;
import aperta.core.edit.DrawingEdits;
import aperta.core.edit.Edit;
import aperta.core.edit.EffectEdits;
import aperta.core.edit.Figure;
import aperta.core.edit.GradientEdits;
import aperta.core.edit.GroupEdits;
import aperta.core.edit.InkEdits;
import aperta.core.edit.KeyEdits;
import aperta.core.edit.LayerEdits;
import aperta.core.edit.LookEdits;
import aperta.core.edit.MaskEdits;
import aperta.core.edit.PassEdits;
import aperta.core.edit.PassageEdits;
import aperta.core.edit.PathEdits;
import aperta.core.edit.PlaceEdits;
import aperta.core.edit.ReplaceEdits;
import aperta.core.edit.Settings;
import aperta.core.edit.Several;
import aperta.core.edit.ShapeEdits;
import aperta.core.edit.Snap;
import aperta.core.edit.TakeApart;
import aperta.core.edit.TextEdits;
import aperta.core.edit.TimeEdits;
import aperta.core.edit.TogetherEdits;
import aperta.core.edit.TraceEdits;
import aperta.core.edit.TrackEdits;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.CutOut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Opened;
import aperta.core.shot.Passage;
import aperta.core.shot.PenLine;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import aperta.core.shot.TrackPath;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonValue;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Edits as JSON objects with a {@code kind}. */
public final class EditJson {
    /** A value whose type depends on the property that it is for. */
    record RawValue(String layer, String property, long frame, JsonValue value, boolean key) {}

    /** Keys whose values' type depends on the property that they are for. */
    record RawTrack(int source, String property, JsonValue keys) {}

    /** Copied keys to be put on layers. */
    record RawPaste(List<RawTrack> tracks, List<String> layers, long frame) {}

    private static final Codec<JsonValue> ANY = Codecs.of((v, where) -> v, v -> v, JsonValue.EMPTY_JSON_OBJECT);
    private static final RecordCodec PLAIN = new RecordCodec(Map.of(JsonValue.class, ANY));
    private static final Codec<RawValue> SET = PLAIN.of(RawValue.class, Map.of("key", false));
    private static final Codec<RawPaste> PASTE = new RecordCodec(
                    Map.of(RawTrack.class, PLAIN.of(RawTrack.class, Map.of("source", 0))))
            .of(RawPaste.class, Map.of());
    private static final Codec<Edit> EDIT = edits();

    private EditJson() {}

    /**
     * Reads an edit of a shot.
     *
     * @throws BadDocument where it isn't one, or isn't one of this shot
     */
    public static Edit read(JsonObject json, Shot shot) {
        String kind = json.containsKey("kind") ? json.get("kind").toString() : "";
        JsonObject rest = JSON.createObjectBuilder(json).remove("kind").build();
        if (kind.equals("\"set-value\"")) {
            RawValue raw = SET.read(rest, "");
            Property<?> property = property(shot, raw.layer, raw.property);
            Object value = codec(property.kind()).read(raw.value, "value");
            return new KeyEdits.SetValue(raw.layer, raw.property, raw.frame, value, raw.key);
        }
        if (kind.equals("\"paste-keys\"")) {
            RawPaste raw = PASTE.read(rest, "");
            return new KeyEdits.PasteKeys(tracks(raw, shot), raw.layers, raw.frame);
        }
        if (kind.equals("\"several\"") && rest.get("edits") instanceof JsonArray edits) {
            return new Several(edits.getValuesAs(JsonValue.class).stream()
                    .map(e -> read(Codecs.object(e, "edits"), shot))
                    .toList());
        }
        return EDIT.read(json, "");
    }

    /** The values of a track have the type of the property of that name on the layer that it is put on. */
    private static List<KeyEdits.Track> tracks(RawPaste raw, Shot shot) {
        List<KeyEdits.Track> tracks = new ArrayList<>();
        if (raw.layers.isEmpty()) {
            throw new BadDocument("layers", "choose the layers that the keys are to be put on.");
        }
        for (RawTrack t : raw.tracks) {
            String onto = raw.layers.get(Math.max(0, Math.min(raw.layers.size() - 1, t.source)));
            Property<?> property = property(shot, onto, t.property);
            tracks.add(new KeyEdits.Track(t.source, t.property, keys(codec(property.kind()), t.keys)));
        }
        return tracks;
    }

    private static <T> List<Key<?>> keys(Codec<T> values, JsonValue json) {
        return List.copyOf(Codecs.list(TimeCodecs.key(values)).read(json, "keys"));
    }

    private static Property<?> property(Shot shot, String layer, String name) {
        Layer found = shot.layer(layer)
                .orElseThrow(() -> new BadDocument("layer", "there is no layer '" + layer + "' in this shot."));
        return Property.named(found, name);
    }

    /** The codec of a property's values. */
    @SuppressWarnings("unchecked") // A property's values are of its kind.
    static <T> Codec<T> codec(Property<T> property) {
        return (Codec<T>) codec(property.kind());
    }

    private static Codec<?> codec(Property.Kind kind) {
        return switch (kind) {
            case NUMBER -> Codecs.NUMBER;
            case POINT -> TimeCodecs.POINT;
            case COLOUR -> TimeCodecs.COLOUR;
            case PATH -> TimeCodecs.PATH;
            case CURVE -> TimeCodecs.CURVE;
        };
    }

    /** A property's value at a frame of the layer's own time, as JSON. */
    public static <T> JsonValue write(Property<T> property, T value) {
        return codec(property).write(value);
    }

    private static Codec<Edit> edits() {
        Map<Type, Codec<?>> types = new LinkedHashMap<>();
        types.put(Point.class, TimeCodecs.POINT);
        types.put(BezierPath.class, TimeCodecs.PATH);
        types.put(Ease.class, TimeCodecs.EASE);
        types.put(Layer.class, ShotJson.LAYER);
        types.put(Content.class, ShotJson.CONTENT);
        types.put(Format.class, ShotJson.FORMAT);
        types.put(Shutter.class, ShotJson.SHUTTER);
        types.put(Passage.class, ShotJson.PASSAGE);
        types.put(LetterLook.class, ShotJson.LETTER_LOOK);
        types.put(KeyEdits.KeyName.class, new RecordCodec(Map.of()).of(KeyEdits.KeyName.class, Map.of()));
        types.put(Snap.Guides.class, new RecordCodec(Map.of()).of(Snap.Guides.class, Map.of()));
        types.put(Colour.class, TimeCodecs.COLOUR);
        types.put(DrawingEdits.Place.class, new RecordCodec(types).of(DrawingEdits.Place.class, Map.of("time", 0.0)));
        types.put(InkEdits.Place.class, new RecordCodec(types).of(InkEdits.Place.class, Map.of()));
        Map<Type, Codec<?>> opening = new LinkedHashMap<>(types);
        opening.put(AnimatedRecipe.class, ShotJson.OPENING);
        types.put(TrackPath.class, TrackCodec.PATH);
        types.put(CutOut.Carried.class, CutOutCodec.CARRIED);
        types.put(Recipe.class, TimeCodecs.SIGNAL);
        RecordCodec records = new RecordCodec(types);

        Kinds kinds = new Kinds(records);
        kinds.put(
                "move",
                PlaceEdits.Move.class,
                Map.of("snap", false, "guides", Snap.Guides.NONE, "stance", PlaceEdits.Stance.REST));
        kinds.put("scale", PlaceEdits.Scale.class, Map.of("even", true, "stance", PlaceEdits.Stance.REST));
        kinds.put("turn", PlaceEdits.Turn.class, Map.of("steps", false, "stance", PlaceEdits.Stance.REST));
        kinds.put("move-together", TogetherEdits.Move.class, Map.of("snap", false, "guides", Snap.Guides.NONE));
        kinds.put("scale-together", TogetherEdits.Scale.class, Map.of("even", true, "each", false));
        kinds.put("turn-together", TogetherEdits.Turn.class, Map.of("steps", false, "each", false));
        kinds.put("align", TogetherEdits.Align.class, Map.of("to", TogetherEdits.Frame.EACH_OTHER));
        kinds.put("distribute", TogetherEdits.Distribute.class, Map.of("to", TogetherEdits.Frame.EACH_OTHER));
        kinds.put("move-anchor", PlaceEdits.MoveAnchor.class, Map.of());
        kinds.put("move-path", PlaceEdits.MovePath.class, Map.of("both", false));
        kinds.put("fit", PlaceEdits.Fit.class, Map.of("cover", false));
        kinds.put("set-part", KeyEdits.SetPart.class, Map.of("key", false));
        kinds.put("add-key", KeyEdits.AddKey.class, Map.of());
        kinds.put("remove-keys", KeyEdits.RemoveKeys.class, Map.of());
        kinds.put("move-keys", KeyEdits.MoveKeys.class, Map.of());
        kinds.put("reverse-keys", KeyEdits.ReverseKeys.class, Map.of());
        kinds.put("stretch-keys", KeyEdits.StretchKeys.class, Map.of());
        kinds.put(
                "set-ease", KeyEdits.SetEase.class, Map.of("side", KeyEdits.Side.LEAVING, "half", KeyEdits.Half.BOTH));
        kinds.put("set-loose", KeyEdits.SetLoose.class, Map.of());
        kinds.put("set-beyond", KeyEdits.SetBeyond.class, Map.of());
        kinds.put("set-signals", KeyEdits.SetSignals.class, Map.of());
        kinds.put("unpack", KeyEdits.Unpack.class, Map.of());
        kinds.put("add", LayerEdits.Add.class, Map.of());
        kinds.put("delete", LayerEdits.Delete.class, Map.of());
        kinds.put("replace", ReplaceEdits.ByContent.class, Map.of());
        kinds.put("replace-by-layer", ReplaceEdits.ByLayer.class, Map.of());
        kinds.put("paste-layers", LayerEdits.Paste.class, Map.of());
        kinds.put("duplicate", LayerEdits.Duplicate.class, Map.of());
        kinds.put("reorder", LayerEdits.Reorder.class, Map.of());
        kinds.put("group", LayerEdits.Group.class, Map.of());
        kinds.put("use-again", LayerEdits.UseAgain.class, Map.of());
        kinds.put("take-apart", TakeApart.class, Map.of("unit", Opened.Unit.LETTERS));
        kinds.put("ungroup", GroupEdits.Ungroup.class, Map.of());
        kinds.put("move-to", GroupEdits.MoveTo.class, Map.of());
        kinds.put("set-parent", GroupEdits.SetParent.class, Map.of());
        kinds.put("add-track", TrackEdits.Add.class, Map.of());
        kinds.put("move-mark", TrackEdits.MoveMark.class, Map.of());
        kinds.put("set-step", TrackEdits.SetStep.class, Map.of());
        kinds.put("set-track-path", TrackEdits.SetPath.class, Map.of());
        kinds.put("remove-track", TrackEdits.Remove.class, Map.of());
        kinds.put("set-pin", TrackEdits.SetPin.class, Map.of());
        kinds.put("pin-mask", TrackEdits.PinMask.class, Map.of());
        kinds.put("hold-still", TrackEdits.HoldStill.class, Map.of());
        kinds.put("reveal-behind", TrackEdits.Reveal.class, Map.of("hides", false));
        kinds.put("add-cut-out", CutOutEdits.Add.class, Map.of());
        kinds.put("brush-figure", CutOutEdits.Brush.class, Map.of());
        kinds.put("unbrush-figure", CutOutEdits.Unbrush.class, Map.of());
        kinds.put("set-carried", CutOutEdits.SetCarried.class, Map.of());
        kinds.put("put-behind", CutOutEdits.PutBehind.class, Map.of());
        kinds.put("slide", TimeEdits.Slide.class, Map.of());
        kinds.put("slip", TimeEdits.Slip.class, Map.of());
        kinds.put("trim", TimeEdits.Trim.class, Map.of());
        kinds.put("split", TimeEdits.Split.class, Map.of());
        kinds.put("stagger", TimeEdits.Stagger.class, Map.of("order", TimeEdits.Order.LIST));
        kinds.put("stretch", TimeEdits.Stretch.class, Map.of());
        kinds.put("freeze", TimeEdits.Freeze.class, Map.of());
        kinds.put("settings", Settings.class, Map.of());
        kinds.put("relength", TimeEdits.Relength.class, Map.of());
        kinds.put("set-passage", PassageEdits.SetPassage.class, Map.of());
        kinds.put("remove-passage", PassageEdits.Remove.class, Map.of());
        kinds.put("unpack-passage", PassageEdits.Unpack.class, Map.of());
        Kinds openings = new Kinds(new RecordCodec(opening), kinds.all);
        openings.put("set-opening", PassageEdits.SetOpening.class, Map.of());
        openings.put("make-pass", PassEdits.Make.class, Map.of());
        kinds.put("set-pass-length", PassEdits.SetLength.class, Map.of());
        kinds.put("remove-pass", PassEdits.Remove.class, Map.of());
        kinds.put("copy-parts", LookEdits.CopyParts.class, Map.of());
        kinds.put("remove-parts", LookEdits.RemoveParts.class, Map.of());
        Map<String, ?> figure =
                Map.of("shape", Figure.RECTANGLE, "points", 5, "inner", 0.5, "roundness", 0.0, "innerRoundness", 0.0);
        kinds.put("add-mask", MaskEdits.Add.class, figure);
        kinds.put("add-shape", ShapeEdits.Add.class, figure);
        kinds.put("draw-shape", ShapeEdits.Draw.class, Map.of());
        kinds.put("frame-round", ShapeEdits.FrameRound.class, Map.of("margin", 24.0, "radius", 0.0));
        kinds.put("text-to-shape", ShapeEdits.TextToShape.class, Map.of());
        kinds.put("set-words", TextEdits.SetWords.class, Map.of());
        kinds.put("style-letters", TextEdits.StyleLetters.class, Map.of());
        kinds.put("plain-letters", TextEdits.PlainLetters.class, Map.of());
        kinds.put("move-handle", EffectEdits.MoveHandle.class, Map.of("key", false));
        kinds.put("set-paint", GradientEdits.SetForm.class, Map.of());
        kinds.put("add-stop", GradientEdits.AddStop.class, Map.of());
        kinds.put("remove-stop", GradientEdits.RemoveStop.class, Map.of());
        kinds.put("move-gradient", GradientEdits.MoveEnd.class, Map.of("key", false));
        kinds.put("draw-mask", MaskEdits.Draw.class, Map.of());
        kinds.put("letters-to-masks", MaskEdits.OfLetters.class, Map.of());
        kinds.put("set-mask-lock", MaskEdits.SetLock.class, Map.of());
        kinds.put("move-point", PathEdits.MovePoint.class, Map.of("part", PathEdits.Part.AT, "both", false));
        kinds.put("move-points", PathEdits.MovePoints.class, Map.of("points", List.of()));
        kinds.put("scale-points", PathEdits.ScalePoints.class, Map.of("points", List.of(), "even", true));
        kinds.put("turn-points", PathEdits.TurnPoints.class, Map.of("points", List.of(), "steps", false));
        kinds.put("add-point", PathEdits.AddPoint.class, Map.of("here", false));
        kinds.put("remove-points", PathEdits.RemovePoints.class, Map.of("here", false));
        kinds.put("set-smooth", PathEdits.SetSmooth.class, Map.of("points", List.of()));
        kinds.put("bend", PathEdits.Bend.class, Map.of());
        kinds.put("feather-points", PathEdits.FeatherPoints.class, Map.of("points", List.of()));
        kinds.put("start-at", PathEdits.StartAt.class, Map.of());
        kinds.put("set-closed", PathEdits.SetClosed.class, Map.of("point", 0));
        kinds.put("reverse-path", PathEdits.Reverse.class, Map.of());
        kinds.put("trace", TraceEdits.Add.class, Map.of("along", Content.Along.SHAPE));
        kinds.put("draw-outline", TraceEdits.DrawOn.class, Map.of("along", Content.Along.SHAPE));
        kinds.put("trace-to-shape", TraceEdits.ToShape.class, Map.of());
        kinds.put(
                "draw-line",
                DrawingEdits.Draw.class,
                Map.of("every", 1, "nib", PenLine.Nib.ROUND, "angle", 0.0, "smooth", 0.0, "pause", 0.0));
        kinds.put("remove-line", DrawingEdits.RemoveLine.class, Map.of("every", 1));
        kinds.put("rub-out", DrawingEdits.Rub.class, Map.of("every", 1, "rubs", DrawingEdits.Rubs.ALL));
        kinds.put("erase-backwards", DrawingEdits.EraseBackwards.class, Map.of("every", 1));
        kinds.put("reverse-drawings", DrawingEdits.Reverse.class, Map.of());
        kinds.put("retime-drawings", DrawingEdits.Retime.class, Map.of());
        kinds.put("hold-drawing", DrawingEdits.Hold.class, Map.of());
        kinds.put("remove-drawing", DrawingEdits.Remove.class, Map.of());
        kinds.put("copy-drawing", DrawingEdits.Copy.class, Map.of());
        kinds.put("play-drawing", DrawingEdits.Play.class, Map.of());
        kinds.put("find-strokes", InkEdits.Find.class, Map.of());
        kinds.put("fit-strokes", InkEdits.Fit.class, Map.of());
        kinds.put("draw-stroke", InkEdits.Draw.class, Map.of("instead", Optional.empty()));
        kinds.put("reverse-strokes", InkEdits.Reverse.class, Map.of());
        kinds.put("smooth-strokes", InkEdits.Smooth.class, Map.of("deviation", 12.0));
        kinds.put("join-strokes", InkEdits.Join.class, Map.of());
        kinds.put("split-stroke", InkEdits.Split.class, Map.of());
        return Codecs.union(kinds.all);
    }

    /** Kinds of edits by their names. */
    private record Kinds(RecordCodec records, Map<String, Codecs.Kind<? extends Edit>> all) {
        Kinds(RecordCodec records) {
            this(records, new LinkedHashMap<>());
        }

        <T extends Record & Edit> void put(String kind, Class<T> type, Map<String, ?> fallbacks) {
            all.put(kind, new Codecs.Kind<>(type, records.of(type, fallbacks)));
        }
    }
}
