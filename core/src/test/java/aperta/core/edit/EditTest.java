package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.render.Studio;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Mix;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class EditTest {
    private static final Edit.Extents EXTENTS = new Studio().planner;
    private final Layer a = box("a", 40, 40, 20, 10, Colour.WHITE);

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, EXTENTS));
    }

    private static Point seenAt(Shot shot, String layer, Point own, long frame) {
        return new Moment(shot, frame).of(layer).toShot().apply(own);
    }

    @Test
    void movingIsInPixelsOfTheShotWhateverTheParentDoes() {
        Layer parent = box("p", 80, 45, 1, 1, Colour.CLEAR)
                .withPlace(Place.at(new Point(80, 45))
                        .withScale(Animated.of(new Point(2, 0.5)))
                        .withRotation(Animated.of(33.0)));
        Shot before = shot(a.withParent(Optional.of("p")), parent);
        Shot after = apply(before, new PlaceEdits.Move("a", 0, new Point(7, -3), false, PlaceEdits.Stance.REST));
        Point from = seenAt(before, "a", Point.ORIGIN, 0);
        Point to = seenAt(after, "a", Point.ORIGIN, 0);
        assertThat(to.x() - from.x()).isCloseTo(7, within(1e-9));
        assertThat(to.y() - from.y()).isCloseTo(-3, within(1e-9));
    }

    @Test
    void aMovedLayerClingsToTheMiddle() {
        Shot after = apply(shot(a), new PlaceEdits.Move("a", 0, new Point(39, 6), true, PlaceEdits.Stance.REST));
        assertThat(seenAt(after, "a", Point.ORIGIN, 0)).isEqualTo(new Point(80, 45));
        Snap snap =
                new PlaceEdits.Move("a", 0, new Point(39, 6), true, PlaceEdits.Stance.REST).snapped(shot(a), EXTENTS);
        assertThat(snap.upright()).hasValue(80);
        assertThat(snap.level()).hasValue(45);
    }

    @Test
    void aMovedLayerClingsToGuides() {
        Snap.Guides guides = new Snap.Guides(List.of(57.0), List.of(31.5));
        Point start = seenAt(shot(a), "a", Point.ORIGIN, 0);
        PlaceEdits.Move move = new PlaceEdits.Move(
                "a", 0, new Point(57.4 - start.x(), 31.2 - start.y()), true, guides, PlaceEdits.Stance.REST);
        Point now = seenAt(apply(shot(a), move), "a", Point.ORIGIN, 0);
        assertThat(now.minus(new Point(57, 31.5)).length()).isLessThan(1e-9);
        assertThat(move.snapped(shot(a), EXTENTS).upright()).hasValue(57);
    }

    @Test
    void aKeyedLayerIsMovedByAKeyOnTheFrame() {
        Shot keyed = apply(shot(a), new KeyEdits.AddKey("a", "place.position", 0));
        Shot after = apply(keyed, new PlaceEdits.Move("a", 12, new Point(10, 0), false, PlaceEdits.Stance.REST));
        assertThat(seenAt(after, "a", Point.ORIGIN, 0)).isEqualTo(new Point(40, 40));
        assertThat(seenAt(after, "a", Point.ORIGIN, 12)).isEqualTo(new Point(50, 40));
    }

    @Test
    void theDraggedCornerFollowsThePointer() {
        Shot after = apply(
                shot(a),
                new PlaceEdits.Scale("a", 0, new Point(50, 45), new Point(70, 50), false, PlaceEdits.Stance.REST));
        assertThat(seenAt(after, "a", new Point(10, 5), 0)).isEqualTo(new Point(70, 50));
        Shot even = apply(
                shot(a),
                new PlaceEdits.Scale("a", 0, new Point(50, 45), new Point(60, 50), true, PlaceEdits.Stance.REST));
        assertThat(seenAt(even, "a", new Point(10, 5), 0)).isEqualTo(new Point(60, 50));
    }

    @Test
    void turningFollowsThePointerAndMayKeepToSteps() {
        Shot after = apply(
                shot(a),
                new PlaceEdits.Turn("a", 0, new Point(50, 40), new Point(40, 50), false, PlaceEdits.Stance.REST));
        assertThat(after.layers().get(0).place().rotation().rest()).isCloseTo(90, within(1e-9));
        Shot steps = apply(
                shot(a),
                new PlaceEdits.Turn("a", 0, new Point(50, 40), new Point(49, 47), true, PlaceEdits.Stance.REST));
        assertThat(steps.layers().get(0).place().rotation().rest()).isEqualTo(45);
    }

    @Test
    void movingTheAnchorLeavesThePictureWhereItIs() {
        Layer turned = a.withPlace(a.place().withRotation(Animated.of(30.0)).withScale(Animated.of(new Point(2, 3))));
        Shot after = apply(shot(turned), new PlaceEdits.MoveAnchor("a", 0, new Point(55, 41)));
        Point before = seenAt(shot(turned), "a", new Point(3, 4), 0);
        assertThat(seenAt(after, "a", new Point(3, 4), 0).minus(before).length())
                .isLessThan(1e-9);
    }

    @Test
    void aLayerIsFittedToTheFrame() {
        Layer small = box("a", 10, 70, 40, 10, Colour.WHITE);
        Shot seen = apply(shot(small), new PlaceEdits.Fit("a", 0, false));
        assertThat(seenAt(seen, "a", new Point(-20, -5), 0)).isEqualTo(new Point(0, 25));
        assertThat(seenAt(seen, "a", new Point(20, 5), 0)).isEqualTo(new Point(160, 65));
        Shot covered = apply(shot(small), new PlaceEdits.Fit("a", 0, true));
        assertThat(seenAt(covered, "a", new Point(-20, -5), 0)).isEqualTo(new Point(-100, 0));
    }

    @Test
    void aLayerScaledToNothingSaysWhyItCannotBeDragged() {
        Shot flat = shot(a.withPlace(a.place().withScale(Animated.of(Point.ORIGIN))));
        assertThatThrownBy(
                        () -> apply(flat, new PlaceEdits.Move("a", 0, new Point(1, 1), false, PlaceEdits.Stance.REST)))
                .hasMessageContaining("scale of 0");
    }

    @Test
    void keysAreAddedMovedEasedAndTakenAway() {
        Shot one = apply(shot(a), new KeyEdits.AddKey("a", "place.opacity", 10));
        Shot two = apply(one, new KeyEdits.SetValue("a", "place.opacity", 20, 0.0, false));
        Shot linear = apply(
                two, new KeyEdits.SetEase(List.of(key(10)), Ease.LINEAR, KeyEdits.Side.LEAVING, KeyEdits.Half.BOTH));
        assertThat(opacity(linear, 15)).isEqualTo(0.5);
        Shot moved = apply(linear, new KeyEdits.MoveKeys(List.of(key(10), key(20)), 5));
        assertThat(opacity(moved, 20)).isEqualTo(0.5);
        Shot onto = apply(linear, new KeyEdits.MoveKeys(List.of(key(10)), 10));
        assertThat(onto.layers().get(0).place().opacity().keys()).hasSize(1);
        Shot none = apply(linear, new KeyEdits.RemoveKeys(List.of(key(10), key(20))));
        assertThat(none.layers().get(0).place().opacity()).isEqualTo(Animated.of(0.0));
        assertThatThrownBy(() -> apply(one, new KeyEdits.AddKey("a", "text.size", 0)))
                .hasMessageContaining("no property");
    }

    private static KeyEdits.KeyName key(long at) {
        return new KeyEdits.KeyName("a", "place.opacity", at);
    }

    private static double opacity(Shot shot, long frame) {
        return shot.layers().get(0).place().opacity().at(frame, Mix.NUMBER);
    }

    @Test
    void deletingACutterAndAParentLeavesASoundShot() {
        Layer b = box("b", 1, 1, 5, 5, Colour.WHITE)
                .withParent(Optional.of("a"))
                .withCut(Optional.of(new Cut("a", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        Shot after = apply(shot(a, b), new LayerEdits.Delete(List.of("a")));
        assertThat(after.layers()).hasSize(1);
        assertThat(after.layers().get(0).cut()).isEmpty();
        assertThat(after.layers().get(0).parent()).isEmpty();
    }

    @Test
    void aCopyOfAGroupRefersToItself() {
        Layer word = box("w", 1, 1, 5, 5, Colour.WHITE);
        Layer rain =
                box("r", 1, 1, 5, 5, Colour.WHITE).withCut(Optional.of(new Cut("w", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        Shot grouped = apply(shot(word, rain, a), new LayerEdits.Group(List.of("w", "r"), "g", "Title"));
        assertThat(grouped.layers()).extracting(Layer::id).containsExactly("g", "a");
        assertThat(seenAt(grouped, "w", Point.ORIGIN, 0)).isEqualTo(new Point(1, 1));
        Shot twice = apply(grouped, new LayerEdits.Duplicate("g", "h"));
        assertThat(twice.layers()).extracting(Layer::id).containsExactly("h", "g", "a");
        Layer copied =
                ((Content.Group) twice.layers().get(0).content()).layers().get(1);
        assertThat(copied.cut().orElseThrow().by()).isEqualTo("h-1");
    }

    @Test
    void layersAreReorderedAndAdded() {
        Layer b = box("b", 1, 1, 5, 5, Colour.WHITE);
        Layer c = box("c", 1, 1, 5, 5, Colour.WHITE);
        assertThat(apply(shot(a, b, c), new LayerEdits.Reorder("a", 2)).layers())
                .extracting(Layer::id)
                .containsExactly("b", "c", "a");
        assertThat(apply(shot(a, b), new LayerEdits.Add(c, Optional.of("b"))).layers())
                .extracting(Layer::id)
                .containsExactly("a", "c", "b");
        assertThatThrownBy(() -> apply(shot(a), new LayerEdits.Delete(List.of("z"))))
                .hasMessageContaining("no layer 'z'");
    }

    @Test
    void aMaskIsDrawnAndItsPointsAreMovedOnThePicture() {
        Layer turned = a.withPlace(a.place().withRotation(Animated.of(90.0)));
        Shot drawn = apply(
                shot(turned),
                new MaskEdits.Add("a", "m", 0, Figure.RECTANGLE, new Point(35, 30), new Point(45, 50), 5, 0.5, 0, 0));
        BezierPath path = drawn.layers().get(0).masks().get(0).path().rest();
        assertThat(seenAt(drawn, "a", path.knots().get(0).at(), 0)
                        .minus(new Point(35, 30))
                        .length())
                .isLessThan(1e-9);
        Shot moved = apply(
                drawn, new PathEdits.MovePoint("a", "mask.m.path", 0, 0, PathEdits.Part.AT, new Point(20, 20), false));
        Point now = moved.layers()
                .get(0)
                .masks()
                .get(0)
                .path()
                .rest()
                .knots()
                .get(0)
                .at();
        assertThat(seenAt(moved, "a", now, 0).minus(new Point(20, 20)).length()).isLessThan(1e-9);
        Shot whole = apply(moved, new PathEdits.MovePoints("a", "mask.m.path", 0, List.of(), new Point(0, 5)));
        Point then = whole.layers()
                .get(0)
                .masks()
                .get(0)
                .path()
                .rest()
                .knots()
                .get(0)
                .at();
        assertThat(seenAt(whole, "a", then, 0).minus(new Point(20, 25)).length())
                .isLessThan(1e-9);
        assertThatThrownBy(() -> apply(
                        shot(a),
                        new MaskEdits.Add("a", "m", 0, Figure.ELLIPSE, Point.ORIGIN, Point.ORIGIN, 5, 0.5, 0, 0)))
                .hasMessageContaining("Drag over a larger part");
    }
}
