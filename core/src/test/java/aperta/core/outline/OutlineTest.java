package aperta.core.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import java.util.List;
import org.junit.jupiter.api.Test;

class OutlineTest {
    private static double area(Outline outline) {
        Region region = Region.around(outline.bounds());
        Matte m = Coverage.of(outline, region, Bands.IN_TURN);
        double sum = 0;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++) {
                sum += m.at(x, y);
            }
        }
        return sum;
    }

    @Test
    void cornersGiveStraightLinesAndHandlesCurves() {
        Outline square = Outline.of(BezierPath.rectangle(new Box(0, 0, 10, 10)));
        assertThat(area(square)).isCloseTo(100, within(1e-6));
        Outline circle = Outline.of(BezierPath.ellipse(new Box(0, 0, 100, 100)));
        assertThat(area(circle)).isCloseTo(Math.PI * 2500, within(6.0));
        assertThat(circle.contains(new Point(50, 1))).isTrue();
        assertThat(circle.contains(new Point(5, 5))).isFalse();
    }

    /** A pen of width w along a circle of radius r leaves a ring of area 2πrw. */
    @Test
    void aStrokeLeavesABandOfItsWidth() {
        Outline circle = Outline.of(BezierPath.ellipse(new Box(20, 20, 180, 180)));
        for (double width : new double[] {2, 9.5, 30}) {
            assertThat(area(circle.stroked(width)))
                    .isCloseTo(2 * Math.PI * 80 * width, within(2 * Math.PI * 80 * width * 3e-3));
        }
    }

    /** A pen wider than the circle that it follows leaves a full disc, whose radius is that of both. */
    @Test
    void aPenWiderThanItsCurveLeavesNoHole() {
        for (double radius : new double[] {4, 4.9, 2, 0.5}) {
            Outline circle = Outline.of(BezierPath.ellipse(Box.centred(2 * radius, 2 * radius)))
                    .transformed(Affine.translation(30, 30));
            Outline band = circle.stroked(10);
            Matte m = Coverage.of(band, new Region(0, 0, 60, 60), Bands.IN_TURN);
            assertThat(m.at(29, 29)).as("the middle").isEqualTo(1);
            assertThat(area(band)).isCloseTo(Math.PI * Math.pow(radius + 5, 2), within(0.4));
        }
    }

    /** A long ellipse has tight ends and wide sides; the band is all within half a pen of it (measured by JTS). */
    @Test
    void aBandIsAllThatLiesWithinHalfAPen() {
        BezierPath path = BezierPath.ellipse(new Box(12, 20, 52, 27));
        org.locationtech.jts.geom.Coordinate[] ring = new org.locationtech.jts.geom.Coordinate[4 * 400 + 1];
        for (int i = 0; i < 4; i++) {
            for (int k = 0; k < 400; k++) {
                Point p = path.curve(i).at(k / 400.0);
                ring[i * 400 + k] = new org.locationtech.jts.geom.Coordinate(p.x(), p.y());
            }
        }
        ring[1600] = ring[0];
        var lines = new org.locationtech.jts.geom.GeometryFactory().createLinearRing(ring);
        for (double width : new double[] {3, 9, 14}) {
            double expected = lines.buffer(width / 2, 64).getArea();
            assertThat(area(Outline.of(path).stroked(width))).isCloseTo(expected, within(expected * 3e-3));
        }
    }

    @Test
    void mergedOutlinesHaveTheAreaOfTheUnion() {
        Outline both = Outline.of(new Box(0, 0, 10, 10)).and(Outline.of(new Box(4, 4, 14, 14)));
        assertThat(area(both.merged())).isCloseTo(200 - 36, within(1e-6));
    }

    @Test
    void areasGrowWithTheSquareOfTheScale() {
        Outline star = Outline.of(new BezierPath(List.of(
                BezierPath.Knot.corner(0, -20),
                BezierPath.Knot.corner(6, -5),
                BezierPath.Knot.corner(20, 0),
                BezierPath.Knot.corner(5, 7),
                BezierPath.Knot.corner(-12, 18))));
        double one = area(star);
        assertThat(area(star.transformed(Affine.scale(7, 7)))).isCloseTo(49 * one, within(0.5));
        assertThat(area(star.transformed(Affine.rotation(33)))).isCloseTo(one, within(1e-4));
    }

    @Test
    void numbersNameTheShape() {
        Outline a = Outline.of(new Box(0, 0, 1, 1));
        assertThat(a.numbers()).isEqualTo(Outline.of(new Box(0, 0, 1, 1)).numbers());
        assertThat(a.numbers()).isNotEqualTo(Outline.of(new Box(0, 0, 1, 2)).numbers());
        assertThat(Outline.NOTHING.isEmpty()).isTrue();
        assertThat(Outline.NOTHING.bounds()).isEqualTo(Box.EMPTY);
    }

    /** However large the outline, only what lies before the box is followed: J2's letters at thousands of per cent. */
    @Test
    void theWorkDoesNotGrowWithTheScale() {
        Outline circle = Outline.of(BezierPath.ellipse(new Box(-1, -1, 1, 1)));
        Box frame = new Box(0, 0, 1920, 1080);
        int small = Flattening.edges(circle.transformed(Affine.scale(500, 500)), frame, 0.002).length;
        int huge = Flattening.edges(
                        circle.transformed(Affine.scale(50_000, 50_000))
                                .transformed(Affine.translation(-34_000, -34_000)),
                        frame,
                        0.002)
                .length;
        assertThat(huge).isLessThan(2 * small + 200);
    }
}
