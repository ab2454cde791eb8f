package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** A layer moved, scaled and turned by its handles on the Picture; all points in pixels of the shot. */
public final class PlaceEdits {
    /** How near a line must be for a moved layer to cling to it, as a share of the frame's height: 12 px of 1080. */
    private static final double REACH = 1 / 90.0;

    private PlaceEdits() {}

    /** Which pose of a layer is meant. */
    public enum Stance {
        REST,
        ARRIVE,
        LEAVE
    }

    /**
     * Moves a layer, and lets it cling to lines where {@code snap} is asked for.
     *
     * @param guides of the one who moves it; they are lines to cling to, too
     */
    public record Move(String layer, long frame, Point by, boolean snap, Snap.Guides guides, Stance stance)
            implements Snap.Clinging {
        public Move(String layer, long frame, Point by, boolean snap, Stance stance) {
            this(layer, frame, by, snap, Snap.Guides.NONE, stance);
        }

        @Override
        public Shot apply(Shot shot, Extents extents) {
            Point whole = by;
            if (snap) {
                whole = by.plus(snapped(shot, extents).by());
            }
            Moment moment = new Moment(shot, frame, extents.opener());
            Point inParent = toParent(moment, layer).applyVector(whole);
            long own = ownFrame(moment, layer);
            if (stance != Stance.REST) {
                return posed(shot, layer, stance, p -> p.withShift(p.shift().plus(inParent)));
            }
            return shot.changing(layer, l -> {
                Place p = l.place();
                Point to = p.position().at(own, Mix.POINT).plus(inParent);
                return l.withPlace(p.withPosition(p.position().set(own, to)));
            });
        }

        @Override
        public Snap snapped(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            Box box = moment.of(layer).toShot().apply(extents.extent(moment, layer));
            Box moved = Affine.translation(by.x(), by.y()).apply(box);
            return Snap.of(
                    moved,
                    guides,
                    shot,
                    moment,
                    Set.of(layer),
                    extents,
                    REACH * shot.format().height());
        }
    }

    /**
     * Scales a layer so that what lies at one point comes to lie at another.
     *
     * @param pivot what stays where it is, in pixels of the shot; the anchor where nothing is said
     */
    public record Scale(
            String layer, long frame, Point from, Point to, boolean even, Stance stance, Optional<Point> pivot)
            implements Edit {
        /** About the anchor. */
        public Scale(String layer, long frame, Point from, Point to, boolean even, Stance stance) {
            this(layer, frame, from, to, even, stance, Optional.empty());
        }

        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            long own = ownFrame(moment, layer);
            Affine toOwn = toOwn(moment, layer);
            Place still = moment.of(layer).still().place();
            Point stays = pivot.map(toOwn::apply).orElse(still.anchor().rest());
            Point a = toOwn.apply(from).minus(stays);
            Point b = toOwn.apply(to).minus(stays);
            Point factor = factor(a, b, even);
            Point scale = still.scale().rest();
            Point larger = new Point(scale.x() * factor.x(), scale.y() * factor.y());
            Affine before = still.toParent(0);
            Affine after = still.withScale(Animated.of(larger)).toParent(0);
            Point back = before.apply(stays).minus(after.apply(stays));
            if (stance != Stance.REST) {
                return posed(
                        shot,
                        layer,
                        stance,
                        p -> p.withScale(new Point(
                                        p.scale().x() * factor.x(), p.scale().y() * factor.y()))
                                .withShift(p.shift().plus(back)));
            }
            return shot.changing(layer, l -> {
                Place p = l.place();
                Point s = p.scale().at(own, Mix.POINT);
                Point next = new Point(s.x() * factor.x(), s.y() * factor.y());
                Place scaled = p.withScale(p.scale().set(own, next));
                if (pivot.isEmpty()) {
                    return l.withPlace(scaled);
                }
                Point there = p.position().at(own, Mix.POINT).plus(back);
                return l.withPlace(scaled.withPosition(p.position().set(own, there)));
            });
        }
    }

    /** How much larger things become when what lies at one point comes to lie at another, both seen from what stays. */
    static Point factor(Point a, Point b, boolean even) {
        if (even) {
            double f = ratio(a.x() * b.x() + a.y() * b.y(), a.x() * a.x() + a.y() * a.y());
            return new Point(f, f);
        }
        return new Point(ratio(b.x(), a.x()), ratio(b.y(), a.y()));
    }

    /** Never 0, from which no handle could lead back. */
    private static double ratio(double to, double from) {
        double r = Math.abs(from) < 1e-6 ? 1 : to / from;
        return Math.abs(r) < 1e-3 ? Math.copySign(1e-3, r) : r;
    }

    /** The direction of a vector in degrees, clockwise from the right. */
    static double angle(Point p) {
        return Math.toDegrees(StrictMath.atan2(p.y(), p.x()));
    }

    /** Turns a layer about its anchor by the angle between two points as seen from there. */
    public record Turn(String layer, long frame, Point from, Point to, boolean steps, Stance stance) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            long own = ownFrame(moment, layer);
            Moment.Seen seen = moment.of(layer);
            Point centre = seen.toShot().apply(seen.still().place().anchor().rest());
            double turn = angle(to.minus(centre)) - angle(from.minus(centre));
            double signed = seen.toShot().determinant() < 0 ? -turn : turn;
            double by = signed > 180 ? signed - 360 : signed < -180 ? signed + 360 : signed;
            if (stance != Stance.REST) {
                return posed(shot, layer, stance, p -> p.withTurn(stepped(p.turn() + by)));
            }
            return shot.changing(layer, l -> {
                double next = l.place().rotation().at(own, Mix.NUMBER) + by;
                return l.withPlace(l.place().withRotation(l.place().rotation().set(own, stepped(next))));
            });
        }

        private double stepped(double angle) {
            return steps ? Math.rint(angle / 15) * 15 : angle;
        }
    }

    /**
     * Moves a key of the path that a layer's position takes, or one of its handles; a handle that is put on its key goes.
     *
     * @param frame of the shot on which the path is seen as it is drawn
     * @param at the key's frame in the layer's own time
     * @param both whether the other handle keeps in line
     */
    public record MovePath(String layer, long frame, long at, PathEdits.Part part, Point to, boolean both)
            implements Edit {
        /** How near to its key a handle is taken for none, in pixels of the parent's space. */
        private static final double NONE = 2;

        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame, extents.opener());
            Point own = toParent(moment, layer).apply(to);
            return shot.changing(layer, l -> {
                List<Key<Point>> keys = new ArrayList<>(l.place().position().keys());
                if (keys.stream().noneMatch(k -> k.at() == at)) {
                    throw new IllegalArgumentException(
                            "The position of '" + l.name() + "' has no key on frame " + at + " of the layer.");
                }
                keys.replaceAll(k -> k.at() == at ? moved(k, own) : k);
                return l.withPlace(l.place().withPosition(l.place().position().withKeys(keys)));
            });
        }

        private Key<Point> moved(Key<Point> key, Point own) {
            if (part == PathEdits.Part.AT) {
                return key.withValue(own);
            }
            Point away = own.minus(key.value());
            Optional<Point> handle = away.length() < NONE ? Optional.empty() : Optional.of(away);
            Optional<Point> now = part == PathEdits.Part.OUT ? key.in() : key.out();
            Optional<Point> other = both && handle.isPresent()
                    ? Optional.of(away.times(-now.map(Point::length).orElse(away.length()) / away.length()))
                    : now;
            return part == PathEdits.Part.OUT ? key.withHandles(handle, other) : key.withHandles(other, handle);
        }
    }

    /** Puts the anchor elsewhere without moving the picture. */
    public record MoveAnchor(String layer, long frame, Point to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame);
            long own = ownFrame(moment, layer);
            Point anchor = toOwn(moment, layer).apply(to);
            return shot.changing(layer, l -> {
                Place p = l.place();
                Point inParent = p.toParent(own).apply(anchor);
                return l.withPlace(p.withAnchor(p.anchor().set(own, anchor))
                        .withPosition(p.position().set(own, inParent)));
            });
        }
    }

    /** Brings a layer to the size of the frame and into its middle: all of it seen, or all of the frame covered. */
    public record Fit(String layer, long frame, boolean cover) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Moment moment = new Moment(shot, frame);
            long own = ownFrame(moment, layer);
            Box box = moment.of(layer).toShot().apply(extents.extent(moment, layer));
            if (box.isEmpty()) {
                throw new IllegalArgumentException(
                        "'" + moment.of(layer).layer().name() + "' has no size to fit.");
            }
            double across = shot.format().width() / box.width();
            double down = shot.format().height() / box.height();
            double factor = cover ? Math.max(across, down) : Math.min(across, down);
            Shot sized = shot.changing(layer, l -> {
                Point s = l.place().scale().at(own, Mix.POINT);
                return l.withPlace(l.place().withScale(l.place().scale().set(own, s.times(factor))));
            });
            Moment then = new Moment(sized, frame);
            Box now = then.of(layer).toShot().apply(extents.extent(then, layer));
            return new Move(layer, frame, shot.format().centre().minus(now.centre()), false, Stance.REST)
                    .apply(sized, extents);
        }
    }

    /** The layer's own time at a frame of the shot. */
    static long ownFrame(Moment moment, String layer) {
        return (long) Math.floor(moment.of(layer).frame());
    }

    /** From pixels of the shot to the layer's own. */
    static Affine toOwn(Moment moment, String layer) {
        Moment.Seen seen = moment.of(layer);
        return seen.toShot()
                .inverse()
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + seen.layer().name() + "' has a scale of 0 here; set its scale in the Sheet first."));
    }

    /** From pixels of the shot to the space that the layer's position counts in. */
    static Affine toParent(Moment moment, String layer) {
        return toOwn(moment, layer).then(moment.toParent(layer));
    }

    /** Changes the pose that a layer comes from or goes to; a layer without an arrival or departure is given one. */
    private static Shot posed(Shot shot, String layer, Stance stance, UnaryOperator<Pose> change) {
        LayerEdits.demand(shot, layer);
        boolean arriving = stance == Stance.ARRIVE;
        return shot.changing(layer, l -> {
            Passage now = (arriving ? l.arrive() : l.leave())
                    .orElseGet(() -> Passage.standard(shot.format().rate()));
            Optional<Passage> next = Optional.of(now.withPose(change.apply(now.pose())));
            return arriving ? l.withArrive(next) : l.withLeave(next);
        });
    }
}
