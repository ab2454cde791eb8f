package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * Paths of masks and shapes changed on the Picture; points in pixels of the shot. A path with keys gets one on the frame.
 * What adds and takes away points does so on all keys with as many points, so that each point keeps its partner; where it is
 * asked to, only {@code here}.
 */
public final class PathEdits {
    private PathEdits() {}

    /** The part of a knot that is moved. */
    public enum Part {
        AT,
        IN,
        OUT
    }

    /** Moves a point, or one of its handles; with {@code both} the other handle keeps in line. */
    public record MovePoint(String layer, String property, long frame, int index, Part part, Point to, boolean both)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, property, frame, (path, toOwn) -> {
                check(path, List.of(index));
                BezierPath.Knot k = path.knots().get(index);
                Point own = toOwn.apply(to);
                if (part == Part.AT) {
                    return path.with(index, new BezierPath.Knot(own, k.in(), k.out(), k.feather()));
                }
                Point moved = own.minus(k.at());
                Point other = opposite(moved, part == Part.IN ? k.out() : k.in());
                return path.with(
                        index,
                        part == Part.IN
                                ? new BezierPath.Knot(k.at(), moved, other, k.feather())
                                : new BezierPath.Knot(k.at(), other, moved, k.feather()));
            });
        }

        private Point opposite(Point moved, Point other) {
            boolean none = moved.length() < 1e-9 || other.length() < 1e-9;
            return both && !none ? moved.times(-other.length() / moved.length()) : other;
        }
    }

    /** Moves points, or the whole path where none are named. */
    public record MovePoints(String layer, String property, long frame, List<Integer> points, Point by)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return mapped(shot, layer, property, frame, points, Affine.translation(by.x(), by.y()));
        }
    }

    /**
     * Scales points, or the whole path, about a point, so that what lay under {@code from} comes under {@code to}; evenly in
     * both directions where {@code even}.
     */
    public record ScalePoints(
            String layer,
            String property,
            long frame,
            List<Integer> points,
            Point pivot,
            Point from,
            Point to,
            boolean even)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Point f = PlaceEdits.factor(from.minus(pivot), to.minus(pivot), even);
            return mapped(shot, layer, property, frame, points, about(pivot, Affine.scale(f.x(), f.y())));
        }
    }

    /** Turns points, or the whole path, by the angle between two points as seen from a third; in steps of 15° if asked. */
    public record TurnPoints(
            String layer,
            String property,
            long frame,
            List<Integer> points,
            Point pivot,
            Point from,
            Point to,
            boolean steps)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            double by = PlaceEdits.angle(to.minus(pivot)) - PlaceEdits.angle(from.minus(pivot));
            double turn = steps ? Math.rint(by / 15) * 15 : by;
            return mapped(shot, layer, property, frame, points, about(pivot, Affine.rotation(turn)));
        }
    }

    private static Affine about(Point pivot, Affine map) {
        return Affine.translation(-pivot.x(), -pivot.y()).then(map).then(Affine.translation(pivot.x(), pivot.y()));
    }

    /** Adds a point on the path, where it is nearest to a place; the shape stays as it is. */
    public record AddPoint(String layer, String property, long frame, Point at, boolean here) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Space space = Space.of(shot, layer, property, frame);
            Place nearest = nearest(space.now(), space.toOwn, at);
            return space.every(shot, here, p -> p.split(nearest.segment, nearest.t));
        }
    }

    /** Takes points away; two always stay. */
    public record RemovePoints(String layer, String property, long frame, List<Integer> points, boolean here)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Space space = Space.of(shot, layer, property, frame);
            check(space.now(), points);
            return space.every(shot, here, p -> p.without(points));
        }
    }

    /** Makes points smooth, or corners. */
    public record SetSmooth(String layer, String property, long frame, List<Integer> points, boolean smooth)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, property, frame, (path, toOwn) -> {
                List<Integer> all = checked(path, points);
                return smooth ? path.smooth(all) : path.mapped(all, BezierPath.Knot::cornered);
            });
        }
    }

    /** Bends the curve that is nearest to a place, so that what lay there comes to lie elsewhere. */
    public record Bend(String layer, String property, long frame, Point from, Point to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, property, frame, (path, toOwn) -> {
                Place place = nearest(path, toOwn, from);
                double t = Math.max(0.1, Math.min(0.9, place.t));
                Point by = toOwn.applyVector(to.minus(from));
                return path.bent(
                        place.segment, t, path.curve(place.segment).at(t).plus(by));
            });
        }
    }

    /** Sets how much wider the feather is at points, in pixels of the path. */
    public record FeatherPoints(String layer, String property, long frame, List<Integer> points, double feather)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (!(feather >= 0 && feather <= 4000)) {
                throw new IllegalArgumentException("The feather at a point is 0 to 4000 pixels.");
            }
            return changed(
                    shot,
                    layer,
                    property,
                    frame,
                    (path, toOwn) -> path.mapped(checked(path, points), k -> k.withFeather(feather)));
        }
    }

    /** Lets a closed path begin with another of its points, which decides what points become when paths change. */
    public record StartAt(String layer, String property, long frame, int point) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, property, frame, (path, toOwn) -> {
                check(path, List.of(point));
                return path.from(point);
            });
        }
    }

    /** Cuts a closed path through at a point, or joins the ends of an open one. */
    public record SetClosed(String layer, String property, long frame, int point, boolean closed) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Space space = Space.of(shot, layer, property, frame);
            check(space.now(), List.of(point));
            if (space.now().closed() == closed) {
                throw new IllegalArgumentException("The path is " + (closed ? "closed" : "open") + " already.");
            }
            return space.every(shot, false, p -> closed ? p.joined() : p.broken(point));
        }
    }

    /** Lets a path run the other way, on all of its keys. */
    public record Reverse(String layer, String property, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Space space = Space.of(shot, layer, property, frame);
            return shot.changing(layer, l -> space.path.set().apply(l, space.values.map(BezierPath::reversed)));
        }
    }

    private record Place(int segment, double t) {}

    /** The nearest as it is seen: maps that stretch change distances, but not which parameter a place has. */
    private static Place nearest(BezierPath path, Affine toOwn, Point p) {
        BezierPath seen = path.transformed(toOwn.inverse().orElseThrow());
        Place best = new Place(0, 0);
        double distance = Double.POSITIVE_INFINITY;
        for (int i = 0; i < seen.segments(); i++) {
            Curve.Nearest n = seen.curve(i).nearest(p);
            if (n.distance() < distance) {
                distance = n.distance();
                best = new Place(i, n.t());
            }
        }
        return best;
    }

    private static void check(BezierPath path, List<Integer> points) {
        for (int i : points) {
            if (i < 0 || i >= path.knots().size()) {
                throw new IllegalArgumentException("The path has no point " + (i + 1) + " on this frame.");
            }
        }
    }

    private static List<Integer> checked(BezierPath path, List<Integer> points) {
        check(path, points);
        return points.isEmpty()
                ? IntStream.range(0, path.knots().size()).boxed().toList()
                : points;
    }

    private static Shot mapped(
            Shot shot, String layer, String property, long frame, List<Integer> points, Affine inShot) {
        return changed(shot, layer, property, frame, (path, toOwn) -> {
            Affine own = toOwn.inverse().orElseThrow().then(inShot).then(toOwn);
            return path.mapped(checked(path, points), k -> BezierPath.transformed(k, own));
        });
    }

    private interface Change {
        BezierPath of(BezierPath path, Affine toOwn);
    }

    private static Shot changed(Shot shot, String layer, String property, long frame, Change change) {
        Space space = Space.of(shot, layer, property, frame);
        BezierPath next = change.of(space.now(), space.toOwn);
        return shot.changing(layer, l -> space.path.set().apply(l, space.values.set(space.own, next)));
    }

    /** A path as it is on a frame, and the way from the shot's pixels to its own. */
    private record Space(String layer, Property<BezierPath> path, Animated<BezierPath> values, long own, Affine toOwn) {
        static Space of(Shot shot, String layer, String property, long frame) {
            Layer now = LayerEdits.demand(shot, layer);
            Property<?> named = Property.named(now, property);
            if (named.kind() != Property.Kind.PATH) {
                throw new IllegalArgumentException("'" + named.title() + "' of '" + now.name() + "' is not a path.");
            }
            // A property of this kind has paths as its values.
            @SuppressWarnings("unchecked")
            Property<BezierPath> path = (Property<BezierPath>) named;
            Moment moment = new Moment(shot, frame);
            boolean inFrame = now.masks().stream()
                    .anyMatch(m -> property.equals("mask." + m.id() + ".path") && m.lock() == Mask.Lock.FRAME);
            Affine toOwn = inFrame ? Affine.IDENTITY : PlaceEdits.toOwn(moment, layer);
            return new Space(layer, path, path.get().apply(now), PlaceEdits.ownFrame(moment, layer), toOwn);
        }

        BezierPath now() {
            return values.at(own, BezierPath.MIX);
        }

        /** Changes every value that has as many points as the present one, or only the present one. */
        Shot every(Shot shot, boolean here, UnaryOperator<BezierPath> change) {
            int count = now().knots().size();
            BezierPath present = change.apply(now());
            Animated<BezierPath> next =
                    here ? values.set(own, present) : values.map(p -> p.knots().size() == count ? change.apply(p) : p);
            // Between keys with other numbers of points nothing has changed yet: then the present one gets a key.
            boolean seen = next.at(own, BezierPath.MIX).knots().size()
                    == present.knots().size();
            Animated<BezierPath> kept = seen ? next : values.set(own, present);
            return shot.changing(layer, l -> path.set().apply(l, kept));
        }
    }
}
