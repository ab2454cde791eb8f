package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class GroupEditsTest {
    private final Layer a = box("a", 40, 40, 20, 10, Colour.WHITE);
    private final Layer b = box("b", 90, 50, 20, 10, Colour.WHITE).withSpan(Span.of(6, 20));

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, new Studio().planner));
    }

    private static Layer group(Span span, Place place, Layer... inside) {
        return Layer.of("g", "Card", new Content.Group(List.of(inside)), span, place);
    }

    private static Place plain() {
        return Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45)));
    }

    private static Place turning() {
        return plain().withScale(Animated.of(new Point(1.5, 1.5)))
                .withRotation(
                        new Animated<>(0.0, List.of(new Key<>(0, 0.0, Ease.EASE), new Key<>(30, 90.0, Ease.EASE))));
    }

    private static void assertSamePicture(Shot one, Shot two, long frame) {
        Moment m = new Moment(one, frame);
        Moment n = new Moment(two, frame);
        for (String id : List.of("a", "b")) {
            assertThat(n.of(id).exists()).isEqualTo(m.of(id).exists());
            assertSame(m.of(id).toShot(), n.of(id).toShot());
        }
    }

    private static void assertSame(Affine one, Affine two) {
        for (Point p : List.of(Point.ORIGIN, new Point(10, 0), new Point(0, 10))) {
            assertThat(two.apply(p).minus(one.apply(p)).length()).isLessThan(1e-9);
        }
    }

    @Test
    void aPlainGroupDissolvesWithoutATrace() {
        Shot before = shot(group(new Span(4, 30, 2), plain(), a, b));
        Shot after = apply(before, new GroupEdits.Ungroup("g"));
        assertThat(after.layers()).extracting(Layer::id).containsExactly("a", "b");
        assertThat(after.layers().get(0).span()).isEqualTo(new Span(4, 30, 2));
        for (int f = 0; f < 48; f++) {
            assertSamePicture(before, after, f);
        }
    }

    @Test
    void aMovingGroupStaysAsTheParentOfWhatWasInIt() {
        Shot before = shot(group(Span.of(0, 48), turning(), a, b));
        Shot after = apply(before, new GroupEdits.Ungroup("g"));
        assertThat(after.layers()).extracting(Layer::id).containsExactly("a", "b", "g");
        assertThat(after.layers().get(0).parent()).contains("g");
        for (int f = 0; f < 48; f++) {
            assertSamePicture(before, after, f);
        }
    }

    @Test
    void whatOneByOneCannotTakeOverIsRefused() {
        Layer g = group(Span.of(0, 48), plain(), a, b);
        refused(shot(g.withPlace(plain().withOpacity(Animated.of(0.5)))), "faded or blurred as a whole");
        refused(shot(g.withLeave(Optional.of(Passage.standard(Rate.of(24))))), "arrives or leaves");
        refused(shot(g.withCut(Optional.of(new Cut("c", Cut.With.SHAPE, Cut.Keep.INSIDE))), clip("c")), "is cut");
        refused(shot(clip("c").withCut(Optional.of(new Cut("g", Cut.With.SHAPE, Cut.Keep.INSIDE))), g), "cuts");
        Mask mask = Mask.of("m", "m", BezierPath.rectangle(new Box(0, 0, 9, 9)));
        refused(shot(g.withMasks(List.of(mask))), "has masks");
        assertThatThrownBy(() -> apply(shot(a), new GroupEdits.Ungroup("a"))).hasMessage("'a' is not a group.");
    }

    private static void refused(Shot shot, String why) {
        assertThatThrownBy(() -> apply(shot, new GroupEdits.Ungroup("g")))
                .hasMessageStartingWith("'Card' ")
                .hasMessageContaining(why);
    }

    @Test
    void aLayerPutIntoAGroupStaysWhereItIs() {
        Layer moving = a.withPlace(a.place()
                .withRotation(Animated.of(20.0))
                .withPosition(new Animated<>(
                        Point.ORIGIN,
                        List.of(
                                new Key<>(0, new Point(10, 10), Ease.LINEAR),
                                new Key<>(20, new Point(60, 30), Ease.LINEAR)))));
        Place still = plain().withScale(Animated.of(new Point(2, 2))).withRotation(Animated.of(30.0));
        Shot before = shot(moving, group(new Span(5, 30, 0), still, b));
        Shot in = apply(before, new GroupEdits.MoveTo("a", Optional.of("g"), 1, 12));
        assertThat(((Content.Group) in.layers().get(0).content()).layers())
                .extracting(Layer::id)
                .containsExactly("b", "a");
        for (int f = 5; f < 35; f++) {
            assertSame(
                    new Moment(before, f).of("a").toShot(),
                    new Moment(in, f).of("a").toShot());
        }
        Shot out = apply(in, new GroupEdits.MoveTo("a", Optional.empty(), 0, 12));
        assertThat(out.layers().get(0).span()).isEqualTo(moving.span());
        for (int f = 5; f < 35; f++) {
            assertSame(
                    new Moment(before, f).of("a").toShot(),
                    new Moment(out, f).of("a").toShot());
        }
        assertThatThrownBy(() -> apply(before, new GroupEdits.MoveTo("g", Optional.of("g"), 0, 12)))
                .hasMessage("'Card' can't be put into itself.");
        assertThatThrownBy(() -> apply(before, new GroupEdits.MoveTo("g", Optional.of("a"), 0, 12)))
                .hasMessage("'a' is not a group.");
    }

    @Test
    void aParentIsTakenWithoutAJump() {
        Layer parent = word("p", "P", 30).withPlace(turning());
        Shot before = shot(a, b, parent);
        Shot tied = apply(before, new GroupEdits.SetParent("a", Optional.of("p"), 12));
        assertThat(tied.layers().get(0).parent()).contains("p");
        assertSame(
                new Moment(before, 12).of("a").toShot(),
                new Moment(tied, 12).of("a").toShot());
        Shot free = apply(tied, new GroupEdits.SetParent("a", Optional.empty(), 12));
        assertSame(
                new Moment(before, 12).of("a").toShot(),
                new Moment(free, 12).of("a").toShot());
        assertThat(free.layers().get(0).place().scale().rest().x()).isCloseTo(1, within(1e-9));
        assertThatThrownBy(() -> apply(tied, new GroupEdits.SetParent("p", Optional.of("a"), 12)))
                .hasMessageContaining("circle");
    }

    @Test
    void whatFollowsADeletedLayerStandsStillAndCopiesFollowCopies() {
        Recipe follow = Recipe.of(Signal.of("follow").descriptor(), Map.of("layer", "a", "property", "place.rotation"));
        Layer follower = b.withPlace(b.place().withRotation(Animated.of(3.0).withSignals(List.of(follow))));
        Shot gone = apply(shot(a, follower), new LayerEdits.Delete(List.of("a")));
        assertThat(gone.layers().get(0).place().rotation()).isEqualTo(Animated.of(3.0));
        Shot twice = apply(shot(group(Span.of(0, 48), plain(), a, follower)), new LayerEdits.Duplicate("g", "h"));
        Layer copy = twice.layer("h-2").orElseThrow();
        assertThat(copy.place().rotation().signals().get(0).text("layer")).isEqualTo("h-1");
    }

    @Test
    void aGroupThatIsUsedAgainShowsTheSameAndChangesWithIt() {
        Layer cut = a.withCut(Optional.of(new Cut("b", Cut.With.SHAPE, Cut.Keep.OUTSIDE)));
        Layer g = group(Span.of(0, 48), plain(), cut, b.withSpan(Span.of(0, 48)), box("c", 60, 60, 8, 8, Colour.WHITE));
        Shot twice = apply(shot(g), new LayerEdits.UseAgain("g", "h"));
        Shot moved = apply(twice, new PlaceEdits.Move("h", 0, new Point(30, 0), false, PlaceEdits.Stance.REST));
        Studio studio = new Studio();
        Shot one = shot(g);
        Shot other = apply(one, new PlaceEdits.Move("g", 0, new Point(30, 0), false, PlaceEdits.Stance.REST));
        for (int x = 0; x < 160; x += 3) {
            float here = studio.render(one, 5).at(x, 62)[3];
            float there = studio.render(other, 5).at(x, 62)[3];
            assertThat(studio.render(moved, 5).at(x, 62)[3])
                    .as("at " + x)
                    .isCloseTo(here + there - here * there, within(1e-6f));
        }
        Shot changed = apply(moved, new PlaceEdits.Move("c", 0, new Point(0, -20), false, PlaceEdits.Stance.REST));
        assertThat(studio.render(changed, 5).at(92, 40)[3])
                .as("in the second use")
                .isEqualTo(1);
        Shot handedOn = apply(changed, new LayerEdits.Delete(List.of("g")));
        assertThat(handedOn.layers()).extracting(Layer::id).containsExactly("h");
        assertThat(studio.render(handedOn, 5).at(92, 40)[3]).isEqualTo(1);
        assertThat(studio.render(handedOn, 5).at(36, 40)[3]).isZero();
        assertThatThrownBy(() -> apply(changed, new GroupEdits.MoveTo("h", Optional.of("g"), 0, 5)))
                .hasMessageContaining("would hold itself");
        assertThatThrownBy(() -> Rules.demand(shot(a.withContent(new Content.Again("b")), b)))
                .hasMessageContaining("is not a group of this shot");
    }

    @Test
    void partsOfALookAreCopiedAndRemoved() {
        Content.Text red = Content.Text.of("RED", "anton", 50).withFill(Paint.solid(Colour.parse("#aa0000")));
        Layer from = word("r", "RED", 50)
                .withContent(red)
                .withArrive(Optional.of(Passage.standard(Rate.of(24))))
                .withPlace(turning());
        Layer to = word("w", "HILL", 20);
        Shot copied = apply(
                shot(from, to, a),
                new LookEdits.CopyParts(
                        "r",
                        List.of("w", "a"),
                        List.of(LookEdits.Part.KEYS, LookEdits.Part.ARRIVAL, LookEdits.Part.TEXT_STYLE)));
        Layer w = copied.layer("w").orElseThrow();
        assertThat(w.content()).isEqualTo(((Content.Text) to.content()).styledAs(red));
        assertThat(w.arrive()).isEqualTo(from.arrive());
        assertThat(w.place().rotation().keys())
                .isEqualTo(from.place().rotation().keys());
        assertThat(w.place().scale()).isEqualTo(to.place().scale());
        assertThat(copied.layer("a").orElseThrow().place().rotation().isKeyed()).isTrue();
        Shot removed = apply(copied, new LookEdits.RemoveParts(List.of("w"), List.of(LookEdits.Part.values())));
        Layer bare = removed.layer("w").orElseThrow();
        assertThat(bare.place()).isEqualTo(to.place());
        assertThat(bare.arrive()).isEmpty();
        assertThat(((Content.Text) bare.content()).fill()).isEqualTo(Paint.solid(Colour.WHITE));
    }

    @Test
    void aGroupThatIsUsedAgainKeepsTheToneOfItsCuts() {
        Layer cutter = box("cutter", 40, 45, 20, 40, Colour.WHITE);
        Layer cut = box("cut", 40, 45, 40, 40, Colour.WHITE)
                .withCut(Optional.of(new Cut("cutter", Cut.With.SHAPE, Cut.Keep.INSIDE)
                        .withTone(Cut.Tone.PLAIN.withSpread(Animated.of(4.0)))));
        Point middle = new Point(80, 45);
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(List.of(cut, cutter)),
                Span.of(0, 48),
                Place.at(middle).withAnchor(Animated.of(middle)));
        Layer again = Layer.of(
                "a",
                "a",
                new Content.Again("g"),
                Span.of(0, 48),
                Place.at(new Point(140, 45)).withAnchor(Animated.of(middle)));

        Picture picture = new Studio().render(shot(group, again), 3);

        for (int x = 20; x < 60; x++) {
            assertThat(picture.at(x + 60, 45)).as("column %d", x).isEqualTo(picture.at(x, 45));
        }
        // The matte is 20 wide, and 4 more on either side.
        assertThat(picture.at(27, 45)[3]).isCloseTo(1, within(1e-6f));
        assertThat(picture.at(25, 45)[3]).isCloseTo(0, within(1e-6f));
    }

    @Test
    void coatsAreCopiedFromShapesAndFromLetters() {
        Layer letters = word("letters", "RED", 50)
                .withContent(Content.Text.of("RED", "anton", 50).withFill(Paint.solid(Colour.parse("#aa0000"))));
        Content.Shape.Path path =
                new Content.Shape.Path("path", "Path 1", Animated.of(Figures.rounded(new Box(0, 0, 20, 10), 0)));
        Layer line = word("line", "", 1)
                .withContent(new Content.Shape(List.of(path), List.of(Coat.Stroke.of("stroke", Colour.WHITE, 3))));
        Layer other = word("other", "", 1)
                .withContent(new Content.Shape(List.of(path), List.of(Coat.Fill.of("fill", Colour.WHITE))));
        Shot before = shot(letters, line, other);

        Shot ofLine = apply(
                before, new LookEdits.CopyParts("line", List.of("other", "letters"), List.of(LookEdits.Part.COATS)));
        Shot ofLetters =
                apply(before, new LookEdits.CopyParts("letters", List.of("line"), List.of(LookEdits.Part.COATS)));
        Shot off = apply(before, new LookEdits.RemoveParts(List.of("line"), List.of(LookEdits.Part.COATS)));

        assertThat(ofLine.layer("other").orElseThrow().content()).isEqualTo(line.content());
        assertThat(ofLine.layer("letters").orElseThrow()).isEqualTo(letters);
        assertThat(ofLetters.layer("line").orElseThrow().content())
                .isEqualTo(new Content.Shape(List.of(path), List.of(Coat.Fill.of("fill", Colour.parse("#aa0000")))));
        assertThat(off.layer("line").orElseThrow().content()).isEqualTo(other.content());
    }
}
