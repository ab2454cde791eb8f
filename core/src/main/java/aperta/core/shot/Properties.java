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

    private static final List<Property<?>> CUT =
            tone("cut", Section.CUT, "Cut", l -> cut(l).tone(), (l, t) -> l.withCut(Optional.of(cut(l).withTone(t))));

    /** What is done to the coverage of a figure cut out of a clip. */
    private static final List<Property<?>> FIGURE = tone(
            "figure",
            Section.LOOK,
            "Figure",
            l -> cutOut(l).tone(),
            (l, t) -> l.withContent(footage(l).withCutOut(Optional.of(cutOut(l).withTone(t)))));

    private static final List<Property<?>> TIDY = List.of(
            tidy("steady", "Steady", "%", 1, CutOut.Tidy::steady, CutOut.Tidy::withSteady),
            tidy("holes", "Fill holes", "px", 500, CutOut.Tidy::holes, CutOut.Tidy::withHoles),
            tidy("specks", "Clear specks", "px", 500, CutOut.Tidy::specks, CutOut.Tidy::withSpecks));

    private static Property<Double> tidy(
            String name,
            String label,
            String unit,
            double most,
            Function<CutOut.Tidy, Animated<Double>> get,
            BiFunction<CutOut.Tidy, Animated<Double>, CutOut.Tidy> set) {
        return Property.number(
                        "figure." + name,
                        label,
                        Section.LOOK,
                        unit,
                        0,
                        most,
                        Optional.of(0.0),
                        l -> get.apply(cutOut(l).tidy()),
                        (l, v) -> l.withContent(footage(l)
                                .withCutOut(Optional.of(
                                        cutOut(l).withTidy(set.apply(cutOut(l).tidy(), v))))))
                .of("Figure");
    }

    private static final Property<Double> CLEAN = Property.number(
                    "figure.clean",
                    "Edge colours from",
                    Section.LOOK,
                    "px",
                    0,
                    100,
                    Optional.of(0.0),
                    l -> cutOut(l).clean(),
                    (l, v) -> l.withContent(
                            footage(l).withCutOut(Optional.of(cutOut(l).withClean(v)))))
            .of("Figure");

    private static List<Property<?>> tone(
            String prefix,
            Section section,
            String group,
            Function<Layer, Cut.Tone> get,
            BiFunction<Layer, Cut.Tone, Layer> set) {
        Tones all = new Tones(prefix, section, group, get, set);
        return List.of(
                all.of("black", "Black point", "%", -1, 2, 0, Cut.Tone::black, Cut.Tone::withBlack),
                all.of("white", "White point", "%", -1, 2, 1, Cut.Tone::white, Cut.Tone::withWhite),
                all.of("gamma", "Gamma", "", 0.01, 100, 1, Cut.Tone::gamma, Cut.Tone::withGamma),
                all.of("spread", "Spread", "px", -200, 200, 0, Cut.Tone::spread, Cut.Tone::withSpread),
                all.of("blur", "Blur", "px", 0, 1000, 0, Cut.Tone::blur, Cut.Tone::withBlur));
    }

    /** Where the tone of a matte is kept. */
    private record Tones(
            String prefix,
            Section section,
            String group,
            Function<Layer, Cut.Tone> read,
            BiFunction<Layer, Cut.Tone, Layer> write) {
        Property<Double> of(
                String name,
                String label,
                String unit,
                double least,
                double most,
                double neutral,
                Function<Cut.Tone, Animated<Double>> get,
                BiFunction<Cut.Tone, Animated<Double>, Cut.Tone> set) {
            return Property.number(
                            prefix + "." + name,
                            label,
                            section,
                            unit,
                            least,
                            most,
                            Optional.of(neutral),
                            l -> get.apply(read.apply(l)),
                            (l, v) -> write.apply(l, set.apply(read.apply(l), v)))
                    .of(group);
        }
    }

    private static Cut cut(Layer layer) {
        return layer.cut().orElseThrow();
    }

    private static Content.Footage footage(Layer layer) {
        return (Content.Footage) layer.content();
    }

    private static CutOut cutOut(Layer layer) {
        return footage(layer).cutOut().orElseThrow();
    }

    private Properties() {}

    /** The properties of each kind of content. */
    private static final Map<Class<? extends Content>, Function<Layer, List<Property<?>>>> CONTENT = Map.ofEntries(
            Map.entry(Content.Text.class, l -> text(text(l))),
            Map.entry(Content.Fill.class, l -> fill(fill(l))),
            Map.entry(Content.Texture.class, l -> texture(texture(l))),
            Map.entry(Content.Shape.class, l -> shape(shape(l))),
            Map.entry(Content.Trace.class, l -> trace((Content.Trace) l.content())),
            Map.entry(Content.Drawings.class, l -> List.of()),
            Map.entry(Content.Footage.class, Properties::footageOf),
            Map.entry(Content.Still.class, l -> PICTURED),
            Map.entry(Content.Sound.class, l -> SOUND),
            Map.entry(Content.Group.class, l -> List.of()),
            Map.entry(Content.Nested.class, l -> List.of()),
            Map.entry(Content.Again.class, l -> List.of()),
            Map.entry(Content.Adjustment.class, l -> List.of()));

    private static List<Property<?>> footageOf(Layer layer) {
        if (footage(layer).cutOut().isEmpty()) {
            return PICTURED;
        }
        List<Property<?>> all = new ArrayList<>(PICTURED);
        all.addAll(TIDY);
        all.addAll(FIGURE);
        all.add(CLEAN);
        return all;
    }

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
        layer.ink().ifPresent(ink -> ink.strokes().forEach(s -> all.add(stroke(s.id()))));
        layer.effects().forEach(e -> all.addAll(effect(e)));
        if (layer.cut().isPresent()) {
            all.addAll(CUT);
        }
        all.addAll(opening(layer, true));
        all.addAll(opening(layer, false));
        return all;
    }

    private static List<Property<?>> effect(LayerEffect effect) {
        String id = effect.id();
        String prefix = "chain." + id + ".";
        String label = effect.recipe().descriptor().label();
        List<Property<?>> all = new ArrayList<>();
        all.add(Property.number(
                        prefix + "amount",
                        "Amount",
                        Section.EFFECTS,
                        "%",
                        0,
                        1,
                        Optional.empty(),
                        l -> l.effect(id).amount(),
                        (l, v) -> l.withEffect(l.effect(id).withAmount(v)))
                .of(label));
        all.addAll(effect.recipe()
                .properties(
                        prefix,
                        label,
                        Section.EFFECTS,
                        l -> l.effect(id).recipe(),
                        (l, v) -> l.withEffect(l.effect(id).withRecipe(v))));
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

    private static List<Property<?>> text(Content.Text text) {
        List<Property<?>> all = new ArrayList<>();
        look(all, "text.", "", text.look(), Painted.LETTERS, Properties::look, Properties::withLook);
        for (LetterRun run : text.runs()) {
            String id = run.id();
            look(
                    all,
                    "run." + id + ".",
                    run.title(text.words()),
                    run.look(),
                    Painted.run(text, run),
                    l -> text(l).run(id).look(),
                    (l, v) -> l.withContent(text(l).withRun(text(l).run(id).withLook(v))));
        }
        return all;
    }

    private static LetterLook look(Layer layer) {
        return text(layer).look();
    }

    private static Layer withLook(Layer layer, LetterLook look) {
        return layer.withContent(text(layer).withLook(look));
    }

    /** What a look says of letters, in the order of the Sheet. */
    private static void look(
            List<Property<?>> into,
            String prefix,
            String part,
            LetterLook said,
            Painted fill,
            Function<Layer, LetterLook> get,
            BiFunction<Layer, LetterLook, Layer> set) {
        for (LetterLook.Measure m : LetterLook.Measure.values()) {
            if (m == LetterLook.Measure.FILL_OPACITY && said.fill().isPresent()) {
                paint(into, fill, said.fill().get());
            }
            if (m == LetterLook.Measure.EDGE_WIDTH && said.edge().isPresent()) {
                into.add(Property.colour(
                                prefix + "edge",
                                "Edge",
                                Section.LOOK,
                                l -> get.apply(l).edge().orElseThrow(),
                                (l, v) -> set.apply(l, get.apply(l).withEdge(v)))
                        .of(part));
            }
            if (said.measures().containsKey(m)) {
                into.add(Property.number(
                                prefix,
                                m.parameter(),
                                Section.LOOK,
                                m.usuallyDoesNothing(),
                                l -> get.apply(l).measures().get(m),
                                (l, v) -> set.apply(l, get.apply(l).with(m, v)))
                        .of(part));
            }
        }
    }

    /** What can be keyed of a paint. */
    private static void paint(List<Property<?>> into, Painted painted, Paint paint) {
        Painting p = new Painting(into, painted);
        if (paint instanceof Paint.Solid) {
            into.add(Property.colour(
                            painted.colour(),
                            painted.label(),
                            Section.LOOK,
                            l -> ((Paint.Solid) painted.get().apply(l)).colour(),
                            (l, v) -> painted.set().apply(l, new Paint.Solid(v)))
                    .of(painted.part()));
        } else if (paint instanceof Paint.Linear) {
            p.point(
                    "from",
                    "From",
                    Paint.Linear.class,
                    Paint.Linear::from,
                    (g, v) -> new Paint.Linear(v, g.to(), g.stops()));
            p.point(
                    "to",
                    "To",
                    Paint.Linear.class,
                    Paint.Linear::to,
                    (g, v) -> new Paint.Linear(g.from(), v, g.stops()));
        } else if (paint instanceof Paint.Radial) {
            p.point(
                    "centre",
                    "Centre",
                    Paint.Radial.class,
                    Paint.Radial::centre,
                    (g, v) -> new Paint.Radial(v, g.radius(), g.stops()));
            p.number(
                    "radius",
                    "Radius",
                    "px",
                    0,
                    Paint.Radial.class,
                    Paint.Radial::radius,
                    (g, v) -> new Paint.Radial(g.centre(), v, g.stops()));
        } else if (paint instanceof Paint.Conic) {
            p.point(
                    "centre",
                    "Centre",
                    Paint.Conic.class,
                    Paint.Conic::centre,
                    (g, v) -> new Paint.Conic(v, g.angle(), g.stops()));
            p.number(
                    "angle",
                    "Begins at",
                    "°",
                    -FAR,
                    Paint.Conic.class,
                    Paint.Conic::angle,
                    (g, v) -> new Paint.Conic(g.centre(), v, g.stops()));
        }
        if (paint instanceof Paint.Gradient gradient) {
            gradient.stops().forEach(s -> p.stop(s, gradient.stops().indexOf(s) + 1));
        }
    }

    /** The properties of a gradient in the making. */
    private record Painting(List<Property<?>> into, Painted painted) {
        <P extends Paint> void point(
                String word,
                String label,
                Class<P> kind,
                Function<P, Animated<Point>> read,
                BiFunction<P, Animated<Point>, Paint> write) {
            into.add(Property.point(
                            painted.name() + "." + word,
                            label,
                            Section.LOOK,
                            "px",
                            -FAR,
                            FAR,
                            Optional.empty(),
                            l -> read.apply(kind.cast(painted.get().apply(l))),
                            (l, v) -> painted.set()
                                    .apply(
                                            l,
                                            write.apply(kind.cast(painted.get().apply(l)), v)))
                    .of(painted.part()));
        }

        <P extends Paint> void number(
                String word,
                String label,
                String unit,
                double least,
                Class<P> kind,
                Function<P, Animated<Double>> read,
                BiFunction<P, Animated<Double>, Paint> write) {
            into.add(Property.number(
                            painted.name() + "." + word,
                            label,
                            Section.LOOK,
                            unit,
                            least,
                            FAR,
                            Optional.empty(),
                            l -> read.apply(kind.cast(painted.get().apply(l))),
                            (l, v) -> painted.set()
                                    .apply(
                                            l,
                                            write.apply(kind.cast(painted.get().apply(l)), v)))
                    .of(painted.part()));
        }

        void stop(Paint.Stop stop, int number) {
            String id = stop.id();
            String whose = painted.part().isEmpty() ? "Stop " + number : painted.part() + " stop " + number;
            into.add(Property.number(
                            painted.name() + ".stop." + id + ".at",
                            "At",
                            Section.LOOK,
                            "%",
                            0,
                            1,
                            Optional.empty(),
                            l -> gradient(l).stop(id).at(),
                            (l, v) -> painted.set()
                                    .apply(
                                            l,
                                            gradient(l)
                                                    .withStop(
                                                            gradient(l).stop(id).withAt(v))))
                    .of(whose));
            into.add(Property.colour(
                            painted.name() + ".stop." + id + ".colour",
                            "Colour",
                            Section.LOOK,
                            l -> gradient(l).stop(id).colour(),
                            (l, v) -> painted.set()
                                    .apply(
                                            l,
                                            gradient(l)
                                                    .withStop(
                                                            gradient(l).stop(id).withColour(v))))
                    .of(whose));
        }

        private Paint.Gradient gradient(Layer layer) {
            return (Paint.Gradient) painted.get().apply(layer);
        }
    }

    private static Content.Text text(Layer layer) {
        return (Content.Text) layer.content();
    }

    private static Content.Fill fill(Layer layer) {
        return (Content.Fill) layer.content();
    }

    private static List<Property<?>> fill(Content.Fill fill) {
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
        paint(all, Painted.FILL, fill.paint());
        return all;
    }

    private static Content.Texture texture(Layer layer) {
        return (Content.Texture) layer.content();
    }

    private static List<Property<?>> texture(Content.Texture texture) {
        List<Property<?>> all = new ArrayList<>();
        all.add(Property.point(
                "texture.area",
                "Size",
                Section.LOOK,
                "px",
                0,
                FAR,
                Optional.empty(),
                l -> texture(l).size(),
                (l, v) -> l.withContent(new Content.Texture(v, texture(l).recipe()))));
        all.addAll(texture.recipe()
                .properties(
                        "texture.",
                        "",
                        Section.LOOK,
                        l -> texture(l).recipe(),
                        (l, v) -> l.withContent(new Content.Texture(texture(l).size(), v))));
        return all;
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
        shape.coats().forEach(c -> coat(all, c));
        return all;
    }

    private static List<Property<?>> trace(Content.Trace trace) {
        List<Property<?>> all = new ArrayList<>();
        if (trace.along() == Content.Along.SHAPE || trace.along() == Content.Along.BRIGHTNESS) {
            all.add(Property.number(
                    "trace.threshold",
                    "Threshold",
                    Section.LOOK,
                    "%",
                    0.002,
                    0.998,
                    Optional.empty(),
                    l -> ((Content.Trace) l.content()).threshold(),
                    (l, v) -> l.withContent(((Content.Trace) l.content()).withThreshold(v))));
            all.add(Property.number(
                    "trace.least",
                    "Leave out under",
                    Section.LOOK,
                    "px²",
                    0,
                    FAR,
                    Optional.empty(),
                    l -> ((Content.Trace) l.content()).least(),
                    (l, v) -> l.withContent(((Content.Trace) l.content()).withLeast(v))));
        }
        trace.coats().forEach(c -> coat(all, c));
        return all;
    }

    private static void coat(List<Property<?>> all, Coat coat) {
        String part = coat instanceof Coat.Fill ? "Fill" : "Stroke";
        paint(all, Painted.coat(coat), coat.paint());
        all.add(Property.number(
                        "coat." + coat.id() + ".opacity",
                        "Opacity",
                        Section.LOOK,
                        "%",
                        0,
                        1,
                        Optional.of(1.0),
                        l -> coated(l).coat(coat.id()).opacity(),
                        (l, v) -> l.withContent(
                                coated(l).withCoat(coated(l).coat(coat.id()).withOpacity(v))))
                .of(part));
        if (coat instanceof Coat.Stroke) {
            for (Coat.Measure measure : Coat.Measure.values()) {
                if (measure == Coat.Measure.HEAD_GLOW) {
                    all.add(Property.colour(
                                    "coat." + coat.id() + ".headColour",
                                    "Head colour",
                                    Section.LOOK,
                                    l -> stroke(l, coat.id()).head(),
                                    (l, v) -> l.withContent(coated(l)
                                            .withCoat(stroke(l, coat.id()).withHead(v))))
                            .of(part));
                }
                all.add(measure(coat.id(), measure));
            }
        }
    }

    private static Property<Double> measure(String coat, Coat.Measure measure) {
        return Property.number(
                        "coat." + coat + ".",
                        measure.parameter(),
                        Section.LOOK,
                        measure.usuallyDoesNothing(),
                        l -> stroke(l, coat).measure(measure),
                        (l, v) ->
                                l.withContent(coated(l).withCoat(stroke(l, coat).with(measure, v))))
                .of("Stroke");
    }

    private static Content.Shape shape(Layer layer) {
        return (Content.Shape) layer.content();
    }

    private static Content.Coated coated(Layer layer) {
        return (Content.Coated) layer.content();
    }

    private static Coat.Stroke stroke(Layer layer, String coat) {
        return (Coat.Stroke) coated(layer).coat(coat);
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

    private static Property<BezierPath> stroke(String id) {
        return Property.path(
                        "stroke." + id + ".path",
                        "Path",
                        Section.WINDOW,
                        FAR,
                        l -> only(l.ink().orElseThrow().strokes(), s -> s.id().equals(id))
                                .path(),
                        (l, v) -> l.withInk(l.ink()
                                .map(ink -> ink.withStrokes(ink.strokes().stream()
                                        .map(s -> s.id().equals(id) ? s.withPath(v) : s)
                                        .toList()))))
                .of("Stroke " + id);
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
