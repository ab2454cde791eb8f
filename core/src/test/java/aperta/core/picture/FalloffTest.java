package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Figures;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FalloffTest {
    private static final double STEP = 1 / 255.0;
    private static final Region ALL = new Region(0, 0, 200, 200);

    private static Matte of(BezierPath path, double outset, double width) {
        return new Falloff(Contour.of(path, Affine.IDENTITY), outset, width).on(ALL, Bands.IN_TURN);
    }

    private static BezierPath circle(double radius) {
        return BezierPath.ellipse(Box.centred(2 * radius, 2 * radius)).translated(new Point(100, 100));
    }

    /** A region that begins in the middle of a shape gets the same values as one that holds all of it. */
    @ParameterizedTest
    @ValueSource(doubles = {5, -5, 0})
    void aRegionMayBeginInsideTheShape(double outset) {
        BezierPath path = BezierPath.rectangle(new Box(-300, -300, 60, 300));
        Falloff falloff = new Falloff(Contour.of(path, Affine.IDENTITY), outset, 0);
        Matte whole = falloff.on(new Region(-320, -320, 640, 640), Bands.IN_TURN);
        for (int left : new int[] {-100, -31, 0, 13, 55, 70}) {
            Region part = new Region(left, 3, 120, 70);
            Matte own = falloff.on(part, Bands.IN_TURN);
            for (int y = part.y(); y < part.bottom(); y++) {
                for (int x = part.x(); x < part.right(); x++) {
                    assertThat(own.at(x, y))
                            .as("from %d, pixel %d, %d", left, x, y)
                            .isEqualTo(whole.at(x, y));
                }
            }
        }
        assertThat(whole.at(0, 3)).isEqualTo(1);
        assertThat(whole.at(80, 3)).isZero();
    }

    /** The definition of the normal distribution's integral, by Simpson's rule over single steps. */
    private static double gaussian(double from, double to, double sigma) {
        DoubleUnaryOperator bell = x -> Math.exp(-x * x / (2 * sigma * sigma)) / (sigma * Math.sqrt(2 * Math.PI));
        int n = 2000;
        double h = (to - from) / n;
        double sum = 0;
        for (int i = 0; i < n; i++) {
            double x = from + i * h;
            sum += h / 6 * (bell.applyAsDouble(x) + 4 * bell.applyAsDouble(x + h / 2) + bell.applyAsDouble(x + h));
        }
        return sum;
    }

    /** The path at a distance d from a circle of radius r is the circle of radius r + d. */
    @ParameterizedTest
    @ValueSource(doubles = {-59, -40, -12.3, -0.5, 0, 0.4, 7.7, 33})
    void aCircleMovedOutwardsIsALargerCircle(double d) {
        Matte moved = of(circle(60), d, 0);
        assertThat(Math.sqrt(CoverageTest.sum(moved) / Math.PI)).isCloseTo(60 + d, within(0.1));
        Matte larger = Coverage.of(Outline.of(circle(60 + d)), ALL, Bands.IN_TURN);
        for (int y = 0; y < 200; y++) {
            for (int x = 0; x < 200; x++) {
                assertThat(moved.at(x, y)).isCloseTo(larger.at(x, y), within(0.1f));
            }
        }
    }

    @Test
    void whatIsMadeSmallerThanItsOwnMiddleIsGone() {
        assertThat(CoverageTest.sum(of(circle(60), -60.8, 0))).isZero();
        assertThat(CoverageTest.sum(of(BezierPath.rectangle(new Box(10, 10, 190, 50)), -21, 0)))
                .isZero();
    }

    /** Outside a corner the distance is that to the corner: the offset square has round corners. */
    @Test
    void aSquareMovedOutwardsIsRoundAtItsCorners() {
        Matte moved = of(BezierPath.rectangle(new Box(60, 60, 140, 140)), 20, 0);
        assertThat(CoverageTest.sum(moved)).isCloseTo(80 * 80 + 4 * 80 * 20 + Math.PI * 20 * 20, within(2.0));
        assertThat(CoverageTest.sum(of(BezierPath.rectangle(new Box(60, 60, 140, 140)), -20, 0)))
                .as("inwards corners stay corners")
                .isCloseTo(40 * 40, within(0.01));
    }

    /** Without width the matte is the coverage: exactly so along straight edges in any direction. */
    @Test
    void aSharpEdgeIsTheCoverageOfItsShape() {
        Random random = new Random(9);
        for (int n = 0; n < 12; n++) {
            BezierPath square = BezierPath.rectangle(Box.centred(90, 110))
                    .transformed(Affine.rotation(random.nextDouble() * 90)
                            .then(Affine.translation(99 + random.nextDouble(), 101 + random.nextDouble())));
            Matte exact = Coverage.of(Outline.of(square), ALL, Bands.IN_TURN);
            Matte sharp = of(square, 0, 0);
            int off = 0;
            for (int y = 0; y < 200; y++) {
                for (int x = 0; x < 200; x++) {
                    off += Math.abs(sharp.at(x, y) - exact.at(x, y)) > STEP ? 1 : 0;
                }
            }
            assertThat(off)
                    .as("pixels that differ: those in which two sides meet")
                    .isLessThanOrEqualTo(12);
        }
    }

    /** The integral of the Gaussian whose σ is half the width, averaged over the pixel, on a straight edge. */
    @ParameterizedTest
    @ValueSource(doubles = {1, 2.5, 6, 20, 60})
    void aStraightEdgeFallsOffAsTheGaussiansIntegral(double width) {
        Matte soft = of(BezierPath.rectangle(new Box(100.3, -900, 2000, 1100)), 0, width);
        for (int x = 0; x < 200; x++) {
            double mean = 0;
            for (int k = 0; k < 16; k++) {
                double at = x + (k + 0.5) / 16 - 100.3;
                mean += gaussian(-8 * width, Math.max(-8 * width, at), width / 2) / 16;
            }
            assertThat(soft.at(x, 100)).as("pixel %d", x).isCloseTo((float) mean, within((float) STEP));
        }
    }

    /** The width along an edge runs evenly from that of one of its ends to that of the other. */
    @Test
    void aPointsFeatherReachesToItsNeighbours() {
        List<BezierPath.Knot> knots = new ArrayList<>(
                BezierPath.rectangle(new Box(100, -400, 1100, 600)).knots());
        knots.replaceAll(k -> k.at().y() > 100 && k.at().x() < 500 ? k.withFeather(40) : k);
        Matte soft = of(new BezierPath(knots), 0, 10);
        for (int y : new int[] {20, 60, 100, 140, 180}) {
            double sigma = (10 + 40 * (y + 400.5) / 1000) / 2;
            for (int x = 60; x < 140; x += 7) {
                double d = x + 0.5 - 100;
                assertThat(soft.at(x, y)).isCloseTo((float) gaussian(-400, d, sigma), within((float) STEP));
            }
        }
    }

    /** A path that crosses itself is moved outwards from its outer boundary alone. */
    @Test
    void whatCrossesItselfHasNoEdgeWithin() {
        BezierPath loop = new BezierPath(List.of(
                BezierPath.Knot.corner(20, 20),
                BezierPath.Knot.corner(140, 20),
                BezierPath.Knot.corner(140, 140),
                BezierPath.Knot.corner(60, 140),
                BezierPath.Knot.corner(60, 60),
                BezierPath.Knot.corner(180, 60),
                BezierPath.Knot.corner(180, 180),
                BezierPath.Knot.corner(20, 180)));
        Outline union = Outline.of(loop).merged();
        Matte whole = of(loop, 0, 0);
        Matte exact = Coverage.of(union, ALL, Bands.IN_TURN);
        assertThat(CoverageTest.sum(whole)).isCloseTo(CoverageTest.sum(exact), within(1.0));
        Matte soft = of(loop, 0, 12);
        assertThat(soft.at(120, 100))
                .as("twice inside, far from any outer edge")
                .isGreaterThan(0.999f);
        assertThat(soft.at(139, 100))
                .as("on a line that has the inside on both sides")
                .isGreaterThan(0.999f);
    }

    /** Blocks, bands and threads make no difference, nor does the part that is asked for. */
    @Test
    void everyPartIsTheSameAsInTheWhole() {
        BezierPath star = Figures.star(new Box(13.2, 9.7, 181, 190), 7, 0.5, 0.4, 0.2);
        BezierPath feathered = star.with(2, star.knots().get(2).withFeather(30));
        Falloff falloff = new Falloff(Contour.of(feathered, Affine.IDENTITY), 3, 2);
        Matte whole = falloff.on(ALL, Bands.IN_TURN);
        for (Region part :
                List.of(new Region(7, 11, 90, 101), new Region(64, 64, 64, 64), new Region(190, 3, 9, 190))) {
            Matte own = falloff.on(part, Bands.IN_TURN);
            for (int y = part.y(); y < part.bottom(); y++) {
                for (int x = part.x(); x < part.right(); x++) {
                    assertThat(own.at(x, y)).isEqualTo(whole.at(x, y));
                }
            }
        }
    }

    /** Every distance, by looking at all the pieces for each pixel. */
    @Test
    void theNearestPieceIsFoundAmongMany() {
        BezierPath star = Figures.star(new Box(20, 20, 180, 180), 40, 0.6, 0, 0);
        Contour contour = Contour.of(star, Affine.IDENTITY);
        Matte soft = of(star, 0, 8);
        Random random = new Random(4);
        for (int n = 0; n < 2000; n++) {
            int x = random.nextInt(200);
            int y = random.nextInt(200);
            Point p = new Point(x + 0.5, y + 0.5);
            double least = contour.boundary().stream()
                    .mapToDouble(e -> java.awt.geom.Line2D.ptSegDist(
                            e.from().x(), e.from().y(), e.to().x(), e.to().y(), p.x(), p.y()))
                    .min()
                    .orElseThrow();
            double s = Outline.of(star).contains(p) ? least : -least;
            assertThat(soft.at(x, y))
                    .isCloseTo((float) gaussian(-40, Math.max(-40, s), Math.sqrt(16 + 1 / 12.0)), within((float) STEP));
        }
    }

    /**
     * A coast with bays, whose feather comes and goes along it, by looking at all the pieces for some pixels. Where two edges
     * are equally near, either one's softness is right.
     */
    @ParameterizedTest
    @ValueSource(ints = {40, 400, 4000})
    void featherAtManyPointsIsThatOfTheNearestPlace(int points) {
        List<BezierPath.Knot> knots = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            double a = 2 * Math.PI * i / points;
            double r = 80 * (1 + 0.12 * Math.sin(5 * a) + 0.07 * Math.sin(17 * a + 1));
            knots.add(BezierPath.Knot.corner(100 + r * Math.cos(a), 100 + r * Math.sin(a))
                    .withFeather(8 + 8 * Math.sin(9 * a)));
        }
        compare(new BezierPath(knots), sides(knots), 0, 2);
    }

    /** Every step of a polygon, whatever a contour leaves out. */
    private static List<Contour.Piece> sides(List<BezierPath.Knot> knots) {
        return IntStream.range(0, knots.size())
                .mapToObj(i -> {
                    BezierPath.Knot a = knots.get(i);
                    BezierPath.Knot b = knots.get((i + 1) % knots.size());
                    return new Contour.Piece(a.at(), b.at(), a.feather(), b.feather());
                })
                .toList();
    }

    /** Where a path crosses itself, its edge goes on with another softness: that is torn, and not read across. */
    @Test
    void softnessIsTornWhereEdgesCross() {
        double[][] four = {{51.2, 217.7, 7.6}, {127.0, 52.5, 41.9}, {55.5, 163.4, 24.5}, {115.1, 81.6, 14.3}};
        double[][] many = {
            {56.8, 178.7, 8.7},
            {146.0, 20.4, 1.8},
            {32.9, 23.2, 2.8},
            {60.0, 117.7, 1.9},
            {98.2, 216.9, 0.1},
            {123.7, 214.2, 6.2},
            {205.4, 217.5, 2.7},
            {189.6, 141.2, 0.7},
            {70.7, 200.7, 3.6},
            {27.3, 128.1, 2.2},
            {189.0, 148.4, 1.1},
            {117.6, 205.2, 4.4},
            {115.1, 113.9, 4.6}
        };
        for (BezierPath path : List.of(polygon(four), polygon(many))) {
            compare(path, Contour.of(path, Affine.IDENTITY).boundary(), 6.1, 1.2);
            compare(path, Contour.of(path, Affine.IDENTITY).boundary(), 7.3, 3.8);
        }
    }

    private static BezierPath polygon(double[][] knots) {
        return new BezierPath(Stream.of(knots)
                .map(k -> BezierPath.Knot.corner(k[0], k[1]).withFeather(k[2]))
                .toList());
    }

    /** Against the nearest of all pieces, at every seventh pixel; where two are equally near, between theirs. */
    private static void compare(BezierPath path, List<Contour.Piece> edges, double outset, double width) {
        Outline outline = Outline.of(path);
        Matte matte = of(path, outset, width);
        for (int i = 0; i < 200 * 200; i += 7) {
            int x = i % 200;
            int y = i / 200;
            Point p = new Point(x + 0.5, y + 0.5);
            List<double[]> found = new ArrayList<>();
            for (Contour.Piece e : edges) {
                Point along = e.to().minus(e.from());
                Point to = p.minus(e.from());
                double length = along.length();
                double t = Math.max(0, Math.min(1, (to.x() * along.x() + to.y() * along.y()) / (length * length)));
                double d = to.minus(along.times(t)).length();
                double sigma = (width + e.fromWidth() + t * (e.toWidth() - e.fromWidth())) / 2;
                found.add(new double[] {d, Math.sqrt(sigma * sigma + 1 / 12.0)});
            }
            double least = found.stream().mapToDouble(f -> f[0]).min().orElseThrow();
            double sign = outline.contains(p) ? 1 : -1;
            double[] values = found.stream()
                    .filter(f -> f[0] <= least + 0.05)
                    .mapToDouble(f -> gaussian(-150, Math.max(-150, sign * f[0] + outset), f[1]))
                    .sorted()
                    .toArray();
            assertThat((double) matte.at(x, y))
                    .as("%d, %d", x, y)
                    .isBetween(values[0] - STEP, values[values.length - 1] + STEP);
        }
    }
}
