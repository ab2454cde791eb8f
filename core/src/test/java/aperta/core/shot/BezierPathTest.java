package aperta.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import java.awt.geom.CubicCurve2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BezierPathTest {
    private static final BezierPath CIRCLE = BezierPath.ellipse(new Box(-50, -50, 50, 50));

    private static List<Point> points(BezierPath path) {
        List<Point> all = new ArrayList<>();
        for (int i = 0; i < path.segments(); i++) {
            for (int k = 0; k < 20; k++) {
                all.add(path.curve(i).at(k / 20.0));
            }
        }
        return all;
    }

    private static double off(BezierPath path, Point p) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < path.segments(); i++) {
            least = Math.min(least, path.curve(i).nearest(p).distance());
        }
        return least;
    }

    private static void sameShape(BezierPath a, BezierPath b) {
        points(a).forEach(p -> assertThat(off(b, p)).isLessThan(1e-3));
        points(b).forEach(p -> assertThat(off(a, p)).isLessThan(1e-3));
    }

    /** Of a rectangle w·h; of the ellipse's four cubics within 0.03 % of πab; less what runs the other way. */
    @Test
    void theAreaIsSigned() {
        BezierPath box = BezierPath.rectangle(new Box(3, 4, 13, 24));
        assertThat(box.area()).isCloseTo(200, within(1e-9));
        assertThat(box.reversed().area()).isCloseTo(-200, within(1e-9));
        assertThat(new BezierPath(box.knots(), false).area()).isCloseTo(200, within(1e-9));
        assertThat(CIRCLE.area()).isCloseTo(Math.PI * 2500, within(Math.PI * 2500 * 0.0003));
        assertThat(CIRCLE.translated(new Point(900, -700)).area()).isCloseTo(CIRCLE.area(), within(1e-6));
        assertThat(CIRCLE.split(1, 0.3).area()).isCloseTo(CIRCLE.area(), within(1e-9));
    }

    @Test
    void aSplitPathKeepsItsShape() {
        Random random = new Random(3);
        BezierPath path = CIRCLE;
        for (int n = 0; n < 12; n++) {
            path = path.split(random.nextInt(path.segments()), random.nextDouble());
        }
        assertThat(path.knots()).hasSize(16);
        sameShape(path, CIRCLE);
        BezierPath square = BezierPath.rectangle(new Box(0, 0, 10, 10)).split(3, 0.25);
        assertThat(square.knots().get(4)).isEqualTo(BezierPath.Knot.corner(0, 7.5));
    }

    /** Halves of a curve as java.awt.geom divides it. */
    @Test
    void partsOfCurvesAreThoseOfDeCasteljau() {
        Curve c = new Curve(new Point(0, 0), new Point(10, 30), new Point(40, -20), new Point(50, 5));
        CubicCurve2D left = new CubicCurve2D.Double();
        CubicCurve2D right = new CubicCurve2D.Double();
        new CubicCurve2D.Double(0, 0, 10, 30, 40, -20, 50, 5).subdivide(left, right);
        assertThat(c.upTo(0.5).p1()).isEqualTo(new Point(left.getCtrlX1(), left.getCtrlY1()));
        assertThat(c.upTo(0.5).p3()).isEqualTo(new Point(left.getX2(), left.getY2()));
        assertThat(c.from(0.5).p2()).isEqualTo(new Point(right.getCtrlX2(), right.getCtrlY2()));
    }

    @Test
    void aCurveBentAtAPlaceRunsThroughTheOther() {
        BezierPath square = BezierPath.rectangle(new Box(0, 0, 90, 90));
        for (double t : new double[] {0.2, 0.5, 0.8}) {
            BezierPath bent = square.bent(0, t, new Point(40, -25));
            assertThat(off(bent, new Point(40, -25))).isLessThan(1e-3);
            assertThat(bent.knots())
                    .extracting(BezierPath.Knot::at)
                    .isEqualTo(square.knots().stream().map(BezierPath.Knot::at).toList());
        }
    }

    @Test
    void cornersBecomeSmoothAndCornersAgain() {
        BezierPath square = BezierPath.rectangle(new Box(0, 0, 90, 90));
        BezierPath.Knot smooth = square.smooth(List.of(1)).knots().get(1);
        assertThat(smooth.in().x() * smooth.out().y()
                        - smooth.in().y() * smooth.out().x())
                .isCloseTo(0, within(1e-9));
        assertThat(smooth.out().length()).isCloseTo(30, within(1e-9));
        assertThat(square.smooth(List.of(1)).mapped(List.of(1), BezierPath.Knot::cornered))
                .isEqualTo(square);
    }

    @Test
    void pathsAreBrokenJoinedAndTurnedRound() {
        BezierPath open = CIRCLE.broken(2);
        assertThat(open.closed()).isFalse();
        assertThat(open.segments()).isEqualTo(4);
        sameShape(open, CIRCLE);
        assertThat(open.joined().knots()).hasSize(4);
        sameShape(open.joined(), CIRCLE);
        assertThat(CIRCLE.reversed().reversed()).isEqualTo(CIRCLE);
        sameShape(CIRCLE.reversed(), CIRCLE);
        assertThat(CIRCLE.from(1).knots().get(0)).isEqualTo(CIRCLE.knots().get(1));
        assertThatThrownBy(() -> CIRCLE.without(List.of(0, 1, 2))).hasMessageContaining("at least two points");
    }

    /** A path with a point more is the same shape: on the way between both nothing moves. */
    @Test
    void aPointMoreChangesNothingOnTheWay() {
        BezierPath more = CIRCLE.split(1, 0.3).split(3, 0.6);
        for (double t : new double[] {0, 0.25, 0.5, 0.9, 1}) {
            sameShape(BezierPath.MIX.mix(CIRCLE, more, t), CIRCLE);
            sameShape(BezierPath.MIX.mix(more, CIRCLE, t), CIRCLE);
        }
    }

    /** Points keep their nearest partners: a square of which one side grows a tip moves nowhere else. */
    @Test
    void pointsThatAreThereInBothKeepTheirPlaces() {
        BezierPath square = BezierPath.rectangle(new Box(0, 0, 90, 90));
        List<BezierPath.Knot> tipped = new ArrayList<>(square.knots());
        tipped.add(3, BezierPath.Knot.corner(45, 150));
        BezierPath house = new BezierPath(tipped);
        for (double t : new double[] {0.1, 0.5, 0.8}) {
            BezierPath between = BezierPath.MIX.mix(square, house, t);
            assertThat(between.knots())
                    .extracting(BezierPath.Knot::at)
                    .contains(new Point(0, 0), new Point(90, 0), new Point(90, 90), new Point(0, 90));
            Point tip = between.knots().get(3).at();
            assertThat(tip.x()).isCloseTo(45, within(1.0));
            assertThat(tip.y()).isCloseTo(90 + 60 * t, within(1e-6));
        }
    }

    @Test
    void changesBetweenManyAndFewPointsBeginAndEndWithThePathsThemselves() {
        Random random = new Random(8);
        for (int n = 0; n < 30; n++) {
            BezierPath a = Figures.star(new Box(0, 0, 200, 150), 3 + random.nextInt(9), 0.4, 0.3, 0);
            BezierPath b = Figures.polygon(new Box(20, 30, 240, 190), 3 + random.nextInt(30), random.nextDouble());
            sameShape(BezierPath.MIX.mix(a, b, 1e-9), a);
            sameShape(BezierPath.MIX.mix(a, b, 1 - 1e-9), b);
            assertThat(BezierPath.MIX.mix(a, b, 1)).isEqualTo(b);
        }
    }

    @Test
    void figuresAreInTheirBoxes() {
        Box box = new Box(10, 20, 110, 80);
        // At full roundness the corners of a polygon have the handles of the ellipse; r within 0.03 % for four of them.
        points(Figures.polygon(box, 4, 1)).forEach(p -> {
            double r = Math.hypot((p.x() - 60) / 50, (p.y() - 50) / 30);
            assertThat(r).isCloseTo(1, within(4e-4));
        });
        assertThat(Figures.star(box, 5, 0.4, 0, 0).knots()).hasSize(10);
        assertThat(Figures.star(box, 5, 0.4, 0, 0).knots().get(0).at()).isEqualTo(new Point(60, 20));
        BezierPath rounded = Figures.rounded(box, 12);
        assertThat(rounded.knots()).hasSize(8);
        for (Point p : points(rounded)) {
            assertThat(box.grown(1e-9).contains(p)).isTrue();
            boolean corner = Math.abs(p.x() - 60) > 38 && Math.abs(p.y() - 50) > 18;
            double r = Math.hypot(Math.abs(p.x() - 60) - 38, Math.abs(p.y() - 50) - 18);
            assertThat(!corner || Math.abs(r - 12) < 0.01).as("%s", p).isTrue();
        }
        assertThat(Figures.rounded(box, 0)).isEqualTo(BezierPath.rectangle(box));
        assertThatThrownBy(() -> Figures.polygon(box, 2, 0)).hasMessageContaining("3 to 1000");
    }

    @Test
    void mapsLeaveTheFeatherInPixelsOfThePath() {
        BezierPath feathered = CIRCLE.with(0, CIRCLE.knots().get(0).withFeather(9));
        assertThat(feathered.hasFeather()).isTrue();
        assertThat(feathered.transformed(Affine.scale(2, 2)).knots().get(0).feather())
                .isEqualTo(9);
        assertThat(feathered.split(0, 0.5).knots().get(1).feather()).isEqualTo(4.5);
    }
}
