package aperta.core.shot;

import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.List;
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
            "dB",
            -60,
            24,
            l -> ((Content.Sound) l.content()).level(),
            (l, v) -> l.withContent(new Content.Sound(((Content.Sound) l.content()).media(), v))));

    private static final List<Property<?>> PICTURED = List.of(
            Property.number(
                    "picture.exposure",
                    "Exposure",
                    "stops",
                    -10,
                    10,
                    l -> pictured(l).exposure(),
                    (l, v) -> l.withContent(
                            pictured(l).with(pictured(l).media(), v, pictured(l).saturation()))),
            Property.number(
                    "picture.saturation",
                    "Saturation",
                    "%",
                    0,
                    4,
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
                    "px",
                    -FAR,
                    FAR,
                    l -> l.place().position(),
                    (l, v) -> l.withPlace(l.place().withPosition(v))),
            Property.point(
                    "place.scale",
                    "Scale",
                    "%",
                    -1000,
                    1000,
                    l -> l.place().scale(),
                    (l, v) -> l.withPlace(l.place().withScale(v))),
            Property.number(
                    "place.rotation",
                    "Rotation",
                    "°",
                    -FAR,
                    FAR,
                    l -> l.place().rotation(),
                    (l, v) -> l.withPlace(l.place().withRotation(v))),
            Property.point(
                    "place.anchor",
                    "Anchor",
                    "px",
                    -FAR,
                    FAR,
                    l -> l.place().anchor(),
                    (l, v) -> l.withPlace(l.place().withAnchor(v))),
            Property.number(
                    "place.opacity",
                    "Opacity",
                    "%",
                    0,
                    1,
                    l -> l.place().opacity(),
                    (l, v) -> l.withPlace(l.place().withOpacity(v))),
            Property.number(
                    "place.blur",
                    "Blur",
                    "px",
                    0,
                    1000,
                    l -> l.place().blur(),
                    (l, v) -> l.withPlace(l.place().withBlur(v))));

    private static final List<Property<?>> CUT = List.of(
            cut("cut.black", "Black point", "%", -1, 2, Cut.Tone::black, Cut.Tone::withBlack),
            cut("cut.white", "White point", "%", -1, 2, Cut.Tone::white, Cut.Tone::withWhite),
            cut("cut.gamma", "Gamma", "", 0.01, 100, Cut.Tone::gamma, Cut.Tone::withGamma),
            cut("cut.spread", "Spread", "px", -200, 200, Cut.Tone::spread, Cut.Tone::withSpread),
            cut("cut.blur", "Blur of the cut", "px", 0, 1000, Cut.Tone::blur, Cut.Tone::withBlur));

    private static Property<Double> cut(
            String name,
            String label,
            String unit,
            double least,
            double most,
            Function<Cut.Tone, Animated<Double>> get,
            BiFunction<Cut.Tone, Animated<Double>, Cut.Tone> set) {
        return Property.number(name, label, unit, least, most, l -> get.apply(cut(l).tone()), (l, v) -> {
            Cut cut = cut(l);
            return l.withCut(Optional.of(cut.withTone(set.apply(cut.tone(), v))));
        });
    }

    private static Cut cut(Layer layer) {
        return layer.cut().orElseThrow();
    }

    private static final List<Property<?>> TEXT = List.of(
            text("text.size", "Size", "px", 1, 4000, Content.Text::size, Content.Text::withSize),
            text(
                    "text.tracking",
                    "Tracking",
                    "‰ em",
                    -1000,
                    10_000,
                    Content.Text::tracking,
                    Content.Text::withTracking),
            text("text.leading", "Leading", "×", 0, 10, Content.Text::leading, Content.Text::withLeading),
            new Property<>(
                    "text.fill",
                    "Fill",
                    Property.Kind.COLOUR,
                    "",
                    0,
                    1,
                    Colour.MIX,
                    l -> text(l).fill(),
                    (l, v) -> l.withContent(text(l).withFill(v))),
            text(
                    "text.fillOpacity",
                    "Fill opacity",
                    "%",
                    0,
                    1,
                    Content.Text::fillOpacity,
                    Content.Text::withFillOpacity),
            new Property<>(
                    "text.edge",
                    "Edge",
                    Property.Kind.COLOUR,
                    "",
                    0,
                    1,
                    Colour.MIX,
                    l -> text(l).edge(),
                    (l, v) -> l.withContent(text(l).withEdge(v))),
            text("text.edgeWidth", "Edge width", "px", 0, 1000, Content.Text::edgeWidth, Content.Text::withEdgeWidth),
            text(
                    "text.edgeOpacity",
                    "Edge opacity",
                    "%",
                    0,
                    1,
                    Content.Text::edgeOpacity,
                    Content.Text::withEdgeOpacity));

    private Properties() {}

    static List<Property<?>> of(Layer layer) {
        if (layer.content() instanceof Content.Sound) {
            return SOUND;
        }
        List<Property<?>> all = new ArrayList<>();
        if (layer.content() instanceof Content.Text) {
            all.addAll(TEXT);
        } else if (layer.content() instanceof Content.Fill fill) {
            all.addAll(fill(fill.paint()));
        } else if (layer.content() instanceof Content.Shape shape) {
            all.addAll(shape(shape));
        } else if (layer.content() instanceof Content.Pictured) {
            all.addAll(PICTURED);
        }
        all.addAll(PLACE);
        for (Mask mask : layer.masks()) {
            all.addAll(mask(mask.id(), mask.name()));
        }
        if (layer.cut().isPresent()) {
            all.addAll(CUT);
        }
        return all;
    }

    private static Property<Double> text(
            String name,
            String label,
            String unit,
            double least,
            double most,
            Function<Content.Text, Animated<Double>> get,
            BiFunction<Content.Text, Animated<Double>, Content.Text> set) {
        return Property.number(
                name,
                label,
                unit,
                least,
                most,
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
                "px",
                0,
                FAR,
                l -> fill(l).size(),
                (l, v) -> l.withContent(new Content.Fill(v, fill(l).paint()))));
        if (paint instanceof Paint.Solid) {
            all.add(new Property<>(
                    "fill.colour",
                    "Colour",
                    Property.Kind.COLOUR,
                    "",
                    0,
                    1,
                    Colour.MIX,
                    l -> ((Paint.Solid) fill(l).paint()).colour(),
                    (l, v) -> painted(l, new Paint.Solid(v))));
        } else if (paint instanceof Paint.Linear linear) {
            all.add(Property.point(
                    "fill.from",
                    "From",
                    "px",
                    -FAR,
                    FAR,
                    l -> ((Paint.Linear) fill(l).paint()).from(),
                    (l, v) -> painted(l, new Paint.Linear(v, ((Paint.Linear) fill(l).paint()).to(), linear.stops()))));
            all.add(Property.point(
                    "fill.to",
                    "To",
                    "px",
                    -FAR,
                    FAR,
                    l -> ((Paint.Linear) fill(l).paint()).to(),
                    (l, v) ->
                            painted(l, new Paint.Linear(((Paint.Linear) fill(l).paint()).from(), v, linear.stops()))));
        } else if (paint instanceof Paint.Radial radial) {
            all.add(Property.point(
                    "fill.centre",
                    "Centre",
                    "px",
                    -FAR,
                    FAR,
                    l -> ((Paint.Radial) fill(l).paint()).centre(),
                    (l, v) -> painted(
                            l, new Paint.Radial(v, ((Paint.Radial) fill(l).paint()).radius(), radial.stops()))));
            all.add(Property.number(
                    "fill.radius",
                    "Radius",
                    "px",
                    0,
                    FAR,
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
            all.add(new Property<>(
                    "path." + id,
                    path.name(),
                    Property.Kind.PATH,
                    "px",
                    -FAR,
                    FAR,
                    BezierPath.MIX,
                    l -> only(shape(l).paths(), p -> p.id().equals(id)).path(),
                    (l, v) -> l.withContent(shape(l).withPath(only(shape(l).paths(), p -> p.id().equals(id))
                            .withPath(v)))));
        }
        for (Coat coat : shape.coats()) {
            all.add(new Property<>(
                    "coat." + coat.id() + ".colour",
                    coat instanceof Coat.Fill ? "Fill" : "Stroke",
                    Property.Kind.COLOUR,
                    "",
                    0,
                    1,
                    Colour.MIX,
                    l -> coat(l, coat.id()).colour(),
                    (l, v) -> l.withContent(shape(l).withCoat(coat(l, coat.id()).withColour(v)))));
            all.add(Property.number(
                    "coat." + coat.id() + ".opacity",
                    coat instanceof Coat.Fill ? "Fill opacity" : "Stroke opacity",
                    "%",
                    0,
                    1,
                    l -> coat(l, coat.id()).opacity(),
                    (l, v) -> l.withContent(shape(l).withCoat(coat(l, coat.id()).withOpacity(v)))));
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
                measure.unit(),
                measure.least(),
                measure.most(),
                l -> ((Coat.Stroke) coat(l, coat)).measure(measure),
                (l, v) -> l.withContent(shape(l).withCoat(((Coat.Stroke) coat(l, coat)).with(measure, v))));
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

    private static List<Property<?>> mask(String id, String name) {
        return List.of(
                new Property<>(
                        "mask." + id + ".path",
                        name + " path",
                        Property.Kind.PATH,
                        "px",
                        -FAR,
                        FAR,
                        BezierPath.MIX,
                        l -> mask(l, id).path(),
                        (l, v) -> masked(l, mask(l, id).withPath(v))),
                Property.number(
                        "mask." + id + ".outset",
                        name + " outset",
                        "px",
                        -4000,
                        4000,
                        l -> mask(l, id).outset(),
                        (l, v) -> masked(l, mask(l, id).withOutset(v))),
                Property.number(
                        "mask." + id + ".feather",
                        name + " feather",
                        "px",
                        0,
                        2000,
                        l -> mask(l, id).feather(),
                        (l, v) -> masked(l, mask(l, id).withFeather(v))),
                Property.number(
                        "mask." + id + ".opacity",
                        name + " opacity",
                        "%",
                        0,
                        1,
                        l -> mask(l, id).opacity(),
                        (l, v) -> masked(l, mask(l, id).withOpacity(v))));
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
