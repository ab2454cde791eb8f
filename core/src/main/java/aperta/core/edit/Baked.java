package aperta.core.edit;

import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Opener;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;

/** What a layer's values are on each frame on which it is there, for edits that write motion as keys. */
final class Baked {
    /** Far below what a pixel, an eighth of a bit or a thousandth of a degree would show. */
    private static final double EQUAL = 1e-6;

    private Baked() {}

    /**
     * A frame of a layer.
     *
     * @param shot in the shot
     * @param own in its own time
     * @param rest with its values, in no pose
     * @param posed with its values, in the pose of its arrival or departure
     * @param windows what the arrival or departure lets be seen
     */
    record Frame(long shot, long own, Layer rest, Layer posed, List<List<Mask>> windows) {}

    static List<Frame> frames(Shot shot, String layer, Opener opener) {
        List<Frame> all = new ArrayList<>();
        for (long f = 0; f < shot.length(); f++) {
            Moment moment = new Moment(shot, f, opener);
            Moment.Seen seen = moment.of(layer);
            if (seen.exists()) {
                all.add(new Frame(
                        f, (long) Math.floor(seen.frame()), moment.rest(layer), seen.still(), seen.windows()));
            }
        }
        return all;
    }

    /**
     * Keys that reproduce values on successive frames: two with the ease, where that gives the same on every frame, or one
     * a frame, which hold where {@code stepped}.
     */
    static <T> List<Key<T>> keys(List<Long> at, List<T> values, Ease ease, boolean stepped, Mix<T> mix) {
        int last = at.size() - 1;
        List<Key<T>> two =
                List.of(new Key<>(at.get(0), values.get(0), ease), new Key<>(at.get(last), values.get(last), ease));
        if (last > 0 && agrees(new Animated<>(values.get(0), two), at, values, mix)) {
            return two;
        }
        List<Key<T>> all = new ArrayList<>();
        for (int i = 0; i <= last; i++) {
            all.add(new Key<>(at.get(i), values.get(i), stepped ? Ease.HOLD : Ease.LINEAR));
        }
        return Keys.together(List.of(), all);
    }

    private static <T> boolean agrees(Animated<T> value, List<Long> at, List<T> wanted, Mix<T> mix) {
        for (int i = 0; i < at.size(); i++) {
            T is = value.at(at.get(i), mix);
            if (!same(is, wanted.get(i))) {
                return false;
            }
        }
        return true;
    }

    static boolean same(Object a, Object b) {
        if (a instanceof Double x && b instanceof Double y) {
            return Math.abs(x - y) <= EQUAL;
        }
        if (a instanceof Point p && b instanceof Point q) {
            return p.minus(q).length() <= EQUAL;
        }
        if (a instanceof BezierPath p
                && b instanceof BezierPath q
                && p.knots().size() == q.knots().size()) {
            for (int i = 0; i < p.knots().size(); i++) {
                BezierPath.Knot k = p.knots().get(i);
                BezierPath.Knot l = q.knots().get(i);
                if (!same(k.at(), l.at()) || !same(k.in(), l.in()) || !same(k.out(), l.out())) {
                    return false;
                }
            }
            return true;
        }
        return a.equals(b);
    }
}
