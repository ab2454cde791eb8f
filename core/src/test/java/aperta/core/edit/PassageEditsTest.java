package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class PassageEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    private static Recipe opening(String kind, Map<String, ?> values) {
        return Recipe.of(Openings.of(kind).descriptor(), values);
    }

    static Stream<Arguments> ways() {
        Pose far = new Pose(new Point(30, -10), new Point(0.5, 2), 40, 0.2, 1, 300);
        return Stream.of(
                        opening("fade", Map.of()),
                        opening("slide", Map.of("feather", 6.0)),
                        opening("slide", Map.of("side", "top", "behind", "the frame")),
                        opening("swell", Map.of()),
                        opening("wipe", Map.of("angle", 30.0, "feather", 5.0)),
                        opening("iris", Map.of()),
                        opening("flicker", Map.of("seed", 4.0)),
                        opening("ink", Map.of("soft", 3.0)))
                .flatMap(o -> Stream.of(true, false)
                        .flatMap(arriving -> Stream.of(Pose.REST, far)
                                .map(pose -> Arguments.of(
                                        new Passage(9, 2, Ease.EASE_IN_OUT, pose, Optional.of(AnimatedRecipe.of(o))),
                                        arriving))));
    }

    @Test
    void whatIsUncoveredInPiecesIsNotWrittenAsOneMask() {
        Passage strips = new Passage(
                9,
                2,
                Ease.LINEAR,
                Pose.REST,
                Optional.of(AnimatedRecipe.of(opening("strips", Map.of("overlap", 1.0)))));
        Shot shot = shot(passing(turned(), strips, true));
        assertThatThrownBy(() -> apply(shot, new PassageEdits.Unpack("w", true)))
                .hasMessageContaining("several pieces at once");
    }

    private static Layer passing(Layer layer, Passage passage, boolean arriving) {
        return arriving ? layer.withArrive(Optional.of(passage)) : layer.withLeave(Optional.of(passage));
    }

    /** A layer with plain keys of its own in the middle of the ways. */
    private static Layer turned() {
        Layer w = word("w", "HILL", 40).withSpan(new Span(5, 30, 3));
        return w.withPlace(w.place()
                .withRotation(
                        new Animated<>(0.0, List.of(new Key<>(8, 0.0, Ease.LINEAR), new Key<>(26, 20.0, Ease.EASE)))));
    }

    @ParameterizedTest
    @MethodSource("ways")
    void plainKeysShowTheSameOnEveryFrame(Passage passage, boolean arriving) {
        Shot before = shot(passing(turned(), passage, arriving));
        Shot after = apply(before, new PassageEdits.Unpack("w", arriving));
        Layer plain = after.layers().get(0);
        assertThat(PassageEdits.passage(plain, arriving)).isEmpty();
        for (int f = 4; f < 36; f++) {
            assertSame(studio.render(before, f), studio.render(after, f), "frame " + f);
        }
    }

    private static void assertSame(Picture a, Picture b, String what) {
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(b.at(x, y)[3]).as(what).isCloseTo(a.at(x, y)[3], within(2e-3f));
            }
        }
    }

    @Test
    void whatGoesByTheEaseTakesTwoKeysOnly() {
        Passage fade =
                new Passage(9, 0, Ease.EASE_IN, Pose.REST, Optional.of(AnimatedRecipe.of(opening("fade", Map.of()))));
        Shot after = apply(
                shot(passing(box("b", 40, 40, 9, 9, Colour.WHITE), fade, true)), new PassageEdits.Unpack("b", true));
        assertThat(after.layers().get(0).place().opacity().keys())
                .containsExactly(new Key<>(0, 0.0, Ease.EASE_IN), new Key<>(9, 1.0, Ease.EASE_IN));
        Passage wipe =
                new Passage(9, 0, Ease.EASE_IN, Pose.REST, Optional.of(AnimatedRecipe.of(opening("wipe", Map.of()))));
        Shot wiped = apply(
                shot(passing(box("b", 40, 40, 9, 9, Colour.WHITE), wipe, false)), new PassageEdits.Unpack("b", false));
        assertThat(wiped.layers().get(0).masks().get(0).path().keys()).hasSize(2);
    }

    @Test
    void aCascadeOfAGroupIsWrittenIntoItsLayers() {
        Passage cascade = new Passage(
                12,
                0,
                Ease.EASE_OUT,
                Pose.REST,
                Optional.of(AnimatedRecipe.of(opening("cascade", Map.of("turn", 30.0)))));
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(
                        List.of(box("i", 40, 45, 30, 20, Colour.WHITE), box("j", 100, 45, 30, 20, Colour.WHITE))),
                Span.of(4, 40),
                Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45))));
        Shot before = shot(passing(group, cascade, true));
        Shot after = apply(before, new PassageEdits.Unpack("g", true));
        for (int f = 4; f < 20; f++) {
            assertSame(studio.render(before, f), studio.render(after, f), "frame " + f);
        }
    }

    /** Letter by letter, word by word and line by line, also beside other values that change. */
    @ParameterizedTest
    @ValueSource(strings = {"letters", "words", "lines"})
    void aTextIsTakenApartForACascadeOfIt(String by) {
        Recipe turning = opening("cascade", Map.of("by", by, "turn", 30.0, "overlap", 0.4, "blur", 1.5));
        Passage cascade = new Passage(12, 1, Ease.EASE_OUT, Pose.faded(0.5), Optional.of(AnimatedRecipe.of(turning)));
        Layer words = turned().withContent(Content.Text.of("TO THE\nHILL", "anton", 30)
                .with(LetterLook.Measure.TRACKING, Animated.of(200.0))
                .with(LetterLook.Measure.EDGE_WIDTH, Animated.of(2.0)));
        for (boolean arriving : new boolean[] {true, false}) {
            Shot before = shot(passing(words, cascade, arriving));
            Shot after = apply(before, new PassageEdits.Unpack("w", arriving));
            assertThat(((Content.Group) after.layers().get(0).content()).layers())
                    .hasSize(by.equals("letters") ? 9 : by.equals("words") ? 3 : 2);
            for (int f = 4; f < 36; f++) {
                assertSame(studio.render(before, f), studio.render(after, f), "frame " + f);
            }
        }
        Layer growing = words.withContent(((Content.Text) words.content())
                .with(
                        LetterLook.Measure.SIZE,
                        new Animated<>(30.0, List.of(new Key<>(0, 30.0, Ease.EASE), new Key<>(9, 40.0, Ease.EASE)))));
        assertThatThrownBy(() -> apply(shot(passing(growing, cascade, true)), new PassageEdits.Unpack("w", true)))
                .hasMessageContaining("changes over time");
    }

    @Test
    void openingsAreSetOnManyAndTakenAway() {
        Layer b = box("b", 40, 40, 9, 9, Colour.WHITE);
        Passage old = new Passage(7, 3, Ease.LINEAR, Pose.faded(0.5), Optional.empty());
        Recipe iris = opening("iris", Map.of());
        Shot set = apply(
                shot(passing(turned(), old, true), b),
                new PassageEdits.SetOpening(List.of("w", "b"), true, Optional.of(AnimatedRecipe.of(iris))));
        assertThat(set.layers().get(0).arrive()).contains(old.withOpening(Optional.of(AnimatedRecipe.of(iris))));
        assertThat(set.layers().get(1).arrive().orElseThrow().length()).isEqualTo(12);
        Shot gone = apply(set, new PassageEdits.Remove(List.of("w", "b"), true));
        assertThat(gone.layers().get(1)).isEqualTo(b);
        assertThatThrownBy(() -> apply(gone, new PassageEdits.Unpack("b", true)))
                .hasMessage("'b' has no arrival.");
    }

    @Test
    void thePoseIsMovedScaledAndTurnedOnThePicture() {
        Shot moved =
                apply(shot(turned()), new PlaceEdits.Move("w", 5, new Point(-40, 0), false, PlaceEdits.Stance.ARRIVE));
        assertThat(moved.layers().get(0).place()).isEqualTo(turned().place());
        assertThat(seen(moved, 5)).isEqualTo(new Point(40, 45));
        assertThat(seen(moved, 17)).isEqualTo(new Point(80, 45));
        Shot scaled = apply(
                moved,
                new PlaceEdits.Scale("w", 5, new Point(60, 45), new Point(80, 45), true, PlaceEdits.Stance.ARRIVE));
        assertThat(scaled.layers().get(0).arrive().orElseThrow().pose().scale()).isEqualTo(new Point(2, 2));
        Shot turned = apply(
                scaled,
                new PlaceEdits.Turn("w", 5, new Point(60, 45), new Point(40, 65), false, PlaceEdits.Stance.ARRIVE));
        assertThat(turned.layers().get(0).arrive().orElseThrow().pose().turn()).isCloseTo(90, within(1e-9));
        Shot leaving =
                apply(shot(turned()), new PlaceEdits.Move("w", 34, new Point(0, 30), false, PlaceEdits.Stance.LEAVE));
        assertThat(seen(leaving, 34)).isEqualTo(new Point(80, 75));
        assertThat(seen(leaving, 20)).isEqualTo(new Point(80, 45));
    }

    private Point seen(Shot shot, long frame) {
        return studio.planner.moment(shot, frame).of("w").toShot().apply(Point.ORIGIN);
    }

    /** The departure is written as keys, although its angle is keyed and the layer arrives by another opening. */
    @Test
    void aWayWithKeysOfItsOwnIsWrittenBesideAnother() {
        Animated<Double> turning =
                new Animated<>(0.0, List.of(new Key<>(30, 0.0, Ease.LINEAR), new Key<>(47, 180.0, Ease.LINEAR)));
        AnimatedRecipe wipe = AnimatedRecipe.of(opening("wipe", Map.of())).with("angle", turning);
        Layer box = box("b", 80, 45, 60, 30, Colour.WHITE)
                .withArrive(Optional.of(new Passage(
                        9, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(opening("iris", Map.of()))))))
                .withLeave(Optional.of(new Passage(12, 0, Ease.LINEAR, Pose.REST, Optional.of(wipe))));
        Shot before = shot(box);

        Shot after = apply(before, new PassageEdits.Unpack("b", false));

        Layer written = after.layer("b").orElseThrow();
        assertThat(written.leave()).isEmpty();
        assertThat(written.arrive()).isEqualTo(box.arrive());
        for (int frame : new int[] {3, 20, 36, 40, 44, 47}) {
            Picture was = studio.render(before, frame);
            Picture is = studio.render(after, frame);
            for (int x = 0; x < 160; x += 3) {
                assertThat(is.at(x, 40)[3])
                        .as("frame %d, column %d", frame, x)
                        .isCloseTo(was.at(x, 40)[3], within(1e-4f));
            }
        }
    }
}
