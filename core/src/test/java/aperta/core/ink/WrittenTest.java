package aperta.core.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Matte;
import aperta.core.shot.Curve;
import aperta.core.shot.PathLength;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import aperta.core.time.Chance;
import aperta.core.time.Ease;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class WrittenTest {
    @ParameterizedTest
    @EnumSource(StrokeFinderTest.Letter.class)
    void nothingIsLitBeforeThePenWasThere(StrokeFinderTest.Letter letter) {
        Inked inked = new Inked(letter.outline(), StrokeFinder.of(List.of(letter.outline())), 1);
        for (double share = 0.05; share < 1; share += 0.07) {
            assertThat(inked.leak(share)).as("%s at %s", letter, share).isLessThan(1.01);
        }
    }

    @ParameterizedTest
    @EnumSource(StrokeFinderTest.Letter.class)
    void atTheEndAllIsWritten(StrokeFinderTest.Letter letter) {
        Inked inked = new Inked(letter.outline(), StrokeFinder.of(List.of(letter.outline())), 1);
        assertThat(inked.leastWritten(0)).isZero();
        assertThat(inked.leastWritten(1)).isEqualTo(1);
    }

    /** Of a bar that is written from left to right the part behind the pen is there, the part ahead of it is not. */
    @Test
    void theEdgeStandsAcrossThePen() {
        Outline bar = Outline.of(new Box(0, 0, 200, 20));
        Inked inked = new Inked(bar, List.of(Inked.stroke("1", 20, new Point(0, 10), new Point(200, 10))), 1);
        Matte half = inked.written(0.5);
        for (int y = 1; y < 19; y++) {
            assertThat(half.at(98, y)).isEqualTo(1);
            assertThat(half.at(102, y)).isZero();
        }
    }

    /** Two bars a pixel apart: nothing of the second shows with the first, though its pen is nearer than its own. */
    @Test
    void nothingLeaksOverAGap() {
        Outline bars = Outline.of(new Box(0, 0, 100, 10)).and(Outline.of(new Box(0, 12, 100, 40)));
        Inked inked = new Inked(
                bars,
                List.of(
                        Inked.stroke("1", 10, new Point(0, 5), new Point(100, 5)),
                        Inked.stroke("2", 28, new Point(0, 30), new Point(100, 30))),
                1);
        Schedule schedule = inked.schedule(Inked.even(0.5));
        double first = schedule.to(0);
        Matte written = inked.written(first);
        for (int x = 1; x < 99; x++) {
            for (int y = 12; y < 40; y++) {
                assertThat(written.at(x, y)).as("%d, %d", x, y).isZero();
            }
            for (int y = 0; y < 10; y++) {
                assertThat(written.at(x, y)).as("%d, %d", x, y).isEqualTo(1);
            }
        }
    }

    /** Where two bars cross, the first to be written is whole before the second has begun. */
    @Test
    void aCrossingShowsWithTheFirstPen() {
        Outline cross = Outline.of(new Box(0, 40, 100, 60)).and(Outline.of(new Box(40, 0, 60, 100)));
        Inked inked = new Inked(
                cross,
                List.of(
                        Inked.stroke("1", 20, new Point(0, 50), new Point(100, 50)),
                        Inked.stroke("2", 20, new Point(50, 0), new Point(50, 100))),
                1);
        double first = inked.schedule(Inked.even(0)).to(0);
        Matte written = inked.written(first);
        for (int x = 1; x < 99; x++) {
            for (int y = 41; y < 59; y++) {
                assertThat((double) written.at(x, y)).as("%d, %d", x, y).isCloseTo(1, within(1e-6));
            }
        }
        for (int y = 1; y < 38; y++) {
            assertThat(written.at(50, y)).isZero();
        }
    }

    /** A pen that comes back over its own line shows the crossing as wide as it is the first time. */
    @Test
    void aLoopShowsItsCrossingTheFirstTime() {
        StrokeFinderTest.Letter loop = StrokeFinderTest.Letter.LOOP;
        List<Stroke> found = StrokeFinder.of(List.of(loop.outline()));
        Inked inked = new Inked(loop.outline(), found, 1);
        // The first and the last of the three curves that it was drawn along, and where they meet.
        Curve first = new Curve(new Point(10, 120), new Point(60, 120), new Point(140, 90), new Point(130, 40));
        Curve last = new Curve(new Point(60, 60), new Point(60, 130), new Point(120, 150), new Point(180, 120));
        double cross = 0;
        for (double t = 0; t <= 1; t += 0.002) {
            boolean nearer = last.nearest(first.at(t)).distance()
                    < last.nearest(first.at(cross)).distance();
            cross = nearer ? t : cross;
        }
        Point middle = first.at(cross);
        double pen = first.upTo(cross).length() + 8;
        double whole = new PathLength(found.get(0).line()).length();
        Matte before = inked.written((pen - 12) / whole);
        Matte behind = inked.written((pen + 12) / whole);
        for (int y = -5; y <= 5; y++) {
            for (int x = -5; x <= 5; x++) {
                int px = (int) Math.floor(middle.x()) + x;
                int py = (int) Math.floor(middle.y()) + y;
                assertThat(behind.at(px, py)).as("%d, %d", x, y).isEqualTo(1);
                assertThat(before.at(px, py)).as("%d, %d", x, y).isZero();
            }
        }
    }

    /** Strokes drawn at random, beside the letters, as single points: at the end all is there, and nothing throws. */
    @Test
    void anyStrokesWriteAll() {
        Outline shape = StrokeFinderTest.Letter.TEE.outline().and(Outline.of(new Box(200, 100, 230, 130)));
        for (int seed = 0; seed < 12; seed++) {
            List<Stroke> bad = new ArrayList<>();
            for (int i = 0; i < 1 + seed % 4; i++) {
                Point[] points = new Point[2 + seed % 3];
                for (int k = 0; k < points.length; k++) {
                    int far = seed % 3 == 0 ? 1000 : 0;
                    points[k] = new Point(
                            far + 250 * Chance.unit(seed, 10 * i + k, 1), 180 * Chance.unit(seed, 10 * i + k, 2));
                }
                points[1] = seed % 5 == 0 ? points[0] : points[1];
                bad.add(Inked.stroke(Integer.toString(i), seed % 2 * 10.0, points));
            }
            Inked inked = new Inked(shape, bad, 1);
            assertThat(inked.leastWritten(0)).isZero();
            assertThat(inked.leastWritten(1)).as("seed %d", seed).isEqualTo(1);
        }
    }

    @Test
    void whatIsWrittenOnlyGrows() {
        StrokeFinderTest.Letter letter = StrokeFinderTest.Letter.CROSSING;
        Inked inked = new Inked(letter.outline(), StrokeFinder.of(List.of(letter.outline())), 0.7);
        float[] before = inked.written(0).values();
        for (double share = 0.05; share <= 1; share += 0.05) {
            float[] now = inked.written(share).values();
            for (int i = 0; i < now.length; i++) {
                assertThat(now[i]).isGreaterThanOrEqualTo(before[i] - 1e-6f);
            }
            before = now;
        }
    }

    @Test
    void anEvenPenTakesAsLongAsItsWayIs() {
        Outline bar = Outline.of(new Box(0, 0, 300, 60));
        List<Stroke> strokes = List.of(
                Inked.stroke("1", 10, new Point(0, 10), new Point(100, 10)),
                Inked.stroke("2", 10, new Point(0, 40), new Point(200, 40)));
        Schedule schedule = new Inked(bar, strokes, 1).schedule(new Writing(0.25, 0, false, Ease.LINEAR, 100, 0, 0));
        assertThat(schedule.to(0)).isCloseTo(0.25, within(1e-9));
        assertThat(schedule.from(1)).isCloseTo(0.5, within(1e-9));
        assertThat(schedule.to(1)).isCloseTo(1, within(1e-9));
    }

    @Test
    void aStrokeMayHaveATimeOfItsOwn() {
        Outline bar = Outline.of(new Box(0, 0, 300, 60));
        List<Stroke> strokes = List.of(
                Inked.stroke("1", 10, new Point(0, 10), new Point(100, 10)),
                Inked.stroke("2", 10, new Point(0, 40), new Point(200, 40))
                        .withTime(Optional.of(new Stroke.Time(0.1, 0.3))));
        Schedule schedule = new Inked(bar, strokes, 1).schedule(new Writing(0.2, 0, false, Ease.LINEAR, 0, 0, 0));
        assertThat(schedule.reached(1, 1e-9)).isCloseTo(100, within(1e-6));
    }

    /**
     * The speed of a hand on a circle grows with the cube root of its radius (the two-thirds power law: angular speed goes with
     * curvature to the power of ⅔; F. Lacquaniti, C. Terzuolo, P. Viviani, <i>The law relating the kinematic and figural aspects of
     * drawing movements</i>, 1983), as long as the radius is small beside the large one that keeps straight lines finite.
     */
    @Test
    void aPenSlowsInBendsByTheTwoThirdsPowerLaw() {
        double large = 1e6;
        double small = Schedule.speed(large / 40, large);
        double wide = Schedule.speed(large / 20, large);
        assertThat(wide / small).isCloseTo(Math.cbrt(2), within(0.02));
        assertThat(Schedule.speed(0, large)).isEqualTo(0.25);
        assertThat(Schedule.speed(1e12, large)).isCloseTo(1, within(1e-5));
    }

    @Test
    void thePenPathIsAsLongAsItsPath() {
        PenPath pen = new PenPath(
                Inked.stroke("1", 10, new Point(0, 0), new Point(30, 40), new Point(30, 100))
                        .line(),
                0.5);
        assertThat(pen.length()).isCloseTo(110, within(1e-9));
        assertThat(pen.nearest(45, 33, 50)).isCloseTo(60, within(1e-6));
        assertThat(pen.half(20)).isEqualTo(5);
    }
}
