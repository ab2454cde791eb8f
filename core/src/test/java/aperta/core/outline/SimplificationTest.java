package aperta.core.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Contour.Piece;
import aperta.core.shot.BezierPath;
import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SimplificationTest {
    /** Pieces through points, which are x, y and width in turn. */
    private static List<Piece> through(double... numbers) {
        List<Piece> all = new ArrayList<>();
        for (int i = 3; i < numbers.length; i += 3) {
            Point from = new Point(numbers[i - 3], numbers[i - 2]);
            all.add(new Piece(from, new Point(numbers[i], numbers[i + 1]), numbers[i - 1], numbers[i + 2]));
        }
        return all;
    }

    @Test
    void stepsOnOneLineAreOnePiece() {
        List<Piece> line = through(0, 0, 3, 1, 2, 4, 3, 6, 6, 4, 8, 7);
        assertThat(Simplification.of(line)).containsExactly(new Piece(new Point(0, 0), new Point(4, 8), 3, 7));
        assertThat(Simplification.of(List.of())).isEmpty();
    }

    @Test
    void cornersAndEndsStay() {
        List<Piece> corner = through(0, 0, 0, 5, 0, 0, 10, 0, 0, 10, 5, 0, 10, 10, 0);
        assertThat(Simplification.of(corner))
                .extracting(Piece::to)
                .containsExactly(new Point(10, 0), new Point(10, 10));
        List<Piece> back = through(0, 0, 0, 10, 0, 0, 4, 0, 0);
        assertThat(Simplification.of(back)).as("a step back on the same line").isEqualTo(back);
        List<Piece> apart = new ArrayList<>(through(0, 0, 0, 1, 0, 0));
        apart.addAll(through(2, 0, 0, 3, 0, 0));
        assertThat(Simplification.of(apart)).as("what doesn't go on").isEqualTo(apart);
    }

    /** Beside a line, where it is sharp, only as far as a pixel's share doesn't change by half a step of 255. */
    @Test
    void whatIsSoftMayBeStraighter() {
        assertThat(Simplification.of(through(0, 0, 0, 5, 0.002, 0, 10, 0, 0))).hasSize(2);
        assertThat(Simplification.of(through(0, 0, 40, 5, 0.002, 40, 10, 0, 40)))
                .hasSize(1);
        assertThat(Simplification.of(through(0, 0, 40, 5, 0.2, 40, 10, 0, 40))).hasSize(2);
    }

    @Test
    void widthsThatDontRunEvenlyStay() {
        assertThat(Simplification.of(through(0, 0, 10, 5, 0, 12, 10, 0, 10))).hasSize(2);
        assertThat(Simplification.of(through(0, 0, 10, 5, 0, 12, 10, 0, 14))).hasSize(1);
    }

    /** Every end that is left out lies near to the piece in its place, and so does its width. */
    @Test
    void nothingLiesFartherOffThanItMay() {
        Random random = new Random(3);
        for (int n = 0; n < 60; n++) {
            int points = 200 + random.nextInt(3000);
            int waves = 1 + random.nextInt(40);
            double height = random.nextDouble() * 0.2;
            double soft = random.nextInt(3) == 0 ? 0 : 60 * random.nextDouble();
            double phase = random.nextDouble() * 6;
            List<BezierPath.Knot> knots = new ArrayList<>();
            for (int i = 0; i < points; i++) {
                double a = 2 * Math.PI * i / points;
                double r = 150 * (1 + height * Math.sin(waves * a + phase));
                knots.add(BezierPath.Knot.corner(r * Math.cos(a), r * Math.sin(a))
                        .withFeather(soft * (1 + Math.sin(3 * a + phase))));
            }
            Contour contour = Contour.of(new BezierPath(knots), Affine.IDENTITY);
            List<Piece> kept = contour.pieces();
            assertThat(kept).hasSizeLessThanOrEqualTo(points);
            int at = 0;
            for (Piece p : kept) {
                assertThat(knots.get(at).at())
                        .as("pieces go on from one another")
                        .isEqualTo(p.from());
                at = checked(knots, at, p);
            }
            assertThat(at).as("all points have been met").isEqualTo(points);
        }
    }

    /** The number of the knot in which a piece that begins in another ends. */
    private static int checked(List<BezierPath.Knot> knots, int from, Piece p) {
        int at = from + 1;
        while (!knots.get(at % knots.size()).at().equals(p.to())) {
            BezierPath.Knot k = knots.get(at);
            double width = Math.max(Simplification.SHARP, Math.min(p.fromWidth(), k.feather()));
            double off = Line2D.ptSegDist(p.from().x(), p.from().y(), p.to().x(), p.to().y(), k.at().x(), k.at().y());
            assertThat(off).isLessThanOrEqualTo(Simplification.OFF * width + 1e-9);
            Point line = p.to().minus(p.from());
            Point to = k.at().minus(p.from());
            double t = (to.x() * line.x() + to.y() * line.y()) / (line.length() * line.length());
            double straight = p.fromWidth() + t * (p.toWidth() - p.fromWidth());
            // Places are counted along the first step, the line turns from it a little.
            assertThat(k.feather()).isCloseTo(straight, within(1.05 * Simplification.WIDTH_OFF * width));
            at++;
        }
        return at;
    }
}
