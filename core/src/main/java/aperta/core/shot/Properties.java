package aperta.core.shot;

import aperta.core.geometry.Point;
import aperta.core.shot.Property.Section;
import aperta.core.shot.Property.Space;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;

/** The one place where the animatable properties of layers are written down. */
final class Properties {
    private static final double FAR = 1e6;

    private static final List<Property<?>> SOUND = List.of(Property.number(
            "sound.level",
            "Level",
            Section.LOOK,
            "dB",
            -60,
            24,
            Optional.of(0.0),
            l -> ((Content.Sound) l.content()).level(),
            (l, v) -> l.withContent(new Content.Sound(((Content.Sound) l.content()).media(), v))));

    private static final List<Property<?>> PICTURED = List.of(
            Property.number(
                    "picture.exposure",
                    "Exposure",
                    Section.LOOK,
                    "stops",
                    -10,
                    10,
                    Optional.of(0.0),
                    l -> pictured(l).exposure(),
                    (l, v) -> l.withContent(
                            pictured(l).with(pictured(l).media(), v, pictured(l).saturation()))),
            Property.number(
                    "picture.saturation",
                    "Saturation",
                    Section.LOOK,
                    "%",
                    0,
                    4,
                    Optional.of(1.0),
                    l -> pictured(l).saturation(),
                    (l, v) -> l.withContent(
                            pictured(l).with(pictured(l).media(), pictured(l).exposure(), v))));

    private static Content.Pictured pictured(Layer layer) {
        return (Content.Pictured) layer.content();
    }

    private static final List<Property<?>> PLACE = List.of(
            Property.point(
                            "place.position",
                            "Position",
                            Section.PLACE,
                            "px",
                            -FAR,
                            FAR,
                            Optional.empty(),
                            l -> l.place().position(),
                            (l, v) -> l.withPlace(l.place().withPosition(v)))
                    .in(Space.HOLDER),
            Property.point(
                    "place.scale",
                    "Scale",
                    Section.PLACE,
                    "%",
                    -1000,
                    1000,
                    Optional.of(new Point(1, 1)),
                    l -> l.place().scale(),
                    (l, v) -> l.withPlace(l.place().withScale(v))),
            Property.number(
                    "place.rotation",
                    "Rotation",
                    Section.PLACE,
                    "°",
                    -FAR,
                    FAR,
                    Optional.of(0.0),
                    l -> l.place().rotation(),
                    (l, v) -> l.withPlace(l.place().withRotation(v))),
            Property.point(
                    "place.anchor",
                    "Anchor",
                    Section.PLACE,
                    "px",
                    -FAR,
                    FAR,
                    Optional.empty(),
                    l -> l.place().anchor(),
                    (l, v) -> l.withPlace(l.place().withAnchor(v))),
            Property.number(
                    "place.opacity",
                    "Opacity",
                    Section.WHOLE,
                    "%",
                    0,
                    1,
                    Optional.of(1.0),
                    l -> l.place().opacity(),
                    (l, v) -> l.withPlace(l.place().withOpacity(v))),
            Property.number(
                    "place.blur",
                    "Blur",
                    Section.WHOLE,
                    "px",
                    0,
                    1000,
                    Optional.of(0.0),
                    l -> l.place().blur(),
                    (l, v) -> l.withPlace(l.place().withBlur(v))));

    private static final List<Property<?>> CUT = List.of(
            cut("cut.black", "Black point", "%", -1, 2, Optional.of(0.0), Cut.Tone::black, Cut.Tone::withBlack),
            cut("cut.white", "White point", "%", -1, 2, Optional.of(1.0), Cut.Tone::white, Cut.Tone::withWhite),
            cut("cut.gamma", "Gamma", "", 0.01, 100, Optional.of(1.0), Cut.Tone::gamma, Cut.Tone::withGamma),
            cut("cut.spread", "Spread", "px", -200, 200, Optional.of(0.0), Cut.Tone::spread, Cut.Tone::withSpread),
            cut("cut.blur", "Blur", "px", 0, 1000, Optional.of(0.0), Cut.Tone::blur, Cut.Tone::withBlur));

    private static Property<Double> cut(
            String name,
            String label,
            String unit,
            double least,
            double most,
            Optional<Double> neutral,
            Function<Cut.Tone, Animated<Double>> get,
            BiFunction<Cut.Tone, Animated<Double>, Cut.Tone> set) {
        return Property.number(
                        name, label, Section.CUT, unit, least, most, neutral, l -> get.apply(cut(l).tone()), (l, v) -> {
                            Cut cut = cut(l);
                            return l.withCut(Optional.of(cut.withTone(set.apply(cut.tone(), v))));
                        })
                .of("Cut");
    }

    private static Cut cut(Layer layer) {
        return layer.cut().orElseThrow();
    }

    private static final List<Property<?>> TEXT = List.of(
            text("text.size", "Size", "px", 1, 4000, Optional.empty(), Content.Text::size, Content.Text::withSize),
            text(
                    "text.tracking",
                    "Tracking",
                    "‰ em",
                    -1000,
                    10_000,
                    Optional.of(0.0),
                    Content.Text::tracking,
                    Content.Text::withTracking),
            text(
                    "text.leading",
                    "Leading",
                    "×",
                    0,
                    10,
                    Optional.empty(),
                    Content.Text::leading,
                    Content.Text::withLeading),
            Property.colour(
                    "text.fill",
                    "Fill",
                    Section.LOOK,
                    l -> text(l).fill(),
                    (l, v) -> l.withContent(text(l).withFill(v))),
            text(
                    "text.fillOpacity",
                    "Fill opacity",
                    "%",
                    0,
                    1,
                    Optional.of(1.0),
                    Content.Text::fillOpacity,
                    Content.Text::withFillOpacity),
            Property.colour(
                    "text.edge",
                    "Edge",
                    Section.LOOK,
                    l -> text(l).edge(),
                    (l, v) -> l.withContent(text(l).withEdge(v))),
            text(
                    "text.edgeWidth",
                    "Edge width",
                    "px",
                    0,
                    1000,
                    Optional.of(0.0),
                    Content.Text::edgeWidth,
                    Content.Text::withEdgeWidth),
            text(
                    "text.edgeOpacity",
                    "Edge opacity",
                    "%",
                    0,
                    1,
                    Optional.of(1.0),
                    Content.Text::edgeOpacity,
                    Content.Text::withEdgeOpacity));

    private Properties() {}

    /** The properties of each kind of content. */
    private static final Map<Class<? extends Content>, Function<Layer, List<Property<?>>>> CONTENT = Map.of(
            Content.Text.class, l -> TEXT,
            Content.Fill.class, l -> fill(fill(l).paint()),
            Content.Shape.class, l -> shape(shape(l)),
            Content.Footage.class, l -> PICTURED,
            Content.Still.class, l -> PICTURED,
            Content.Sound.class, l -> SOUND,
            Content.Group.class, l -> List.of(),
            Content.Again.class, l -> List.of(),
            Content.Adjustment.class, l -> List.of());

    static List<Property<?>> of(Layer layer) {
        List<Property<?>> content = CONTENT.get(layer.content().getClass()).apply(layer);
        if (!layer.content().isSeen()) {
            return content;
        }
        List<Property<?>> all = new ArrayList<>(content);
        all.addAll(PLACE);
        for (Mask mask : layer.masks()) {
            all.addAll(mask(mask));
        }
        for (AnimatedRecipe window : layer.windows()) {
            String kind = window.kind();
            all.addAll(window.properties(
                    kind + ".",
                    window.descriptor().label(),
                    Section.WINDOW,
                    l -> l.window(kind).orElseThrow(),
                    Layer::withWindow));
        }
        if (layer.cut().isPresent()) {
            all.addAll(CUT);
        }
        all.addAll(opening(layer, true));
        all.addAll(opening(layer, false));
        return all;
    }

    /** What can be keyed of the opening by which a layer arrives or leaves. */
    private static List<Property<?>> opening(Layer layer, boolean arriving) {
        return passage(layer, arriving)
                .flatMap(Passage::opening)
                .map(o -> o.properties(
                        arriving ? "arrive." : "leave.",
                        arriving ? "Arrival" : "Departure",
                        arriving ? Section.ARRIVE : Section.LEAVE,
                        l -> passage(l, arriving).flatMap(Passage::opening).orElseThrow(),
                        (l, v) -> with(l, arriving, passage(l, arriving).map(p -> p.withOpening(Optional.of(v))))))
                .orElse(List.of());
    }

    private static Optional<Passage> passage(Layer layer, boolean arriving) {
        return arriving ? layer.arrive() : layer.leave();
    }

    private static Layer with(Layer layer, boolean arriving, Optional<Passage> passage) {
        return arriving ? layer.withArrive(passage) : layer.withLeave(passage);
    }

    private static Property<Double> text(
            String name,
            String label,
            String unit,
            double least,
            double most,
            Optional<Double> neutral,
            Function<Content.Text, Animated<Double>> get,
            BiFunction<Content.Text, Animated<Double>, Content.Text> set) {
        return Property.number(
                name,
                label,
                Section.LOOK,
                unit,
                least,
                most,
                neutral,
                l -> get.apply(text(l)),
                (l, v) -> l.withContent(set.apply(text(l), v)));
    }

    private static Content.Text text(Layer layer) {
        return (Content.Text) layer.content();
    }

    private static Content.Fill fill(Layer layer) {
        return (Content.Fill) layer.content();
    }

    private static List<Property<?>> fill(Paint paint) {
        List<Property<?>> all = new ArrayList<>();
        all.add(Property.point(
                "fill.size",
                "Size",
                Section.LOOK,
                "px",
                0,
                FAR,
                Optional.empty(),
                l -> fill(l).size(),
                (l, v) -> l.withContent(new Content.Fill(v, fill(l).paint()))));
        if (paint instanceof Paint.Solid) {
            all.add(Property.colour(
                    "fill.colour",
                    "Colour",
                    Section.LOOK,
                    l -> ((Paint.Solid) fill(l).paint()).colour(),
                    (l, v) -> painted(l, new Paint.Solid(v))));
        } else if (paint instanceof Paint.Linear linear) {
            all.add(Property.point(
                    "fill.from",
                    "From",
                    Section.LOOK,
                    "px",
                    -FAR,
                    FAR,
                    Optional.empty(),
                    l -> ((Paint.Linear) fill(l).paint()).from(),
                    (l, v) -> painted(l, new Paint.Linear(v, ((Paint.Linear) fill(l).paint()).to(), linear.stops()))));
            all.add(Property.point(
                    "fill.to",
                    "To",
                    Section.LOOK,
                    "px",
                    -FAR,
                    FAR,
                    Optional.empty(),
                    l -> ((Paint.Linear) fill(l).paint()).to(),
                    (l, v) ->
                            painted(l, new Paint.Linear(((Paint.Linear) fill(l).paint()).from(), v, linear.stops()))));
        } else if (paint instanceof Paint.Radial radial) {
            all.add(Property.point(
                    "fill.centre",
                    "Centre",
                    Section.LOOK,
                    "px",
                    -FAR,
                    FAR,
                    Optional.empty(),
                    l -> ((Paint.Radial) fill(l).paint()).centre(),
                    (l, v) -> painted(
                            l, new Paint.Radial(v, ((Paint.Radial) fill(l).paint()).radius(), radial.stops()))));
            all.add(Property.number(
                    "fill.radius",
                    "Radius",
                    Section.LOOK,
                    "px",
                    0,
                    FAR,
                    Optional.empty(),
                    l -> ((Paint.Radial) fill(l).paint()).radius(),
                    (l, v) -> painted(
                            l, new Paint.Radial(((Paint.Radial) fill(l).paint()).centre(), v, radial.stops()))));
        }
        return all;
    }

    private static Layer painted(Layer layer, Paint paint) {
        return layer.withContent(new Content.Fill(fill(layer).size(), paint));
    }

    private static List<Property<?>> shape(Content.Shape shape) {
        List<Property<?>> all = new ArrayList<>();
        for (Content.Shape.Path path : shape.paths()) {
            String id = path.id();
            all.add(Property.path(
                    "path." + id,
                    path.name(),
                    Section.LOOK,
                    FAR,
                    l -> only(shape(l).paths(), p -> p.id().equals(id)).path(),
                    (l, v) -> l.withContent(shape(l).withPath(only(shape(l).paths(), p -> p.id().equals(id))
                            .withPath(v)))));
        }
        for (Coat coat : shape.coats()) {
            String part = coat instanceof Coat.Fill ? "Fill" : "Stroke";
            all.add(Property.colour(
                            "coat." + coat.id() + ".colour",
                            "Colour",
                            Section.LOOK,
                            l -> coat(l, coat.id()).colour(),
                            (l, v) -> l.withContent(
                                    shape(l).withCoat(coat(l, coat.id()).withColour(v))))
                    .of(part));
            all.add(Property.number(
                            "coat." + coat.id() + ".opacity",
                            "Opacity",
                            Section.LOOK,
                            "%",
                            0,
                            1,
                            Optional.of(1.0),
                            l -> coat(l, coat.id()).opacity(),
                            (l, v) -> l.withContent(
                                    shape(l).withCoat(coat(l, coat.id()).withOpacity(v))))
                    .of(part));
            if (coat instanceof Coat.Stroke) {
                for (Coat.Measure measure : Coat.Measure.values()) {
                    all.add(measure(coat.id(), measure));
                }
            }
        }
        return all;
    }

    private static Property<Double> measure(String coat, Coat.Measure measure) {
        return Property.number(
                        "coat." + coat + "." + measure.word(),
                        measure.label(),
                        Section.LOOK,
                        measure.unit(),
                        measure.least(),
                        measure.most(),
                        Optional.of(measure.usual()).filter(u -> measure.usuallyDoesNothing()),
                        l -> ((Coat.Stroke) coat(l, coat)).measure(measure),
                        (l, v) -> l.withContent(shape(l).withCoat(((Coat.Stroke) coat(l, coat)).with(measure, v))))
                .of("Stroke");
    }

    private static Content.Shape shape(Layer layer) {
        return (Content.Shape) layer.content();
    }

    private static Coat coat(Layer layer, String id) {
        return only(shape(layer).coats(), c -> c.id().equals(id));
    }

    private static <T> T only(List<T> all, Predicate<T> which) {
        return all.stream().filter(which).findFirst().orElseThrow();
    }

    private static List<Property<?>> mask(Mask mask) {
        String id = mask.id();
        Space space = mask.lock() == Mask.Lock.FRAME ? Space.SHOT : Space.OWN;
        return List.of(
                Property.path(
                                "mask." + id + ".path",
                                "Path",
                                Section.MASK,
                                FAR,
                                l -> mask(l, id).path(),
                                (l, v) -> masked(l, mask(l, id).withPath(v)))
                        .of(mask.name())
                        .in(space),
                Property.number(
                                "mask." + id + ".outset",
                                "Outset",
                                Section.MASK,
                                "px",
                                -4000,
                                4000,
                                Optional.of(0.0),
                                l -> mask(l, id).outset(),
                                (l, v) -> masked(l, mask(l, id).withOutset(v)))
                        .of(mask.name())
                        .in(space),
                Property.number(
                                "mask." + id + ".feather",
                                "Feather",
                                Section.MASK,
                                "px",
                                0,
                                2000,
                                Optional.of(0.0),
                                l -> mask(l, id).feather(),
                                (l, v) -> masked(l, mask(l, id).withFeather(v)))
                        .of(mask.name())
                        .in(space),
                Property.number(
                                "mask." + id + ".opacity",
                                "Opacity",
                                Section.MASK,
                                "%",
                                0,
                                1,
                                Optional.of(1.0),
                                l -> mask(l, id).opacity(),
                                (l, v) -> masked(l, mask(l, id).withOpacity(v)))
                        .of(mask.name())
                        .in(space));
    }

    private static Mask mask(Layer layer, String id) {
        return only(layer.masks(), m -> m.id().equals(id));
    }

    private static Layer masked(Layer layer, Mask mask) {
        return layer.withMasks(layer.masks().stream()
                .map(m -> m.id().equals(mask.id()) ? mask : m)
                .toList());
    }
}
