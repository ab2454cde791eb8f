package aperta.core.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import aperta.core.shot.PathLength;
import aperta.core.shot.Stroke;
import java.awt.BasicStroke;
import java.awt.geom.Path2D;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Letters drawn along known lines with a round pen: the lines are found again. */
class StrokeFinderTest {
    private static final double WIDE = 16;

    /** Lines of a pen as SVG writes them, in the order and direction in which they are written. */
    enum Letter {
        STEM(1) {
            @Override
            void draw(Path2D p) {
                p.moveTo(50, 20);
                p.lineTo(50, 160);
            }
        },
        ARC(1) {
            @Override
            void draw(Path2D p) {
                p.moveTo(120, 50);
                p.curveTo(80, 0, 20, 40, 20, 90);
                p.curveTo(20, 140, 80, 180, 120, 130);
            }
        },
        CROSSING(2) {
            @Override
            void draw(Path2D p) {
                p.moveTo(20, 20);
                p.lineTo(120, 160);
                p.moveTo(120, 20);
                p.lineTo(20, 160);
            }
        },
        LOOP(1) {
            @Override
            void draw(Path2D p) {
                p.moveTo(10, 120);
                p.curveTo(60, 120, 140, 90, 130, 40);
                p.curveTo(120, -10, 60, 10, 60, 60);
                p.curveTo(60, 130, 120, 150, 180, 120);
            }
        },
        TEE(2) {
            @Override
            void draw(Path2D p) {
                p.moveTo(80, 20);
                p.lineTo(80, 160);
                p.moveTo(20, 60);
                p.lineTo(140, 60);
            }
        },
        WAVES(1) {
            @Override
            void draw(Path2D p) {
                p.moveTo(10, 40);
                p.curveTo(10, 140, 60, 140, 70, 90);
                p.curveTo(80, 40, 120, 40, 120, 90);
                p.curveTo(120, 150, 170, 150, 190, 60);
            }
        };

        final int strokes;

        Letter(int strokes) {
            this.strokes = strokes;
        }

        abstract void draw(Path2D p);

        Path2D line() {
            Path2D p = new Path2D.Double();
            draw(p);
            return p;
        }

        Outline outline() {
            return Outline.of(new BasicStroke((float) WIDE, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND)
                            .createStrokedShape(line()))
                    .merged();
        }
    }

    /** How far a point is from a line that was drawn. */
    private static double away(Path2D line, Point p) {
        double least = Double.POSITIVE_INFINITY;
        double[] c = new double[6];
        Point at = Point.ORIGIN;
        for (var it = line.getPathIterator(null, 0.01); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            Point next = new Point(c[0], c[1]);
            if (kind != java.awt.geom.PathIterator.SEG_MOVETO) {
                least = Math.min(least, new Curve(at, at, next, next).nearest(p).distance());
            }
            at = next;
        }
        return least;
    }

    @ParameterizedTest
    @EnumSource(Letter.class)
    void theLinesAreFoundAgain(Letter letter) {
        List<Stroke> found = StrokeFinder.of(List.of(letter.outline()));
        assertThat(found).hasSize(letter.strokes);
        Path2D line = letter.line();
        for (Stroke s : found) {
            PathLength length = new PathLength(s.line());
            double whole = length.length();
            for (double at = WIDE; at < whole - WIDE; at += 2) {
                Point p = length.piece(at, at + 0.5).path().knots().get(0).at();
                assertThat(away(line, p)).as("%s at %s", letter, at).isLessThan(1);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Letter.class)
    void theyHaveTheWidthOfThePen(Letter letter) {
        for (Stroke s : StrokeFinder.of(List.of(letter.outline()))) {
            for (BezierPath.Knot k : s.line().knots()) {
                // Where lines meet, more lies about the axis.
                assertThat(k.feather()).isBetween(WIDE - 2, WIDE * 1.6);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Letter.class)
    void theyGoDownAndToTheRight(Letter letter) {
        for (Stroke s : StrokeFinder.of(List.of(letter.outline()))) {
            Point from = s.line().knots().get(0).at();
            Point to = s.line().knots().get(s.line().knots().size() - 1).at();
            assertThat(to.x() - from.x() + 1.2 * (to.y() - from.y())).isPositive();
        }
    }

    @Test
    void barsComeAfterWhatTheyStandOn() {
        List<Stroke> tee = StrokeFinder.of(List.of(Letter.TEE.outline()));
        assertThat(tee.get(0).line().knots().get(0).at().x()).isCloseTo(80, within(2.0));
        assertThat(tee.get(1).line().knots().get(0).at().y()).isCloseTo(60, within(2.0));
    }

    /** An i beside an l: stem, dot, stem. */
    @Test
    void dotsComeAfterTheirStem() {
        Outline i = Outline.of(new Box(20, 60, 40, 160))
                .and(Outline.of(BezierPath.ellipse(new Box(18, 20, 42, 44))))
                .and(Outline.of(new Box(70, 10, 90, 160)));
        List<Stroke> found = StrokeFinder.of(List.of(i));
        assertThat(found).hasSize(3);
        assertThat(found.get(0).line().knots().get(0).at().y()).isCloseTo(60, within(3.0));
        assertThat(found.get(1).line().knots().get(0).at().y()).isCloseTo(20, within(4.0));
        assertThat(found.get(2).line().knots().get(0).at().x()).isCloseTo(80, within(3.0));
        assertThat(found.stream().map(Stroke::begins))
                .containsExactly(Stroke.Begins.WORD, Stroke.Begins.LETTER, Stroke.Begins.LETTER);
    }

    @Test
    void aRingBeginsAtItsTopAndGoesLeftFirst() {
        Outline ring = Outline.of(
                        new BasicStroke(14).createStrokedShape(new java.awt.geom.Ellipse2D.Double(20, 20, 100, 120)))
                .merged();
        List<Stroke> found = StrokeFinder.of(List.of(ring));
        assertThat(found).hasSize(1);
        PathLength length = new PathLength(found.get(0).line());
        Point start = found.get(0).line().knots().get(0).at();
        Point soon = length.piece(20, 21).path().knots().get(0).at();
        assertThat(start.y()).isLessThan(30);
        assertThat(soon.x()).isLessThan(start.x());
        // The perimeter of an ellipse by Ramanujan's second approximation (1914).
        double h = Math.pow(10.0 / 110, 2);
        double around = Math.PI * 110 * (1 + 3 * h / (10 + Math.sqrt(4 - 3 * h)));
        assertThat(length.length()).isCloseTo(around, within(0.02 * around));
    }

    @Test
    void cornersOfEndsAreNoStrokes() {
        List<Stroke> found = StrokeFinder.of(List.of(Outline.of(new Box(0, 0, 30, 200))));
        assertThat(found).hasSize(1);
        BezierPath path = found.get(0).line();
        assertThat(path.knots().get(0).at().minus(new Point(15, 0)).length()).isLessThan(1.5);
        assertThat(path.knots()
                        .get(path.knots().size() - 1)
                        .at()
                        .minus(new Point(15, 200))
                        .length())
                .isLessThan(1.5);
    }

    @Test
    void nothingHasNoStrokes() {
        assertThat(StrokeFinder.of(List.of(Outline.NOTHING))).isEmpty();
        assertThat(StrokeFinder.of(List.of())).isEmpty();
    }
}
