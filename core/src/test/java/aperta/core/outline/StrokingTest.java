package aperta.core.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Curve;
import aperta.core.shot.Figures;
import aperta.core.shot.PathLength;
import aperta.core.time.Animated;
import java.awt.BasicStroke;
import java.awt.geom.Ellipse2D;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class StrokingTest {
    private static final Region RASTER = new Region(-300, -200, 600, 400);
    private static final BezierPath BOX = BezierPath.rectangle(Box.centred(400, 200));

    private static Coat.Stroke pen(double width, Object... measures) {
        Coat.Stroke s = Coat.Stroke.of("s", Colour.WHITE, width);
        for (int i = 0; i < measures.length; i += 2) {
            s = s.with((Measure) measures[i], Animated.of(((Number) measures[i + 1]).doubleValue()));
        }
        return s;
    }

    private static Matte covered(Outline outline) {
        return Coverage.of(outline, RASTER, Bands.IN_TURN);
    }

    private static double area(Outline outline) {
        Matte m = covered(outline);
        double sum = 0;
        for (int y = RASTER.y(); y < RASTER.bottom(); y++) {
            for (int x = RASTER.x(); x < RASTER.right(); x++) {
                sum += m.at(x, y);
            }
        }
        return sum;
    }

    private static BezierPath line(double... xy) {
        return new BezierPath(
                List.of(BezierPath.Knot.corner(xy[0], xy[1]), BezierPath.Knot.corner(xy[2], xy[3])), false);
    }

    /** Simpson's rule over ten thousand steps, on differences of points: another way to the same length. */
    @Test
    void lengthsAgreeWithAFinerQuadrature() {
        for (BezierPath path : List.of(
                BezierPath.ellipse(Box.centred(300, 90)), Figures.star(Box.centred(300, 200), 5, 0.4, 0.7, 0.2))) {
            double sum = 0;
            for (int i = 0; i < path.segments(); i++) {
                Curve c = path.curve(i);
                Point before = c.at(0);
                for (int k = 1; k <= 10_000; k++) {
                    Point next = c.at(k / 10_000.0);
                    sum += next.minus(before).length();
                    before = next;
                }
            }
            assertThat(new PathLength(path).length()).isCloseTo(sum, within(1e-3));
        }
    }

    /** J9: each frame draws as much as the one before it. The band of a straight line is its length times its width. */
    @Test
    void aBorderGrowsEvenly() {
        double before = 0;
        for (int frame = 1; frame <= 24; frame++) {
            double now = area(Stroking.of(List.of(new PathLength(BOX)), pen(6, Measure.END, frame / 50.0)));
            // A corner takes nothing: the mitre adds what the two lines share.
            assertThat(now - before).isCloseTo(1200.0 / 50 * 6, within(0.5));
            before = now;
        }
        assertThat(area(Stroking.of(List.of(new PathLength(BOX)), pen(6))))
                .isCloseTo(406 * 206 - 394 * 194, within(0.01));
    }

    @Test
    void aPartGoesRoundTheStartOfAClosedPathInOnePiece() {
        PathLength measured = new PathLength(BOX);
        List<PathLength.Piece> pieces = measured.between(0.9, 1, 0.05);
        assertThat(pieces).hasSize(1);
        assertThat(new PathLength(pieces.get(0).path()).length()).isCloseTo(120, within(1e-6));
        pieces = measured.between(0, 0.5, 0.75);
        assertThat(pieces).hasSize(1);
        assertThat(pieces.get(0).path().knots()).extracting(BezierPath.Knot::at).contains(new Point(-200, -100));
        assertThat(new PathLength(line(0, 0, 100, 0)).between(0, 0.5, 0.75))
                .extracting(p -> new PathLength(p.path()).length())
                .satisfies(l -> {
                    assertThat(l.get(0)).isCloseTo(25, within(1e-6));
                    assertThat(l.get(1)).isCloseTo(25, within(1e-6));
                });
        assertThat(measured.between(0.5, 0.5, 0)).isEmpty();
        assertThat(measured.between(0.5, 0.2, 0)).isEmpty();
    }

    /** A part of a curve lies on the curve, and is as long as was asked for. */
    @ParameterizedTest
    @CsvSource({"0.1, 0.3, 0", "0.4, 0.95, 0", "0.2, 0.6, 0.7", "0, 0.999, 0.123"})
    void aPartHasTheLengthThatWasAskedFor(double start, double end, double offset) {
        BezierPath star = Figures.star(Box.centred(300, 200), 5, 0.4, 0.9, 0.3);
        PathLength whole = new PathLength(star);
        BezierPath part = whole.between(start, end, offset).get(0).path();
        assertThat(new PathLength(part).length()).isCloseTo((end - start) * whole.length(), within(1e-3));
        for (BezierPath.Knot k : part.knots()) {
            double nearest = Double.POSITIVE_INFINITY;
            for (int i = 0; i < star.segments(); i++) {
                nearest = Math.min(nearest, star.curve(i).nearest(k.at()).distance());
            }
            assertThat(nearest).isLessThan(1e-6);
        }
    }

    /** Against java.awt's stroker, which knows nothing of our parts. */
    @ParameterizedTest
    @EnumSource(Coat.Cap.class)
    void capsAndDashesAreThoseOfBasicStroke(Coat.Cap cap) {
        Coat.Stroke dashed = pen(10, Measure.DASH_OFFSET, 7)
                .withDash(List.of(24.0, 9.0, 3.0))
                .withEnds(cap, Coat.Corner.ROUND);
        BasicStroke theirs =
                new BasicStroke(10, cap.ordinal(), BasicStroke.JOIN_ROUND, 4, new float[] {24, 9, 3, 24, 9, 3}, 7);
        Ellipse2D ellipse = new Ellipse2D.Double(-150, -80, 300, 160);
        BezierPath ours = Outline.of(ellipse).paths().get(0);
        assertThat(area(Stroking.of(List.of(new PathLength(ours)), dashed)))
                .isCloseTo(area(Outline.of(theirs.createStrokedShape(ellipse))), within(2.0));
    }

    /** The dashes of a half-drawn border are dashes of the whole one. */
    @Test
    void dashesStandStillWhileTheStartMoves() {
        Coat.Stroke dashed = pen(8).withDash(List.of(30.0, 20.0));
        Matte whole = covered(Stroking.of(List.of(new PathLength(BOX)), dashed));
        Matte part = covered(Stroking.of(List.of(new PathLength(BOX)), dashed.with(Measure.START, Animated.of(0.37))));
        double more = 0;
        for (int y = RASTER.y(); y < RASTER.bottom(); y++) {
            for (int x = RASTER.x(); x < RASTER.right(); x++) {
                more = Math.max(more, part.at(x, y) - whole.at(x, y));
            }
        }
        assertThat(more).isLessThan(1 / 255f);
    }

    @Test
    void aMitreBeyondItsLimitIsABevel() {
        BezierPath sharp = new BezierPath(
                List.of(
                        BezierPath.Knot.corner(-100, 0),
                        BezierPath.Knot.corner(100, 10),
                        BezierPath.Knot.corner(-100, 20)),
                false);
        // The angle is 5.7°, the mitre 1/sin(2.86°) = 20.0 widths long (SVG 2, stroke-miterlimit).
        assertThat(Stroking.of(List.of(new PathLength(sharp)), pen(4, Measure.MITRE_LIMIT, 21))
                        .bounds()
                        .x1())
                .isCloseTo(140, within(1.0));
        assertThat(Stroking.of(List.of(new PathLength(sharp)), pen(4, Measure.MITRE_LIMIT, 19))
                        .bounds()
                        .x1())
                .isLessThan(103);
    }

    @Test
    void aTaperedLineIsAWedge() {
        BezierPath line = line(-100, 0, 100, 0);
        assertThat(area(Stroking.of(List.of(new PathLength(line)), pen(20, Measure.TAPER_START, 1))))
                .isCloseTo(200 * 20 / 2.0, within(1.0));
        assertThat(area(Stroking.of(
                        List.of(new PathLength(line)), pen(20, Measure.TAPER_START, 0.25, Measure.TAPER_END, 0.25))))
                .isCloseTo(200 * 20 * 0.75, within(1.0));
        // Pieces that overlap don't cancel: a ring that grows from nothing to 20 wide has the mean width of 10.
        BezierPath circle = BezierPath.ellipse(Box.centred(200, 200));
        assertThat(area(Stroking.of(List.of(new PathLength(circle)), pen(20, Measure.TAPER_START, 1))))
                .isCloseTo(2 * Math.PI * 100 * 10, within(40.0));
        double dashed = area(Stroking.of(
                List.of(new PathLength(line)), pen(20, Measure.TAPER_END, 1).withDash(List.of(50.0))));
        assertThat(dashed).isCloseTo(50 * 17.5 + 50 * 7.5, within(1.0));
    }

    @Test
    void nothingIsDrawnOfNothing() {
        assertThat(Stroking.of(List.of(new PathLength(BOX)), pen(0)).isEmpty()).isTrue();
        assertThat(Stroking.of(List.of(new PathLength(BOX)), pen(5, Measure.END, 0))
                        .isEmpty())
                .isTrue();
        assertThatThrownBy(() -> pen(1).withDash(List.of(0.0, 0.0))).hasMessageContaining("not all of them 0");
    }
}
