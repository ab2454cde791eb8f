package aperta.core.shot;

import aperta.core.geometry.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Where some marks are, frame after frame of a clip. */
public final class TrackPath {
    /** How far a Gaussian is taken into account, as a multiple of its σ. */
    private static final double REACH = 3;

    private final long first;
    private final List<Step> steps;
    private final Map<Double, List<List<Point>>> smoothed = new ConcurrentHashMap<>();

    /** How a step came about. */
    public enum By {
        FOUND,
        /** By the motion so far, where it couldn't be found. */
        GUESSED,
        /** Set by a hand: it is never changed by following. */
        HAND,
        /** What lies between its neighbours counts instead. */
        LEFT_OUT
    }

    /**
     * The marks on one frame.
     *
     * @param sure how alike they are to what was marked: 1 the same but for brightness and contrast, 0 not at all
     */
    public record Step(List<Point> at, double sure, By by) {
        public Step {
            at = List.copyOf(at);
        }

        public Step withBy(By other) {
            return new Step(at, sure, other);
        }
    }

    /** @param first the frame of the first step; there is one for each frame from there */
    public TrackPath(long first, List<Step> steps) {
        this.first = first;
        this.steps = List.copyOf(steps);
        if (steps.isEmpty()) {
            throw new IllegalArgumentException("A path has at least one step: the marks where they were set.");
        }
    }

    /** What is known before anything is followed: the marks as they were set. */
    public static TrackPath of(long frame, List<Point> marks) {
        return new TrackPath(frame, List.of(new Step(marks, 1, By.HAND)));
    }

    public long first() {
        return first;
    }

    /** The frame of the last step. */
    public long last() {
        return first + steps.size() - 1;
    }

    public List<Step> steps() {
        return steps;
    }

    /** The step of a frame, where there is one. */
    public Optional<Step> step(long frame) {
        return frame < first || frame > last() ? Optional.empty() : Optional.of(steps.get((int) (frame - first)));
    }

    /** The same with another step on a frame that has one or lies right beside one that has. */
    public TrackPath with(long frame, Step step) {
        List<Step> next = new ArrayList<>(steps);
        if (frame == first - 1) {
            next.add(0, step);
            return new TrackPath(frame, next);
        }
        if (frame == last() + 1) {
            next.add(step);
        } else if (step(frame).isPresent()) {
            next.set((int) (frame - first), step);
        } else {
            throw new IllegalArgumentException(
                    "Frame " + frame + " lies apart from the path, which runs from " + first + " to " + last() + ".");
        }
        return new TrackPath(first, next);
    }

    /**
     * Where the marks are at a frame: linearly between two, and held before the first and after the last.
     *
     * @param smooth σ in frames
     */
    public List<Point> at(double frame, double smooth) {
        List<List<Point>> all = smoothed.computeIfAbsent(smooth, this::smoothed);
        double t = Math.min(steps.size() - 1, Math.max(0, frame - first));
        int i = (int) t;
        if (t == i) {
            return all.get(i);
        }
        List<Point> between = new ArrayList<>();
        for (int k = 0; k < all.get(i).size(); k++) {
            between.add(all.get(i).get(k).mix(all.get(i + 1).get(k), t - i));
        }
        return between;
    }

    private List<List<Point>> smoothed(double sigma) {
        List<List<Point>> plain = filled();
        if (sigma == 0) {
            return plain;
        }
        int reach = (int) Math.ceil(REACH * sigma);
        double[] weights = new double[reach + 1];
        for (int k = 0; k <= reach; k++) {
            weights[k] = StrictMath.exp(-k * k / (2 * sigma * sigma));
        }
        List<List<Point>> all = new ArrayList<>();
        for (int i = 0; i < plain.size(); i++) {
            // As far on both sides, so that an even motion stays as it is up to its ends.
            int far = Math.min(reach, Math.min(i, plain.size() - 1 - i));
            List<Point> points = new ArrayList<>();
            for (int m = 0; m < plain.get(i).size(); m++) {
                Point sum = plain.get(i).get(m).times(weights[0]);
                double whole = weights[0];
                for (int k = 1; k <= far; k++) {
                    sum = sum.plus(plain.get(i - k)
                            .get(m)
                            .plus(plain.get(i + k).get(m))
                            .times(weights[k]));
                    whole += 2 * weights[k];
                }
                points.add(sum.times(1 / whole));
            }
            all.add(points);
        }
        return all;
    }

    /** With what lies between their neighbours in place of steps that are left out. */
    private List<List<Point>> filled() {
        List<List<Point>> all = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            all.add(steps.get(i).by() == By.LEFT_OUT ? between(i) : steps.get(i).at());
        }
        return all;
    }

    private List<Point> between(int i) {
        int before = i;
        while (before >= 0 && steps.get(before).by() == By.LEFT_OUT) {
            before--;
        }
        int after = i;
        while (after < steps.size() && steps.get(after).by() == By.LEFT_OUT) {
            after++;
        }
        if (before < 0 && after == steps.size()) {
            return steps.get(i).at();
        }
        if (before < 0 || after == steps.size()) {
            return steps.get(before < 0 ? after : before).at();
        }
        List<Point> points = new ArrayList<>();
        double share = (double) (i - before) / (after - before);
        for (int m = 0; m < steps.get(i).at().size(); m++) {
            points.add(steps.get(before).at().get(m).mix(steps.get(after).at().get(m), share));
        }
        return points;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof TrackPath p && p.first == first && p.steps.equals(steps);
    }

    @Override
    public int hashCode() {
        return 31 * Long.hashCode(first) + steps.hashCode();
    }

    @Override
    public String toString() {
        return "TrackPath[" + first + " to " + last() + "]";
    }
}
