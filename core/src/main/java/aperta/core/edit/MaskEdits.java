package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;

/** Masks drawn on the Picture; points in pixels of the shot. */
public final class MaskEdits {
    private MaskEdits() {}

    /**
     * Adds a mask that fills the box which has two points as corners.
     *
     * @param points of a star, corners of a polygon
     * @param inner a star's inner radius as a share of the outer
     * @param roundness of the corners of a polygon and the points of a star, 0 to 1; of a rounded rectangle the radius as a
     *     share of half the shorter side
     * @param innerRoundness of the corners between the points of a star
     */
    public record Add(
            String layer,
            String newId,
            long frame,
            Figure shape,
            Point from,
            Point to,
            int points,
            double inner,
            double roundness,
            double innerRoundness)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return added(shot, layer, newId, frame, shape.in(from, to, points, inner, roundness, innerRoundness));
        }
    }

    /** Adds a mask along a path that was drawn point by point. */
    public record Draw(String layer, String newId, long frame, BezierPath path) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return added(shot, layer, newId, frame, path.joined());
        }
    }

    private static Shot added(Shot shot, String layer, String newId, long frame, BezierPath inShot) {
        LayerEdits.demand(shot, layer);
        BezierPath path = inShot.transformed(PlaceEdits.toOwn(new Moment(shot, frame), layer));
        return shot.changing(layer, l -> {
            List<Mask> next = new ArrayList<>(l.masks());
            next.add(Mask.of(newId, "Mask " + (l.masks().size() + 1), path));
            return l.withMasks(next);
        });
    }

    /** Locks a mask to its layer or to the frame; on this frame of the shot it stays where it is. */
    public record SetLock(String layer, String mask, long frame, Mask.Lock lock) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Mask now = demand(LayerEdits.demand(shot, layer), mask);
            if (now.lock() == lock) {
                return shot;
            }
            Moment moment = new Moment(shot, frame);
            Affine map = lock == Mask.Lock.LAYER
                    ? PlaceEdits.toOwn(moment, layer)
                    : moment.of(layer).toShot();
            Mask next = now.withLock(lock).withPath(now.path().map(p -> p.transformed(map)));
            return shot.changing(
                    layer,
                    l -> l.withMasks(l.masks().stream()
                            .map(m -> m.id().equals(mask) ? next : m)
                            .toList()));
        }
    }

    static Mask demand(Layer layer, String mask) {
        return layer.masks().stream()
                .filter(m -> m.id().equals(mask))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + layer.name() + "' has no mask '" + mask + "'."));
    }
}
