package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * Several layers moved, scaled and turned as one, and brought into line; all points in pixels of the shot. Layers that are
 * carried by another of them, since they lie in it or are its children, go along and aren't moved twice.
 */
public final class TogetherEdits {
    /** How near a line must be for moved layers to cling to it, as a share of the frame's height: 12 px of 1080. */
    private static final double REACH = 1 / 90.0;

    private TogetherEdits() {}

    /** What layers are brought into line with. */
    public enum Frame {
        EACH_OTHER,
        FRAME,
        TITLE_SAFE
    }

    /** A line through a layer. */
    public enum Line {
        LEFT(true, Box::x0),
        CENTRE(true, b -> b.centre().x()),
        RIGHT(true, Box::x1),
        TOP(false, Box::y0),
        MIDDLE(false, b -> b.centre().y()),
        BOTTOM(false, Box::y1);

        private final boolean upright;
        private final ToDoubleFunction<Box> of;

        Line(boolean upright, ToDoubleFunction<Box> of) {
            this.upright = upright;
            this.of = of;
        }

        private Point away(double by) {
            return upright ? new Point(by, 0) : new Point(0, by);
        }
    }

    /** The box around all that layers show on a frame. */
    public static Box box(Moment moment, List<String> layers, Edit.Extents extents) {
        Box all = Box.EMPTY;
        for (String id : layers) {
            all = all.union(box(moment, id, extents));
        }
        return all;
    }

    private static Box box(Moment moment, String layer, Edit.Extents extents) {
        return moment.of(layer).toShot().apply(extents.extent(moment, layer));
    }

    /** Those of the layers that are seen and that no other of them carries. */
    static List<String> leading(Shot shot, List<String> layers) {
        Set<String> all = new LinkedHashSet<>(layers);
        List<String> leading = new ArrayList<>();
        for (String id : all) {
            Layer layer = LayerEdits.demand(shot, id);
            if (layer.content().isSeen() && !isCarried(shot, layer, all)) {
                leading.add(id);
            }
        }
        return leading;
    }

    /** Whether one of some layers carries this one: a group around it, or a parent of it or of such a group. */
    static boolean isCarried(Shot shot, Layer layer, Set<String> by) {
        Set<String> met = new LinkedHashSet<>();
        List<Layer> line = shot.lineTo(layer.id());
        for (Layer holder : line) {
            if (holder != line.get(line.size() - 1) && by.contains(holder.id())) {
                return true;
            }
            for (Optional<String> parent = holder.parent();
                    parent.isPresent() && met.add(parent.get());
                    parent = LayerEdits.demand(shot, parent.get()).parent()) {
                if (by.contains(parent.get())) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Moves layers by as much, and lets the box around them cling to lines where {@code snap} is asked for. */
    public record Move(List<String> layers, long frame, Point by, boolean snap, Snap.Guides guides)
            implements Snap.Clinging {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Point whole = snap ? by.plus(snapped(shot, extents).by()) : by;
            Shot next = shot;
            for (String id : leading(shot, layers)) {
                next = new PlaceEdits.Move(id, frame, whole, false, PlaceEdits.Stance.REST).apply(next, extents);
            }
            return next;
        }

        @Override
        public Snap snapped(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            Box moved = Affine.translation(by.x(), by.y()).apply(box(moment, layers, extents));
            return Snap.of(
                    moved,
                    guides,
                    shot,
                    moment,
                    Set.copyOf(layers),
                    extents,
                    REACH * shot.format().height());
        }
    }

    /**
     * Scales layers so that what lies at one point comes to lie at another, as seen from what stays.
     *
     * @param pivot what stays; the middle of the box around all where nothing is said
     * @param each whether each is scaled by as much about its own middle, and stays where it is
     */
    public record Scale(
            List<String> layers, long frame, Point from, Point to, boolean even, Optional<Point> pivot, boolean each)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            Point stays = pivot.orElseGet(() -> box(moment, layers, extents).centre());
            Point factor = PlaceEdits.factor(from.minus(stays), to.minus(stays), even);
            Shot next = shot;
            for (String id : leading(shot, layers)) {
                Point about = each ? box(moment, id, extents).centre() : stays;
                next = scaled(next, moment, id, about, factor);
            }
            return next;
        }

        private static Shot scaled(Shot shot, Moment moment, String id, Point about, Point factor) {
            Affine larger = Affine.translation(-about.x(), -about.y())
                    .then(Affine.scale(factor.x(), factor.y()))
                    .then(Affine.translation(about.x(), about.y()));
            Affine toShot = moment.of(id).toShot();
            Point across = toShot.applyVector(new Point(1, 0));
            Point down = toShot.applyVector(new Point(0, 1));
            return placed(shot, moment, id, larger, (place, own) -> {
                Point now = place.scale().at(own, Mix.POINT);
                Point next = new Point(now.x() * along(across, factor), now.y() * along(down, factor));
                return place.withScale(place.scale().set(own, next));
            });
        }

        /** How much longer a direction becomes; what is turned and scaled unevenly keeps its right angles. */
        private static double along(Point direction, Point factor) {
            Point after = new Point(direction.x() * factor.x(), direction.y() * factor.y());
            double length = direction.length();
            double turned = direction.x() * after.x() + direction.y() * after.y();
            return length == 0 ? 1 : Math.copySign(after.length() / length, turned);
        }
    }

    /**
     * Turns layers by the angle between two points as seen from the middle of the box around all.
     *
     * @param each whether each is turned about its own middle, and stays where it is
     */
    public record Turn(List<String> layers, long frame, Point from, Point to, boolean steps, boolean each)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            Point centre = box(moment, layers, extents).centre();
            double wanted = PlaceEdits.angle(to.minus(centre)) - PlaceEdits.angle(from.minus(centre));
            double near = wanted > 180 ? wanted - 360 : wanted < -180 ? wanted + 360 : wanted;
            double by = steps ? Math.rint(near / 15) * 15 : near;
            Shot next = shot;
            for (String id : leading(shot, layers)) {
                Point about = each ? box(moment, id, extents).centre() : centre;
                Affine turn = Affine.translation(-about.x(), -about.y())
                        .then(Affine.rotation(by))
                        .then(Affine.translation(about.x(), about.y()));
                // What a mirrored parent holds turns the other way round.
                Affine parent = PlaceEdits.toParent(moment, id);
                double own = parent.determinant() < 0 ? -by : by;
                next = placed(next, moment, id, turn, (place, at) -> {
                    double now = place.rotation().at(at, Mix.NUMBER);
                    return place.withRotation(place.rotation().set(at, now + own));
                });
            }
            return next;
        }
    }

    private interface Changed {
        Place of(Place place, long own);
    }

    /** A layer's anchor put where a map of the shot leads, and its place changed. */
    private static Shot placed(Shot shot, Moment moment, String id, Affine map, Changed change) {
        Moment.Seen seen = moment.of(id);
        Point anchor = seen.toShot().apply(seen.still().place().anchor().rest());
        Point by = PlaceEdits.toParent(moment, id).applyVector(map.apply(anchor).minus(anchor));
        long own = PlaceEdits.ownFrame(moment, id);
        return shot.changing(id, l -> {
            Place p = change.of(l.place(), own);
            Point there = p.position().at(own, Mix.POINT).plus(by);
            return l.withPlace(
                    by.equals(Point.ORIGIN) ? p : p.withPosition(p.position().set(own, there)));
        });
    }

    private static Box frame(Frame to, Format format, Box around) {
        return switch (to) {
            case EACH_OTHER -> around;
            case FRAME -> format.frame();
            case TITLE_SAFE -> format.titleSafe();
        };
    }

    /** Brings a line of each layer onto the same line of all of them, of the frame, or of the title-safe frame. */
    public record Align(List<String> layers, long frame, Line line, Frame to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            double there = line.of.applyAsDouble(TogetherEdits.frame(to, shot.format(), box(moment, layers, extents)));
            Shot next = shot;
            for (String id : leading(shot, layers)) {
                Box box = box(moment, id, extents);
                if (!box.isEmpty()) {
                    Point by = line.away(there - line.of.applyAsDouble(box));
                    next = new PlaceEdits.Move(id, frame, by, false, PlaceEdits.Stance.REST).apply(next, extents);
                }
            }
            return next;
        }
    }

    /**
     * Spreads layers evenly, in the order in which they lie.
     *
     * @param line of each that comes to lie at even distances; where nothing is said, the gaps between them become equal
     * @param down from the top to the bottom instead of from the left to the right
     * @param to between the outermost of them, or from edge to edge of a frame
     */
    public record Distribute(List<String> layers, long frame, boolean down, Optional<Line> line, Frame to)
            implements Edit {
        private record Lying(String id, Box box) {}

        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            List<Lying> all = new ArrayList<>();
            for (String id : leading(shot, layers)) {
                Box box = box(moment, id, extents);
                if (!box.isEmpty()) {
                    all.add(new Lying(id, box));
                }
            }
            int least = to == Frame.EACH_OTHER ? 3 : 2;
            if (all.size() < least) {
                throw new IllegalArgumentException("Choose at least " + least + " layers to spread evenly.");
            }
            if (line.isPresent() && line.get().upright == down) {
                throw new IllegalArgumentException(
                        "Layers are spread across by upright lines, and down by level ones.");
            }
            ToDoubleFunction<Box> middle = down ? Line.MIDDLE.of : Line.CENTRE.of;
            all.sort(Comparator.comparingDouble(
                    l -> line.map(n -> n.of).orElse(middle).applyAsDouble(l.box)));
            double[] by = line.isPresent() ? evenly(all, line.get().of, shot) : gaps(all, shot);
            Shot next = shot;
            for (int i = 0; i < by.length; i++) {
                Point away = down ? new Point(0, by[i]) : new Point(by[i], 0);
                next = new PlaceEdits.Move(all.get(i).id, frame, away, false, PlaceEdits.Stance.REST)
                        .apply(next, extents);
            }
            return next;
        }

        private double start(Box box) {
            return down ? box.y0() : box.x0();
        }

        private double end(Box box) {
            return down ? box.y1() : box.x1();
        }

        /** The outermost touch the edges of the frame, or stay; the lines of the others lie evenly between theirs. */
        private double[] evenly(List<Lying> all, ToDoubleFunction<Box> of, Shot shot) {
            Box first = all.get(0).box;
            Box last = all.get(all.size() - 1).box;
            Box within = TogetherEdits.frame(to, shot.format(), first.union(last));
            double from = of.applyAsDouble(first) + (to == Frame.EACH_OTHER ? 0 : start(within) - start(first));
            double until = of.applyAsDouble(last) + (to == Frame.EACH_OTHER ? 0 : end(within) - end(last));
            double[] by = new double[all.size()];
            for (int i = 0; i < by.length; i++) {
                double there = from + (until - from) * i / (by.length - 1);
                by[i] = there - of.applyAsDouble(all.get(i).box);
            }
            return by;
        }

        private double[] gaps(List<Lying> all, Shot shot) {
            Box around = Box.EMPTY;
            double filled = 0;
            for (Lying l : all) {
                around = around.union(l.box);
                filled += end(l.box) - start(l.box);
            }
            Box within = TogetherEdits.frame(to, shot.format(), around);
            double gap = (end(within) - start(within) - filled) / (all.size() - 1);
            double at = start(within);
            double[] by = new double[all.size()];
            for (int i = 0; i < by.length; i++) {
                Box box = all.get(i).box;
                by[i] = at - start(box);
                at += end(box) - start(box) + gap;
            }
            return by;
        }
    }
}
