package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.shot.BrushStroke;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Figures cut out of clips that are unlike the plates that ship: another wall, another walk, somebody who stays. */
class MadeFigureTest {
    private static final long AT = 14;

    private static Map<Long, Matte> carried(MadeFigure clip, List<BrushStroke> strokes) {
        Map<Long, Matte> found = new TreeMap<>();
        CuttingOut.carry(
                strokes, 0, MadeFigure.FRAMES - 1, new ClipFilm(clip, "made", 1), f -> Optional.empty(), (f, a, s) -> {
                    found.put(f, a);
                    return true;
                });
        return found;
    }

    private static double overlap(Matte found, Matte truth) {
        double least = 0;
        double most = 0;
        for (int y = 0; y < MadeFigure.H; y++) {
            for (int x = 0; x < MadeFigure.W; x++) {
                float a = found.domain().contains(x, y) ? found.at(x, y) : 0;
                least += Math.min(a, truth.at(x, y));
                most += Math.max(a, truth.at(x, y));
            }
        }
        return least / most;
    }

    private static double[] leastAndMean(MadeFigure clip, List<BrushStroke> strokes) {
        Map<Long, Matte> found = carried(clip, strokes);
        assertThat(found).hasSize(MadeFigure.FRAMES);
        double least = 1;
        double sum = 0;
        for (Map.Entry<Long, Matte> f : found.entrySet()) {
            double overlap = overlap(f.getValue(), clip.coverage(f.getKey()));
            least = Math.min(least, overlap);
            sum += overlap;
        }
        return new double[] {least, sum / found.size()};
    }

    private static List<BrushStroke> onWalker(MadeFigure clip) {
        double x = clip.x(AT);
        double y = clip.ground();
        return List.of(
                new BrushStroke(AT, true, 8, List.of(new Point(x, y - 320), new Point(x, y - 155))),
                new BrushStroke(
                        AT,
                        false,
                        6,
                        List.of(
                                new Point(x - 110, y - 370),
                                new Point(x + 120, y - 370),
                                new Point(x + 120, y + 20),
                                new Point(x - 110, y + 20),
                                new Point(x - 110, y - 370))));
    }

    /** His legs part and close as he walks, and the wall shows between them. */
    @Test
    void somebodyWhoWalksBy() {
        MadeFigure clip = new MadeFigure(false);
        double[] overlap = leastAndMean(clip, onWalker(clip));
        assertThat(overlap[0]).isGreaterThan(0.9);
        assertThat(overlap[1]).isGreaterThan(0.93);
    }

    /** One short stroke inside and one beside him say enough, though wall lies nearer to the first than to the second. */
    @Test
    void shortStrokesAreEnough() {
        MadeFigure clip = new MadeFigure(false);
        FigureFinder finder = new FigureFinder(new ClipFilm(clip, "made", 1), 0, MadeFigure.FRAMES - 1);
        for (long frame : new long[] {4, 7, 19}) {
            double x = clip.x(frame);
            double y = clip.ground();
            List<BrushStroke> strokes = List.of(
                    new BrushStroke(frame, true, 8, List.of(new Point(x, y - 320), new Point(x, y - 155))),
                    new BrushStroke(
                            frame, false, 6, List.of(new Point(x - 220, y - 300), new Point(x - 220, y - 200))));
            Shape first = finder.first(frame, finder.strokes(strokes));
            assertThat(overlap(finder.alpha(frame, first), clip.coverage(frame)))
                    .as("frame %d", frame)
                    .isGreaterThan(0.9);
        }
    }

    /** Lamps make frames brighter and darker by up to a quarter. */
    @Test
    void whoWalksByUnderLampsThatFlicker() {
        MadeFigure clip = new MadeFigure(false, true);
        double[] overlap = leastAndMean(clip, onWalker(clip));
        assertThat(overlap[0]).isGreaterThan(0.9);
        assertThat(overlap[1]).isGreaterThan(0.93);
    }

    /** The median of the frames shows him, not what is behind him; and his hand moves further than it is wide. */
    @Test
    void somebodyWhoStays() {
        MadeFigure clip = new MadeFigure(true);
        double x = clip.x(AT);
        List<BrushStroke> strokes = List.of(
                new BrushStroke(AT, true, 14, List.of(new Point(x + 2, 370), new Point(x + 2, 715))),
                new BrushStroke(
                        AT,
                        false,
                        10,
                        List.of(
                                new Point(x - 250, 715),
                                new Point(x - 250, 290),
                                new Point(x + 320, 290),
                                new Point(x + 320, 715))));
        double[] overlap = leastAndMean(clip, strokes);
        assertThat(overlap[0]).isGreaterThan(0.9);
        assertThat(overlap[1]).isGreaterThan(0.95);
    }
}
