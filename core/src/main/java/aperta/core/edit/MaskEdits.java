package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;

/** Masks drawn on the Picture; points in pixels of the shot. */
public final class MaskEdits {
    private static final int MOST_LETTERS = 120;

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

    /**
     * Adds masks along the letters of a text as they stand on a frame: one for each contour, which adds, or subtracts where
     * it runs the other way round, as the hole of a letter does. The text itself stays as it is.
     */
    public record OfLetters(String layer, String text, String newId, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            Layer word = LayerEdits.demand(shot, text);
            Moment moment = new Moment(shot, frame, extents.opener());
            Moment.Seen seen = moment.of(text);
            if (!(seen.still().content() instanceof Content.Text letters)) {
                throw new IllegalArgumentException("'" + word.name() + "' is not a text.");
            }
            Affine map = seen.toShot().then(PlaceEdits.toOwn(moment, layer));
            List<BezierPath> contours = new ArrayList<>(extents.outline(letters).paths());
            if (contours.isEmpty() || contours.size() > MOST_LETTERS) {
                throw new IllegalArgumentException("'" + word.name() + "' has " + contours.size() + " contours; 1 to "
                        + MOST_LETTERS + " can become masks.");
            }
            BezierPath largest = Collections.max(contours, Comparator.comparingDouble(p -> Math.abs(p.area())));
            // What subtracts must follow all that adds.
            contours.sort(Comparator.comparing(p -> p.area() * largest.area() < 0));
            return shot.changing(layer, l -> {
                List<Mask> next = new ArrayList<>(l.masks());
                for (BezierPath contour : contours) {
                    int n = next.size() - l.masks().size() + 1;
                    Mask mask = Mask.of(newId + "-" + n, word.name() + " " + n, contour.transformed(map));
                    next.add(contour.area() * largest.area() < 0 ? mask.withMode(Mask.Mode.SUBTRACT) : mask);
                }
                return l.withMasks(next);
            });
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
            Mask next = now.withLock(lock).transformed(map);
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
