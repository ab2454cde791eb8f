package aperta.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Contour;
import aperta.core.outline.Contour.Piece;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Figures;
import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Against java.awt.geom's distance from a point to a segment, asked for each pixel and each piece. */
class NearestTest {
    private static final Region ALL = new Region(-7, 3, 90, 70);

    private static double distance(Piece p, int x, int y) {
        return Line2D.ptSegDist(p.from().x(), p.from().y(), p.to().x(), p.to().y(), x + 0.5, y + 0.5);
    }

    /** Each pixel within reach has a piece that is as near as any, and its distance; each other pixel has none. */
    private static void check(List<Piece> pieces, double reach) {
        Nearest nearest = new Nearest(pieces, reach, ALL);
        Nearest.Scan scan = nearest.new Scan(16);
        for (int y = ALL.y(); y < ALL.bottom(); y += 16) {
            Region rows = new Region(ALL.x(), y, ALL.width(), Math.min(16, ALL.bottom() - y));
            scan.run(rows);
            for (int i = 0; i < rows.area(); i++) {
                check(pieces, reach, scan, i, rows.x() + i % rows.width(), rows.y() + i / rows.width());
            }
        }
    }

    private static void check(List<Piece> pieces, double reach, Nearest.Scan scan, int i, int x, int y) {
        double least = pieces.stream().mapToDouble(p -> distance(p, x, y)).min().orElse(Double.MAX_VALUE);
        boolean reached = scan.reaches((x - ALL.x()) / Nearest.CELL) && scan.nearest[i] != Nearest.NONE;
        if (Math.abs(least - reach) > 1e-3) {
            assertThat(reached).as("%d, %d at %f", x, y, least).isEqualTo(least < reach);
        }
        if (reached) {
            assertThat(distance(pieces.get(scan.nearest[i]), x, y))
                    .as("%d, %d", x, y)
                    .isCloseTo(least, within(1e-6 + 1e-6 * least));
            assertThat(Math.sqrt(scan.distances[i])).isCloseTo(least, within(1e-5 + 1e-6 * least));
        }
    }

    private static Point point(Random random, double spread) {
        return new Point(40 + (random.nextDouble() - 0.5) * spread, 40 + (random.nextDouble() - 0.5) * spread);
    }

    @ParameterizedTest
    @CsvSource({
        "3, 60, 9",
        "5, 200, 30",
        "12, 90, 300",
        "40, 70, 4",
        "7, 3000, 50",
        "9, 3000, 40000",
        "4, 5000000, 3000000",
        "6, 50000, 1e12"
    })
    void eachCornerOfAPolygonIsSeen(int corners, double spread, double reach) {
        Random random = new Random(corners);
        for (int n = 0; n < 12; n++) {
            List<BezierPath.Knot> knots = new ArrayList<>();
            for (int i = 0; i < corners; i++) {
                Point p = point(random, spread);
                knots.add(BezierPath.Knot.corner(p.x(), p.y()));
            }
            check(Contour.of(new BezierPath(knots), Affine.IDENTITY).boundary(), reach);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 60})
    void bendsAndSpikesAreSeen(double reach) {
        check(
                Contour.of(BezierPath.ellipse(new Box(3, 8, 77, 70)), Affine.IDENTITY)
                        .boundary(),
                reach);
        check(
                Contour.of(Figures.star(new Box(3, 8, 77, 70), 30, 0.2, 0, 0), Affine.IDENTITY)
                        .boundary(),
                reach);
    }

    /** Pieces that nothing goes on from have half a disc at their ends. */
    @Test
    void piecesThatDoNotMeetAreSeenFromAllSides() {
        Random random = new Random(5);
        for (int n = 0; n < 12; n++) {
            List<Piece> pieces = new ArrayList<>();
            for (int i = 0; i < 9; i++) {
                pieces.add(new Piece(point(random, 80), point(random, 80), 0, 0));
            }
            check(pieces, 25);
        }
    }

    /** Lines along rows and columns, through the middles of pixels and between them, there and straight back. */
    @Test
    void levelAndUprightPiecesAreSeen() {
        List<Point> way = List.of(
                new Point(10.5, 20.5),
                new Point(60.5, 20.5),
                new Point(60.5, 50.5),
                new Point(60.5, 30.5),
                new Point(20, 30.5),
                new Point(20, 60),
                new Point(70, 60));
        List<Piece> pieces = new ArrayList<>();
        for (int i = 1; i < way.size(); i++) {
            pieces.add(new Piece(way.get(i - 1), way.get(i), 0, 0));
        }
        check(pieces, 12);
    }

    /** The width runs evenly from a piece's one end to the other. */
    @Test
    void theWidthIsThatOfTheNearestPlace() {
        List<Piece> one = List.of(new Piece(new Point(10, 40), new Point(60, 40), 2, 12));
        Nearest.Scan scan = new Nearest(one, 20, ALL).new Scan(70);
        scan.run(ALL);
        for (int x = 0; x < 80; x++) {
            int at = (44 - ALL.y()) * ALL.width() + x - ALL.x();
            double along = Math.max(0, Math.min(1, (x + 0.5 - 10) / 50));
            assertThat((double) scan.widths[at]).isCloseTo(scan.nearest[at] == 0 ? 2 + 10 * along : 0, within(1e-5));
        }
    }

    /** Of those that are equally near, the first. */
    @Test
    void theFirstOfTwoIsKept() {
        Piece p = new Piece(new Point(10, 40), new Point(60, 41), 0, 0);
        Nearest.Scan scan = new Nearest(List.of(p, p), 20, ALL).new Scan(70);
        scan.run(ALL);
        assertThat(scan.nearest).contains(0).doesNotContain(1);
    }
}
