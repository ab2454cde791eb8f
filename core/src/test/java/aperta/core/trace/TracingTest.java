package aperta.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Figures;
import aperta.core.shot.PathLength;
import java.awt.geom.Ellipse2D;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Outlines are found again in pictures of shapes whose outline is known. */
class TracingTest {
    private static final Region FRAME = new Region(0, 0, 160, 120);

    private static Matte drawn(Outline outline) {
        return Coverage.of(outline, FRAME, Bands.IN_TURN);
    }

    private static Outline circle(double x, double y, double r) {
        return Outline.of(new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r));
    }

    private static Outline filled(List<BezierPath> paths) {
        Outline all = Outline.NOTHING;
        for (BezierPath p : paths) {
            all = all.and(Outline.of(p));
        }
        return all;
    }

    private static double length(List<BezierPath> paths) {
        return paths.stream().mapToDouble(p -> new PathLength(p).length()).sum();
    }

    /** The area that only one of two outlines goes round, measured on pixels of a sixteenth. */
    private static double difference(Outline a, Outline b) {
        Region fine = new Region(0, 0, FRAME.width() * 4, FRAME.height() * 4);
        Matte one = Coverage.of(a.transformed(Affine.scale(4, 4)), fine, Bands.IN_TURN);
        Matte two = Coverage.of(b.transformed(Affine.scale(4, 4)), fine, Bands.IN_TURN);
        double sum = 0;
        for (int y = 0; y < fine.height(); y++) {
            for (int x = 0; x < fine.width(); x++) {
                sum += Math.abs(one.at(x, y) - two.at(x, y));
            }
        }
        return sum / 16;
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 12.3, 30, 50})
    void aCircleIsFoundAgainWithoutCorners(double r) {
        Point c = new Point(80.3, 59.6);
        List<BezierPath> found = Tracing.of(drawn(circle(c.x(), c.y(), r)), 0.5, 4);
        assertThat(found).hasSize(1);
        BezierPath path = found.get(0);
        assertThat(path.closed()).isTrue();
        assertThat(path.knots().size()).isLessThanOrEqualTo(16);
        for (int i = 0; i < path.segments(); i++) {
            for (double t = 0; t <= 1; t += 0.05) {
                assertThat(path.curve(i).at(t).minus(c).length()).isCloseTo(r, within(0.25));
            }
            // Smooth at every knot.
            Point in = path.curve(i).p3().minus(path.curve(i).p2());
            Point out = path.curve((i + 1) % path.segments())
                    .p1()
                    .minus(path.curve((i + 1) % path.segments()).p0());
            double cross = in.x() * out.y() - in.y() * out.x();
            assertThat(Math.abs(cross) / (in.length() * out.length())).isLessThan(0.02);
        }
        assertThat(difference(filled(found), circle(c.x(), c.y(), r))).isLessThan(0.1 * length(found));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 7, 31, 45, 80})
    void aBoxIsFoundAgainWithItsFourCorners(double angle) {
        Affine map = Affine.rotation(angle).then(Affine.translation(80.37, 60.2));
        BezierPath box = Figures.rounded(Box.centred(70, 44), 0).transformed(map);
        List<BezierPath> found = Tracing.of(drawn(Outline.of(box)), 0.5, 4);
        assertThat(found).hasSize(1);
        for (BezierPath.Knot corner : box.knots()) {
            assertThat(found.get(0).knots().stream()
                            .mapToDouble(k -> k.at().minus(corner.at()).length())
                            .min()
                            .orElseThrow())
                    .isLessThan(0.3);
        }
        assertThat(found.get(0).knots().size()).isLessThanOrEqualTo(6);
        assertThat(difference(filled(found), Outline.of(box))).isLessThan(0.1 * length(found));
    }

    @Test
    void aHoleRunsTheOtherWayAndStaysAHole() {
        Outline ring = filled(List.of(
                Figures.rounded(new Box(20, 20, 140, 100), 12),
                Figures.rounded(new Box(50.5, 40.5, 110, 80), 0).reversed()));
        List<BezierPath> found = Tracing.of(drawn(ring), 0.5, 4);
        assertThat(found).hasSize(2);
        assertThat(filled(found).contains(new Point(80, 60))).isFalse();
        assertThat(filled(found).contains(new Point(30, 60))).isTrue();
        assertThat(difference(filled(found), ring)).isLessThan(0.1 * length(found));
    }

    @Test
    void aStarKeepsItsPointsAndItsNotches() {
        BezierPath star = Figures.star(new Box(30, 10, 130, 110), 7, 0.45, 0, 0);
        List<BezierPath> found = Tracing.of(drawn(Outline.of(star)), 0.5, 4);
        assertThat(found).hasSize(1);
        assertThat(difference(filled(found), Outline.of(star))).isLessThan(0.15 * length(found));
    }

    @Test
    void specksAndPinholesAreLeftOutByArea() {
        Outline all = circle(60, 60, 30)
                .and(circle(120, 30, 1.5))
                .and(filled(List.of(Figures.rounded(new Box(58, 58, 61, 61), 0).reversed())));
        assertThat(Tracing.of(drawn(all), 0.5, 0)).hasSize(3);
        assertThat(Tracing.of(drawn(all), 0.5, 8)).hasSize(2);
        assertThat(Tracing.of(drawn(all), 0.5, 10)).hasSize(1);
    }

    /** On a bell of brightness, the outline at a threshold is the circle on which the brightness is that. */
    @ParameterizedTest
    @ValueSource(doubles = {0.1, 0.25, 0.5, 0.8})
    void theThresholdIsWhereTheBrightnessPassesIt(double threshold) {
        Matte bell = new Matte(FRAME);
        for (int y = 0; y < FRAME.height(); y++) {
            for (int x = 0; x < FRAME.width(); x++) {
                double d2 = (x + 0.5 - 80) * (x + 0.5 - 80) + (y + 0.5 - 60) * (y + 0.5 - 60);
                bell.set(x, y, (float) StrictMath.exp(-d2 / 800));
            }
        }
        double r = Math.sqrt(-800 * StrictMath.log(threshold));
        List<BezierPath> found = Tracing.of(bell, threshold, 4);
        assertThat(found).hasSize(1);
        for (BezierPath.Knot k : found.get(0).knots()) {
            assertThat(k.at().minus(new Point(80, 60)).length()).isCloseTo(r, within(0.1));
        }
    }

    /** Where two corners of a square that lie across are inside, both ways to join them are possible; the saddle decides. */
    @Test
    void twoPixelsThatTouchAtACornerAreOneOrTwoByTheSaddle() {
        Matte two = new Matte(new Region(0, 0, 2, 2));
        two.set(0, 0, 1);
        two.set(1, 1, 1);
        assertThat(MarchingSquares.of(two, 0.6)).hasSize(2);
        assertThat(MarchingSquares.of(two, 0.4)).hasSize(1);
    }

    /** Whatever noise is traced, all rings close, and filled they are what was above the threshold. */
    @Test
    void noiseIsTracedPixelByPixel() {
        Matte noise = new Matte(new Region(-3, 5, 40, 30));
        java.util.Random random = new java.util.Random(7);
        for (int y = 5; y < 35; y++) {
            for (int x = -3; x < 37; x++) {
                noise.set(x, y, random.nextInt(2));
            }
        }
        Outline all = Outline.NOTHING;
        for (List<Point> line : MarchingSquares.of(noise, 0.5)) {
            assertThat(line).hasSizeGreaterThan(3);
            Point last = line.get(line.size() - 1);
            for (Point p : line) {
                assertThat(p.minus(last).length()).isLessThan(1.5);
                last = p;
            }
            BezierPath path = new BezierPath(
                    line.stream()
                            .map(p -> new BezierPath.Knot(p, Point.ORIGIN, Point.ORIGIN))
                            .toList(),
                    true);
            all = all.and(Outline.of(path));
        }
        for (int y = 5; y < 35; y++) {
            for (int x = -3; x < 37; x++) {
                assertThat(all.contains(new Point(x + 0.5, y + 0.5)))
                        .as("%d, %d", x, y)
                        .isEqualTo(noise.at(x, y) > 0);
            }
        }
        assertThat(MatteMath.sum(noise)).isGreaterThan(400);
    }

    @Test
    void nothingHasNoOutline() {
        assertThat(Tracing.of(new Matte(FRAME), 0.5, 0)).isEmpty();
    }
}
