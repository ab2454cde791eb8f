package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Shutter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The mean of a layer's picture over the time that the shutter is open. */
final class MotionBlur {
    /** How far something moves between two samples, in raster pixels. */
    private static final double APART = 1.5;

    /**
     * When it is looked whether anything changes while the shutter is open, and how far. Two of them lie at no simple share, so
     * that what swings to and fro in just that time isn't taken for still.
     */
    private static final double[] LOOKS = {0, 0.5 - Math.sqrt(5) / 10, 0.5, (Math.sqrt(5) - 1) / 2, 1};

    private static final int FEWEST = 8;
    private static final int MOST = 64;
    /** What letters that move by themselves are taken to travel while the shutter is open, in raster pixels. */
    private static final double LETTERS_TRAVEL = 16 * APART;

    private MotionBlur() {}

    static Optional<Step.Paints> of(Layer layer, Layout layout) {
        Shutter shutter = layout.moment().shot().shutter();
        if (shutter.length() == 0) {
            return layout.chain().atOnce(layer);
        }
        Optional<ContentKey> first = key(layer, layout.sample(LOOKS[0]));
        boolean still = true;
        double travel = 0;
        for (int i = 1; i < LOOKS.length; i++) {
            still &= key(layer, layout.sample(LOOKS[i])).equals(first);
            travel += travel(layer, layout.sample(LOOKS[i - 1]), layout.sample(LOOKS[i]));
        }
        if (still) {
            return layout.chain().atOnce(layer);
        }
        int count = FEWEST;
        while (count < MOST && count * APART < travel) {
            count *= 2;
        }
        List<Step.Paints> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            layout.sample((i + 0.5) / count).chain().atOnce(layer).ifPresent(all::add);
        }
        return all.isEmpty() ? Optional.empty() : Optional.of(Averaged.of(all, count));
    }

    private static Optional<ContentKey> key(Layer layer, Layout layout) {
        return layout.chain().atOnce(layer).map(Step::key);
    }

    /** How far a layer's corners move between two times, at most, in raster pixels. */
    private static double travel(Layer layer, Layout from, Layout to) {
        Box box = from.planner().extent(from.moment(), layer.id());
        double most = 0;
        for (Point p : box.corners()) {
            Point here = from.moment().of(layer.id()).toShot().apply(p);
            Point there = to.moment().of(layer.id()).toShot().apply(p);
            most = Math.max(most, there.minus(here).length() * from.scale());
        }
        boolean pieces = from.moment().of(layer.id()).pieces().isPresent();
        return pieces ? Math.max(most, LETTERS_TRAVEL) : most;
    }
}
