package aperta.vision;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteShift;
import aperta.core.picture.Region;
import aperta.core.shot.BrushStroke;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint;
import org.opencv.core.MatOfPoint2f;
import org.opencv.imgproc.Imgproc;

/** Finds a figure on frames of a clip. What the clip shows without it is worked out once, and kept. */
public final class FigureFinder {
    /** How wide a frame is at working size, in pixels. */
    private static final double WORKING_WIDTH = 640;
    /** How far an outline may lie beside the edge, in pixels. */
    private static final double BESIDE = 0.7;
    /** The room around a figure that is known. */
    private static final int ROOM = 12;

    private static final float SURE = 6;

    private final ClipFilm film;
    private final int by;
    private final CleanPlate plate;
    private final EvenLight light;
    private final ShapeCarrier carrier;
    private final FirstShape first;
    private final FineEdge edge;

    /**
     * @param from and {@code to}: frames between which the clip without the figure is looked for
     * @throws VisionMissing where this machine can't
     */
    public FigureFinder(ClipFilm film, long from, long to) {
        this(film, frames(film, from, to));
        plate.prepareFullSize();
    }

    private FigureFinder(ClipFilm film, PlateFrames frames) {
        this.film = film;
        this.by = frames.by();
        this.plate = new CleanPlate(frames);
        this.light = new EvenLight(film, plate, by);
        this.carrier = new ShapeCarrier(light, plate);
        this.first = new FirstShape(light, plate, carrier);
        this.edge = new FineEdge(light, plate, by);
    }

    /**
     * Finds one figure, whatever hides the ground behind it.
     *
     * @param start the frame that was brushed first
     * @param brushed inside and outside of the figure there
     */
    static FigureFinder of(ClipFilm film, long from, long to, long start, List<BrushStroke> brushed) {
        PlateFrames frames = frames(film, from, to);
        FigureFinder finder = new FigureFinder(film, frames);
        Shape shape = finder.first(start, finder.strokes(brushed));
        Colours all = finder.light.reduced(start);
        Region part = shape.part();
        return StayingFigure.stays(shape, ShapeCarrier.cut(all, part), finder.plate.small(start, all, part))
                ? new FigureFinder(film, new StayingFigure(film, frames).without(start, shape))
                : finder;
    }

    private static PlateFrames frames(ClipFilm film, long from, long to) {
        Natives.demand();
        return new PlateFrames(film, from, to, Math.max(1, (int) Math.round(film.width() / WORKING_WIDTH)));
    }

    /**
     * The outlines of a figure on one frame, in pixels of the clip: of what was brushed there, or of what is known of it,
     * corrected by what was brushed.
     *
     * @param brushed on this frame; inside and outside where nothing is known
     * @param before what is known of the frame before, which says how it moves
     */
    public List<List<Point>> outlines(
            long frame, List<BrushStroke> brushed, Optional<Matte> known, Optional<Matte> before) {
        Strokes strokes = strokes(brushed);
        Shape shape = known.flatMap(k -> again(frame, k, before))
                .map(s -> corrected(frame, s, strokes))
                .orElseGet(() -> first.find(frame, strokes));
        return outlines(alpha(frame, shape), film.level());
    }

    private Shape corrected(long frame, Shape shape, Strokes strokes) {
        Colours all = light.reduced(frame);
        Region part = shape.part().union(strokes.part());
        Shape wider = new Shape(
                part,
                shape.remembered().moved(shape.part(), part, 0, 0, 0),
                shape.decided().moved(shape.part(), part, 0, 0, -SURE),
                shape.own().moved(shape.part(), part, 0, 0),
                shape.around().moved(shape.part(), part, 0, 0),
                shape.paceX(),
                shape.paceY(),
                true,
                shape.palette(),
                shape.ground(),
                shape.earlier(),
                0);
        return carrier.decide(
                frame, wider, ShapeCarrier.cut(all, part), plate.small(frame, all, part), Optional.of(strokes));
    }

    /** The outlines of coverage, where it is a half; {@code scale} pixels of the clip for one of it. */
    public static List<List<Point>> outlines(Matte coverage, int scale) {
        Region r = coverage.domain();
        List<List<Point>> all = new ArrayList<>();
        if (r.isEmpty()) {
            return all;
        }
        byte[] on = new byte[r.width() * r.height()];
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                on[(y - r.y()) * r.width() + x - r.x()] = (byte) (coverage.at(x, y) > 0.5f ? 1 : 0);
            }
        }
        try (Mats mats = new Mats()) {
            Mat m = mats.bytes(r.width(), r.height(), CvType.CV_8U, on);
            List<MatOfPoint> found = new ArrayList<>();
            Imgproc.findContours(m, found, mats.empty(), Imgproc.RETR_CCOMP, Imgproc.CHAIN_APPROX_NONE);
            for (MatOfPoint contour : found) {
                mats.hold(contour);
                MatOfPoint2f plain = mats.noPoints();
                Imgproc.approxPolyDP(mats.points(contour.toList()), plain, BESIDE, true);
                List<Point> outline = new ArrayList<>();
                for (org.opencv.core.Point p : plain.toArray()) {
                    outline.add(new Point((r.x() + p.x + 0.5) * scale, (r.y() + p.y + 0.5) * scale));
                }
                if (outline.size() > 2) {
                    all.add(outline);
                }
            }
        }
        return all;
    }

    Strokes strokes(List<BrushStroke> brushed) {
        return new Strokes(brushed, by * film.level(), (film.width() + by - 1) / by, (film.height() + by - 1) / by);
    }

    Shape first(long frame, Strokes strokes) {
        return first.find(frame, strokes);
    }

    Optional<Shape> step(Shape shape, long frame, int way, Optional<Strokes> strokes) {
        return carrier.step(shape, frame, way, strokes);
    }

    /** A whole frame, in pixels of the clip. */
    Region picture() {
        return new Region(0, 0, film.width(), film.height());
    }

    Matte alpha(long frame, Shape shape) {
        return seen(frame, shape).coverage();
    }

    /** @param brushed on its frames */
    Refining refining(Map<Long, List<BrushStroke>> brushed) {
        Map<Long, Strokes> all = new HashMap<>();
        brushed.forEach(
                (frame, strokes) -> all.put(frame, new Strokes(strokes, film.level(), film.width(), film.height())));
        return new Refining(picture(), (frame, coverage) -> FigureFrame.of(frame, coverage, light, plate), all);
    }

    /** What a frame shows where a shape lies, at full size. */
    FineEdge.Seen seen(long frame, Shape shape) {
        return edge.seen(frame, shape);
    }

    /** A shape from coverage that is known; its pace from that of the frame before, if that is known, too. */
    Optional<Shape> again(long frame, Matte known, Optional<Matte> before) {
        if (known.domain().isEmpty()) {
            return Optional.empty();
        }
        Colours all = light.reduced(frame);
        Region r = known.domain();
        int x = Math.floorDiv(r.x(), by);
        int y = Math.floorDiv(r.y(), by);
        Region part = new Region(x, y, ((r.right() + by - 1) / by) - x, ((r.bottom() + by - 1) / by) - y)
                .grown(ROOM)
                .intersect(new Region(0, 0, all.width(), all.height()));
        Plane alpha = reduced(known, part);
        Plane odds = new Plane(part.width(), part.height());
        for (int i = 0; i < odds.value().length; i++) {
            double a = Math.max(0.0025, Math.min(0.9975, alpha.value()[i]));
            odds.value()[i] = (float) Math.log(a / (1 - a));
        }
        Colours picture = ShapeCarrier.cut(all, part);
        MatteShift moved =
                before.map(b -> MatteShift.between(b, known, picture())).orElse(MatteShift.NONE);
        return Optional.of(new Shape(
                part,
                alpha,
                odds,
                Shape.own(picture, alpha),
                Shape.around(picture, alpha),
                (double) moved.dx() / by,
                (double) moved.dy() / by,
                before.isPresent(),
                Palette.of(picture, alpha),
                Shape.ground(picture, alpha),
                EarlierShapes.NONE,
                1));
    }

    /** A shape that is known, and what it looked like on the frames before it and on this one. */
    Shape learnt(long frame, Shape shape, int way, EarlierShapes before) {
        return carrier.learnt(frame, shape, before.moved(way * shape.paceX(), way * shape.paceY()));
    }

    private Plane reduced(Matte coverage, Region part) {
        Plane to = new Plane(part.width(), part.height());
        Region r = coverage.domain();
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                int at = (y / by - part.y()) * part.width() + x / by - part.x();
                to.value()[at] += coverage.at(x, y) / (by * by);
            }
        }
        return to;
    }
}
