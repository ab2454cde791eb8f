package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Masks drawn and moved on the Picture; points in pixels of the shot. */
public final class MaskEdits {
    private MaskEdits() {}

    /** The part of a knot that is moved. */
    public enum Part {
        AT,
        IN,
        OUT
    }

    public enum Shape {
        RECTANGLE,
        ELLIPSE
    }

    /** Adds a mask whose box has the two points as corners. */
    public record Add(String layer, String newId, long frame, Shape shape, Point from, Point to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            Affine toOwn = PlaceEdits.toOwn(new Moment(shot, frame), layer);
            Box box = Box.around(List.of(from, to));
            if (box.width() < 1 || box.height() < 1) {
                throw new IllegalArgumentException("Drag over a larger part of the Picture to draw a mask.");
            }
            BezierPath inShot = shape == Shape.RECTANGLE ? BezierPath.rectangle(box) : BezierPath.ellipse(box);
            BezierPath path = new BezierPath(inShot.knots().stream()
                    .map(k -> new BezierPath.Knot(
                            toOwn.apply(k.at()), toOwn.applyVector(k.in()), toOwn.applyVector(k.out())))
                    .toList());
            return shot.changing(layer, l -> {
                List<Mask> next = new ArrayList<>(l.masks());
                next.add(new Mask(
                        newId,
                        "Mask " + (l.masks().size() + 1),
                        Animated.of(path),
                        Animated.of(0.0),
                        Animated.of(1.0),
                        false,
                        Mask.Mode.ADD));
                return l.withMasks(next);
            });
        }
    }

    /** Moves a point of a mask, or one of its handles, to a place on the Picture. */
    public record MovePoint(String layer, String mask, long frame, int index, Part part, Point to) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changePath(shot, layer, mask, frame, (path, toOwn) -> {
                if (index < 0 || index >= path.knots().size()) {
                    throw new IllegalArgumentException("The mask has no point " + (index + 1) + ".");
                }
                BezierPath.Knot k = path.knots().get(index);
                Point own = toOwn.apply(to);
                return path.with(
                        index,
                        switch (part) {
                            case AT -> new BezierPath.Knot(own, k.in(), k.out());
                            case IN -> new BezierPath.Knot(k.at(), own.minus(k.at()), k.out());
                            case OUT -> new BezierPath.Knot(k.at(), k.in(), own.minus(k.at()));
                        });
            });
        }
    }

    /** Moves a whole mask. */
    public record Move(String layer, String mask, long frame, Point by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changePath(shot, layer, mask, frame, (path, toOwn) -> path.translated(toOwn.applyVector(by)));
        }
    }

    private interface PathChange {
        BezierPath of(BezierPath path, Affine toOwn);
    }

    private static Shot changePath(Shot shot, String layer, String mask, long frame, PathChange change) {
        Layer now = LayerEdits.demand(shot, layer);
        if (now.masks().stream().noneMatch(m -> m.id().equals(mask))) {
            throw new IllegalArgumentException("'" + now.name() + "' has no mask '" + mask + "'.");
        }
        Moment moment = new Moment(shot, frame);
        Affine toOwn = PlaceEdits.toOwn(moment, layer);
        long own = PlaceEdits.ownFrame(moment, layer);
        UnaryOperator<Mask> changed =
                m -> m.withPath(m.path().set(own, change.of(m.path().at(own, BezierPath.MIX), toOwn)));
        return shot.changing(
                layer,
                l -> l.withMasks(l.masks().stream()
                        .map(m -> m.id().equals(mask) ? changed.apply(m) : m)
                        .toList()));
    }
}
