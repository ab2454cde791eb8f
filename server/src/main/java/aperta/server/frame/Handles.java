package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.colour.ToneCurve;
import aperta.core.edit.Snap;
import aperta.core.edit.Spots;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.ink.Schedule;
import aperta.core.render.Planner;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Ink;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Painted;
import aperta.core.shot.Passage;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.shot.Stroke;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import aperta.core.type.Setting;
import aperta.media.json.EditJson;
import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;

/** What the desk shows of the chosen layer on one frame: where its handles lie, and the value of every property. */
final class Handles {
    private static final int MOST_DOTS = 2000;
    private static final int CURVE_STEPS = 64;
    /** How long the arm of a direction is, in the layer's pixels. */
    private static final double ARM = 90;

    private final Planner planner;

    Handles(Planner planner) {
        this.planner = planner;
    }

    /**
     * What is told, and for each point of each path seven numbers in hundredths of a pixel: its place, its two handles as
     * they lie from there, its feather. Paths may have thousands of points and are sent with each picture: whole numbers
     * are as quickly written as read.
     */
    record Told(JsonObject json, int[] points) {
        /** Four bytes a number, the lowest first. */
        byte[] bytes() {
            ByteBuffer all = ByteBuffer.allocate(4 * points.length).order(ByteOrder.LITTLE_ENDIAN);
            all.asIntBuffer().put(points);
            return all.array();
        }
    }

    /** In pixels of the shot; nothing where there is no such layer. */
    Optional<Told> of(Shot shot, long frame, String id) {
        if (shot.layer(id).isEmpty()) {
            return Optional.empty();
        }
        Moment moment = planner.moment(shot, frame);
        Moment.Seen seen = moment.of(id);
        Layer layer = seen.layer();
        JsonArrayBuilder corners = JSON.createArrayBuilder();
        for (Point p : planner.extent(moment, id).corners()) {
            corners.add(point(seen.toShot().apply(p)));
        }
        Point anchor = seen.toShot().apply(seen.still().place().anchor().rest());
        JsonArrayBuilder paths = JSON.createArrayBuilder();
        IntStream.Builder points = IntStream.builder();
        for (Mask mask : layer.masks()) {
            Affine map = moment.maskToShot(id, mask);
            paths.add(path("mask." + mask.id() + ".path", mask.path(), map, seen, points)
                    .add("mask", true)
                    .add("closed", true));
        }
        if (layer.content() instanceof Content.Shape shape) {
            for (Content.Shape.Path p : shape.paths()) {
                boolean closed = p.path().at(seen.frame(), BezierPath.MIX).closed();
                paths.add(path("path." + p.id(), p.path(), seen.toShot(), seen, points)
                        .add("mask", false)
                        .add("closed", closed));
            }
        }
        boolean asDrawn = layer.ink()
                .filter(i -> i.fits(seen.still().content())
                        && i.isAsLargeAs(seen.still().content()))
                .isPresent();
        for (Stroke s : asDrawn ? layer.ink().orElseThrow().strokes() : List.<Stroke>of()) {
            paths.add(path("stroke." + s.id() + ".path", s.path(), seen.toShot(), seen, points)
                    .add("mask", false)
                    .add("closed", false));
        }
        JsonArrayBuilder properties = JSON.createArrayBuilder();
        for (Property<?> property : Property.of(layer)) {
            properties.add(property(property, seen));
        }
        JsonObjectBuilder told = JSON.createObjectBuilder();
        FigureNow.of(moment, layer, planner::clip).ifPresent(f -> told.add("figure", f));
        JsonObject json = told.add("layer", id)
                .add("exists", seen.exists())
                .add("ownFrame", (long) Math.floor(seen.frame()))
                .add("corners", corners)
                .add("resting", resting(moment, id))
                .add("anchor", point(anchor))
                .add("paths", paths)
                .add("strokes", strokes(shot, layer))
                .add("toShot", map(seen.toShot()))
                .add("contentFrame", (long) Math.floor(seen.content() + 1e-9))
                .add("properties", properties)
                .add("path", path(moment, layer))
                .add("curve", curve(layer))
                .add("paints", paints(seen))
                .add("spots", spots(moment, layer))
                .add("carets", carets(seen))
                .add("inside", inside(moment, shot.layer(id).orElseThrow()))
                .add("tracks", Marks.of(moment, layer))
                .build();
        return Optional.of(new Told(json, points.build().toArray()));
    }

    static JsonArrayBuilder map(Affine m) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (double v : new double[] {m.a(), m.b(), m.c(), m.d(), m.e(), m.f()}) {
            all.add(v);
        }
        return all;
    }

    /** When the strokes of a layer that arrives by ink are written, as shares of its arrival; nothing where they are found. */
    private JsonArrayBuilder strokes(Shot shot, Layer layer) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        if (layer.ink().isEmpty() || layer.arrive().isEmpty()) {
            return all;
        }
        Passage arrival = layer.arrive().get();
        double half = layer.span().in() + arrival.delay() + arrival.length() / 2.0;
        Moment.Seen seen = planner.moment(shot, half).of(layer.id());
        Ink ink = layer.ink().get();
        if (seen.writings().isEmpty() || !ink.fits(seen.still().content())) {
            return all;
        }
        Schedule times =
                Schedule.of(ink.on(seen.still().content()), seen.writings().get(0));
        for (int i = 0; i < times.strokes(); i++) {
            Stroke s = ink.strokes().get(i);
            all.add(JSON.createObjectBuilder()
                    .add("id", s.id())
                    .add("from", times.from(i))
                    .add("to", times.to(i))
                    .add("own", s.time().isPresent()));
        }
        return all;
    }

    /**
     * What several layers have together: the box around all, the corners of each that is seen, and the properties that all
     * of them have, as they are of the last one; {@code mixed} where they differ on this frame.
     */
    JsonObject together(Shot shot, long frame, List<String> layers) {
        Moment moment = planner.moment(shot, frame);
        List<Moment.Seen> all = layers.stream()
                .filter(id -> shot.layer(id).isPresent())
                .map(moment::of)
                .toList();
        Box box = Box.EMPTY;
        JsonArrayBuilder each = JSON.createArrayBuilder();
        for (Moment.Seen seen : all) {
            if (seen.layer().content().isSeen() && seen.exists()) {
                JsonArrayBuilder corners = JSON.createArrayBuilder();
                Box own = planner.extent(moment, seen.layer().id());
                own.corners().forEach(p -> corners.add(point(seen.toShot().apply(p))));
                box = box.union(seen.toShot().apply(own));
                each.add(JSON.createObjectBuilder()
                        .add("layer", seen.layer().id())
                        .add("corners", corners));
            }
        }
        return JSON.createObjectBuilder()
                .add("layers", JSON.createArrayBuilder(layers))
                .add("box", box(box))
                .add("each", each)
                .add("properties", shared(all))
                .build();
    }

    private static JsonArrayBuilder shared(List<Moment.Seen> all) {
        JsonArrayBuilder properties = JSON.createArrayBuilder();
        if (all.isEmpty()) {
            return properties;
        }
        Moment.Seen last = all.get(all.size() - 1);
        for (Property<?> property : Property.of(last.layer())) {
            List<JsonObject> each = new ArrayList<>();
            for (Moment.Seen seen : all) {
                Property.of(seen.layer()).stream()
                        .filter(p -> p.name().equals(property.name()) && p.kind() == property.kind())
                        .findFirst()
                        .ifPresent(p -> each.add(property(p, seen).build()));
            }
            if (property.kind() != Property.Kind.PATH && each.size() == all.size()) {
                JsonObject own = each.get(each.size() - 1);
                properties.add(JSON.createObjectBuilder(own)
                        .add(
                                "mixed",
                                each.stream().anyMatch(o -> !o.get("value").equals(own.get("value"))))
                        .add("keyed", each.stream().anyMatch(o -> o.getBoolean("keyed")))
                        .add("keyHere", each.stream().allMatch(o -> o.getBoolean("keyHere"))));
            }
        }
        return properties;
    }

    /**
     * The layers that a rectangle touches, the uppermost first, that are seen and not locked; but for those on which it lies
     * as on a ground.
     */
    List<String> within(Shot shot, long frame, Box rectangle, Optional<String> group) {
        Moment moment = planner.moment(shot, frame);
        List<String> found = new ArrayList<>();
        for (Layer layer : among(shot, group)) {
            Moment.Seen seen = moment.of(layer.id());
            if (seen.exists()
                    && !layer.hidden()
                    && !layer.locked()
                    && layer.content().isSeen()) {
                Box box = seen.toShot().apply(planner.extent(moment, layer.id()));
                boolean ground = box.contains(new Point(rectangle.x0(), rectangle.y0()))
                        && box.contains(new Point(rectangle.x1(), rectangle.y1()));
                if (!ground && box.meets(rectangle)) {
                    found.add(layer.id());
                }
            }
        }
        return found;
    }

    private static List<Layer> among(Shot shot, Optional<String> group) {
        return group.map(id -> shot.layer(id)
                        .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."))
                        .content()
                        .inside())
                .orElseGet(shot::layers);
    }

    /** The corners of a layer on a frame; none where it isn't in the shot. */
    JsonArrayBuilder corners(Shot shot, long frame, String id) {
        JsonArrayBuilder corners = JSON.createArrayBuilder();
        if (shot.layer(id).isPresent()) {
            Moment moment = planner.moment(shot, frame);
            Affine toShot = moment.of(id).toShot();
            planner.extent(moment, id).corners().forEach(p -> corners.add(point(toShot.apply(p))));
        }
        return corners;
    }

    /** The corners of a layer as it rests, for showing where a pose leads. */
    private JsonArrayBuilder resting(Moment moment, String id) {
        Moment.Seen seen = moment.of(id);
        Affine toShot = moment.rest(id)
                .place()
                .toParent(0)
                .then(seen.still().place().toParent(0).inverse().orElse(Affine.IDENTITY))
                .then(seen.toShot());
        JsonArrayBuilder corners = JSON.createArrayBuilder();
        for (Point p : planner.extent(moment, id).corners()) {
            corners.add(point(toShot.apply(p)));
        }
        return corners;
    }

    static JsonArrayBuilder point(Point p) {
        return JSON.createArrayBuilder().add(p.x()).add(p.y());
    }

    private static int hundredths(double value) {
        return (int) Math.rint(value * 100);
    }

    private static void hundredths(IntStream.Builder into, Point p) {
        into.add(hundredths(p.x())).add(hundredths(p.y()));
    }

    private static JsonObjectBuilder path(
            String property, Animated<BezierPath> path, Affine map, Moment.Seen seen, IntStream.Builder into) {
        List<BezierPath.Knot> knots = path.at(seen.frame(), BezierPath.MIX).knots();
        for (BezierPath.Knot k : knots) {
            hundredths(into, map.apply(k.at()));
            hundredths(into, map.applyVector(k.in()));
            hundredths(into, map.applyVector(k.out()));
            into.add(hundredths(k.feather()));
        }
        return JSON.createObjectBuilder()
                .add("property", property)
                .add("scale", map.meanScale())
                .add("points", knots.size());
    }

    /**
     * The way of a layer's position through its keys: a point for each frame, so that its speed can be seen, and the keys
     * with their handles. It is drawn as it stands in its parent at this moment.
     */
    private static JsonObjectBuilder path(Moment moment, Layer layer) {
        Animated<Point> position = layer.place().position();
        Moment.Seen seen = moment.of(layer.id());
        JsonArrayBuilder dots = JSON.createArrayBuilder();
        JsonArrayBuilder keys = JSON.createArrayBuilder();
        Optional<Affine> toParent = seen.toShot().inverse();
        if (position.keys().size() > 1 && toParent.isPresent()) {
            Affine map = toParent.get()
                    .then(seen.still().place().toParent(0))
                    .inverse()
                    .orElse(Affine.IDENTITY);
            long from = position.keys().get(0).at();
            long to = position.keys().get(position.keys().size() - 1).at();
            for (long f = from; f <= Math.min(to, from + MOST_DOTS); f++) {
                dots.add(point(map.apply(position.at(f, Mix.POINT))));
            }
            for (Key<Point> k : position.keys()) {
                keys.add(JSON.createObjectBuilder()
                        .add("at", k.at())
                        .add("loose", k.loose())
                        .add("point", point(map.apply(k.value())))
                        .add("in", point(map.apply(k.value().plus(k.in().orElse(Point.ORIGIN)))))
                        .add("out", point(map.apply(k.value().plus(k.out().orElse(Point.ORIGIN))))));
            }
        }
        return JSON.createObjectBuilder().add("dots", dots).add("keys", keys);
    }

    /**
     * Everything of a layer that is painted: the names of the properties that say how, and for a gradient where its handles
     * and its stops lie.
     */
    private static JsonArrayBuilder paints(Moment.Seen seen) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (Painted painted : Painted.of(seen.layer())) {
            JsonObjectBuilder o = JSON.createObjectBuilder()
                    .add("name", painted.name())
                    .add("label", painted.label())
                    .add("part", painted.part());
            if (painted.get().apply(seen.layer()) instanceof Paint.Gradient gradient) {
                JsonArrayBuilder geometry = JSON.createArrayBuilder();
                gradient.geometry().forEach(g -> geometry.add(painted.name() + "." + g));
                o.add("form", gradient.form())
                        .add("properties", geometry)
                        .add("from", point(seen.toShot().apply(begin(gradient, seen.frame()))))
                        .add(
                                "to",
                                point(seen.toShot()
                                        .apply(gradient.at(gradient instanceof Paint.Conic ? 0 : 1, seen.frame()))))
                        .add("stops", stops(painted, gradient, seen));
            } else {
                o.add("form", "solid")
                        .add("properties", JSON.createArrayBuilder().add(painted.colour()))
                        .add("stops", JSON.createArrayBuilder());
            }
            all.add(o);
        }
        return all;
    }

    /** The points and directions of its effects and its texture, as they lie in the shot. */
    private JsonArrayBuilder spots(Moment moment, Layer layer) {
        Moment.Seen seen = moment.of(layer.id());
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (Spots.Spot spot : Spots.of(layer, planner.extent(moment, layer.id()))) {
            Property<?> property = Property.named(seen.still(), spot.property());
            Object value = property.get().apply(seen.still()).rest();
            Point at = value instanceof Point p
                    ? spot.base().plus(p)
                    : spot.base().plus(Affine.rotation((Double) value).applyVector(new Point(ARM, 0)));
            all.add(JSON.createObjectBuilder()
                    .add("property", spot.property())
                    .add("effect", spot.effect())
                    .add("label", spot.label())
                    .add("turns", spot.turns())
                    .add("base", point(seen.toShot().apply(spot.base())))
                    .add("at", point(seen.toShot().apply(at))));
        }
        return all;
    }

    private static Point begin(Paint.Gradient gradient, double frame) {
        return gradient instanceof Paint.Conic conic ? conic.centre().at(frame, Mix.POINT) : gradient.at(0, frame);
    }

    private static JsonArrayBuilder stops(Painted painted, Paint.Gradient gradient, Moment.Seen seen) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (Paint.Stop stop : gradient.stops()) {
            double at = stop.at().at(seen.frame(), Mix.NUMBER);
            String name = painted.name() + ".stop." + stop.id();
            all.add(JSON.createObjectBuilder()
                    .add("id", stop.id())
                    .add("at", at)
                    .add("colour", stop.colour().at(seen.frame(), Mix.COLOUR).hex())
                    .add("point", point(seen.toShot().apply(gradient.at(at, seen.frame()))))
                    .add(
                            "properties",
                            JSON.createArrayBuilder().add(name + ".at").add(name + ".colour")));
        }
        return all;
    }

    /** Where a cursor stands before each letter of a text, and after the last: the two ends of an upright line each. */
    private JsonArrayBuilder carets(Moment.Seen seen) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        if (seen.still().content() instanceof Content.Text text) {
            for (Setting.Caret caret : planner.carets(text)) {
                Point top = seen.toShot().apply(new Point(caret.x(), caret.top()));
                Point bottom = seen.toShot().apply(new Point(caret.x(), caret.bottom()));
                all.add(JSON.createArrayBuilder()
                        .add(hundredths(top.x()) / 100.0)
                        .add(hundredths(top.y()) / 100.0)
                        .add(hundredths(bottom.x()) / 100.0)
                        .add(hundredths(bottom.y()) / 100.0));
            }
        }
        return all;
    }

    /** What another shot that is shown is like, and which of its frames is seen; nothing for other layers. */
    private static JsonObjectBuilder inside(Moment moment, Layer layer) {
        JsonObjectBuilder o = JSON.createObjectBuilder();
        if (layer.content() instanceof Content.Nested nested && nested.found().isPresent()) {
            Shot inner = nested.found().get();
            long frame =
                    (long) Math.floor(moment.of(Content.frameOf(layer.id())).content());
            o.add("name", inner.name())
                    .add("width", inner.format().width())
                    .add("height", inner.format().height())
                    .add("rate", inner.format().rate().toString())
                    .add("length", inner.length())
                    .add("frame", Math.max(0, Math.min(inner.length() - 1, frame)));
        }
        return o;
    }

    private static JsonArrayBuilder drawn(ToneCurve curve) {
        JsonArrayBuilder values = JSON.createArrayBuilder();
        for (int i = 0; i <= CURVE_STEPS; i++) {
            values.add(curve.at((double) i / CURVE_STEPS));
        }
        return values;
    }

    /** The curve of the values of a layer's cut: from 0 to 1 in even steps. */
    private static JsonArrayBuilder curve(Layer layer) {
        return layer.cut().map(c -> drawn(c.tone().curve())).orElseGet(JSON::createArrayBuilder);
    }

    /** Whose pixels a property's are, in a sentence. */
    private static String pixels(Property.Space space, double scale) {
        return switch (space) {
            case OWN ->
                Math.abs(scale - 1) < 0.005
                        ? "The layer's own pixels"
                        : String.format(Locale.ROOT, "The layer's own pixels; here one is %.2f of the shot's", scale);
            case HOLDER -> "Pixels of what the layer lies in";
            case SHOT -> "Pixels of the shot";
        };
    }

    private static <T> JsonObjectBuilder property(Property<T> property, Moment.Seen seen) {
        Layer layer = seen.layer();
        double frame = seen.frame();
        Animated<T> value = property.get().apply(layer);
        JsonObjectBuilder o = JSON.createObjectBuilder()
                .add("name", property.name())
                .add("label", property.label())
                .add("title", property.title())
                .add("part", property.part())
                .add("section", property.section().name().toLowerCase(Locale.ROOT))
                .add("kind", property.kind().name().toLowerCase(Locale.ROOT))
                .add("unit", property.unit())
                .add("least", property.least())
                .add("most", property.most())
                .add("neutral", property.isNeutral(layer))
                .add("keyed", value.isKeyed())
                .add("keyHere", value.keyAt((long) Math.floor(frame)).isPresent())
                .add("signals", value.signals().size());
        if (property.unit().equals("px")) {
            o.add("unitSays", pixels(property.space(), seen.toShot().meanScale()));
        }
        if (property.kind() != Property.Kind.PATH) {
            T now = property.at(layer, frame);
            o.add("value", EditJson.write(property, now));
            if (now instanceof ToneCurve curve) {
                o.add("drawn", drawn(curve));
            }
        }
        return o;
    }

    static JsonArray box(Box box) {
        return JSON.createArrayBuilder()
                .add(box.x0())
                .add(box.y0())
                .add(box.x1())
                .add(box.y1())
                .build();
    }

    static JsonObject snap(Snap snap) {
        JsonObjectBuilder o = JSON.createObjectBuilder();
        snap.upright().ifPresent(x -> o.add("x", x));
        snap.level().ifPresent(y -> o.add("y", y));
        return o.build();
    }

    /**
     * The uppermost layer that shows at a point, that isn't locked.
     *
     * @param group among whose layers it is looked for; among those of the shot where nothing is said
     */
    Optional<String> at(Shot shot, long frame, Point p, Optional<String> group) {
        Moment moment = planner.moment(shot, frame);
        for (Layer layer : among(shot, group)) {
            Moment.Seen seen = moment.of(layer.id());
            boolean there = seen.exists() && !layer.hidden() && !layer.locked();
            boolean inside = seen.toShot()
                    .inverse()
                    .map(i -> planner.extent(moment, layer.id()).contains(i.apply(p)))
                    .orElse(false);
            if (there && inside) {
                return Optional.of(layer.id());
            }
        }
        return Optional.empty();
    }
}
