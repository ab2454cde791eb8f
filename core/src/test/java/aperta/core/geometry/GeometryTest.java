package aperta.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GeometryTest {
    private static Affine random(Random r) {
        return new Affine(
                r.nextDouble() * 4 - 2,
                r.nextDouble() * 4 - 2,
                r.nextDouble() * 4 - 2,
                r.nextDouble() * 4 - 2,
                r.nextDouble() * 100,
                r.nextDouble() * 100);
    }

    private static AffineTransform jdk(Affine m) {
        return new AffineTransform(m.a(), m.b(), m.c(), m.d(), m.e(), m.f());
    }

    /** The JDK's AffineTransform has the same six numbers. */
    @Test
    void mapsChainAndInvertAsTheJdksDo() throws NoninvertibleTransformException {
        Random r = new Random(5);
        for (int i = 0; i < 200; i++) {
            Affine a = random(r);
            Affine b = random(r);
            Point p = new Point(r.nextDouble() * 50, r.nextDouble() * 50);
            AffineTransform chain = jdk(b);
            chain.concatenate(jdk(a));
            Point2D expected = chain.transform(new Point2D.Double(p.x(), p.y()), null);
            Point got = a.then(b).apply(p);
            assertThat(got.x()).isCloseTo(expected.getX(), within(1e-9));
            assertThat(got.y()).isCloseTo(expected.getY(), within(1e-9));
            if (Math.abs(a.determinant()) > 1e-3) {
                Point2D back = jdk(a).inverseTransform(new Point2D.Double(p.x(), p.y()), null);
                Point own = a.inverse().orElseThrow().apply(p);
                assertThat(own.x()).isCloseTo(back.getX(), within(1e-6));
                assertThat(own.y()).isCloseTo(back.getY(), within(1e-6));
            }
        }
    }

    @Test
    void quarterTurnsAreExact() {
        assertThat(Affine.rotation(90).apply(new Point(3, 0))).isEqualTo(new Point(0, 3));
        assertThat(Affine.rotation(-90).apply(new Point(3, 0))).isEqualTo(new Point(0, -3));
        assertThat(Affine.rotation(180).apply(new Point(3, 1))).isEqualTo(new Point(-3, -1));
        assertThat(Affine.rotation(720)).isEqualTo(Affine.IDENTITY);
    }

    @Test
    void aFlattenedPlaneHasNoWayBack() {
        assertThat(Affine.scale(0, 1).inverse()).isEmpty();
        assertThat(Affine.scale(2, 3).meanScale()).isCloseTo(Math.sqrt(6), within(1e-12));
        assertThat(Affine.translation(5, 5).applyVector(new Point(1, 2))).isEqualTo(new Point(1, 2));
    }

    @Test
    void boxesHoldTheirPointsAndOneAnother() {
        Box box = Box.around(List.of(new Point(3, -1), new Point(-2, 7), new Point(0, 0)));
        assertThat(box).isEqualTo(new Box(-2, -1, 3, 7));
        assertThat(box.contains(new Point(0, 6.9))).isTrue();
        assertThat(box.contains(new Point(3.1, 0))).isFalse();
        assertThat(box.union(Box.EMPTY)).isEqualTo(box);
        assertThat(Box.EMPTY.union(box)).isEqualTo(box);
        assertThat(Box.around(List.of())).isEqualTo(Box.EMPTY);
        assertThat(Affine.rotation(90).apply(new Box(0, 0, 4, 2))).isEqualTo(new Box(-2, 0, 0, 4));
        assertThat(Box.centred(10, 4).centre()).isEqualTo(Point.ORIGIN);
        assertThat(box.grown(1).width()).isEqualTo(7);
    }

    @Test
    void pointsAreVectorsToo() {
        assertThat(new Point(3, 4).length()).isEqualTo(5);
        assertThat(new Point(1, 1).mix(new Point(3, 5), 0.25)).isEqualTo(new Point(1.5, 2));
    }
}
