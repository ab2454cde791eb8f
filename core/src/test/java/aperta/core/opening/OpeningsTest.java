package aperta.core.opening;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class OpeningsTest {
    private static final long LENGTH = 12;
    private final Studio studio = new Studio();

    private static Recipe recipe(String kind, Map<String, ?> values) {
        return Recipe.of(Openings.of(kind).descriptor(), values);
    }

    private static Passage passage(Recipe opening) {
        return new Passage(LENGTH, 0, Ease.EASE_IN_OUT, Pose.REST, Optional.of(AnimatedRecipe.of(opening)));
    }

    private static double visible(Picture p) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    private static List<Recipe> recipes() {
        List<Recipe> all = new ArrayList<>();
        Openings.all().forEach(o -> all.add(o.descriptor().standard()));
        all.add(recipe("slide", Map.of("side", "bottom", "behind", "the frame")));
        all.add(recipe("slide", Map.of("side", "right", "feather", 8.0)));
        all.add(recipe("slide", Map.of("side", "top")));
        all.add(recipe("wipe", Map.of("angle", 37.0, "feather", 12.0)));
        all.add(recipe("iris", Map.of("x", 0.0, "y", 1.2, "feather", 10.0)));
        all.add(recipe("cascade", Map.of("by", "words", "order", "random", "overlap", 0.2)));
        all.add(recipe("cascade", Map.of("by", "lines", "order", "from the middle", "scale", 0.0, "fade", false)));
        return all;
    }

    private static List<Layer> kinds() {
        Layer inner = Layer.of(
                "g",
                "g",
                new Content.Group(
                        List.of(box("i", 40, 45, 30, 20, Colour.WHITE), box("j", 100, 45, 30, 20, Colour.WHITE))),
                Span.of(4, 40),
                Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45))));
        return List.of(
                word("w", "LAST TRAM\nTO ORRIN", 26).withSpan(Span.of(4, 40)),
                box("b", 70, 40, 60, 30, Colour.WHITE).withSpan(Span.of(4, 40)),
                inner,
                clip("rain").withSpan(Span.of(4, 40)));
    }

    static Stream<Arguments> everyOpeningOnEveryKind() {
        return recipes().stream().flatMap(r -> kinds().stream().map(l -> Arguments.of(r, l)));
    }

    /** Arriving: hidden on the first frame, at rest when it is over; leaving: hidden on the last frame. */
    @ParameterizedTest
    @MethodSource("everyOpeningOnEveryKind")
    void isHiddenInItsPoseAndWholeAtRest(Recipe opening, Layer layer) {
        double whole = visible(studio.render(shot(layer), 20));
        Shot arrives = shot(layer.withArrive(Optional.of(passage(opening))));
        assertThat(visible(studio.render(arrives, 4))).isLessThan(whole * 1e-3);
        assertThat(visible(studio.render(arrives, 4 + LENGTH))).isEqualTo(whole);
        Shot leaves = shot(layer.withLeave(Optional.of(passage(opening))));
        assertThat(visible(studio.render(leaves, 43))).isLessThan(whole * 1e-3);
        assertThat(visible(studio.render(leaves, 43 - LENGTH))).isEqualTo(whole);
        Picture rest = studio.render(shot(layer), 20);
        int seen = 0;
        int other = 0;
        for (int frame = 5; frame < 4 + LENGTH; frame++) {
            Picture onItsWay = studio.render(arrives, frame);
            seen += visible(onItsWay) > whole * 1e-3 ? 1 : 0;
            other += same(onItsWay, rest) ? 0 : 1;
        }
        assertThat(seen).as("frames on its way that show something of it").isPositive();
        assertThat(other).as("frames on its way that aren't those at rest").isPositive();
    }

    private static boolean same(Picture a, Picture b) {
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                if (!java.util.Arrays.equals(a.at(x, y), b.at(x, y))) {
                    return false;
                }
            }
        }
        return true;
    }

    /** A wipe has uncovered just the share of the box that its ease says (common practice, no source). */
    @Test
    void aWipeUncoversInProportion() {
        Layer bar = box("b", 80, 45, 100, 20, Colour.WHITE)
                .withArrive(Optional.of(new Passage(
                        10,
                        0,
                        Ease.LINEAR,
                        Pose.REST,
                        Optional.of(AnimatedRecipe.of(recipe("wipe", Map.of("angle", 0.0)))))));
        for (int n = 0; n <= 10; n++) {
            Picture p = studio.render(shot(bar), n);
            assertThat(visible(p)).isCloseTo(100 * 20 * n / 10.0, within(0.5));
            if (n > 0 && n < 10) {
                assertThat(p.at(30 + 10 * n - 2, 45)[3]).isEqualTo(1);
                assertThat(p.at(30 + 10 * n + 1, 45)[3]).isZero();
            }
        }
    }

    /** Behind its own edge: what shows of a box that has come a part of its way in is that part, at the far side. */
    @Test
    void aSlideComesOutFromBehindItsEdge() {
        Layer bar = box("b", 80, 45, 100, 20, Colour.WHITE)
                .withArrive(Optional.of(new Passage(
                        10,
                        0,
                        Ease.LINEAR,
                        Pose.REST,
                        Optional.of(AnimatedRecipe.of(recipe("slide", Map.of("side", "left")))))));
        double size = 100;
        for (int n = 1; n < 10; n++) {
            Picture p = studio.render(shot(bar), n);
            assertThat(visible(p)).isCloseTo(size * 20 * n / 10, within(1.0));
            assertThat(p.at(32, 45)[3]).isEqualTo(1);
            assertThat(p.at(30 + 10 * n + 2, 45)[3]).isZero();
        }
    }

    /** Six strips of a bar of 120 px, each 20 px wide, after half of the way: ten pixels of each, at once. */
    @Test
    void stripsAreUncoveredSideBySide() {
        Layer bar = opened(box("b", 80, 45, 120, 40, Colour.WHITE), Map.of("angle", 0.0, "count", 6.0, "overlap", 1.0));
        Picture half = studio.render(shot(bar), 5);
        for (int strip = 0; strip < 6; strip++) {
            assertThat(half.at(20 + 20 * strip + 5, 45)[3]).isEqualTo(1);
            assertThat(half.at(20 + 20 * strip + 15, 45)[3]).isZero();
        }
    }

    /** One after another: what is whole already has no edge towards its neighbour, wherever it lies between the pixels. */
    @Test
    void stripsThatTouchShowNoSeam() {
        Layer bar =
                opened(box("b", 80.3, 45, 119, 40, Colour.WHITE), Map.of("angle", 0.0, "count", 7.0, "overlap", 0.0));
        Picture most = studio.render(shot(bar), 9);
        for (int x = 23; x < 120; x++) {
            assertThat(most.at(x, 45)[3]).as("at %d", x).isEqualTo(1);
        }
        assertThat(most.at(136, 45)[3]).isZero();
    }

    private static Layer opened(Layer layer, Map<String, ?> strips) {
        return layer.withArrive(Optional.of(
                new Passage(10, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe("strips", strips))))));
    }

    /** The half diagonal of 1920 × 1080 is 1101.5 px: a circle from the middle of a full frame must reach it. */
    @Test
    void anIrisReachesTheHalfDiagonal() {
        Iris iris = new Iris();
        Layer plate = box("b", 960, 540, 1920, 1080, Colour.WHITE);
        var subject = new aperta.core.shot.Opener.Subject(
                plate,
                aperta.core.geometry.Box.centred(1920, 1080),
                aperta.core.geometry.Affine.IDENTITY,
                aperta.core.geometry.Affine.IDENTITY,
                Studio.SMALL,
                aperta.core.shot.Opener.Marks.NONE);
        var way = new Passage.Way(1000, new Passage(1001, 0, Ease.LINEAR, Pose.REST, Optional.empty()), true);
        var circle = iris.at(iris.descriptor().standard(), way, subject)
                .moving()
                .get(0)
                .path()
                .rest();
        double radius = circle.knots().get(1).at().x();
        assertThat(radius).isCloseTo(1101.5 * 1000 / 1001, within(1.0));
    }

    /** Off first, pieces of one and two frames (common practice, no source), and on at the end. */
    @ParameterizedTest
    @CsvSource({"1", "2", "77"})
    void aFlickerHasPiecesOfOneAndTwoFrames(int seed) {
        assertThat(Flicker.lit(seed, 0)).isFalse();
        int run = 1;
        for (int n = 1; n < 200; n++) {
            if (Flicker.lit(seed, n) == Flicker.lit(seed, n - 1)) {
                run++;
                assertThat(run).isLessThanOrEqualTo(2);
            } else {
                run = 1;
            }
        }
    }

    /** Letters begin in order, each as long after the one before, and the last rests when the passage is over. */
    @Test
    void aCascadeBringsLettersOneAfterAnother() {
        Recipe r = recipe("cascade", Map.of("overlap", 0.0, "y", 0.0));
        Layer word = word("w", "IIII", 60)
                .withArrive(Optional.of(new Passage(8, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(r)))));
        double whole = visible(studio.render(shot(word), 8));
        for (int n = 0; n <= 8; n++) {
            assertThat(visible(studio.render(shot(word), n))).isCloseTo(whole * n / 8, within(whole * 0.002));
        }
        Recipe back = recipe("cascade", Map.of("overlap", 0.0, "y", 0.0, "order", "backward"));
        Picture p = studio.render(
                shot(word.withArrive(
                        Optional.of(new Passage(8, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(back)))))),
                4);
        double left = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 80; x++) {
                left += p.at(x, y)[3];
            }
        }
        assertThat(left).isLessThan(whole * 0.01);
    }

    @Test
    void aPoseOfItsOwnIsWhereItComesFromAndGoesTo() {
        Pose away = new Pose(new Point(-40, 10), new Point(2, 0.5), 90, 0.25, 3, 0);
        Layer b = box("b", 80, 45, 20, 10, Colour.WHITE)
                .withSpan(Span.of(2, 20))
                .withArrive(Optional.of(new Passage(10, 3, Ease.LINEAR, away, Optional.empty())))
                .withLeave(Optional.of(new Passage(4, 1, Ease.LINEAR, away, Optional.empty())));
        for (double[] f : new double[][] {{2, 0}, {5, 0}, {10, 0.5}, {15, 1}, {16, 1}, {18, 0.5}, {20, 0}, {21, 0}}) {
            Moment.Seen seen = studio.planner.moment(shot(b), f[0]).of("b");
            double left = 1 - f[1];
            Point middle = seen.toShot().apply(Point.ORIGIN);
            assertThat(middle.x()).as("frame %s", f[0]).isCloseTo(80 - 40 * left, within(1e-9));
            assertThat(middle.y()).isCloseTo(45 + 10 * left, within(1e-9));
            assertThat(seen.opacity()).isCloseTo(1 - 0.75 * left, within(1e-9));
            assertThat(seen.still().place().blur().rest()).isCloseTo(3 * left, within(1e-9));
            assertThat(seen.toShot().meanScale()).isCloseTo(Math.sqrt((1 + left) * (1 - 0.5 * left)), within(1e-9));
        }
    }

    /** A child goes along with what its parent comes from. */
    @Test
    void aChildGoesAlongWithItsParent() {
        Pose away = Pose.shifted(new Point(-30, 0));
        Layer card = box("card", 80, 45, 40, 20, Colour.WHITE)
                .withArrive(Optional.of(new Passage(10, 0, Ease.LINEAR, away, Optional.empty())));
        Layer child = word("word", "9", 20).withPlace(Place.at(new Point(5, 0))).withParent(Optional.of("card"));
        Moment m = studio.planner.moment(shot(child, card), 5);
        assertThat(m.of("word").toShot().apply(Point.ORIGIN).x()).isCloseTo(80 - 15 + 5, within(1e-9));
    }

    @Test
    void anOpeningThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> Openings.of("melt")).hasMessageContaining("no opening 'melt'");
    }
}
