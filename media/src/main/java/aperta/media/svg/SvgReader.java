package aperta.media.svg;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.apache.batik.anim.dom.SAXSVGDocumentFactory;
import org.apache.batik.bridge.BridgeContext;
import org.apache.batik.bridge.BridgeException;
import org.apache.batik.bridge.DocumentLoader;
import org.apache.batik.bridge.ExternalResourceSecurity;
import org.apache.batik.bridge.GVTBuilder;
import org.apache.batik.bridge.NoLoadExternalResourceSecurity;
import org.apache.batik.bridge.TextNode;
import org.apache.batik.bridge.UserAgentAdapter;
import org.apache.batik.ext.awt.LinearGradientPaint;
import org.apache.batik.ext.awt.MultipleGradientPaint;
import org.apache.batik.ext.awt.RadialGradientPaint;
import org.apache.batik.gvt.CanvasGraphicsNode;
import org.apache.batik.gvt.CompositeGraphicsNode;
import org.apache.batik.gvt.CompositeShapePainter;
import org.apache.batik.gvt.FillShapePainter;
import org.apache.batik.gvt.GraphicsNode;
import org.apache.batik.gvt.ShapeNode;
import org.apache.batik.gvt.ShapePainter;
import org.apache.batik.gvt.StrokeShapePainter;
import org.apache.batik.util.ParsedURL;
import org.w3c.dom.DOMException;
import org.w3c.dom.Document;

/**
 * Reads SVG files as shapes: paths, basic shapes, groups and what is used again, with their transforms, fills, strokes,
 * gradients and opacities (SVG 1.1; Batik builds the tree). Every path keeps its Bézier curves.
 */
public final class SvgReader {
    private static final int MOST_LAYERS = 400;
    private static final double SAME = 1e-6;

    /**
     * What was read.
     *
     * @param layer a group in the middle of the frame, made smaller where it is larger than that
     * @param left a sentence for each kind of thing that wasn't taken over
     */
    public record Read(Layer layer, List<String> left) {}

    private final long length;
    private final Set<String> left = new TreeSet<>();
    private int layers;
    /** How many layers there were before the shape that is being read. */
    private int before;

    private SvgReader(long length) {
        this.length = length;
    }

    /**
     * @param id of the group; the layers in it have ids that begin with it
     * @param length of the layers, in frames
     * @throws BadSvg with a sentence where the file can't be read, or is refused
     */
    public static Read read(byte[] file, String id, String name, Format format, long length) {
        SvgReader reader = new SvgReader(length);
        try {
            Document document = new SAXSVGDocumentFactory(null)
                    .createDocument("file:/none.svg", new ByteArrayInputStream(SafeSvg.of(file)));
            BridgeContext context = context();
            GraphicsNode root = new GVTBuilder().build(context, document);
            List<Layer> all = new ArrayList<>();
            reader.add(root, new AffineTransform(), 1, id, all);
            if (all.isEmpty()) {
                throw new BadSvg("There is nothing in it that could be taken over"
                        + (reader.left.isEmpty() ? "." : ": " + String.join(" ", reader.left)));
            }
            // The uppermost first.
            Collections.reverse(all);
            double width = context.getDocumentSize().getWidth();
            double height = context.getDocumentSize().getHeight();
            double fits = Math.min(1, Math.min(format.width() / width, format.height() / height));
            Place place = Place.at(format.centre())
                    .withAnchor(Animated.of(new Point(width / 2, height / 2)))
                    .withScale(Animated.of(new Point(fits, fits)));
            Layer group = Layer.of(id, name, new Content.Group(all), new Span(0, length, 0), place);
            return new Read(group, List.copyOf(reader.left));
        } catch (IOException | BridgeException | DOMException e) {
            String why = e.getMessage() == null
                    ? ""
                    : e.getMessage().lines().findFirst().orElse("").strip();
            throw new BadSvg("The file can't be read as SVG" + (why.isEmpty() ? "." : ": " + why), e);
        }
    }

    private static BridgeContext context() {
        UserAgentAdapter agent = new UserAgentAdapter() {
            @Override
            public ExternalResourceSecurity getExternalResourceSecurity(ParsedURL resource, ParsedURL document) {
                return new NoLoadExternalResourceSecurity();
            }
        };
        BridgeContext context = new BridgeContext(agent, new DocumentLoader(agent));
        context.setDynamic(false);
        return context;
    }

    private void add(GraphicsNode node, AffineTransform outer, double opacity, String id, List<Layer> into) {
        if (!node.isVisible()) {
            return;
        }
        AffineTransform map = new AffineTransform(outer);
        if (node.getTransform() != null) {
            map.concatenate(node.getTransform());
        }
        double alpha = node.getComposite() instanceof AlphaComposite c ? c.getAlpha() : 1;
        notes(node);
        if (node instanceof CompositeGraphicsNode group) {
            children(group, map, opacity, alpha, id, into);
        } else if (node instanceof ShapeNode shape) {
            shape(shape, map, opacity * alpha, into, id);
        } else if (node instanceof TextNode) {
            left.add("Text isn't taken over; make outlines of it where it was made.");
        } else {
            left.add("Pictures in it aren't taken over; bring them in by themselves.");
        }
    }

    /** Only what lies together in one group fades as one. */
    private void children(
            CompositeGraphicsNode group,
            AffineTransform map,
            double opacity,
            double alpha,
            String id,
            List<Layer> into) {
        if (alpha >= 1 || group.getChildren().size() == 1) {
            for (Object child : group.getChildren()) {
                add((GraphicsNode) child, map, opacity * alpha, id, into);
            }
            return;
        }
        List<Layer> inside = new ArrayList<>();
        for (Object child : group.getChildren()) {
            add((GraphicsNode) child, map, 1, id, inside);
        }
        if (!inside.isEmpty()) {
            Collections.reverse(inside);
            Layer layer = layer(id, "Group", new Content.Group(inside), Point.ORIGIN);
            into.add(layer.withPlace(layer.place().withOpacity(Animated.of(opacity * alpha))));
        }
    }

    private void notes(GraphicsNode node) {
        if (node.getClip() != null && !(node instanceof CanvasGraphicsNode)) {
            left.add("Clipping paths aren't taken over; what they clip shows whole.");
        }
        if (node.getMask() != null) {
            left.add("Masks aren't taken over; what they mask shows whole.");
        }
        if (node.getFilter() != null) {
            left.add("Filters aren't taken over.");
        }
    }

    private void shape(ShapeNode node, AffineTransform map, double opacity, List<Layer> into, String id) {
        before = into.size();
        List<ShapePainter> painters = new ArrayList<>();
        flatten(node.getShapePainter(), painters);
        for (ShapePainter painter : painters) {
            if (painter instanceof FillShapePainter fill && fill.getPaint() != null) {
                Shape filled = evenOdd(node.getShape()) ? new Area(node.getShape()) : node.getShape();
                painted(filled, fill.getPaint(), map, opacity, into, id);
            } else if (painter instanceof StrokeShapePainter stroke
                    && stroke.getPaint() != null
                    && stroke.getStroke() instanceof BasicStroke pen) {
                stroked(node.getShape(), pen, stroke.getPaint(), map, opacity, into, id);
            } else if (!(painter instanceof FillShapePainter) && !(painter instanceof StrokeShapePainter)) {
                left.add("Markers at the ends and corners of lines aren't taken over.");
            }
        }
    }

    private static void flatten(ShapePainter painter, List<ShapePainter> into) {
        if (painter instanceof CompositeShapePainter all) {
            for (int i = 0; i < all.getShapePainterCount(); i++) {
                flatten(all.getShapePainter(i), into);
            }
        } else if (painter != null) {
            into.add(painter);
        }
    }

    private static boolean evenOdd(Shape shape) {
        return shape.getPathIterator(null).getWindingRule() == PathIterator.WIND_EVEN_ODD;
    }

    /** A fill; where its gradient is an ellipse, in a space in which that is a circle. */
    private void painted(
            Shape shape, java.awt.Paint paint, AffineTransform map, double opacity, List<Layer> into, String id) {
        Ellipse space = paint instanceof RadialGradientPaint radial ? Ellipse.of(gradient(radial, map)) : Ellipse.ROUND;
        Shape there = map.createTransformedShape(shape);
        Rectangle2D box = there.getBounds2D();
        Point middle = new Point(box.getCenterX(), box.getCenterY());
        Affine toOwn = Affine.translation(-middle.x(), -middle.y()).then(space.inverse());
        Paint own = paint(paint, map, toOwn);
        if (own != null) {
            put(there, toOwn, new Coat.Fill("fill", own, Animated.of(opacity)), space, middle, into, id);
        }
    }

    /** A line; where it is stretched one way more than the other, the band that it covers. */
    private void stroked(
            Shape shape,
            BasicStroke pen,
            java.awt.Paint paint,
            AffineTransform map,
            double opacity,
            List<Layer> into,
            String id) {
        double det = Math.abs(map.getDeterminant());
        boolean even = Math.abs(map.getScaleX() * map.getShearX() + map.getShearY() * map.getScaleY()) < SAME * det
                && Math.abs(Math.hypot(map.getScaleX(), map.getShearY()) - Math.hypot(map.getShearX(), map.getScaleY()))
                        < SAME * Math.sqrt(det);
        if (!even || paint instanceof RadialGradientPaint) {
            painted(pen.createStrokedShape(shape), paint, map, opacity, into, id);
            return;
        }
        double scale = Math.sqrt(det);
        Shape there = map.createTransformedShape(shape);
        Rectangle2D box = there.getBounds2D();
        Point middle = new Point(box.getCenterX(), box.getCenterY());
        Affine toOwn = Affine.translation(-middle.x(), -middle.y());
        Paint own = paint(paint, map, toOwn);
        if (own == null) {
            return;
        }
        List<Double> dash = new ArrayList<>();
        if (pen.getDashArray() != null) {
            for (float d : pen.getDashArray()) {
                dash.add(d * scale);
            }
        }
        Coat.Stroke coat = Coat.Stroke.of("stroke", own)
                .withOpacity(Animated.of(opacity))
                .withEnds(cap(pen), corner(pen))
                .withDash(dash)
                .with(Coat.Measure.WIDTH, Animated.of(pen.getLineWidth() * scale))
                .with(Coat.Measure.MITRE_LIMIT, Animated.of((double) Math.max(1, pen.getMiterLimit())))
                .with(Coat.Measure.DASH_OFFSET, Animated.of(pen.getDashPhase() * scale));
        put(there, toOwn, coat, Ellipse.ROUND, middle, into, id);
    }

    private static Coat.Cap cap(BasicStroke pen) {
        return switch (pen.getEndCap()) {
            case BasicStroke.CAP_ROUND -> Coat.Cap.ROUND;
            case BasicStroke.CAP_SQUARE -> Coat.Cap.SQUARE;
            default -> Coat.Cap.BUTT;
        };
    }

    private static Coat.Corner corner(BasicStroke pen) {
        return switch (pen.getLineJoin()) {
            case BasicStroke.JOIN_ROUND -> Coat.Corner.ROUND;
            case BasicStroke.JOIN_BEVEL -> Coat.Corner.BEVEL;
            default -> Coat.Corner.MITRE;
        };
    }

    private void put(Shape there, Affine toOwn, Coat coat, Ellipse space, Point middle, List<Layer> into, String id) {
        Path2D own = new Path2D.Double(there);
        own.transform(new AffineTransform(toOwn.a(), toOwn.b(), toOwn.c(), toOwn.d(), toOwn.e(), toOwn.f()));
        List<BezierPath> found = Outline.pathsOf(own);
        if (found.isEmpty()) {
            return;
        }
        if (found.size() > Content.Shape.MOST_PATHS) {
            throw new BadSvg("One of its shapes has " + found.size() + " contours; at most " + Content.Shape.MOST_PATHS
                    + " are possible.");
        }
        List<Content.Shape.Path> paths = new ArrayList<>();
        for (BezierPath path : found) {
            int n = paths.size() + 1;
            paths.add(new Content.Shape.Path("p" + n, "Path " + n, Animated.of(path)));
        }
        if (into.size() == before + 1
                && into.get(before).content() instanceof Content.Shape last
                && last.paths().equals(paths)
                && into.get(before).place().scale().rest().equals(new Point(space.across(), space.down()))) {
            // A fill and the line round it are one shape.
            Layer both = into.get(before)
                    .withContent(last.withCoats(List.of(coat, last.coats().get(0))));
            into.set(before, both);
            return;
        }
        Layer layer = layer(id, "Shape " + (layers + 1), new Content.Shape(paths, List.of(coat)), middle);
        into.add(layer.withPlace(layer.place()
                .withRotation(Animated.of(space.turn()))
                .withScale(Animated.of(new Point(space.across(), space.down())))));
    }

    private Layer layer(String id, String name, Content content, Point at) {
        if (++layers > MOST_LAYERS) {
            throw new BadSvg("The file has more than " + MOST_LAYERS + " parts.");
        }
        return Layer.of(id + "-" + layers, name, content, new Span(0, length, 0), Place.at(at));
    }

    /** Nothing where it is painted by something that isn't taken over. */
    private Paint paint(java.awt.Paint paint, AffineTransform map, Affine toOwn) {
        if (paint instanceof Color c) {
            return Paint.solid(colour(c));
        }
        if (!(paint instanceof MultipleGradientPaint gradient)) {
            left.add("Patterns aren't taken over.");
            return null;
        }
        if (gradient.getCycleMethod() != MultipleGradientPaint.NO_CYCLE) {
            left.add("Gradients that repeat go on in their last colour.");
        }
        List<Paint.At> ramp = new ArrayList<>();
        for (int i = 0; i < gradient.getFractions().length; i++) {
            ramp.add(new Paint.At(gradient.getFractions()[i], colour(gradient.getColors()[i])));
        }
        List<Paint.Stop> stops = new ArrayList<>();
        for (Paint.At at : Ramps.mixedApart(ramp)) {
            stops.add(Paint.Stop.of("s" + (stops.size() + 1), at.at(), at.colour()));
        }
        Affine toRoot = gradient(gradient, map);
        if (gradient instanceof LinearGradientPaint linear) {
            Affine all = toRoot.then(toOwn);
            Point from = all.apply(new Point(
                    linear.getStartPoint().getX(), linear.getStartPoint().getY()));
            Point to = all.apply(
                    new Point(linear.getEndPoint().getX(), linear.getEndPoint().getY()));
            // What is at right angles in the gradient's space needn't be here.
            double dx = linear.getEndPoint().getX() - linear.getStartPoint().getX();
            double dy = linear.getEndPoint().getY() - linear.getStartPoint().getY();
            Point even = new Point(all.a() * -dy + all.c() * dx, all.b() * -dy + all.d() * dx);
            Point n = new Point(-even.y(), even.x()).times(1 / even.length());
            Point d = to.minus(from);
            Point end = from.plus(n.times(d.x() * n.x() + d.y() * n.y()));
            return new Paint.Linear(Animated.of(from), Animated.of(end), stops);
        }
        RadialGradientPaint radial = (RadialGradientPaint) gradient;
        Point centre = new Point(
                radial.getCenterPoint().getX(), radial.getCenterPoint().getY());
        if (radial.getFocusPoint().distance(radial.getCenterPoint()) > SAME * radial.getRadius()) {
            left.add("Gradients round a point that isn't their middle are taken over round their middle.");
        }
        Affine all = toRoot.then(toOwn);
        return new Paint.Radial(
                Animated.of(all.apply(centre)), Animated.of(radial.getRadius() * all.meanScale()), stops);
    }

    private static Colour colour(Color c) {
        return new Colour(c.getRed() / 255.0, c.getGreen() / 255.0, c.getBlue() / 255.0, c.getAlpha() / 255.0);
    }

    private static Affine gradient(MultipleGradientPaint paint, AffineTransform map) {
        AffineTransform all = new AffineTransform(map);
        all.concatenate(paint.getTransform());
        return new Affine(
                all.getScaleX(),
                all.getShearY(),
                all.getShearX(),
                all.getScaleY(),
                all.getTranslateX(),
                all.getTranslateY());
    }

    /**
     * A space in which an ellipse is a circle: turned, then stretched along both of its axes (the singular values of the map that
     * brings a circle to it).
     *
     * @param turn in degrees
     */
    private record Ellipse(double turn, double across, double down) {
        static final Ellipse ROUND = new Ellipse(0, 1, 1);

        static Ellipse of(Affine m) {
            double xx = m.a() * m.a() + m.c() * m.c();
            double yy = m.b() * m.b() + m.d() * m.d();
            double xy = m.a() * m.b() + m.c() * m.d();
            double middle = (xx + yy) / 2;
            double off = Math.hypot((xx - yy) / 2, xy);
            double wide = Math.sqrt(middle + off);
            double narrow = Math.sqrt(Math.max(0, middle - off));
            if (narrow < SAME * wide || wide - narrow < SAME * wide) {
                return ROUND;
            }
            double mean = Math.sqrt(wide * narrow);
            return new Ellipse(Math.toDegrees(Math.atan2(2 * xy, xx - yy) / 2), wide / mean, narrow / mean);
        }

        Affine inverse() {
            return Affine.rotation(-turn).then(Affine.scale(1 / across, 1 / down));
        }
    }
}
