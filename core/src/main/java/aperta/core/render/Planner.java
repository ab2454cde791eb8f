package aperta.core.render;

import aperta.core.edit.Edit;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.outline.Contour;
import aperta.core.outline.Outline;
import aperta.core.outline.Stroking;
import aperta.core.picture.Gradient;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Colour;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Light;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import aperta.core.time.Mix;
import aperta.core.time.Rate;
import aperta.core.type.Pieces;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Lays out the steps of a picture, and knows how large layers are and what their openings do. Safe for use by several
 * threads.
 */
public final class Planner implements Opener, Edit.Extents {
    /** How far something moves between two samples of motion blur, in raster pixels. */
    private static final double APART = 1.5;

    /**
     * When it is looked whether anything changes while the shutter is open, and how far. Two of them lie at no simple share, so
     * that what swings to and fro in just that time isn't taken for still.
     */
    private static final double[] LOOKS = {0, 0.5 - Math.sqrt(5) / 10, 0.5, (Math.sqrt(5) - 1) / 2, 1};

    private static final int FEWEST = 8;
    private static final int MOST = 64;
    /** What letters that move by themselves are taken to travel while the shutter is open, in raster pixels. */
    private static final double LETTERS_TRAVEL = 16 * APART;

    /** A smaller σ, in raster pixels, can't be seen. */
    private static final double LEAST_BLUR = 0.05;

    /** A narrower feather, in raster pixels, can't be seen. */
    private static final double LEAST_FEATHER = 0.02;

    /** A smaller move of an edge, in raster pixels, can't be seen. */
    private static final double LEAST_SPREAD = 0.01;

    private final Sources sources;
    private final Settings settings;

    public Planner(Sources sources, Faces faces) {
        this.sources = sources;
        this.settings = new Settings(faces);
    }

    private Planner(Sources sources, Settings settings) {
        this.sources = sources;
        this.settings = settings;
    }

    /** The same for small pictures that are measured, not looked at. */
    public Planner small() {
        return new Planner(new Reduced(sources), settings);
    }

    /** The pixels of a whole frame at a scale; sides are rounded to whole pixels, at least one. */
    public static Region frame(Format format, double scale) {
        return new Region(0, 0, (int) Math.max(1, Math.round(format.width() * scale)), (int)
                Math.max(1, Math.round(format.height() * scale)));
    }

    /**
     * The plan of all that shows at a moment.
     *
     * @param scale raster pixels for a pixel of the shot, over 0
     * @throws IllegalArgumentException where a media or a font is missing
     */
    public Plan plan(Moment moment, double scale) {
        return plan(moment, scale, new Layout(moment, scale).stack(moment.shot().layers()));
    }

    private static Plan plan(Moment moment, double scale, Step.Paints picture) {
        Format format = moment.shot().format();
        return new Plan(picture, frame(format, scale), format.light());
    }

    /** The plan of one layer alone, with its masks and its cut. */
    public Plan plan(Moment moment, String layer, double scale) {
        Optional<Step.Paints> alone =
                new Layout(moment, scale).finished(moment.of(layer).layer());
        return plan(moment, scale, alone.orElseGet(() -> new Stack(List.of())));
    }

    /** What each layer of a moment covers, from the top; clips without alpha are taken as plain boxes. */
    List<Area> areas(Moment moment, double scale) {
        return new Layout(moment, scale, Optional.empty(), true)
                .areas(moment.shot().layers());
    }

    /** The outlines of the letters of a text whose values are fixed, in its own space. */
    public List<Outline> letters(Content.Text text) {
        return Pieces.of(settings.of(text, 0), text.words(), Opened.Unit.LETTERS).stream()
                .map(p -> p.setting().outline())
                .toList();
    }

    /** A moment of a shot with all that its layers come from and go to. */
    public Moment moment(Shot shot, double frame) {
        return new Moment(shot, frame, this);
    }

    @Override
    public Opened opened(Recipe opening, Passage.Way way, Opener.Subject subject) {
        return Openings.of(opening.kind()).at(opening, way, subject);
    }

    @Override
    public Box box(Layer still) {
        if (still.content() instanceof Content.Text text) {
            double edge = text.edgeWidth().at(0, Mix.NUMBER);
            return settings.outline(text, 0).bounds().grown(edge / 2 + 1);
        }
        if (still.content() instanceof Content.Shape shape) {
            double reach = shape.coats().stream()
                    .mapToDouble(c -> c instanceof Coat.Stroke stroke ? Stroking.reach(stroke) : 0)
                    .max()
                    .orElse(0);
            return extent(shape).grown(reach);
        }
        return extent(still.content());
    }

    @Override
    public List<Piece> pieces(Content.Text text, Opened.Unit unit) {
        return Pieces.of(settings.of(text, 0), text.words(), unit).stream()
                .map(p -> new Piece(p.words(), p.setting().outline().bounds().centre()))
                .toList();
    }

    @Override
    public Outline outline(Content.Text text) {
        return settings.outline(text, 0);
    }

    @Override
    public Opener opener() {
        return this;
    }

    /** The box of a layer in its own space, at a moment: what its handles go round. */
    @Override
    public Box extent(Moment moment, String id) {
        Moment.Seen seen = moment.of(id);
        if (!(seen.still().content() instanceof Content.Group group)) {
            return extent(seen.still().content());
        }
        Affine toGroup = seen.toShot().inverse().orElse(Affine.IDENTITY);
        Box box = Box.EMPTY;
        for (Layer inside : group.layers()) {
            Affine map = moment.of(inside.id()).toShot().then(toGroup);
            box = box.union(map.apply(extent(moment, inside.id())));
        }
        return box;
    }

    /** The box of content whose values are fixed. */
    private Box extent(Content content) {
        if (content instanceof Content.Text text) {
            return settings.of(text, 0).box();
        }
        if (content instanceof Content.Fill fill) {
            Point size = fill.size().at(0, Mix.POINT);
            return Box.centred(size.x(), size.y());
        }
        if (content instanceof Content.Sound) {
            return Box.EMPTY;
        }
        if (content instanceof Content.Shape shape) {
            Box box = Box.EMPTY;
            for (BezierPath path : paths(shape)) {
                box = box.union(Outline.of(path).bounds());
            }
            return box;
        }
        Sources.Info info = sources.info(((Content.Pictured) content).media());
        return Box.centred(info.width(), info.height());
    }

    private static List<BezierPath> paths(Content.Shape still) {
        return still.paths().stream().map(p -> p.path().at(0, BezierPath.MIX)).toList();
    }

    /** One plan in the making. */
    private final class Layout {
        private final Moment moment;
        private final double scale;
        private final Affine toRaster;
        private final Light light;
        private final Optional<Layout> whole;
        private final boolean plain;
        private final Map<String, Optional<Step.Paints>> uncut = new HashMap<>();
        private final Map<Double, Layout> samples = new HashMap<>();

        Layout(Moment moment, double scale) {
            this(moment, scale, Optional.empty(), false);
        }

        /**
         * @param whole the layout of which this one is a sample, for motion blur
         * @param plain whether only what is covered matters: nothing is decoded that hasn't alpha, nothing is blurred by
         *     its motion
         */
        private Layout(Moment moment, double scale, Optional<Layout> whole, boolean plain) {
            if (!(scale > 0)) {
                throw new IllegalArgumentException("A scale is over 0.");
            }
            this.moment = moment;
            this.scale = scale;
            this.toRaster = Affine.scale(scale, scale);
            this.light = moment.shot().format().light();
            this.whole = whole;
            this.plain = plain;
        }

        /** What exists and which frames are shown is the same for all samples of a frame. */
        private Moment.Seen unblurred(String id) {
            return whole.map(w -> w.moment).orElse(moment).of(id);
        }

        Stack stack(List<Layer> layers) {
            List<Stack.Entry> entries = new ArrayList<>();
            for (int i = layers.size() - 1; i >= 0; i--) {
                Layer layer = layers.get(i);
                if (moment.shows(layer)) {
                    finished(layer).ifPresent(p -> entries.add(new Stack.Entry(p, layer.blend(), layer.join())));
                }
            }
            return new Stack(entries);
        }

        Optional<Step.Paints> finished(Layer layer) {
            Optional<Step.Paints> whole = uncut(layer);
            if (layer.cut().isEmpty() || whole.isEmpty()) {
                return whole;
            }
            Cut cut = moment.of(layer.id()).still().cut().orElseThrow();
            // How bright a clip is can't be told from its box.
            Layout of = plain && cut.with() == Cut.With.BRIGHTNESS ? new Layout(moment, scale) : this;
            Optional<Step.Paints> cutter = of.uncut(moment.of(cut.by()).layer());
            if (cutter.isEmpty()) {
                return cut.keep() == Cut.Keep.INSIDE ? Optional.empty() : whole;
            }
            return Optional.of(new CutBy(whole.get(), matte(cut, cutter.get()), cut.keep()));
        }

        List<Area> areas(List<Layer> layers) {
            List<Area> all = new ArrayList<>();
            for (Layer layer : layers) {
                if (layer.content() instanceof Content.Sound) {
                    continue;
                }
                List<Area> inside = layer.content() instanceof Content.Group group ? areas(group.layers()) : List.of();
                boolean shows = moment.shows(layer);
                all.add(new Area(
                        moment.of(layer.id()),
                        shows,
                        own(layer),
                        uncut(layer),
                        shows ? finished(layer) : Optional.empty(),
                        inside));
            }
            return all;
        }

        /** All that a layer would show without masks, cuts, opacity, and with its letters in their places. */
        private Optional<Step.Paints> own(Layer layer) {
            Moment.Seen seen = moment.of(layer.id());
            Affine map = seen.toShot().then(toRaster);
            if (!seen.exists() || map.inverse().isEmpty()) {
                return Optional.empty();
            }
            if (seen.still().content() instanceof Content.Text text) {
                return text(text, Optional.empty(), map);
            }
            if (seen.still().content() instanceof Content.Group group) {
                List<Stack.Entry> all = new ArrayList<>();
                for (Layer inside : group.layers()) {
                    if (moment.shows(inside)) {
                        own(inside).ifPresent(p -> all.add(new Stack.Entry(p, BlendMode.NORMAL)));
                    }
                }
                return Optional.of(new Stack(all));
            }
            return content(seen, map);
        }

        private Step.Shades matte(Cut cut, Step.Paints cutter) {
            Step.Shades matte = new Taken(cutter, cut.with(), light);
            Cut.Tone tone = cut.tone();
            if (!tone.leavesValues()) {
                matte = new Toned(matte, tone);
            }
            double spread = tone.spread().at(0, Mix.NUMBER) * scale;
            if (Math.abs(spread) >= LEAST_SPREAD) {
                matte = new Spread(matte, spread);
            }
            double sigma = tone.blur().at(0, Mix.NUMBER) * scale;
            return sigma >= LEAST_BLUR ? new Feathered(matte, sigma) : matte;
        }

        /** The layer's picture before its own cut; nothing where it is not there or too flat to be seen. */
        Optional<Step.Paints> uncut(Layer layer) {
            Optional<Step.Paints> known = uncut.get(layer.id());
            if (known == null) {
                known = build(layer);
                uncut.put(layer.id(), known);
            }
            return known;
        }

        private Optional<Step.Paints> build(Layer layer) {
            boolean blurred = layer.motionBlur()
                    && whole.isEmpty()
                    && !plain
                    && moment.of(layer.id()).exists();
            return blurred ? inMotion(layer) : atOnce(layer);
        }

        private Optional<Step.Paints> atOnce(Layer layer) {
            Moment.Seen seen = moment.of(layer.id());
            Affine map = seen.toShot().then(toRaster);
            if (!unblurred(layer.id()).exists() || map.inverse().isEmpty() || seen.opacity() == 0) {
                return Optional.empty();
            }
            Optional<Step.Paints> picture = content(seen, map);
            List<Mask> masks = seen.still().masks();
            if (!masks.isEmpty()) {
                picture = picture.map(p -> new Weighed(p, masks(masks, map)));
            }
            double sigma = seen.still().place().blur().at(0, Mix.NUMBER) * scale;
            if (sigma >= LEAST_BLUR) {
                picture = picture.map(p -> new Blurred(p, sigma));
            }
            return seen.opacity() == 1 ? picture : picture.map(p -> new Faded(p, (float) seen.opacity()));
        }

        /** The mean over the time that the shutter is open, where anything changes in it. */
        private Optional<Step.Paints> inMotion(Layer layer) {
            Shutter shutter = moment.shot().shutter();
            if (shutter.length() == 0) {
                return atOnce(layer);
            }
            Optional<ContentKey> first = sample(LOOKS[0]).atOnce(layer).map(Step::key);
            boolean still = true;
            double travel = 0;
            for (int i = 1; i < LOOKS.length; i++) {
                still &= sample(LOOKS[i]).atOnce(layer).map(Step::key).equals(first);
                travel += sample(LOOKS[i - 1]).travel(layer, sample(LOOKS[i]));
            }
            if (still) {
                return atOnce(layer);
            }
            int count = FEWEST;
            while (count < MOST && count * APART < travel) {
                count *= 2;
            }
            List<Step.Paints> all = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                sample((i + 0.5) / count).atOnce(layer).ifPresent(all::add);
            }
            return all.isEmpty() ? Optional.empty() : Optional.of(new Averaged(all, count));
        }

        /** @param share of the time that the shutter is open */
        private Layout sample(double share) {
            return samples.computeIfAbsent(share, s -> {
                Shutter shutter = moment.shot().shutter();
                double frame = moment.frame() + shutter.opens() + s * shutter.length();
                return new Layout(moment(moment.shot(), frame), scale, Optional.of(this), false);
            });
        }

        /** How far a layer's corners move from here to another time, at most, in raster pixels. */
        private double travel(Layer layer, Layout to) {
            Box from = extent(moment, layer.id());
            double most = 0;
            for (Point p : from.corners()) {
                Point here = moment.of(layer.id()).toShot().apply(p);
                Point there = to.moment.of(layer.id()).toShot().apply(p);
                most = Math.max(most, there.minus(here).length() * scale);
            }
            boolean pieces = moment.of(layer.id()).pieces().isPresent();
            return pieces ? Math.max(most, LETTERS_TRAVEL) : most;
        }

        private Optional<Step.Paints> content(Moment.Seen seen, Affine map) {
            Content content = seen.still().content();
            if (content instanceof Content.Text text) {
                return text(text, seen.pieces(), map);
            }
            if (content instanceof Content.Fill fill) {
                return fill(fill, map);
            }
            if (content instanceof Content.Shape shape) {
                return shape(shape, map);
            }
            if (content instanceof Content.Footage footage) {
                return footage(footage.media(), seen.layer(), map).map(p -> tamed(p, footage));
            }
            if (content instanceof Content.Still still) {
                return Optional.of(tamed(clip(still.media(), 0, map), still));
            }
            return content instanceof Content.Group group ? Optional.of(stack(group.layers())) : Optional.empty();
        }

        private Optional<Step.Paints> text(Content.Text text, Optional<Opened.Pieces> pieces, Affine map) {
            if (pieces.isEmpty()) {
                return words(text, settings.outline(text, 0), map);
            }
            List<Pieces.Piece> parts =
                    Pieces.of(settings.of(text, 0), text.words(), pieces.get().unit());
            List<Stack.Entry> all = new ArrayList<>();
            for (int i = 0; i < parts.size(); i++) {
                Pose pose = pieces.get().of(i, parts.size());
                piece(text, parts.get(i).setting().outline(), pose, map)
                        .ifPresent(p -> all.add(new Stack.Entry(p, BlendMode.NORMAL)));
            }
            return all.isEmpty() ? Optional.empty() : Optional.of(new Stack(all));
        }

        /** One piece of some words, in its pose about its own middle. */
        private Optional<Step.Paints> piece(Content.Text text, Outline outline, Pose pose, Affine map) {
            Point c = outline.bounds().centre();
            Affine own = Affine.translation(-c.x(), -c.y())
                    .then(Affine.scale(pose.scale().x(), pose.scale().y()))
                    .then(Affine.rotation(pose.turn()))
                    .then(Affine.translation(
                            c.x() + pose.shift().x(), c.y() + pose.shift().y()));
            if (pose.opacity() == 0 || own.inverse().isEmpty()) {
                return Optional.empty();
            }
            Optional<Step.Paints> picture = words(text, outline, own.then(map));
            double sigma = pose.blur() * map.meanScale();
            if (sigma >= LEAST_BLUR) {
                picture = picture.map(p -> new Blurred(p, sigma));
            }
            return pose.opacity() == 1 ? picture : picture.map(p -> new Faded(p, (float) pose.opacity()));
        }

        private Optional<Step.Paints> words(Content.Text text, Outline outline, Affine map) {
            if (outline.isEmpty()) {
                return Optional.empty();
            }
            Step.Paints fill = filled(
                    outline.transformed(map),
                    text.fill().at(0, Colour.MIX),
                    text.fillOpacity().at(0, Mix.NUMBER));
            double width = text.edgeWidth().at(0, Mix.NUMBER);
            if (width <= 0) {
                return Optional.of(fill);
            }
            Step.Paints edge = filled(
                    outline.stroked(width).transformed(map),
                    text.edge().at(0, Colour.MIX),
                    text.edgeOpacity().at(0, Mix.NUMBER));
            return Optional.of(over(fill, edge));
        }

        private Step.Paints over(Step.Paints below, Step.Paints above) {
            return new Stack(
                    List.of(new Stack.Entry(below, BlendMode.NORMAL), new Stack.Entry(above, BlendMode.NORMAL)));
        }

        private Step.Paints filled(Outline inRaster, Colour colour, double opacity) {
            Colour lit = Transfer.of(light).toLight(colour);
            double alpha = lit.alpha() * Math.min(1, Math.max(0, opacity));
            return new Filled(new Covered(inRaster), new Colour(lit.red(), lit.green(), lit.blue(), alpha));
        }

        private Optional<Step.Paints> shape(Content.Shape shape, Affine map) {
            List<BezierPath> paths = paths(shape);
            List<Stack.Entry> all = new ArrayList<>();
            for (int i = shape.coats().size() - 1; i >= 0; i--) {
                Coat coat = shape.coats().get(i);
                Outline outline = Outline.NOTHING;
                if (coat instanceof Coat.Stroke stroke) {
                    outline = Stroking.of(paths, stroke);
                } else {
                    for (BezierPath path : paths) {
                        outline = outline.and(Outline.of(path));
                    }
                }
                if (!outline.isEmpty()) {
                    Step.Paints filled = filled(
                            outline.transformed(map),
                            coat.colour().at(0, Colour.MIX),
                            coat.opacity().at(0, Mix.NUMBER));
                    all.add(new Stack.Entry(filled, BlendMode.NORMAL));
                }
            }
            return switch (all.size()) {
                case 0 -> Optional.empty();
                case 1 -> Optional.of(all.get(0).picture());
                default -> Optional.of(new Stack(all));
            };
        }

        private Optional<Step.Paints> fill(Content.Fill fill, Affine map) {
            Point size = fill.size().at(0, Mix.POINT);
            Box box = Box.centred(size.x(), size.y());
            if (box.isEmpty()) {
                return Optional.empty();
            }
            Outline shape = Outline.of(box).transformed(map);
            if (fill.paint() instanceof Paint.Solid solid) {
                return Optional.of(filled(shape, solid.colour().at(0, Colour.MIX), 1));
            }
            List<Double> numbers = new ArrayList<>(List.of(map.a(), map.b(), map.c(), map.d(), map.e(), map.f()));
            Gradient gradient;
            List<Paint.Stop> stops;
            if (fill.paint() instanceof Paint.Linear linear) {
                Point from = linear.from().at(0, Mix.POINT);
                Point to = linear.to().at(0, Mix.POINT);
                stops = lit(linear.stops());
                gradient = Gradient.linear(from, to, stops, map);
                numbers.addAll(List.of(0.0, from.x(), from.y(), to.x(), to.y()));
            } else {
                Paint.Radial radial = (Paint.Radial) fill.paint();
                Point centre = radial.centre().at(0, Mix.POINT);
                double radius = radial.radius().at(0, Mix.NUMBER);
                stops = lit(radial.stops());
                gradient = Gradient.radial(centre, radius, stops, map);
                numbers.addAll(List.of(1.0, centre.x(), centre.y(), radius));
            }
            for (Paint.Stop s : stops) {
                Colour c = s.colour();
                numbers.addAll(List.of(s.at(), c.red(), c.green(), c.blue(), c.alpha()));
            }
            return Optional.of(new Filled(
                    new Covered(shape),
                    gradient,
                    numbers.stream().mapToDouble(Double::doubleValue).toArray()));
        }

        private List<Paint.Stop> lit(List<Paint.Stop> stops) {
            Transfer transfer = Transfer.of(light);
            return stops.stream()
                    .map(s -> new Paint.Stop(s.at(), transfer.toLight(s.colour())))
                    .toList();
        }

        private Step.Paints tamed(Step.Paints picture, Content.Pictured content) {
            double exposure = content.exposure().at(0, Mix.NUMBER);
            double saturation = content.saturation().at(0, Mix.NUMBER);
            return exposure == 0 && saturation == 1 ? picture : new Tamed(picture, exposure, saturation, light);
        }

        private Optional<Step.Paints> footage(String media, Layer layer, Affine map) {
            Moment.Seen seen = unblurred(layer.id());
            double content = seen.content();
            Sources.Info info = sources.info(media);
            Rate rate = moment.shot().format().rate();
            if (!layer.pace().mixed()) {
                boolean retimed = seen.speed() != 1 || content != Math.rint(content);
                return frame(
                        media,
                        retimed ? rate.frameOf(info.rate(), content) : rate.frameOf(info.rate(), (long) content),
                        map);
            }
            double at = rate.positionOf(info.rate(), content);
            long before = (long) Math.floor(at);
            double share = at - before;
            Optional<Step.Paints> one = frame(media, before, map);
            Optional<Step.Paints> next = share > 0 ? frame(media, before + 1, map) : Optional.empty();
            return one.isPresent() && next.isPresent()
                    ? Optional.of(new Dissolved(one.get(), next.get(), (float) share))
                    : one.or(() -> next);
        }

        private Optional<Step.Paints> frame(String media, long frame, Affine map) {
            return frame < 0 || frame >= sources.info(media).frames()
                    ? Optional.empty()
                    : Optional.of(clip(media, frame, map));
        }

        private Step.Paints clip(String media, long frame, Affine map) {
            Sources.Info info = sources.info(media);
            if (plain && !info.alpha()) {
                return filled(
                        Outline.of(Box.centred(info.width(), info.height())).transformed(map), Colour.BLACK, 1);
            }
            // Smaller frames are means of display-encoded samples, which are not those of amounts of light.
            int level = light == Light.DISPLAY ? sources.level(map.meanScale()) : 1;
            Decoded decoded = new Decoded(sources, media, frame, level);
            Affine fromPixels =
                    Affine.scale(level, level).then(Affine.translation(-info.width() / 2.0, -info.height() / 2.0));
            return new Clip(
                    decoded,
                    (double) info.width() / level,
                    (double) info.height() / level,
                    info.alpha(),
                    light,
                    fromPixels.then(map));
        }

        private Masks masks(List<Mask> masks, Affine map) {
            List<Masks.Part> parts = new ArrayList<>();
            for (Mask mask : masks) {
                Step.Shades matte = matte(mask, mask.lock() == Mask.Lock.FRAME ? toRaster : map);
                parts.add(new Masks.Part(
                        matte,
                        mask.mode(),
                        mask.inverted(),
                        mask.opacity().at(0, Mix.NUMBER).floatValue()));
            }
            return new Masks(parts);
        }

        private Step.Shades matte(Mask mask, Affine map) {
            BezierPath path = mask.path().at(0, BezierPath.MIX);
            double feather = mask.feather().at(0, Mix.NUMBER) * map.meanScale();
            double outset = mask.outset().at(0, Mix.NUMBER) * map.meanScale();
            if (path.hasFeather()) {
                return new Edged(Contour.of(path, map), outset, feather);
            }
            Step.Shades sharp = outset == 0
                    ? new Covered(Outline.of(path).transformed(map))
                    : new Edged(Contour.of(path, map), outset, 0);
            return feather >= LEAST_FEATHER ? new Feathered(sharp, feather / 2) : sharp;
        }
    }
}
