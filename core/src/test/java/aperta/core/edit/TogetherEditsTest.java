package aperta.core.edit;

import static aperta.core.render.Studio.SMALL;
import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.edit.TogetherEdits.Frame;
import aperta.core.edit.TogetherEdits.Line;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TogetherEditsTest {
    private static final Edit.Extents EXTENTS = new Studio().planner;
    private static final List<String> ALL = List.of("a", "b", "c");

    /** Three boxes: 20 × 10 about (30, 20), 10 × 30 about (80, 50), 30 × 10 about (140, 70), the second one turned. */
    private final Layer a = box("a", 30, 20, 20, 10, Colour.WHITE);

    private final Layer b = turned(box("b", 80, 50, 10, 30, Colour.WHITE), 90);
    private final Layer c = box("c", 140, 70, 30, 10, Colour.WHITE);
    private final Shot shot = shot(a, b, c);

    private static Layer turned(Layer layer, double by) {
        return layer.withPlace(layer.place().withRotation(Animated.of(by)));
    }

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, EXTENTS));
    }

    private static Box seen(Shot shot, String layer) {
        return TogetherEdits.box(new Moment(shot, 0), List.of(layer), EXTENTS);
    }

    private static void at(Box box, double x0, double y0, double x1, double y1) {
        assertThat(new double[] {box.x0(), box.y0(), box.x1(), box.y1()})
                .containsExactly(new double[] {x0, y0, x1, y1}, within(1e-9));
    }

    @Test
    void allMoveByAsMuchButWhatIsCarriedAlready() {
        Layer inside = box("in", 10, 10, 4, 4, Colour.WHITE);
        Layer group = Layer.of("g", "g", new Content.Group(List.of(inside)), Span.of(0, 48), Place.at(Point.ORIGIN));
        Layer child = c.withParent(Optional.of("a"));
        Shot before = shot(a, b, child, group);
        List<String> chosen = List.of("in", "c", "a", "g");
        Shot after = apply(before, new TogetherEdits.Move(chosen, 0, new Point(5, -3), false, Snap.Guides.NONE));
        for (String id : chosen) {
            Box was = seen(before, id);
            at(seen(after, id), was.x0() + 5, was.y0() - 3, was.x1() + 5, was.y1() - 3);
        }
        assertThat(seen(after, "b")).isEqualTo(seen(before, "b"));
        assertThat(after.layer("c").orElseThrow().place()).isEqualTo(child.place());
    }

    /** The box around both comes within reach of the frame's middle; what is moved is no line to cling to. */
    @Test
    void theBoxAroundAllClingsToLines() {
        List<String> both = List.of("a", "c");
        TogetherEdits.Move move = new TogetherEdits.Move(both, 0, new Point(-7, 0), true, Snap.Guides.NONE);
        Shot after = apply(shot(a, c), move);
        assertThat(TogetherEdits.box(new Moment(after, 0), both, EXTENTS)
                        .centre()
                        .x())
                .isEqualTo(SMALL.centre().x(), within(1e-9));
        assertThat(move.snapped(shot(a, c), EXTENTS).upright()).hasValue(80);
    }

    /** Two boxes with a gap of 20 px: a third clings beside them at 20 px, and between them in the middle. */
    @Test
    void gapsAreMadeEqual() {
        Layer one = box("one", 20, 44, 20, 20, Colour.WHITE);
        Layer two = box("two", 60, 41, 20, 20, Colour.WHITE);
        Layer moved = box("m", 103, 52, 14, 10, Colour.WHITE);
        Shot row = shot(one, two, moved);
        PlaceEdits.Move beside = new PlaceEdits.Move("m", 0, new Point(-5.4, 0), true, PlaceEdits.Stance.REST);
        assertThat(seen(apply(row, beside), "m").x0()).isCloseTo(90, within(1e-9));
        assertThat(beside.snapped(row, EXTENTS).upright()).hasValue(90);
        PlaceEdits.Move between = new PlaceEdits.Move("m", 0, new Point(-62.6, 0), true, PlaceEdits.Stance.REST);
        assertThat(seen(apply(row, between), "m").centre().x()).isCloseTo(40, within(1e-9));
    }

    /** Each corner lies where the map about the common middle leads it. */
    @Test
    void scaledTogetherAllLiesWhereTheMapLeads() {
        Box around = TogetherEdits.box(new Moment(shot, 0), ALL, EXTENTS);
        Point to = new Point(
                around.centre().x() + around.width() * 0.75, around.centre().y() + around.height() * 0.75);
        Shot after = apply(
                shot,
                new TogetherEdits.Scale(
                        ALL, 0, new Point(around.x1(), around.y1()), to, true, Optional.empty(), false));
        Affine map = Affine.translation(-around.centre().x(), -around.centre().y())
                .then(Affine.scale(1.5, 1.5))
                .then(Affine.translation(around.centre().x(), around.centre().y()));
        for (String id : ALL) {
            Box there = map.apply(seen(shot, id));
            at(seen(after, id), there.x0(), there.y0(), there.x1(), there.y1());
        }
    }

    /** A layer that is turned by a right angle is stretched along its other side. */
    @Test
    void scaledUnevenlyATurnedLayerIsStretchedTheRightWay() {
        Box around = TogetherEdits.box(new Moment(shot, 0), ALL, EXTENTS);
        Point from = new Point(around.x1(), around.y1());
        Point to = new Point(around.centre().x() + around.width(), around.y1());
        Shot after = apply(shot, new TogetherEdits.Scale(ALL, 0, from, to, false, Optional.empty(), false));
        for (String id : ALL) {
            assertThat(seen(after, id).width()).isCloseTo(2 * seen(shot, id).width(), within(1e-9));
            assertThat(seen(after, id).height()).isCloseTo(seen(shot, id).height(), within(1e-9));
        }
    }

    @Test
    void eachAboutItsOwnMiddleStaysWhereItIs() {
        Box around = TogetherEdits.box(new Moment(shot, 0), ALL, EXTENTS);
        Point corner = new Point(around.x1(), around.y1());
        Point out = corner.plus(corner.minus(around.centre()));
        Shot scaled = apply(shot, new TogetherEdits.Scale(ALL, 0, corner, out, true, Optional.empty(), true));
        Shot turned = apply(
                shot,
                new TogetherEdits.Turn(
                        ALL,
                        0,
                        around.centre().plus(new Point(9, 0)),
                        around.centre().plus(new Point(0, 9)),
                        false,
                        true));
        for (String id : ALL) {
            Box was = seen(shot, id);
            Box large = seen(scaled, id);
            assertThat(large.centre().minus(was.centre()).length()).isLessThan(1e-9);
            assertThat(large.width()).isCloseTo(2 * was.width(), within(1e-9));
            Box upright = seen(turned, id);
            assertThat(upright.centre().minus(was.centre()).length()).isLessThan(1e-9);
            assertThat(upright.width()).isCloseTo(was.height(), within(1e-9));
        }
    }

    @Test
    void turnedTogetherTheyKeepTheirDistances() {
        Point centre = TogetherEdits.box(new Moment(shot, 0), ALL, EXTENTS).centre();
        Shot after = apply(
                shot,
                new TogetherEdits.Turn(
                        ALL, 0, centre.plus(new Point(20, 0)), centre.plus(new Point(1, 21)), true, false));
        for (String id : ALL) {
            Point was = seen(shot, id).centre().minus(centre);
            Point now = seen(after, id).centre().minus(centre);
            assertThat(now.minus(new Point(-was.y(), was.x())).length()).isLessThan(1e-9);
        }
        assertThat(after.layer("b").orElseThrow().place().rotation().rest()).isCloseTo(180, within(1e-9));
    }

    @Test
    void whatIsKeyedIsKeyedOnTheFrame() {
        Animated<Point> moving = new Animated<>(
                new Point(30, 20),
                List.of(new Key<>(0, new Point(30, 20), Ease.LINEAR), new Key<>(10, new Point(50, 20), Ease.LINEAR)));
        Shot before = shot(a.withPlace(a.place().withPosition(moving)), b);
        Shot after =
                apply(before, new TogetherEdits.Move(List.of("a", "b"), 10, new Point(0, 7), false, Snap.Guides.NONE));
        assertThat(after.layer("a").orElseThrow().place().position().keys())
                .extracting(Key::value)
                .containsExactly(new Point(30, 20), new Point(50, 27));
    }

    @Test
    void linesAreBroughtOntoOne() {
        Shot left = apply(shot, new TogetherEdits.Align(ALL, 0, Line.LEFT, Frame.EACH_OTHER));
        assertThat(ALL).allSatisfy(id -> assertThat(seen(left, id).x0()).isCloseTo(20, within(1e-9)));
        Shot bottom = apply(shot, new TogetherEdits.Align(ALL, 0, Line.BOTTOM, Frame.FRAME));
        assertThat(ALL).allSatisfy(id -> assertThat(seen(bottom, id).y1()).isCloseTo(90, within(1e-9)));
        Shot safe = apply(shot, new TogetherEdits.Align(ALL, 0, Line.RIGHT, Frame.TITLE_SAFE));
        double edge = SMALL.titleSafe().x1();
        assertThat(ALL).allSatisfy(id -> assertThat(seen(safe, id).x1()).isCloseTo(edge, within(1e-9)));
        Shot middle = apply(shot, new TogetherEdits.Align(ALL, 0, Line.MIDDLE, Frame.FRAME));
        assertThat(ALL)
                .allSatisfy(id -> assertThat(seen(middle, id).centre().y()).isCloseTo(45, within(1e-9)));
    }

    @Test
    void middlesOrGapsBecomeEven() {
        Shot middles =
                apply(shot, new TogetherEdits.Distribute(ALL, 0, false, Optional.of(Line.CENTRE), Frame.EACH_OTHER));
        assertThat(seen(middles, "b").centre().x()).isCloseTo(85, within(1e-9));
        assertThat(seen(middles, "a")).isEqualTo(seen(shot, "a"));
        // From 20 to 155 there are 135 px, of which 20, 30 and 30 are filled.
        Shot gaps = apply(shot, new TogetherEdits.Distribute(ALL, 0, false, Optional.empty(), Frame.EACH_OTHER));
        assertThat(seen(gaps, "b").x0() - seen(gaps, "a").x1()).isCloseTo(27.5, within(1e-9));
        assertThat(seen(gaps, "c").x0() - seen(gaps, "b").x1()).isCloseTo(27.5, within(1e-9));
        Shot edges = apply(shot, new TogetherEdits.Distribute(ALL, 0, true, Optional.empty(), Frame.FRAME));
        assertThat(seen(edges, "a").y0()).isCloseTo(0, within(1e-9));
        assertThat(seen(edges, "c").y1()).isCloseTo(90, within(1e-9));
        assertThatThrownBy(() -> apply(
                        shot,
                        new TogetherEdits.Distribute(List.of("a", "b"), 0, false, Optional.empty(), Frame.EACH_OTHER)))
                .hasMessageContaining("at least 3");
    }

    @Test
    void oneNumberOfTwoIsSetAndTheOtherStays() {
        Shot after = apply(shot, new KeyEdits.SetPart("a", "place.position", 0, 1, 77, false));
        assertThat(after.layer("a").orElseThrow().place().position().rest()).isEqualTo(new Point(30, 77));
        assertThatThrownBy(() -> apply(shot, new KeyEdits.SetPart("a", "place.opacity", 0, 0, 1, false)))
                .hasMessageContaining("isn't two numbers");
    }
}
