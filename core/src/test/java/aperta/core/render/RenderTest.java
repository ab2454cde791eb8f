package aperta.core.render;

import static aperta.core.render.Studio.FRAME;
import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RenderTest {
    private static final float STEP = 1 / 255f;
    private static final Colour GREEN = new Colour(0, 1, 0, 1);
    private final Studio studio = new Studio();

    private static Optional<Cut> cut(String by, Cut.With with, Cut.Keep keep) {
        return Optional.of(new Cut(by, with, keep));
    }

    /** J1: outside the letters exactly the lower plate, inside exactly the upper one. */
    @Test
    void lettersHoldThePlateAndNothingElseChanges() {
        Shot shot = shot(
                word("word", "TRAM", 60),
                clip("rain").withCut(cut("word", Cut.With.SHAPE, Cut.Keep.INSIDE)),
                clip("platform"));
        Picture all = studio.render(shot, 3);
        Picture rain = studio.render(shot(clip("rain")), 3);
        Picture platform = studio.render(shot(clip("platform")), 3);
        Picture letters = studio.render(shot(word("word", "TRAM", 60)), 3);
        int inside = 0;
        int outside = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                float a = letters.at(x, y)[3];
                if (a == 1) {
                    assertThat(all.at(x, y)).containsExactly(rain.at(x, y));
                    inside++;
                } else if (a == 0) {
                    assertThat(all.at(x, y)).containsExactly(platform.at(x, y));
                    outside++;
                }
            }
        }
        assertThat(inside).isGreaterThan(1500);
        assertThat(outside).isGreaterThan(5000);
    }

    @ParameterizedTest
    @EnumSource(Cut.With.class)
    void insideAndOutsideMakeTheWhole(Cut.With with) {
        Layer cutter =
                word("word", "HILL", 70).withPlace(word("w", "", 1).place().withOpacity(Animated.of(0.7)));
        Picture in = studio.render(shot(cutter, clip("rain").withCut(cut("word", with, Cut.Keep.INSIDE))), 0);
        Picture out = studio.render(shot(cutter, clip("rain").withCut(cut("word", with, Cut.Keep.OUTSIDE))), 0);
        Picture whole = studio.render(shot(clip("rain")), 0);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                for (int c = 0; c < 4; c++) {
                    assertThat(in.at(x, y)[c] + out.at(x, y)[c]).isCloseTo(whole.at(x, y)[c], within(STEP));
                }
            }
        }
    }

    /** Two layers that cut each other: only the overlap of both shows, each by the other's uncut shape. */
    @Test
    void mutualCutsUseWhatTheCutterWasBefore() {
        Layer a = box("a", 60, 45, 60, 40, Colour.WHITE).withCut(cut("b", Cut.With.SHAPE, Cut.Keep.INSIDE));
        Layer b = box("b", 90, 45, 60, 40, GREEN).withCut(cut("a", Cut.With.SHAPE, Cut.Keep.OUTSIDE));
        Layer shownA = alsoShown(a);
        Layer shownB = alsoShown(b);
        Picture p = studio.render(shot(shownA, shownB), 0);
        assertThat(p.at(75, 45)).containsExactly(1, 1, 1, 1);
        assertThat(p.at(45, 45)[3]).isZero();
        assertThat(p.at(110, 45)).containsExactly(0, 1, 0, 1);
    }

    private static Layer alsoShown(Layer l) {
        return l.withAlsoShown(true);
    }

    @Test
    void aCutterDoesNotShowUnlessAskedTo() {
        Layer word = word("word", "9", 80);
        Layer cut = box("x", 500, 500, 4, 4, GREEN).withCut(cut("word", Cut.With.SHAPE, Cut.Keep.INSIDE));
        assertThat(visible(studio.render(shot(word, cut), 0))).isZero();
        assertThat(visible(studio.render(shot(alsoShown(word), cut), 0)))
                .as("as much as the word by itself")
                .isEqualTo(visible(studio.render(shot(word), 0)));
    }

    @Test
    void withoutItsCutterInsideIsNothingAndOutsideIsAll() {
        Layer late = word("word", "9", 80).withSpan(Span.of(20, 5));
        Shot in = shot(late, clip("rain").withCut(cut("word", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        Shot out = shot(late, clip("rain").withCut(cut("word", Cut.With.SHAPE, Cut.Keep.OUTSIDE)));
        assertThat(visible(studio.render(in, 3))).isZero();
        assertThat(visible(studio.render(in, 22)))
                .as("as much as the word is large")
                .isCloseTo(visible(studio.render(shot(word("word", "9", 80)), 22)), within(1e-2));
        assertThat(visible(studio.render(out, 3))).isCloseTo(160 * 90, within(1e-3));
    }

    @Test
    void masksAddSubtractAndIntersect() {
        Layer base = clip("rain");
        Mask one = mask("1", new Box(-60, -20, 20, 20), Mask.Mode.ADD, false, 0);
        Mask two = mask("2", new Box(0, -20, 40, 20), Mask.Mode.ADD, false, 0);
        assertThat(visible(masked(base, one))).isCloseTo(80 * 40, within(0.01));
        assertThat(visible(masked(base, one, two))).isCloseTo(100 * 40, within(0.01));
        assertThat(visible(masked(base, one, mode(two, Mask.Mode.SUBTRACT)))).isCloseTo(60 * 40, within(0.01));
        assertThat(visible(masked(base, one, mode(two, Mask.Mode.INTERSECT)))).isCloseTo(20 * 40, within(0.01));
        assertThat(visible(masked(base, one, mode(two, Mask.Mode.EXCLUDE)))).isCloseTo(80 * 40, within(0.01));
        assertThat(visible(masked(base, mode(two, Mask.Mode.EXCLUDE)))).isCloseTo(40 * 40, within(0.01));
        assertThat(visible(masked(base, mode(two, Mask.Mode.SUBTRACT)))).isCloseTo(160 * 90 - 40 * 40, within(0.01));
        Mask inverted = mask("1", new Box(-60, -20, 20, 20), Mask.Mode.ADD, true, 0);
        assertThat(visible(masked(base, inverted))).isCloseTo(160 * 90 - 80 * 40, within(0.01));
    }

    @Test
    void aFeatheredMaskIsHalfwayOnItsEdgeAndKeepsItsArea() {
        Picture p = masked(clip("rain"), mask("1", new Box(-30, -200, 200, 200), Mask.Mode.ADD, false, 20));
        assertThat(p.at(49, 45)[3] + p.at(50, 45)[3]).isCloseTo(1, within(2e-3f));
        // The normal distribution's table: Φ(1) = 0.8413; σ is half the feather.
        assertThat((p.at(59, 45)[3] + p.at(60, 45)[3]) / 2).isCloseTo(0.8413f, within(STEP));
    }

    private Picture masked(Layer layer, Mask... masks) {
        return studio.render(shot(layer.withMasks(List.of(masks))), 0);
    }

    private static Mask mask(String id, Box box, Mask.Mode mode, boolean inverted, double feather) {
        return Mask.of(id, id, BezierPath.rectangle(box))
                .withFeather(Animated.of(feather))
                .withInverted(inverted)
                .withMode(mode);
    }

    private static Mask mode(Mask m, Mask.Mode mode) {
        return m.withMode(mode);
    }

    /** J2: the time a letter takes must not grow with its scale; here at least its edge stays exact. */
    @Test
    void lettersStaySharpAtAnyScale() {
        Layer huge =
                word("w", "I", 60).withPlace(Place.at(new Point(80, 45)).withScale(Animated.of(new Point(400, 400))));
        assertThat(visible(studio.render(shot(huge), 0))).isCloseTo(160 * 90, within(1e-3));
    }

    @Test
    void childrenFollowTheirParentsAndGroupsHoldTogether() {
        Layer parent = box("p", 100, 45, 1, 1, Colour.CLEAR)
                .withPlace(Place.at(new Point(100, 45)).withRotation(Animated.of(90.0)));
        Layer child = box("c", 20, 0, 10, 4, GREEN).withParent(Optional.of("p"));
        Picture p = studio.render(shot(child, parent), 0);
        assertThat(p.at(100, 65)).containsExactly(0, 1, 0, 1);
        assertThat(p.at(120, 45)[3]).isZero();
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(List.of(box("i", 80, 45, 20, 20, GREEN), box("j", 90, 45, 20, 20, GREEN))),
                Span.of(0, 48),
                Place.at(new Point(80, 45))
                        .withAnchor(Animated.of(new Point(80, 45)))
                        .withOpacity(Animated.of(0.5)));
        Picture faded = studio.render(shot(group), 0);
        assertThat(faded.at(85, 45)[3]).as("the overlap is not darker").isEqualTo(0.5f);
        assertThat(faded.at(75, 45)[3]).isEqualTo(0.5f);
    }

    @Test
    void soloAndHiddenDecideWhatShows() {
        Layer hidden = box("h", 80, 45, 20, 20, GREEN).withHidden(true);
        assertThat(visible(studio.render(shot(hidden), 0))).isZero();
        Layer solo = box("s", 80, 45, 10, 10, GREEN).withSolo(true);
        assertThat(visible(studio.render(shot(clip("rain"), solo), 0))).isCloseTo(100, within(1e-4));
    }

    /** Same shot, frame and scale: same bytes, for any number of threads and a cold or a warm cache. */
    @Test
    void theSameBytesWithAnyNumberOfThreadsAndAnyCache() {
        Shot shot = shot(
                word("word", "LAST\nTRAM", 40)
                        .withPlace(Place.at(new Point(80.3, 44.1)).withRotation(Animated.of(7.0))),
                clip("rain")
                        .withCut(cut("word", Cut.With.SHAPE, Cut.Keep.INSIDE))
                        .withPlace(Place.at(new Point(81.5, 40)).withScale(Animated.of(new Point(1.3, 1.1)))),
                box("light", 40, 40, 90, 60, new Colour(0.4, 0.3, 0.9, 0.5)).withBlend(BlendMode.SOFT_LIGHT),
                clip("platform").withMasks(List.of(mask("m", new Box(-50, -30, 44, 37), Mask.Mode.ADD, false, 15))));
        for (double scale : new double[] {1, 0.5, 0.25}) {
            byte[] expected = null;
            Cache warm = new RecentCache(1 << 26);
            for (int threads : new int[] {1, 2, 7, 2}) {
                byte[] bytes;
                try (Workers workers = new Workers(threads)) {
                    Cache cache = threads == 2 ? warm : Cache.NONE;
                    bytes = studio.show(shot, 5, scale, workers, cache).rgba(Bytes.See.PICTURE);
                }
                if (expected == null) {
                    expected = bytes;
                }
                assertThat(bytes).as("%d threads at %s", threads, scale).isEqualTo(expected);
            }
        }
    }

    @Test
    void anUnchangedLayerIsNotDecodedAgain() {
        Cache cache = new RecentCache(1 << 26);
        Shot before = shot(word("word", "9", 50), clip("rain"));
        studio.render(before, 2, 1, 2, cache);
        assertThat(studio.decoded.get()).isEqualTo(1);
        Shot after = before.changing("word", l -> l.withPlace(Place.at(new Point(30, 30))));
        studio.render(after, 2, 1, 2, cache);
        assertThat(studio.decoded.get()).isEqualTo(1);
    }

    /** What an edit adds to the cache is what the edited layer alone needs: nothing else was made again. */
    @Test
    void editingOneOfTenLayersRendersThatLayerOnly() {
        Layer[] layers = new Layer[10];
        for (int i = 0; i < layers.length; i++) {
            layers[i] = word("w" + i, "ORRIN".substring(i % 5), 20 + i)
                    .withPlace(Place.at(new Point(60 + 4 * i, 20 + 6 * i)));
        }
        for (int edited = 0; edited < layers.length; edited++) {
            String id = "w" + edited;
            UnaryOperator<Layer> moved = l -> l.withPlace(Place.at(new Point(80.5, 40.25)));
            RecentCache cache = new RecentCache(1 << 28);
            studio.render(shot(layers), 2, 1, 2, cache);
            long before = cache.bytes();
            studio.render(shot(layers).changing(id, moved), 2, 1, 2, cache);
            RecentCache alone = new RecentCache(1 << 28);
            studio.render(shot(moved.apply(layers[edited])), 2, 1, 2, alone);
            assertThat(alone.bytes()).isPositive();
            assertThat(cache.bytes() - before)
                    .as("bytes made anew for layer %s", id)
                    .isEqualTo(alone.bytes());
        }
    }

    @Test
    void keysNameWhatIsSeen() {
        Shot still = shot(word("word", "9", 50));
        ContentKey first = studio.planner.plan(new Moment(still, 1), 1).key();
        assertThat(studio.planner.plan(new Moment(still, 30), 1).key()).isEqualTo(first);
        assertThat(studio.planner.plan(new Moment(still, 1), 0.5).key()).isNotEqualTo(first);
        Shot moving = still.changing(
                "word",
                l -> l.withPlace(l.place()
                        .withPosition(new Animated<>(
                                Point.ORIGIN,
                                List.of(
                                        new Key<>(0, new Point(0, 0), Ease.LINEAR),
                                        new Key<>(40, new Point(9, 0), Ease.LINEAR))))));
        assertThat(studio.planner.plan(new Moment(moving, 1), 1).key())
                .isNotEqualTo(studio.planner.plan(new Moment(moving, 2), 1).key());
    }

    @Test
    void halfScaleLooksLikeTheWholeReduced() {
        Shot shot = shot(word("word", "TRAM", 60));
        Picture whole = studio.render(shot, 0);
        Picture half = studio.render(shot, 0, 0.5, 2, Cache.NONE);
        for (int y = 0; y < 45; y++) {
            for (int x = 0; x < 80; x++) {
                float mean = (whole.at(2 * x, 2 * y)[3]
                                + whole.at(2 * x + 1, 2 * y)[3]
                                + whole.at(2 * x, 2 * y + 1)[3]
                                + whole.at(2 * x + 1, 2 * y + 1)[3])
                        / 4;
                assertThat(half.at(x, y)[3]).isCloseTo(mean, within(STEP * 2));
            }
        }
    }

    @Test
    void beyondTheClipThereIsNothing() {
        Layer trimmed = clip("rain").withSpan(new Span(0, 48, 40));
        assertThat(visible(studio.render(shot(trimmed), 7)))
                .as("the whole frame")
                .isCloseTo(160 * 90, within(1e-3));
        assertThat(visible(studio.render(shot(trimmed), 8))).isZero();
    }

    static double visible(Picture p) {
        double sum = 0;
        Region d = p.domain().intersect(FRAME);
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }
}
