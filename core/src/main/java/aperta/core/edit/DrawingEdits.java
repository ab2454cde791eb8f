package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.CurveFitting;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content.Drawings;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.PathLength;
import aperta.core.shot.PenLine;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Edits of layers that are drawn frame by frame. A change on a frame is made to the drawing that holds there, or to a copy of it
 * that begins there, where each second or third frame is drawn on those.
 */
public final class DrawingEdits {
    /** How far a line may lie off the hand, in pixels of the layer. */
    private static final double FIT = 0.6;

    private static final int STEPS = 64;

    private DrawingEdits() {}

    /** A place of the hand, in pixels of the shot; how wide the pen is there, in pixels of the layer; and when, in seconds. */
    public record Place(Point at, double width, double time) {}

    /**
     * Draws a line, on what has been drawn so far.
     *
     * @param every on each how manieth frame is drawn, from 1
     * @param smooth over how many pixels the hand is steadied; 0 for as it was
     * @param pause for how long the pen was lifted before, in seconds
     */
    public record Draw(
            String layer,
            long frame,
            int every,
            List<Place> places,
            Colour colour,
            PenLine.Nib nib,
            double angle,
            double smooth,
            double pause)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            At at = At.of(shot, layer, frame, every);
            List<Point> points = new ArrayList<>();
            List<Double> widths = new ArrayList<>();
            List<Double> times = new ArrayList<>();
            for (Place p : places) {
                Point own = at.toOwn.apply(p.at());
                if (points.isEmpty() || own.minus(points.get(points.size() - 1)).length() > 1e-3) {
                    points.add(own);
                    widths.add(Math.max(0, p.width()));
                    times.add(p.time());
                }
            }
            if (points.size() < 2) {
                throw new IllegalArgumentException("A line has a start and an end.");
            }
            BezierPath path = CurveFitting.path(steadied(points, smooth), widths, FIT);
            String id = free(at.drawings);
            PenLine line = new PenLine(id, path, colour, nib, angle, knotTimes(path, points, times), pause);
            List<PenLine> lines = new ArrayList<>(at.drawings.lines());
            lines.add(line);
            List<Drawings.Part> parts = new ArrayList<>(at.parts());
            parts.add(new Drawings.Part(id, 0, 1));
            return at.with(new Drawings(lines, at.drawings.drawings()), parts);
        }
    }

    /** Each point becomes the mean of those around it; the ends stay. */
    private static List<Point> steadied(List<Point> points, double smooth) {
        if (smooth <= 0) {
            return points;
        }
        List<Point> next = new ArrayList<>(points);
        for (int i = 1; i < points.size() - 1; i++) {
            Point sum = Point.ORIGIN;
            int count = 0;
            int reach = Math.min(i, points.size() - 1 - i);
            for (int k = -reach; k <= reach; k++) {
                if (points.get(i + k).minus(points.get(i)).length() <= smooth) {
                    sum = sum.plus(points.get(i + k));
                    count++;
                }
            }
            next.set(i, sum.times(1.0 / count));
        }
        return next;
    }

    /** When the hand was nearest to each knot, never going back. */
    private static List<Double> knotTimes(BezierPath path, List<Point> points, List<Double> times) {
        List<Double> all = new ArrayList<>();
        int at = 0;
        for (BezierPath.Knot k : path.knots()) {
            int best = at;
            for (int i = at; i < points.size(); i++) {
                if (points.get(i).minus(k.at()).length()
                        < points.get(best).minus(k.at()).length()) {
                    best = i;
                }
            }
            at = best;
            all.add(Math.max(all.isEmpty() ? 0 : all.get(all.size() - 1), times.get(at) - times.get(0)));
        }
        all.set(all.size() - 1, Math.max(all.get(all.size() - 1), times.get(times.size() - 1) - times.get(0)));
        return all;
    }

    /** Takes a line away on a frame; where none is named, the last one. */
    public record RemoveLine(String layer, long frame, int every, Optional<String> line) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            At at = At.of(shot, layer, frame, every);
            List<Drawings.Part> parts = new ArrayList<>(at.parts());
            String gone = line.orElseGet(() -> last(parts, Optional.empty()).line());
            if (!parts.removeIf(p -> p.line().equals(gone))) {
                throw new IllegalArgumentException("On this frame the line '" + gone + "' isn't there.");
            }
            return at.with(at.drawings, parts);
        }
    }

    /** What an eraser takes. */
    public enum Rubs {
        /** Whatever is under it. */
        ALL,
        /** The same of one line, the one that is nearest to where it begins: its neighbours are safe. */
        ONE_LINE,
        /** Every line that it touches, as a whole. */
        WHOLE_LINES
    }

    /**
     * Rubs out what lies under an eraser that is moved over the drawing.
     *
     * @param places where it goes, in pixels of the shot; at least one
     * @param radius of the eraser, in pixels of the layer
     */
    public record Rub(String layer, long frame, int every, List<Point> places, double radius, Rubs rubs)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            At at = At.of(shot, layer, frame, every);
            List<Point> own = places.stream().map(at.toOwn::apply).toList();
            if (own.isEmpty()) {
                throw new IllegalArgumentException("An eraser goes somewhere.");
            }
            Optional<String> only = rubs == Rubs.ONE_LINE ? nearest(at, own.get(0)) : Optional.empty();
            List<Drawings.Part> parts = new ArrayList<>();
            for (Drawings.Part part : at.parts()) {
                if (only.isPresent() && !only.get().equals(part.line())) {
                    parts.add(part);
                    continue;
                }
                List<Drawings.Part> stay = new ArrayList<>();
                left(at.drawings.line(part.line()), part, own, stay);
                if (rubs != Rubs.WHOLE_LINES || stay.equals(List.of(part))) {
                    parts.addAll(stay);
                }
            }
            return at.with(at.drawings, parts);
        }

        private static Optional<String> nearest(At at, Point to) {
            Optional<String> found = Optional.empty();
            double least = Double.POSITIVE_INFINITY;
            for (Drawings.Part part : at.parts()) {
                BezierPath path = at.drawings.line(part.line()).path();
                for (int i = 0; i < path.segments(); i++) {
                    for (int k = 0; k <= STEPS; k++) {
                        double off =
                                path.curve(i).at(k / (double) STEPS).minus(to).length();
                        if (off < least) {
                            least = off;
                            found = Optional.of(part.line());
                        }
                    }
                }
            }
            return found;
        }

        /** What of a part the eraser leaves: the runs of its places that are farther away. */
        private void left(PenLine line, Drawings.Part part, List<Point> eraser, List<Drawings.Part> into) {
            PathLength length = new PathLength(line.path());
            int steps = (int) Math.max(STEPS, length.length());
            double from = -1;
            for (int i = 0; i <= steps; i++) {
                double share = part.from() + (part.to() - part.from()) * i / steps;
                boolean stays = i < steps && !isNear(length.point(share * length.length()), eraser);
                if (stays && from < 0) {
                    from = share;
                } else if (!stays && from >= 0) {
                    double to =
                            i == steps && !isNear(length.point(share * length.length()), eraser) ? part.to() : share;
                    if (to > from) {
                        into.add(new Drawings.Part(part.line(), from, to));
                    }
                    from = -1;
                }
            }
        }

        private boolean isNear(Point p, List<Point> eraser) {
            Point last = eraser.get(0);
            for (Point e : eraser) {
                Point d = e.minus(last);
                double square = d.x() * d.x() + d.y() * d.y();
                Point to = p.minus(last);
                double t = square == 0 ? 0 : Math.min(1, Math.max(0, (to.x() * d.x() + to.y() * d.y()) / square));
                if (last.plus(d.times(t)).minus(p).length() <= radius) {
                    return true;
                }
                last = e;
            }
            return false;
        }
    }

    /**
     * From a frame on the drawing is taken back, so much of it on each drawn frame, from the end of its last line to the start
     * of its first, or of one line alone. Reversed, it is written.
     *
     * @param length how many pixels of line go on each drawn frame
     */
    public record EraseBackwards(String layer, long frame, int every, double length, Optional<String> line)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (!(length > 0)) {
                throw new IllegalArgumentException("Some of the line goes on each frame: more than 0 pixels.");
            }
            At at = At.of(shot, layer, frame, every);
            List<Drawings.Part> parts = new ArrayList<>(at.parts());
            last(parts, line);
            List<Drawings.Drawing> drawings = new ArrayList<>();
            at.drawings.drawings().stream().filter(d -> d.at() < at.slot).forEach(drawings::add);
            drawings.add(new Drawings.Drawing(at.slot, parts, false));
            long now = at.slot;
            while (parts.stream().anyMatch(p -> line.isEmpty() || line.get().equals(p.line()))
                    && drawings.size() < Drawings.MOST) {
                parts = new ArrayList<>(parts);
                shorten(at.drawings, parts);
                now += every;
                drawings.add(new Drawings.Drawing(now, parts, false));
            }
            return shot.changing(layer, l -> l.withContent(at.drawings.withDrawings(drawings)));
        }

        private void shorten(Drawings drawings, List<Drawings.Part> parts) {
            double goes = length;
            while (goes > 1e-6
                    && parts.stream().anyMatch(p -> line.isEmpty() || line.get().equals(p.line()))) {
                Drawings.Part end = last(parts, line);
                int index = parts.lastIndexOf(end);
                double whole = new PathLength(drawings.line(end.line()).path()).length();
                double there = (end.to() - end.from()) * whole;
                if (there <= goes + 1e-6) {
                    parts.remove(index);
                    goes -= there;
                } else {
                    parts.set(index, new Drawings.Part(end.line(), end.from(), end.to() - goes / whole));
                    goes = 0;
                }
            }
        }
    }

    private static Drawings.Part last(List<Drawings.Part> parts, Optional<String> line) {
        for (int i = parts.size() - 1; i >= 0; i--) {
            if (line.isEmpty() || line.get().equals(parts.get(i).line())) {
                return parts.get(i);
            }
        }
        throw new IllegalArgumentException("On this frame there is nothing that could be erased.");
    }

    /** Turns the order of all drawings round; each holds as long as before, the last until the end of the layer. */
    public record Reverse(String layer) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            long end = now.span().offset() + now.span().length();
            return changed(shot, layer, all -> {
                List<Drawings.Drawing> next = new ArrayList<>();
                long at = all.get(0).at();
                for (int i = all.size() - 1; i >= 0; i--) {
                    long until = i + 1 < all.size()
                            ? all.get(i + 1).at()
                            : Math.max(end, all.get(i).at() + 1);
                    next.add(all.get(i).movedTo(at));
                    at += i + 1 < all.size() ? until - all.get(i).at() : 1;
                }
                return next;
            });
        }
    }

    /** Plays all drawings so many times as fast; drawings that would fall on one frame are one. */
    public record Retime(String layer, double speed) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (!(speed > 0)) {
                throw new IllegalArgumentException("Drawings are played at a speed over 0.");
            }
            return changed(shot, layer, all -> {
                long first = all.get(0).at();
                List<Drawings.Drawing> next = new ArrayList<>();
                for (Drawings.Drawing d : all) {
                    Drawings.Drawing moved = d.movedTo(first + Math.round((d.at() - first) / speed));
                    if (!next.isEmpty() && next.get(next.size() - 1).at() == moved.at()) {
                        next.remove(next.size() - 1);
                    }
                    next.add(moved);
                }
                return next;
            });
        }
    }

    /** What holds on a frame holds longer; what comes after it comes later. */
    public record Hold(String layer, long frame, long frames) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            At here = At.of(shot, layer, frame, 1);
            int index = here.index();
            return changed(shot, layer, all -> {
                long least = index + 1 < all.size()
                        ? all.get(index).at() + 1 - all.get(index + 1).at()
                        : 0;
                List<Drawings.Drawing> next = new ArrayList<>();
                for (int i = 0; i < all.size(); i++) {
                    long by = i > index ? Math.max(least, frames) : 0;
                    next.add(all.get(i).movedTo(all.get(i).at() + by));
                }
                return next;
            });
        }
    }

    /** Takes the drawing away that holds on a frame; those after it come as much sooner. */
    public record Remove(String layer, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            int index = At.of(shot, layer, frame, 1).index();
            return changed(shot, layer, all -> {
                long held = index + 1 < all.size()
                        ? all.get(index + 1).at() - all.get(index).at()
                        : 0;
                List<Drawings.Drawing> next = new ArrayList<>();
                for (int i = 0; i < all.size(); i++) {
                    if (i != index) {
                        next.add(all.get(i).movedTo(all.get(i).at() - (i > index ? held : 0)));
                    }
                }
                return next;
            });
        }
    }

    /** Copies the drawing that holds on a frame to another one, where it takes the place of what begins there. */
    public record Copy(String layer, long frame, long to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            At here = At.of(shot, layer, frame, 1);
            At there = At.of(shot, layer, to, 1);
            List<Drawings.Part> parts =
                    here.drawings.drawings().get(here.index()).parts();
            return there.with(there.drawings, parts);
        }
    }

    /** Whether the drawing that holds on a frame comes line by line, as the hand drew it. */
    public record Play(String layer, long frame, boolean played) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            int index = At.of(shot, layer, frame, 1).index();
            return changed(shot, layer, all -> {
                List<Drawings.Drawing> next = new ArrayList<>(all);
                Drawings.Drawing d = all.get(index);
                next.set(index, new Drawings.Drawing(d.at(), d.parts(), played));
                return next;
            });
        }
    }

    /**
     * A frame of a layer that is drawn.
     *
     * @param slot the frame of its content on which a change begins
     */
    private record At(Shot shot, String layer, Drawings drawings, long slot, Affine toOwn) {
        static At of(Shot shot, String layer, long frame, int every) {
            if (every < 1) {
                throw new IllegalArgumentException("Each first, second or third frame is drawn, and so on.");
            }
            Moment moment = new Moment(shot, frame);
            Drawings drawings = demand(LayerEdits.demand(shot, layer));
            long own = (long) Math.floor(moment.of(layer).content() + 1e-9);
            return new At(
                    shot, layer, drawings, own - Math.floorMod(own, (long) every), PlaceEdits.toOwn(moment, layer));
        }

        /** What is there on the frame. */
        List<Drawings.Part> parts() {
            int index = drawings.indexAt(slot);
            return index < 0 ? List.of() : drawings.drawings().get(index).parts();
        }

        int index() {
            int index = drawings.indexAt(slot);
            if (index < 0) {
                throw new IllegalArgumentException("On this frame nothing is drawn yet.");
            }
            return index;
        }

        /** The shot with other parts from this frame on, until the next drawing. */
        Shot with(Drawings all, List<Drawings.Part> parts) {
            List<Drawings.Drawing> next = new ArrayList<>();
            boolean done = false;
            for (Drawings.Drawing d : all.drawings()) {
                if (d.at() == slot) {
                    next.add(d.withParts(parts));
                    done = true;
                } else {
                    if (d.at() > slot && !done) {
                        next.add(new Drawings.Drawing(slot, parts, false));
                        done = true;
                    }
                    next.add(d);
                }
            }
            if (!done) {
                next.add(new Drawings.Drawing(slot, parts, false));
            }
            return shot.changing(layer, l -> l.withContent(all.withDrawings(next)));
        }
    }

    private static Drawings demand(Layer layer) {
        if (layer.content() instanceof Drawings drawings) {
            return drawings;
        }
        throw new IllegalArgumentException("'" + layer.name() + "' isn't drawn frame by frame.");
    }

    private static Shot changed(Shot shot, String layer, UnaryOperator<List<Drawings.Drawing>> change) {
        Drawings all = demand(LayerEdits.demand(shot, layer));
        if (all.drawings().isEmpty()) {
            throw new IllegalArgumentException("Nothing is drawn yet.");
        }
        return shot.changing(layer, l -> l.withContent(all.withDrawings(change.apply(all.drawings()))));
    }

    private static String free(Drawings drawings) {
        int n = drawings.lines().size() + 1;
        while (has(drawings, Integer.toString(n))) {
            n++;
        }
        return Integer.toString(n);
    }

    private static boolean has(Drawings drawings, String id) {
        return drawings.lines().stream().anyMatch(l -> l.id().equals(id));
    }
}
