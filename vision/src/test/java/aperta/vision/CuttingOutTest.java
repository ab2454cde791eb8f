package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BrushStroke;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.plates.Plates;
import aperta.media.plates.Platform;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** The figure of the platform plate, whose coverage is known by construction, cut out from two strokes on one frame. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CuttingOutTest {
    /** A quarter of the figure and more is in the picture from frame 7 to frame 127. */
    private static final long AT = 48;

    private static final long[] CORRECTED = {7, 116};
    private static final int W = 1920;
    private static final int H = 1080;

    @TempDir
    static Path folder;

    private final Map<Long, Matte> found = new TreeMap<>();

    /** One stroke along the figure, and one around it. */
    private static List<BrushStroke> strokes(long frame, double drift) {
        double x = Platform.walkerX(frame) - drift * Platform.driftX(frame);
        double ground = 905 - drift * Platform.driftY(frame);
        return List.of(
                new BrushStroke(frame, true, 10, List.of(new Point(x, ground - 320), new Point(x - 4, ground - 105))),
                new BrushStroke(
                        frame,
                        false,
                        8,
                        List.of(
                                new Point(x - 128, ground - 405),
                                new Point(x + 128, ground - 405),
                                new Point(x + 136, ground + 20),
                                new Point(x - 136, ground + 20),
                                new Point(x - 128, ground - 405))));
    }

    private ClipSources sources(String plate) {
        Path file = Plates.file(plate, folder, words -> {});
        Clip clip = new Clip(plate, file, Probe.of(file), Optional.empty());
        return new ClipSources(id -> Optional.of(clip));
    }

    @BeforeAll
    void carryThroughTheStillPlate() {
        carry(strokes(AT, 0), 7, 127, f -> Optional.empty(), (f, alpha, sure) -> {
            assertThat(found.put(f, alpha)).isNull();
            assertThat(sure).isBetween(0.0, 1.0);
            return true;
        });
    }

    private void carry(List<BrushStroke> brushed, long from, long to, CuttingOut.Known known, CuttingOut.Told told) {
        try (ClipSources sources = sources("platform")) {
            CuttingOut.carry(brushed, from, to, new ClipFilm(sources, "platform", 1), known, told);
        }
    }

    /** The sum of the smaller coverages over the sum of the larger ones. */
    private static double overlap(Matte alpha, float[] truth) {
        double least = 0;
        double most = 0;
        Region r = alpha.domain();
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float a = r.contains(x, y) ? alpha.at(x, y) : 0;
                least += Math.min(a, truth[y * W + x]);
                most += Math.max(a, truth[y * W + x]);
            }
        }
        return least / most;
    }

    private static double area(Matte alpha) {
        double sum = 0;
        for (float v : alpha.values()) {
            sum += v;
        }
        return sum;
    }

    private static double area(float[] alpha) {
        double sum = 0;
        for (float v : alpha) {
            sum += v;
        }
        return sum;
    }

    @Test
    void theFigureIsCutOutOfThePlateOnEveryFrame() {
        Platform plate = new Platform();
        assertThat(found).hasSize(121);
        double sum = 0;
        for (Map.Entry<Long, Matte> f : found.entrySet()) {
            double overlap = overlap(f.getValue(), plate.figureAlpha(f.getKey().intValue()));
            sum += overlap;
            assertThat(overlap).as("frame %d", f.getKey()).isGreaterThan(0.94);
        }
        assertThat(sum / found.size()).isGreaterThan(0.955);
    }

    @Test
    void itsEdgeDoesNotJump() {
        Platform plate = new Platform();
        double last = 0;
        double lastTrue = 0;
        for (Map.Entry<Long, Matte> f : found.entrySet()) {
            double area = area(f.getValue());
            double truth = area(plate.figureAlpha(f.getKey().intValue()));
            if (last > 0) {
                double more = Math.abs(area / last - 1) - Math.abs(truth / lastTrue - 1);
                assertThat(more).as("frame %d", f.getKey()).isLessThan(0.02);
            }
            last = area;
            lastTrue = truth;
        }
    }

    /** On the first frames it stands in front of what hardly another frame shows. */
    @Test
    void itIsCutOutWhereTheCameraDrifts() {
        Platform plate = Platform.drifting();
        try (ClipSources sources = sources("platform-drift")) {
            Map<Long, Double> overlaps = new HashMap<>();
            ClipFilm film = new ClipFilm(sources, "platform-drift", 1);
            CuttingOut.carry(strokes(AT, 1), 7, 127, film, f -> Optional.empty(), (f, alpha, sure) -> {
                overlaps.put(f, overlap(alpha, plate.figureAlpha((int) f)));
                return true;
            });
            assertThat(overlaps).hasSize(121);
            overlaps.forEach(
                    (f, overlap) -> assertThat(overlap).as("frame %d", f).isGreaterThan(0.89));
        }
    }

    /** What was found before isn't looked for again, and what follows it is as good. */
    @Test
    void aBrokenOffRunGoesOnFromWhatItHad() {
        Platform plate = new Platform();
        List<Long> asked = new ArrayList<>();
        carry(
                strokes(AT, 0),
                40,
                62,
                f -> f >= 40 && f <= 55 ? Optional.of(found.get(f)) : Optional.empty(),
                (f, alpha, sure) -> {
                    asked.add(f);
                    assertThat(overlap(alpha, plate.figureAlpha((int) f)))
                            .as("frame %d", f)
                            .isGreaterThan(0.83);
                    return true;
                });
        assertThat(asked).containsExactly(56L, 57L, 58L, 59L, 60L, 61L, 62L);
    }

    /** Broken off while frames were compared: nothing is carried again, and the rest is as it would have been. */
    @Test
    void whatWasCarriedIsNotCarriedAgain() {
        Kept whole = new Kept();
        Map<Long, Matte> all = new TreeMap<>();
        carry(44, 52, f -> Optional.empty(), whole, (f, alpha, sure) -> all.put(f, alpha) == null);
        assertThat(all).hasSize(9);
        assertThat(whole.drafts).hasSize(9);
        whole.may = false;
        Map<Long, Matte> rest = new TreeMap<>();
        carry(
                44,
                52,
                f -> f < 47 ? Optional.of(all.get(f)) : Optional.empty(),
                whole,
                (f, alpha, sure) -> rest.put(f, alpha) == null);
        assertThat(rest.keySet()).containsExactly(47L, 48L, 49L, 50L, 51L, 52L);
        rest.forEach(
                (f, alpha) -> assertThat(alpha.values()).isEqualTo(all.get(f).values()));
    }

    private void carry(long from, long to, CuttingOut.Known known, Kept drafts, CuttingOut.Told told) {
        try (ClipSources sources = sources("platform")) {
            CuttingOut.carry(strokes(AT, 0), from, to, new ClipFilm(sources, "platform", 1), known, drafts, told);
        }
    }

    private static final class Kept implements CuttingOut.Drafts {
        private final Map<Long, CuttingOut.Draft> drafts = new HashMap<>();
        private boolean may = true;

        @Override
        public Optional<CuttingOut.Draft> frame(long frame) {
            return Optional.ofNullable(drafts.get(frame));
        }

        @Override
        public boolean keep(long frame, CuttingOut.Draft draft) {
            assertThat(may).as("frame %d carried again", frame).isTrue();
            return drafts.put(frame, draft) == null;
        }
    }

    /** The legs can't be seen where it goes on: it recalls them from what was found before. It is compared with fewer frames. */
    @Test
    void whatGoesOnInTheDarkIsHardlyWorseForHavingBeenBrokenOff() {
        Platform plate = new Platform();
        double sum = 0;
        double whole = 0;
        Map<Long, Matte> now = new TreeMap<>();
        carry(
                strokes(AT, 0),
                AT,
                124,
                f -> f <= 112 ? Optional.of(found.get(f)) : Optional.empty(),
                (f, alpha, sure) -> {
                    now.put(f, alpha);
                    return true;
                });
        assertThat(now).hasSize(12);
        for (Map.Entry<Long, Matte> f : now.entrySet()) {
            float[] truth = plate.figureAlpha(f.getKey().intValue());
            sum += overlap(f.getValue(), truth);
            whole += overlap(found.get(f.getKey()), truth);
        }
        assertThat(sum / 12).isGreaterThan(0.94).isGreaterThan(whole / 12 - 0.025);
    }

    /** It walks out of the picture before the clip ends. */
    @Test
    void whereItHasGoneThereIsNothing() {
        TreeMap<Long, Matte> now = new TreeMap<>();
        carry(
                strokes(AT, 0),
                120,
                131,
                f -> f <= 122 ? Optional.ofNullable(found.get(f)) : Optional.empty(),
                (f, alpha, sure) -> {
                    now.put(f, alpha);
                    return true;
                });
        assertThat(now.navigableKeySet()).containsExactly(123L, 124L, 125L, 126L, 127L, 128L, 129L, 130L, 131L);
        double whole = area(found.get(100L));
        assertThat(area(now.get(126L))).isBetween(0.4 * whole, 0.6 * whole);
        assertThat(area(now.get(131L))).isLessThan(0.005 * whole);
    }

    @Test
    void whoStopsItIsToldNothingMore() {
        List<Long> told = new ArrayList<>();
        carry(strokes(AT, 0), 40, 62, f -> Optional.empty(), (f, alpha, sure) -> {
            told.add(f);
            return told.size() < 3;
        });
        assertThat(told).hasSize(3);
    }

    /** Between two brushed frames it is carried both ways; what is brushed outside isn't in it. */
    @Test
    void aFrameBrushedLaterIsFixed() {
        Platform plate = new Platform();
        double x = Platform.walkerX(60);
        List<BrushStroke> all = new ArrayList<>(strokes(AT, 0));
        // Another part of the coat that is to stay out, so that it shows that it is obeyed.
        all.add(new BrushStroke(60, false, 12, List.of(new Point(x - 20, 700), new Point(x + 20, 700))));
        Map<Long, Matte> now = new HashMap<>();
        carry(all, 46, 62, f -> Optional.empty(), (f, alpha, sure) -> {
            now.put(f, alpha);
            return true;
        });
        assertThat(now).hasSize(17);
        assertThat(now.get(60L).at((int) x, 700)).isLessThan(0.3f);
        assertThat(now.get(50L).at((int) Platform.walkerX(50), 700)).isGreaterThan(0.9f);
        assertThat(overlap(now.get(50L), plate.figureAlpha(50))).isGreaterThan(0.85);
    }

    /** Strokes of a small brush over what is missing and what is too much, every 8 pixels down. */
    private static List<BrushStroke> corrections(long frame, Matte alpha, float[] truth) {
        List<BrushStroke> all = new ArrayList<>();
        Region r = alpha.domain();
        for (int y = r.y(); y < r.bottom(); y += 8) {
            int from = r.x();
            for (int x = r.x(); x <= r.right(); x++) {
                int now = x == r.right() ? 0 : wrong(alpha.at(x, y), truth[y * W + x]);
                int before = x == r.x() ? 0 : wrong(alpha.at(x - 1, y), truth[y * W + x - 1]);
                if (now != before) {
                    if (before != 0 && x - from >= 3) {
                        List<Point> path = List.of(new Point(from + 1.2, y), new Point(x - 1.2, y));
                        all.add(new BrushStroke(frame, before > 0, 2, path));
                    }
                    from = x;
                }
            }
        }
        return all;
    }

    /** 1 where the figure is missing, -1 where there is too much of it. */
    private static int wrong(float alpha, float truth) {
        return truth > 0.5f && alpha < 0.5f ? 1 : truth < 0.5f && alpha > 0.5f ? -1 : 0;
    }

    /** Corrected by hand on two frames: one on which it comes in, and one on which it is as dark as what is behind it. */
    @Test
    void withTwoCorrectionsItIsBetterOnEveryFrame() {
        Platform plate = new Platform();
        List<BrushStroke> all = new ArrayList<>(strokes(AT, 0));
        for (long f : CORRECTED) {
            all.addAll(corrections(f, found.get(f), plate.figureAlpha((int) f)));
        }
        Map<Long, Matte> now = new TreeMap<>();
        carry(all, 7, 127, f -> Optional.empty(), (f, alpha, sure) -> {
            now.put(f, alpha);
            return true;
        });
        double last = 0;
        double lastTrue = 0;
        for (long f = 7; f <= 127; f++) {
            float[] truth = plate.figureAlpha((int) f);
            // 0.9502 and more where this was written; a little less where a processor rounds otherwise.
            assertThat(overlap(now.get(f), truth)).as("frame %d", f).isGreaterThan(0.949);
            double area = area(now.get(f));
            if (last > 0) {
                double more = Math.abs(area / last - 1) - Math.abs(area(truth) / lastTrue - 1);
                assertThat(more).as("frame %d", f).isLessThan(0.02);
            }
            last = area;
            lastTrue = area(truth);
        }
    }

    @Test
    void theFirstAnswerIsTheFigureAtHalfTheSize() {
        try (ClipSources sources = sources("platform")) {
            ClipFilm film = new ClipFilm(sources, "platform", 2);
            FigureFinder finder = new FigureFinder(film, 0, film.frames() - 1);
            List<List<Point>> outlines = finder.outlines(AT, strokes(AT, 0), Optional.empty(), Optional.empty());
            List<Point> longest = outlines.stream()
                    .max((a, b) -> Integer.compare(a.size(), b.size()))
                    .orElseThrow();
            double left = longest.stream().mapToDouble(Point::x).min().orElseThrow();
            double right = longest.stream().mapToDouble(Point::x).max().orElseThrow();
            double top = longest.stream().mapToDouble(Point::y).min().orElseThrow();
            double x = Platform.walkerX(AT);
            // The coat's hem reaches 68 pixels to either side, the hat 376 up; blurred over 8 pixels.
            assertThat(left).isCloseTo(x - 68, within(14.0));
            assertThat(right).isCloseTo(x + 62, within(20.0));
            assertThat(top).isCloseTo(905 - 376, within(12.0));
        }
    }

    /**
     * A dab in the middle of what is known changes nothing at its edge, which is blurred by its motion; taken to stand still,
     * the figure would begin two pixels further left.
     */
    @Test
    void theAnswerToACorrectionHasTheEdgeThatWasCarried() {
        try (ClipSources sources = sources("platform")) {
            FigureFinder finder = new FigureFinder(new ClipFilm(sources, "platform", 1), 0, 131);
            List<BrushStroke> dab =
                    List.of(new BrushStroke(60, true, 8, List.of(new Point(Platform.walkerX(60), 700))));
            double[] carried = across(FigureFinder.outlines(found.get(60L), 1));
            double[] corrected =
                    across(finder.outlines(60, dab, Optional.of(found.get(60L)), Optional.of(found.get(59L))));
            assertThat(corrected[0]).isCloseTo(carried[0], within(1.5));
            assertThat(corrected[1]).isCloseTo(carried[1], within(3.0));
        }
    }

    /** From where to where the longest outline reaches. */
    private static double[] across(List<List<Point>> outlines) {
        List<Point> longest = outlines.stream()
                .max((a, b) -> Integer.compare(a.size(), b.size()))
                .orElseThrow();
        return new double[] {
            longest.stream().mapToDouble(Point::x).min().orElseThrow(),
            longest.stream().mapToDouble(Point::x).max().orElseThrow()
        };
    }

    /** A limb beside the figure that was lost looks like it: what is around the figure goes on being the ground. */
    @Test
    void aLostLimbIsNotLearntAsWhatIsAround() {
        int side = 60;
        Plane there = new Plane(side, side);
        float[][] rgb = new float[3][side * side];
        float[][] empty = new float[3][side * side];
        for (int i = 0; i < side * side; i++) {
            int x = i % side;
            boolean limb = x >= 40 && x < 50;
            there.value()[i] = x >= 10 && x < 25 ? 1 : 0;
            for (int c = 0; c < 3; c++) {
                empty[c][i] = 20;
                rgb[c][i] = limb || there.value()[i] > 0 ? 18 + 2 * c : 20;
            }
        }
        Colours picture = new Colours(side, side, rgb).opponent();
        Colours ground = new Colours(side, side, empty).opponent();
        Colours still = new Colours(side, side, new float[3][side * side]);
        try (ClipSources sources = sources("platform")) {
            ClipFilm film = new ClipFilm(sources, "platform", 1);
            Shape expected = new Shape(
                    new Region(0, 0, side, side),
                    there,
                    null,
                    Shape.own(picture, there),
                    ground,
                    0,
                    0,
                    true,
                    Palette.of(picture, there),
                    Palette.NONE,
                    EarlierShapes.NONE,
                    0);
            Shape next = new ShapeCarrier(new EvenLight(film, null, 3), null)
                    .decide(0, expected, picture, new CleanPlate.Part(ground, still), Optional.empty());
            int at = side / 2 * side + 45;
            assertThat(next.decided().value()[at]).isNegative();
            assertThat(next.around().channels()[1][at]).isCloseTo(0, within(0.2f));
        }
    }

    @Test
    void withoutStrokesOfBothKindsNothingIsCarried() {
        List<BrushStroke> inside = List.of(strokes(AT, 0).get(0));
        assertThatThrownBy(() -> CuttingOut.start(inside))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("inside the figure and outside of it on one frame");
    }

    @Test
    void outlinesGoAroundCoverageAndItsHoles() {
        Matte ring = new Matte(new Region(10, 20, 30, 30));
        for (int y = 20; y < 50; y++) {
            for (int x = 10; x < 40; x++) {
                boolean hole = x >= 20 && x < 30 && y >= 30 && y < 40;
                ring.set(x, y, hole ? 0 : 1);
            }
        }
        List<List<Point>> all = FigureFinder.outlines(ring, 2);
        assertThat(all).hasSize(2);
        assertThat(all.get(0)).contains(new Point(21, 41));
        assertThat(FigureFinder.outlines(new Matte(Region.NOTHING), 1)).isEmpty();
    }
}
