package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.CurveFitting;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import aperta.core.shot.Ink;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.shot.Stroke;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Edits of the strokes in which a layer is written. */
public final class InkEdits {
    /** How far a stroke that was drawn may lie off the hand, in pixels of the layer. */
    private static final double FIT = 1.2;

    private InkEdits() {}

    /** Takes the strokes that are found in a layer over, so that they can be changed; those set by hand before go. */
    public record Find(String layer, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            Shot bare = shot.changing(layer, l -> l.withInk(Optional.empty()));
            Moment moment = new Moment(bare, frame, extents.opener());
            List<Stroke> found = extents.strokes(moment, layer);
            if (found.isEmpty()) {
                throw new IllegalArgumentException("Nothing of it can be written.");
            }
            Layer still = moment.of(layer).still();
            return bare.changing(layer, l -> l.withInk(Optional.of(Ink.of(still.content(), found))));
        }
    }

    /** Makes strokes that were set for letters of another size as large as the letters are now, so that they can be changed. */
    public record Fit(String layer, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Ink ink = demand(shot, layer);
            Layer still = new Moment(shot, frame, extents.opener()).of(layer).still();
            Ink fitted = Ink.of(still.content(), ink.on(still.content()));
            return shot.changing(layer, l -> l.withInk(Optional.of(fitted)));
        }
    }

    /** A place of the hand, in pixels of the shot, and how wide the pen is there, in pixels of the layer. */
    public record Place(Point at, double width) {}

    /** Adds a stroke that was drawn, as the last one, or in the place of another. */
    public record Draw(String layer, long frame, List<Place> places, Optional<String> instead) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            Moment moment = new Moment(shot, frame, extents.opener());
            Layer still = moment.of(layer).still();
            Affine toOwn = PlaceEdits.toOwn(moment, layer);
            List<Point> points = new ArrayList<>();
            List<Double> widths = new ArrayList<>();
            for (Place p : places) {
                Point own = toOwn.apply(p.at());
                if (points.isEmpty() || own.minus(points.get(points.size() - 1)).length() > 1e-3) {
                    points.add(own);
                    widths.add(p.width());
                }
            }
            if (points.size() < 2) {
                throw new IllegalArgumentException("A stroke has a start and an end.");
            }
            BezierPath path = CurveFitting.path(points, widths, FIT);
            Ink ink = shot.layer(layer)
                    .flatMap(Layer::ink)
                    .filter(i -> i.fits(still.content()))
                    .orElseGet(() -> Ink.of(still.content(), List.of()));
            List<Stroke> all = new ArrayList<>(ink.strokes());
            if (instead.isPresent()) {
                int at = index(all, instead.get());
                all.set(at, all.get(at).withPath(Animated.of(path)));
            } else {
                all.add(Stroke.of(free(all), path, all.isEmpty() ? Stroke.Begins.WORD : Stroke.Begins.STROKE));
            }
            return shot.changing(layer, l -> l.withInk(Optional.of(ink.withStrokes(all))));
        }
    }

    /** Turns strokes round. */
    public record Reverse(String layer, List<String> strokes) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, all -> {
                List<Stroke> next = new ArrayList<>(all);
                for (String id : strokes) {
                    int at = index(next, id);
                    next.set(at, next.get(at).withPath(each(next.get(at).path(), BezierPath::reversed)));
                }
                return next;
            });
        }
    }

    /**
     * Smooths strokes: their line and their width are averaged along them by a Gaussian, and drawn anew; their ends stay.
     *
     * @param deviation of the Gaussian, in pixels of the layer, over 0
     */
    public record Smooth(String layer, List<String> strokes, double deviation) implements Edit {
        private static final double STEP = 2;

        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (!(deviation > 0 && deviation <= 1000)) {
                throw new IllegalArgumentException("A stroke is smoothed over more than 0 and up to 1000 pixels.");
            }
            return changed(shot, layer, all -> {
                List<Stroke> next = new ArrayList<>(all);
                for (String id : strokes) {
                    int at = index(next, id);
                    next.set(at, next.get(at).withPath(Animated.of(smoothed(still(next.get(at))))));
                }
                return next;
            });
        }

        private BezierPath smoothed(BezierPath path) {
            List<Point> points = new ArrayList<>();
            List<Double> widths = new ArrayList<>();
            for (int i = 0; i < path.segments(); i++) {
                Curve c = path.curve(i);
                int pieces = (int) Math.max(1, Math.ceil(c.length() / STEP));
                for (int k = i == 0 ? 0 : 1; k <= pieces; k++) {
                    double t = c.atShare(k / (double) pieces);
                    points.add(c.at(t));
                    double from = path.knots().get(i).feather();
                    widths.add(from + (path.knots().get(i + 1).feather() - from) * t);
                }
            }
            int last = points.size() - 1;
            List<Point> line = new ArrayList<>(points);
            List<Double> wide = new ArrayList<>(widths);
            for (int i = 1; i < last; i++) {
                // Nearer to the ends over less, so that these stay where they are.
                int reach = Math.min(Math.min(i, last - i), (int) Math.ceil(3 * deviation / STEP));
                double sum = 0;
                double width = 0;
                Point mean = Point.ORIGIN;
                for (int k = -reach; k <= reach; k++) {
                    double weight = StrictMath.exp(-k * k * STEP * STEP / (2 * deviation * deviation));
                    mean = mean.plus(points.get(i + k).times(weight));
                    width += widths.get(i + k) * weight;
                    sum += weight;
                }
                line.set(i, mean.times(1 / sum));
                wide.set(i, width / sum);
            }
            return last < 2 ? path : CurveFitting.path(line, wide, FIT);
        }
    }

    /** Makes one stroke of one and the next: the pen goes on from the end of the first to the start of the other. */
    public record Join(String layer, String stroke) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, all -> {
                int at = index(all, stroke);
                if (at + 1 == all.size()) {
                    throw new IllegalArgumentException("There is no stroke after it to join it with.");
                }
                List<BezierPath.Knot> knots = new ArrayList<>(still(all.get(at)).knots());
                knots.addAll(still(all.get(at + 1)).knots());
                List<Stroke> next = new ArrayList<>(all);
                next.remove(at + 1);
                next.set(
                        at,
                        all.get(at)
                                .withPath(Animated.of(new BezierPath(knots, false)))
                                .withTime(Optional.empty()));
                return next;
            });
        }
    }

    /** Cuts a stroke in two at one of its points. */
    public record Split(String layer, String stroke, int point) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changed(shot, layer, all -> {
                int at = index(all, stroke);
                List<BezierPath.Knot> knots = still(all.get(at)).knots();
                if (point < 1 || point > knots.size() - 2) {
                    throw new IllegalArgumentException("A stroke is cut at a point between its ends.");
                }
                BezierPath first = new BezierPath(knots.subList(0, point + 1), false);
                BezierPath last = new BezierPath(knots.subList(point, knots.size()), false);
                List<Stroke> next = new ArrayList<>(all);
                next.set(at, all.get(at).withPath(Animated.of(first)).withTime(Optional.empty()));
                next.add(at + 1, Stroke.of(free(all), last, Stroke.Begins.STROKE));
                return next;
            });
        }
    }

    private static Ink demand(Shot shot, String layer) {
        Layer now = LayerEdits.demand(shot, layer);
        return now.ink()
                .orElseThrow(() -> new IllegalArgumentException(
                        "The strokes of '" + now.name() + "' are found, not set by hand."));
    }

    private static Shot changed(Shot shot, String layer, UnaryOperator<List<Stroke>> change) {
        Ink ink = demand(shot, layer);
        return shot.changing(layer, l -> l.withInk(Optional.of(ink.withStrokes(change.apply(ink.strokes())))));
    }

    private static int index(List<Stroke> all, String id) {
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).id().equals(id)) {
                return i;
            }
        }
        throw new IllegalArgumentException("There is no stroke '" + id + "'.");
    }

    private static BezierPath still(Stroke s) {
        if (!s.path().keys().isEmpty()) {
            throw new IllegalArgumentException("A stroke whose points have keys stays in one piece.");
        }
        return s.path().rest();
    }

    private static Animated<BezierPath> each(Animated<BezierPath> path, UnaryOperator<BezierPath> change) {
        Animated<BezierPath> turned = path.withRest(change.apply(path.rest()));
        return turned.withKeys(path.keys().stream()
                .map(k -> k.withValue(change.apply(k.value())))
                .toList());
    }

    private static String free(List<Stroke> all) {
        Set<String> taken = new HashSet<>();
        all.forEach(s -> taken.add(s.id()));
        int n = 1;
        while (taken.contains(Integer.toString(n))) {
            n++;
        }
        return Integer.toString(n);
    }
}
