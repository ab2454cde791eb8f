package aperta.media.svg;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Stroking;
import aperta.core.render.Planner;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.PathLength;
import aperta.core.shot.Shot;
import aperta.core.time.Mix;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * A shape, a trace or a text on one frame as an SVG file (SVG 1.1), as large as the shot's frame: its paths in their place, its
 * coats of paint. Of strokes that are only drawn in part, or taper, the band that they cover. What lies on top of paths alone
 * is light (halo, softness, heads), and effects, masks and cuts, stay behind.
 */
public final class SvgWriter {
    private static final int PLACES = 4;

    private final StringWriter text = new StringWriter();
    private final XMLStreamWriter xml;
    private int gradients;

    private SvgWriter() throws XMLStreamException {
        xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
    }

    /** @throws IllegalArgumentException with a sentence where the layer has no paths */
    public static String write(Planner planner, Shot shot, long frame, String layer) {
        Moment moment = planner.moment(shot, frame);
        Moment.Seen seen = moment.of(layer);
        Content content = seen.still().content();
        List<BezierPath> paths;
        List<Coat> coats;
        if (content instanceof Content.Shape shape) {
            paths = shape.paths().stream()
                    .map(p -> p.path().at(0, BezierPath.MIX))
                    .toList();
            coats = shape.coats();
        } else if (content instanceof Content.Trace trace) {
            paths = planner.traced(moment, layer);
            coats = trace.coats();
        } else if (content instanceof Content.Text words) {
            paths = planner.outline(words).paths();
            coats = coats(words);
        } else {
            throw new IllegalArgumentException("'" + seen.layer().name() + "' has no paths that SVG could hold.");
        }
        try {
            SvgWriter writer = new SvgWriter();
            writer.document(shot.format(), seen, paths, coats);
            return writer.text.toString();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("SVG couldn't be written.", e);
        }
    }

    /** All letters in the look of the whole. */
    private static List<Coat> coats(Content.Text words) {
        Coat fill = new Coat.Fill("fill", words.fill(), words.measure(LetterLook.Measure.FILL_OPACITY));
        if (words.fixed(LetterLook.Measure.EDGE_WIDTH) <= 0) {
            return List.of(fill);
        }
        Coat edge = Coat.Stroke.of("edge", new Paint.Solid(words.edge()))
                .withOpacity(words.measure(LetterLook.Measure.EDGE_OPACITY))
                .withEnds(Coat.Cap.ROUND, Coat.Corner.ROUND)
                .with(Measure.WIDTH, words.measure(LetterLook.Measure.EDGE_WIDTH));
        return List.of(edge, fill);
    }

    private void document(Format format, Moment.Seen seen, List<BezierPath> paths, List<Coat> coats)
            throws XMLStreamException {
        xml.writeStartDocument("UTF-8", "1.0");
        xml.writeStartElement("svg");
        xml.writeDefaultNamespace("http://www.w3.org/2000/svg");
        xml.writeAttribute("version", "1.1");
        xml.writeAttribute("width", "" + format.width());
        xml.writeAttribute("height", "" + format.height());
        xml.writeAttribute("viewBox", "0 0 " + format.width() + " " + format.height());
        xml.writeStartElement("title");
        xml.writeCharacters(seen.layer().name());
        xml.writeEndElement();
        xml.writeStartElement("g");
        Affine m = seen.toShot();
        xml.writeAttribute("transform", "matrix(" + numbers(m.a(), m.b(), m.c(), m.d(), m.e(), m.f()) + ")");
        if (seen.opacity() < 1) {
            xml.writeAttribute("opacity", number(seen.opacity()));
        }
        for (int i = coats.size() - 1; i >= 0; i--) {
            coat(coats.get(i), paths);
        }
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndDocument();
        xml.flush();
    }

    private void coat(Coat coat, List<BezierPath> paths) throws XMLStreamException {
        if (!(coat instanceof Coat.Stroke stroke)) {
            path(data(paths), coat, "fill", List.of());
        } else if (stroke.fixed(Measure.WIDTH) <= 0) {
            return;
        } else if (isPlain(stroke)) {
            List<String> more = new ArrayList<>(List.of(
                    "fill", "none",
                    "stroke-width", number(stroke.fixed(Measure.WIDTH)),
                    "stroke-linecap", stroke.cap().name().toLowerCase(Locale.ROOT),
                    "stroke-linejoin",
                            stroke.corner() == Coat.Corner.MITRE
                                    ? "miter"
                                    : stroke.corner().name().toLowerCase(Locale.ROOT),
                    "stroke-miterlimit", number(stroke.fixed(Measure.MITRE_LIMIT))));
            if (!stroke.dash().isEmpty()) {
                double[] dash = stroke.dash().stream().mapToDouble(d -> d).toArray();
                more.addAll(List.of(
                        "stroke-dasharray",
                        numbers(dash),
                        "stroke-dashoffset",
                        number(stroke.fixed(Measure.DASH_OFFSET))));
            }
            path(data(paths), coat, "stroke", more);
        } else {
            path(data(Stroking.of(PathLength.ofEach(paths), stroke).paths()), coat, "fill", List.of());
        }
    }

    /** Whether it goes along the whole of each path, as wide everywhere. */
    private static boolean isPlain(Coat.Stroke stroke) {
        return stroke.fixed(Measure.START) <= 0
                && stroke.fixed(Measure.END) >= 1
                && stroke.pacing().turns() != Coat.Turns.ON_ONE
                && stroke.fixed(Measure.TAPER_START) == 0
                && stroke.fixed(Measure.TAPER_END) == 0;
    }

    private void path(String data, Coat coat, String with, List<String> more) throws XMLStreamException {
        double opacity = Math.min(1, Math.max(0, coat.opacity().at(0, Mix.NUMBER)));
        if (data.isEmpty() || opacity == 0) {
            return;
        }
        String paint;
        double alpha = opacity;
        if (coat.paint() instanceof Paint.Solid solid) {
            Colour c = solid.colour().at(0, Mix.COLOUR);
            paint = hex(c);
            alpha *= c.alpha();
        } else {
            paint = "url(#" + gradient((Paint.Gradient) coat.paint()) + ")";
        }
        xml.writeEmptyElement("path");
        xml.writeAttribute("d", data);
        xml.writeAttribute(with, paint);
        if (alpha < 1) {
            xml.writeAttribute(with + "-opacity", number(alpha));
        }
        for (int i = 0; i < more.size(); i += 2) {
            xml.writeAttribute(more.get(i), more.get(i + 1));
        }
    }

    /** @return its id */
    private String gradient(Paint.Gradient paint) throws XMLStreamException {
        String id = "gradient" + ++gradients;
        if (paint instanceof Paint.Linear linear) {
            Point from = linear.from().at(0, Mix.POINT);
            Point to = linear.to().at(0, Mix.POINT);
            xml.writeStartElement("linearGradient");
            attributes("id", id, "gradientUnits", "userSpaceOnUse");
            attributes("x1", number(from.x()), "y1", number(from.y()), "x2", number(to.x()), "y2", number(to.y()));
        } else if (paint instanceof Paint.Radial radial) {
            Point centre = radial.centre().at(0, Mix.POINT);
            xml.writeStartElement("radialGradient");
            attributes("id", id, "gradientUnits", "userSpaceOnUse");
            attributes(
                    "cx",
                    number(centre.x()),
                    "cy",
                    number(centre.y()),
                    "r",
                    number(radial.radius().at(0, Mix.NUMBER)));
        } else {
            throw new IllegalArgumentException("SVG has no gradients that run round a point.");
        }
        for (Paint.At stop : Ramps.mixedTogether(Paint.ramp(paint.stops(), 0, c -> c))) {
            xml.writeEmptyElement("stop");
            attributes("offset", number(stop.at()), "stop-color", hex(stop.colour()));
            if (stop.colour().alpha() < 1) {
                attributes("stop-opacity", number(stop.colour().alpha()));
            }
        }
        xml.writeEndElement();
        return id;
    }

    private void attributes(String... pairs) throws XMLStreamException {
        for (int i = 0; i < pairs.length; i += 2) {
            xml.writeAttribute(pairs[i], pairs[i + 1]);
        }
    }

    private static String data(List<BezierPath> paths) {
        StringBuilder d = new StringBuilder();
        for (BezierPath path : paths) {
            Point first = path.knots().get(0).at();
            d.append(d.length() == 0 ? "M" : " M").append(numbers(first.x(), first.y()));
            for (int i = 0; i < path.segments(); i++) {
                var c = path.curve(i);
                if (c.isStraight()) {
                    d.append(" L").append(numbers(c.p3().x(), c.p3().y()));
                } else {
                    d.append(" C")
                            .append(numbers(c.p1().x(), c.p1().y(), c.p2().x(), c.p2().y(), c.p3().x(), c.p3().y()));
                }
            }
            d.append(path.closed() ? " Z" : "");
        }
        return d.toString();
    }

    private static String hex(Colour c) {
        return String.format(
                "#%02x%02x%02x", Math.round(c.red() * 255), Math.round(c.green() * 255), Math.round(c.blue() * 255));
    }

    private static String numbers(double... all) {
        StringBuilder s = new StringBuilder();
        for (double v : all) {
            s.append(s.length() == 0 ? "" : " ").append(number(v));
        }
        return s.toString();
    }

    private static String number(double v) {
        BigDecimal d = BigDecimal.valueOf(v).setScale(PLACES, RoundingMode.HALF_EVEN);
        return d.signum() == 0 ? "0" : d.stripTrailingZeros().toPlainString();
    }
}
