package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Homography;
import aperta.core.geometry.Point;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The camera's motion between two pictures of a wall, taken of it exactly, with grain, and something that moves in front. */
class CameraTest {
    private static final int W = 640;
    private static final int H = 360;
    private static final double GRAIN = 5;

    @BeforeAll
    static void natives() {
        Natives.demand();
    }

    /** Soft blobs, as fine as six pixels. */
    private static double wall(double x, double y) {
        double sum = 0;
        for (double size : new double[] {6, 14, 40}) {
            double u = x / size;
            double v = y / size;
            long i = (long) Math.floor(u);
            long k = (long) Math.floor(v);
            double a = smooth(u - i);
            double b = smooth(v - k);
            double top = dice(i, k, size) * (1 - a) + dice(i + 1, k, size) * a;
            double bottom = dice(i, k + 1, size) * (1 - a) + dice(i + 1, k + 1, size) * a;
            sum += top * (1 - b) + bottom * b;
        }
        return 60 + 40 * sum;
    }

    private static double smooth(double t) {
        return t * t * (3 - 2 * t);
    }

    private static double dice(long x, long y, double size) {
        return new Random(x * 73_856_093L ^ y * 19_349_663L ^ (long) size * 83_492_791L).nextDouble();
    }

    /** @param at from the wall to the picture */
    private static byte[] seen(Homography at, double figureX, int seed) {
        Homography back = at.inverse();
        Random grain = new Random(seed);
        byte[] to = new byte[W * H];
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                Point p = back.apply(new Point(x, y));
                boolean figure = Math.abs(x - figureX) < 60 && y > 100;
                double v = figure ? wall(3000 + x - figureX, y) : wall(p.x() + 500, p.y() + 500);
                to[y * W + x] = (byte) Math.max(0, Math.min(255, Math.rint(v + GRAIN * grain.nextGaussian())));
            }
        }
        return to;
    }

    private static double furthestOff(Homography found, Homography truth) {
        double most = 0;
        for (Point p : new Point[] {new Point(0, 0), new Point(W, 0), new Point(0, H), new Point(W, H)}) {
            most = Math.max(most, found.apply(p).minus(truth.apply(p)).length());
        }
        return most;
    }

    private static double off(Homography truth) {
        byte[] before = seen(Camera.STANDS, 200, 1);
        byte[] after = seen(truth, 260, 2);
        return furthestOff(Camera.motion(W, H, before, after), truth);
    }

    @Test
    void oneThatStandsStandsExactlyWhateverMoves() {
        assertThat(off(Camera.STANDS)).isZero();
    }

    /** Lamps go darker by a third: their light on the wall is no motion. */
    @Test
    void aShiftIsFoundInAnotherLightToo() {
        Homography truth = new Homography(new double[] {1, 0, 0.62, 0, 1, -0.35, 0, 0, 1});
        byte[] before = seen(Camera.STANDS, 200, 1);
        byte[] after = seen(truth, 260, 2);
        for (int i = 0; i < after.length; i++) {
            after[i] = (byte) Math.rint((after[i] & 255) * 0.66);
        }
        assertThat(furthestOff(Camera.motion(W, H, before, after), truth)).isLessThan(0.1);
    }

    /** A map with more freedom than it has would be off by a pixel and more in the corners. */
    @Test
    void aShiftIsFoundToATenthOfAPixelInTheCornersToo() {
        assertThat(off(new Homography(new double[] {1, 0, 0.62, 0, 1, -0.35, 0, 0, 1})))
                .isLessThan(0.1);
        assertThat(off(new Homography(new double[] {1, 0, -7.4, 0, 1, 2.3, 0, 0, 1})))
                .isLessThan(0.1);
    }

    @Test
    void turnAndScaleAreFound() {
        double turn = Math.toRadians(0.8);
        double c = 1.012 * Math.cos(turn);
        double s = 1.012 * Math.sin(turn);
        assertThat(off(new Homography(new double[] {c, -s, 3, s, c, -2, 0, 0, 1})))
                .isLessThan(0.4);
    }

    @Test
    void perspectiveIsFound() {
        assertThat(off(new Homography(new double[] {1.01, 0.004, -4, -0.003, 1.02, 2, 4e-5, -3e-5, 1})))
                .isLessThan(1);
    }

    @Test
    void aSmallMotionCountsWhereItIsKnownToMove() {
        Homography truth = new Homography(new double[] {1, 0, 0.08, 0, 1, 0.03, 0, 0, 1});
        byte[] before = seen(Camera.STANDS, 200, 1);
        byte[] after = seen(truth, 200, 2);
        assertThat(furthestOff(Camera.motion(W, H, before, after), Camera.STANDS))
                .isZero();
        assertThat(furthestOff(Camera.smallMotion(W, H, before, after), truth)).isLessThan(0.05);
    }
}
