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
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Paths are changed where the pointer is, on a layer that is turned, mirrored and stretched. */
class PathEditsTest {
    private static final String PATH = "mask.m.path";
    private static final Edit.Extents EXTENTS = new Studio().planner;
    private final Layer a = box("a", 80, 45, 60, 40, Colour.WHITE)
            .withPlace(Place.at(new Point(80, 45))
                    .withScale(Animated.of(new Point(-2, 0.5)))
                    .withRotation(Animated.of(33.0)));
    private final Shot drawn = apply(
            shot(a),
            new MaskEdits.Add("a", "m", 0, Figure.RECTANGLE, new Point(60, 30), new Point(100, 60), 5, 0.5, 0, 0));

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, EXTENTS));
    }

    private static Mask mask(Shot shot) {
        return shot.layer("a").orElseThrow().masks().get(0);
    }

    /** The mask's points as they are seen. */
    private static List<Point> seen(Shot shot, long frame) {
        Moment.Seen seen = new Moment(shot, frame).of("a");
        BezierPath path = mask(shot).path().at(seen.frame(), BezierPath.MIX);
        boolean inFrame = mask(shot).lock() == Mask.Lock.FRAME;
        return path.knots().stream()
                .map(k -> inFrame ? k.at() : seen.toShot().apply(k.at()))
                .toList();
    }

    private static void at(List<Point> points, double... xy) {
        assertThat(points).hasSize(xy.length / 2);
        for (int i = 0; i < points.size(); i++) {
            assertThat(points.get(i).x()).isCloseTo(xy[2 * i], within(1e-6));
            assertThat(points.get(i).y()).isCloseTo(xy[2 * i + 1], within(1e-6));
        }
    }

    @Test
    void pointsAreMovedScaledAndTurnedAsSeen() {
        at(seen(drawn, 0), 60, 30, 100, 30, 100, 60, 60, 60);
        at(
                seen(apply(drawn, new PathEdits.MovePoints("a", PATH, 0, List.of(1, 2), new Point(5, -4))), 0),
                60,
                30,
                105,
                26,
                105,
                56,
                60,
                60);
        Point pivot = new Point(60, 30);
        at(
                seen(
                        apply(
                                drawn,
                                new PathEdits.ScalePoints(
                                        "a", PATH, 0, List.of(), pivot, new Point(100, 60), new Point(120, 45), false)),
                        0),
                60,
                30,
                120,
                30,
                120,
                45,
                60,
                45);
        at(
                seen(
                        apply(
                                drawn,
                                new PathEdits.TurnPoints(
                                        "a", PATH, 0, List.of(), pivot, new Point(100, 31), new Point(62, 80), true)),
                        0),
                60,
                30,
                60,
                70,
                30,
                70,
                30,
                30);
    }

    @Test
    void aPointIsAddedWhereThePathIsTouched() {
        Shot more = apply(drawn, new PathEdits.AddPoint("a", PATH, 0, new Point(90, 33), false));
        at(seen(more, 0), 60, 30, 90, 30, 100, 30, 100, 60, 60, 60);
        Shot less = apply(more, new PathEdits.RemovePoints("a", PATH, 0, List.of(0), false));
        at(seen(less, 0), 90, 30, 100, 30, 100, 60, 60, 60);
        assertThatThrownBy(() -> apply(drawn, new PathEdits.RemovePoints("a", PATH, 0, List.of(7), false)))
                .hasMessage("The path has no point 8 on this frame.");
        assertThatThrownBy(() -> apply(drawn, new PathEdits.RemovePoints("a", PATH, 0, List.of(0, 1, 2), false)))
                .hasMessageContaining("keeps at least two points");
    }

    /** On all keys, so that points keep their partners; or on one frame only. */
    @Test
    void pointsAreAddedToAllKeysOrToOne() {
        Shot keyed = apply(drawn, new KeyEdits.AddKey("a", PATH, 0));
        Shot moved = apply(keyed, new PathEdits.MovePoints("a", PATH, 10, List.of(), new Point(20, 0)));
        Shot everywhere = apply(moved, new PathEdits.AddPoint("a", PATH, 0, new Point(80, 30), false));
        at(seen(everywhere, 0), 60, 30, 80, 30, 100, 30, 100, 60, 60, 60);
        at(seen(everywhere, 10), 80, 30, 100, 30, 120, 30, 120, 60, 80, 60);
        Shot here = apply(moved, new PathEdits.AddPoint("a", PATH, 10, new Point(100, 30), true));
        at(seen(here, 0), 60, 30, 100, 30, 100, 60, 60, 60);
        at(seen(here, 10), 80, 30, 100, 30, 120, 30, 120, 60, 80, 60);
        assertThat(seen(here, 5)).hasSize(5);
        Shot between = apply(here, new PathEdits.RemovePoints("a", PATH, 5, List.of(1), false));
        assertThat(seen(between, 5)).hasSize(4);
    }

    @Test
    void handlesKeepInLineWhereAskedTo() {
        Shot smooth = apply(drawn, new PathEdits.SetSmooth("a", PATH, 0, List.of(1), true));
        BezierPath.Knot before = mask(smooth).path().rest().knots().get(1);
        assertThat(before.isCorner()).isFalse();
        Shot both =
                apply(smooth, new PathEdits.MovePoint("a", PATH, 0, 1, PathEdits.Part.OUT, new Point(110, 50), true));
        BezierPath.Knot k = mask(both).path().rest().knots().get(1);
        assertThat(k.in().x() * k.out().y() - k.in().y() * k.out().x()).isCloseTo(0, within(1e-9));
        assertThat(k.in().length()).isCloseTo(before.in().length(), within(1e-9));
        Shot one =
                apply(smooth, new PathEdits.MovePoint("a", PATH, 0, 1, PathEdits.Part.OUT, new Point(110, 50), false));
        assertThat(mask(one).path().rest().knots().get(1).in()).isEqualTo(before.in());
        Shot corner = apply(smooth, new PathEdits.SetSmooth("a", PATH, 0, List.of(), false));
        assertThat(mask(corner).path().rest().knots()).allMatch(BezierPath.Knot::isCorner);
    }

    @Test
    void aSideIsBentByItsMiddle() {
        Shot bent = apply(drawn, new PathEdits.Bend("a", PATH, 0, new Point(80, 30), new Point(80, 14)));
        BezierPath path = mask(bent).path().rest();
        Point middle = new Moment(bent, 0).of("a").toShot().apply(path.curve(0).at(0.5));
        assertThat(middle.minus(new Point(80, 14)).length()).isLessThan(0.1);
        at(seen(bent, 0), 60, 30, 100, 30, 100, 60, 60, 60);
    }

    @Test
    void feathersAndBeginningsAreSetAtPoints() {
        Shot soft = apply(drawn, new PathEdits.FeatherPoints("a", PATH, 0, List.of(2), 24));
        assertThat(mask(soft).path().rest().knots())
                .extracting(BezierPath.Knot::feather)
                .containsExactly(0.0, 0.0, 24.0, 0.0);
        Shot turned = apply(soft, new PathEdits.StartAt("a", PATH, 0, 2));
        at(seen(turned, 0), 100, 60, 60, 60, 60, 30, 100, 30);
        assertThatThrownBy(() -> apply(drawn, new PathEdits.FeatherPoints("a", PATH, 0, List.of(), -1)))
                .hasMessageContaining("0 to 4000");
        assertThatThrownBy(() -> apply(drawn, new PathEdits.MovePoints("a", "place.scale", 0, List.of(), Point.ORIGIN)))
                .hasMessage("'Scale' of 'a' is not a path.");
    }

    /** Drawn point by point, and locked to the frame it stays while its layer moves away. */
    @Test
    void aDrawnMaskIsLockedToTheFrame() {
        BezierPath pen = new BezierPath(
                List.of(BezierPath.Knot.corner(10, 10), BezierPath.Knot.corner(50, 12), BezierPath.Knot.corner(30, 40)),
                false);
        Shot pend = apply(shot(a), new MaskEdits.Draw("a", "m", 0, pen));
        at(seen(pend, 0), 10, 10, 50, 12, 30, 40);
        assertThat(mask(pend).path().rest().closed()).isTrue();
        Shot locked = apply(pend, new MaskEdits.SetLock("a", "m", 0, Mask.Lock.FRAME));
        at(seen(locked, 0), 10, 10, 50, 12, 30, 40);
        Shot moved = apply(locked, new PlaceEdits.Move("a", 0, new Point(9, 9), false, PlaceEdits.Stance.REST));
        at(seen(moved, 0), 10, 10, 50, 12, 30, 40);
        Shot dragged = apply(moved, new PathEdits.MovePoints("a", PATH, 0, List.of(0), new Point(1, 2)));
        at(seen(dragged, 0), 11, 12, 50, 12, 30, 40);
        Shot free = apply(dragged, new MaskEdits.SetLock("a", "m", 0, Mask.Lock.LAYER));
        at(seen(free, 0), 11, 12, 50, 12, 30, 40);
        assertThatThrownBy(() -> apply(free, new MaskEdits.SetLock("a", "z", 0, Mask.Lock.FRAME)))
                .hasMessage("'a' has no mask 'z'.");
    }
}
