package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/**
 * Marks that are followed through a clip, and where they were found. Frames are the clip's own; places are in its pixels,
 * from the corner of its first one.
 *
 * @param at the frame on which the marks were set
 * @param marks where they were set
 * @param patch how wide and high what is compared around a mark is, in pixels
 * @param reach how far from where it is expected a mark is looked for, in pixels
 * @param smooth the σ of the Gaussian, in frames, by which the path is smoothed
 * @param path where they were found
 */
public record Track(
        String id,
        String name,
        Kind kind,
        Clip clip,
        long at,
        List<Point> marks,
        double patch,
        double reach,
        Lost lost,
        double smooth,
        TrackPath path) {
    /** How the names of what is followed begin. */
    static final String FOLLOWED = "track.";

    /** Over how many frames the pace at the end of a path is measured. */
    private static final int PACE = 8;

    /** Slower is standing still, in pixels a frame. */
    private static final double LEAST_PACE = 0.5;

    public static final double USUAL_PATCH = 48;
    public static final double USUAL_REACH = 60;
    public static final double LEAST_PATCH = 8;
    public static final double MOST_PATCH = 400;
    public static final double MOST_REACH = 800;
    public static final double MOST_SMOOTH = 60;

    /** What is marked, and so what can be told of its motion. */
    public enum Kind {
        /** A point: its place. */
        POINT(1),
        /** Two points: place, turn and scale. */
        PAIR(2),
        /** The four corners of something flat, each by itself: its perspective. */
        CORNERS(4),
        /** Something flat as a whole, by the corners around it: its perspective. */
        REGION(4);

        private final int marks;

        Kind(int marks) {
            this.marks = marks;
        }

        public int marks() {
            return marks;
        }
    }

    /** What is done where a mark isn't found. */
    public enum Lost {
        /** The path ends there. */
        STOP,
        /** It goes on as it went so far, until the mark is found again. */
        GO_ON
    }

    /** The clip's pictures. */
    public record Clip(int width, int height, Rate rate) {
        Point middle() {
            return new Point(width / 2.0, height / 2.0);
        }

        /**
         * The frame that is shown at a frame of its layer's content; between two, where the layer mixes them, or where
         * motion blur looks at the time between two frames of the shot.
         */
        public double frame(double content, Rate shot, Pace pace) {
            if (pace.mixed()) {
                return shot.positionOf(rate, content);
            }
            if (pace.speed() != 1) {
                return shot.frameOf(rate, content);
            }
            return content == Math.rint(content) ? shot.frameOf(rate, (long) content) : shot.positionOf(rate, content);
        }
    }

    public Track {
        marks = List.copyOf(marks);
        if (marks.size() != kind.marks()) {
            throw new IllegalArgumentException(
                    "'" + name + "' has " + marks.size() + " marks, where it needs " + kind.marks() + ".");
        }
        if (!(patch >= LEAST_PATCH && patch <= MOST_PATCH)) {
            throw new IllegalArgumentException("A patch is from " + (int) LEAST_PATCH + " to " + (int) MOST_PATCH
                    + " pixels wide, not " + patch + ".");
        }
        if (!(reach >= 0 && reach <= MOST_REACH)) {
            throw new IllegalArgumentException(
                    "A reach is from 0 to " + (int) MOST_REACH + " pixels, not " + reach + ".");
        }
        if (!(smooth >= 0 && smooth <= MOST_SMOOTH)) {
            throw new IllegalArgumentException(
                    "A path is smoothed over 0 to " + (int) MOST_SMOOTH + " frames, not " + smooth + ".");
        }
        if (path.steps().stream().anyMatch(s -> s.at().size() != kind.marks())) {
            throw new IllegalArgumentException("A step of '" + name + "' hasn't as many places as it has marks.");
        }
    }

    public Track withPath(TrackPath other) {
        return new Track(id, name, kind, clip, at, marks, patch, reach, lost, smooth, other);
    }

    /** With its marks on another frame; what was found is forgotten. */
    public Track withMarks(long frame, List<Point> other) {
        return new Track(id, name, kind, clip, frame, other, patch, reach, lost, smooth, TrackPath.of(frame, other));
    }

    /** With its marks elsewhere on the same frame; what was found stays. */
    public Track remarked(List<Point> other) {
        return new Track(id, name, kind, clip, at, other, patch, reach, lost, smooth, path);
    }

    /** Where the marks are at a frame, smoothed; before the first and after the last step, as there. */
    public List<Point> places(double frame) {
        return path.at(frame, smooth);
    }

    /** The middle of the marks at a frame, in the layer's own space. */
    public Point place(double frame) {
        return middle(own(frame));
    }

    /** The marks at a frame in the own space of the layer that shows the clip, whose origin is its middle. */
    public List<Point> own(double frame) {
        return places(frame).stream().map(p -> p.minus(clip.middle())).toList();
    }

    /** By how many degrees clockwise the marks have turned since they were set. */
    public double turn(double frame) {
        Affine m = motion(frame);
        return StrictMath.toDegrees(StrictMath.atan2(m.b() - m.c(), m.a() + m.d()));
    }

    /** How many times as far the marks lie from each other as where they were set. */
    public double scale(double frame) {
        return motion(frame).meanScale();
    }

    /**
     * What has become of the layer's own space since the marks were set, as far as an affine map can say it: of one mark a
     * way, of two a turn and a scale too, of four the map with the least squares.
     */
    public Affine motion(double frame) {
        List<Point> from = own(at);
        List<Point> to = own(frame);
        Point a = middle(from);
        Point b = middle(to);
        if (kind == Kind.POINT) {
            return Affine.translation(b.x() - a.x(), b.y() - a.y());
        }
        double xx = 0;
        double xy = 0;
        double yy = 0;
        double ux = 0;
        double uy = 0;
        double vx = 0;
        double vy = 0;
        for (int i = 0; i < from.size(); i++) {
            Point p = from.get(i).minus(a);
            Point q = to.get(i).minus(b);
            xx += p.x() * p.x();
            xy += p.x() * p.y();
            yy += p.y() * p.y();
            ux += q.x() * p.x();
            uy += q.x() * p.y();
            vx += q.y() * p.x();
            vy += q.y() * p.y();
        }
        double det = xx * yy - xy * xy;
        Affine turned;
        if (kind == Kind.PAIR || det <= 1e-9) {
            double whole = xx + yy;
            double cos = whole > 0 ? (ux + vy) / whole : 1;
            double sin = whole > 0 ? (vx - uy) / whole : 0;
            turned = new Affine(cos, sin, -sin, cos, 0, 0);
        } else {
            turned = new Affine(
                    (ux * yy - uy * xy) / det,
                    (vx * yy - vy * xy) / det,
                    (uy * xx - ux * xy) / det,
                    (vy * xx - vx * xy) / det,
                    0,
                    0);
        }
        return Affine.translation(-a.x(), -a.y()).then(turned).then(Affine.translation(b.x(), b.y()));
    }

    /** The same in perspective, where there are four marks. */
    public Homography perspective(double frame) {
        if (kind.marks() < 4) {
            return Homography.of(motion(frame));
        }
        Homography from = Homography.ofSquare(own(at).toArray(new Point[0]));
        return from.inverse().then(Homography.ofSquare(own(frame).toArray(new Point[0])));
    }

    /**
     * How far an edge has come that goes along with the marks and never back.
     *
     * @param along how far along the edge's way a point of the layer's own space lies
     * @return nothing before the first frame; after the last it goes on at the pace of the last frames, or, where they
     *     stood still, at the mean pace
     */
    OptionalDouble edge(double frame, ToDoubleFunction<Point> along) {
        if (frame < path.first()) {
            return OptionalDouble.empty();
        }
        long end = Math.min(path.last(), (long) Math.floor(frame));
        double most = Double.NEGATIVE_INFINITY;
        for (long f = path.first(); f <= end; f++) {
            most = Math.max(most, along.applyAsDouble(place(f)));
        }
        if (frame <= path.last()) {
            return OptionalDouble.of(Math.max(most, along.applyAsDouble(place(frame))));
        }
        double last = along.applyAsDouble(place(path.last()));
        long before = Math.max(path.first(), path.last() - PACE);
        double pace = path.last() > before ? (last - along.applyAsDouble(place(before))) / (path.last() - before) : 0;
        double mean = path.last() > path.first()
                ? (most - along.applyAsDouble(place(path.first()))) / (path.last() - path.first())
                : 0;
        double least = Math.max(LEAST_PACE, mean);
        return OptionalDouble.of(most + (frame - path.last()) * (pace > LEAST_PACE ? pace : least));
    }

    private static Point middle(List<Point> points) {
        Point sum = Point.ORIGIN;
        for (Point p : points) {
            sum = sum.plus(p);
        }
        return sum.times(1.0 / points.size());
    }

    /** What of a track other properties may follow. */
    public List<Followable> followables() {
        List<Followable> all = new ArrayList<>();
        all.add(new Followable(FOLLOWED + id + ".place", name + ": place"));
        if (kind != Kind.POINT) {
            all.add(new Followable(FOLLOWED + id + ".turn", name + ": turn"));
            all.add(new Followable(FOLLOWED + id + ".scale", name + ": scale"));
            for (int i = 1; i <= kind.marks(); i++) {
                all.add(new Followable(FOLLOWED + id + ".mark" + i, name + ": mark " + i));
            }
        }
        return all;
    }

    /**
     * Something that isn't a property but can be followed as one.
     *
     * @param name as a property's
     */
    public record Followable(String name, String label) {}

    /**
     * What is followed under a name.
     *
     * @param place from the own space of the layer that shows the clip to its parent's
     * @param channel 0 for a number and for x, 1 for y
     */
    double followed(String what, double frame, Affine place, int channel) {
        Point p;
        switch (what) {
            case "place" -> p = place.apply(place(frame));
            case "turn" -> {
                return turn(frame);
            }
            case "scale" -> {
                return scale(frame);
            }
            default -> p = place.apply(own(frame).get(Integer.parseInt(what.substring("mark".length())) - 1));
        }
        return channel == 0 ? p.x() : p.y();
    }
}
