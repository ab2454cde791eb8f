package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.BrushStroke;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A grey disc with a soft edge that moves in front of an uneven wall: the coverage of each pixel is known. */
class RefiningTest {
    private static final int W = 240;
    private static final int H = 120;
    private static final Region PICTURE = new Region(0, 0, W, H);
    private static final int FRAMES = 10;
    /** From one frame to the next, in pixels. */
    private static final double PACE = 10.3;

    private static final float[] WALL = wall();

    @BeforeAll
    static void load() {
        Natives.demand();
    }

    /** Blocks of 5 pixels, as grey as it happens. */
    private static float[] wall() {
        Random random = new Random(3);
        double[] blocks = random.doubles(W * H, 40, 210).toArray();
        float[] to = new float[W * H];
        for (int i = 0; i < to.length; i++) {
            to[i] = (float) blocks[i / W / 5 * W + i % W / 5];
        }
        return to;
    }

    /** Whole up to some distance from its middle, nothing beyond another. */
    private static Matte disc(double frame, double whole, double nothing) {
        Matte to = new Matte(PICTURE);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double r = Math.hypot(x - 60 - PACE * frame, y - 60);
                to.set(x, y, (float) Math.max(0, Math.min(1, (nothing - r) / (nothing - whole))));
            }
        }
        return to;
    }

    private static Matte truth(long frame) {
        return disc(frame, 24, 36);
    }

    /** What is drafted is harder than it is, and larger. */
    private static Matte draft(long frame) {
        return disc(frame, 31, 33);
    }

    private static FigureFrame seen(long frame, Matte coverage) {
        Region part = FigureFrame.part(coverage, PICTURE);
        Matte alpha = truth(frame);
        Random grain = new Random(frame);
        byte[] picture = new byte[part.width() * part.height()];
        byte[] plate = new byte[picture.length];
        boolean[] known = new boolean[picture.length];
        for (int i = 0; i < picture.length; i++) {
            int x = part.x() + i % part.width();
            int y = part.y() + i / part.width();
            double wall = WALL[y * W + x];
            double v = 90 * alpha.at(x, y) + wall * (1 - alpha.at(x, y)) + 2 * grain.nextGaussian();
            picture[i] = (byte) Math.round(Math.max(0, Math.min(255, v)));
            plate[i] = (byte) Math.round(wall);
            known[i] = true;
        }
        return new FigureFrame(
                frame,
                part,
                coverage,
                new byte[][] {picture, picture, picture},
                new byte[][] {plate, plate, plate},
                known);
    }

    private static Refining added(Map<Long, Strokes> brushed) {
        Refining refining = new Refining(PICTURE, RefiningTest::seen, brushed);
        for (long f = 0; f < FRAMES; f++) {
            refining.add(f, draft(f));
        }
        return refining;
    }

    private static Matte coverage(Refining refining, long frame, Matte carried) {
        return refining.coverage(Map.of(frame, carried)).get(frame);
    }

    /** How far coverage is off where it is neither nothing nor all, on the mean. */
    private static double off(Matte found, long frame) {
        Matte truth = truth(frame);
        double sum = 0;
        int n = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float t = truth.at(x, y);
                if (t > 0 && t < 1) {
                    sum += Math.abs(found.at(x, y) - t);
                    n++;
                }
            }
        }
        return sum / n;
    }

    /** Neither its colour nor how soft it is was told. */
    @Test
    void oneCoverageExplainsAllFrames() {
        Refining refining = added(Map.of());
        refining.compare(() -> true);
        for (long f : new long[] {1, 5, 8}) {
            double drafted = off(draft(f), f);
            assertThat(drafted).isGreaterThan(0.15);
            assertThat(off(coverage(refining, f, draft(f)), f))
                    .as("frame %d", f)
                    .isLessThan(drafted / 3);
        }
    }

    @Test
    void whatWasBrushedStays() {
        BrushStroke out = new BrushStroke(
                5, false, 4, List.of(new Point(60 + PACE * 5 - 6, 60), new Point(60 + PACE * 5 + 6, 60)));
        Refining refining = added(Map.of(5L, new Strokes(List.of(out), 1, W, H)));
        refining.compare(() -> true);
        int x = (int) (60 + PACE * 5);
        Matte obeyed = draft(5);
        for (int i = -8; i <= 8; i++) {
            for (int j = -8; j <= 8; j++) {
                obeyed.set(x + i, 60 + j, 0);
            }
        }
        assertThat(coverage(refining, 5, obeyed).at(x, 60)).isLessThan(0.01f);
        assertThat(coverage(refining, 6, draft(6)).at((int) (60 + PACE * 6), 60))
                .isGreaterThan(0.9f);
    }

    @Test
    void alone() {
        Refining refining = new Refining(PICTURE, RefiningTest::seen, Map.of());
        refining.add(0, draft(0));
        assertThat(off(coverage(refining, 0, draft(0)), 0)).isCloseTo(off(draft(0), 0), within(0.05));
    }

    @Test
    void whereThereIsNoFigureThereIsNone() {
        Refining refining = added(Map.of());
        Matte nothing = new Matte(Region.NOTHING);
        refining.add(FRAMES, nothing);
        assertThat(coverage(refining, FRAMES, nothing)).isSameAs(nothing);
    }

    @Test
    void whoStopsItIsAskedOnce() {
        int[] asked = {0};
        added(Map.of()).compare(() -> ++asked[0] < 0);
        assertThat(asked[0]).isOne();
    }

    /** By the pictures: the drafts lie a pixel beside the figure, each to another side. */
    @Test
    void howAFigureHasMovedIsFoundFromThePictures() {
        Map<Long, FigureFrame> frames = new TreeMap<>();
        for (long f = 0; f < 2; f++) {
            frames.put(f, seen(f, disc(f + (f == 0 ? 1 : -1) / PACE, 24, 36)));
        }
        FigureMotion motion = FigureMotion.between(frames.get(0L), frames.get(1L), 6, 3);
        Region part = frames.get(1L).part;
        int x = (int) (60 + PACE) - part.x();
        for (int side : new int[] {-20, 20}) {
            assertThat(motion.dx(x + side, 60 - part.y())).isCloseTo((float) PACE, within(0.7f));
            assertThat(motion.dy(x + side, 60 - part.y())).isCloseTo(0, within(0.7f));
        }
    }
}
