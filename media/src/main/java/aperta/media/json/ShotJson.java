package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Point;
import aperta.core.opening.Opening;
import aperta.core.opening.Openings;
import aperta.core.opening.Window;
import aperta.core.opening.Windows;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Ink;
import aperta.core.shot.Join;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.shot.Light;
import aperta.core.shot.Marker;
import aperta.core.shot.Mask;
import aperta.core.shot.Pace;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.PenLine;
import aperta.core.shot.Pin;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Range;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import aperta.core.shot.Span;
import aperta.core.shot.Stroke;
import aperta.core.shot.TrackPath;
import aperta.core.texture.Texture;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import jakarta.json.JsonArray;
import jakarta.json.JsonException;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonReader;
import jakarta.json.JsonValue;
import jakarta.json.stream.JsonLocation;
import jakarta.json.stream.JsonParsingException;
import java.io.StringReader;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;

/** Shots as JSON. What is written has every field; what is read may leave out those with a default. */
public final class ShotJson {
    /** Groups lie in one another at most as deep as the rules say; each takes three levels. */
    private static final int DEEPEST = 128;

    static final Defined<Animated<Double>> NUMBERS = new Defined<>("number", TimeCodecs.animated(Codecs.NUMBER));
    static final Defined<Animated<Point>> POINTS = new Defined<>("point", TimeCodecs.animated(TimeCodecs.POINT));
    static final Defined<Animated<Colour>> COLOURS = new Defined<>("colour", TimeCodecs.animated(TimeCodecs.COLOUR));
    static final Defined<Animated<ToneCurve>> CURVES = new Defined<>("curve", TimeCodecs.animated(TimeCodecs.CURVE));
    static final Defined<Animated<BezierPath>> PATHS = new Defined<>("path", TimeCodecs.animated(TimeCodecs.PATH));
    static final Codec<Format> FORMAT = format();
    static final Codec<Shutter> SHUTTER = shutter();
    static final Codec<AnimatedRecipe> OPENING = new AnimatedRecipeCodec(
            Openings.all().stream().map(Opening::descriptor).toList());
    static final Codec<AnimatedRecipe> WINDOW = new AnimatedRecipeCodec(
            Windows.all().stream().map(Window::descriptor).toList());
    static final Codec<AnimatedRecipe> TEXTURE = new AnimatedRecipeCodec(
            Textures.all().stream().map(Texture::descriptor).toList());
    static final Codec<AnimatedRecipe> EFFECT = new AnimatedRecipeCodec(
            Effects.all().stream().map(Effect::descriptor).toList(), true);
    static final Defined<Passage> PASSAGE = new Defined<>("passage", passage());
    static final Defined<Paint> PAINT = new Defined<>("paint", paint());
    static final Defined<Paint> COLOUR_OR_GRADIENT = new Defined<>("colourOrGradient", colourOrGradient());
    static final Defined<LetterLook> LETTER_LOOK = new Defined<>("letterLook", letterLook());
    static final Codec<List<LayerEffect>> EFFECTS = Codecs.list(effect());
    static final Codec<Content> CONTENT = content();
    static final Defined<Layer> LAYER = new Defined<>("layer", layer());
    private static final List<Defined<?>> DEFINITIONS = List.of(
            LAYER,
            PASSAGE,
            NUMBERS,
            POINTS,
            COLOURS,
            CURVES,
            PATHS,
            PAINT,
            COLOUR_OR_GRADIENT,
            LETTER_LOOK,
            TimeCodecs.KNOTS,
            TimeCodecs.EASE,
            TimeCodecs.SIGNAL);
    private static final Codec<Shot> SHOT = shot();

    private ShotJson() {}

    /**
     * Reads a sound shot.
     *
     * @throws BadDocument where the text isn't JSON, isn't a shot, or the shot breaks a rule
     */
    public static Shot read(String json) {
        return read(parse(json));
    }

    /** The same from a document that has been parsed. */
    public static Shot read(JsonValue json) {
        Shot shot = SHOT.read(json, "");
        List<String> broken = Rules.broken(shot);
        if (!broken.isEmpty()) {
            throw new BadDocument("", broken.get(0));
        }
        return shot;
    }

    public static JsonObject write(Shot shot) {
        return SHOT.write(shot).asJsonObject();
    }

    /** Where marks were found, by itself. */
    public static String writePath(TrackPath path) {
        return TrackCodec.PATH.write(path).toString();
    }

    /** @throws IllegalArgumentException where it isn't one */
    public static TrackPath readPath(String json) {
        return TrackCodec.PATH.read(parse(json), "");
    }

    /**
     * Reads an object.
     *
     * @throws BadDocument with a plain sentence where it isn't one
     */
    public static JsonObject parse(String json) {
        if (depth(json) > DEEPEST) {
            throw new BadDocument("", "The document is nested more than " + DEEPEST + " deep.");
        }
        try (JsonReader reader = JSON.createReader(new StringReader(json))) {
            return reader.readObject();
        } catch (JsonParsingException e) {
            JsonLocation at = e.getLocation();
            throw new BadDocument(
                    "",
                    "This is not a JSON object: it goes wrong in line " + at.getLineNumber() + ", column "
                            + at.getColumnNumber() + ".");
        } catch (JsonException | IllegalStateException e) {
            throw new BadDocument("", "This is not a JSON object.");
        }
    }

    /** How deep brackets lie in one another, those in texts aside. */
    private static int depth(String json) {
        int depth = 0;
        int most = 0;
        boolean text = false;
        for (int i = 0; i < json.length(); i++) {
            char c = json.charAt(i);
            if (text) {
                i += c == '\\' ? 1 : 0;
                text = c != '"';
            } else if (c == '"') {
                text = true;
            } else if (c == '{' || c == '[') {
                most = Math.max(most, ++depth);
            } else if (c == '}' || c == ']') {
                depth--;
            }
        }
        return most;
    }

    /** The JSON Schema of a shot. */
    public static JsonObject schema() {
        JsonObjectBuilder definitions = JSON.createObjectBuilder();
        DEFINITIONS.forEach(d -> definitions.add(d.name(), d.codec().schema()));
        return JSON.createObjectBuilder()
                .add("$schema", "https://json-schema.org/draft/2020-12/schema")
                .add("title", "A title shot of Aperta")
                .addAll(JSON.createObjectBuilder(SHOT.schema()))
                .add("$defs", definitions)
                .build();
    }

    private static Codec<Shot> shot() {
        ObjectCodec<Shot> o = new ObjectCodec<>();
        var name = o.field("name", Codecs.TEXT, Shot::name);
        var format = o.field("format", FORMAT, Shot::format);
        var length = o.field("length", Codecs.WHOLE, Shot::length);
        var layers = o.field("layers", Codecs.list(deferredLayer()), Shot::layers);
        var markers = o.field("markers", Codecs.list(marker()), Shot::markers, List.of());
        var work = o.field("work", Codecs.optional(range()), Shot::work, Optional.empty());
        var shutter = o.field("shutter", SHUTTER, Shot::shutter, Shutter.HALF);
        var accepted = o.field("accepted", Codecs.list(accepted()), Shot::accepted, List.of());
        return o.making(r -> new Shot(
                r.get(name),
                r.get(format),
                r.get(length),
                r.get(layers),
                r.get(markers),
                r.get(work),
                r.get(shutter),
                r.get(accepted)));
    }

    private static Codec<Shot.Accepted> accepted() {
        ObjectCodec<Shot.Accepted> o = new ObjectCodec<>();
        var check = o.field("check", Codecs.TEXT, Shot.Accepted::check);
        var layer = o.field("layer", Codecs.TEXT, Shot.Accepted::layer, "");
        var note = o.field("note", Codecs.TEXT, Shot.Accepted::note, "");
        return o.making(r -> new Shot.Accepted(r.get(check), r.get(layer), r.get(note)));
    }

    private static Codec<Format> format() {
        ObjectCodec<Format> f = new ObjectCodec<>();
        var width = f.field("width", Codecs.WHOLE, s -> (long) s.width());
        var height = f.field("height", Codecs.WHOLE, s -> (long) s.height());
        var rate = f.field("rate", TimeCodecs.RATE, Format::rate);
        var light = f.field("light", Codecs.choice(Light.class), Format::light, Light.DISPLAY);
        return f.making(r -> new Format(side(r.get(width)), side(r.get(height)), r.get(rate), r.get(light)));
    }

    private static Codec<Marker> marker() {
        ObjectCodec<Marker> o = new ObjectCodec<>();
        var at = o.field("at", Codecs.WHOLE, Marker::at);
        var name = o.field("name", Codecs.TEXT, Marker::name);
        return o.making(r -> new Marker(r.get(at), r.get(name)));
    }

    private static Codec<Range> range() {
        ObjectCodec<Range> o = new ObjectCodec<>();
        var from = o.field("from", Codecs.WHOLE, Range::from);
        var to = o.field("to", Codecs.WHOLE, Range::to);
        return o.making(r -> new Range(r.get(from), r.get(to)));
    }

    private static Codec<Shutter> shutter() {
        ObjectCodec<Shutter> o = new ObjectCodec<>();
        var angle = o.field("angle", Codecs.NUMBER, Shutter::angle);
        var phase = o.field("phase", Codecs.NUMBER, Shutter::phase, 0.0);
        return o.making(r -> new Shutter(r.get(angle), r.get(phase)));
    }

    private static Codec<Pace> pace() {
        ObjectCodec<Pace> o = new ObjectCodec<>();
        var speed = o.field("speed", Codecs.NUMBER, Pace::speed, 1.0);
        var reversed = o.field("reversed", Codecs.TRUTH, Pace::reversed, false);
        var hold = o.field("hold", Codecs.WHOLE, Pace::hold, 1L);
        var freeze = o.field("freeze", Codecs.optional(Codecs.WHOLE), Pace::freeze, Optional.empty());
        var mixed = o.field("mixed", Codecs.TRUTH, Pace::mixed, false);
        return o.making(r -> new Pace(r.get(speed), r.get(reversed), r.get(hold), r.get(freeze), r.get(mixed)));
    }

    /**
     * Reads an arrival or departure by itself.
     *
     * @throws BadDocument where it isn't one
     */
    public static Passage readPassage(JsonObject json) {
        return PASSAGE.read(json, "passage");
    }

    /** The effects of a layer, as they are written in it. */
    public static List<LayerEffect> readEffects(JsonArray effects) {
        return EFFECTS.read(effects, "effects");
    }

    public static JsonValue writeEffects(List<LayerEffect> effects) {
        return EFFECTS.write(effects);
    }

    /**
     * Reads layers by themselves.
     *
     * @throws BadDocument where they aren't a list of layers
     */
    public static List<Layer> readLayers(JsonValue json) {
        return Codecs.list(LAYER).read(json == null ? JsonValue.NULL : json, "layers");
    }

    /** Layers by themselves. */
    public static JsonArray write(List<Layer> layers) {
        return Codecs.list(LAYER).write(layers).asJsonArray();
    }

    /** An arrival or departure by itself. */
    public static JsonObject write(Passage passage) {
        return PASSAGE.write(passage).asJsonObject();
    }

    private static Codec<Passage> passage() {
        ObjectCodec<Passage> o = new ObjectCodec<>();
        var length = o.field("length", Codecs.WHOLE, Passage::length);
        var delay = o.field("delay", Codecs.WHOLE, Passage::delay, 0L);
        var ease = o.field("ease", TimeCodecs.EASE, Passage::ease, Ease.EASE);
        var pose = o.field("pose", pose(), Passage::pose, Pose.REST);
        var opening = o.field("opening", Codecs.optional(OPENING), Passage::opening, Optional.empty());
        var pass = o.field("pass", Codecs.optional(pass()), Passage::pass, Optional.empty());
        return o.making(
                r -> new Passage(r.get(length), r.get(delay), r.get(ease), r.get(pose), r.get(opening), r.get(pass)));
    }

    private static Codec<Passage.Pass> pass() {
        ObjectCodec<Passage.Pass> o = new ObjectCodec<>();
        var from = o.field("from", Codecs.TEXT, Passage.Pass::from);
        var before = o.field("before", Codecs.WHOLE, Passage.Pass::before, 0L);
        return o.making(r -> new Passage.Pass(r.get(from), r.get(before)));
    }

    private static Codec<Pose> pose() {
        ObjectCodec<Pose> o = new ObjectCodec<>();
        var shift = o.field("shift", TimeCodecs.POINT, Pose::shift, Pose.REST.shift());
        var scale = o.field("scale", TimeCodecs.POINT, Pose::scale, Pose.REST.scale());
        var turn = o.field("turn", Codecs.NUMBER, Pose::turn, 0.0);
        var opacity = o.field("opacity", Codecs.NUMBER, Pose::opacity, 1.0);
        var blur = o.field("blur", Codecs.NUMBER, Pose::blur, 0.0);
        var tracking = o.field("tracking", Codecs.NUMBER, Pose::tracking, 0.0);
        return o.making(
                r -> new Pose(r.get(shift), r.get(scale), r.get(turn), r.get(opacity), r.get(blur), r.get(tracking)));
    }

    /** Sides beyond an int are as much too large as any other; the format says so. */
    private static int side(long v) {
        return (int) Math.max(-1, Math.min(Integer.MAX_VALUE, v));
    }

    /** Layers hold layers: the codec isn't there yet while it is being made, and the schema refers to itself. */
    private static Codec<Layer> deferredLayer() {
        return Codecs.of(
                (v, where) -> LAYER.read(v, where),
                l -> LAYER.write(l),
                JSON.createObjectBuilder().add("$ref", "#/$defs/layer").build());
    }

    private static Codec<Layer> layer() {
        ObjectCodec<Layer> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, Layer::id);
        var name = o.field("name", Codecs.TEXT, Layer::name);
        var content = o.field("content", CONTENT, Layer::content);
        var span = o.field("span", span(), Layer::span);
        var pace = o.field("pace", pace(), Layer::pace, Pace.EVEN);
        var place = o.field("place", place(), Layer::place);
        var parent = o.field("parent", Codecs.optional(Codecs.TEXT), Layer::parent, Optional.empty());
        var pinned = o.field("pinned", Codecs.optional(Codecs.TEXT), Layer::pinned, Optional.empty());
        var masks = o.field("masks", Codecs.list(mask()), Layer::masks, List.of());
        var windows = o.field("windows", Codecs.list(WINDOW), Layer::windows, List.of());
        var ink = o.field("ink", Codecs.optional(ink()), Layer::ink, Optional.empty());
        var effects = o.field("effects", EFFECTS, Layer::effects, List.of());
        var cut = o.field("cut", Codecs.optional(cut()), Layer::cut, Optional.empty());
        var join = o.field("join", Codecs.choice(Join.class), Layer::join, Join.OVER);
        var alsoShown = o.field("alsoShown", Codecs.TRUTH, Layer::alsoShown, false);
        var arrive = o.field("arrive", Codecs.optional(PASSAGE), Layer::arrive, Optional.empty());
        var leave = o.field("leave", Codecs.optional(PASSAGE), Layer::leave, Optional.empty());
        var blend = o.field("blend", Codecs.choice(BlendMode.class), Layer::blend, BlendMode.NORMAL);
        var motionBlur = o.field("motionBlur", Codecs.TRUTH, Layer::motionBlur, false);
        var hidden = o.field("hidden", Codecs.TRUTH, Layer::hidden, false);
        var solo = o.field("solo", Codecs.TRUTH, Layer::solo, false);
        var locked = o.field("locked", Codecs.TRUTH, Layer::locked, false);
        return o.making(r -> new Layer(
                r.get(id),
                r.get(name),
                r.get(content),
                r.get(span),
                r.get(pace),
                r.get(place),
                r.get(parent),
                r.get(pinned),
                r.get(masks),
                r.get(windows),
                r.get(ink),
                r.get(effects),
                r.get(cut),
                r.get(join),
                r.get(alsoShown),
                r.get(arrive),
                r.get(leave),
                r.get(blend),
                r.get(motionBlur),
                r.get(hidden),
                r.get(solo),
                r.get(locked)));
    }

    private static Codec<Span> span() {
        ObjectCodec<Span> o = new ObjectCodec<>();
        var in = o.field("in", Codecs.WHOLE, Span::in);
        var length = o.field("length", Codecs.WHOLE, Span::length);
        var offset = o.field("offset", Codecs.WHOLE, Span::offset, 0L);
        return o.making(r -> new Span(r.get(in), r.get(length), r.get(offset)));
    }

    private static Codec<Place> place() {
        ObjectCodec<Place> o = new ObjectCodec<>();
        var anchor = o.field("anchor", POINTS, Place::anchor, Animated.of(Point.ORIGIN));
        var position = o.field("position", POINTS, Place::position);
        var scale = o.field("scale", POINTS, Place::scale, Animated.of(new Point(1, 1)));
        var rotation = o.field("rotation", NUMBERS, Place::rotation, Animated.of(0.0));
        var opacity = o.field("opacity", NUMBERS, Place::opacity, Animated.of(1.0));
        var blur = o.field("blur", NUMBERS, Place::blur, Animated.of(0.0));
        return o.making(r ->
                new Place(r.get(anchor), r.get(position), r.get(scale), r.get(rotation), r.get(opacity), r.get(blur)));
    }

    private static Codec<LayerEffect> effect() {
        ObjectCodec<LayerEffect.Where> w = new ObjectCodec<>();
        var by = w.field("by", Codecs.TEXT, LayerEffect.Where::by);
        var with = w.field("with", Codecs.choice(Cut.With.class), LayerEffect.Where::with, Cut.With.SHAPE);
        var keep = w.field("keep", Codecs.choice(Cut.Keep.class), LayerEffect.Where::keep, Cut.Keep.INSIDE);
        w.making(r -> new LayerEffect.Where(r.get(by), r.get(with), r.get(keep)));

        ObjectCodec<LayerEffect> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, LayerEffect::id);
        var recipe = o.field("effect", EFFECT, LayerEffect::recipe);
        var station = o.field(
                "station",
                Codecs.choice(LayerEffect.Station.class),
                LayerEffect::station,
                LayerEffect.Station.BEFORE_CUT);
        var on = o.field("on", Codecs.TRUTH, LayerEffect::on, true);
        var amount = o.field("amount", NUMBERS, LayerEffect::amount, Animated.of(1.0));
        var where = o.field("where", Codecs.optional(w), LayerEffect::where, Optional.empty());
        ObjectCodec<LayerEffect.Near> n = new ObjectCodec<>();
        var lead = n.field("lead", Codecs.NUMBER, LayerEffect.Near::lead, 0.0);
        var ahead = n.field("ahead", Codecs.NUMBER, LayerEffect.Near::ahead);
        var behind = n.field("behind", Codecs.NUMBER, LayerEffect.Near::behind);
        n.making(r -> new LayerEffect.Near(r.get(lead), r.get(ahead), r.get(behind)));
        var near = o.field("near", Codecs.optional(n), LayerEffect::near, Optional.empty());
        var border = o.field(
                "border",
                Codecs.optional(Codecs.choice(LayerEffect.Border.class)),
                LayerEffect::border,
                Optional.empty());
        return o.making(r -> new LayerEffect(
                r.get(id),
                r.get(recipe),
                r.get(station),
                r.get(on),
                r.get(amount),
                r.get(where),
                r.get(near),
                r.get(border)));
    }

    private static Codec<Ink> ink() {
        ObjectCodec<Stroke.Time> t = new ObjectCodec<>();
        var from = t.field("from", Codecs.NUMBER, Stroke.Time::from);
        var to = t.field("to", Codecs.NUMBER, Stroke.Time::to);
        Codec<Stroke.Time> times = t.making(r -> new Stroke.Time(r.get(from), r.get(to)));
        ObjectCodec<Stroke> s = new ObjectCodec<>();
        var id = s.field("id", Codecs.TEXT, Stroke::id);
        var path = s.field("path", PATHS, Stroke::path);
        var begins = s.field("begins", Codecs.choice(Stroke.Begins.class), Stroke::begins, Stroke.Begins.STROKE);
        var time = s.field("time", Codecs.optional(times), Stroke::time, Optional.empty());
        Codec<Stroke> stroke = s.making(r -> new Stroke(r.get(id), r.get(path), r.get(begins), r.get(time)));
        ObjectCodec<Ink> o = new ObjectCodec<>();
        var words = o.field("words", Codecs.TEXT, Ink::words, "");
        var font = o.field("font", Codecs.TEXT, Ink::font, "");
        var size = o.field("size", Codecs.NUMBER, Ink::size, 1.0);
        var strokes = o.field("strokes", Codecs.list(stroke), Ink::strokes);
        return o.making(r -> new Ink(r.get(words), r.get(font), r.get(size), r.get(strokes)));
    }

    private static Codec<Mask> mask() {
        ObjectCodec<Mask> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, Mask::id);
        var name = o.field("name", Codecs.TEXT, Mask::name);
        var path = o.field("path", PATHS, Mask::path);
        var feather = o.field("feather", NUMBERS, Mask::feather, Animated.of(0.0));
        var outset = o.field("outset", NUMBERS, Mask::outset, Animated.of(0.0));
        var opacity = o.field("opacity", NUMBERS, Mask::opacity, Animated.of(1.0));
        var inverted = o.field("inverted", Codecs.TRUTH, Mask::inverted, false);
        var mode = o.field("mode", Codecs.choice(Mask.Mode.class), Mask::mode, Mask.Mode.ADD);
        var lock = o.field("lock", Codecs.choice(Mask.Lock.class), Mask::lock, Mask.Lock.LAYER);
        var pin = o.field("pin", Codecs.optional(pin()), Mask::pin, Optional.empty());
        return o.making(r -> new Mask(
                r.get(id),
                r.get(name),
                r.get(path),
                r.get(feather),
                r.get(outset),
                r.get(opacity),
                r.get(inverted),
                r.get(mode),
                r.get(lock),
                r.get(pin)));
    }

    private static Codec<Pin> pin() {
        ObjectCodec<Pin> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, Pin::layer);
        var track = o.field("track", Codecs.TEXT, Pin::track);
        return o.making(r -> new Pin(r.get(layer), r.get(track)));
    }

    private static Codec<Cut> cut() {
        ObjectCodec<Cut> o = new ObjectCodec<>();
        var by = o.field("by", Codecs.TEXT, Cut::by);
        var with = o.field("with", Codecs.choice(Cut.With.class), Cut::with, Cut.With.SHAPE);
        var keep = o.field("keep", Codecs.choice(Cut.Keep.class), Cut::keep, Cut.Keep.INSIDE);
        var tone = o.field("tone", tone(), Cut::tone, Cut.Tone.PLAIN);
        return o.making(r -> new Cut(r.get(by), r.get(with), r.get(keep), r.get(tone)));
    }

    private static Codec<Cut.Tone> tone() {
        ObjectCodec<Cut.Tone> o = new ObjectCodec<>();
        var black = o.field("black", NUMBERS, Cut.Tone::black, Animated.of(0.0));
        var white = o.field("white", NUMBERS, Cut.Tone::white, Animated.of(1.0));
        var gamma = o.field("gamma", NUMBERS, Cut.Tone::gamma, Animated.of(1.0));
        var curve = o.field("curve", TimeCodecs.CURVE, Cut.Tone::curve, ToneCurve.STRAIGHT);
        var spread = o.field("spread", NUMBERS, Cut.Tone::spread, Animated.of(0.0));
        var blur = o.field("blur", NUMBERS, Cut.Tone::blur, Animated.of(0.0));
        return o.making(
                r -> new Cut.Tone(r.get(black), r.get(white), r.get(gamma), r.get(curve), r.get(spread), r.get(blur)));
    }

    private static Codec<Content> content() {
        Map<String, Codecs.Kind<? extends Content>> kinds = new LinkedHashMap<>();
        kinds.put("text", new Codecs.Kind<>(Content.Text.class, text()));
        kinds.put("footage", new Codecs.Kind<>(Content.Footage.class, footage()));
        kinds.put("still", new Codecs.Kind<>(Content.Still.class, still()));
        kinds.put("sound", new Codecs.Kind<>(Content.Sound.class, sound()));
        kinds.put("fill", new Codecs.Kind<>(Content.Fill.class, fill()));
        kinds.put("shape", new Codecs.Kind<>(Content.Shape.class, shape()));
        kinds.put("trace", new Codecs.Kind<>(Content.Trace.class, trace()));
        kinds.put("drawings", new Codecs.Kind<>(Content.Drawings.class, drawings()));
        kinds.put("again", new Codecs.Kind<>(Content.Again.class, again()));
        kinds.put("texture", new Codecs.Kind<>(Content.Texture.class, texture()));
        kinds.put("adjustment", new Codecs.Kind<>(Content.Adjustment.class, adjustment()));
        kinds.put("shot", new Codecs.Kind<>(Content.Nested.class, nested()));
        kinds.put("group", new Codecs.Kind<>(Content.Group.class, group()));
        return Codecs.union(kinds);
    }

    private static Codec<Content.Texture> texture() {
        ObjectCodec<Content.Texture> o = new ObjectCodec<>();
        var size = o.field("size", POINTS, Content.Texture::size);
        var recipe = o.field("texture", TEXTURE, Content.Texture::recipe);
        return o.making(r -> new Content.Texture(r.get(size), r.get(recipe)));
    }

    private static Codec<Content.Adjustment> adjustment() {
        return new ObjectCodec<Content.Adjustment>().making(r -> new Content.Adjustment());
    }

    private static Codec<Content.Text> text() {
        LetterLook plain = LetterLook.plain("", 100);
        ObjectCodec<Content.Text> o = new ObjectCodec<>();
        var words = o.field("words", Codecs.TEXT, Content.Text::words);
        var font = o.field("font", Codecs.TEXT, Content.Text::font);
        var align = o.field("align", Codecs.choice(Content.Align.class), Content.Text::align, Content.Align.CENTRE);
        var kerning = o.field("kerning", Codecs.TRUTH, Content.Text::kerning, true);
        var fill = o.field(
                "fill", COLOUR_OR_GRADIENT, Content.Text::fill, plain.fill().orElseThrow());
        var edge = o.field("edge", COLOURS, Content.Text::edge, plain.edge().orElseThrow());
        Map<LetterLook.Measure, ObjectCodec.Field<Content.Text, Animated<Double>>> measures =
                new EnumMap<>(LetterLook.Measure.class);
        for (LetterLook.Measure m : LetterLook.Measure.values()) {
            measures.put(
                    m,
                    m == LetterLook.Measure.SIZE
                            ? o.field(m.word(), NUMBERS, t -> t.measure(m))
                            : o.field(m.word(), NUMBERS, t -> t.measure(m), Animated.of(m.usual())));
        }
        var runs = o.field("runs", Codecs.list(letterRun()), Content.Text::runs, List.of());
        return o.making(r -> {
            Map<LetterLook.Measure, Animated<Double>> said = new EnumMap<>(LetterLook.Measure.class);
            measures.forEach((m, field) -> said.put(m, r.get(field)));
            LetterLook look =
                    new LetterLook(Optional.of(r.get(font)), said, Optional.of(r.get(fill)), Optional.of(r.get(edge)));
            return new Content.Text(r.get(words), r.get(align), r.get(kerning), look, r.get(runs));
        });
    }

    private static Codec<LetterRun> letterRun() {
        ObjectCodec<LetterRun> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, LetterRun::id);
        var from = o.field("from", Codecs.WHOLE, r -> (long) r.from());
        var to = o.field("to", Codecs.WHOLE, r -> (long) r.to());
        var look = o.field("look", LETTER_LOOK, LetterRun::look);
        return o.making(r -> new LetterRun(r.get(id), side(r.get(from)), side(r.get(to)), r.get(look)));
    }

    /** A part that isn't said is null, or left out. */
    private static Codec<LetterLook> letterLook() {
        ObjectCodec<LetterLook> o = new ObjectCodec<>();
        var font = o.field("font", Codecs.optional(Codecs.TEXT), LetterLook::font, Optional.empty());
        var fill = o.field("fill", Codecs.optional(COLOUR_OR_GRADIENT), LetterLook::fill, Optional.empty());
        var edge = o.field("edge", Codecs.optional(COLOURS), LetterLook::edge, Optional.empty());
        Map<LetterLook.Measure, ObjectCodec.Field<LetterLook, Optional<Animated<Double>>>> measures =
                new EnumMap<>(LetterLook.Measure.class);
        for (LetterLook.Measure m : LetterLook.Measure.values()) {
            measures.put(
                    m,
                    o.field(
                            m.word(),
                            Codecs.optional(NUMBERS),
                            l -> Optional.ofNullable(l.measures().get(m)),
                            Optional.empty()));
        }
        return o.making(r -> {
            Map<LetterLook.Measure, Animated<Double>> said = new EnumMap<>(LetterLook.Measure.class);
            measures.forEach((m, field) -> r.get(field).ifPresent(v -> said.put(m, v)));
            return new LetterLook(r.get(font), said, r.get(fill), r.get(edge));
        });
    }

    private static Codec<Content.Footage> footage() {
        ObjectCodec<Content.Footage> o = new ObjectCodec<>();
        var media = o.field("media", Codecs.TEXT, Content.Footage::media);
        var exposure = o.field("exposure", NUMBERS, Content.Footage::exposure, Animated.of(0.0));
        var saturation = o.field("saturation", NUMBERS, Content.Footage::saturation, Animated.of(1.0));
        var tracks = o.field("tracks", Codecs.list(TrackCodec.TRACK), Content.Footage::tracks, List.of());
        var steady = o.field("steady", Codecs.optional(Codecs.TEXT), Content.Footage::steady, Optional.empty());
        var cutOut =
                o.field("cutOut", Codecs.optional(CutOutCodec.of(tone())), Content.Footage::cutOut, Optional.empty());
        return o.making(r -> new Content.Footage(
                r.get(media), r.get(exposure), r.get(saturation), r.get(tracks), r.get(steady), r.get(cutOut)));
    }

    private static Codec<Content.Still> still() {
        ObjectCodec<Content.Still> o = new ObjectCodec<>();
        var media = o.field("media", Codecs.TEXT, Content.Still::media);
        var exposure = o.field("exposure", NUMBERS, Content.Still::exposure, Animated.of(0.0));
        var saturation = o.field("saturation", NUMBERS, Content.Still::saturation, Animated.of(1.0));
        return o.making(r -> new Content.Still(r.get(media), r.get(exposure), r.get(saturation)));
    }

    private static Codec<Content.Sound> sound() {
        ObjectCodec<Content.Sound> o = new ObjectCodec<>();
        var media = o.field("media", Codecs.TEXT, Content.Sound::media);
        var level = o.field("level", NUMBERS, Content.Sound::level, Animated.of(0.0));
        return o.making(r -> new Content.Sound(r.get(media), r.get(level)));
    }

    private static Codec<Content.Again> again() {
        ObjectCodec<Content.Again> o = new ObjectCodec<>();
        var group = o.field("group", Codecs.TEXT, Content.Again::group);
        return o.making(r -> new Content.Again(r.get(group)));
    }

    /** What the other shot is like is looked up where it is shown. */
    private static Codec<Content.Nested> nested() {
        ObjectCodec<Content.Nested> o = new ObjectCodec<>();
        var shot = o.field("shot", Codecs.TEXT, Content.Nested::shot);
        return o.making(r -> new Content.Nested(r.get(shot), Optional.empty()));
    }

    private static Codec<Content.Group> group() {
        ObjectCodec<Content.Group> o = new ObjectCodec<>();
        var layers = o.field("layers", Codecs.list(deferredLayer()), Content.Group::layers);
        return o.making(r -> new Content.Group(r.get(layers)));
    }

    private static Codec<Content.Shape> shape() {
        ObjectCodec<Content.Shape.Path> p = new ObjectCodec<>();
        var id = p.field("id", Codecs.TEXT, Content.Shape.Path::id);
        var name = p.field("name", Codecs.TEXT, Content.Shape.Path::name);
        var path = p.field("path", PATHS, Content.Shape.Path::path);
        p.making(r -> new Content.Shape.Path(r.get(id), r.get(name), r.get(path)));

        ObjectCodec<Content.Shape> o = new ObjectCodec<>();
        var paths = o.field("paths", Codecs.list(p), Content.Shape::paths);
        var coats = o.field("coats", coats(), Content.Shape::coats);
        return o.making(r -> new Content.Shape(r.get(paths), r.get(coats)));
    }

    private static Codec<Content.Trace> trace() {
        ObjectCodec<Content.Trace> o = new ObjectCodec<>();
        var of = o.field("of", Codecs.TEXT, Content.Trace::of);
        var along = o.field("along", Codecs.choice(Content.Along.class), Content.Trace::along, Content.Along.SHAPE);
        var threshold = o.field("threshold", NUMBERS, Content.Trace::threshold, Animated.of(0.5));
        var least = o.field("least", NUMBERS, Content.Trace::least, Animated.of(16.0));
        var frame = o.field("frame", Codecs.optional(Codecs.WHOLE), Content.Trace::frame, Optional.empty());
        var coats = o.field("coats", coats(), Content.Trace::coats);
        return o.making(r ->
                new Content.Trace(r.get(of), r.get(along), r.get(threshold), r.get(least), r.get(frame), r.get(coats)));
    }

    private static Codec<Content.Drawings> drawings() {
        ObjectCodec<PenLine> l = new ObjectCodec<>();
        var id = l.field("id", Codecs.TEXT, PenLine::id);
        var path = l.field("path", TimeCodecs.PATH, PenLine::path);
        var colour = l.field("colour", TimeCodecs.COLOUR, PenLine::colour);
        var nib = l.field("nib", Codecs.choice(PenLine.Nib.class), PenLine::nib, PenLine.Nib.ROUND);
        var angle = l.field("angle", Codecs.NUMBER, PenLine::angle, 0.0);
        var times = l.field("times", Codecs.list(Codecs.NUMBER), PenLine::times, List.of());
        var pause = l.field("pause", Codecs.NUMBER, PenLine::pause, 0.0);
        l.making(r -> new PenLine(
                r.get(id), r.get(path), r.get(colour), r.get(nib), r.get(angle), r.get(times), r.get(pause)));

        ObjectCodec<Content.Drawings.Part> p = new ObjectCodec<>();
        var line = p.field("line", Codecs.TEXT, Content.Drawings.Part::line);
        var from = p.field("from", Codecs.NUMBER, Content.Drawings.Part::from, 0.0);
        var to = p.field("to", Codecs.NUMBER, Content.Drawings.Part::to, 1.0);
        p.making(r -> new Content.Drawings.Part(r.get(line), r.get(from), r.get(to)));

        ObjectCodec<Content.Drawings.Drawing> d = new ObjectCodec<>();
        var at = d.field("at", Codecs.WHOLE, Content.Drawings.Drawing::at);
        var parts = d.field("parts", Codecs.list(p), Content.Drawings.Drawing::parts);
        var played = d.field("played", Codecs.TRUTH, Content.Drawings.Drawing::played, false);
        d.making(r -> new Content.Drawings.Drawing(r.get(at), r.get(parts), r.get(played)));

        ObjectCodec<Content.Drawings> o = new ObjectCodec<>();
        var lines = o.field("lines", Codecs.list(l), Content.Drawings::lines, List.of());
        var all = o.field("drawings", Codecs.list(d), Content.Drawings::drawings, List.of());
        return o.making(r -> new Content.Drawings(r.get(lines), r.get(all)));
    }

    private static Codec<List<Coat>> coats() {
        Map<String, Codecs.Kind<? extends Coat>> kinds = new LinkedHashMap<>();
        kinds.put("fill", new Codecs.Kind<>(Coat.Fill.class, coatFill()));
        kinds.put("stroke", new Codecs.Kind<>(Coat.Stroke.class, coatStroke()));
        return Codecs.list(Codecs.union(kinds));
    }

    private static Codec<Coat.Fill> coatFill() {
        ObjectCodec<Coat.Fill> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, Coat.Fill::id);
        var paint = o.field("colour", COLOUR_OR_GRADIENT, Coat.Fill::paint);
        var opacity = o.field("opacity", NUMBERS, Coat.Fill::opacity, Animated.of(1.0));
        return o.making(r -> new Coat.Fill(r.get(id), r.get(paint), r.get(opacity)));
    }

    private static Codec<Coat.Stroke> coatStroke() {
        Coat.Stroke plain = Coat.Stroke.of("", Colour.WHITE, 0);
        ObjectCodec<Coat.Stroke> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, Coat.Stroke::id);
        var paint = o.field("colour", COLOUR_OR_GRADIENT, Coat.Stroke::paint);
        var opacity = o.field("opacity", NUMBERS, Coat.Stroke::opacity, Animated.of(1.0));
        var cap = o.field("cap", Codecs.choice(Coat.Cap.class), Coat.Stroke::cap, plain.cap());
        var corner = o.field("corner", Codecs.choice(Coat.Corner.class), Coat.Stroke::corner, plain.corner());
        var dash = o.field("dash", Codecs.list(Codecs.NUMBER), Coat.Stroke::dash, List.of());
        var turns = o.field(
                "turns", Codecs.choice(Coat.Turns.class), s -> s.pacing().turns(), Coat.Turns.TOGETHER);
        var order = o.field(
                "order", Codecs.choice(Coat.Order.class), s -> s.pacing().order(), Coat.Order.DRAWN);
        var seed = o.field("seed", Codecs.WHOLE, s -> s.pacing().seed(), Coat.Pacing.TOGETHER.seed());
        var head = o.field("headColour", COLOURS, Coat.Stroke::head, plain.head());
        var rider = o.field("headLayer", Codecs.optional(rider()), Coat.Stroke::rider, Optional.empty());
        Map<Coat.Measure, ObjectCodec.Field<Coat.Stroke, Animated<Double>>> measures =
                new EnumMap<>(Coat.Measure.class);
        for (Coat.Measure m : Coat.Measure.values()) {
            measures.put(m, o.field(m.word(), NUMBERS, s -> s.measure(m), Animated.of(m.usual())));
        }
        return o.making(r -> {
            Map<Coat.Measure, Animated<Double>> said = new EnumMap<>(Coat.Measure.class);
            measures.forEach((m, field) -> said.put(m, r.get(field)));
            return new Coat.Stroke(
                    r.get(id),
                    r.get(paint),
                    r.get(opacity),
                    r.get(cap),
                    r.get(corner),
                    r.get(dash),
                    new Coat.Pacing(r.get(turns), r.get(order), r.get(seed)),
                    r.get(head),
                    r.get(rider),
                    said);
        });
    }

    private static Codec<Coat.Rider> rider() {
        ObjectCodec<Coat.Rider> o = new ObjectCodec<>();
        var layer = o.field("layer", Codecs.TEXT, Coat.Rider::layer);
        var turns = o.field("turns", Codecs.TRUTH, Coat.Rider::turns, false);
        return o.making(r -> new Coat.Rider(r.get(layer), r.get(turns)));
    }

    private static Codec<Content.Fill> fill() {
        ObjectCodec<Content.Fill> o = new ObjectCodec<>();
        var size = o.field("size", POINTS, Content.Fill::size);
        var paint = o.field("paint", PAINT, Content.Fill::paint);
        return o.making(r -> new Content.Fill(r.get(size), r.get(paint)));
    }

    private static Codec<Paint> paint() {
        ObjectCodec<Paint.Solid> solid = new ObjectCodec<>();
        var whole = solid.field("colour", COLOURS, Paint.Solid::colour);
        solid.making(r -> new Paint.Solid(r.get(whole)));

        Map<String, Codecs.Kind<? extends Paint>> kinds = new LinkedHashMap<>();
        kinds.put("solid", new Codecs.Kind<>(Paint.Solid.class, solid));
        kinds.putAll(gradients());
        return Codecs.union(kinds);
    }

    private static Map<String, Codecs.Kind<? extends Paint.Gradient>> gradients() {
        Codec<List<Paint.Stop>> stops = stops();
        ObjectCodec<Paint.Linear> linear = new ObjectCodec<>();
        var from = linear.field("from", POINTS, Paint.Linear::from);
        var to = linear.field("to", POINTS, Paint.Linear::to);
        var along = linear.field("stops", stops, Paint.Linear::stops);
        linear.making(r -> new Paint.Linear(r.get(from), r.get(to), r.get(along)));

        ObjectCodec<Paint.Radial> radial = new ObjectCodec<>();
        var centre = radial.field("centre", POINTS, Paint.Radial::centre);
        var radius = radial.field("radius", NUMBERS, Paint.Radial::radius);
        var outwards = radial.field("stops", stops, Paint.Radial::stops);
        radial.making(r -> new Paint.Radial(r.get(centre), r.get(radius), r.get(outwards)));

        ObjectCodec<Paint.Conic> conic = new ObjectCodec<>();
        var middle = conic.field("centre", POINTS, Paint.Conic::centre);
        var angle = conic.field("angle", NUMBERS, Paint.Conic::angle, Animated.of(0.0));
        var round = conic.field("stops", stops, Paint.Conic::stops);
        conic.making(r -> new Paint.Conic(r.get(middle), r.get(angle), r.get(round)));

        Map<String, Codecs.Kind<? extends Paint.Gradient>> kinds = new LinkedHashMap<>();
        kinds.put("linear", new Codecs.Kind<>(Paint.Linear.class, linear));
        kinds.put("radial", new Codecs.Kind<>(Paint.Radial.class, radial));
        kinds.put("conic", new Codecs.Kind<>(Paint.Conic.class, conic));
        return kinds;
    }

    /** A stop without an id has one by its place in the list. */
    private static Codec<List<Paint.Stop>> stops() {
        ObjectCodec<Paint.Stop> s = new ObjectCodec<>();
        var id = s.field("id", Codecs.TEXT, Paint.Stop::id, "");
        var at = s.field("at", NUMBERS, Paint.Stop::at);
        var colour = s.field("colour", COLOURS, Paint.Stop::colour);
        s.making(r -> new Paint.Stop(r.get(id), r.get(at), r.get(colour)));
        return Codecs.map(
                Codecs.list(s),
                all -> IntStream.range(0, all.size())
                        .mapToObj(i -> all.get(i).id().isEmpty() ? named(all.get(i), "s" + (i + 1)) : all.get(i))
                        .toList(),
                Function.identity());
    }

    private static Paint.Stop named(Paint.Stop stop, String id) {
        return new Paint.Stop(id, stop.at(), stop.colour());
    }

    /** A colour as it is written where there are no gradients, or a gradient. */
    private static Codec<Paint> colourOrGradient() {
        Codec<Paint.Gradient> gradient = Codecs.union(gradients());
        return Codecs.of(
                (v, where) -> v instanceof JsonObject object && object.containsKey("kind")
                        ? gradient.read(v, where)
                        : new Paint.Solid(COLOURS.read(v, where)),
                p -> p instanceof Paint.Solid solid
                        ? COLOURS.write(solid.colour())
                        : gradient.write((Paint.Gradient) p),
                Codecs.anyOf(List.of(COLOURS.schema(), gradient.schema())));
    }
}
