package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Gradient;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Colour;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Lays out the steps of a picture. Safe for use by several threads. */
public final class Planner {
    private final Sources sources;
    private final Settings settings;

    public Planner(Sources sources, Faces faces) {
        this.sources = sources;
        this.settings = new Settings(faces);
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
    public Step.Paints plan(Moment moment, double scale) {
        return new Layout(moment, scale).stack(moment.shot().layers());
    }

    /** The plan of one layer alone, with its masks and its cut. */
    public Step.Paints plan(Moment moment, String layer, double scale) {
        return new Layout(moment, scale)
                .finished(moment.of(layer).layer())
                .<Step.Paints>map(p -> p)
                .orElseGet(() -> new Stack(List.of()));
    }

    /** The box of a layer in its own space, at a moment: what its handles go round. */
    public Box extent(Moment moment, String id) {
        Moment.Seen seen = moment.of(id);
        Content content = seen.layer().content();
        if (content instanceof Content.Text text) {
            return settings.of(text, seen.frame()).box();
        }
        if (content instanceof Content.Fill fill) {
            Point size = fill.size().at(seen.frame(), Mix.POINT);
            return Box.centred(size.x(), size.y());
        }
        if (content instanceof Content.Footage footage) {
            Sources.Info info = sources.info(footage.media());
            return Box.centred(info.width(), info.height());
        }
        if (content instanceof Content.Still still) {
            Sources.Info info = sources.info(still.media());
            return Box.centred(info.width(), info.height());
        }
        Affine toGroup = seen.toShot().inverse().orElse(Affine.IDENTITY);
        Box box = Box.EMPTY;
        for (Layer inside : ((Content.Group) content).layers()) {
            Affine map = moment.of(inside.id()).toShot().then(toGroup);
            box = box.union(map.apply(extent(moment, inside.id())));
        }
        return box;
    }

    /** One plan in the making. */
    private final class Layout {
        private final Moment moment;
        private final Affine toRaster;
        private final Map<String, Optional<Step.Paints>> uncut = new HashMap<>();

        Layout(Moment moment, double scale) {
            if (!(scale > 0)) {
                throw new IllegalArgumentException("A scale is over 0.");
            }
            this.moment = moment;
            this.toRaster = Affine.scale(scale, scale);
        }

        Stack stack(List<Layer> layers) {
            List<Stack.Entry> entries = new ArrayList<>();
            for (int i = layers.size() - 1; i >= 0; i--) {
                Layer layer = layers.get(i);
                if (moment.shows(layer)) {
                    finished(layer).ifPresent(p -> entries.add(new Stack.Entry(p, layer.blend())));
                }
            }
            return new Stack(entries);
        }

        Optional<Step.Paints> finished(Layer layer) {
            Optional<Step.Paints> whole = uncut(layer);
            if (layer.cut().isEmpty() || whole.isEmpty()) {
                return whole;
            }
            Cut cut = layer.cut().get();
            Optional<Step.Paints> cutter = uncut(moment.of(cut.by()).layer());
            if (cutter.isEmpty()) {
                return cut.keep() == Cut.Keep.INSIDE ? Optional.empty() : whole;
            }
            return Optional.of(new CutBy(whole.get(), cutter.get(), cut.with(), cut.keep()));
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
            Moment.Seen seen = moment.of(layer.id());
            Affine map = seen.toShot().then(toRaster);
            if (!seen.exists() || map.inverse().isEmpty() || seen.opacity() == 0) {
                return Optional.empty();
            }
            Optional<Step.Paints> picture = content(layer.content(), seen.frame(), map);
            if (!layer.masks().isEmpty()) {
                picture = picture.map(p -> new Weighed(p, masks(layer, seen.frame(), map)));
            }
            return seen.opacity() == 1 ? picture : picture.map(p -> new Faded(p, (float) seen.opacity()));
        }

        private Optional<Step.Paints> content(Content content, double frame, Affine map) {
            if (content instanceof Content.Text text) {
                return text(text, frame, map);
            }
            if (content instanceof Content.Fill fill) {
                return fill(fill, frame, map);
            }
            if (content instanceof Content.Footage footage) {
                return footage(footage.media(), frame, map);
            }
            if (content instanceof Content.Still still) {
                return Optional.of(clip(still.media(), 0, map));
            }
            return Optional.of(stack(((Content.Group) content).layers()));
        }

        private Optional<Step.Paints> text(Content.Text text, double frame, Affine map) {
            Outline outline = settings.outline(text, frame);
            if (outline.isEmpty()) {
                return Optional.empty();
            }
            Step.Paints fill = filled(
                    outline.transformed(map),
                    text.fill().at(frame, Colour.MIX),
                    text.fillOpacity().at(frame, Mix.NUMBER));
            double width = text.edgeWidth().at(frame, Mix.NUMBER);
            if (width <= 0) {
                return Optional.of(fill);
            }
            Step.Paints edge = filled(
                    outline.stroked(width).transformed(map),
                    text.edge().at(frame, Colour.MIX),
                    text.edgeOpacity().at(frame, Mix.NUMBER));
            return Optional.of(over(fill, edge));
        }

        private Step.Paints over(Step.Paints below, Step.Paints above) {
            return new Stack(
                    List.of(new Stack.Entry(below, BlendMode.NORMAL), new Stack.Entry(above, BlendMode.NORMAL)));
        }

        private Step.Paints filled(Outline inRaster, Colour colour, double opacity) {
            double alpha = colour.alpha() * Math.min(1, Math.max(0, opacity));
            return new Filled(new Covered(inRaster), new Colour(colour.red(), colour.green(), colour.blue(), alpha));
        }

        private Optional<Step.Paints> fill(Content.Fill fill, double frame, Affine map) {
            Point size = fill.size().at(frame, Mix.POINT);
            Box box = Box.centred(size.x(), size.y());
            if (box.isEmpty()) {
                return Optional.empty();
            }
            Outline shape = Outline.of(box).transformed(map);
            if (fill.paint() instanceof Paint.Solid solid) {
                return Optional.of(filled(shape, solid.colour().at(frame, Colour.MIX), 1));
            }
            List<Double> numbers = new ArrayList<>(List.of(map.a(), map.b(), map.c(), map.d(), map.e(), map.f()));
            Gradient gradient;
            List<Paint.Stop> stops;
            if (fill.paint() instanceof Paint.Linear linear) {
                Point from = linear.from().at(frame, Mix.POINT);
                Point to = linear.to().at(frame, Mix.POINT);
                stops = linear.stops();
                gradient = Gradient.linear(from, to, stops, map);
                numbers.addAll(List.of(0.0, from.x(), from.y(), to.x(), to.y()));
            } else {
                Paint.Radial radial = (Paint.Radial) fill.paint();
                Point centre = radial.centre().at(frame, Mix.POINT);
                double radius = radial.radius().at(frame, Mix.NUMBER);
                stops = radial.stops();
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

        private Optional<Step.Paints> footage(String media, double frame, Affine map) {
            Sources.Info info = sources.info(media);
            long wanted = moment.shot().format().rate().frameOf(info.rate(), (long) Math.floor(frame));
            return wanted < 0 || wanted >= info.frames() ? Optional.empty() : Optional.of(clip(media, wanted, map));
        }

        private Step.Paints clip(String media, long frame, Affine map) {
            Sources.Info info = sources.info(media);
            int level = map.meanScale() <= 0.5 + 1e-9 ? 2 : 1;
            Decoded decoded = new Decoded(sources, media, frame, level);
            Affine fromPixels = Affine.scale(
                            (double) info.width() / decoded.domain().width(),
                            (double) info.height() / decoded.domain().height())
                    .then(Affine.translation(-info.width() / 2.0, -info.height() / 2.0));
            return new Clip(decoded, info.alpha(), fromPixels.then(map));
        }

        private Masks masks(Layer layer, double frame, Affine map) {
            List<Masks.Part> parts = new ArrayList<>();
            for (Mask mask : layer.masks()) {
                BezierPath path = mask.path().at(frame, BezierPath.MIX);
                Step.Shades matte = new Covered(Outline.of(path).transformed(map));
                double sigma = mask.feather().at(frame, Mix.NUMBER) / 2 * map.meanScale();
                if (sigma >= 0.01) {
                    matte = new Feathered(matte, sigma);
                }
                parts.add(new Masks.Part(
                        matte,
                        mask.mode(),
                        mask.inverted(),
                        mask.opacity().at(frame, Mix.NUMBER).floatValue()));
            }
            return new Masks(parts);
        }
    }
}
