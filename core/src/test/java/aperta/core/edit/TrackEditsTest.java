package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import aperta.core.shot.TrackPath.Step;
import aperta.core.time.Animated;
import aperta.core.time.Signal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Marks are set, corrected and taken away, and layers, masks and windows go with them. */
class TrackEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    private static Layer box(String id, double width, double height, Point at) {
        Content fill =
                new Content.Fill(Animated.of(new Point(width, height)), new Paint.Solid(Animated.of(Colour.WHITE)));
        return Layer.of(id, id, fill, Span.of(0, 48), Place.at(at));
    }

    /** A clip at half its size, its left upper corner in the frame's middle, with a mark that goes 4 pixels a frame. */
    private Shot marked() {
        Layer clip = Studio.clip(Studio.SMOOTH);
        Place place = clip.place()
                .withScale(Animated.of(new Point(0.5, 0.5)))
                .withPosition(Animated.of(new Point(120, 67.5)));
        Shot shot = Studio.shot(box("b", 10, 10, new Point(100, 60)), clip.withPlace(place));
        Shot with = apply(shot, new TrackEdits.Add("smooth", "t", Track.Kind.POINT, List.of(new Point(90, 50)), 10));
        List<Step> steps = new ArrayList<>();
        for (int f = 0; f < 30; f++) {
            steps.add(new Step(List.of(new Point(20 + 4 * (f - 10), 10 + (f - 10))), 1, f == 10 ? By.HAND : By.FOUND));
        }
        return apply(with, new TrackEdits.SetPath("smooth", "t", new TrackPath(0, steps)));
    }

    private static Track track(Shot shot) {
        return ((Content.Footage) shot.layer("smooth").orElseThrow().content())
                .tracks()
                .get(0);
    }

    private static Point at(Shot shot, String layer, double frame) {
        return new Moment(shot, frame).of(layer).toShot().apply(Point.ORIGIN);
    }

    @Test
    void aMarkIsSetWhereItIsSeenInTheClip() {
        Track t = track(marked());
        assertThat(t.name()).isEqualTo("Mark 1");
        assertThat(t.at()).isEqualTo(10);
        // (90, 50) lies 10 and 5 pixels of the shot from the clip's corner at (80, 45).
        assertThat(t.marks()).containsExactly(new Point(20, 10));
        Shot again =
                apply(marked(), new TrackEdits.Add("smooth", "u", Track.Kind.POINT, List.of(new Point(90, 50)), 0));
        assertThat(((Content.Footage) again.layer("smooth").orElseThrow().content()).tracks())
                .extracting(Track::name)
                .containsExactly("Mark 1", "Mark 2");
    }

    @Test
    void whatIsPinnedGoesWithTheMarkFromWhereItIs() {
        Shot shot = apply(marked(), new TrackEdits.SetPin("b", Optional.of("smooth"), Optional.of("t"), 10));
        Point before = at(marked(), "b", 10);
        for (int f = 0; f < 30; f++) {
            Point now = at(shot, "b", f);
            assertThat(now.x()).isCloseTo(before.x() + 2 * (f - 10), within(1e-9));
            assertThat(now.y()).isCloseTo(before.y() + 0.5 * (f - 10), within(1e-9));
        }
        Shot free = apply(shot, new TrackEdits.SetPin("b", Optional.empty(), Optional.empty(), 20));
        assertThat(at(free, "b", 5)).isEqualTo(at(shot, "b", 20));
        // Another parent ends it.
        Shot tied = apply(shot, new GroupEdits.SetParent("b", Optional.empty(), 20));
        assertThat(tied.layer("b").orElseThrow().pinned()).isEmpty();
    }

    @Test
    void whatIsHeldStillStaysWhileTheClipMoves() {
        Shot shot = apply(marked(), new TrackEdits.HoldStill("smooth", Optional.of("t")));
        for (int f = 0; f < 30; f++) {
            Affine map = new Moment(shot, f).of("smooth").toShot();
            Point mark = map.apply(track(shot).place(f));
            assertThat(mark.minus(new Point(90, 50)).length()).isLessThan(1e-9);
        }
        // What goes with the mark of a clip that is held still doesn't move at all.
        Shot pinned = apply(shot, new TrackEdits.SetPin("b", Optional.of("smooth"), Optional.of("t"), 10));
        assertThat(at(pinned, "b", 25).minus(at(pinned, "b", 3)).length()).isLessThan(1e-9);
    }

    @Test
    void aMaskGoesWithTheMark() {
        Shot shot = marked();
        BezierPath square = BezierPath.rectangle(aperta.core.geometry.Box.centred(10, 10));
        shot = shot.changing("b", l -> l.withMasks(List.of(Mask.of("m", "Mask", square))));
        Shot pinned = apply(shot, new TrackEdits.PinMask("b", "m", Optional.of("smooth"), Optional.of("t"), 10));
        for (int f : new int[] {10, 14}) {
            Mask mask = new Moment(pinned, f).of("b").still().masks().get(0);
            Point middle = mask.path()
                    .rest()
                    .knots()
                    .get(0)
                    .at()
                    .mix(mask.path().rest().knots().get(2).at(), 0.5);
            assertThat(middle.minus(new Point(2 * (f - 10), 0.5 * (f - 10))).length())
                    .as("frame %d", f)
                    .isLessThan(1e-9);
        }
        Shot free = apply(pinned, new TrackEdits.PinMask("b", "m", Optional.empty(), Optional.empty(), 14));
        Mask mask = free.layer("b").orElseThrow().masks().get(0);
        assertThat(mask.pin()).isEmpty();
        assertThat(mask.path().rest().knots().get(0).at().x()).isCloseTo(-5 + 8, within(1e-9));
    }

    @Test
    void aPropertyFollowsTheMark() {
        Recipe follow = Recipe.of(
                Signal.of("follow").descriptor(), Map.of("layer", "smooth", "property", "track.t.place", "delay", 2.0));
        Shot shot = marked().changing(
                        "b",
                        l -> l.withPlace(Place.at(Point.ORIGIN)
                                .withPosition(Animated.of(Point.ORIGIN).withSignals(List.of(follow)))));
        Rules.demand(shot);
        assertThat(at(shot, "b", 12).minus(new Point(90, 50)).length()).isLessThan(1e-9);
        Recipe damped = follow.with("delay", 0.0).with("damping", 3.0);
        Shot slow = shot.changing(
                "b",
                l -> l.withPlace(Place.at(Point.ORIGIN)
                        .withPosition(Animated.of(Point.ORIGIN).withSignals(List.of(damped)))));
        // An even motion is followed later by the mean age of what counts, Σ k·e^(−k/3) / Σ e^(−k/3).
        double whole = 0;
        double age = 0;
        for (int k = 0; k <= 15; k++) {
            whole += Math.exp(-k / 3.0);
            age += k * Math.exp(-k / 3.0);
        }
        assertThat(at(slow, "b", 25).x()).isCloseTo(90 + 2 * (15 - age / whole), within(1e-9));
        // A clip can't follow a mark that lies where the clip is.
        Shot circle = shot.changing(
                "smooth",
                l -> l.withPlace(
                        l.place().withPosition(Animated.of(Point.ORIGIN).withSignals(List.of(follow)))));
        assertThat(Rules.broken(circle)).hasSize(1).allMatch(s -> s.startsWith("Properties follow one another"));
        assertThat(Rules.broken(shot.changing(
                        "smooth", l -> l.withContent(((Content.Footage) l.content()).withTracks(List.of())))))
                .containsExactly("The position of 'b' follows something that isn't a number in this shot.");
    }

    @Test
    void aCorrectionIsFixedAndReachedInAStraightLine() {
        Shot shot = marked();
        Shot moved = apply(shot, new TrackEdits.MoveMark("smooth", "t", 0, new Point(120, 60), 20));
        Step step = track(moved).path().step(20).orElseThrow();
        assertThat(step.by()).isEqualTo(By.HAND);
        assertThat(step.at().get(0)).isEqualTo(new Point(80, 30));
        Shot beyond = apply(shot, new TrackEdits.MoveMark("smooth", "t", 0, new Point(150, 70), 33));
        TrackPath path = track(beyond).path();
        assertThat(path.last()).isEqualTo(33);
        assertThat(path.step(31).orElseThrow().by()).isEqualTo(By.GUESSED);
        // From (96, 29) on frame 29 to (140, 50) on frame 33.
        assertThat(path.step(31).orElseThrow().at().get(0)).isEqualTo(new Point(118, 39.5));
        Shot out = apply(moved, new TrackEdits.SetStep("smooth", "t", TrackEdits.StepIs.LEFT_OUT, 20));
        assertThat(track(out).places(20).get(0)).isEqualTo(new Point(60, 20));
        assertThatThrownBy(() -> apply(shot, new TrackEdits.SetStep("smooth", "t", TrackEdits.StepIs.FREE, 10)))
                .hasMessage("The marks of 'Mark 1' were set on this frame; it stays fixed.");
    }

    @Test
    void whereNothingWasFollowedAMarkIsSetAnew() {
        Shot shot = apply(
                Studio.shot(Studio.clip(Studio.SMOOTH)),
                new TrackEdits.Add("smooth", "t", Track.Kind.POINT, List.of(new Point(20, 20)), 5));
        Shot moved = apply(shot, new TrackEdits.MoveMark("smooth", "t", 0, new Point(30, 25), 9));
        assertThat(track(moved).at()).isEqualTo(9);
        assertThat(track(moved).marks()).containsExactly(new Point(30, 25));
        assertThat(track(moved).path().steps()).hasSize(1);
    }

    @Test
    void whatGoesWithATrackStaysWhereItIsWhenItIsTakenAway() {
        Shot shot = apply(marked(), new TrackEdits.SetPin("b", Optional.of("smooth"), Optional.of("t"), 10));
        shot = apply(shot, new TrackEdits.HoldStill("smooth", Optional.of("t")));
        shot = apply(shot, new TrackEdits.Reveal("b", "smooth", "t", false));
        Point there = at(shot, "b", 14);
        Shot without = apply(shot, new TrackEdits.Remove("smooth", "t", 14));
        assertThat(at(without, "b", 14).minus(there).length()).isLessThan(1e-9);
        assertThat(without.layer("b").orElseThrow().windows()).isEmpty();
        assertThat(((Content.Footage) without.layer("smooth").orElseThrow().content()).steady())
                .isEmpty();
    }

    /** A bar is uncovered from the left as far as the mark has come, its soft edge half there. */
    @Test
    void aLayerIsUncoveredByTheMarkThatPassesIt() {
        Shot shot = marked().changing("b", l -> box("b", 80, 20, new Point(110, 55)));
        shot = shot.changing("smooth", l -> l.withHidden(true));
        Shot reveals = apply(shot, new TrackEdits.Reveal("b", "smooth", "t", false));
        Recipe window = reveals.layer("b").orElseThrow().windows().get(0).rest();
        assertThat(window.number("angle")).isZero();
        // On frame 16 the mark is at 90 + 2 · 6 = 102.
        Picture p = studio.render(reveals, 16);
        assertThat(p.at(71, 55)[3]).isGreaterThan(0.98f);
        assertThat((p.at(101, 55)[3] + p.at(102, 55)[3]) / 2).isCloseTo(0.5f, within(0.01f));
        assertThat(p.at(140, 55)[3]).isLessThan(0.01f);
        // Before its first frame nothing is seen: the layer begins earlier than the clip.
        Shot later = reveals.changing("smooth", l -> l.withSpan(new Span(8, 30, -8)));
        assertThat(studio.render(later, 4).at(80, 55)[3]).isZero();
        // Long after its last the whole of it is.
        assertThat(studio.render(reveals, 47).at(120, 55)[3]).isGreaterThan(0.999f);
        Shot hides = apply(shot, new TrackEdits.Reveal("b", "smooth", "t", true));
        Picture q = studio.render(hides, 16);
        assertThat(q.at(71, 55)[3]).isLessThan(0.02f);
        assertThat(q.at(145, 55)[3]).isGreaterThan(0.98f);
        assertThat(studio.render(hides, 47).at(120, 55)[3]).isLessThan(0.001f);
    }

    @Test
    void whatIsNamedMustBeThere() {
        Shot shot = marked();
        assertThat(Rules.broken(shot.changing(
                        "smooth", l -> l.withContent(((Content.Footage) l.content()).withSteady(Optional.of("x"))))))
                .containsExactly("'smooth' holds still the track 'x', which is not one of 'smooth'.");
        assertThatThrownBy(() -> apply(shot, new TrackEdits.HoldStill("b", Optional.of("t"))))
                .hasMessage("'b' is not a clip; marks are set in clips.");
    }
}
