package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BrushStroke;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import java.util.stream.LongStream;

/**
 * Cuts a figure out of a clip. On the frame that was brushed first, inside and outside, its shape is found; it is carried from
 * there both ways. Frames brushed later are fixed: from the nearest known one the shape is carried there and corrected by the
 * strokes; between two fixed frames it is carried both ways, each counting the more the nearer it started.
 */
public final class CuttingOut {
    private final FigureFinder finder;
    private final Known known;
    private final Told told;
    private final Map<Long, Strokes> strokes = new HashMap<>();
    private boolean stopped;

    /** Is told of each frame as it is decided. */
    public interface Told {
        /**
         * @param alpha the coverage in pixels of the clip, from 0 to 1; outside its domain there is nothing of the figure
         * @param sure how clearly figure and background are told apart along the edge, 0 to 1
         * @return whether to go on
         */
        boolean frame(long frame, Matte alpha, double sure);
    }

    /** What is known of frames already, by the same strokes. */
    public interface Known {
        Optional<Matte> frame(long frame);
    }

    private CuttingOut(List<BrushStroke> brushed, FigureFinder finder, Known known, Told told) {
        this.finder = finder;
        this.known = known;
        this.told = told;
        brushed.stream()
                .collect(Collectors.groupingBy(BrushStroke::frame))
                .forEach((frame, all) -> strokes.put(frame, finder.strokes(all)));
    }

    /**
     * Cuts a figure out of some frames; those that aren't known are told of once.
     *
     * @param brushed in the order in which it was brushed; on one of its frames both inside and outside
     * @param from and {@code to}: the first and the last frame
     * @throws IllegalArgumentException where no frame has strokes of both kinds
     * @throws VisionMissing where this machine can't
     */
    public static void carry(List<BrushStroke> brushed, long from, long to, ClipFilm film, Known known, Told told) {
        Natives.demand();
        long start = start(brushed);
        long first = Math.max(0, Math.min(from, start));
        long last = Math.min(film.frames() - 1, Math.max(to, start));
        List<BrushStroke> there =
                brushed.stream().filter(b -> b.frame() == start).toList();
        FigureFinder finder = FigureFinder.of(film, first, last, start, there);
        new CuttingOut(brushed, finder, known, told).all(start, first, last);
    }

    /**
     * The frame that all others are carried from: the first one brushed both inside and outside.
     *
     * @throws IllegalArgumentException where there is none
     */
    public static long start(List<BrushStroke> brushed) {
        for (BrushStroke b : brushed) {
            boolean inside = brushed.stream().anyMatch(o -> o.frame() == b.frame() && o.inside());
            boolean outside = brushed.stream().anyMatch(o -> o.frame() == b.frame() && !o.inside());
            if (inside && outside) {
                return b.frame();
            }
        }
        throw new IllegalArgumentException("Brush inside the figure and outside of it on one frame first.");
    }

    private void all(long start, long from, long to) {
        NavigableMap<Long, Shape> fixed = fixed(start, from, to);
        for (Map.Entry<Long, Shape> f : fixed.entrySet()) {
            if (known.frame(f.getKey()).isEmpty()) {
                Shape shape = f.getValue();
                stopped |= !told.frame(f.getKey(), finder.alpha(f.getKey(), shape), shape.sure());
            }
        }
        along(fixed.lastEntry().getValue(), fixed.lastKey(), to, 1);
        along(fixed.firstEntry().getValue(), fixed.firstKey(), from, -1);
        List<Long> frames = new ArrayList<>(fixed.keySet());
        for (int i = 0; i + 1 < frames.size() && !stopped; i++) {
            between(frames.get(i), fixed.get(frames.get(i)), frames.get(i + 1), fixed.get(frames.get(i + 1)));
        }
    }

    /** The shapes of the frames that were brushed, each carried from the nearest one before it. */
    private NavigableMap<Long, Shape> fixed(long start, long from, long to) {
        NavigableMap<Long, Shape> fixed = new TreeMap<>();
        fixed.put(start, paced(finder.first(start, strokes.get(start)), start, start < to ? 1 : -1));
        List<Long> others = new ArrayList<>(strokes.keySet());
        others.removeIf(f -> f == start || f < from || f > to);
        others.sort((a, b) -> Long.compare(Math.abs(a - start), Math.abs(b - start)));
        for (long frame : others) {
            Long below = fixed.floorKey(frame);
            Long above = fixed.ceilingKey(frame);
            long near = below == null || above != null && above - frame < frame - below ? above : below;
            int way = frame > near ? 1 : -1;
            Optional<Shape> shape = Optional.of(fixed.get(near));
            for (long f = near + way; shape.isPresent() && f != frame + way; f += way) {
                Optional<Strokes> here = f == frame ? Optional.of(strokes.get(f)) : Optional.empty();
                shape = finder.step(shape.get(), f, way, here);
            }
            shape.ifPresent(s -> fixed.put(frame, s));
        }
        return fixed;
    }

    /** The pace of the first shape is that by which it gets to the next frame. */
    private Shape paced(Shape shape, long frame, int way) {
        return finder.step(shape, frame + way, way, Optional.empty())
                .map(next -> shape.at(next.paceX(), next.paceY()))
                .orElse(shape);
    }

    private void along(Shape start, long at, long end, int way) {
        Steadying steadying = steadying(at, start);
        long lastUnknown = LongStream.iterate(end, f -> way * f > way * at, f -> f - way)
                .filter(f -> known.frame(f).isEmpty())
                .findFirst()
                .orElse(at);
        Optional<Shape> shape = Optional.of(start);
        long reached = at;
        for (long f = at + way; way * f <= way * end && !stopped; f += way) {
            Optional<Matte> before = known.frame(f);
            if (before.isPresent()) {
                stopped |= !steadying.known(before.get());
                boolean needed = way * f < way * lastUnknown;
                shape = needed ? again(f, way, before.get(), shape) : shape;
                reached = f;
                continue;
            }
            shape = reached == f ? shape : carried(shape, f, way);
            reached = f;
            if (f == end || known.frame(f + way).isPresent()) {
                tell(steadying, f, seen(f, shape));
            } else {
                reached = f + way;
                shape = tellAndCarry(steadying, f, shape, way);
            }
        }
        stopped = stopped || !steadying.end();
    }

    /** What is known of a frame is needed to go on from, and to recall what the figure looked like there. */
    private Optional<Shape> again(long frame, int way, Matte coverage, Optional<Shape> last) {
        return finder.again(frame, coverage, known.frame(frame - way))
                .map(s -> s.paced() ? s.at(way * s.paceX(), way * s.paceY()) : s)
                .map(s ->
                        last.map(l -> finder.learnt(frame, s, way, l.earlier())).orElse(s));
    }

    private void between(long a, Shape before, long b, Shape after) {
        if (LongStream.range(a + 1, b).allMatch(f -> known.frame(f).isPresent())) {
            return;
        }
        Map<Long, Shape> forth = new HashMap<>();
        EarlierShapes seen = before.earlier().and(after.earlier());
        Optional<Shape> shape = Optional.of(before.with(seen));
        for (long f = a + 1; f < b && shape.isPresent(); f++) {
            shape = finder.step(shape.get(), f, 1, Optional.empty());
            long frame = f;
            shape.ifPresent(s -> forth.put(frame, s));
        }
        shape = Optional.of(after.with(after.earlier().and(before.earlier())));
        Steadying steadying = steadying(b, after);
        for (long f = b - 1; f > a && !stopped; f--) {
            shape = carried(shape, f, -1);
            double u = (double) (f - a) / (b - a);
            Shape one = forth.get(f);
            Optional<Shape> other = Optional.ofNullable(one);
            Optional<Shape> here = shape;
            Optional<Shape> both = here.flatMap(s -> other.map(o -> s.with(o, 1 - u * u * (3 - 2 * u))));
            tell(steadying, f, seen(f, both.or(() -> other).or(() -> here)));
        }
        stopped = stopped || !steadying.known(coverage(a, before));
    }

    /** From a frame that was brushed on. */
    private Steadying steadying(long frame, Shape shape) {
        return new Steadying(finder.picture(), coverage(frame, shape), told);
    }

    private Matte coverage(long frame, Shape shape) {
        return known.frame(frame).orElseGet(() -> finder.alpha(frame, shape));
    }

    private Optional<Shape> carried(Optional<Shape> shape, long frame, int way) {
        return shape.flatMap(s -> finder.step(s, frame, way, Optional.empty()));
    }

    private Optional<FineEdge.Seen> seen(long frame, Optional<Shape> shape) {
        return shape.map(s -> finder.seen(frame, s));
    }

    /** Carries a shape to the next frame while its own is told of: only the carrying reads from the film then. */
    private Optional<Shape> tellAndCarry(Steadying steadying, long frame, Optional<Shape> shape, int way) {
        Optional<FineEdge.Seen> seen = seen(frame, shape);
        CompletableFuture<Optional<Shape>> next = CompletableFuture.supplyAsync(() -> carried(shape, frame + way, way));
        try {
            tell(steadying, frame, seen);
        } finally {
            // Whoever is told closes the film if that fails.
            next.exceptionally(failed -> Optional.empty()).join();
        }
        return stopped ? Optional.empty() : result(next);
    }

    private static <T> T result(CompletableFuture<T> done) {
        try {
            return done.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : e;
        }
    }

    private void tell(Steadying steadying, long frame, Optional<FineEdge.Seen> seen) {
        Matte coverage = seen.map(FineEdge.Seen::coverage).orElse(new Matte(Region.NOTHING));
        Matte unclear = seen.map(FineEdge.Seen::unclear).orElse(coverage);
        double sure = seen.map(s -> s.shape().sure()).orElse(1.0);
        stopped |= !steadying.found(frame, coverage, unclear, sure);
    }
}
