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
    private final Drafts drafts;
    private final Told told;
    private final Map<Long, List<BrushStroke>> brushed;
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

        /**
         * One more frame was compared with the others, before any of them is told of.
         *
         * @return whether to go on
         */
        default boolean compared() {
            return true;
        }
    }

    /** What is known of frames already, by the same strokes. */
    public interface Known {
        Optional<Matte> frame(long frame);
    }

    /** Keeps what was carried to each frame, until all frames have been compared with one another. */
    public interface Drafts {
        Optional<Draft> frame(long frame);

        /** @return whether to go on */
        boolean keep(long frame, Draft draft);
    }

    /** What was carried to a frame; as with {@link Told}. */
    public record Draft(Matte alpha, double sure) {}

    private CuttingOut(List<BrushStroke> brushed, FigureFinder finder, Known known, Drafts drafts, Told told) {
        this.finder = finder;
        this.known = known;
        this.drafts = drafts;
        this.told = told;
        this.brushed = brushed.stream().collect(Collectors.groupingBy(BrushStroke::frame));
        this.brushed.forEach((frame, all) -> strokes.put(frame, finder.strokes(all)));
    }

    /** The same with drafts that are kept as long as it takes. */
    public static void carry(List<BrushStroke> brushed, long from, long to, ClipFilm film, Known known, Told told) {
        Map<Long, Draft> all = new HashMap<>();
        Drafts drafts = new Drafts() {
            @Override
            public Optional<Draft> frame(long frame) {
                return Optional.ofNullable(all.get(frame));
            }

            @Override
            public boolean keep(long frame, Draft draft) {
                all.put(frame, draft);
                return true;
            }
        };
        carry(brushed, from, to, film, known, drafts, told);
    }

    /**
     * Cuts a figure out of some frames: it is carried to all of them, then they are compared with one another; those that aren't
     * known are told of once.
     *
     * @param brushed in the order in which it was brushed; on one of its frames both inside and outside
     * @param from and {@code to}: the first and the last frame
     * @throws IllegalArgumentException where no frame has strokes of both kinds
     * @throws VisionMissing where this machine can't
     */
    public static void carry(
            List<BrushStroke> brushed, long from, long to, ClipFilm film, Known known, Drafts drafts, Told told) {
        Natives.demand();
        long start = start(brushed);
        long first = Math.max(0, Math.min(from, start));
        long last = Math.min(film.frames() - 1, Math.max(to, start));
        List<BrushStroke> there =
                brushed.stream().filter(b -> b.frame() == start).toList();
        FigureFinder finder = FigureFinder.of(film, first, last, start, there);
        CuttingOut cutting = new CuttingOut(brushed, finder, known, drafts, told);
        cutting.all(start, first, last);
        cutting.compared(first, last);
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
            if (carriedTo(f.getKey()).isEmpty()) {
                Shape shape = f.getValue();
                stopped |= !keep(f.getKey(), finder.alpha(f.getKey(), shape), shape.sure());
            }
        }
        along(fixed.lastEntry().getValue(), fixed.lastKey(), to, 1);
        along(fixed.firstEntry().getValue(), fixed.firstKey(), from, -1);
        List<Long> frames = new ArrayList<>(fixed.keySet());
        for (int i = 0; i + 1 < frames.size() && !stopped; i++) {
            between(frames.get(i), fixed.get(frames.get(i)), frames.get(i + 1), fixed.get(frames.get(i + 1)));
        }
    }

    private boolean keep(long frame, Matte alpha, double sure) {
        return drafts.keep(frame, new Draft(alpha, sure));
    }

    /** What was carried to a frame; or what is known of it. */
    private Optional<Matte> carriedTo(long frame) {
        return drafts.frame(frame).map(Draft::alpha).or(() -> known.frame(frame));
    }

    /** Compares all frames that the figure was carried to, and tells of those that aren't known. */
    private void compared(long from, long to) {
        List<Long> unknown = LongStream.rangeClosed(from, to)
                .filter(f -> known.frame(f).isEmpty() && drafts.frame(f).isPresent())
                .boxed()
                .toList();
        if (stopped || unknown.isEmpty()) {
            return;
        }
        Refining refining = finder.refining(brushed);
        for (long f = from; f <= to; f++) {
            long frame = f;
            carriedTo(f).ifPresent(alpha -> refining.add(frame, alpha));
        }
        refining.compare(() -> {
            stopped |= !told.compared();
            return !stopped;
        });
        for (int i = 0; i < unknown.size() && !stopped; i += Refining.AT_ONCE) {
            tell(unknown.subList(i, Math.min(unknown.size(), i + Refining.AT_ONCE)), refining);
        }
    }

    private void tell(List<Long> frames, Refining refining) {
        Map<Long, Draft> there = new HashMap<>();
        Map<Long, Matte> carried = new HashMap<>();
        for (long f : frames) {
            Draft draft = drafts.frame(f).orElseThrow();
            there.put(f, draft);
            carried.put(f, draft.alpha());
        }
        Map<Long, Matte> found = refining.coverage(carried);
        for (long f : frames) {
            if (!stopped) {
                stopped |= !told.frame(f, found.get(f), there.get(f).sure());
            }
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
        long lastUnknown = LongStream.iterate(end, f -> way * f > way * at, f -> f - way)
                .filter(f -> carriedTo(f).isEmpty())
                .findFirst()
                .orElse(at);
        Optional<Shape> shape = Optional.of(start);
        long reached = at;
        for (long f = at + way; way * f <= way * end && !stopped; f += way) {
            Optional<Matte> before = carriedTo(f);
            if (before.isPresent()) {
                boolean needed = way * f < way * lastUnknown;
                shape = needed ? again(f, way, before.get(), shape) : shape;
                reached = f;
                continue;
            }
            shape = reached == f ? shape : carried(shape, f, way);
            reached = f;
            if (f == end || carriedTo(f + way).isPresent()) {
                keep(f, shape);
            } else {
                reached = f + way;
                shape = keepAndCarry(f, shape, way);
            }
        }
    }

    /** What is known of a frame is needed to go on from, and to recall what the figure looked like there. */
    private Optional<Shape> again(long frame, int way, Matte coverage, Optional<Shape> last) {
        return finder.again(frame, coverage, carriedTo(frame - way))
                .map(s -> s.paced() ? s.at(way * s.paceX(), way * s.paceY()) : s)
                .map(s ->
                        last.map(l -> finder.learnt(frame, s, way, l.earlier())).orElse(s));
    }

    private void between(long a, Shape before, long b, Shape after) {
        if (LongStream.range(a + 1, b).allMatch(f -> carriedTo(f).isPresent())) {
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
        for (long f = b - 1; f > a && !stopped; f--) {
            shape = carried(shape, f, -1);
            double u = (double) (f - a) / (b - a);
            Shape one = forth.get(f);
            Optional<Shape> other = Optional.ofNullable(one);
            Optional<Shape> here = shape;
            Optional<Shape> both = here.flatMap(s -> other.map(o -> s.with(o, 1 - u * u * (3 - 2 * u))));
            keep(f, both.or(() -> other).or(() -> here));
        }
    }

    private Optional<Shape> carried(Optional<Shape> shape, long frame, int way) {
        return shape.flatMap(s -> finder.step(s, frame, way, Optional.empty()));
    }

    /** Carries a shape to the next frame while its own is kept: only the carrying reads from the film then. */
    private Optional<Shape> keepAndCarry(long frame, Optional<Shape> shape, int way) {
        Optional<FineEdge.Seen> seen = shape.map(s -> finder.seen(frame, s));
        CompletableFuture<Optional<Shape>> next = CompletableFuture.supplyAsync(() -> carried(shape, frame + way, way));
        try {
            keepSeen(frame, seen);
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

    private void keep(long frame, Optional<Shape> shape) {
        keepSeen(frame, shape.map(s -> finder.seen(frame, s)));
    }

    private void keepSeen(long frame, Optional<FineEdge.Seen> seen) {
        Matte coverage = seen.map(FineEdge.Seen::coverage).orElse(new Matte(Region.NOTHING));
        double sure = seen.map(s -> s.shape().sure()).orElse(1.0);
        stopped |= !keep(frame, coverage, sure);
    }
}
