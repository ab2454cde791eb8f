package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

class CoverageTest {
    private static final double STEP = 1 / 255.0;
    private static final float STEP_F = 1 / 255f;
    private static final GeometryFactory JTS = new GeometryFactory();

    /** Stars with random spikes: JTS cuts each with every pixel and measures the area. */
    @Test
    void polygonsAreCoveredAsJtsMeasuresThem() {
        Random random = new Random(7);
        Region region = new Region(-3, -2, 24, 20);
        for (int round = 0; round < 40; round++) {
            int n = 3 + random.nextInt(9);
            Coordinate[] ring = new Coordinate[n + 1];
            Path2D.Double path = new Path2D.Double();
            for (int i = 0; i < n; i++) {
                double angle = 2 * Math.PI * i / n;
                double r = 2 + random.nextDouble() * 14;
                ring[i] = new Coordinate(8 + r * Math.cos(angle), 7.3 + r * Math.sin(angle));
                if (i == 0) {
                    path.moveTo(ring[i].x, ring[i].y);
                } else {
                    path.lineTo(ring[i].x, ring[i].y);
                }
            }
            path.closePath();
            ring[n] = ring[0];
            Polygon polygon = JTS.createPolygon(ring);
            Matte matte = Coverage.of(Outline.of(path), region, Bands.IN_TURN);
            for (int y = region.y(); y < region.bottom(); y++) {
                for (int x = region.x(); x < region.right(); x++) {
                    Geometry pixel = JTS.toGeometry(new Envelope(x, x + 1, y, y + 1));
                    assertThat((double) matte.at(x, y))
                            .as("round %d, pixel %d, %d", round, x, y)
                            .isCloseTo(polygon.intersection(pixel).getArea(), within(STEP / 4));
                }
            }
        }
    }

    @Test
    void aCircleHasItsArea() {
        for (double r : new double[] {0.3, 1, 7.5, 120}) {
            Outline circle = Outline.of(new Ellipse2D.Double(150 - r, 140.3 - r, 2 * r, 2 * r));
            Matte matte = Coverage.of(circle, new Region(0, 0, 300, 300), Bands.IN_TURN);
            // Four cubic curves are up to 0.03 % off the circle.
            assertThat(sum(matte)).isCloseTo(Math.PI * r * r, within(Math.PI * r * r * 6e-4 + 2 * Math.PI * r * 7e-4));
        }
    }

    @Test
    void aPartOfAnOutlineIsTheSameAsThatPartOfTheWhole() {
        Outline shape = Outline.of(BezierPath.ellipse(new Box(3.2, -8.1, 61.7, 45.9)));
        Matte whole = Coverage.of(shape, new Region(-10, -20, 100, 100), Bands.IN_TURN);
        Region part = new Region(20, 5, 13, 17);
        Matte own = Coverage.of(shape, part, Bands.IN_TURN);
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                assertThat((double) own.at(x, y)).isCloseTo(whole.at(x, y), within(STEP / 2));
            }
        }
    }

    @Test
    void insideOfAnEnormousShapeAllIsCovered() {
        Outline huge = Outline.of(BezierPath.ellipse(new Box(-1, -1, 1, 1))).transformed(Affine.scale(90_000, 90_000));
        Matte matte = Coverage.of(huge, new Region(0, 0, 64, 36), Bands.IN_TURN);
        assertThat(sum(matte)).isCloseTo(64 * 36, within(1e-3));
    }

    @Test
    void overlappingLettersCountOnce() {
        Outline two = Outline.of(new Box(0, 0, 10, 10)).and(Outline.of(new Box(5, 0, 15, 10)));
        assertThat(sum(Coverage.of(two, new Region(0, 0, 20, 20), Bands.IN_TURN)))
                .isCloseTo(150, within(1e-6));
        assertThat(sum(Coverage.of(two.merged(), new Region(0, 0, 20, 20), Bands.IN_TURN)))
                .isCloseTo(150, within(1e-6));
    }

    @Test
    void aHoleRunsTheOtherWay() {
        Path2D.Double ring = new Path2D.Double();
        ring.append(new java.awt.geom.Rectangle2D.Double(0, 0, 10, 10), false);
        ring.moveTo(3, 3);
        ring.lineTo(3, 7);
        ring.lineTo(7, 7);
        ring.lineTo(7, 3);
        ring.closePath();
        Matte matte = Coverage.of(Outline.of(ring), new Region(0, 0, 10, 10), Bands.IN_TURN);
        assertThat(matte.at(5, 5)).isZero();
        assertThat(sum(matte)).isCloseTo(84, within(1e-6));
    }

    /** Random triangles and squares over each other, either way round: JTS unites them and measures each pixel. */
    @Test
    void whatOverlapsIsCoveredOnceAsJtsMeasuresIt() {
        Random random = new Random(21);
        Region region = new Region(0, 0, 14, 12);
        for (int round = 0; round < 30; round++) {
            Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
            Geometry union = JTS.createPolygon();
            int shapes = 2 + random.nextInt(5);
            for (int s = 0; s < shapes; s++) {
                int n = 3 + random.nextInt(2);
                boolean turned = round % 2 == 1;
                double cx = 2 + random.nextDouble() * 10;
                double cy = 2 + random.nextDouble() * 8;
                double r = 0.2 + random.nextDouble() * 4;
                double start = random.nextDouble();
                Coordinate[] ring = new Coordinate[n + 1];
                for (int i = 0; i < n; i++) {
                    double angle = start + (turned ? -1 : 1) * 2 * Math.PI * i / n;
                    ring[i] = new Coordinate(cx + r * Math.cos(angle), cy + r * Math.sin(angle));
                    if (i == 0) {
                        path.moveTo(ring[i].x, ring[i].y);
                    } else {
                        path.lineTo(ring[i].x, ring[i].y);
                    }
                }
                path.closePath();
                ring[n] = ring[0];
                union = union.union(JTS.createPolygon(ring));
            }
            Matte matte = Coverage.of(Outline.of(path), region, Bands.IN_TURN);
            for (int y = 0; y < region.bottom(); y++) {
                for (int x = 0; x < region.right(); x++) {
                    Geometry pixel = JTS.toGeometry(new Envelope(x, x + 1, y, y + 1));
                    assertThat((double) matte.at(x, y))
                            .as("round %d, pixel %d, %d", round, x, y)
                            .isCloseTo(union.intersection(pixel).getArea(), within(1e-6));
                }
            }
        }
    }

    @Test
    void aContourThatIsThereTwiceIsCoveredOnce() {
        Outline circle = Outline.of(new Ellipse2D.Double(2.3, 2.1, 11, 11));
        Region region = new Region(0, 0, 16, 16);
        Matte once = Coverage.of(circle, region, Bands.IN_TURN);
        Matte twice = Coverage.of(circle.and(circle), region, Bands.IN_TURN);
        for (int y = 0; y < 16; y++) {
            for (int x = 0; x < 16; x++) {
                assertThat(twice.at(x, y)).isCloseTo(once.at(x, y), within(1e-6f));
            }
        }
    }

    /** Two rectangles that run in opposite directions, 0.3 of a pixel each. */
    @Test
    void oppositeContoursDontCancelWithinAPixel() {
        Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        path.append(new java.awt.geom.Rectangle2D.Double(1, 1, 0.3, 1), false);
        path.moveTo(1.6, 1);
        path.lineTo(1.6, 2);
        path.lineTo(1.9, 2);
        path.lineTo(1.9, 1);
        path.closePath();
        assertThat(Coverage.of(Outline.of(path), new Region(0, 0, 4, 4), Bands.IN_TURN)
                        .at(1, 1))
                .isCloseTo(0.6f, within(1e-6f));
    }

    /** More edges than are measured exactly: many slivers in one pixel. */
    @Test
    void aPixelFullOfSliversIsCoveredAsMuchAsTheyAreLarge() {
        Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        for (int i = 0; i < 40; i++) {
            path.append(new java.awt.geom.Rectangle2D.Double(1 + i / 40.0, 1, 1 / 80.0, 0.75), false);
        }
        assertThat(Coverage.of(Outline.of(path), new Region(0, 0, 4, 4), Bands.IN_TURN)
                        .at(1, 1))
                .isCloseTo(0.375f, within(STEP_F / 2));
    }

    static double sum(Matte matte) {
        double sum = 0;
        Region d = matte.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                sum += matte.at(x, y);
            }
        }
        return sum;
    }
}
